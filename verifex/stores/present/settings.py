"""What can be noted of the parts of a kit, with what is known."""

from verifex.core.parts import catalogue
from verifex.core.planning.stock import item_key
from verifex.core.quantity import in_words
from verifex.stores.models import Kit
from verifex.stores.readiness import recipe_of
from verifex.stores.schemas.modules import SettableOut
from verifex.stores.services.found_settings import settable, substitute_in
from verifex.stores.services.given import MEASURED, issue_of_now


def settings_json(kit: Kit) -> list[SettableOut]:
    """A row for each setting of each part of the recipe: `takes` its unit or its words, `usual` what the exercise says (of a resistor
    its value, or the one that was given instead), `now` what is known."""
    places = {part.ref: part for part in kit.parts.select_related("module")}
    held = issue_of_now(kit)
    rows = []
    for part in recipe_of(kit.exercise_id):
        place = places.get(part.ref)
        module = place.module.settings if place and place.module else {}
        known = {**module, **kit.settings.get(part.ref, {})}
        ohms = item_key(part.part, part.settings).ohms
        if instead := substitute_in(held, part.ref) if held else None:
            known = {MEASURED: f"{instead.measured_ohms:g}" if instead.measured_ohms else ""}
            ohms = instead.ohms
        for setting, takes in settable(catalogue().parts[part.part]).items():
            says = in_words(ohms, "Ω") if setting == MEASURED and ohms else part.settings.get(setting, "")
            rows.append(
                SettableOut(ref=part.ref, title=part.title or part.part, setting=setting, takes=takes, usual=says, now=known.get(setting, ''))
            )  # fmt: skip
    return rows
