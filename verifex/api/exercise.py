"""An exercise version as the API shows it."""

from verifex.api.shape import Shape
from verifex.api.sheet import VariantOut


class WayOut(Shape):
    """A safe way of making a stimulus, offered by module."""

    id: str
    title: str
    how: str
    instrument: str
    low: float
    high: float
    unit: str
    cautions: list[str]


class StepOut(Shape):
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


class RecipeOut(Shape):
    ref: str
    part: str
    title: str
    settings: dict[str, str]


class BoardChoiceOut(Shape):
    id: str
    title: str


class ExerciseOut(Shape):
    """An exercise version as the interface shows it."""

    id: int
    slug: str
    title: str
    summary: str
    version: int
    released: bool
    board: str
    boards: list[BoardChoiceOut]
    minutes: int
    baud: int  # that its program prints at on the usual board
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


class PairReadingOut(Shape):
    """A column the pair's program prints."""

    key: str
    name: str
    unit: str
    says: str
    decimals: int
