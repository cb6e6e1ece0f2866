"""An exercise version as the API shows it."""

from ninja import Schema

from verifex.api.sheet import VariantOut


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
