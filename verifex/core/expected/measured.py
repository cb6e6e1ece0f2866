"""Values a pair measured on its own bench, with the ranges that are plausible."""

from collections.abc import Mapping
from dataclasses import dataclass, field
from zlib import crc32

from verifex.core.parts import Board
from verifex.core.quantity import Spread, in_words

#: A handheld meter on its volts range: 0.5 % of reading + 2 digits of 10 mV (typical of the family).
METER_SHARE, METER_VOLTS = 0.005, 0.02
#: The names a measured value is kept and asked under.
RAIL, INTERNAL, OUTSIDE, STEP = "rail", "internal", "aref", "step:"
TELL = "tell:"  # what an act at the bench gave that tells faults apart, by the log it was done for
WALK = "walk:"  # what the meter walk gave before power, by the wiring it was done for
BEGIN = "begin:"  # the line on which, by a person, a step of a log begins, by the log; 0 for as it was found
COLUMN = "column:"  # which column of the log a person took for a reading, by its place in the exercise
PROBE = "probe:"  # what a meter read at a place: nothing follows from it, it is held against the bench
#: Settings that a trimmer makes and that are measured at the bench, with the unit they are written in.
SETTING_UNITS = {"range": "cm", "hold": "s"}
REFERENCES = (RAIL, INTERNAL, OUTSIDE)
RESISTOR_FACTOR = 2.0  # a resistor farther from its nominal value than this is another resistor


