"""Refusals of replacing a part and of giving another resistor."""

from verifex.acts.refusals import Refused


class NoSuchPlace(Refused):
    kit: str
    ref: str
    places: tuple[str, ...]
    sentence = "{kit} has no {ref}; it has {places}."


class ReplacementNeedsReason(Refused):
    sentence = "Say why, such as “dead” or “leg broken”."


class ReplacementNeedsTag(Refused):
    tag: str
    part: str
    sentence = "{tag} is a tagged {part}; scan the tag of the one that is given for it."


class UnknownReplacementTag(Refused):
    tag: str
    sentence = "No module has the tag “{tag:.20}”."


class ReplacementIsOtherPart(Refused):
    tag: str
    part: str
    actual: str
    sentence = "{tag} is no {part}: it is a {actual}."


class ModuleHasFault(Refused):
    module: str
    fault: str
    sentence = "{module} has a fault: {fault}. Take another one, or say in Faults that it is well."


class ModuleElsewhere(Refused):
    module: str
    place: str
    sentence = "{module} is {place}."


class NothingReplaced(Refused):
    kit: str
    sentence = "Nothing was replaced in {kit}."


class ReplacedAgainSince(Refused):
    part: str
    kit: str
    sentence = "{part} of {kit} was exchanged again since then."


class TakenOutModuleInUse(Refused):
    module: str
    sentence = "{module} is in another kit by now."


class NotAResistorOfRecipe(Refused):
    ref: str
    sentence = "{ref} is no resistor of this recipe; only resistors are substituted."


class SubstituteOutsideWindow(Refused):
    ohms: str
    ref: str
    window: str
    sentence = "{ohms} lies outside the window of {ref}: {window}."


class SubstitutionNeedsReason(Refused):
    sentence = "Say why another value is given, such as “no 330 Ω left”."


class DrawerEmpty(Refused):
    ohms: str
    sentence = "The drawers hold no {ohms} any more."


class NothingSubstituted(Refused):
    kit: str
    sentence = "Nothing was substituted in {kit}."
