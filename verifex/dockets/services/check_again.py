"""A person has what was not checked looked at once more."""

from django.db import transaction

from verifex.acts.refusals import Refused
from verifex.dockets import judging
from verifex.dockets.act import begin, finish
from verifex.dockets.models import State, Station
from verifex.dockets.stations import state_of
from verifex.people.access import require_staff
from verifex.people.models import User
from verifex.work import queue


def check_again(actor: User, docket_id: int) -> None:
    """Judge again what could not be finished or was given up. Raises Refused for a docket whose marking is closed."""
    with transaction.atomic():
        docket = begin(docket_id, None)
        require_staff(actor, docket.session.section)
        if state_of(docket, Station.MARK) == State.PASSED:
            raise Refused("The marking of this docket is closed. Reopen it first; then this can be done.")
        judging.check_again(docket_id)
        finish(docket, actor, "had it checked again")
    queue.run_pending()
