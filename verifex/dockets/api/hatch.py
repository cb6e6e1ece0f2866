"""The hatch: handing out opens a docket, so it stands beside the dockets."""

from django.db.models import Q
from django.http import HttpRequest
from ninja import Router

from verifex.acts.refusals import NotAllowed
from verifex.dockets import services
from verifex.dockets.present.kits import newest_version, places_json
from verifex.dockets.refusals import (
    KitOfAnotherCourse,
    NoPairForHandOut,
    NothingScanned,
    ScannedDrawer,
    ScannedModule,
    ScannedUnknown,
    SeveralPairsMatch,
)
from verifex.dockets.schemas.hatch import (
    CameBackIn,
    CameBackOut,
    HandedOutOut,
    HandOutIn,
    HatchAnswerOut,
    KitInspectionOut,
    KitLookOut,
    ReadIn,
    ReadOut,
    TagIn,
    TakeBackIn,
)
from verifex.dockets.services.opening import docket_for
from verifex.exercises.models import Exercise, ExerciseVersion
from verifex.people.access import reader, require_staff, sections_of
from verifex.people.models import Pair
from verifex.plan.models import Session
from verifex.stores.access import require_kit_reader
from verifex.stores.models import Kit, KitIssue, Module, StockItem
from verifex.stores.readiness import places_for, readiness, recipe_of, whole_kits
from verifex.stores.refusals.kits import KitNotReady
from verifex.stores.services import kits

router = Router(tags=["hatch"])


def _staff_only(request: HttpRequest) -> None:
    """Before anything is looked up: the answer itself would tell where kits are."""
    if not sections_of(reader(request)):
        raise NotAllowed("Only staff work at the hatch.")


def _version_for(exercise: Exercise, pair: Pair, session: Session) -> ExerciseVersion:
    """The version of the docket the pair has for this exercise, else the newest released one."""
    docket = docket_for(pair, session, exercise.pk)
    return docket.version if docket else newest_version(exercise)


def _exercise_for(kit: Kit, pair: Pair, session: Session) -> Exercise:
    """What a kit is given for: its own exercise, or another one of this session (the pair's, where it has one) that it serves."""
    own = session.assignments.filter(pair=pair).select_related("exercise").first()
    wanted = [own.exercise] if own else [p.exercise for p in session.planned.select_related("exercise")]
    if kit.exercise in wanted or not wanted:
        return kit.exercise
    return next((other for other in wanted if places_for(kit, recipe_of(other.pk)) is not None), kit.exercise)


def _pair(session: Session, badge: str) -> Pair:
    pair = _known_pair(session, badge)
    if pair is None:
        raise NoPairForHandOut(badge.strip())
    return pair


def _known_pair(session: Session, badge: str) -> Pair | None:
    """By badge, by the pair's name, or by the first or last name of a member, where only one pair has it; None where nobody has.
    Refused where several do."""
    badge = badge.strip()
    pairs = Pair.objects.filter(section=session.section_id)
    found = pairs.filter(badge__iexact=badge).first() or pairs.filter(name__iexact=badge).first()
    if found:
        return found
    named = Q(members__user__first_name__iexact=badge) | Q(members__user__last_name__iexact=badge)
    by_name = list(pairs.filter(named, members__until__isnull=True).distinct()[:2])
    if len(by_name) == 1:
        return by_name[0]
    if by_name:
        raise SeveralPairsMatch(badge)
    return None


def _pair_or_other(session: Session, code: str) -> Pair:
    """The pair of a code that is no kit's. Refused with what it is instead, where it is something of the stores."""
    if not code:
        raise NothingScanned()
    if Module.objects.filter(tag__iexact=code).exists():
        raise ScannedModule(code)
    if StockItem.objects.filter(drawer__iexact=code).exists():
        raise ScannedDrawer(code)
    pair = _known_pair(session, code)
    if pair is None:
        raise ScannedUnknown(code)
    return pair


