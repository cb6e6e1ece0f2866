"""Figures a data file of the catalogue may give. Every one has its unit in its name."""

from pydantic import BaseModel, ConfigDict


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
    inductive and wants a diode where a transistor switches it. What `needs_tone` is silent at a steady level.
    """

    amps: float
    at_volts: float
    works_from_volts: float
    high_volts: float
    one_way: bool = False
    heavy: bool = False
    coil: bool = False
    needs_tone: bool = False

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


class TimingFigures(Frozen):
    """How a module behaves in time.

    Its output means nothing for the first `warm_up_seconds` (least, most) after power-on. A motion module stays active
    for a hold time between the ends of `hold_seconds` and, in single mode, is blind for `blind_seconds` after it.
    """

    warm_up_seconds: tuple[float, float] = (0.0, 0.0)
    hold_seconds: tuple[float, float] | None = None
    usual_hold_seconds: float = 5.0
    blind_seconds: float = 0.0
