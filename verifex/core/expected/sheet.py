"""The expected sheet: for each step of the plan what a bench should read, and within what limits."""

from collections.abc import Mapping
from dataclasses import dataclass
from typing import Any

from verifex.core.circuit.reading import read_bench
from verifex.core.circuit.view import BenchView, Handed
from verifex.core.exercise import Exercise, Step, Variant
from verifex.core.expected.budget import Budget, Contribution
from verifex.core.expected.chain import Chain, chain_of
from verifex.core.expected.measured import Measured
from verifex.core.parts import LinearOutput, catalogue
from verifex.core.problems import Problem, UnusableInput
from verifex.core.quantity import Spread

PLOT_POINTS = 71


@dataclass(frozen=True, slots=True)
class ExpectedStep:
    """One step: stimulus, volts at the pin, count and printed value with limits, and what is on.

    `likely` is the k = 2 interval of the value; `indicators` maps a reference to 'on', 'off' or 'either'
    (the limits straddle the threshold).
    """

    name: str
    how: str
    stimulus: Spread
    volts: Spread
    count: tuple[int, int, int]
    value: Spread
    likely: tuple[float, float]
    indicators: dict[str, str]
    budget: Budget
    saturated: bool

    def as_json(self) -> dict[str, Any]:
        return {
            "name": self.name,
            "how": self.how,
            "stimulus": _spread(self.stimulus),
            "volts": _spread(self.volts),
            "count": {"low": self.count[0], "expected": self.count[1], "high": self.count[2]},
            "value": _spread(self.value),
            "likely": [round(self.likely[0], 3), round(self.likely[1], 3)],
            "indicators": self.indicators,
            "saturated": self.saturated,
            "budget": self.budget.as_json(),
        }


@dataclass(frozen=True, slots=True)
class Sheet:
    """All steps, or why there are none; `plot` rows are (stimulus, count low, count, count high, value low, value, value high)."""

    unit: str
    variant: Variant | None
    reference: Spread | None
    steps: tuple[ExpectedStep, ...]
    per_count: float
    top_value: float
    plot: tuple[tuple[float, ...], ...]
    output: LinearOutput | None = None
    reason: str = ""
    notes: tuple[str, ...] = ()

    def step(self, name: str) -> ExpectedStep | None:
        return next((step for step in self.steps if step.name == name), None)

    def as_json(self) -> dict[str, Any]:
        return {
            "unit": self.unit,
            "variant": self.variant.model_dump() if self.variant else None,
            "reference": _spread(self.reference) if self.reference else None,
            "steps": [step.as_json() for step in self.steps],
            "budget": self.steps[-1].budget.as_json() if self.steps else None,
            "per_count": round(self.per_count, 5),
            "top_value": round(self.top_value, 3),
            "plot": [[round(cell, 3) for cell in row] for row in self.plot],
            "reason": self.reason,
            "notes": list(self.notes),
        }


def _spread(spread: Spread) -> dict[str, float]:
    return {"low": round(spread.low, 4), "expected": round(spread.nominal, 4), "high": round(spread.high, 4)}


def expected_sheet(
    exercise: Exercise,
    wiring: str | None = None,
    *,
    measured: Measured | None = None,
    variant: Variant | None = None,
    batch_orders: Mapping[str, str] | None = None,
) -> Sheet:
    """The sheet of an exercise for the bench in `wiring`, or as intended when there is none.

    Stimulus values are those measured where `measured` has them, else the plan's. Raises UnusableInput for
    values that are not plausible, naming the plausible range.
    """
    measured = measured or Measured()
    shelf = catalogue()
    board = shelf.boards[exercise.board]
    problems = measured.problems(board)
    if problems:
        raise UnusableInput([Problem(1, 1, problem) for problem in problems])
    first = exercise.steps[0]
    recipe = next(part for part in exercise.recipe if part.ref == first.ref)
    output = shelf.parts[recipe.part].linear
    if output is None:
        return Sheet("", None, None, (), 0.0, 0.0, (), reason=f"{recipe.part} has no analogue output to predict yet.")
    view = None
    if wiring is not None:
        bench = read_bench(wiring, batch_orders=batch_orders)
        handed = Handed(batch_orders=batch_orders or {})
        view = BenchView(bench, exercise=exercise, handed=handed, rail_volts=measured.rail_volts)
        board = bench.board or board
    chain = chain_of(view, exercise, first.ref, board, output, measured, variant)
    if isinstance(chain, str):
        return Sheet(output.unit, None, None, (), 0.0, 0.0, (), reason=chain)
    steps = tuple(_step(exercise, chain, step, measured) for step in exercise.steps)
    return Sheet(
        unit=chain.output.unit,
        variant=chain.variant,
        reference=chain.reference,
        steps=steps,
        per_count=chain.per_count,
        top_value=chain.top_value,
        plot=tuple(_plot(exercise, chain)),
        output=chain.output,
        notes=tuple(_notes(chain, steps)),
    )


