"""An expected sheet and what can be moved on it."""

from typing import Annotated

from pydantic import Field

from verifex.api.shape import Shape


class LimitsOut(Shape):
    low: float
    expected: float
    high: float


class ContributionOut(Shape):
    key: str
    name: str
    half_width: float
    share: float
    distribution: str
    source: str
    once_measured: float | None


class BudgetOut(Shape):
    unit: str
    worst_case: float
    combined: float
    advice: str
    contributions: list[ContributionOut]


class StepReadingOut(Shape):
    """One reading at one step; `sampled` says that the likely interval was drawn, not first order."""

    ref: str
    quantity: str
    name: str
    unit: str
    decimals: int
    stimulus: LimitsOut
    volts: LimitsOut | None
    raw_unit: str
    count: LimitsOut
    value: LimitsOut
    likely: list[float]
    sampled: bool
    saturated: bool
    exempt: bool
    printed: str
    budget: BudgetOut


class SheetStepOut(Shape):
    name: str
    how: str
    way: str
    dwell_seconds: float
    waits_seconds: float
    stimulus: LimitsOut
    volts: LimitsOut
    count: LimitsOut
    value: LimitsOut
    likely: list[float]
    indicators: dict[str, str]
    saturated: bool
    budget: BudgetOut
    readings: list[StepReadingOut]


class ThresholdOut(Shape):
    """A threshold in the stimulus and as printed; an `own` one is the pair's, from two readings."""

    says: str
    stimulus: float
    printed: float
    own: bool


class ReadingOut(Shape):
    """What one reading is and how it follows its stimulus; `plot` rows are stimulus, raw low/expected/high, value low/expected/high."""

    key: str
    name: str
    unit: str
    says: str
    raw_unit: str
    decimals: int
    stimulus_unit: str
    in_decades: bool
    plot: list[list[float]]
    thresholds: list[ThresholdOut]


class SliderOut(Shape):
    """A value that can be measured; `table[position][stimulus]` are rows of raw low/expected/high, value low/expected/high."""

    key: str
    measures: str
    name: str
    unit: str
    low: float
    value: float
    high: float
    positions: list[float]
    table: list[list[list[float]]]


class SlidersOut(Shape):
    """Sliders of one reading over the stimuli of its plot (fewer points than there)."""

    reading: str
    stimuli: list[float]
    sliders: list[SliderOut]


class SheetIn(Shape):
    """What a sheet is asked for: a way of feeding, a board, measured values by name."""

    variant: Annotated[str, Field(max_length=80)] = ""
    board: Annotated[str, Field(max_length=80)] = ""
    measured: dict[Annotated[str, Field(max_length=200)], Annotated[float, Field(allow_inf_nan=False)]] = {}


class VariantOut(Shape):
    id: str
    title: str
    supply_volts: float
    reference: str


class SheetOut(Shape):
    """An expected sheet; `plot` rows are stimulus, count low/expected/high, value low/expected/high."""

    unit: str
    variant: VariantOut | None
    reference: LimitsOut | None
    steps: list[SheetStepOut]
    budget: BudgetOut | None
    per_count: float
    top_value: float
    plot: list[list[float]]
    readings: list[ReadingOut]
    reason: str
    notes: list[str]
