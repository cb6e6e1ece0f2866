"""What can be measured on the bench of an exercise: names, units, and whether a value is plausible."""

from dataclasses import dataclass

from verifex.core.circuit.values import nominal_ohms
from verifex.core.exercise import Exercise
from verifex.core.exercise.units import UNITS_OF_QUANTITY
from verifex.core.expected import Measured
from verifex.core.parts import Board, catalogue
from verifex.dockets.bench import DocketBench
from verifex.exercises.measured import INTERNAL, OUTSIDE, RAIL, STEP, measured_of

FAR_SHARE = 0.6  # of the plotted range: a stimulus farther from the plan than this is not the step's


@dataclass(frozen=True, slots=True)
class Measurable:
    """One thing to measure: its name, what a person reads beside the field, its unit, and how it is done."""

    name: str
    label: str
    unit: str
    how: str = ""


def measurables(bench: DocketBench, *, with_plan: bool = True) -> list[Measurable]:
    """Everything worth measuring on a bench: what its sheet's contributors say can be, then the steps of the plan.

    A pair is not told the plan's values.
    """
    found: list[Measurable] = []
    sheet = bench.sheet_as_built()
    for (ref, _), chain in sheet.chains.items():
        for c in chain.contributors:
            if c.how:
                name = f"{ref}.{c.key.removeprefix('sensor.')}" if c.key.startswith("sensor.") else c.key
                found.append(Measurable(name, _label(c.key, c.name), c.unit, c.how))
    found = [
        Measurable(RAIL, _label(RAIL, ""), "V", "measure the supply"),
        *(m for m in found if m.name != RAIL),
    ]
    seen: dict[str, Measurable] = {m.name: m for m in reversed(found)}
    return [*reversed(seen.values()), *steps_to_measure(bench.file, with_plan)]


def _label(key: str, name: str) -> str:
    return {RAIL: "Supply, between its pin and GND", INTERNAL: "Internal reference", OUTSIDE: "Voltage at AREF"}.get(
        key, name
    )


def steps_to_measure(exercise: Exercise, with_plan: bool) -> list[Measurable]:
    """The stimulus of each step: the plan's value is only the default."""
    found = []
    for step in exercise.steps:
        for value in step.values():
            unit = UNITS_OF_QUANTITY.get(value.quantity)
            if unit is None:
                continue  # a press or a tag is not measured
            name = STEP + step.name + ("" if value is step else f"|{value.ref}.{value.quantity}")
            also = "" if value is step else f" ({value.quantity})"
            plan = f", plan {value.value:g} {unit}" if with_plan else ""
            found.append(Measurable(name, f"{step.name}{also}{plan}", unit))
    return found


def implausible(bench: DocketBench, board: Board, name: str, value: float) -> list[str] | None:
    """Why a measured value cannot be, each with the plausible range; None for a name nobody measures here."""
    if name in (RAIL, INTERNAL, OUTSIDE):
        return measured_of({name: value}).problems(board)
    if name.startswith(STEP):
        return _far_from_plan(bench.file, name, value)
    wiring = bench.wiring()
    text = wiring.text if wiring else bench.file.reference_wiring()
    report = bench.check_wiring(text) if text else None
    ref, _, figure = name.partition(".")
    if not figure:
        part = report.bench.parts.get(ref) if report else None
        if part is None or part.type.model != "resistor":
            return None
        problem = Measured(values={name: value}).ohms_problem(name, nominal_ohms(part))
        return [problem] if problem else []
    recipe = bench.file.part_of(ref)
    kind = catalogue().parts.get(recipe.part) if recipe else None
    for output in kind.outputs if kind else ():
        for p in output.parameters({}):
            if p.key == figure and p.measured_half is not None:
                low, high = p.low - (p.high - p.low) / 2, p.high + (p.high - p.low) / 2
                said = f"{value:g} {p.unit} is not plausible for “{p.name}”; {low:g} to {high:g} {p.unit} is."
                return [] if low <= value <= high else [said]
    return None


def _far_from_plan(exercise: Exercise, name: str, value: float) -> list[str] | None:
    step_name, _, quantity = name.removeprefix(STEP).partition("|")
    step = next((s for s in exercise.steps if s.name == step_name), None)
    if step is None:
        return None
    given = next((v for v in step.values() if f"{v.ref}.{v.quantity}" == quantity), None) if quantity else step
    if given is None:
        return None
    if given is step:
        low, high = exercise.plot_range
        span = max(FAR_SHARE * (high - low), abs(given.value))
    else:
        span = max(15.0, abs(given.value))
    if abs(value - given.value) <= span:
        return []
    return [
        f"{value:g} is far from the plan's {given.value:g}; {given.value - span:g} to {given.value + span:g} is plausible here."
    ]
