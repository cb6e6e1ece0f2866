"""A person has what was not checked looked at once more."""

from django.db import transaction

from verifex.dockets import judging
from verifex.dockets.act import begin, enter, finish
from verifex.dockets.models import Station
from verifex.dockets.transitions import DocketAct
from verifex.people.models import User
from verifex.work import queue


def check_again(actor: User, docket_id: int) -> None:
    """Judge again what could not be finished or was given up. Raises Refused for a docket whose marking is closed."""
    with transaction.atomic():
        docket = begin(docket_id, None)
        enter(actor, docket, DocketAct.CHECK_AGAIN, Station.KIT)
        judging.check_again(docket_id)
        finish(docket, actor, "had it checked again")
    queue.run_pending()
