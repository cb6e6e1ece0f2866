"""Handing in, asking and withdrawing. An attempt never changes once it is made; it is judged after it is kept."""

from dataclasses import replace

from django.db import transaction

from verifex.acts.refusals import Stale
from verifex.core.assess import digest_of
from verifex.core.circuit.text.notation import read_text
from verifex.core.hand_ins import HandIn
from verifex.core.problems import Problem, UnusableInput
from verifex.core.readings.prediction import read_prediction
from verifex.dockets.act import begin, enter, finish, require
from verifex.dockets.judging import ask_for_judgement
from verifex.dockets.models import Attempt, Docket, State, Station
from verifex.dockets.refusals import (
    ExerciseWithoutProgram,
    PredictionAfterReadings,
    RequestTokenLength,
    RequestTokenReused,
    UnknownHandInKind,
)
from verifex.dockets.session_rules import refuse_late
from verifex.dockets.stations import reach, set_state, stations_of
from verifex.dockets.transitions import DocketAct
from verifex.dockets.voiding import void_clearance
from verifex.people.models import User
from verifex.work import queue

MOST_TOKEN = 64


def hand_in(actor: User, docket_id: int, kind: str, text: str, *, token: str, based_on_attempt: int) -> Attempt:
    """Keep what was handed in and ask for a look; it is judged at once after that.

    The same `token` twice stores it once; with another text it is Refused. `based_on_attempt` is the number of the last
    attempt the writer saw (0 for none): raises Stale when another came between. Raises UnusableInput with located
    problems for a text that cannot be judged at all, Refused when the station is not open.
    """
    if kind not in tuple(HandIn):
        raise UnknownHandInKind(kind, tuple(HandIn))
    if not 0 < len(token) <= MOST_TOKEN:
        raise RequestTokenLength(MOST_TOKEN)
    attempt = _keep(actor, docket_id, HandIn(kind), text, token, based_on_attempt)
    queue.run_pending()
    return attempt


@transaction.atomic
def _keep(actor: User, docket_id: int, kind: HandIn, text: str, token: str, based_on_attempt: int) -> Attempt:
    docket = begin(docket_id, None)
    act = DocketAct.PREDICT if kind == HandIn.PREDICTION else DocketAct.HAND_IN
    station = Station(kind.facts.station)
    known = docket.attempts.filter(token=token).first()
    if known is not None:
        if known.digest != digest_of(text):
            raise RequestTokenReused()
        require(actor, docket, act, station)
        return known
    if station not in stations_of(docket.version.file):
        raise ExerciseWithoutProgram()
    entry = enter(actor, docket, act, station)
    refuse_late(actor, docket)
    _within_limit(kind, text)
    last = docket.attempts.filter(kind=kind).order_by("-number").first()
    number = last.number if last else 0
    if number != based_on_attempt:
        who = last.by.get_full_name() if last and last.by else "Someone"
        raise Stale([f"{who} handed in attempt {number} of the {kind.facts.name}"])
    _can_be_read(docket, kind, text)
    if kind == HandIn.PREDICTION and docket.attempts.filter(kind=HandIn.READINGS).exists():
        raise PredictionAfterReadings()
    size_bytes = len(text.encode("utf-8", "surrogatepass"))
    attempt = Attempt.objects.create(
        docket=docket, kind=kind, number=number + 1, text=text, digest=digest_of(text), size_bytes=size_bytes, token=token, by=actor
    )  # fmt: skip
    if kind == HandIn.WIRING:
        void_clearance(docket, "new wiring was handed in")
    if entry.after is not None:
        set_state(docket, station, entry.after)
    if kind == HandIn.READINGS:
        reach(docket, Station.MARK)
    ask_for_judgement(docket)
    finish(docket, actor, f"handed in attempt {attempt.number} of the {kind.facts.name}")
    return attempt


def _within_limit(kind: HandIn, text: str) -> None:
    kind.facts.refuse_larger(text)
    if not text.strip():
        raise UnusableInput([Problem(1, 1, f"the {kind.facts.name} is empty")])
    broken = _first_that_is_no_text(text)
    if broken >= 0:
        line = text[:broken].count("\n") + 1
        raise UnusableInput([Problem(line, 1, "this is no text; a file of another kind was probably chosen")])


def _first_that_is_no_text(text: str) -> int:
    """Where the first zero byte or half of a character stands; -1 for none. A long log is looked through in one go."""
    try:
        text.encode("utf-8")
    except UnicodeEncodeError as wrong:
        return wrong.start
    return text.find("\0")


def _can_be_read(docket: Docket, kind: HandIn, text: str) -> None:
    """What takes a glance only: whether lines are statements, and cells are numbers. Raises UnusableInput."""
    if kind == HandIn.WIRING and (problems := read_text(text).problems):
        raise UnusableInput(problems)
    if kind == HandIn.PREDICTION:
        try:
            read_prediction(text, docket.version.file)
        except UnusableInput as wrong:
            # It was filled into a table: its cells are named, and it has no lines.
            raise UnusableInput([replace(problem, line=0) for problem in wrong.problems]) from None


@transaction.atomic
def ask(actor: User, docket_id: int, station: str) -> None:
    """Ask for a person at a station that is being worked at."""
    docket = begin(docket_id, None)
    set_state(docket, station, enter(actor, docket, DocketAct.ASK, station).after or State.ASKS)
    finish(docket, actor, f"asked at {station}")


@transaction.atomic
def withdraw(actor: User, docket_id: int, station: str) -> None:
    """Take a request back."""
    docket = begin(docket_id, None)
    set_state(docket, station, enter(actor, docket, DocketAct.WITHDRAW, station).after or State.WORKING)
    finish(docket, actor, f"withdrew the request at {station}")
