"""What a constant of a library stands for: asked of an instructor once, remembered for the exercise."""

from django.db import transaction

from verifex.core.hand_ins import HandIn
from verifex.dockets.act import find, finish
from verifex.dockets.judging import ask_for_judgement
from verifex.dockets.models import Docket, State, Station
from verifex.exercises import services as exercises
from verifex.people.access import require_instructor
from verifex.people.models import User
from verifex.work import queue


def explain_constant(actor: User, docket_id: int, name: str, stands_for: str) -> None:
    """Remember it, and judge again every open docket of the exercise that has a program."""
    with transaction.atomic():
        docket = find(docket_id)
        require_instructor(actor, docket.session.section)
        exercises.explain_constant(actor, docket.version.exercise, name, stands_for)
        same = Docket.objects.filter(version__exercise=docket.version.exercise_id, attempts__kind=HandIn.PROGRAM)
        closed = same.filter(stations__station=Station.MARK, stations__state=State.PASSED)
        for other in same.exclude(pk__in=closed).distinct():
            ask_for_judgement(other)
            finish(other, actor, f"explained {name}: {stands_for.strip() or 'not known'}")
    queue.run_pending()
