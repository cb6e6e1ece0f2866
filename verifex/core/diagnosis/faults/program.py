"""Faults of the program: the value is printed by another formula than the exercise asks."""

from collections.abc import Callable, Iterator
from contextlib import suppress
from dataclasses import replace
from operator import methodcaller

import numpy as np

from verifex.core.diagnosis.case import BenchCase
from verifex.core.diagnosis.faults.priors import PRIORS
from verifex.core.diagnosis.model import Fault, Where
from verifex.core.diagnosis.printing import Printing
from verifex.core.exercise.units import PRINTED
from verifex.core.expected.sheet import Key
from verifex.core.expected.signal.chain import AdcChain, Chain, DigitalChain
from verifex.core.expected.signal.path_to_pin import route_of
from verifex.core.expected.unavailable import Unavailable
from verifex.core.parts import LinearOutput
from verifex.core.parts.outputs import DataOutput, FloatArray

CM_PER_INCH = 2.54
REFERENCES_VOLTS = (5.0, 3.3, 1.1)
KELVIN = 273.15
FIRST_VALUE = {"celsius": 85.0, "fahrenheit": 185.0}  # of the single-wire probe
INT16 = 1 << 16
MICROS_PER_VOLT, MILLIS_PER_VOLT = 1e6, 1000


def program_faults(case: BenchCase) -> Iterator[Fault]:
    for position, key in enumerate(case.keys):
        chain = case.sheet.chains.get(key)
        if chain is None:
            continue
        if isinstance(chain, DigitalChain) and (pin := _pin_number(case, key, chain)) is not None:
            yield Fault(
                "pin-number-printed", f"The number of the pin, {pin}, is printed, and not its state",
                "Is digitalRead() around the pin where it is printed?", Where.PROGRAM, PRIORS["pin-number-printed"],
                _on(key, _always(pin)), (key[0],),
            )  # fmt: skip
        which = "" if len(case.keys) == 1 else f" ({case.exercise.readings[position].name or key[1]})"
        for slug, title, look_at, change in _changes(case, chain):
            yield Fault(
                slug, title + which, look_at, Where.PROGRAM, PRIORS[slug.split(":")[0]], _on(key, change), (key[0],)
            )
    if len(case.keys) == 2:
        yield Fault(
            "readings-exchanged",
            "The two readings are exchanged",
            "Which of the two is printed first, and which label stands before it?",
            Where.PROGRAM,
            PRIORS["readings-exchanged"],
            methodcaller("with_readings_exchanged"),
        )


def _pin_number(case: BenchCase, key: Key, chain: DigitalChain) -> int | None:
    """The number of the pin that a level is read at; None where the wiring does not say."""
    part = case.view.matching(key[0]) if case.view else None
    if case.view is None or part is None:
        return None
    with suppress(Unavailable):
        digits = route_of(case.view, part, chain.output).pin.name.lstrip("DGIOP")
        return int(digits) if digits.isdigit() and int(digits) > 1 else None
    return None


Change = Callable[[Printing], Printing]
FormulaChange = tuple[str, str, str, Change]


def _on(key: Key, change: Change) -> Callable[[BenchCase], BenchCase]:
    """The change to the printing of one reading; a wrong formula is one of the exercise's, not of the program as read."""
    return lambda case: case.printed({key: change(case.printing[key].by_formula())})


def _value(change: Callable[[FloatArray], FloatArray]) -> Change:
    return lambda printing: printing.then(change)


def _always(number: float) -> Change:
    return _value(lambda v: v * 0.0 + number)


def _times(factor: float) -> Change:
    return _value(lambda v: v * factor)


def _assuming(volts: float, assumed: float) -> Change:
    """The formula with `volts` as its reference in place of `assumed`."""

    def change(printing: Printing) -> Printing:
        per_count = printing.formula.volts_per_count * volts / assumed
        return replace(printing, formula=replace(printing.formula, volts_per_count=per_count, supply_volts=volts))

    return change


def _unit(unit: str) -> Change:
    return lambda printing: replace(printing, formula=replace(printing.formula, unit=PRINTED[unit]))


