"""The states of the six stations and the acts that lead from one to another: one table, asked wherever an act begins.

An act that is not in the table from the state a station is in is refused with the reason; the same table tells a screen
which acts are possible now.
"""

from collections.abc import Iterable, Mapping
from dataclasses import dataclass
from enum import StrEnum

from verifex.acts.refusals import NotAllowed, Refused
from verifex.dockets.models import State as S
from verifex.dockets.models import Station
from verifex.dockets.refusals import (
    ActNotPossible,
    AlreadyRequested,
    MarkingAlreadyClosed,
    MarkingClosed,
    MarksAreClosed,
    NoKitHandedOut,
    NothingRequested,
    NothingToDoAtStation,
    NothingToMark,
    NothingToRequest,
    NothingToSendBack,
    OnlyPassedStationReopens,
    PowerNotCleared,
    StationAlreadyPassed,
    StationNotOpen,
)


class Who(StrEnum):
    """Who may do an act, each including those after it: the pair (and any staff), the staff, an instructor."""

    PAIR = "pair"
    STAFF = "staff"
    INSTRUCTOR = "instructor"


class DocketAct(StrEnum):
    """What can be done to a docket at one of its stations."""

    HAND_IN = "hand-in"
    PREDICT = "predict"
    ASK = "ask"
    WITHDRAW = "withdraw"
    PASS = "pass"
    SEND_BACK = "send-back"
    CLEAR = "clear"
    REOPEN = "reopen"
    CLOSE = "close"
    MARK = "mark"
    MEASURE = "measure"
    LISTEN = "listen"
    OPEN_HINT = "open-hint"
    CHECK_AGAIN = "check-again"


@dataclass(frozen=True, slots=True)
class Transition:
    """`act` at `station` from one of `before` to `after` (None: the state stays). `opens` are stations it opens for work.

    `needs_power` is for acts that only make sense while the bench is cleared; `needs_reason` for those that must be explained.
    """

    act: DocketAct
    station: Station
    before: frozenset[str | None]
    after: str | None
    who: Who
    opens: tuple[Station, ...] = ()
    needs_power: bool = False
    needs_reason: bool = False


#: What each act is called in a refusal.
ACTS = {
    DocketAct.HAND_IN: "hand in",
    DocketAct.PREDICT: "predict",
    DocketAct.ASK: "ask for a look",
    DocketAct.WITHDRAW: "take a request back",
    DocketAct.PASS: "pass",
    DocketAct.SEND_BACK: "send back",
    DocketAct.CLEAR: "clear for power",
    DocketAct.REOPEN: "reopen",
    DocketAct.CLOSE: "close the marking",
    DocketAct.MARK: "change a mark",
    DocketAct.MEASURE: "record a measured value",
    DocketAct.LISTEN: "take readings live",
    DocketAct.OPEN_HINT: "open a hint",
    DocketAct.CHECK_AGAIN: "have it checked again",
}
NOT_REACHED = frozenset({None})
AT_WORK = frozenset({S.WORKING, S.SENT_BACK, S.VOIDED})
OPEN = AT_WORK | {S.ASKS}
ANY = OPEN | NOT_REACHED | {S.PASSED}
HANDED_IN_AT = (Station.WIRING, Station.PROGRAM, Station.READINGS)
FOLLOWING = {Station.WIRING: (Station.POWER,), Station.PROGRAM: (Station.READINGS,), Station.READINGS: ()}


