"""Handing in, asking and withdrawing. An attempt never changes once it is made."""

from django.db import transaction

from verifex.core.problems import Problem, UnusableInput
from verifex.core.twin import check_on_bench, programmed
from verifex.dockets.bench import DocketBench
from verifex.dockets.judge import judge
from verifex.dockets.models import Attempt, Docket, Kind, State, Station
from verifex.dockets.services.act import begin, finish, require_pair_or_staff
from verifex.dockets.services.voiding import void_clearance
from verifex.dockets.stations import reach, set_state, state_of
from verifex.people.access import Refused, Stale
from verifex.people.models import User

MOST_BYTES = {
    Kind.WIRING: 64 * 1024,
    Kind.PROGRAM: 64 * 1024,
    Kind.READINGS: 10 * 1024 * 1024,
    Kind.PREDICTION: 16 * 1024,
}
NAMES = {Kind.WIRING: "wiring", Kind.PROGRAM: "program", Kind.READINGS: "log", Kind.PREDICTION: "prediction"}


@transaction.atomic
def hand_in(actor: User, docket_id: int, kind: str, text: str, *, token: str, based_on_attempt: int) -> Attempt:
    """Keep what was handed in, judge it and ask for a look.

    The same `token` twice stores it once; with another text it is Refused. `based_on_attempt` is the number of the last
    attempt the writer saw (0 for none): raises Stale when another came between. Raises UnusableInput with located
    problems for a text that cannot be judged at all, Refused when the station is not open.
    """
    docket = begin(docket_id, None)
    require_pair_or_staff(actor, docket)
    kind = Kind(kind)
    known = docket.attempts.filter(token=token).first()
    if known is not None and known.text != text:
        raise Refused("Another text was handed in with this one's mark. Nothing is lost; hand it in once more.")
    if known is not None:
        return known
    _within_limit(kind, text)
    last = docket.attempts.filter(kind=kind).order_by("-number").first()
    number = last.number if last else 0
    if number != based_on_attempt:
        who = last.by.get_full_name() if last and last.by else "Someone"
        raise Stale([f"{who} handed in attempt {number} of the {NAMES[kind]}"])
    _is_open(docket, kind)
    attempt = Attempt.objects.create(docket=docket, kind=kind, number=number + 1, text=text, token=token, by=actor)
    if kind == Kind.WIRING:
        void_clearance(docket, "new wiring was handed in")
    judge(attempt)
    if kind == Kind.PROGRAM:
        _void_on_new_stop(docket, attempt)
    if kind != Kind.PREDICTION:  # a prediction is made on the way; nobody is asked to look at it
        set_state(docket, kind, State.ASKS)
    if kind == Kind.READINGS:
        reach(docket, Station.MARK)
        rejudge_prediction(docket)
    finish(docket, actor, f"handed in attempt {attempt.number} of the {NAMES[kind]}")
    return attempt


def rejudge_prediction(docket: Docket) -> None:
    """Judge the last prediction by the bench as it is now: values were measured, or the wiring changed, since it was made."""
    prediction = docket.attempts.filter(kind=Kind.PREDICTION).order_by("-number").first()
    if prediction is not None:
        judge(prediction)


def _within_limit(kind: Kind, text: str) -> None:
    most = MOST_BYTES[kind]
    if len(text.encode("utf-8", "replace")) > most:
        shown = f"{most // 1024} kB" if most < 1024 * 1024 else f"{most // (1024 * 1024)} MB"
        raise UnusableInput([Problem(1, 1, f"the {NAMES[kind]} is larger than {shown}, the limit for one hand-in")])
    if not text.strip():
        raise UnusableInput([Problem(1, 1, f"the {NAMES[kind]} is empty")])
    if "\0" in text:
        line = text[: text.index("\0")].count("\n") + 1
        raise UnusableInput([Problem(line, 1, "this is no text; a file of another kind was probably chosen")])


def _is_open(docket: Docket, kind: Kind) -> None:
    if state_of(docket, Station.KIT) != State.PASSED:
        raise Refused("No kit is handed out yet.")
    if kind == Kind.READINGS and not docket.clearances.filter(voided_at__isnull=True).exists():
        raise Refused("Readings come after power: the bench is not cleared now.")
    if kind == Kind.PREDICTION and docket.attempts.filter(kind=Kind.READINGS).exists():
        raise Refused("A prediction comes before the readings, and those are handed in.")
    if state_of(docket, Station.MARK) == State.PASSED:
        raise Refused("This docket is marked; the instructor can reopen it.")


def _void_on_new_stop(docket: Docket, attempt: Attempt) -> None:
    """A program that drives pins so that a Stop appears voids the clearance."""
    bench = DocketBench(docket)
    clearance = bench.standing_clearance()
    if clearance is None:
        return
    plain = bench.check_wiring(clearance.wiring.text)
    program = check_on_bench(attempt.text, plain.view, bench.file)
    stops = [f for f in bench.check_wiring(clearance.wiring.text, programmed(program)).findings if f.severity == "stop"]
    known = {(f.rule, f.where.parts) for f in plain.findings}
    new = [f for f in stops if (f.rule, f.where.parts) not in known]
    if new:
        void_clearance(docket, f"the program drives pins so that: {new[0].seen}")


@transaction.atomic
def ask(actor: User, docket_id: int, station: str) -> None:
    """Ask for a person at a station that is being worked at."""
    docket = begin(docket_id, None)
    require_pair_or_staff(actor, docket)
    if state_of(docket, station) not in (State.WORKING, State.SENT_BACK, State.VOIDED):
        raise Refused("There is nothing to ask for here now.")
    set_state(docket, station, State.ASKS)
    finish(docket, actor, f"asked at {station}")


@transaction.atomic
def withdraw(actor: User, docket_id: int, station: str) -> None:
    """Take a request back."""
    docket = begin(docket_id, None)
    require_pair_or_staff(actor, docket)
    if state_of(docket, station) != State.ASKS:
        raise Refused("Nothing was asked here.")
    set_state(docket, station, State.WORKING)
    finish(docket, actor, f"withdrew the request at {station}")