def _changes(case: BenchCase, chain: Chain) -> Iterator[FormulaChange]:
    if isinstance(chain, AdcChain):
        yield from _of_a_voltage(case, chain)
    if isinstance(chain, DigitalChain):
        yield (
            "inverted-sense",
            "The sense is inverted",
            "Does the module give a low level when something is there?",
            _value(lambda v: 1 - v),
        )
    unit = chain.formula.unit.id
    if unit == "celsius":
        yield "fahrenheit", "Printed in °F", "Look for × 1.8 and + 32 in the formula.", _value(lambda v: v * 1.8 + 32)
        yield "kelvin", "Printed in kelvin", "Look for + 273 in the formula.", _value(lambda v: v + KELVIN)
    if unit == "fahrenheit":
        yield (
            "another-unit",
            "Printed in °C",
            "Are × 1.8 and + 32 missing from the formula?",
            _value(lambda v: (v - 32) / 1.8),
        )
    if chain.output.carries == "pulse":
        yield from _of_an_echo(chain)
    if chain.output.carries == "number":
        yield from _of_a_number(chain)


def _of_a_voltage(case: BenchCase, chain: AdcChain) -> Iterator[FormulaChange]:
    formula, unit = chain.formula, chain.formula.unit.id
    full = float(chain.board.full_count)
    if unit != "count":
        yield (
            "count-printed",
            "The raw count is printed",
            "Is the count turned into volts and into the unit before it is printed?",
            _unit("count"),
        )
    if unit != "volt":
        yield (
            "volts-printed",
            "Volts are printed",
            "Is the last line of the formula there: volts into the unit?",
            _unit("volt"),
        )
        yield (
            "millivolts-printed", "Millivolts are printed", "Is the last line of the formula there: volts into the unit?",
            lambda p: replace(_unit("volt")(p), after=lambda v: v * MILLIS_PER_VOLT),
        )  # fmt: skip
    if unit != "full-scale" and unit != "percent":
        yield (
            "percent-printed",
            "A share of the range is printed, in per cent",
            "Is the count mapped to 0…100 before it is printed?",
            _unit("full-scale"),
        )
    yield (
        "inverted-sense", "The reading is turned round: full scale minus the reading",
        "Look for “1023 -” (or the like) before the reading.", lambda p: replace(p, before=lambda raw: full - raw),
    )  # fmt: skip
    if unit in ("count", "full-scale", "scaled"):
        return
    assumed = formula.supply_volts
    for volts in REFERENCES_VOLTS:
        if abs(volts - assumed) > 0.15:
            yield (
                f"reference-assumed:{volts:g}", f"{volts:g} V assumed where the reference is {assumed:.3g} V",
                "Which voltage stands in the formula? Measure what the board compares with.",
                _assuming(volts, assumed),
            )  # fmt: skip
    yield (
        "volts-in-whole-numbers", "The division is done in whole numbers: the volts lose what is behind the point",
        "Does one of the two numbers of the division have a decimal point?",
        lambda p: replace(p, before=lambda raw: np.floor(raw * formula.volts_per_count) / formula.volts_per_count),
    )  # fmt: skip
    for slug, value in (("count-divided-away", None), ("count-divided-away:zero", 0.0)):
        yield (
            slug, "The count is divided by the whole range in whole numbers: nothing is left of it",
            "Does the division of the count have a decimal point: / 1024.0?", _nothing_left(value),
        )  # fmt: skip
    if chain.board.int_bits == 16:
        yield (
            "overflow", "The product goes beyond 32767 and wraps around",
            "How large can the product of count and millivolts become? Use a float or a long.",
            lambda p: replace(p, before=_wrapped(assumed)),
        )  # fmt: skip
    if isinstance(chain.output, LinearOutput):
        yield from _of_a_line(chain.output)


def _of_a_line(output: LinearOutput) -> Iterator[FormulaChange]:
    at_zero, slope = output.volts_at_zero, output.volts_per_unit
    if at_zero:
        yield (
            "offset-forgotten", f"The offset of the thermometer, {at_zero:g} V, is not taken off",
            "Look for the offset in the formula; then read the marking on the thermometer.", _value(lambda v: v + at_zero / slope),
        )  # fmt: skip
        yield (
            "offset-added",
            "The offset is added where it is to be taken off",
            "Look at the sign before the offset.",
            _value(lambda v: v + 2 * at_zero / slope),
        )
    else:
        yield (
            "offset-added",
            "An offset of 0.5 V is taken off that this thermometer does not have",
            "Look for the offset in the formula.",
            _value(lambda v: v - 0.5 / slope),
        )
    for slug, factor, title in (
        ("slope-tenfold", 0.1, "The slope is ten times too large"),
        ("slope-tenth", 10.0, "The slope is ten times too small"),
        ("another-slope:2", 0.5, "The slope of a thermometer of twice as many millivolts a degree is used"),
        ("another-slope:0.5", 2.0, "The slope of a thermometer of half as many millivolts a degree is used"),
    ):
        yield (
            slug,
            title,
            "Check the slope in the formula: how many millivolts a degree?",
            _times(factor),
        )


