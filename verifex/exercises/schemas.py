"""Shapes that the core's results have on the wire, shared by the API's routers."""

from typing import Annotated, Any

from ninja import Schema
from pydantic import Field

from verifex.core.circuit.rules import WIRING
from verifex.core.program.rules import PROGRAM


class ProblemOut(Schema):
    line: int
    column: int
    message: str


class ErrorOut(Schema):
    """What every refusal looks like: a sentence, located problems, what changed meanwhile."""

    message: str
    problems: list[ProblemOut] = []
    changes: list[str] = []


class WhereOut(Schema):
    parts: list[str] = []
    places: list[str] = []
    nets: list[str] = []
    line: int | None = None
    column: int | None = None


class FindingOut(Schema):
    """A finding as staff see it."""

    rule: str
    severity: str
    seen: str
    why: str
    remedy: str
    hint: str
    criterion: str
    where: WhereOut
    value: float | None = None
    limit: float | None = None
    unit: str | None = None
    also: list[str] = []  # what else would be told, and follows from this


class HintOut(Schema):
    """A finding as a pair sees it: where to look, not what to change; not even the rule's name, which may tell."""

    severity: str
    hint: str
    parts: list[str]
    line: int | None = None
    column: int | None = None


class BoardPartOut(Schema):
    ref: str
    type: str
    title: str
    legs: dict[str, str]
    settings: dict[str, str]
    line: int


class WireOut(Schema):
    from_place: str
    to_place: str
    colour: str | None
    line: int


class BenchOut(Schema):
    """What the board map draws."""

    name: str
    board: str | None
    board_ref: str
    base: str
    rows: int
    parts: list[BoardPartOut]
    wires: list[WireOut]


class NetOut(Schema):
    name: str
    places: list[str]
    volts: float | None
    by_state: dict[str, float]


class LimitsOut(Schema):
    low: float
    expected: float
    high: float


class ContributionOut(Schema):
    key: str
    name: str
    half_width: float
    share: float
    distribution: str
    source: str
    once_measured: float | None


class BudgetOut(Schema):
    unit: str
    worst_case: float
    combined: float
    advice: str
    contributions: list[ContributionOut]


class StepReadingOut(Schema):
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


class SheetStepOut(Schema):
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


class ThresholdOut(Schema):
    """A threshold in the stimulus and as printed; an `own` one is the pair's, from two readings."""

    says: str
    stimulus: float
    printed: float
    own: bool


class ReadingOut(Schema):
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


class SliderOut(Schema):
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


class SlidersOut(Schema):
    """Sliders of one reading over the stimuli of its plot (fewer points than there)."""

    reading: str
    stimuli: list[float]
    sliders: list[SliderOut]


class SheetIn(Schema):
    """What a sheet is asked for: a way of feeding, a board, measured values by name."""

    variant: Annotated[str, Field(max_length=80)] = ""
    board: Annotated[str, Field(max_length=80)] = ""
    measured: dict[Annotated[str, Field(max_length=200)], Annotated[float, Field(allow_inf_nan=False)]] = {}


class VariantOut(Schema):
    id: str
    title: str
    supply_volts: float
    reference: str


class SheetOut(Schema):
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


class WayOut(Schema):
    """A safe way of making a stimulus, offered by module."""

    id: str
    title: str
    how: str
    instrument: str
    low: float
    high: float
    unit: str
    cautions: list[str]


class StepOut(Schema):
    name: str
    ref: str
    quantity: str
    value: float
    unit: str
    text: str
    also: list[str]
    dwell_seconds: float
    how: str
    way: str
    ways: list[WayOut]


class NeededOut(Schema):
    part: str
    count: int


class WindowOut(Schema):
    """A resistor of the reference bench: its job and the ohms it may have."""

    ref: str
    job: str
    about: str
    low_ohms: float | None
    high_ohms: float | None


class MinutesOut(Schema):
    wiring: int
    clearance: int
    warm_up: int
    program: int
    readings: int
    total: int


class VariantCostOut(Schema):
    """What a way of feeding costs: printed units a count, the top of the range, the likely half width."""

    id: str
    title: str
    unit: str
    per_count: float
    top: float
    likely_half: float


class DerivedOut(Schema):
    """What follows from an exercise besides its sheet."""

    parts: list[NeededOut]
    windows: list[WindowOut]
    hazards: list[str]
    minutes: MinutesOut
    variants: list[VariantCostOut]


class ObstacleOut(Schema):
    """What keeps an exercise from being released; what only `warns` is to be weighed."""

    about: str
    message: str
    warns: bool


class RecipeOut(Schema):
    ref: str
    part: str
    title: str
    settings: dict[str, str]


class ExerciseOut(Schema):
    """An exercise version as the interface shows it."""

    id: int
    slug: str
    title: str
    summary: str
    version: int
    released: bool
    board: str
    boards: list[str]
    minutes: int
    total: str
    recipe: list[RecipeOut]
    variants: list[VariantOut]
    steps: list[StepOut]
    behaviour: list[str]
    thresholds: list[float]
    criteria: list[dict[str, str]]
    cautions: list[str]
    plot_low: float
    plot_high: float


def bench_out(data: dict[str, Any]) -> dict[str, Any]:
    """The core's bench with names that are no keywords."""
    wires = [
        {"from_place": w["from"], "to_place": w["to"], "colour": w["colour"], "line": w["line"]} for w in data["wires"]
    ]
    return {**data, "wires": wires}


def finding_out(finding: dict[str, Any]) -> dict[str, Any]:
    """A stored finding with what it explains in words: the titles of those rules, and their parts."""
    also = []
    for name in finding.get("explains") or []:
        slug, _, part = name.partition(" ")
        title = next((book.rules[slug].title for book in (WIRING, PROGRAM) if slug in book.rules), slug)
        also.append(f"{title} ({part})" if part else title)
    return {**finding, "also": also}


def hint_of(finding: dict[str, Any]) -> dict[str, Any]:
    """What a pair may be shown of a stored finding."""
    where = finding.get("where", {})
    return {
        "severity": finding["severity"],
        "hint": finding["hint"],
        "parts": where.get("parts", []),
        "line": where.get("line"),
        "column": where.get("column"),
    }
