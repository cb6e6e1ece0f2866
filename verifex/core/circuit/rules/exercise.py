"""What the exercise asks for: its parts, and its connections by electrical function."""

from collections.abc import Iterator

from verifex.core.circuit.functions import functions_of
from verifex.core.circuit.lights import lights, series_resistor
from verifex.core.circuit.rules.book import WIRING
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
            continue  # told by the rule on lights without a resistor, with its currents
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
    title="A jumper is set otherwise than the exercise says",
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
