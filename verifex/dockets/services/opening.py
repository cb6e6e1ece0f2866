"""A docket opens when a kit goes out; another kit voids the clearance."""

from django.db import transaction

from verifex.dockets.models import Docket, State, Station
from verifex.dockets.services.act import finish
from verifex.dockets.services.voiding import void_clearance
from verifex.dockets.stations import reach, set_state
from verifex.exercises.models import ExerciseVersion
from verifex.people.access import Refused
from verifex.people.models import Pair, User
from verifex.plan.models import Session
from verifex.stores.models import Kit
from verifex.stores.services import issue_kit


@transaction.atomic
def open_docket(actor: User, kit: Kit, pair: Pair, session: Session, version: ExerciseVersion) -> Docket:
    """Hand a kit to a pair and open (or go on with) its docket for a released version. Raises Refused."""
    if version.released_at is None:
        raise Refused(f"{version} is not released yet.")
    if kit.exercise_id != version.exercise_id:
        raise Refused(f"{kit.tag} is a kit for {kit.exercise}, not for {version.exercise}.")
    if pair.section_id != session.section_id:
        raise Refused(f"{pair} is not in this session's section.")
    issue_kit(actor, kit, pair, session)
    scheme = version.schemes.order_by("-number").first()
    if scheme is None:
        raise Refused(f"{version} has no mark scheme.")
    docket, made = Docket.objects.get_or_create(
        pair=pair, session=session, version=version, defaults={"scheme": scheme}
    )
    set_state(docket, Station.KIT, State.PASSED)
    reach(docket, Station.WIRING)
    if not made:
        void_clearance(docket, f"another kit, {kit.tag}, was handed out")
    finish(docket, actor, f"handed out {kit.tag}")
    return docket