@dataclass(frozen=True, slots=True)
class Measured:
    """What was measured: the rail, the internal and an outside reference in volts, resistors in ohms and figures of a
    sensor (`U1.r10`, `U1.air`) by name, stimulus values by step name (a second quantity of a step as `step|U1.percent`),
    and what a meter read at a place (`U1.out` in volts, `D1` in mA). `told` are results of acts that tell faults apart,
    as `digest of the log:act`, `begins` lines on which steps begin, as `digest of the log:place in the plan`.
    `columns` is by a reading's place the key of the log's column that a person took for it.
    """

    rail_volts: float | None = None
    internal_volts: float | None = None
    outside_volts: float | None = None
    values: dict[str, float] = field(default_factory=dict)
    stimulus: dict[str, float] = field(default_factory=dict)
    probes: dict[str, float] = field(default_factory=dict)
    told: dict[str, float] = field(default_factory=dict)
    begins: dict[str, float] = field(default_factory=dict)
    columns: dict[int, int] = field(default_factory=dict)

    @classmethod
    def named(cls, values: Mapping[str, float]) -> "Measured":
        """From values by name: `rail`, `internal`, `aref`, `step:NAME`, a part (`R1`) or its figure (`U1.r10`)."""
        plain = {name: value for name, value in values.items() if name not in REFERENCES}
        return cls(
            rail_volts=values.get(RAIL),
            internal_volts=values.get(INTERNAL),
            outside_volts=values.get(OUTSIDE),
            values={
                name: value
                for name, value in plain.items()
                if not name.startswith((STEP, PROBE, TELL, WALK, BEGIN, COLUMN))
            },
            stimulus={name.removeprefix(STEP): value for name, value in plain.items() if name.startswith(STEP)},
            probes={name.removeprefix(PROBE): value for name, value in plain.items() if name.startswith(PROBE)},
            columns={
                int(name.removeprefix(COLUMN)): int(value) for name, value in plain.items() if name.startswith(COLUMN)
            },
            begins={name.removeprefix(BEGIN): value for name, value in plain.items() if name.startswith(BEGIN)},
            told={name.removeprefix(TELL): value for name, value in plain.items() if name.startswith(TELL)},
        )

    def as_named(self) -> dict[str, float]:
        """The same by name, as `named` takes it."""
        volts = {RAIL: self.rail_volts, INTERNAL: self.internal_volts, OUTSIDE: self.outside_volts}
        steps = {f"{STEP}{name}": value for name, value in self.stimulus.items()}
        probes = {f"{PROBE}{name}": value for name, value in self.probes.items()}
        told = {f"{TELL}{name}": value for name, value in self.told.items()}
        columns = {f"{COLUMN}{position}": float(key) for position, key in self.columns.items()}
        begins = {f"{BEGIN}{name}": value for name, value in self.begins.items()}
        known = {name: v for name, v in volts.items() if v is not None}
        return {**known, **self.values, **steps, **probes, **told, **begins, **columns}

    def begins_in(self, log: str) -> dict[int, int]:
        """By a step's place in the plan the line of this very log on which, by a person, it begins."""
        own = f"{digest(log)}:"
        said = {name.removeprefix(own): int(line) for name, line in self.begins.items() if name.startswith(own)}
        return {int(place): line for place, line in said.items() if place.isdigit() and line > 0}

    def problems(self, board: Board) -> list[str]:
        """What is not plausible, in words with the plausible range; empty when all is well."""
        found = []
        if self.rail_volts is not None:
            low, high = 0.85 * board.rail_volts, 1.1 * board.rail_volts
            if not low <= self.rail_volts <= high:
                found.append(
                    f"A supply of {self.rail_volts:g} V is not plausible on this board; {low:.2f} to {high:.2f} V is. "
                    "Measure between the supply pin and GND."
                )
        reference = board.internal_reference_volts
        if self.internal_volts is not None:
            if reference is None:
                found.append(f"The {board.title} has no internal reference to measure.")
            elif not 0.95 * reference[0] <= self.internal_volts <= 1.05 * reference[2]:
                found.append(
                    f"An internal reference of {self.internal_volts:g} V is not plausible; {reference[0]:g} to {reference[2]:g} V is."
                )
        if self.outside_volts is not None and not 0.5 <= self.outside_volts <= 1.1 * board.rail_volts:
            found.append(
                f"A reference of {self.outside_volts:g} V at AREF is not plausible; 0.5 to {1.1 * board.rail_volts:.2f} V is."
            )
        return found

    def ohms_problem(self, ref: str, nominal_ohms: float | None) -> str | None:
        """Why a measured resistor cannot be, with the plausible range; None when it can."""
        ohms = self.values.get(ref)
        if ohms is None:
            return None
        if nominal_ohms is None:
            return f"{ref} is no resistor of this bench, so {in_words(ohms, 'Ω')} cannot be its value."
        low, high = nominal_ohms / RESISTOR_FACTOR, nominal_ohms * RESISTOR_FACTOR
        if low <= ohms <= high:
            return None
        why = (
            "the leads touch, or it was measured across a wire"
            if ohms < low
            else "is it the right resistor, and out of the circuit?"
        )
        return f"{in_words(ohms, 'Ω') if ohms > 0 else '0 Ω'} is not plausible for {ref}; {in_words(low, 'Ω')} to {in_words(high, 'Ω')} is: {why}."

    def rail(self, board: Board) -> Spread:
        """The rail with the limits it may really have: the meter's when measured, the supply's when not."""
        if self.rail_volts is not None:
            return Spread.around(self.rail_volts, volts_half(self.rail_volts))
        return Spread(board.rail_low_volts, board.rail_volts, board.rail_high_volts)

    def internal(self, board: Board) -> Spread:
        """The internal reference likewise. Raises ValueError on a board without one."""
        if board.internal_reference_volts is None:
            raise ValueError(f"the {board.title} has no internal reference")
        if self.internal_volts is not None:
            return Spread.around(self.internal_volts, volts_half(self.internal_volts, METER_VOLTS / 4))
        return Spread(*board.internal_reference_volts)

    def of_sensor(self, ref: str) -> dict[str, float]:
        """The figures measured of one sensor, by name."""
        return {name.split(".", 1)[1]: value for name, value in self.values.items() if name.startswith(f"{ref}.")}

    @property
    def settings(self) -> dict[str, dict[str, str]]:
        """Settings of modules that were measured at the bench, by part: as the bench notation writes them."""
        found: dict[str, dict[str, str]] = {}
        for name, value in self.values.items():
            ref, _, setting = name.partition(".")
            if setting in SETTING_UNITS:
                found.setdefault(ref, {})[setting] = f"{value:g}{SETTING_UNITS[setting]}"
        return found

    def of_step(self, step: str, ref: str, quantity: str, *, first: bool) -> float | None:
        """The stimulus really measured at a step; None where the plan's value counts."""
        named = self.stimulus.get(f"{step}|{ref}.{quantity}")
        return self.stimulus.get(step) if named is None and first else named


def digest(text: str) -> str:
    """What tells one hand-in from another: a result counts for the text it was asked for."""
    return f"{crc32(text.encode()):08x}"


def volts_half(volts: float, digits_volts: float = METER_VOLTS) -> float:
    """What a handheld meter leaves open at a voltage, in volts."""
    return volts * METER_SHARE + digits_volts
