"""Where each docket of a session stands, from what is kept: a fixed number of queries for the whole room."""

from collections import defaultdict
from dataclasses import dataclass, field
from datetime import datetime
from functools import cached_property
from typing import NamedTuple

from django.db.models import Q

from verifex.core.assess import Summary
from verifex.core.findings import Severity
from verifex.core.hand_ins import HANDED_IN_AT, HandIn
from verifex.dockets.judgements import summaries_of
from verifex.dockets.models import Docket, SharedReadings, State, Station, StationState
from verifex.dockets.stations import current

#: The hand-in that the cards of a station are about.
HAND_IN_SHOWN = {**HANDED_IN_AT, Station.POWER: HandIn.WIRING}


class StationRow(NamedTuple):
    """What the Floor needs of a station's state: far cheaper to read than the model's rows, of which a room has hundreds."""

    station: str
    state: str
    since: datetime


@dataclass
class Standing:
    """Where a docket stands: its station, what is kept of the hand-in there, and how urgent a visit is."""

    docket: Docket
    rows: dict[str, StationRow] = field(default_factory=dict)
    summaries: dict[str, Summary] = field(default_factory=dict)
    judged: dict[str, int] = field(default_factory=dict)  # by kind, the attempt that was judged last
    second_look: bool = False

    @cached_property
    def row(self) -> StationRow | None:
        return current(self.rows)

    @cached_property
    def kind(self) -> HandIn | None:
        return HAND_IN_SHOWN.get(Station(self.row.station)) if self.row else None

    @cached_property
    def summary(self) -> Summary:
        """Of the hand-in at the station; an empty one while there is none, or while it is judged."""
        return self.summaries.get(self.kind, Summary()) if self.kind and not self.is_being_judged else Summary()

    @property
    def is_being_judged(self) -> bool:
        """Something handed in waits for its judgement: what is kept of the station may be of the attempt before."""
        return self.docket.judging_since is not None

    @property
    def asks(self) -> bool:
        return self.row is not None and self.row.state == State.ASKS

    @property
    def is_off(self) -> bool:
        """Power has to stay off: a clearance was voided and not given anew."""
        power = self.rows.get(Station.POWER)
        return power is not None and power.state == State.VOIDED

    @property
    def is_clean(self) -> bool:
        """It asks at a station that can be passed, and there is nothing to look at."""
        return (
            self.asks
            and self.row is not None
            and self.row.station in (Station.WIRING, Station.PROGRAM, Station.READINGS)
            and not self.is_being_judged
            and self.kind in self.summaries
            and self.summary.is_clean
            and not (self.row.station == Station.READINGS and self.second_look)
        )

    def urgency(self, now: datetime) -> tuple[int, float]:
        """For sorting: open Stops and benches that must be off first, then the longest wait."""
        waited = (now - self.row.since).total_seconds() if self.row else 0.0
        return (0 if self.is_off or self.summary.worst is Severity.STOP else 1, -waited)

    @property
    def last_value(self) -> str:
        """The last centre of the pair's readings, else its measured supply: something to recognise the bench by."""
        readings = self.summaries.get(HandIn.READINGS)
        if readings and readings.last_centre is not None:
            return f"{readings.last_step}: {readings.last_centre:g} {readings.last_unit}".strip()
        wiring = self.summaries.get(HandIn.WIRING)
        return f"supply {wiring.rail_volts:g} V" if wiring and wiring.rail_volts is not None else ""


def standings(dockets: list[Docket]) -> dict[int, Standing]:
    """By docket's id."""
    found = {docket.pk: Standing(docket) for docket in dockets}
    ids = list(found)
    rows = StationState.objects.filter(docket__in=ids, stage=1)
    for docket_id, station, state, since in rows.values_list("docket_id", "station", "state", "since"):
        found[docket_id].rows[station] = StationRow(station, state, since)
    for docket_id, kind, attempt, summary in summaries_of(ids):
        found[docket_id].summaries[kind] = summary
        found[docket_id].judged[kind] = attempt
    for docket_id in _looked_at_twice(ids):
        found[docket_id].second_look = True
    for standing in found.values():
        standing.second_look |= standing.summaries.get(HandIn.READINGS, Summary()).second_look
    return found


def _looked_at_twice(ids: list[int]) -> set[int]:
    """Dockets whose last readings stand in another pair's log as well."""
    seen: dict[int, set[int]] = defaultdict(set)
    rows = SharedReadings.objects.filter(Q(one__docket__in=ids) | Q(other__docket__in=ids))
    for one, other in rows.values_list("one__docket", "other__docket"):
        seen[one].add(other)
        seen[other].add(one)
    return set(seen) & set(ids)
