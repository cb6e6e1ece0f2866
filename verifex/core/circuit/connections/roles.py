"""Which part of a bench plays which part of the exercise."""

from verifex.core.circuit.bench import Bench, Part
from verifex.core.exercise import Exercise


def roles(bench: Bench, exercise: Exercise) -> dict[str, Part]:
    """Which part on the bench plays which reference of the exercise; references that nothing plays are absent."""
    found: dict[str, Part] = {}
    for recipe in exercise.recipe:
        part = bench.parts.get(recipe.ref)
        if part and part.type.id == recipe.part:
            found[recipe.ref] = part
    for recipe in exercise.recipe:
        if recipe.ref in found:
            continue
        taken = {part.ref for part in found.values()}
        free = [p for p in bench.parts.values() if p.type.id == recipe.part and p.ref not in taken]
        if free:
            found[recipe.ref] = free[0]
    return found
