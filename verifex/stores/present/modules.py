"""Modules, batches and kinds of parts as the stores show them."""

from collections import Counter
from collections.abc import Iterable
from datetime import date, timedelta
from functools import cache
from typing import Any

from verifex.core.parts import Board, PartType, catalogue
from verifex.core.parts.deviations import deviating
from verifex.core.planning.calibrations import KINDS_BY_ID, kinds_for
from verifex.core.planning.failures import BatchFailures, worst_first
from verifex.core.planning.stock import is_tagged
from verifex.people.times import today
from verifex.stores.models import Batch, Calibration, Fault, KitIssue, Module, PartTest
from verifex.stores.schemas.modules import (
    CalibrationKindOut,
    CalibrationOut,
    EnteredOut,
    ModuleFaultOut,
    ModuleOut,
    ModuleRowOut,
    PartKindOut,
)
from verifex.stores.services.found_settings import settable


def whole_modules() -> "Any":
    """Modules with all that their state follows from, in a few queries."""
    related = ("faults", "tests", "calibrations__by", "place__kit__issues__pair")
    return Module.objects.select_related("batch", "place__kit__exercise").prefetch_related(*related)


def state_of(module: Module) -> tuple[str, str]:
    """'ready', 'out', 'to-test', 'repair' or 'retired', with the reason in words."""
    if module.retired_at:
        return "retired", "retired"
    if fault := next((f for f in module.faults.all() if f.is_open), None):
        return "repair", fault.what
    if test := next((t for t in module.tests.all() if t.outcome == PartTest.Outcome.OPEN), None):
        return "to-test", test.because
    place = getattr(module, "place", None)
    if place is not None and not place.present:
        return "missing", f"did not come back with {place.kit.tag}"
    if place is not None and (held := next((i for i in place.kit.issues.all() if i.returned_at is None), None)):
        return "out", f"with {held.pair}"
    return "ready", ""


def module_row(module: Module) -> ModuleRowOut:
    state, reason = state_of(module)
    place = getattr(module, "place", None)
    counting = [c for c in module.calibrations.all() if c.withdrawn_at is None]
    newest = counting[-1] if counting else None
    return ModuleRowOut(
        id=module.pk,
        tag=module.tag,
        part=module.part,
        title=title_of(module.part),
        state=state,
        reason=reason,
        where=f"{place.kit.tag}, {place.ref}" if place else "",
        batch=module.batch.name if module.batch else "",
        calibration=newest.words if newest else "",
        aged=newest is not None and until_of(newest) < today(None),
        faults=len(module.faults.all()),
    )


def module_json(module: Module) -> ModuleOut:
    """One module with its calibrations and faults, the newest first."""
    batch = module.batch
    return ModuleOut(
        **dict(module_row(module)),
        batch_id=module.batch_id,
        leg_order=batch.leg_order if batch else "",
        figures=batch.figures if batch else {},
        settings=module.settings,
        headers=module.headers,
        note=module.note,
        bought_on=module.bought_on,
        calibrations=[calibration_json(c) for c in reversed(list(module.calibrations.all()))],
        history=[
            ModuleFaultOut(at=f.opened_at, what=f.what, state=f.state, note=f.closing_note)
            for f in reversed(list(module.faults.all()))
        ],
    )


def calibration_json(row: Calibration) -> CalibrationOut:
    kind = KINDS_BY_ID.get(row.kind)
    return CalibrationOut(
        id=row.pk,
        kind=row.kind,
        title=kind.title if kind else row.kind,
        quantity=row.quantity,
        words=row.words,
        with_what=row.with_what,
        on=row.on,
        until=until_of(row),
        aged=until_of(row) < today(None),
        withdrawn=row.withdrawn_at is not None,
        by=row.by.get_full_name() if row.by else "",
    )


def until_of(row: Calibration) -> date:
    return row.on + timedelta(days=row.days)


def title_of(part: str) -> str:
    kind: PartType | Board | None = catalogue().parts.get(part) or catalogue().boards.get(part)
    return kind.title if kind else part


def batches_json() -> list[dict[str, Any]]:
    """Every batch with how often its modules failed, the worst first."""
    modules = Counter(Module.objects.exclude(batch=None).values_list("batch", flat=True))
    faults = Counter(Fault.objects.filter(module__batch__isnull=False).values_list("module__batch", flat=True))
    uses: Counter[int | None] = Counter()
    of_tag = dict(Module.objects.exclude(batch=None).values_list("tag", "batch"))
    for given in KitIssue.objects.exclude(modules={}).values_list("modules", flat=True):
        uses.update(of_tag[tag] for tag in given.values() if tag in of_tag)
    batches = {batch.name: batch for batch in Batch.objects.all()}
    counted = (BatchFailures(b.name, modules[b.pk], faults[b.pk], uses[b.pk]) for b in batches.values())
    return [_batch(batches[failures.batch], failures) for failures in worst_first(counted)]


def _batch(batch: Batch, failures: BatchFailures) -> dict[str, Any]:
    fields = ("name", "part", "marking", "leg_order", "figures", "price", "supplier", "lead_days", "bought_on")
    return {
        **{field: getattr(batch, field) for field in fields},
        "id": batch.pk,
        "title": title_of(batch.part),
        "modules": failures.modules,
        "faults": failures.faults,
        "uses": failures.uses,
        "rate": failures.rate,
    }


@cache
def kinds_json() -> list[PartKindOut]:
    """Every part and board of the catalogue, with what the stores may say of it."""
    kinds: Iterable[PartType | Board] = [*catalogue().parts.values(), *catalogue().boards.values()]
    return sorted((_kind(kind) for kind in kinds), key=lambda kind: kind.title)


def _kind(kind: PartType | Board) -> PartKindOut:
    part = kind if isinstance(kind, PartType) else None
    return PartKindOut(
        id=kind.id,
        title=kind.title,
        tagged=part is None or is_tagged(part),
        board=part is None,
        legs=list(part.legs) if part else [],
        settings=settable(part) if part else {},
        figures=deviating(part) if part else {},
        colours=list(part.colours) if part else [],
        calibrations=[
            CalibrationKindOut(
                id=way.id,
                title=way.title,
                how=way.how,
                quantity=quantity,
                days=way.days,
                fields=[EnteredOut.model_validate(field) for field in way.entered(kind, quantity)],
            )
            for way in kinds_for(kind)
            for quantity in way.quantities(kind)
        ],
    )
