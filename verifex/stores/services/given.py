"""What a kit gives whoever has it, as the checks use it: by the exercise's references, as it is at that moment."""

from collections.abc import Mapping
from datetime import date
from typing import Any

from verifex.core.circuit import HandedOut
from verifex.core.parts import catalogue
from verifex.core.parts.calibration import BOARD, Calibration
from verifex.core.planning.calibrations import in_force
from verifex.core.quantity import parse_quantity
from verifex.people.models import Course, User
from verifex.people.times import local
from verifex.stores.models import Kit, KitIssue, KitPart, Module
from verifex.stores.signals import issue_changed

Snapshot = dict[str, Any]
MEASURED = "measured"  # the setting of a resistor that holds what a meter read of it, such as 326 or 9.87k


def snapshot(kit: Kit, places: Mapping[str, str]) -> Snapshot:
    """What of an issue follows from its kit: `places` gives by the exercise's reference the kit's own."""
    parts = {
        part.ref: part for part in kit.parts.select_related("module__batch").prefetch_related("module__calibrations")
    }
    own = {ref: parts[held] for ref, held in places.items() if held in parts}
    found: Snapshot = {
        "leg_orders": dict(kit.leg_orders), "settings": {}, "modules": {}, "figures": {}, "calibrations": {},
    }  # fmt: skip
    for ref, part in own.items():
        module = part.module
        settings = {**(module.settings if module else {}), **kit.settings.get(part.ref, {})}
        if settings:
            found["settings"][ref] = settings
        if module is None or module.part in catalogue().boards:
            continue  # the board is named below, under its own name
        found["modules"][ref] = module.tag
        found["calibrations"][ref] = calibrations_of(module)
        if module.batch:
            if module.batch.leg_order:
                found["leg_orders"][ref] = module.batch.leg_order
            if module.batch.figures:
                found["figures"][ref] = module.batch.figures
    if board := _board_in(parts.values()):
        found["modules"][BOARD] = board.tag
        found["calibrations"][BOARD] = calibrations_of(board)
    found["calibrations"] = {ref: rows for ref, rows in found["calibrations"].items() if rows}
    return found


def _board_in(parts: Any) -> Module | None:
    boards = catalogue().boards
    return next((p.module for p in parts if isinstance(p, KitPart) and p.module and p.module.part in boards), None)


def calibrations_of(module: Module) -> list[Snapshot]:
    """Its calibrations that were not withdrawn, one row a quantity."""
    return [
        {
            **found,
            "on": row.on.isoformat(),
            "days": row.days,
            "said": _calibration_text(module, row.on, row.with_what, row.words),
        }
        for row in module.calibrations.all()
        if row.withdrawn_at is None
        for found in row.found
    ]


def _calibration_text(module: Module, on: date, with_what: str, words: str) -> str:
    return ", ".join(filter(None, [module.tag, f"{on.day} {on:%b %Y}", with_what, words]))


def handed_out(issue: KitIssue | None, course: Course) -> HandedOut:
    """What the core judges with: calibrations age by the day the kit was given, as it is in the course."""
    if issue is None:
        return HandedOut()
    day = local(issue.issued_at, course).date()
    substitutes = {s.ref: s for s in issue.substitutions.all()}  # the last one counts
    measured = {ref: parse_quantity(own[MEASURED], "ohm") for ref, own in issue.settings.items() if own.get(MEASURED)}
    measured = {ref: ohms for ref, ohms in measured.items() if ref not in substitutes}
    return HandedOut(
        leg_orders=dict(issue.leg_orders),
        given_ohms={ref: one.ohms for ref, one in substitutes.items()},
        measured_ohms=measured | {ref: one.measured_ohms for ref, one in substitutes.items() if one.measured_ohms},
        settings={ref: {k: v for k, v in own.items() if k != MEASURED} for ref, own in issue.settings.items()},
        figures=issue.figures,
        calibrations={ref: _calibrations(rows, day) for ref, rows in issue.calibrations.items()},
    )


def calibration_texts(issue: KitIssue, course: Course) -> dict[str, list[str]]:
    """By the exercise's reference each calibration in words, once, with those that have aged marked so."""
    given = handed_out(issue, course).calibrations
    return {
        ref: list(dict.fromkeys(f"{one.said}{' (too old)' if one.aged else ''}" for one in rows))
        for ref, rows in given.items()
        if rows
    }


def _calibrations(rows: list[Snapshot], day: date) -> tuple[Calibration, ...]:
    return in_force(
        [
            (date.fromisoformat(row["on"]), row["days"], Calibration(row["figures"], row["said"], row["quantity"]))
            for row in rows
        ],
        day,
    )


def renew(actor: User | None, issue: KitIssue, verb: str, *, voids_because: str = "") -> None:
    """Something of the kit changed while it is out: whoever has it goes on with what it is now."""
    places = {part.ref: part.ref for part in issue.kit.parts.all()}
    exercise = issue.refs or places
    for name, value in snapshot(issue.kit, exercise).items():
        setattr(issue, name, value)
    issue.save(update_fields=["leg_orders", "settings", "modules", "figures", "calibrations"])
    issue_changed.send(KitIssue, issue=issue, actor=actor, verb=verb, voids_because=voids_because)


def renew_for(actor: User | None, module: Module, verb: str) -> None:
    """The same for whoever has the kit that this module is in; nothing where it is in none that is out."""
    place = KitPart.objects.filter(module=module).select_related("kit").first()
    if place is not None and (issue := issue_of_now(place.kit)) is not None:
        renew(actor, issue, verb)


def issue_of_now(kit: Kit) -> KitIssue | None:
    related = ("pair", "session__section", "kit__exercise", "exercise")
    return KitIssue.objects.filter(kit=kit, returned_at__isnull=True).select_related(*related).first()
