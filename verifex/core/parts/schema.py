"""What a data file of the catalogue may say. Every figure has its unit in its name."""

from enum import StrEnum
from typing import Literal

from pydantic import BaseModel, ConfigDict, Field


class Frozen(BaseModel):
    model_config = ConfigDict(frozen=True, extra="forbid")


class LegRole(StrEnum):
    """What a leg is for, as the rules see it."""

    SUPPLY = "supply"
    GROUND = "ground"
    ANALOGUE_OUT = "analogue-out"
    DIGITAL_OUT = "digital-out"
    SIGNAL = "signal"  # two-way data, bus and inputs
    PLAIN = "plain"  # an end of a passive part
    OPEN_ALLOWED = "open-allowed"  # may stay unconnected


class SupplyWindow(Frozen):
    """Volts between the supply and ground legs: works from `low_volts` to `high_volts`, dies above `absolute_volts`."""

    low_volts: float
    high_volts: float
    absolute_volts: float
    reversed_heats: bool = False  # fed backwards it heats at once


class LinearOutput(Frozen):
    """An output of `volts_at_zero + volts_per_unit · x`, for x from `low` to `high` in `quantity`.

    Its error is at most `within_at_centre` units at `centre` and grows linearly to `within_over_range`
    at the nearer end of the range.
    """

    quantity: str
    unit: str
    volts_at_zero: float
    volts_per_unit: float
    low: float
    high: float
    centre: float
    within_at_centre: float
    within_over_range: float
    source_ohms: float = 100.0

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


class DiodeFigures(Frozen):
    """Forward volts at `at_amps` by colour (one entry `any` for a plain diode); limits in amps."""

    forward_volts: dict[str, tuple[float, float, float]]  # low, nominal, high
    at_amps: float
    slope_volts: float  # n·Vt of the exponential
    series_ohms: float
    usual_amps: float
    absolute_amps: float
    visible_amps: float = 0.0


class LoadFigures(Frozen):
    """A load that draws `amps` at `at_volts`, and does its work (sounds, turns) from `works_from_volts`."""

    amps: float
    at_volts: float
    works_from_volts: float
    high_volts: float
    one_way: bool = True


class PartType(Frozen):
    """One kind of part: what its legs are and which model answers for it."""

    id: str
    title: str
    model: Literal["resistor", "diode", "led", "load", "linear-sensor", "not-yet"]
    legs: tuple[str, ...]
    roles: dict[str, LegRole] = Field(default_factory=dict)
    symmetric: bool = False  # the two ends may be exchanged
    by_name_only: bool = False
    supply: SupplyWindow | None = None
    draws_amps: float = 0.0
    output: LinearOutput | None = None
    diode: DiodeFigures | None = None
    load: LoadFigures | None = None
    settings: tuple[str, ...] = ()
    cautions: tuple[str, ...] = ()
    source: str = "typical of the family"

    def role(self, leg: str) -> LegRole:
        return self.roles.get(leg, LegRole.PLAIN)

    def legs_with(self, role: LegRole) -> list[str]:
        return [leg for leg in self.legs if self.role(leg) is role]


class PinKind(Frozen):
    """What a board's pin can do."""

    name: str
    supply_volts: float | None = None
    ground: bool = False
    reference: bool = False
    digital_out: bool = False
    digital_in: bool = False
    analogue_in: bool = False
    pwm: bool = False
    serial: bool = False
    absolute_supply_amps: float | None = None

    @property
    def is_signal(self) -> bool:
        return self.digital_in or self.digital_out or self.analogue_in


class BoardPins(Frozen):
    """Pin lists as a data file writes them."""

    digital: tuple[str, ...] = ()
    input_only: tuple[str, ...] = ()
    analogue: tuple[str, ...] = ()
    analogue_only: tuple[str, ...] = ()
    pwm: tuple[str, ...] = ()
    serial: tuple[str, ...] = ()
    unusable: tuple[str, ...] = ()
    aliases: dict[str, str] = Field(default_factory=dict)


class Board(Frozen):
    """A microcontroller or single-board computer as the bench sees it."""

    id: str
    title: str
    rail_volts: float
    rail_low_volts: float
    rail_high_volts: float
    usb_ohms: float = 0.5  # the twin's supply sags by this much
    supplies: dict[str, float]  # pin → volts
    supply_limit_amps: dict[str, float] = Field(default_factory=dict)
    ground: str = "GND"
    pins: BoardPins
    pin_ohms: float = 25.0
    pull_up_ohms: tuple[float, float, float] = (20e3, 35e3, 50e3)
    pin_usual_amps: float
    pin_absolute_amps: float
    all_pins_amps: float
    input_low_share: float
    input_high_share: float
    adc_bits: int = 0
    adc_error_lsb: float = 2.0
    internal_reference_volts: tuple[float, float, float] | None = None
    int_bits: int = 16
    analogue_read_us: float = 112.0
    usual_baud: int = 9600
    source: str = "typical of the family"

    @property
    def counts(self) -> int:
        """How many steps the converter has: 1024 for 10 bits, 0 without one."""
        return 2**self.adc_bits if self.adc_bits else 0

    def pin(self, name: str) -> PinKind | None:
        """The pin called `name`, or None when the board has none of that name."""
        name = self.pins.aliases.get(name, name)
        lists = self.pins
        if name in self.supplies:
            return PinKind(
                name=name,
                supply_volts=self.supplies[name],
                absolute_supply_amps=self.supply_limit_amps.get(name),
            )
        if name == self.ground or (name.startswith(self.ground) and name[len(self.ground) :].isdigit()):
            return PinKind(name=self.ground, ground=True)
        if name in ("AREF", "VIN"):
            return PinKind(name=name, reference=name == "AREF") if self.rail_volts == 5 else None
        known = {*lists.digital, *lists.input_only, *lists.analogue_only}
        if name not in known:
            return None
        usable = name not in lists.unusable
        return PinKind(
            name=name,
            digital_out=usable and name in lists.digital,
            digital_in=usable and name not in lists.analogue_only,
            analogue_in=usable and (name in lists.analogue or name in lists.analogue_only),
            pwm=name in lists.pwm,
            serial=name in lists.serial,
        )

    def pin_names(self) -> list[str]:
        """Every pin by its own name, signals first."""
        signals = [*self.pins.digital, *self.pins.input_only, *self.pins.analogue_only]
        return [*signals, *self.supplies, self.ground]
