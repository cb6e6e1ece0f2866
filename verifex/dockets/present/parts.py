"""What staff and pair are shown alike of a docket."""

from collections.abc import Mapping, Sequence
from typing import Any

from verifex.core.assess.records import MeasurableRecord, SheetsRecord
from verifex.dockets.models import (
    Clearance,
    Docket,
    State,
    Station,
    StationState,
)
from verifex.dockets.schemas.parts import MeasurableOut, MeasurementOut, StationOut, SubstitutionOut
from verifex.dockets.stations import current, stations_of
from verifex.people.membership import during
from verifex.people.models import User
from verifex.plan.models import Seat
from verifex.stores.models import KitIssue


def bench_number(docket: Docket) -> int | None:
    """The bench the pair sits at in this session, where it has a seat."""
    if hasattr(docket, "seat"):
        seat: int | None = docket.seat
        return seat
    seats = Seat.objects.filter(session=docket.session_id, pair=docket.pair_id)
    return seats.values_list("bench", flat=True).first()


def common(docket: Docket, rows: Mapping[str, StationState]) -> dict[str, Any]:
    now = current(dict(rows))
    return {
        "id": docket.pk,
        "bench": bench_number(docket),
        "pair": docket.pair.name,
        "stations": [
            StationOut(
                station=s.value, state=rows[s].state if s in rows else None, since=rows[s].since if s in rows else None
            )
            for s in stations_of(docket.version.file)
        ],
        "current": now.station if now else Station.KIT,
        "judging": docket.judging_since is not None,
        "judging_failed": docket.judging_failed_at is not None,
    }


def members(docket: Docket) -> Any:
    held = during(docket.opened_at, docket.session.ends_at)
    return docket.pair.members.filter(held).select_related("user").order_by("user__last_name")


def name_of(user: User | None) -> str:
    return user.get_full_name() if user else ""


def substitutions(issue: KitIssue | None) -> list[SubstitutionOut]:
    return (
        [SubstitutionOut(ref=s.ref, ohms=s.ohms, reason=s.reason) for s in issue.substitutions.all()] if issue else []
    )


def last_voided(rows: Mapping[str, StationState], clearances: Sequence[Clearance]) -> Clearance | None:
    """The clearance that was voided last, while the power station waits for another."""
    power = rows.get(Station.POWER)
    if power is None or power.state != State.VOIDED:
        return None
    voided = [(c.voided_at, c) for c in clearances if c.voided_at is not None]
    return max(voided, key=lambda pair: pair[0])[1] if voided else None


def measurements(docket: Docket) -> list[MeasurementOut]:
    latest = {m.name: m for m in docket.measurements.all()}
    return [
        MeasurementOut(name=m.name, value=m.value, unit=m.unit, instrument=m.instrument, at=m.at)
        for m in latest.values()
    ]


def measurables(sheets: SheetsRecord | None, measured: Sequence[MeasurementOut], *, told: bool) -> list[MeasurableOut]:
    """What is worth measuring on this bench, as staff (`told`) or a pair is shown it."""
    return [_measurable(what, measured, told=told) for what in sheets.measurables if what.offered] if sheets else []


def _measurable(what: MeasurableRecord, measured: Sequence[MeasurementOut], *, told: bool) -> MeasurableOut:
    """Something to measure; the plan's value of a step, and what a meter should read, are `told` to staff only. A pair is
    shown whether what it measured is what its bench should read."""
    plan = f", plan {what.plan:g} {what.unit}" if told and what.plan is not None else ""
    value = next((row.value for row in measured if row.name == what.name), None)
    agrees = None if what.should is None or value is None else what.should[0] <= value <= what.should[2]
    return MeasurableOut(
        name=what.name,
        label=what.label + plan,
        unit=what.unit,
        how=what.how,
        agrees=agrees,
        said=_field_hint(what, agrees, told=told) if what.should else "",
    )


def _field_hint(what: MeasurableRecord, agrees: bool | None, *, told: bool) -> str:
    """What stands under the field of a meter's reading: what it should be, how it is done, or whether it is that."""
    if told and what.should:
        return f"Should read {what.should[0]:.2g} to {what.should[2]:.2g} {what.unit}."
    if agrees is None:
        return f"{what.how[:1].upper()}{what.how[1:]}."
    if agrees:
        return "This is what your bench should read."
    return "Your bench should read something else here: follow its leads once more."
