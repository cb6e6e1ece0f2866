"""What can be calibrated of a module or a board, how it is done, what it comes to, and how long it counts.

A new kind is one entry of `KINDS`.
"""

from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass
from datetime import date, timedelta
from math import log10

from verifex.core.parts import Board, PartType
from verifex.core.parts.calibration import INTERNAL_VOLTS, Calibration
from verifex.core.parts.outputs import (
    AxesOutput,
    CellOutput,
    DataOutput,
    LinearOutput,
    Output,
    PowerLawOutput,
    SwitchOutput,
)

Kind = PartType | Board
Values = Mapping[str, float]
TOO_FAR = 4.0  # of the family's limits: a module farther off is broken, and no calibration mends it


@dataclass(frozen=True, slots=True)
class Entered:
    """One figure that is typed: its name, what it is, its unit, and between what it can lie."""

    name: str
    label: str
    unit: str
    low: float
    high: float
    usual: float | None = None


@dataclass(frozen=True, slots=True)
class Found:
    """What a calibration came to: figures as the output for `quantity` takes them, and the same in words."""

    figures: dict[str, float]
    words: str
    quantity: str = ""


@dataclass(frozen=True, slots=True)
class CalibrationKind:
    """`entered` gives the fields for a part and one of its quantities; `found` what the typed values come to (ValueError where they
    cannot be). It counts for `days`."""

    id: str
    title: str
    how: str
    days: int
    quantities: Callable[[Kind], tuple[str, ...]]
    entered: Callable[[Kind, str], tuple[Entered, ...]]
    found: Callable[[Kind, str, Values], tuple[Found, ...]]

    def fits(self, kind: Kind) -> bool:
        return bool(self.quantities(kind))

    def checked(self, kind: Kind, quantity: str, values: Values) -> tuple[Found, ...]:
        """Raises ValueError naming the figure that is missing or cannot be."""
        if quantity not in self.quantities(kind):
            raise ValueError(f"{kind.title} has nothing to calibrate by “{self.title}”")
        for field in self.entered(kind, quantity):
            value = values.get(field.name)
            if value is None:
                raise ValueError(f"{field.label} is missing")
            if not field.low <= value <= field.high:
                raise ValueError(
                    f"{field.label}: {value:g} {field.unit} cannot be; {field.low:g} to {field.high:g} {field.unit}".rstrip()
                    + " is plausible"
                )
        return self.found(kind, quantity, values)


def in_force(found: Sequence[tuple[date, int, Calibration]], today: date) -> tuple[Calibration, ...]:
    """Calibrations with the day they were made on and the days they count, the oldest first: those past it have aged. An aged one
    that a later one of its figures replaces is left out."""
    order = sorted(found, key=lambda one: one[0])
    kept = []
    for place, (made, days, one) in enumerate(order):
        aged = made + timedelta(days=days) < today
        later = [
            o for _, _, o in order[place + 1 :] if o.quantity == one.quantity and set(one.figures) <= set(o.figures)
        ]
        if later:
            continue
        kept.append(Calibration(one.figures, one.said, one.quantity, aged))
    return tuple(kept)


def kinds_for(kind: Kind) -> list[CalibrationKind]:
    return [one for one in KINDS if one.fits(kind)]


def _outputs(kind: Kind, *classes: type) -> tuple[Output, ...]:
    return tuple(o for o in kind.outputs if isinstance(o, classes)) if isinstance(kind, PartType) else ()


def _quantities(*classes: type) -> Callable[[Kind], tuple[str, ...]]:
    return lambda kind: tuple(o.quantity for o in _outputs(kind, *classes))


def _output(kind: Kind, quantity: str) -> Output:
    return next(o for o in _outputs(kind, object) if o.quantity == quantity)


# One point or two against a reference: thermometers, humidity, pressure.


def _compared_fields(points: int) -> Callable[[Kind, str], tuple[Entered, ...]]:
    def fields(kind: Kind, quantity: str) -> tuple[Entered, ...]:
        output = _output(kind, quantity)
        unit, ends = output.unit, (output.low, output.high)
        found: list[Entered] = []
        for n in range(1, points + 1):
            which = ("", " at the second point")[n - 1]
            found += [
                Entered(f"reference{n}", f"The reference reads{which}", unit, *ends),
                Entered(f"reads{n}", f"The module reads{which}", unit, *ends),
            ]
        usual = 0.2 if quantity == "celsius" else 1.0
        return (*found, Entered("half", "Uncertainty of the comparison, ±", unit, usual / 10, usual * 25, usual))

    return fields


