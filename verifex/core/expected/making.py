"""Makes the expected sheet of an exercise for a bench, step by step of its plan."""

from collections.abc import Mapping

import numpy as np

from verifex.core.circuit.handed_out import HandedOut, bench_as_given
from verifex.core.circuit.values import resistor_ohms
from verifex.core.circuit.view import BenchView
from verifex.core.exercise import Exercise, Reading, Step, Variant
from verifex.core.exercise.units import PRINTED
from verifex.core.expected.indicators import StepReadings, indicators, repeat_limits
from verifex.core.expected.limits import LIKELY_PERCENT, budget_at, is_bent, limits, sampled
from verifex.core.expected.measured import Measured
from verifex.core.expected.notes import given_notes, notes_on
from verifex.core.expected.plan import how_to, stimulus_of, waits_seconds
from verifex.core.expected.sheet import Key, Sheet
from verifex.core.expected.signal.build import chain_of
from verifex.core.expected.signal.chain import AdcChain, Chain, facing
from verifex.core.expected.step import ExpectedReading, ExpectedStep
from verifex.core.expected.unavailable import Unavailable
from verifex.core.parts import catalogue
from verifex.core.printed.columns import printed_unit
from verifex.core.problems import Problem, UnusableInput
from verifex.core.quantity import Spread


def expected_sheet(
    exercise: Exercise,
    wiring: str | None = None,
    *,
    measured: Measured | None = None,
    variant: Variant | None = None,
    handed_out: HandedOut | None = None,
    board: str | None = None,
) -> Sheet:
    """The sheet of an exercise for the bench in `wiring`; without one for its own reference bench on `board` (the usual
    one), else for the ideal chain of `variant`.

    Stimulus values are those measured where `measured` has them, else the plan's. Raises UnusableInput for
    values that are not plausible, naming the plausible range.
    """
    measured = measured or Measured()
    part_types = catalogue()
    text = wiring if wiring is not None else exercise.reference_wiring(board) or None
    view = _view(exercise, text, measured, handed_out) if text else None
    if wiring is None and view and variant and _wired_as(view, exercise) not in (None, variant):
        view = None  # the reference bench is wired the other way: the ideal chain shows this one
    kind = (view.bench.board if view else None) or part_types.boards[board or exercise.board]
    if problems := [*measured.problems(kind), *_ohms_problems(view, measured)]:
        raise UnusableInput([Problem(1, 1, problem) for problem in problems])
    chains: dict[Key, Chain] = {}
    fed_by = variant
    for reading, key in zip(exercise.readings, exercise.reading_keys, strict=True):
        if _carries_text(exercise, reading):
            continue
        try:
            built = chain_of(view, exercise, reading, kind, measured, variant, handed_out)
        except Unavailable as why:
            return Sheet(exercise, None, measured=measured, unavailable=why)
        chains[key] = built[0]
        fed_by = fed_by or built[1]
    steps = _steps(exercise, chains, measured)
    sheet = Sheet(exercise, fed_by or exercise.variants[0], steps, chains, measured)
    return Sheet(exercise, sheet.variant, steps, chains, measured, notes=(*given_notes(handed_out), *notes_on(sheet)))


def _view(exercise: Exercise, text: str, measured: Measured, handed_out: HandedOut | None) -> BenchView:
    bench = bench_as_given(text, exercise, handed_out)
    return BenchView(bench, exercise=exercise, handed_out=handed_out, rail_volts=measured.rail_volts)


def _wired_as(view: BenchView, exercise: Exercise) -> Variant | None:
    from verifex.core.circuit.variant import variant_of

    part = view.matching(exercise.readings[0].ref)
    return variant_of(view, exercise, part) if part and part.type.supply_leg else None


def _ohms_problems(view: BenchView | None, measured: Measured) -> list[str]:
    found = []
    for ref in measured.values:
        if "." in ref:
            continue
        part = view.bench.parts.get(ref) if view else None
        ohms = resistor_ohms(part, "nominal") if part and part.type.model == "resistor" else None
        if problem := measured.ohms_problem(ref, ohms):
            found.append(problem)
    return found


def _carries_text(exercise: Exercise, reading: Reading) -> bool:
    output = exercise.sensed(reading.ref, reading.quantity)
    return output is not None and output.carries == "text"


