"""Shapes that the core's results have on the wire, shared by the API's routers."""

from typing import Any

from ninja import Schema

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
    """A finding as a pair sees it: where to look, not what to change."""

    rule: str
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
    name: str
    half_width: float
    share: float
    source: str


class BudgetOut(Schema):
    unit: str
    worst_case: float
    combined: float
    contributions: list[ContributionOut]


class SheetStepOut(Schema):
    name: str
    how: str
    stimulus: LimitsOut
    volts: LimitsOut
    count: LimitsOut
    value: LimitsOut
    likely: list[float]
    indicators: dict[str, str]
    saturated: bool
    budget: BudgetOut


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
    reason: str
    notes: list[str]


class StepOut(Schema):
    name: str
    ref: str
    quantity: str
    value: float
    uncertainty: float
    dwell_seconds: float
    how: str


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
        "rule": finding["rule"],
        "severity": finding["severity"],
        "hint": finding["hint"],
        "parts": where.get("parts", []),
        "line": where.get("line"),
        "column": where.get("column"),
    }
