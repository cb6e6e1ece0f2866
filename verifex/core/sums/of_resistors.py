"""Sums about resistors, as data: a light in series, dividers, windows, parallel and series."""

from collections.abc import Mapping

from verifex.core.quantity import in_words
from verifex.core.resistors.formulas import divider, led_series, parallel_ohms, series_ohms
from verifex.core.resistors.series import neighbours
from verifex.core.resistors.windows import (
    CONVERTER_OHMS,
    Window,
    base_window,
    led_window,
    line_farads,
    lower_window,
    pull_up_window,
    rise_seconds,
)
from verifex.core.sums.sum import Answer, Field, Row, Sum

RAIL_SPREAD = 0.05  # a supply is within ± 5 %


def _window_rows(window: Window) -> list[Row]:
    return [
        Row("low", f"least: {window.low_because}", window.low_ohms, "Ω"),
        Row("high", f"most: {window.high_because}", window.high_ohms, "Ω"),
    ]


def _led(given: Mapping[str, float]) -> Answer:
    result = led_series(given["supply"], given["vf"], given["ma"])
    supply = (given["supply"] * (1 - RAIL_SPREAD), given["supply"] * (1 + RAIL_SPREAD))
    window = led_window(supply, (given["vf"] - 0.2, given["vf"] + 0.2), 0.020)
    rows = [
        Row("preferred", "next preferred value up", result.preferred_ohms, "Ω"),
        Row("exact", "exactly", result.exact_ohms, "Ω"),
        Row("amps", "current it then gives", result.amps, "A"),
        Row("watts", "heat in the resistor", result.watts, "W"),
        *_window_rows(window),
    ]
    return Answer(rows, ["The window takes the supply ± 5 % and the light's forward voltage ± 0.2 V."])


def _divider(given: Mapping[str, float]) -> Answer:
    result = divider(given["supply"], given["upper"], given["lower"], given.get("load"))
    rows = [
        Row("loaded_volts", "output" + (" with its load" if "load" in given else ""), result.loaded_volts, "V"),
        Row("volts", "output without a load", result.volts, "V"),
        Row("source_ohms", "source resistance", result.source_ohms, "Ω"),
        Row("amps", "standing current", result.amps, "A"),
    ]
    weak = result.source_ohms > CONVERTER_OHMS
    return Answer(rows, [f"A converter wants {in_words(CONVERTER_OHMS, 'Ω')} or less."] if weak else [])


def _base(given: Mapping[str, float]) -> Answer:
    window = base_window((given["drive"], given["drive"]), given["load"], given["ratio"], 0.020)
    if window.is_empty:
        raise ValueError("no resistor does: the pin cannot give the base current this load wants")
    best = neighbours(window.high_ohms)[0]
    base_amps = (given["drive"] - 0.7) / best
    rows = [
        Row("preferred", "next preferred value down", best, "Ω"),
        Row("base_amps", "base current it then gives", base_amps, "A"),
        Row("ratio", "collector to base current", given["load"] / base_amps, ""),
        *_window_rows(window),
    ]
    return Answer(rows, ["A ratio of 10 to 20 saturates well; above 50 the small transistor does not."])


def _pull_up(given: Mapping[str, float]) -> Answer:
    farads = line_farads(given["lead"])
    window = pull_up_window(given["supply"], farads, given["slot"])
    rows = [
        Row("preferred", "next preferred value down", neighbours(window.high_ohms)[0], "Ω"),
        Row("rise", "time to 0.6 of the supply with 4.7 kΩ", rise_seconds(4700.0, farads), "s"),
        *_window_rows(window),
    ]
    return Answer(rows, ["About 100 pF a metre of lead and 30 pF for the pin and the board."])


def _level(given: Mapping[str, float]) -> Answer:
    if given["most"] >= given["source"]:
        raise ValueError(f"{given['source']:g} V need no divider for a pin that stands {given['most']:g} V")
    window = lower_window(given["source"], given["upper"], given["high"], given["most"])
    middle = (window.low_ohms * window.high_ohms) ** 0.5
    best = neighbours(middle)[1]
    volts = given["source"] * best / (given["upper"] + best)
    rows = [
        Row("lower", "lower resistor, preferred", best, "Ω"),
        Row("volts", "level it then gives", volts, "V"),
        *_window_rows(window),
    ]
    return Answer(rows)


def _parallel(given: Mapping[str, float]) -> Answer:
    values = [given[name] for name in ("one", "two", "three") if name in given]
    ohms = parallel_ohms(values)
    return Answer(
        [
            Row("ohms", "together, side by side", ohms, "Ω"),
            Row("nearest", "nearest preferred value", neighbours(ohms)[1], "Ω"),
        ]
    )


def _series(given: Mapping[str, float]) -> Answer:
    values = [given[name] for name in ("one", "two", "three") if name in given]
    ohms = series_ohms(values)
    return Answer(
        [
            Row("ohms", "together, one after the other", ohms, "Ω"),
            Row("nearest", "nearest preferred value", neighbours(ohms)[1], "Ω"),
        ]
    )


_THREE = (
    Field("one", "first", "ohm", "10k"),
    Field("two", "second", "ohm", "4k7"),
    Field("three", "third", "ohm", "", optional=True),
)

OF_RESISTORS: dict[str, Sum] = {
    sum_.name: sum_
    for sum_ in (
        Sum("led", "Light in series", "R = (V − Vf) / I", (
            Field("supply", "supply", "volt", "5"), Field("vf", "forward voltage", "volt", "2.0"), Field("ma", "current", "amp", "10mA"),
        ), _led),
        Sum("divider", "Divider", "V = V_supply · lower / (upper + lower)", (
            Field("supply", "supply", "volt", "5"), Field("upper", "upper", "ohm", "10k"), Field("lower", "lower", "ohm", "10k"),
            Field("load", "load", "ohm", "", optional=True),
        ), _divider),
        Sum("base", "Base resistor", "R = (V_pin − 0.7 V) · ratio / I_load", (
            Field("drive", "pin, high", "volt", "5"), Field("load", "load current", "amp", "72mA"), Field("ratio", "collector to base", "none", "20"),
        ), _base),
        Sum("pull-up", "Pull-up of a data wire", "t = R · C · ln(1 / (1 − 0.6))", (
            Field("supply", "supply", "volt", "5"), Field("lead", "length of lead", "metre", "2"), Field("slot", "time until it is looked at", "second", "15u"),
        ), _pull_up),
        Sum("level", "Level for a 3.3 V pin", "V = V_source · lower / (upper + lower)", (
            Field("source", "level of the source", "volt", "5"), Field("upper", "upper", "ohm", "10k"),
            Field("high", "read as high from", "volt", "2.48"), Field("most", "stands at most", "volt", "3.6"),
        ), _level),
        Sum("parallel", "Side by side", "1 / R = 1 / R₁ + 1 / R₂ + …", _THREE, _parallel),
        Sum("series", "One after the other", "R = R₁ + R₂ + …", _THREE, _series),
    )
}  # fmt: skip
