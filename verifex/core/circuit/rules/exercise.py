"""What the exercise asks for: its parts, and its connections by electrical function."""

from collections.abc import Iterator
from functools import lru_cache

from verifex.core.circuit.bench import Part
from verifex.core.circuit.evidence.functions import functions_of
from verifex.core.circuit.evidence.lights import lights, series_resistor
from verifex.core.circuit.rules.book import WIRING
from verifex.core.circuit.text.parse import parse_bench
from verifex.core.circuit.view import BenchView
from verifex.core.findings import Finding, Severity
from verifex.core.rulebook import FindingFactory


@WIRING.rule(
    "part-missing",
    Severity.FIX,
    title="A part of the recipe is missing",
    why="The exercise cannot be shown without it.",
    hint="Compare the parts on your board with the recipe.",
    criterion="wiring",
    source="the exercise's recipe",
    explains=("function-not-built",),
)
def part_missing(view: BenchView, finding: FindingFactory) -> Iterator[Finding]:
    if view.exercise is None:
        return
    spoken_of = {ref for wrong in view.bench.impossible for ref in wrong.parts}
    bare = [light for light in view.memoised(lights) if series_resistor(view, light) is None]
    for recipe in view.exercise.recipe:
        if view.matching(recipe.ref) is not None or recipe.ref in spoken_of:
            continue
        if bare and any(job.ref == recipe.ref for job in view.exercise.resistor_jobs):
            continue  # reported by the rule on lights without a resistor, with its currents
        yield finding(
            f"No {recipe.title or recipe.part} ({recipe.part}) is on the bench.",
            f"Put it in, as in 'part {recipe.ref} {recipe.part} …'.",
            parts=[recipe.ref],
        )


@WIRING.rule(
    "function-not-built",
    Severity.FIX,
    title="A connection of the exercise is missing",
    why="The exercise asks for it; any pin that can do it and any place is as good as another.",
    hint="Read what the exercise asks this part to be joined to.",
    criterion="wiring",
    source="the exercise's functions",
)
def function_not_built(view: BenchView, finding: FindingFactory) -> Iterator[Finding]:
    for function in functions_of(view):
        if function.built is False and function.part is not None and function.kind != "own-ground":
            yield finding(
                function.seen,
                function.remedy,
                parts=[function.part.ref],
                line=function.part.line,
            )


@WIRING.rule(
    "ground-shared",
    Severity.CHECK,
    title="The sensor shares its ground wire",
    why="What lights and loads send down the same wire shifts the sensor's ground, and with it the reading.",
    hint="Does the sensor have a ground wire of its own, all the way to the board?",
    criterion="wiring",
    source="the exercise's functions",
)
def ground_shared(view: BenchView, finding: FindingFactory) -> Iterator[Finding]:
    for function in functions_of(view):
        if function.built is False and function.part is not None and function.kind == "own-ground":
            yield finding(
                function.seen,
                function.remedy,
                parts=[function.part.ref],
                line=function.part.line,
            )


#: Settings that the recipe states and that the pair sets by a jumper or a pad.
SET_BY_JUMPER = ("jumper", "address", "active")


@WIRING.rule(
    "setting-differs",
    Severity.CHECK,
    title="A jumper is not set as the exercise says",
    why="The module behaves differently; everything else is judged on the bench as it is.",
    hint="Compare the jumpers of your modules with the recipe.",
    criterion="wiring",
    source="the exercise's recipe",
)
def setting_differs(view: BenchView, finding: FindingFactory) -> Iterator[Finding]:
    for recipe in view.exercise.recipe if view.exercise else ():
        part = view.matching(recipe.ref)
        for key in SET_BY_JUMPER if part else ():
            assert part is not None
            wanted, here = recipe.settings.get(key), part.settings.get(key)
            if wanted and here and here.lower() != wanted.lower():
                yield finding(
                    f"{part.ref} has {key}={here}; the exercise says {key}={wanted}.",
                    f"Set it to {wanted}, or leave it and reckon with the difference.",
                    parts=[part.ref],
                    line=part.line,
                )


def _is_on_the_supply_side(view: BenchView, part: Part | None) -> bool | None:
    """Whether one leg of a sensor of two legs is at the supply and the other at a pin; None where neither end is plain."""
    nets = [view.net(part, leg) for leg in part.type.legs] if part else []
    at_supply = [net is not None and view.nets.is_source(net) for net in nets]
    at_ground = [net is not None and view.nets.is_return(net) for net in nets]
    if any(at_supply) == any(at_ground):
        return None
    return any(at_supply)


@lru_cache(maxsize=64)
def _intended_on_the_supply_side(reference: str, ref: str) -> bool | None:
    """The same in one of the exercise's own benches, where parts have the exercise's references."""
    bench = parse_bench(reference)
    return _is_on_the_supply_side(BenchView(bench), bench.parts.get(ref))


@WIRING.rule(
    "divider-turned",
    Severity.NOTE,
    title="The divider's two resistors are exchanged",
    why="It works as well, but the reading falls where the exercise's rises, and a comparison written for the one is inverted on the other.",
    hint="Which of the two lies between the supply and the pin on your bench, and which in the exercise?",
    criterion="wiring",
    source="the exercise's own benches",
)
def divider_turned(view: BenchView, finding: FindingFactory) -> Iterator[Finding]:
    exercise = view.exercise
    for recipe in exercise.recipe if exercise else ():
        part = view.matching(recipe.ref)
        if exercise is None or part is None or part.type.model != "light-cell":
            continue
        meant = {_intended_on_the_supply_side(text, recipe.ref) for text in exercise.references.values()}
        here = _is_on_the_supply_side(view, part)
        if here is not None and meant == {not here}:
            sides = ("ground", "supply")
            yield finding(
                f"{part.ref} lies on the {sides[here]} side of its divider; in the exercise it lies on the {sides[not here]} side.",
                f"Exchange {part.ref} and its resistor, or turn the comparison in the program around.",
                parts=[part.ref],
                line=part.line,
            )
