"""Allowed windows of resistors by their job, in closed form. All values in ohms, volts, amps and seconds.

Every window has a lower end (something would carry too much) and an upper end (something would get too little);
each end says in words what it is there for.
"""

from dataclasses import dataclass
from math import log, sqrt

VISIBLE_AMPS = 0.001
BASE_VOLTS = (0.6, 0.8)  # base to emitter, least and most
PULL_UP_AMPS = 0.004  # what an open output of a module sinks with ease
BUTTON_OHMS = (1e3, 100e3)
RISE_SHARE = 0.6
CONVERTER_OHMS = 10e3
SLOT_SECONDS = 15e-6  # when a one-wire data line is looked at after it was let go
FARADS_PER_METRE = 100e-12
PIN_FARADS = 30e-12  # the pin, the module and the base


@dataclass(frozen=True, slots=True)
class Window:
    """`low_ohms` to `high_ohms`, why each end is where it is, and the formula behind it."""

    low_ohms: float
    high_ohms: float
    low_because: str
    high_because: str
    formula: str

    def holds(self, ohms: float, slack: float = 0.0) -> bool:
        return self.low_ohms * (1 - slack) <= ohms <= self.high_ohms * (1 + slack)

    @property
    def is_empty(self) -> bool:
        return self.low_ohms > self.high_ohms


def led_window(
    supply_volts: tuple[float, float],
    forward_volts: tuple[float, float],
    most_amps: float,
    in_the_way_ohms: float = 0.0,
    visible_amps: float = VISIBLE_AMPS,
) -> Window:
    """Series resistor of a light: `supply_volts` and `forward_volts` as (least, most).

    Lower end: (V_most − Vf_least)/I_most − R; upper end: (V_least − Vf_most)/I_visible − R, with R what lies in
    the way anyhow (the pin's own resistance). Raises ValueError when the supply never exceeds the light's volts.
    """
    low = (supply_volts[1] - forward_volts[0]) / most_amps - in_the_way_ohms
    high = (supply_volts[0] - forward_volts[1]) / visible_amps - in_the_way_ohms
    if high <= 0:
        raise ValueError(f"{supply_volts[0]:g} V does not exceed the light's {forward_volts[1]:g} V")
    return Window(
        max(0.0, low),
        high,
        f"under it more than {most_amps * 1e3:g} mA flow at the highest supply",
        f"over it less than {visible_amps * 1e3:g} mA flow at the lowest supply",
        "R = (V − Vf)/I − R_pin",
    )


def base_window(drive_volts: tuple[float, float], load_amps: float, ratio: float, pin_amps: float) -> Window:
    """Base resistor of a transistor that switches `load_amps`: I_B ≥ I_C/ratio, and no more than the pin may give."""
    high = (drive_volts[0] - BASE_VOLTS[1]) * ratio / max(load_amps, 1e-6)
    low = (drive_volts[1] - BASE_VOLTS[0]) / pin_amps
    return Window(
        low,
        high,
        f"under it the pin gives more than {pin_amps * 1e3:g} mA",
        f"over it the base gets less than a {ratio:g}th of the load's current",
        "R = (V − 0.7 V)·ratio/I_load",
    )


def line_farads(lead_metres: float) -> float:
    """Capacitance of a data line: about 100 pF a metre of lead besides the pin."""
    return PIN_FARADS + FARADS_PER_METRE * lead_metres


def pull_up_window(supply_volts: float, farads: float, seconds: float) -> Window:
    """Pull-up of a line that is only pulled down: sink current against rise time to 0.6 of the supply."""
    return Window(
        supply_volts / PULL_UP_AMPS,
        seconds / (farads * log(1 / (1 - RISE_SHARE))),
        f"under it a module sinks more than {PULL_UP_AMPS * 1e3:g} mA",
        f"over it the line takes more than {seconds * 1e6:.0f} µs to come up",
        "t = R·C·ln(1/(1 − 0.6))",
    )


def rise_seconds(ohms: float, farads: float) -> float:
    """Time a line takes to 0.6 of its supply: R·C·ln(1/(1 − 0.6))."""
    return ohms * farads * log(1 / (1 - RISE_SHARE))


def button_window() -> Window:
    """Pull-up or pull-down of a button or switch."""
    low, high = BUTTON_OHMS
    return Window(low, high, "under it each press wastes more than 5 mA", "over it the input picks up noise", "I = V/R")


def best_partner_ohms(dark_ohms: float, bright_ohms: float) -> float:
    """The fixed resistor that tells dark from bright best: √(R_dark·R_bright)."""
    return sqrt(dark_ohms * bright_ohms)


def cell_window(dark_ohms: float, bright_ohms: float, share: float = 0.6) -> Window:
    """Partner of a light cell: where the span between dark and bright keeps `share` of the best one.

    The span is R_d/(R_d + R) − R_b/(R_b + R). Its best is at √(R_d·R_b); the ends are found by bisection.
    """

    def span(ohms: float) -> float:
        return dark_ohms / (dark_ohms + ohms) - bright_ohms / (bright_ohms + ohms)

    best = best_partner_ohms(dark_ohms, bright_ohms)
    wanted = share * span(best)

    def edge(inside: float, outside: float) -> float:
        for _ in range(60):
            middle = sqrt(inside * outside)
            inside, outside = (middle, outside) if span(middle) >= wanted else (inside, middle)
        return inside

    return Window(
        edge(best, best / 1e6),
        edge(best, best * 1e6),
        "under it dark and bright differ by too few counts",
        "over it dark and bright differ by too few counts",
        "R = √(R_dark·R_bright)",
    )


def lower_window(source_volts: float, upper_ohms: float, high_volts: float, most_volts: float) -> Window:
    """Lower resistor of a level divider: the high level between what is read as high and what the pin stands."""
    return Window(
        upper_ohms * high_volts / (source_volts - high_volts),
        upper_ohms * most_volts / (source_volts - most_volts),
        f"under it the pin gets less than the {high_volts:.2f} V it reads as high",
        f"over it the pin gets more than the {most_volts:.2f} V it stands",
        "V = V_source·R_lower/(R_upper + R_lower)",
    )


def upper_window(source_volts: float, lower_ohms: float, high_volts: float, most_volts: float) -> Window:
    """Upper resistor of a level divider, likewise."""
    return Window(
        lower_ohms * (source_volts - most_volts) / most_volts,
        lower_ohms * (source_volts - high_volts) / high_volts,
        f"under it the pin gets more than the {most_volts:.2f} V it stands",
        f"over it the pin gets less than the {high_volts:.2f} V it reads as high",
        "V = V_source·R_lower/(R_upper + R_lower)",
    )
