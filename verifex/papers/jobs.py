"""Papers of a whole class, and of a session before it begins, as long work."""

from typing import Any

from verifex.dockets.act import find
from verifex.dockets.models import Docket
from verifex.dockets.present.parts import bench_number
from verifex.papers.pdf import one_pdf, pdf_of
from verifex.papers.plan import plan_html, plan_of
from verifex.papers.sheets import planned_html, sheet_html
from verifex.papers.slips import log_in_slips
from verifex.people.models import User
from verifex.people.services.first_passwords import for_section, never_logged_in
from verifex.plan.models import Session
from verifex.work.long_work import Made, Progress, job


@job("class-sheets")
def class_sheets(detail: dict[str, Any]) -> Progress:
    """One page a docket of a session, by bench: answer keys, or sheets for predictions."""
    dockets = [find(pk) for pk in Docket.objects.filter(session=detail["session"]).values_list("pk", flat=True)]
    in_order = sorted(dockets, key=lambda d: (bench_number(d) or 0, d.pk))
    pages = []
    yield 0, len(in_order)
    for number, docket in enumerate(in_order, start=1):
        pages.append(pdf_of(sheet_html(docket, answers=detail["answers"])))
        yield number, len(in_order)
    kind = "answer-keys" if detail["answers"] else "predictions"
    return Made(f"{kind}-session-{detail['session']}.pdf", one_pdf(pages), "application/pdf")


@job("session-papers")
def session_papers(detail: dict[str, Any]) -> Progress:
    """From the plan of a session, before any kit is out: the seat and picking list, pages to predict on, answer keys."""
    session = Session.objects.select_related("section__course", "room").get(pk=detail["session"])
    plan = plan_of(session)
    pairs, benches, does, versions = plan.pairs, plan.benches, plan.does, plan.versions
    working = [(pair, versions[does[pair.pk]]) for pair in pairs if does.get(pair.pk) in versions]
    wanted = detail.get("slips") and never_logged_in(session.section).exists()
    slips = for_section(User.objects.get(pk=detail["by"]), session.section) if wanted else []
    total = 1 + bool(slips) + len(working) + len(versions)
    pages = [pdf_of(plan_html(session, plan))]
    yield 1, total
    if slips:
        pages.append(log_in_slips(session.section, slips, detail["address"]))
        yield 2, total
    for pair, version in working:
        pages.append(pdf_of(planned_html(session, version, pair=pair, bench=benches.get(pair.pk))))
        yield len(pages), total
    for version in versions.values():
        pages.append(pdf_of(planned_html(session, version, pair=None, bench=None)))
        yield len(pages), total
    return Made(f"session-{session.starts_at:%Y-%m-%d}.pdf", one_pdf(pages), "application/pdf")
