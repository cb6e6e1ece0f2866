"""Settings of modules as a person finds them, and resistors as a meter finds them: each with the values it can have."""

from django.db import transaction

from verifex.acts.events import STORES, record
from verifex.core.parts import PartType, catalogue
from verifex.core.planning.stock import item_key
from verifex.core.quantity import in_words, parse_quantity
from verifex.people.models import User
from verifex.stores.access import require_kit_staff
from verifex.stores.models import Kit, KitIssue, Substitution
from verifex.stores.readiness import recipe_of
from verifex.stores.refusals.settings import (
    OtherResistorFound,
    PartNotInRecipe,
    SettingNotPossible,
    SettingValueNotPositive,
    UnknownSetting,
)
from verifex.stores.services.given import MEASURED, issue_of_now, renew

#: What can be set on a module, with the unit of its value, or the words it may be.
UNITS = {"range": "centimetre", "hold": "second", "trip": "percent"}
WORDS = {"jumper": ("single", "repeat"), "active": ("low", "high"), "pullup": ("none",)}
RESISTOR = "resistor"
ANOTHER_RESISTOR = (
    0.12  # of its value: beyond this it is another one (values that are sold lie 20 % apart), not a poor one
)


def settable(part: PartType) -> dict[str, str]:
    """What can be noted of a part, each with what its value is: a unit, or the words to choose from."""
    if part.id == RESISTOR:
        return {MEASURED: "ohm"}
    found = {name: unit for name, unit in UNITS.items() if name in part.settings}
    found |= {name: " or ".join(words) for name, words in WORDS.items() if name in part.settings}
    addresses = [address for address in (part.address, *part.other_addresses) if address]
    return {**found, "address": " or ".join(addresses)} if len(addresses) > 1 else found


def refuse_setting(part_id: str, ref: str, setting: str, value: str) -> None:
    """Raises Refused for a setting the part does not have, or a value that it cannot have."""
    part = catalogue().parts[part_id]
    can = settable(part)
    if setting not in can:
        has = f" It has {', '.join(can)}." if can else " It has none."
        raise UnknownSetting(ref, part.title, setting, has)
    if not value:
        return
    if " or " not in can[setting]:
        _positive(value, can[setting])
    elif value not in can[setting].split(" or "):
        raise SettingNotPossible(setting, can[setting], value)


def _positive(value: str, unit: str) -> float:
    example = "such as 326 or 9.87k" if unit == "ohm" else "such as 14 cm, 5 s or 40 %"
    try:
        found = parse_quantity(value, unit)
    except ValueError:
        found = 0.0
    if found <= 0:
        raise SettingValueNotPositive(value, unit, example)
    return found


@transaction.atomic
def note_setting(actor: User, kit: Kit, ref: str, setting: str, value: str) -> None:
    """Write down how a module of a kit is set, or what a meter says of a resistor in it; an empty value forgets it. It holds for who
    has the kit now and for all who get it after; of a resistor given instead of the recipe's only for who has it. Raises Refused."""
    require_kit_staff(actor, kit)
    part = next((part for part in recipe_of(kit.exercise_id) if part.ref == ref), None)
    if part is None:
        raise PartNotInRecipe(str(kit.exercise), ref or "such part")
    refuse_setting(part.part, ref, setting, value)
    held = issue_of_now(kit)
    substitute = substitute_in(held, ref) if held else None
    if setting == MEASURED and value:
        _refuse_another(
            substitute.ohms if substitute else item_key(part.part, part.settings).ohms,
            parse_quantity(value, "ohm"),
            ref,
            bool(substitute),
        )
    if setting == MEASURED and substitute is not None:
        substitute.measured_ohms = parse_quantity(value, "ohm") if value else None
        substitute.save(update_fields=["measured_ohms"])
    else:
        _keep(kit, ref, setting, value)
    if held is not None:
        held.kit = kit  # with the settings as they are now
        said = f"{ref} {'measures' if setting == MEASURED else f'is set to {setting}'} {value}"
        renew(actor, held, said if value else f"{ref}: {setting} not known")
    record(actor, f"{ref} of {kit.tag}: {setting} {value or 'not known'}"[:120], f"kit:{kit.tag}", scope=STORES)


def substitute_in(issue: KitIssue, ref: str) -> Substitution | None:
    """What was given last instead of the resistor in this place of the kit, by the reference that the issue's exercise has for it."""
    asked = next((own for own, held in issue.refs.items() if held == ref), ref)
    return issue.substitutions.filter(ref=asked).order_by("-at", "-id").first()


def _refuse_another(nominal_ohms: float, ohms: float, ref: str, was_given: bool) -> None:
    if not nominal_ohms or abs(ohms / nominal_ohms - 1) <= ANOTHER_RESISTOR:
        return
    should = f"{in_words(nominal_ohms, 'Ω')} {'was given' if was_given else 'belongs here'}"
    raise OtherResistorFound(in_words(ohms, "Ω"), ref, should)


def forget_settings(kit: Kit, ref: str) -> dict[str, str]:
    """Another part lies in this place now: what was noted of the one before goes with it (returned)."""
    before = dict(kit.settings.get(ref, {}))
    if before:
        restore_settings(kit, ref, {})
    return before


def restore_settings(kit: Kit, ref: str, before: dict[str, str]) -> None:
    """The part that these settings were noted of lies in this place again."""
    others = {own: held for own, held in kit.settings.items() if own != ref}
    kit.settings = {**others, ref: before} if before else others
    kit.save(update_fields=["settings"])


def _keep(kit: Kit, ref: str, setting: str, value: str) -> None:
    place = kit.parts.filter(ref=ref).select_related("module").first()
    module = place.module if place else None
    if module is not None:
        module.settings = _set(module.settings, setting, value)
        module.save(update_fields=["settings"])
    restore_settings(kit, ref, {} if module else _set(kit.settings.get(ref, {}), setting, value))


def _set(held: dict[str, str], setting: str, value: str) -> dict[str, str]:
    own = {key: text for key, text in held.items() if key != setting}
    return {**own, setting: value} if value else own
