"""Station states: reading them, and the one function that changes one."""

from collections.abc import Mapping
from typing import Any, Protocol, TypeVar

from verifex.acts import clock
from verifex.core.exercise import Exercise
from verifex.dockets.models import Docket, State, Station, StationState

ORDER = list(Station)


def stations_of(exercise: Exercise) -> list[Station]:
    """The stations that an exercise has, in their order: one without a program has no station for it."""
    return [station for station in ORDER if exercise.program or station is not Station.PROGRAM]


def states(docket: Docket, stage: int = 1) -> dict[str, StationState]:
    return {row.station: row for row in docket.stations.all() if row.stage == stage}


def state_of(docket: Docket, station: str, stage: int = 1) -> str | None:
    row = StationState.objects.filter(docket=docket, stage=stage, station=station).first()
    return row.state if row else None


def set_state(docket: Docket, station: str, state: str, stage: int = 1) -> None:
    """Put a station into a state; the time counts from the change, not from a repetition."""
    row, made = StationState.objects.get_or_create(
        docket=docket, stage=stage, station=station, defaults={"state": state}
    )
    if not made and row.state != state:
        row.state, row.since = state, clock.now()
        row.save()


def snapshot(docket: Docket) -> dict[str, Any]:
    """The states of all stations and the standing clearance, for taking a decision back."""
    rows = StationState.objects.filter(docket=docket).values_list("station", "state")
    standing = docket.clearances.filter(voided_at__isnull=True).values_list("pk", flat=True).first()
    return {**dict(rows), "clearance": standing}


def reach(docket: Docket, station: str, stage: int = 1) -> None:
    """Open a station for work, unless it was reached before; where the exercise has none of the kind, the one behind it."""
    there = stations_of(docket.version.file)
    if station not in there:
        station = next(s for s in ORDER[ORDER.index(Station(station)) :] if s in there)
    if state_of(docket, station, stage) in (None, State.VOIDED):
        set_state(docket, station, State.WORKING, stage)


class HasState(Protocol):
    @property
    def state(self) -> str: ...


S = TypeVar("S", bound=HasState)


def current(rows: Mapping[str, S]) -> S | None:
    """Where the docket is: what asks, else what was sent back or voided, else the first that is worked at, else the last."""
    in_order = [rows[station] for station in ORDER if station in rows]
    for wanted in ((State.ASKS,), (State.SENT_BACK, State.VOIDED), (State.WORKING,)):
        for row in in_order:
            if row.state in wanted:
                return row
    return in_order[-1] if in_order else None
