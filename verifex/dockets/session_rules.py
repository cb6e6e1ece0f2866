"""What a session allows: no power while it is paused, no hand-in long after its end, the exercise that is planned."""

from datetime import timedelta

from verifex.acts import clock
from verifex.dockets.models import Docket
from verifex.dockets.refusals import KitNotPlanned, PairDoesOtherExercise, SessionOver, SessionPausedNoPower
from verifex.exercises.models import Exercise
from verifex.people.access import role_in
from verifex.people.models import Pair, User
from verifex.plan.models import Session
from verifex.stores.models import Kit


def refuse_while_paused(session: Session) -> None:
    if session.paused_at:
        raise SessionPausedNoPower()


def refuse_late(actor: User, docket: Docket) -> None:
    """After the end only as long as the session says; staff may hand in for a pair at any time."""
    session = docket.session
    if session.late_minutes is None or role_in(actor, session.section) is not None:
        return
    if clock.now() > session.ends_at + timedelta(minutes=session.late_minutes):
        raise SessionOver()


def refuse_other_exercise(session: Session, pair: Pair, kit: Kit, exercise: Exercise) -> None:
    """A pair gets a kit for the exercise it does in this session, or for any that is planned where it has none."""
    own = session.assignments.filter(pair=pair).select_related("exercise").first()
    if own is not None:
        if own.exercise_id != exercise.pk:
            raise PairDoesOtherExercise(str(pair), str(own.exercise), kit.tag, str(kit.exercise))
        return
    planned = {p.exercise_id: p.exercise.title for p in session.planned.select_related("exercise")}
    if planned and exercise.pk not in planned:
        raise KitNotPlanned(kit.tag, str(kit.exercise), tuple(planned.values()))
