"""Which kits serve an exercise: worked out from what is in them, whatever exercise they were filled for."""

from collections.abc import Mapping, Sequence

from verifex.core.exercise.circuit import RecipePart
from verifex.core.planning.stock import ItemKey, item_key


def serves(inside: Mapping[str, ItemKey], recipe: Sequence[RecipePart]) -> dict[str, str] | None:
    """By the recipe's reference the kit's own for it; None where something is not in the kit.

    A part serves for the same part with the same value or colour. Where the kit uses the recipe's own reference for a fitting part,
    that one is taken.
    """
    left = dict(inside)
    found: dict[str, str] = {}
    for part in recipe:  # first those that have the same reference in both
        if left.get(part.ref) == item_key(part.part, part.settings):
            found[part.ref] = part.ref
            del left[part.ref]
    for part in recipe:
        if part.ref in found:
            continue
        key = item_key(part.part, part.settings)
        own = next((ref for ref, held in left.items() if held == key), None)
        if own is None:
            return None
        found[part.ref] = own
        del left[own]
    return found
