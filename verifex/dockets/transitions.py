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


class Who(StrEnum):
    """Who may do an act, each including those after it: the pair (and any staff), the staff, an instructor."""

    PAIR = "pair"
    STAFF = "staff"
    INSTRUCTOR = "instructor"


@dataclass(frozen=True, slots=True)
class Transition:
    """`act` at `station` from one of `before` to `after` (None: the state stays). `opens` are stations it opens for work.

    `needs_power` is for acts that only make sense while the bench is cleared; `needs_reason` for those that must be explained.
    """

    act: str
    station: Station
    before: frozenset[str | None]
    after: str | None
    who: Who
    opens: tuple[Station, ...] = ()
    needs_power: bool = False
    needs_reason: bool = False


#: What each act is called in a refusal.
ACTS = {
    "hand-in": "hand in",
    "predict": "predict",
    "ask": "ask for a look",
    "withdraw": "take a request back",
    "pass": "pass",
    "send-back": "send back",
    "clear": "clear for power",
    "reopen": "reopen",
    "close": "close the marking",
    "mark": "change a mark",
    "measure": "record a measured value",
    "listen": "take readings live",
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
        yield Transition("hand-in", station, ANY, S.ASKS, Who.PAIR, needs_power=on_power)
        yield Transition("pass", station, OPEN, S.PASSED, Who.INSTRUCTOR, opens=FOLLOWING[station])
        yield Transition("send-back", station, frozenset({S.ASKS, S.WORKING}), S.SENT_BACK, Who.INSTRUCTOR)
    for station in (*HANDED_IN_AT, Station.POWER):
        yield Transition("ask", station, AT_WORK, S.ASKS, Who.PAIR)
        yield Transition("withdraw", station, frozenset({S.ASKS}), S.WORKING, Who.PAIR)
        yield Transition("reopen", station, frozenset({S.PASSED}), S.WORKING, Who.INSTRUCTOR, needs_reason=True)
    yield Transition("send-back", Station.POWER, frozenset({S.ASKS, S.WORKING}), S.SENT_BACK, Who.INSTRUCTOR)
    yield Transition("clear", Station.POWER, ANY, S.PASSED, Who.STAFF, opens=(Station.PROGRAM,))
    yield Transition("predict", Station.READINGS, ANY, None, Who.PAIR)
    yield Transition("listen", Station.READINGS, ANY, None, Who.PAIR, needs_power=True)
    yield Transition("measure", Station.POWER, ANY, None, Who.PAIR)
    yield Transition("mark", Station.MARK, OPEN | NOT_REACHED, None, Who.INSTRUCTOR)
    yield Transition("close", Station.MARK, OPEN, S.PASSED, Who.INSTRUCTOR)
    yield Transition("reopen", Station.MARK, frozenset({S.PASSED}), S.ASKS, Who.INSTRUCTOR, needs_reason=True)


TABLE: dict[tuple[str, str], Transition] = {(t.act, t.station.value): t for t in _table()}


def transition(
    act: str, station: str, states: Mapping[str, str], *, role: str | None, is_member: bool, cleared: bool
) -> Transition:
    """The table's entry for an act, by a person with this staff role (or a member of the pair), from these states.

    Raises NotAllowed for someone who may not, Refused with the reason where the act is not possible now.
    """
    entry = TABLE.get((act, station))
    if entry is None:
        raise Refused(f"There is nothing to {ACTS.get(act, act)} at the {station} station.")
    _require(entry.who, role, is_member)
    if states.get(Station.MARK) == S.PASSED and station != Station.MARK:
        raise Refused("The marking of this docket is closed. Reopen it first; then this can be done.")
    if states.get(Station.KIT) != S.PASSED and entry.act in ("hand-in", "predict"):
        raise Refused("No kit is handed out yet.")
    if entry.needs_power and not cleared:
        raise Refused("Readings come after power: the bench is not cleared now.")
    state = states.get(station)
    if state not in entry.before:
        raise Refused(_why_not(entry, state))
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


def _why_not(entry: Transition, state: str | None) -> str:
    match entry.act, state:
        case "mark", S.PASSED:
            return "The marking of this docket is closed. Reopen it first; then its marks can be changed."
        case "close", S.PASSED:
            return "The marking of this docket is closed already."
        case "close", None:
            return "There is nothing to mark yet."
        case "withdraw", _:
            return "Nothing was asked here."
        case "ask", S.ASKS:
            return "It was asked for already."
        case "ask", _:
            return "There is nothing to ask for here now."
        case "pass", S.PASSED:
            return "This station is passed already."
        case "pass", _:
            return "This station is not open."
        case "send-back", _:
            return "There is nothing to send back here."
        case "reopen", _:
            return "Only a passed station can be reopened."
    return f"It is not possible to {ACTS[entry.act]} here now."
