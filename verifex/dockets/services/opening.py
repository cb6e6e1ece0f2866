"""A docket opens when a kit goes out; another kit, or a kit that is back, voids the clearance."""

from django.db import transaction

from verifex.dockets.act import find, finish
from verifex.dockets.judging import ask_for_judgement
from verifex.dockets.models import Docket, State, Station
from verifex.dockets.refusals import (
    CarriedToOtherSection,
    CourseClosedForWork,
    DocketExistsInSession,
    NothingToCarryOver,
    PairMarkingClosed,
    PairNotInSection,
    PairStillHasKit,
    VersionNotReleased,
    VersionWithoutScheme,
)
from verifex.dockets.session_rules import refuse_other_exercise
from verifex.dockets.stations import reach, set_state, state_of
from verifex.dockets.voiding import void_clearance
from verifex.exercises.models import ExerciseVersion
from verifex.people.access import require_staff
from verifex.people.models import Pair, User
from verifex.plan.models import Assignment, Session
from verifex.stores.models import Kit, KitIssue
from verifex.stores.services import kits
from verifex.work import queue


def open_docket(actor: User, kit: Kit, pair: Pair, session: Session, version: ExerciseVersion) -> Docket:
    """Hand a kit to a pair and open its docket for a released version, or go on with the one it has for this exercise,
    on the version that one was opened with. Raises Refused."""
    docket = _open(actor, kit, pair, session, version)
    queue.run_pending()
    return docket


@transaction.atomic
def _open(actor: User, kit: Kit, pair: Pair, session: Session, version: ExerciseVersion) -> Docket:
    if version.released_at is None:
        raise VersionNotReleased(str(version))
    if pair.section_id != session.section_id:
        raise PairNotInSection(str(pair))
    if session.section.course.closed_at:
        raise CourseClosedForWork()
    refuse_other_exercise(session, pair, kit, version.exercise)
    docket = docket_for(pair, session, version.exercise_id)
    if docket is not None and state_of(docket, Station.MARK) == State.PASSED:
        raise PairMarkingClosed(str(pair), str(version.exercise))
    kits.issue_kit(actor, kit, pair, session, version.exercise)
    scheme = version.schemes.order_by("-number").first()
    if scheme is None:
        raise VersionWithoutScheme(str(version))
    if docket is None:
        docket = Docket.objects.create(pair=pair, session=session, version=version, scheme=scheme)
    else:
        void_clearance(docket, f"another kit, {kit.tag}, was handed out")
    set_state(docket, Station.KIT, State.PASSED)
    reach(docket, Station.WIRING)
    ask_for_judgement(docket)
    finish(docket, actor, f"handed out {kit.tag}")
    return docket


@transaction.atomic
def carry_over(actor: User, docket_id: int, session: Session) -> Docket:
    """An unfinished docket goes on in a later session of its section; its kit has to be back. Raises Refused."""
    docket = find(docket_id)
    require_staff(actor, docket.session.section)
    if session.section_id != docket.session.section_id or session.starts_at <= docket.session.starts_at:
        raise CarriedToOtherSection()
    if state_of(docket, Station.MARK) == State.PASSED:
        raise NothingToCarryOver()
    if KitIssue.objects.filter(pair=docket.pair, session=docket.session, returned_at=None).exists():
        raise PairStillHasKit(str(docket.pair))
    if Docket.objects.filter(pair=docket.pair, session=session, version=docket.version).exists():
        raise DocketExistsInSession(str(docket.pair))
    void_clearance(docket, "it was carried over to another session")
    docket.session = session
    docket.save(update_fields=["session"])
    Assignment.objects.update_or_create(
        session=session, pair=docket.pair, defaults={"exercise_id": docket.version.exercise_id}
    )
    finish(docket, actor, f"carried over to {session.starts_at:%d %b %Y}")
    return docket


def docket_for(pair: Pair, session: Session, exercise_id: int | None) -> Docket | None:
    """The pair's docket of this session for an exercise, of whichever version."""
    mine = Docket.objects.filter(pair=pair, session=session, version__exercise=exercise_id)
    return mine.select_related("pair", "session__section", "version__exercise", "scheme").order_by("id").first()


def docket_of(issue: KitIssue) -> Docket | None:
    """The docket that a kit was given for."""
    return docket_for(issue.pair, issue.session, issue.exercise_id or issue.kit.exercise_id)


def kit_changed(actor: User, issue: KitIssue, voids_because: str, verb: str) -> None:
    docket = docket_of(issue)
    if docket is None:
        return
    if voids_because:
        void_clearance(docket, voids_because)
    if state_of(docket, Station.MARK) != State.PASSED:
        ask_for_judgement(docket)
    finish(docket, actor, verb)
