"""What a data file may say of a board: its pins, supplies and limits."""

from functools import cached_property
from typing import Literal

import numpy as np
from pydantic import Field

from verifex.core.parts.figures import Frozen
from verifex.core.parts.outputs import FloatArray


class PinKind(Frozen):
    """What a board's pin can do."""

    name: str
    supply_volts: float | None = None
    ground: bool = False
    reference: bool = False  # takes a voltage that the converter compares with
    intake: bool = False  # takes a supply for the whole board
    digital_out: bool = False
    digital_in: bool = False
    analogue_in: bool = False
    analogue_radio_off: bool = False
    pwm: bool = False
    serial: bool = False
    boot: bool = False
    unusable: bool = False
    bus: str | None = None

    @property
    def is_signal(self) -> bool:
        return self.digital_in or self.digital_out or self.analogue_in or self.unusable


class BoardPins(Frozen):
    """Pin lists as a data file writes them."""

    digital: tuple[str, ...] = ()
    input_only: tuple[str, ...] = ()
    analogue: tuple[str, ...] = ()
    analogue_only: tuple[str, ...] = ()
    analogue_radio_off: tuple[str, ...] = ()
    pwm: tuple[str, ...] = ()
    serial: tuple[str, ...] = ()
    unusable: tuple[str, ...] = ()
    boot: tuple[str, ...] = ()
    interrupts: tuple[str, ...] = ()  # pins that can call a function, by interrupt number; none given: all of them
    bus: dict[str, str] = Field(default_factory=dict)  # sda, scl, sck, miso, mosi, select → pin
    aliases: dict[str, str] = Field(default_factory=dict)
    own_light: str = ""  # the pin that lights a lamp on the board itself, whether something is wired to it or not


class Board(Frozen):
    """A microcontroller or single-board computer as the bench sees it."""

    id: str
    title: str
    short_title: str  # as a choice between boards says it
    rail_volts: float
    rail_low_volts: float
    rail_high_volts: float
    rail_pin: str
    usb_ohms: float = 0.5  # the twin's supply sags by this much
    supplies: dict[str, float]  # pin → volts
    supply_limit_amps: dict[str, float] = Field(default_factory=dict)
    intake_volts: tuple[float, float] | None = None  # VIN: low, high
    intake_most_volts: float = 20.0  # above it the board's own regulator is spoilt
    has_reference_pin: bool = False
    ground: str = "GND"
    pins: BoardPins
    bus_can_move: bool = False  # the two-wire bus and SPI can be put on other pins in software
    fitted_pull_ups: dict[str, float] = Field(default_factory=dict)  # pin → ohms to the rail
    pin_ohms: float = 25.0
    pull_up_ohms: tuple[float, float, float] = (20e3, 35e3, 50e3)
    has_pull_down: bool = False
    pin_usual_amps: float
    pin_absolute_amps: float
    pin_absolute_sink_amps: float | None = None  # where it differs
    all_pins_amps: float
    input_most_volts: float  # above it a pin is spoilt
    input_low_share: float
    input_high_share: float
    adc_bits: int = 0
    adc_error_lsb: float = 2.0
    adc_flat_volts: tuple[float, float] | None = None  # below the one it reads 0, above the other it is full
    adc_gain_share: float = 0.0  # half width of the converter's own gain error
    internal_reference_volts: tuple[float, float, float] | None = None
    int_bits: int = 16
    memory_bytes: int | None = None  # for a program's variables; None where they never fill it
    analogue_read_us: float = 112.0
    usual_baud: int = 9600
    languages: tuple[Literal["cpp", "python"], ...] = ("cpp",)
    source: str = "typical of the family"

    @property
    def writes_switch_pull_ups(self) -> bool:
        """Whether writing to a pin that is no output switches its pull-up, as on the 8-bit boards, whose port has one bit for
        both; on others nothing happens."""
        return self.int_bits == 16

    @property
    def counts(self) -> int:
        """How many steps the converter has: 1024 for 10 bits, 0 without one."""
        return 2**self.adc_bits if self.adc_bits else 0

    @property
    def input_high_volts(self) -> float:
        return self.input_high_share * self.rail_volts

    @property
    def input_low_volts(self) -> float:
        return self.input_low_share * self.rail_volts

    @property
    def full_count(self) -> int:
        return max(0, self.counts - 1)

    def exact_count(self, volts: FloatArray, reference_volts: FloatArray) -> FloatArray:
        """V/Vref·N without steps, held to the converter's range and its flat ends. Broadcasts."""
        count = np.asarray(volts) / reference_volts * self.counts
        if self.adc_flat_volts:
            low, high = self.adc_flat_volts
            count = np.where(volts < low, 0.0, np.where(volts > high, float(self.full_count), count))
        return np.clip(count, 0.0, self.full_count)

    def count(self, volts: FloatArray, reference_volts: FloatArray) -> FloatArray:
        """floor(V/Vref·N), held to the converter's range and its flat ends. Broadcasts."""
        # A hair is added so that a voltage exactly on a step is not lost to binary fractions.
        return np.floor(self.exact_count(volts, reference_volts) + 1e-9)

    def untrusted(self, volts: FloatArray, reference_volts: FloatArray) -> FloatArray:
        """1 where a voltage lies at an end of the converter, where every reading looks the same."""
        count = np.asarray(volts) / reference_volts * self.counts
        ends = (count < 0) | (count >= self.full_count)
        if self.adc_flat_volts:
            ends = ends | (volts < self.adc_flat_volts[0]) | (volts > self.adc_flat_volts[1])
        return np.where(ends, 1.0, 0.0)

    def most_pin_amps(self, sinking: bool) -> float:
        """The absolute limit of one pin in amps, giving or sinking."""
        return self.pin_absolute_sink_amps if sinking and self.pin_absolute_sink_amps else self.pin_absolute_amps

    def pin(self, name: str) -> PinKind | None:
        """The pin called `name`, or None when the board has none of that name."""
        name = self.pins.aliases.get(name, name)
        if name.startswith(self.ground) and (name == self.ground or name[len(self.ground) :].isdigit()):
            name = self.ground
        return self._kinds.get(name)

    @cached_property
    def _kinds(self) -> dict[str, PinKind]:
        """Every pin by its own name, worked out once."""
        lists = self.pins
        kinds = {name: PinKind(name=name, supply_volts=volts) for name, volts in self.supplies.items()}
        kinds[self.ground] = PinKind(name=self.ground, ground=True)
        if self.has_reference_pin:
            kinds["AREF"] = PinKind(name="AREF", reference=True)
        if self.intake_volts:
            kinds["VIN"] = PinKind(name="VIN", intake=True)
        for name in (*lists.digital, *lists.input_only, *lists.analogue_only):
            usable = name not in lists.unusable
            kinds[name] = PinKind(
                name=name,
                digital_out=usable and name in lists.digital,
                digital_in=usable and name not in lists.analogue_only,
                analogue_in=usable and (name in lists.analogue or name in lists.analogue_only),
                analogue_radio_off=name in lists.analogue_radio_off,
                pwm=name in lists.pwm,
                serial=name in lists.serial,
                boot=name in lists.boot,
                unusable=not usable,
                bus=next((line for line, pin in lists.bus.items() if pin == name), None),
            )
        return kinds

    def pin_names(self) -> list[str]:
        """Every pin by its own name, signals first."""
        signals = [*self.pins.digital, *self.pins.input_only, *self.pins.analogue_only]
        return [*signals, *self.supplies, self.ground]
