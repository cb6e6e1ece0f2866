"""The expected sheet: for each step of the plan what a bench should read, and within what limits."""

from collections.abc import Mapping
from dataclasses import dataclass, field

import numpy as np

from verifex.core.exercise import Exercise, Variant
from verifex.core.expected.measured import Measured
from verifex.core.expected.plot import Slider, plot_rows, sliders
from verifex.core.expected.signal.chain import AdcChain, Chain
from verifex.core.expected.step import ExpectedStep
from verifex.core.expected.unavailable import Unavailable
from verifex.core.parts import LinearOutput
from verifex.core.quantity import Spread

Key = tuple[str, str]


@dataclass(frozen=True, slots=True)
class Sheet:
    """All steps, or why there are none.

    `chains` holds the chain of each reading by (ref, quantity); the first reading is the exercise's main one.
    """

    exercise: Exercise
    variant: Variant | None
    steps: tuple[ExpectedStep, ...] = ()
    chains: Mapping[Key, Chain] = field(default_factory=dict)
    measured: Measured = field(default_factory=Measured)
    unavailable: Unavailable | None = None  # why there are no steps
    notes: tuple[str, ...] = ()

    @property
    def reason(self) -> str:
        """Why there are no steps, in words; empty where there are."""
        return self.unavailable.in_words() if self.unavailable else ""

    def step(self, name: str) -> ExpectedStep | None:
        return next((step for step in self.steps if step.name == name), None)

    @property
    def main(self) -> Chain | None:
        return next(iter(self.chains.values()), None)

    @property
    def unit(self) -> str:
        return self.main.formula.unit.symbol if self.main else ""

    @property
    def reference(self) -> Spread | None:
        """The converter's reference in volts; None where nothing is converted."""
        if not isinstance(self.main, AdcChain):
            return None
        found = self.main.reference
        return Spread(found.low, found.nominal, found.high)

    @property
    def output(self) -> LinearOutput | None:
        """The main sensor's output where that is a straight line."""
        return self.main.output if self.main and isinstance(self.main.output, LinearOutput) else None

    @property
    def per_count(self) -> float:
        """Printed units a count, where the formula is a straight line; else 0."""
        if not isinstance(self.main, AdcChain) or self.output is None:
            return 0.0
        ends = self.main.formula.value(np.array([0.0, 1.0]))
        return float(ends[1] - ends[0])

    @property
    def top_value(self) -> float:
        """The stimulus at which the converter saturates, in the output's unit; 0 where it does not matter."""
        reference = self.reference
        if self.output is None or reference is None:
            return 0.0
        return self.output.value(reference.nominal)

    def plot(self, key: Key | None = None) -> tuple[tuple[float, ...], ...]:
        """Rows of stimulus, raw low, raw, raw high, value low, value, value high, of a reading (the main one)."""
        chain = self.chains[key] if key else self.main
        return plot_rows(chain, *self.plot_range(key)) if chain else ()

    def plot_range(self, key: Key | None = None) -> tuple[float, float]:
        """The ends of a reading's stimulus axis: the exercise's for the main one, else its steps with a margin; never
        beyond what the sensor answers to."""
        key = key or next(iter(self.chains), None)
        planned = self.exercise.steps[0]
        if key is None or (key[0], key[1].partition("/")[0]) == (planned.ref, planned.quantity):
            low, high = self.exercise.plot_range
        else:
            at = (key[0], key[1].partition("/")[0])
            seen = [v.value for step in self.exercise.steps for v in step.values() if (v.ref, v.quantity) == at]
            margin = (max(seen) - min(seen)) / 4 or 1.0
            low, high = min(seen) - margin, max(seen) + margin
        if key is None:
            return low, high
        output = self.chains[key].output
        return max(low, output.low), min(high, output.high)

    def sliders(self, key: Key | None = None) -> list[Slider]:
        """What can be measured, each with a dense table of how a reading follows it."""
        chain = self.chains[key] if key else self.main
        named = key or next(iter(self.chains), ("", ""))
        return sliders(chain, named[0], *self.plot_range(key)) if chain else []