def _steps(exercise: Exercise, chains: Mapping[Key, Chain], measured: Measured) -> tuple[ExpectedStep, ...]:
    read: list[tuple[Step, list[ExpectedReading], StepReadings]] = []
    for step in exercise.steps:
        asked = enumerate(zip(exercise.readings, exercise.reading_keys, strict=True))
        found = [_reading(exercise, n, r, key, step, measured, chains.get(key)) for n, (r, key) in asked]
        readings = [r for r in found if r is not None]
        values = {(r.ref, r.quantity): r.value for r in readings}
        repeats = {
            key: repeat_limits(chains[key], r.stimulus.nominal, (r.stimulus.high - r.stimulus.low) / 2)
            for r in readings
            if (key := (r.ref, r.quantity)) in chains
        }
        read.append((step, readings, StepReadings(step, values, repeats)))
    everything = [entry[2] for entry in read]
    return tuple(
        ExpectedStep(
            name=step.name,
            how=how_to(step),
            way=step.way,
            dwell_seconds=step.dwell_seconds,
            waits_seconds=_waits(exercise, index),
            readings=tuple(readings),
            indicators=indicators(exercise, here, everything, chains),
        )
        for index, (step, readings, here) in enumerate(read)
        if readings
    )


def _usual_name(reading: Reading) -> str:
    """What a reading is called that the exercise gives no name: “temperature of U1”."""
    unit = PRINTED.get(printed_unit(reading))
    return f"{unit.title if unit else reading.quantity} of {reading.ref}"


def _waits(exercise: Exercise, index: int) -> float:
    step = exercise.steps[index]
    output = exercise.sensed(step.ref, step.quantity)
    return waits_seconds(exercise, index, output) if output else 0.0


def _reading(
    exercise: Exercise, position: int, reading: Reading, key: Key, step: Step, measured: Measured, chain: Chain | None
) -> ExpectedReading | None:
    given = step.value_of(reading.ref, reading.quantity)
    if given is None:
        return None
    name = reading.name or _usual_name(reading)
    stimulus = stimulus_of(step, given, measured)
    if chain is None:
        return _text_reading(exercise, position, reading, name, given.text)
    chain = facing(chain, step.target)
    at, half = stimulus.nominal, (stimulus.high - stimulus.low) / 2
    found = limits(chain, np.asarray(at), np.asarray(half))
    budget = budget_at(chain, at, half)
    value = Spread(float(found.value_low), float(found.value), float(found.value_high))
    bent = is_bent(chain, at, half, budget)
    if bent:
        ends = np.percentile(sampled(chain, at, half), LIKELY_PERCENT)
        likely = (float(ends[0]), float(ends[1]))
    else:
        likely = (value.nominal - budget.combined, value.nominal + budget.combined)
    untrusted = bool(chain.untrusted(np.asarray(at)) > 0)
    flat = isinstance(chain, AdcChain) and chain.board.adc_flat_volts is not None
    return ExpectedReading(
        ref=reading.ref,
        quantity=key[1],
        position=position,
        name=name,
        unit=chain.formula.unit.symbol,
        decimals=chain.formula.decimals,
        stimulus=stimulus,
        volts=Spread(*(float(v) for v in found.volts)) if found.volts else None,
        raw_unit=chain.raw_unit,
        raw=(float(found.raw_low), float(found.raw), float(found.raw_high)),
        value=value,
        likely=(min(value.nominal, max(value.low, likely[0])), max(value.nominal, min(value.high, likely[1]))),
        sampled=bent,
        budget=budget,
        saturated=untrusted,
        exempt=untrusted and flat,
        printed=chain.formula.text(value.nominal),
    )


def _text_reading(exercise: Exercise, position: int, reading: Reading, name: str, text: str) -> ExpectedReading:
    """A tag's id: printed as it is, without limits."""
    from verifex.core.expected.budget import Budget

    nothing = Spread(0.0, 0.0, 0.0)
    output = exercise.sensed(reading.ref, reading.quantity)
    printed = output.read(text) if output and output.kind == "identity" and text else text
    return ExpectedReading(
        reading.ref, reading.quantity, position, name, "", 0, nothing, None, "id", (0.0, 0.0, 0.0), nothing, (0.0, 0.0), False,
        Budget("", ()), False, False, printed or "no tag",
    )  # fmt: skip
