"""What a data file may say of one kind of part: its legs, its limits, and which model answers for it."""

from collections.abc import Sequence
from enum import StrEnum
from functools import cached_property
from typing import Literal

from pydantic import Field

from verifex.core.parts.figures import (
    DiodeFigures,
    Frozen,
    LoadFigures,
    RegulatorFigures,
    SupplyWindow,
    TimingFigures,
    TransistorFigures,
)
from verifex.core.parts.outputs import LinearOutput, Output

#: What modules measure, by the names that `--at` and a stimulus script use.
MEASURABLE = ("celsius", "percent", "lux", "cm", "motion", "ppm", "pressed", "field", "knock", "sound", "hpa", "tag",
              "g", "gx", "gy", "gz")  # fmt: skip


class LegRole(StrEnum):
    """What a leg is for, as the rules see it."""

    SUPPLY = "supply"
    GROUND = "ground"
    ANALOGUE_OUT = "analogue-out"
    DIGITAL_OUT = "digital-out"  # drives both ways
    OPEN_OUT = "open-out"  # pulls down only
    INPUT = "input"
    TWO_WAY = "two-way"  # a data line or bus that both sides may pull down or drive
    SUPPLY_OUT = "supply-out"  # feeds others
    PLAIN = "plain"  # an end of a passive part


OUTPUT_ROLES = (LegRole.ANALOGUE_OUT, LegRole.DIGITAL_OUT, LegRole.OPEN_OUT)
SIGNAL_ROLES = (*OUTPUT_ROLES, LegRole.INPUT, LegRole.TWO_WAY)

Bus = Literal["sda", "scl", "sck", "miso", "mosi", "select", "one-wire"]
Model = Literal[
    "resistor", "capacitor", "diode", "led", "led-three", "load", "pot", "switch", "light-cell",
    "battery", "relay", "transistor", "regulator", "module",
]  # fmt: skip


class Leg(Frozen):
    """One leg. Levels in volts, resistances in ohms; what is not given follows the module's own supply."""

    role: LegRole = LegRole.PLAIN
    optional: bool = False  # may stay open
    strap: bool = False  # an input that may be held at supply or ground
    holds_at: Literal["", "low", "high"] = ""  # the one level a strap may be held at
    bus: Bus | None = None
    source_ohms: float = 100.0
    high_volts: float | None = None  # an output's high level, where it is not the supply's
    pull_up_ohms: float | None = None  # fitted on the module, to its own supply
    tri_state: bool = False  # releases its line when it is not addressed, so it may be shared
    wants_trimmer: bool = False
    # A comparator's output beside the reading: low once the reading is past its trimmer, a share of the supply (`trip`).
    compares: bool = False


class InnerLight(Frozen):
    """A light built into a module, between two of its legs."""

    plus: str
    minus: str
    diode: DiodeFigures


class Register(Frozen):
    """Where on the bus a quantity is read: `count` bytes from `at` on, the highest first, in the module's own counts."""

    at: int
    quantity: str
    count: int = 2


class WakeRegister(Frozen):
    """Where a module keeps that it sleeps: the bits `asleep` of the register `at` are set from power-on."""

    at: int
    asleep: int


class PartType(Frozen):
    """One kind of part."""

    id: str
    title: str
    model: Model
    legs: dict[str, Leg]
    other_names: dict[str, str] = Field(default_factory=dict)  # how a leg may also be called: plus → 1
    joined: tuple[tuple[str, str], ...] = ()  # legs that are one piece of metal inside
    symmetric: bool = False  # the two ends may be exchanged
    by_name_only: bool = False
    supply: SupplyWindow | None = None
    draws_amps: float = 0.0
    draws_at_volts: float = 5.0
    heavy: bool = False  # never fed from a signal pin
    output: Output | None = None
    channels: tuple[Output, ...] = ()  # what a module that sends numbers measures, one entry a quantity
    timing: TimingFigures = TimingFigures()
    diode: DiodeFigures | None = None
    load: LoadFigures | None = None
    transistor: TransistorFigures | None = None
    regulator: RegulatorFigures | None = None
    inner_light: InnerLight | None = None
    quantity: str | None = None  # what moves a part without an output: lux, pressed, position
    address: str | None = None  # on the two-wire bus
    other_addresses: tuple[str, ...] = ()  # that a pad or a batch may set instead
    registers: tuple[Register, ...] = ()  # what is read there byte by byte
    wakes_by: WakeRegister | None = None  # it sleeps from power-on until a program clears these bits
    power_watts: float | None = None  # what it may turn into heat
    corrodes_when_fed: bool = False
    works_by: str = ""  # of a board that sounds by itself: the leg that switches it, at the level `active` says
    letters: str = "U"  # what its references begin with
    short: str = ""  # the letter or two it may be typed by
    value_setting: str = ""  # the setting that a bare figure is taken for
    colours: tuple[str, ...] = ()  # of a light
    settings: tuple[str, ...] = ()
    defaults: dict[str, str] = Field(default_factory=dict)
    cautions: tuple[str, ...] = ()
    source: str = "typical of the family"

    def role(self, leg: str) -> LegRole:
        known = self.legs.get(self.other_names.get(leg, leg))
        return known.role if known else LegRole.PLAIN

    def leg(self, name: str) -> Leg:
        return self.legs[self.other_names.get(name, name)]

    def legs_with(self, *roles: LegRole) -> list[str]:
        """Legs of these roles, in the part's own order."""
        found = self._legs_by_roles.get(roles)
        if found is None:
            found = self._legs_by_roles[roles] = [name for name, leg in self.legs.items() if leg.role in roles]
        return found

    @cached_property
    def _legs_by_roles(self) -> dict[tuple[LegRole, ...], list[str]]:
        return {}

    def is_order(self, order: Sequence[str]) -> bool:
        """Whether `order` names every leg once, as a batch may have them printed; legs that may stay open may be missing, as
        some makers leave them out."""
        needed = {name for name, leg in self.legs.items() if not leg.optional}
        return len(set(order)) == len(order) and needed <= set(order) <= set(self.legs)

    def leg_names(self) -> list[str]:
        """Every name a leg goes by, in the part's own order, other names last."""
        return [*self.legs, *self.other_names]

    @cached_property
    def supply_leg(self) -> str | None:
        return next(iter(self.legs_with(LegRole.SUPPLY)), None)

    @cached_property
    def ground_leg(self) -> str | None:
        return next(iter(self.legs_with(LegRole.GROUND)), None)

    @property
    def is_display(self) -> bool:
        return self.id.startswith("display")

    @property
    def outputs(self) -> tuple[Output, ...]:
        """Everything it measures."""
        return (*((self.output,) if self.output else ()), *self.channels)

    def sensing(self, quantity: str) -> Output | None:
        """How it answers to a quantity; None when it does not."""
        return next((output for output in self.outputs if output.quantity == quantity), None)

    @property
    def quantities(self) -> tuple[str, ...]:
        """What it answers to: what it measures, else (a module that nobody described further) any quantity."""
        own = tuple(output.quantity for output in self.outputs) or ((self.quantity,) if self.quantity else ())
        return own or (MEASURABLE if self.model == "module" else ())

    @property
    def linear(self) -> LinearOutput | None:
        """Its output where that is a straight line, as the analogue thermometers have."""
        return self.output if isinstance(self.output, LinearOutput) else None