def _step(exercise: Exercise, chain: Chain, step: Step, measured: Measured) -> ExpectedStep:
    value = measured.stimulus.get(step.name, step.value)
    stimulus = Spread.around(value, step.uncertainty)
    volts, count, printed = _limits(chain, stimulus)
    budget = _budget(chain, stimulus)
    likely = (
        max(printed.low, printed.nominal - budget.combined),
        min(printed.high, printed.nominal + budget.combined),
    )
    return ExpectedStep(
        name=step.name,
        how=step.how,
        stimulus=stimulus,
        volts=volts,
        count=count,
        value=printed,
        likely=likely,
        indicators=_indicators(exercise, step.ref, printed),
        budget=budget,
        saturated=count[1] >= chain.board.counts - 1,
    )


def _limits(chain: Chain, stimulus: Spread) -> tuple[Spread, tuple[int, int, int], Spread]:
    """Volts, count and value with worst-case limits, by putting every contributor at its end (the chain is monotone)."""
    output = chain.output
    low_in, high_in = stimulus.low - output.within(stimulus.low), stimulus.high + output.within(stimulus.high)
    volts = Spread(chain.pin_volts(low_in), chain.pin_volts(stimulus.nominal), chain.pin_volts(high_in))
    error = int(chain.board.adc_error_lsb)
    most = chain.board.counts - 1
    count = (
        max(0, chain.count(volts.low, chain.reference.high) - error),
        chain.count(volts.nominal),
        min(most, chain.count(volts.high, chain.reference.low) + error),
    )
    return volts, count, Spread(chain.value(count[0]), chain.value(count[1]), chain.value(count[2]))


def _budget(chain: Chain, stimulus: Spread) -> Budget:
    """First-order contributions to the printed value (closed form of value = (V/Vref·N·Va/D − V0)/slope)."""
    output, board = chain.output, chain.board
    gain = chain.assumed_volts / chain.reference.nominal * board.counts / chain.divisor * chain.loading
    reference_half = (chain.reference.high - chain.reference.low) / 2
    volts = chain.pin_volts(stimulus.nominal)
    internal = chain.variant.reference == "internal"
    return Budget(
        output.unit,
        (
            Contribution(
                "Stimulus",
                (stimulus.high - stimulus.low) / 2 * gain,
                "the reference thermometer and the step",
            ),
            Contribution("Sensor", output.within(stimulus.nominal) * gain, "typical of the family"),
            Contribution(
                "Internal reference" if internal else "Supply as reference",
                volts * gain / chain.loading / output.volts_per_unit * reference_half / chain.reference.nominal,
                "part to part, unless measured" if internal else "the supply, unless measured",
            ),
            Contribution("Converter", board.adc_error_lsb * chain.per_count, "± 2 counts, typical of the family"),
            Contribution("One count", 0.5 * chain.per_count, "quantisation"),
        ),
    )


def _indicators(exercise: Exercise, ref: str, value: Spread) -> dict[str, str]:
    """What each output should be at a step: 'either' when the limits straddle the threshold."""
    states: dict[str, str] = {}
    for statement in exercise.behaviour:
        if statement.when.ref != ref:
            continue
        low, high = statement.when.holds(value.low), statement.when.holds(value.high)
        for output in dict.fromkeys([*statement.then, *statement.otherwise]):
            if low != high:
                states[output] = "either"
            else:
                on = statement.then.get(output) if low else statement.otherwise.get(output)
                if on is not None:
                    states[output] = "on" if on else "off"
    return states


def _plot(exercise: Exercise, chain: Chain) -> list[tuple[float, ...]]:
    """A dense table over the plot's range, so that the browser only has to join points."""
    rows = []
    width = (exercise.plot_high - exercise.plot_low) / (PLOT_POINTS - 1)
    for index in range(PLOT_POINTS):
        value = exercise.plot_low + index * width
        _, count, printed = _limits(chain, Spread(value, value, value))
        rows.append((value, *(float(c) for c in count), printed.low, printed.nominal, printed.high))
    return rows


def _notes(chain: Chain, steps: tuple[ExpectedStep, ...]) -> list[str]:
    notes = [f"One count is {chain.per_count:.2f} {chain.output.unit}."]
    if chain.top_value < chain.output.high:
        notes.append(
            f"The converter is full at {chain.top_value:.0f} {chain.output.unit}; beyond it every reading is the same."
        )
    dominant = steps[-1].budget.dominant
    if (
        dominant
        and dominant.name in ("Supply as reference", "Internal reference")
        and "unless measured" in dominant.source
    ):
        notes.append("Measuring the reference once would narrow the limits most.")
    either = [f"“{step.name}”" for step in steps if "either" in step.indicators.values()]
    if either:
        notes.append(f"{' and '.join(either)}: the limits straddle the threshold, so the alarm may be on or off.")
    if abs(chain.loading - 1) > 0.005:
        notes.append(f"The circuit loads the output: the pin gets {chain.loading * 100:.1f} % of it.")
    return notes