@router.post("/hatch/read", response=ReadOut)
def read_code(request: HttpRequest, data: ReadIn) -> ReadOut:
    """What a scanned or typed code is, the moment it is scanned: a kit's tag or a pair's badge. Refused for neither."""
    session = Session.objects.select_related("section").get(pk=data.session)
    require_staff(reader(request), session.section)
    of_course = whole_kits().filter(exercise__course=session.section.course_id)
    kit = of_course.filter(tag__iexact=data.code.strip()).first()
    if kit is None:
        pair = _pair_or_other(session, data.code.strip())
        return ReadOut(kind="badge", code=pair.badge, named=pair.name)
    held = KitIssue.objects.filter(kit=kit, returned_at__isnull=True).select_related("session").first()
    ready = readiness(kit, may_name_holder=held is None or held.session.section_id == session.section_id)
    if ready.state != "ready":
        raise KitNotReady(ready.reason)  # reported now, and not only after the badge
    return ReadOut(kind="kit", code=kit.tag, named=kit.tag)


@router.post("/hatch/hand-out", response=HandedOutOut)
def hand_out(request: HttpRequest, data: HandOutIn) -> HandedOutOut:
    """Hand a kit to a pair: its docket opens, or goes on with the version it was opened with."""
    session = Session.objects.select_related("section").get(pk=data.session)
    require_staff(reader(request), session.section)
    kit = kits.kit_of(data.tag)
    if kit.exercise.course_id != session.section.course_id:
        raise KitOfAnotherCourse(kit.tag)
    pair = _pair(session, data.badge)
    version = _version_for(_exercise_for(kit, pair, session), pair, session)
    docket = services.open_docket(reader(request), kit, pair, session, version)
    return HandedOutOut(docket=docket.pk, message=f"{kit.tag} is with {pair}. The docket is open.")


@router.post("/hatch/take-back", response=HatchAnswerOut)
def take_kit_back(request: HttpRequest, data: TakeBackIn) -> HatchAnswerOut:
    _staff_only(request)
    issue = services.take_back(reader(request), data.tag, [f.strip() for f in data.faults if f.strip()])
    due = [test.title for test in issue.tests.filter(outcome="open")]
    said = " It goes to repair." if issue.faults else ""
    said += f" Test {', '.join(due)} before it goes out again." if due else ""
    return HatchAnswerOut(message=f"{issue.kit.tag} is back.{said}")


@router.post("/hatch/faults", response=HatchAnswerOut)
def note_faults(request: HttpRequest, data: TakeBackIn) -> HatchAnswerOut:
    """Faults of a kit that has just come back: it goes to repair."""
    _staff_only(request)
    found = [f.strip() for f in data.faults if f.strip()]
    issue = services.note_faults(reader(request), data.tag, found, data.ref.strip().upper())
    return HatchAnswerOut(message=f"{issue.kit.tag} goes to repair: {'; '.join(issue.faults)}.")


@router.post("/hatch/undo-take-back", response=HatchAnswerOut)
def undo_take_back(request: HttpRequest, data: TagIn) -> HatchAnswerOut:
    """A kit that was taken back by mistake is with its pair again; for a quarter of an hour."""
    _staff_only(request)
    issue = services.undo_take_back(reader(request), data.tag)
    return HatchAnswerOut(message=f"{issue.kit.tag} is with {issue.pair} again. Power has to be cleared anew.")


@router.post("/hatch/put-right", response=HatchAnswerOut)
def put_right(request: HttpRequest, data: TagIn) -> HatchAnswerOut:
    """A kit that was in repair or lacked something can go out again."""
    _staff_only(request)
    kit, notes = kits.put_right(reader(request), data.tag)
    return HatchAnswerOut(message=" ".join([f"{kit.tag} is ready.", *notes]))


@router.get("/hatch/inspection", response=KitInspectionOut)
def inspection(request: HttpRequest, tag: str = "") -> KitInspectionOut:
    """What to look at in a kit that is back, from what happened to it at its last bench, and what is in it."""
    _staff_only(request)
    kit = kits.kit_of(tag)
    require_kit_reader(reader(request), kit)
    return KitInspectionOut(
        tag=kit.tag, looks=[KitLookOut.model_validate(look) for look in services.looks_of(kit)], parts=places_json(kit)
    )


@router.post("/hatch/came-back", response=CameBackOut)
def came_back(request: HttpRequest, data: CameBackIn) -> CameBackOut:
    """How a kit that was just taken back really is: parts missing or used up, and faults."""
    _staff_only(request)
    actor, tag = reader(request), data.tag
    said, faults = services.came_back(actor, tag, data.missing, data.used_up, data.faults)
    return CameBackOut(message=f"{tag.strip().upper()}: {'; '.join(said) or 'all there, all well'}.", faults=faults)
