"""The hatch: handing out opens a docket, so it stands beside the dockets."""

from typing import Annotated, Any

from django.db.models import Q
from django.http import HttpRequest
from ninja import Router
from pydantic import Field

from verifex.acts.refusals import NotAllowed, Refused
from verifex.api.shape import Shape
from verifex.core.parts import catalogue
from verifex.core.quantity import in_words, parse_quantity
from verifex.dockets import services
from verifex.dockets.services.opening import docket_for
from verifex.exercises.models import ExerciseVersion
from verifex.people.access import is_staff_of, reader, require_staff, sections_of
from verifex.people.models import Pair
from verifex.plan.models import Session
from verifex.stores import services as stores
from verifex.stores.advice import allowed_resistors, offers
from verifex.stores.found_settings import settable
from verifex.stores.models import Kit, KitIssue
from verifex.stores.schemas import OfferOut
from verifex.stores.services import kit_of, readiness

router = Router(tags=["hatch"])

Code = Annotated[str, Field(max_length=80)]
Fault = Annotated[str, Field(max_length=200)]
Number = Annotated[int, Field(ge=0, le=2**63 - 1)]


class HandOutIn(Shape):
    """A kit's tag and a pair's badge, as scanned or typed."""

    session: Number
    tag: Code
    badge: Code


class HandedOutOut(Shape):
    docket: int
    message: str


class TakeBackIn(Shape):
    tag: Code
    faults: list[Fault] = []


class SubstituteIn(Shape):
    tag: Code
    ref: Code
    value: Code
    reason: Fault


class AdviceOut(Shape):
    """A resistor of the recipe: `window` in words, `offers` best first."""

    ref: str
    title: str
    job: str
    nominal_ohms: float
    window: str
    low_because: str
    high_because: str
    offers: list[OfferOut]


class SettingIn(Shape):
    """How a module is set: `setting` is jumper, range, hold, …"""

    tag: Code
    ref: Code
    setting: Code
    value: Code


class SettableOut(Shape):
    """A setting of a module of a kit: `takes` says its unit or its words, `now` what is known of this kit."""

    ref: str
    title: str
    setting: str
    takes: str
    usual: str
    now: str


class SaidOut(Shape):
    message: str


class ReadIn(Shape):
    """A code as it came from the scanner."""

    session: Number
    code: Code


class ReadOut(Shape):
    """`kind` is kit or badge; `named` is what a person calls it."""

    kind: str
    code: str
    named: str


class TagIn(Shape):
    tag: Code


def _staff_only(request: HttpRequest) -> None:
    """Before anything is looked up: the answer itself would tell where kits are."""
    if not sections_of(reader(request)):
        raise NotAllowed("Only staff work at the hatch.")


def _version_for(kit: Kit, pair: Pair, session: Session) -> ExerciseVersion:
    """The version of the docket the pair has for this kit's exercise, else the newest released one."""
    docket = docket_for(pair, session, kit)
    return docket.version if docket else _newest_version(kit)


def _newest_version(kit: Kit) -> ExerciseVersion:
    released = ExerciseVersion.objects.filter(exercise=kit.exercise, released_at__isnull=False)
    version = released.order_by("-number").first()
    if version is None:
        raise Refused(f"{kit.exercise} has no released version.")
    return version


def _pair(session: Session, badge: str) -> Pair:
    """By badge, by the pair's name, or by the first or last name of a member, where only one pair has it."""
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
        raise Refused(f"Several pairs have a “{badge[:40]}”; scan the badge.")
    raise Refused(f"No pair of this section has the badge or name “{badge[:40]}”.")


@router.post("/hatch/read", response=ReadOut)
def read_code(request: HttpRequest, data: ReadIn) -> dict[str, str]:
    """What a scanned or typed code is, the moment it is scanned: a kit's tag or a pair's badge. Refused for neither."""
    session = Session.objects.select_related("section").get(pk=data.session)
    require_staff(reader(request), session.section)
    kit = Kit.objects.filter(tag__iexact=data.code.strip(), exercise__course=session.section.course_id).first()
    if kit is None:
        return {"kind": "badge", "code": (pair := _pair(session, data.code)).badge, "named": pair.name}
    held = KitIssue.objects.filter(kit=kit, returned_at__isnull=True).select_related("session").first()
    ready = readiness(kit, may_name_holder=held is None or held.session.section_id == session.section_id)
    if ready.state != "ready":
        raise Refused(ready.reason)  # told now, and not only after the badge
    return {"kind": "kit", "code": kit.tag, "named": kit.tag}