def _compared(points: int) -> Callable[[Kind, str, Values], tuple[Found, ...]]:
    def found(kind: Kind, quantity: str, values: Values) -> tuple[Found, ...]:
        output = _output(kind, quantity)
        assert isinstance(output, LinearOutput | DataOutput)
        figures: dict[str, float] = {"off_half": values["half"]}
        words = []
        for n in range(1, points + 1):
            at, off = values[f"reference{n}"], values[f"reads{n}"] - values[f"reference{n}"]
            within = output.within(at) if isinstance(output, LinearOutput) else output.within
            if abs(off) > TOO_FAR * within:
                raise ValueError(
                    f"it reads {abs(off):.1f} {output.unit} too {'much' if off > 0 else 'little'}, where its family keeps within "
                    f"{within:g}: that is a fault, and no calibration mends it"
                )
            figures |= {f"at{n}": at, f"off{n}": off}
            words.append(f"{off:+.2g} {output.unit} at {at:g} {output.unit}")
        if points == 2 and abs(figures["at2"] - figures["at1"]) < (output.high - output.low) / 50:
            raise ValueError("the two points lie too near to each other; take one cold and one warm")
        return (Found(figures, f"{', '.join(words)}, ± {values['half']:g} {output.unit}", quantity),)

    return found


# The internal reference of a board.


def _has_internal(kind: Kind) -> tuple[str, ...]:
    return ("",) if isinstance(kind, Board) and kind.internal_reference_volts else ()


def _internal_fields(kind: Kind, quantity: str) -> tuple[Entered, ...]:
    assert isinstance(kind, Board) and kind.internal_reference_volts
    low, _, high = kind.internal_reference_volts
    return (
        Entered("volts", "Internal reference, measured at AREF", "V", 0.95 * low, 1.05 * high),
        Entered("half", "Uncertainty, ±", "V", 0.0005, 0.05, 0.005),
    )


def _internal(kind: Kind, quantity: str, values: Values) -> tuple[Found, ...]:
    figures = {INTERNAL_VOLTS: values["volts"], f"{INTERNAL_VOLTS}_half": values["half"]}
    return (Found(figures, f"{values['volts']:.3f} V, ± {values['half']:g} V"),)


# R0 of a gas module, from the volts in clean air: Rs = RL·(Vs/V − 1), R0 = Rs/ratio in clean air.


def _clean_air_fields(kind: Kind, quantity: str) -> tuple[Entered, ...]:
    return (
        Entered("volts", "Output in clean air, module warm", "V", 0.01, 5.5),
        Entered("supply", "Its supply at the same time", "V", 2.5, 5.5, 5.0),
        Entered("percent", "Uncertainty of R0, ±", "%", 1, 30, 5),
    )


def _clean_air(kind: Kind, quantity: str, values: Values) -> tuple[Found, ...]:
    output = _output(kind, quantity)
    assert isinstance(output, PowerLawOutput)
    if values["volts"] >= values["supply"]:
        raise ValueError("the output cannot be as high as the supply")
    r0 = output.load_ohms * (values["supply"] / values["volts"] - 1) / output.clean_ratio
    low, _, high = output.r0_ohms
    if not low / 2 <= r0 <= 2 * high:
        raise ValueError(
            f"R0 would be {r0:.0f} Ω, where its family has {low:g} to {high:g} Ω; is it warm, and the air clean?"
        )
    half = r0 * values["percent"] / 100
    return (Found({"r0": r0, "r0_half": half}, f"R0 {r0:.0f} Ω, ± {half:.0f} Ω", quantity),)


# Rest offsets of the axes of a motion module.


def _axes(kind: Kind) -> tuple[str, ...]:
    return ("",) if _outputs(kind, AxesOutput) else ()


def _rest_fields(kind: Kind, quantity: str) -> tuple[Entered, ...]:
    axes = _outputs(kind, AxesOutput)
    shown = tuple(
        Entered(o.quantity, f"{o.quantity} still and level", "g", o.rest - 0.3, o.rest + 0.3, o.rest) for o in axes
    )
    return (*shown, Entered("half", "Uncertainty, ±", "g", 0.0005, 0.05, 0.005))


def _rest(kind: Kind, quantity: str, values: Values) -> tuple[Found, ...]:
    return tuple(
        Found(
            {"rest": values[o.quantity] - o.rest, "rest_half": values["half"]},
            f"{o.quantity} {values[o.quantity] - o.rest:+.3f} g, ± {values['half']:g} g",
            o.quantity,
        )
        for o in _outputs(kind, AxesOutput)
    )


# Dark and bright counts of a light cell over a divider: R = RD·(full/count − 1), the cell at the supply's side.


