"""The hatch: handing out opens a docket, so it stands beside the dockets."""

from typing import Any

from django.http import HttpRequest
from ninja import Router, Schema

from verifex.core.quantity import parse_quantity
from verifex.dockets import services
from verifex.dockets.models import Docket
from verifex.exercises.models import ExerciseVersion
from verifex.people.access import NotAllowed, Refused, reader, require_staff, sections_of
from verifex.people.models import Pair
from verifex.plan.models import Session
from verifex.stores.advice import allowed_resistors, offers
from verifex.stores.api import OfferOut
from verifex.stores.models import Kit, KitIssue
from verifex.stores.services import substitute, take_back

router = Router(tags=["hatch"])


class HandOutIn(Schema):
    """A kit's tag and a pair's badge, as scanned or typed."""

    session: int
    tag: str
    badge: str


class HandedOutOut(Schema):
    docket: int
    message: str


class TakeBackIn(Schema):
    tag: str
    faults: list[str] = []


class SubstituteIn(Schema):
    tag: str
    ref: str
    value: str
    reason: str


class AdviceOut(Schema):
    """A resistor of the recipe: `window` in words, `offers` best first."""

    ref: str
    title: str
    job: str
    nominal_ohms: float
    window: str
    low_because: str
    high_because: str
    offers: list[OfferOut]


class SaidOut(Schema):
    message: str


def _staff_only(request: HttpRequest) -> None:
    """Before anything is looked up: the answer itself would tell where kits are."""
    if not sections_of(reader(request)):
        raise NotAllowed("Only staff work at the hatch.")


def _kit(tag: str) -> Kit:
    kit = Kit.objects.filter(tag__iexact=tag.strip()).first()
    if kit is None:
        raise Refused(f"No kit has the tag “{tag.strip()}”.")
    return kit


def _version_of(kit: Kit) -> ExerciseVersion:
    """The newest released version of the kit's exercise."""
    version = (
        ExerciseVersion.objects.filter(exercise=kit.exercise, released_at__isnull=False).order_by("-number").first()
    )
    if version is None:
        raise Refused(f"{kit.exercise} has no released version.")
    return version


def _open_issue(tag: str) -> KitIssue:
    kit = _kit(tag)
    issue = (
        KitIssue.objects.filter(kit=kit, returned_at__isnull=True)
        .select_related("kit", "pair", "session__section")
        .first()
    )
    if issue is None:
        raise Refused(f"{kit.tag} is not out.")
    return issue


@router.post("/hatch/hand-out", response=HandedOutOut)
def hand_out(request: HttpRequest, data: HandOutIn) -> dict[str, Any]:
    """Hand a kit to a pair for the newest released version of the kit's exercise; the docket opens."""
    session = Session.objects.select_related("section").get(pk=data.session)
    require_staff(reader(request), session.section)
    kit = _kit(data.tag)
    badge = data.badge.strip()
    pair = Pair.objects.filter(section=session.section, badge__iexact=badge).first()
    pair = pair or Pair.objects.filter(section=session.section, name__iexact=badge).first()
    if pair is None:
        raise Refused(f"No pair of this section has the badge “{badge}”.")
    version = _version_of(kit)
    docket = services.open_docket(reader(request), kit, pair, session, version)
    return {"docket": docket.pk, "message": f"{kit.tag} is with {pair}. The docket is open."}


@router.post("/hatch/take-back", response=SaidOut)
def take_kit_back(request: HttpRequest, data: TakeBackIn) -> dict[str, Any]:
    _staff_only(request)
    issue = _open_issue(data.tag)
    take_back(reader(request), issue, [f.strip() for f in data.faults if f.strip()])
    return {"message": f"{issue.kit.tag} is back." + (" It goes to repair." if issue.faults else "")}


@router.get("/hatch/advice", response=list[AdviceOut])
def advise(request: HttpRequest, tag: str = "") -> list[dict[str, Any]]:
    """Each resistor of a kit's exercise: the window of its job, and what the drawers hold inside it."""
    _staff_only(request)
    version = _version_of(_kit(tag))
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


@router.post("/hatch/substitute", response=SaidOut)
def substitute_resistor(request: HttpRequest, data: SubstituteIn) -> dict[str, Any]:
    """Record a resistor given in place of the recipe's; from then on the sheets follow it."""
    _staff_only(request)
    issue = _open_issue(data.tag)
    docket = (
        Docket.objects.filter(pair=issue.pair, session=issue.session).select_related("version").order_by("-id").first()
    )
    if docket is None:
        raise Refused("No docket is open for this kit.")
    try:
        ohms = parse_quantity(data.value, "ohm")
    except ValueError as wrong:
        raise Refused(f"{wrong}.") from None
    made = substitute(reader(request), issue, docket.version, data.ref.strip().upper(), ohms, data.reason)
    return {"message": f"{made.ref} is {made.ohms:g} Ω in {issue.kit.tag} from now on."}
