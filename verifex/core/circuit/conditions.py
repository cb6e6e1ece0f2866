"""The state a bench is solved in: what drives, what happens around it, whose values count."""

from collections.abc import Mapping
from dataclasses import dataclass, field
from typing import Literal

Values = Literal["nominal", "measured"]


@dataclass(frozen=True, slots=True)
class Conditions:
    """One state of a bench.

    `driven` gives volts for each pin that drives; `held` volts (or None for the leg's own high level) for each
    module leg that is set from outside, by (ref, leg); `stimulus` a value for (ref, quantity). `rail_volts` is the
    measured supply; `sagging` puts the board's USB resistance before it. `corner` takes every tolerance at the
    end that gives the most current (1) or the least (−1). `flipped` parts are taken with their two legs exchanged,
    `exchanged` ones with the named pair of legs exchanged: how a rule asks "would it work the other way round?".
    `sensed` gives by reference what a sensor makes of its stimulus (volts, a share, ohms) in place of its model's own
    answer; `ohms` the value of a resistor in place of its own. `pulled_up` pins have their own pull-up on,
    `pulled_down` ones their own pull-down.
    `unpowered` takes every supply out, as when a meter measures ohms.
    """

    driven: Mapping[str, float] = field(default_factory=dict)
    held: Mapping[tuple[str, str], float | None] = field(default_factory=dict)
    stimulus: Mapping[tuple[str, str], float] = field(default_factory=dict)
    values: Values = "measured"
    rail_volts: float | None = None
    sagging: bool = False
    corner: int = 0
    flipped: frozenset[str] = frozenset()
    exchanged: Mapping[str, tuple[str, str]] = field(default_factory=dict)
    pulled_up: frozenset[str] = frozenset()
    pulled_down: frozenset[str] = frozenset()
    sensed: Mapping[str, float] = field(default_factory=dict)
    ohms: Mapping[str, float] = field(default_factory=dict)
    unpowered: bool = False
