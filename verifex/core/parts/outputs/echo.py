"""The ultrasonic range modules: a pulse as long as the sound was under way."""

from collections.abc import Mapping
from math import radians, tan
from typing import Literal

import numpy as np

from verifex.core.parts.outputs.base import (
    ZERO,
    Carries,
    FloatArray,
    Parameter,
    Sensing,
    Settings,
    share_of_limits,
)

METRES_PER_SECOND_AT_0, PER_DEGREE = 331.3, 0.606
ROOM_CELSIUS = 20.0
THERMOMETER = 0.5  # °C, a room thermometer


def us_per_cm(air_celsius: FloatArray) -> FloatArray:
    """Microseconds of round trip a centimetre: 2/c with c = 331.3 + 0.606·T m/s (ideal gas, first order); 58.2 at 20 °C."""
    return 2e4 / (METRES_PER_SECOND_AT_0 + PER_DEGREE * air_celsius)


class EchoOutput(Sensing):
    """Round trip in microseconds: 2·d/c. Nearer than `low` or farther than `high` centimetres there is no echo.

    The error is the greater of `within_cm` and `within_share` of the distance. Without an echo the pulse lasts
    `no_echo_us`. The module sees a cone of `cone_degrees` to either side; `between_ms` must pass between two shots.
    """

    kind: Literal["echo"]
    within_cm: float = 0.3
    within_share: float = 0.01
    no_echo_us: float = 38000.0
    cone_degrees: float = 15.0
    between_ms: float = 60.0

    @property
    def carries(self) -> Carries:
        return "pulse"

    def parameters(self, settings: Settings) -> tuple[Parameter, ...]:
        air = settings.get("air", ROOM_CELSIUS)
        if "air" in settings:
            temperature = Parameter(
                "air", "Air temperature", air - THERMOMETER, air, air + THERMOMETER, "°C", "as measured"
            )
        else:
            temperature = Parameter(
                "air", "Air temperature", 15.0, air, 28.0, "°C", "a class room", THERMOMETER, "read a room thermometer"
            )
        return (share_of_limits("Module"), temperature)

    def state(self, at: FloatArray, chosen: Mapping[str, FloatArray], settings: Settings) -> FloatArray:
        air = chosen.get("air", np.asarray(settings.get("air", ROOM_CELSIUS)))
        off = chosen.get("error", ZERO) * np.maximum(self.within_cm, self.within_share * at)
        pulse = (at + off) * us_per_cm(air)
        return np.where((at < self.low) | (at > self.high), self.no_echo_us, pulse)

    def least_height_cm(self, distance_cm: float) -> float:
        """How high above the bench it must look so that the bench is outside its cone: d·tan(cone)."""
        return distance_cm * tan(radians(self.cone_degrees))