def _nothing_left(value: float | None) -> Change:
    """The formula with a count of 0, or `value` where the formula takes nothing off."""
    if value is None:
        return lambda p: replace(p, before=lambda raw: raw * 0.0)
    return _value(lambda v: v * 0.0 + value)


def _wrapped(volts: float) -> Callable[[FloatArray], FloatArray]:
    """count · millivolts in 16 bits, then divided as it should be."""
    millivolts = round(volts * MILLIS_PER_VOLT)

    def before(raw: FloatArray) -> FloatArray:
        return ((raw * millivolts + INT16 / 2) % INT16 - INT16 / 2) / millivolts

    return before


def _of_an_echo(chain: Chain) -> Iterator[FormulaChange]:
    unit = chain.formula.unit.id
    if unit == "microsecond":
        return
    yield (
        "echo-not-halved",
        "The way there and back is not halved",
        "Look for / 2 (or / 58) in the formula.",
        _value(lambda v: v * 2),
    )
    yield (
        "echo-halved-twice",
        "The way is halved twice",
        "Is the time divided by 2 and by 58 both?",
        _value(lambda v: v / 2),
    )
    if unit == "centimetre":
        yield "inches", "Printed in inches", "Look for 148 or 2.54 in the formula.", _value(lambda v: v / CM_PER_INCH)
        yield (
            "microseconds-printed",
            "The echo time is printed, in µs",
            "Is the time turned into a distance before it is printed?",
            _unit("microsecond"),
        )
        yield (
            "tenfold",
            "Printed in millimetres, or a power of ten is lost",
            "Is the speed of sound in cm per µs: 0.0343?",
            _value(lambda v: v * 10),
        )
        yield (
            "another-unit",
            "Printed in metres",
            "Is the speed of sound in m/s: then × 100 is missing.",
            _value(lambda v: v / 100),
        )


def _of_a_number(chain: Chain) -> Iterator[FormulaChange]:
    unit, output = chain.formula.unit.id, chain.output
    counts = getattr(output, "counts_a_unit", 0.0)
    if counts:
        yield (
            "word-printed",
            "The word as it is sent is printed",
            f"Is what comes divided by {counts:g}?",
            _value(lambda v: v * counts),
        )
    if isinstance(output, DataOutput) and output.conversion_ms and unit in FIRST_VALUE:
        yield (
            "read-too-soon", f"{FIRST_VALUE[unit]:g} is what the module holds before its first conversion: it is read too soon",
            "Is a conversion asked for before each reading, and waited for?",
            _value(lambda v: v * 0.0 + FIRST_VALUE[unit]),
        )  # fmt: skip
    if unit in ("celsius", "percent"):
        yield "tenfold:0.1", "A tenth of the value is printed", "Is what comes divided by 10 twice?", _times(0.1)
        yield "tenfold", "Ten times the value is printed", "Is what comes divided by 10?", _value(lambda v: v * 10)
    if unit == "hectopascal":
        yield "another-unit", "Printed in pascal", "Is the pressure divided by 100?", _value(lambda v: v * 100)
    if unit in ("degree", "g"):
        yield (
            "count-printed",
            "The raw count of the axis is printed",
            "Is the count divided by the counts a g?",
            lambda p: replace(p, formula=replace(p.formula, unit=PRINTED["count"])),
        )
        yield (
            "wrong-axis",
            "Another axis is read",
            "Which of the three numbers is the one that tilts?",
            _value(lambda v: v * 0.0),
        )
        yield (
            "inverted-sense",
            "The axis is turned round",
            "Which way does the arrow printed on the module point?",
            _value(lambda v: -v),
        )
    if unit == "degree":
        yield "another-unit", "Printed in g and not in degrees", "Is the angle worked out from the g?", _unit("g")
        yield "another-unit:radian", "Printed in radians", "Look for × 180 / π in the formula.", _value(np.radians)
