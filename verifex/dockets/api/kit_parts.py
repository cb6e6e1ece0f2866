"""Parts of a kit at the hatch: resistors given instead, settings as they were found, modules exchanged."""

from django.http import HttpRequest
from ninja import Router

from verifex.core.quantity import in_words, parse_quantity
from verifex.dockets import services
from verifex.dockets.present.kits import newest_version, places_json
from verifex.dockets.refusals import PartNotUsable
from verifex.dockets.schemas.hatch import (
    AdviceOut,
    HatchAnswerOut,
    KitPlaceOut,
    ReplaceIn,
    SettingIn,
    SubstituteIn,
    TagIn,
)
from verifex.people.access import reader
from verifex.stores.access import require_kit_reader, require_store_staff
from verifex.stores.advice import allowed_resistors, offers
from verifex.stores.present.settings import settings_json
from verifex.stores.schemas.kits import OfferOut
from verifex.stores.schemas.modules import SettableOut
from verifex.stores.services import kits
from verifex.stores.services.replace import replace_part, undo_replacement

router = Router(tags=["hatch"])


@router.get("/hatch/advice", response=list[AdviceOut])
def advise(request: HttpRequest, tag: str = "") -> list[AdviceOut]:
    """Each resistor of a kit's exercise: the window of its job, and what the drawers hold inside it."""
    require_store_staff(reader(request))
    kit = kits.kit_of(tag)
    require_kit_reader(reader(request), kit)
    version = newest_version(kit.exercise)
    return [
        AdviceOut(
            ref=one.ref,
            title=one.title,
            job=one.job,
            nominal_ohms=one.nominal_ohms,
            window=one.window_words,
            low_because=one.low_because,
            high_because=one.high_because,
            offers=[OfferOut.model_validate(offer.as_json()) for offer in offers(one)],
        )
        for one in allowed_resistors(version).values()
    ]


@router.get("/hatch/settings", response=list[SettableOut])
def list_settings(request: HttpRequest, tag: str = "") -> list[SettableOut]:
    """What can be noted of a kit: how its modules are set, what its resistors measure; with what the exercise says and what is known."""
    require_store_staff(reader(request))
    kit = kits.kit_of(tag)
    require_kit_reader(reader(request), kit)
    return settings_json(kit)


@router.post("/hatch/setting", response=HatchAnswerOut)
def note_setting(request: HttpRequest, data: SettingIn) -> HatchAnswerOut:
    """Write down how a module of a kit is set; it holds for who has the kit and for all after."""
    require_store_staff(reader(request))
    value, setting = data.value.strip(), data.setting.strip().lower()
    kit = services.note_setting(reader(request), data.tag, data.ref.strip().upper(), setting, value)
    return HatchAnswerOut(message=f"{kit.tag}, {data.ref.upper()}: {setting} {value or 'not known'}.")


@router.post("/hatch/substitute", response=HatchAnswerOut)
def substitute_resistor(request: HttpRequest, data: SubstituteIn) -> HatchAnswerOut:
    """Record a resistor given in place of the recipe's; from then on the sheets follow it."""
    require_store_staff(reader(request))
    try:
        ohms = parse_quantity(data.value, "ohm")
    except ValueError as wrong:
        raise PartNotUsable(str(wrong)) from None
    made = services.substitute(reader(request), data.tag, data.ref.strip().upper(), ohms, data.reason)
    return HatchAnswerOut(
        message=f"{made.ref} is {in_words(made.ohms, 'Ω')} in {data.tag.strip().upper()} from now on."
    )


@router.post("/hatch/undo-substitute", response=HatchAnswerOut)
def undo_substitution(request: HttpRequest, data: TagIn) -> HatchAnswerOut:
    """The last resistor that was given instead is the recipe's again, and lies in its drawer."""
    require_store_staff(reader(request))
    made = services.undo_substitution(reader(request), data.tag)
    return HatchAnswerOut(message=f"{made.ref} of {data.tag.strip().upper()} is the recipe’s again.")


@router.get("/hatch/parts", response=list[KitPlaceOut])
def list_places(request: HttpRequest, tag: str = "") -> list[KitPlaceOut]:
    """What is in a kit, place by place, and what could be given for it."""
    require_store_staff(reader(request))
    kit = kits.kit_of(tag)
    require_kit_reader(reader(request), kit)
    return places_json(kit)


@router.post("/hatch/replace", response=HatchAnswerOut)
def replace(request: HttpRequest, data: ReplaceIn) -> HatchAnswerOut:
    """Give another part for one of a kit, in the middle of a session or in the store."""
    require_store_staff(reader(request))
    kit, ref = kits.kit_of(data.tag), data.ref.strip().upper()
    made = replace_part(reader(request), kit, ref, tag=data.given, reason=data.reason, dead=data.dead)
    given = made.put_in.tag if made.put_in else "one out of the drawer" if made.item else "another one"
    return HatchAnswerOut(message=f"{made.title} of {kit.tag}: {given} given.")


@router.post("/hatch/undo-replace", response=HatchAnswerOut)
def undo_replace(request: HttpRequest, data: TagIn) -> HatchAnswerOut:
    """The last exchange in a kit is taken back."""
    require_store_staff(reader(request))
    made = undo_replacement(reader(request), kits.kit_of(data.tag))
    return HatchAnswerOut(message=f"{made.title} of {made.kit.tag} is as it was before.")
