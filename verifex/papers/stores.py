"""Papers of the stores: what to look at in kits that come back, and what the coming sessions need."""

from typing import Any

from verifex.dockets import services
from verifex.papers.page import page_html
from verifex.papers.pdf import pdf_of
from verifex.people.models import Course, Section
from verifex.plan.models import Session
from verifex.stores.coming import coming, swap_text
from verifex.stores.orders import orders


def inspection_pdf(session: Session) -> bytes:
    """Kit by kit that was out in a session: what must be tested and why, what to reset, cool and dry, and what has to be in it."""
    issues = session.kit_issues.select_related("kit", "pair").order_by("kit__tag", "-issued_at")
    seen: set[int] = set()
    kits: list[dict[str, Any]] = []
    for issue in issues:
        if issue.kit_id in seen:
            continue
        seen.add(issue.kit_id)
        parts = [
            {"ref": part.ref, "title": part.title, "module": part.module.tag if part.module else ""}
            for part in issue.kit.parts.select_related("module")
        ]
        kits.append(
            {"tag": issue.kit.tag, "pair": issue.pair.name, "parts": parts, "looks": services.looks_of(issue.kit)}
        )
    kits.sort(key=lambda kit: (not any(look.must for look in kit["looks"]), kit["tag"]))
    return pdf_of(page_html("inspection", session.section.course, {"session": session, "kits": kits}))


def coming_pdf(course: Course, sections: list[Section]) -> bytes:
    """Session by session what is ready, what to test, fill, swap and get; then what to order by when."""
    rows = coming(sections)
    shown = [
        {
            "row": row,
            "fill": [f"{tag}: {', '.join(lacks)}" for tag, lacks in row.filled.items()],
            "swap": [f"{tag}: {swap_text(taken)}" for tag, taken in row.completed.items()],
            "missing": [f"{count} × {part}" for part, count in row.missing.items()],
        }
        for row in rows
    ]
    return pdf_of(page_html("coming", course, {"rows": shown, "orders": orders(rows)}))