def _table() -> Iterable[Transition]:
    for station in HANDED_IN_AT:
        on_power = station is Station.READINGS
        yield Transition(DocketAct.HAND_IN, station, ANY, S.ASKS, Who.PAIR, needs_power=on_power)
        yield Transition(DocketAct.PASS, station, OPEN, S.PASSED, Who.INSTRUCTOR, opens=FOLLOWING[station])
        yield Transition(DocketAct.SEND_BACK, station, frozenset({S.ASKS, S.WORKING}), S.SENT_BACK, Who.INSTRUCTOR)
    for station in (*HANDED_IN_AT, Station.POWER):
        yield Transition(DocketAct.ASK, station, AT_WORK, S.ASKS, Who.PAIR)
        yield Transition(DocketAct.WITHDRAW, station, frozenset({S.ASKS}), S.WORKING, Who.PAIR)
        yield Transition(DocketAct.REOPEN, station, frozenset({S.PASSED}), S.WORKING, Who.INSTRUCTOR, needs_reason=True)
    yield Transition(DocketAct.SEND_BACK, Station.POWER, frozenset({S.ASKS, S.WORKING}), S.SENT_BACK, Who.INSTRUCTOR)
    yield Transition(DocketAct.CLEAR, Station.POWER, ANY, S.PASSED, Who.STAFF, opens=(Station.PROGRAM,))
    yield Transition(DocketAct.PREDICT, Station.READINGS, ANY, None, Who.PAIR)
    yield Transition(DocketAct.LISTEN, Station.READINGS, ANY, None, Who.PAIR, needs_power=True)
    yield Transition(DocketAct.MEASURE, Station.POWER, ANY, None, Who.PAIR)
    yield Transition(DocketAct.OPEN_HINT, Station.PROGRAM, ANY, None, Who.PAIR)
    yield Transition(DocketAct.CHECK_AGAIN, Station.KIT, ANY, None, Who.STAFF)
    yield Transition(DocketAct.MARK, Station.MARK, OPEN | NOT_REACHED, None, Who.INSTRUCTOR)
    yield Transition(DocketAct.CLOSE, Station.MARK, OPEN, S.PASSED, Who.INSTRUCTOR)
    yield Transition(DocketAct.REOPEN, Station.MARK, frozenset({S.PASSED}), S.ASKS, Who.INSTRUCTOR, needs_reason=True)


TABLE: dict[tuple[str, str], Transition] = {(t.act.value, t.station.value): t for t in _table()}


def transition(
    act: str, station: str, states: Mapping[str, str], *, role: str | None, is_member: bool, cleared: bool
) -> Transition:
    """The table's entry for an act, by a person with this staff role (or a member of the pair), from these states.

    Raises NotAllowed for someone who may not, Refused with the reason where the act is not possible now.
    """
    entry = permitted(act, station, role=role, is_member=is_member)
    if states.get(Station.MARK) == S.PASSED and station != Station.MARK:
        raise MarkingClosed()
    if states.get(Station.KIT) != S.PASSED and entry.act in (DocketAct.HAND_IN, DocketAct.PREDICT):
        raise NoKitHandedOut()
    if entry.needs_power and not cleared:
        raise PowerNotCleared()
    state = states.get(station)
    if state not in entry.before:
        raise _why_not(entry, state)
    return entry


def permitted(act: str, station: str, *, role: str | None, is_member: bool) -> Transition:
    """The table's entry for an act that this person may do at some time, whatever the states are now.

    Raises NotAllowed for someone who may not, Refused where there is no such act.
    """
    entry = TABLE.get((act, station))
    if entry is None:
        words = ACTS[DocketAct(act)] if act in ACTS else act
        raise NothingToDoAtStation(words, station)
    _require(entry.who, role, is_member)
    return entry


def possible(states: Mapping[str, str], *, role: str | None, is_member: bool, cleared: bool) -> list[Transition]:
    """Every act that this person could begin now, in the order of the table."""
    found = []
    for act, station in TABLE:
        try:
            found.append(transition(act, station, states, role=role, is_member=is_member, cleared=cleared))
        except (NotAllowed, Refused):
            continue
    return found


def _require(who: Who, role: str | None, is_member: bool) -> None:
    if who is Who.INSTRUCTOR and role != Who.INSTRUCTOR:
        raise NotAllowed("Only an instructor of this section may do that.")
    if who is Who.STAFF and role is None:
        raise NotAllowed("Only the staff of this section may do that.")
    if role is None and not is_member:
        raise NotAllowed("This docket belongs to another pair.")


def _why_not(entry: Transition, state: str | None) -> Refused:
    match entry.act, state:
        case DocketAct.MARK, S.PASSED:
            return MarksAreClosed()
        case DocketAct.CLOSE, S.PASSED:
            return MarkingAlreadyClosed()
        case DocketAct.CLOSE, None:
            return NothingToMark()
        case DocketAct.WITHDRAW, _:
            return NothingRequested()
        case DocketAct.ASK, S.ASKS:
            return AlreadyRequested()
        case DocketAct.ASK, _:
            return NothingToRequest()
        case DocketAct.PASS, S.PASSED:
            return StationAlreadyPassed()
        case DocketAct.PASS, _:
            return StationNotOpen()
        case DocketAct.SEND_BACK, _:
            return NothingToSendBack()
        case DocketAct.REOPEN, _:
            return OnlyPassedStationReopens()
    return ActNotPossible(ACTS[entry.act])