def _light_fields(kind: Kind, quantity: str) -> tuple[Entered, ...]:
    return (
        Entered("dark_lux", "Light at the dark point", "lux", 0.1, 1000),
        Entered("dark_count", "Count at the dark point", "count", 1, 65535),
        Entered("bright_lux", "Light at the bright point", "lux", 1, 20000),
        Entered("bright_count", "Count at the bright point", "count", 1, 65535),
        Entered("divider", "Resistor below the cell", "Ω", 100, 1e6, 10_000),
        Entered("full", "Full count of the board", "count", 255, 65535, 1023),
    )


def _light(kind: Kind, quantity: str, values: Values) -> tuple[Found, ...]:
    output = _output(kind, quantity)
    assert isinstance(output, CellOutput)
    if not values["dark_count"] < values["bright_count"] < values["full"]:
        raise ValueError(
            "the bright count lies between the dark count and the full one, with the cell at the supply’s side"
        )
    if values["bright_lux"] < 3 * values["dark_lux"]:
        raise ValueError(
            "the two levels of light lie too near to each other; the bright one has at least three times the light"
        )
    dark, bright = (values["divider"] * (values["full"] / values[f"{w}_count"] - 1) for w in ("dark", "bright"))
    gamma = log10(dark / bright) / log10(values["bright_lux"] / values["dark_lux"])
    low, _, high = output.gamma
    if not low / 2 <= gamma <= 2 * high:
        raise ValueError(
            f"its slope would be {gamma:.2f}, where its family has {low:g} to {high:g}; compare the lux again"
        )
    r10 = bright * (values["bright_lux"] / 10.0) ** gamma
    # A light meter is known within 5 %, so is R10; the slope within 0.03, as by two measured levels.
    figures = {"r10": r10, "r10_half": 0.05 * r10, "gamma": gamma, "gamma_half": 0.03}
    return (Found(figures, f"{r10:.0f} Ω at 10 lux, γ {gamma:.2f}", quantity),)


# The range of an obstacle module, set by its trimmer and measured with a ruler.


def _ranged(kind: Kind) -> tuple[str, ...]:
    return tuple(
        o.quantity for o in _outputs(kind, SwitchOutput) if isinstance(o, SwitchOutput) and o.setting == "range"
    )


def _range_fields(kind: Kind, quantity: str) -> tuple[Entered, ...]:
    return (
        Entered("cm", "Its lamp lights up to, by the ruler", "cm", 1, 40),
        Entered("half", "Uncertainty, ±", "cm", 0.1, 5, 0.5),
    )


def _range(kind: Kind, quantity: str, values: Values) -> tuple[Found, ...]:
    figures = {"range": values["cm"], "range_half": values["half"]}
    return (Found(figures, f"range {values['cm']:g} cm, ± {values['half']:g} cm", quantity),)


KINDS: tuple[CalibrationKind, ...] = (
    CalibrationKind(
        "one-point", "One point against a reference",
        "Let the module and the reference lie side by side for ten minutes, out of draughts; read both.",
        180, _quantities(LinearOutput, DataOutput), _compared_fields(1), _compared(1),
    ),
    CalibrationKind(
        "two-point", "Two points against a reference",
        "Read module and reference side by side cool, then warm; stir water, and wait until both stand.",
        365, _quantities(LinearOutput, DataOutput), _compared_fields(2), _compared(2),
    ),
    CalibrationKind(
        "internal-reference", "Internal reference of a board",
        "Let a program choose the internal reference, and measure AREF to GND.",
        730, _has_internal, _internal_fields, _internal,
    ),
    CalibrationKind(
        "clean-air", "R0 in clean air",
        "Let it warm up fully in well-aired air, then measure its output and its supply.",
        30, _quantities(PowerLawOutput), _clean_air_fields, _clean_air,
    ),
    CalibrationKind(
        "rest-offset", "Rest offsets",
        "Lay it level and still; take the mean of a hundred readings of each axis.",
        180, _axes, _rest_fields, _rest,
    ),
    CalibrationKind(
        "light-levels", "Dark and bright counts",
        "Read the count and a light meter beside the cell, once covered and once in room light.",
        365, _quantities(CellOutput), _light_fields, _light,
    ),
    CalibrationKind(
        "range", "Range by a ruler",
        "Nothing in front: turn until its lamp just lights, then a little back, gently; the end stops are weak. Then bring a white "
        "card nearer along a ruler.",
        60, _ranged, _range_fields, _range,
    ),
)  # fmt: skip
KINDS_BY_ID = {kind.id: kind for kind in KINDS}