@router.post("/hatch/hand-out", response=HandedOutOut)
def hand_out(request: HttpRequest, data: HandOutIn) -> dict[str, Any]:
    """Hand a kit to a pair: its docket opens, or goes on with the version it was opened with."""
    session = Session.objects.select_related("section").get(pk=data.session)
    require_staff(reader(request), session.section)
    kit = kit_of(data.tag)
    if kit.exercise.course_id != session.section.course_id:
        raise Refused(f"{kit.tag} belongs to another course.")
    pair = _pair(session, data.badge)
    version = _version_for(kit, pair, session)
    docket = services.open_docket(reader(request), kit, pair, session, version)
    return {"docket": docket.pk, "message": f"{kit.tag} is with {pair}. The docket is open."}


@router.post("/hatch/take-back", response=SaidOut)
def take_kit_back(request: HttpRequest, data: TakeBackIn) -> dict[str, Any]:
    _staff_only(request)
    issue = services.take_back(reader(request), data.tag, [f.strip() for f in data.faults if f.strip()])
    due = [test.title for test in issue.tests.filter(outcome="open")]
    said = " It goes to repair." if issue.faults else ""
    said += f" Test {', '.join(due)} before it goes out again." if due else ""
    return {"message": f"{issue.kit.tag} is back.{said}"}


@router.post("/hatch/faults", response=SaidOut)
def note_faults(request: HttpRequest, data: TakeBackIn) -> dict[str, Any]:
    """Faults of a kit that has just come back: it goes to repair."""
    _staff_only(request)
    issue = services.note_faults(reader(request), data.tag, [f.strip() for f in data.faults if f.strip()])
    return {"message": f"{issue.kit.tag} goes to repair: {'; '.join(issue.faults)}."}


@router.post("/hatch/undo-take-back", response=SaidOut)
def undo_take_back(request: HttpRequest, data: TagIn) -> dict[str, Any]:
    """A kit that was taken back by mistake is with its pair again; for a quarter of an hour."""
    _staff_only(request)
    issue = services.undo_take_back(reader(request), data.tag)
    return {"message": f"{issue.kit.tag} is with {issue.pair} again. Power has to be cleared anew."}


@router.post("/hatch/put-right", response=SaidOut)
def put_right(request: HttpRequest, data: TagIn) -> dict[str, Any]:
    """A kit that was in repair or lacked something can go out again."""
    _staff_only(request)
    return {"message": f"{stores.put_right(reader(request), data.tag).tag} is ready."}


@router.get("/hatch/advice", response=list[AdviceOut])
def advise(request: HttpRequest, tag: str = "") -> list[dict[str, Any]]:
    """Each resistor of a kit's exercise: the window of its job, and what the drawers hold inside it."""
    _staff_only(request)
    version = _newest_version(kit_of(tag))
    return [
        {
            "ref": one.ref,
            "title": one.title,
            "job": one.job,
            "nominal_ohms": one.nominal_ohms,
            "window": one.window_words,
            "low_because": one.low_because,
            "high_because": one.high_because,
            "offers": [offer.as_json() for offer in offers(one)],
        }
        for one in allowed_resistors(version).values()
    ]


@router.get("/hatch/settings", response=list[SettableOut])
def list_settings(request: HttpRequest, tag: str = "") -> list[dict[str, str]]:
    """What can be set on the modules of a kit, with what the exercise says and what is known."""
    _staff_only(request)
    kit = kit_of(tag)
    if not is_staff_of(reader(request), kit.exercise.course):
        raise NotAllowed("Only the staff of this course may do that.")
    return [
        {
            "ref": part.ref,
            "title": part.title or part.part,
            "setting": setting,
            "takes": takes,
            "usual": part.settings.get(setting, ""),
            "now": kit.settings.get(part.ref, {}).get(setting, ""),
        }
        for part in stores.recipe_of(kit.exercise_id)
        for setting, takes in settable(catalogue().parts[part.part]).items()
    ]


@router.post("/hatch/setting", response=SaidOut)
def note_setting(request: HttpRequest, data: SettingIn) -> dict[str, Any]:
    """Write down how a module of a kit is set; it holds for who has the kit and for all after."""
    _staff_only(request)
    value, setting = data.value.strip(), data.setting.strip().lower()
    kit = services.note_setting(reader(request), data.tag, data.ref.strip().upper(), setting, value)
    return {"message": f"{kit.tag}, {data.ref.upper()}: {setting} {value or 'not known'}."}


@router.post("/hatch/substitute", response=SaidOut)
def substitute_resistor(request: HttpRequest, data: SubstituteIn) -> dict[str, Any]:
    """Record a resistor given in place of the recipe's; from then on the sheets follow it."""
    _staff_only(request)
    try:
        ohms = parse_quantity(data.value, "ohm")
    except ValueError as wrong:
        raise Refused(f"{wrong}.") from None
    made = services.substitute(reader(request), data.tag, data.ref.strip().upper(), ohms, data.reason)
    return {"message": f"{made.ref} is {in_words(made.ohms, 'Ω')} in {data.tag.strip().upper()} from now on."}
