"""`verifex parts` and `verifex rules`."""

from argparse import Namespace
from typing import Any

from verifex.core.cli.output import print_json
from verifex.core.cli.unusable import CannotUse
from verifex.core.parts import PartType, catalogue
from verifex.core.parts.figures import Frozen


def show_parts(arguments: Namespace) -> int:
    part_types = catalogue()
    everything = {**part_types.boards, **part_types.parts}
    if arguments.id and arguments.id not in everything:
        near = part_types.near(arguments.id)
        raise CannotUse(
            f"parts:1:1: no part is called '{arguments.id}'" + (f"; did you mean {' or '.join(near)}?" if near else "")
        )
    chosen = {arguments.id: everything[arguments.id]} if arguments.id else everything
    if arguments.json:
        print_json({key: _as_json(part) for key, part in chosen.items()})
        return 0
    for key, part in chosen.items():
        legs = " ".join(getattr(part, "legs", ()))
        print(f"{key:20} {getattr(part, 'title', '')}" + (f"   legs: {legs}" if legs else ""))
        if settings := getattr(part, "settings", ()):
            print(f"{'':20} Settings: {', '.join(settings)}")
        for caution in getattr(part, "cautions", ()):
            print(f"{'':20} Caution: {caution}")
    return 0


def _as_json(entry: Frozen) -> dict[str, Any]:
    """A catalogue entry; a part's legs are a list in its own order, their figures beside it."""
    out: dict[str, Any] = entry.model_dump(mode="json", exclude_none=True, exclude_defaults=True)
    if isinstance(entry, PartType):
        out |= {"legs": list(entry.legs), "leg_figures": out["legs"], "source": entry.source}
    return out


def show_rules(arguments: Namespace) -> int:
    from verifex.core.assess.rule_books import all_books
    from verifex.core.cli.rule_pages import rules_page

    if arguments.json:
        print_json(
            [
                {
                    "book": b.title,
                    "rule": r.slug,
                    "severity": r.severity.value,
                    "title": r.title,
                    "source": r.source,
                }
                for b in all_books()
                for r in b.rules.values()
            ]
        )
    else:
        print(rules_page(), end="")
    return 0
