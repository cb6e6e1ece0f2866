"""Figures a data file of the catalogue may give. Every one has its unit in its name."""

from typing import Annotated, Literal

from pydantic import BaseModel, ConfigDict, Field


class Frozen(BaseModel):
    model_config = ConfigDict(frozen=True, extra="forbid")


class SupplyWindow(Frozen):
    """Volts between the supply and ground legs: works from `low_volts` to `high_volts`, dies above `absolute_volts`.

    `exact_within_volts`, where given, is how far from the middle of the window the reading can be trusted.
    """

    low_volts: float
    high_volts: float
    absolute_volts: float
    reversed_heats: bool = False  # fed backwards it heats at once
    exact_within_volts: float | None = None


class LinearOutput(Frozen):
    """An output of `volts_at_zero + volts_per_unit · x`, for x from `low` to `high` in `quantity`.

    Its error is at most `within_at_centre` units at `centre` and grows linearly to `within_over_range`
    at the nearer end of the range.
    """

    kind: Literal["linear"] = "linear"
    quantity: str
    unit: str
    volts_at_zero: float
    volts_per_unit: float
    low: float
    high: float
    centre: float
    within_at_centre: float
    within_over_range: float

    @property
    def rest(self) -> float:
        return self.centre

    def volts(self, value: float) -> float:
        """Output in volts at `value`, held at the ends of the range."""
        return self.volts_at_zero + self.volts_per_unit * min(self.high, max(self.low, value))

    def value(self, volts: float) -> float:
        """The inverse of `volts` inside the range, in the output's unit."""
        return (volts - self.volts_at_zero) / self.volts_per_unit

    def within(self, value: float) -> float:
        """Half width of the error band at `value`, in the output's unit."""
        span = (self.high - self.centre) if value >= self.centre else (self.centre - self.low)
        share = min(1.0, abs(value - self.centre) / span)
        return self.within_at_centre + share * (self.within_over_range - self.within_at_centre)


class ShareOutput(Frozen):
    """An output that is a share of the module's own supply, by straight lines through `points` (value, share)."""

    kind: Literal["share"]
    quantity: str
    unit: str
    rest: float
    points: tuple[tuple[float, float], ...]

    @property
    def low(self) -> float:
        return self.points[0][0]

    @property
    def high(self) -> float:
        return self.points[-1][0]

    def share(self, value: float) -> float:
        """Share of the supply, 0 to 1, held at the ends of the table."""
        below = self.points[0]
        for point in self.points:
            if value < point[0]:
                break
            below = point
        else:
            return below[1]
        if value <= below[0]:
            return below[1]
        return below[1] + (point[1] - below[1]) * (value - below[0]) / (point[0] - below[0])


class SwitchOutput(Frozen):
    """An output with two states. It is active from `from_value` of `quantity` on, or up to it when `below`.

    `setting` names the setting that moves the point; `active_low` says that 0 means "something is there".
    """

    kind: Literal["switch"]
    quantity: str
    unit: str = ""
    from_value: float
    below: bool = False
    active_low: bool = False
    setting: str | None = None
    rest: float
    active: float

    def is_active(self, value: float, point: float | None = None) -> bool:
        limit = self.from_value if point is None else point
        return value <= limit if self.below else value >= limit

    def is_high(self, value: float, point: float | None = None) -> bool:
        return self.is_active(value, point) != self.active_low


Output = Annotated[LinearOutput | ShareOutput | SwitchOutput, Field(discriminator="kind")]


class DiodeFigures(Frozen):
    """Forward volts at `at_amps` by colour (one entry `any` for a plain diode); limits in amps."""

    forward_volts: dict[str, tuple[float, float, float]]  # low, nominal, high
    at_amps: float
    slope_volts: float  # n·Vt of the exponential
    series_ohms: float
    usual_amps: float
    absolute_amps: float
    visible_amps: float = 0.0

    def forward(self, colour: str | None, corner: int = 0) -> float:
        """Forward volts at `at_amps`: `corner` −1 low, 0 nominal, 1 high; an unknown colour counts as the first."""
        spread = self.forward_volts.get(colour or "", next(iter(self.forward_volts.values())))
        return spread[corner + 1]


class LoadFigures(Frozen):
    """What draws `amps` at `at_volts`, and does its work (sounds, turns, pulls) from `works_from_volts`.

    `one_way` conducts from plus to minus only; `heavy` is never worked straight from a pin; `coil` is
    inductive and wants a diode where a transistor switches it.
    """

    amps: float
    at_volts: float
    works_from_volts: float
    high_volts: float
    one_way: bool = False
    heavy: bool = False
    coil: bool = False

    @property
    def ohms(self) -> float:
        return self.at_volts / self.amps


class TransistorFigures(Frozen):
    """An NPN transistor: transport model with high-injection knee; limits in amps.

    hFE is `gain` at small current and falls past `knee_amps`, as I_C = I_F/q, q = (1 + √(1 + 4·I_F/I_K))/2
    (H. K. Gummel, H. C. Poon, Bell Syst. Tech. J. 49, 1970). `ratio_usual` and `ratio_most` are the ratios
    of collector to base current up to which it saturates well, and at all.
    """

    saturation_amps: float
    gain: float
    reverse_gain: float
    knee_amps: float
    base_ohms: float
    collector_ohms: float
    most_amps: float
    ratio_usual: float
    ratio_most: float


class RegulatorFigures(Frozen):
    """A linear regulator: `out_volts` as long as the input is `drop_volts` above it; heat in watts."""

    out_volts: float
    drop_volts: float
    idle_amps: float
    usual_watts: float
