"""Refusals of kits: filling them, handing them out, taking them back."""

from verifex.acts.refusals import Refused


class KitTagPrefix(Refused):
    sentence = "Tags begin with up to 8 letters or digits, a letter first, such as FL."


class KitCount(Refused):
    most: int
    sentence = "Make 1 to {most} kits at once."


class NoRecipeWithoutVersion(Refused):
    exercise: str
    sentence = "{exercise} has no released version, so nothing says what belongs into a kit."


class KitTagSpelling(Refused):
    tag: str
    sentence = "“{tag:.20}” is no tag: letters, digits and hyphens, at most 20."


class PlaceNotInRecipe(Refused):
    exercise: str
    ref: str
    sentence = "The recipe of {exercise} has no {ref}."


class KitWasHandedOut(Refused):
    kit: str
    sentence = "{kit} was handed out before; it is kept. Put it into repair instead."


class UnknownKit(Refused):
    tag: str
    sentence = "No kit has the tag “{tag:.40}”."


class KitNotOut(Refused):
    kit: str
    sentence = "{kit} is not out; it is back already, or was never handed out."


class PairHasOtherKit(Refused):
    pair: str
    kit: str
    sentence = "{pair} still has {kit}; take it back first."


class KitLacksParts(Refused):
    kit: str
    kit_exercise: str
    exercise: str
    sentence = "{kit} is a kit for {kit_exercise}, and not all that {exercise} needs is in it."


class KitLacksPlaces(Refused):
    kit: str
    places: tuple[str, ...]
    sentence = "{kit} has no {places}."


class KitNotHeldBack(Refused):
    kit: str
    sentence = "{kit} is not held back."


class KitNotTakenBack(Refused):
    kit: str
    sentence = "{kit} was not taken back."


class KitReturnedTooLongAgo(Refused):
    kit: str
    sentence = "{kit} came back too long ago for that."


class PairHasKitNow(Refused):
    pair: str
    kit: str
    sentence = "{pair} has {kit} now; take it back first."


class KitNotReady(Refused):
    reason: str
    sentence = "{reason}"
