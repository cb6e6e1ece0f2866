"""Shapes that the core's results have on the wire, shared by the API's routers."""

from verifex.api.shape import Shape


class NeededOut(Shape):
    part: str
    count: int


class WindowOut(Shape):
    """A resistor of the reference bench: its job and the ohms it may have."""

    ref: str
    job: str
    about: str
    low_ohms: float | None
    high_ohms: float | None


class MinutesOut(Shape):
    wiring: int
    clearance: int
    warm_up: int
    program: int
    readings: int
    total: int


class VariantCostOut(Shape):
    """What a way of feeding costs: printed units a count, the top of the range, the likely half width."""

    id: str
    title: str
    unit: str
    per_count: float
    top: float
    likely_half: float


class DerivedOut(Shape):
    """What follows from an exercise besides its sheet."""

    parts: list[NeededOut]
    windows: list[WindowOut]
    hazards: list[str]
    minutes: MinutesOut
    variants: list[VariantCostOut]


class ObstacleOut(Shape):
    """What keeps an exercise from being released; what only `warns` is to be weighed."""

    about: str
    message: str
    warns: bool
