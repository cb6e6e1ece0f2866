"""From the count (or the pulse, or the number) to what is printed, by the exercise's conventions."""

from dataclasses import dataclass

import numpy as np

from verifex.core.exercise import Exercise, Reading, printable
from verifex.core.exercise.units import PRINTED, Printed
from verifex.core.parts import LinearOutput, Output, PowerLawOutput
from verifex.core.parts.outputs import FloatArray, Settings
from verifex.core.parts.outputs.echo import us_per_cm

CM_PER_INCH = 2.54  # exact
SCALED_MIDDLE = 127.0  # programs that put −1 g … 1 g on 0 … 255


@dataclass(frozen=True, slots=True)
class Formula:
    """What a program makes of a raw reading.

    `volts_per_count` is the assumed reference over the divisor, `supply_volts` what a share is taken of.
    """

    unit: Printed
    output: Output
    volts_per_count: float
    supply_volts: float
    full_count: float
    divisor: float
    echo_celsius: float
    settings: Settings
    decimals: int

    def value(self, raw: FloatArray) -> FloatArray:
        """The printed value of a raw reading: counts for voltages, microseconds for pulses. Broadcasts."""
        raw = np.asarray(raw, dtype=float)
        match self.unit.id:
            case "celsius" if isinstance(self.output, LinearOutput):
                return self._linear(raw)
            case "fahrenheit":
                celsius = self._linear(raw) if isinstance(self.output, LinearOutput) else raw
                return celsius * 1.8 + 32.0
            case "volt":
                return raw * self.volts_per_count
            case "full-scale":
                return 100.0 * raw / self.divisor
            case "ratio" | "ppm" if isinstance(self.output, PowerLawOutput):
                share = raw * self.volts_per_count / self.supply_volts
                ratio = self.output.ratio_of_share(np.clip(share, 1e-4, 1 - 1e-4), self.settings)
                return ratio if self.unit.id == "ratio" else self.output.ppm(ratio)
            case "centimetre":
                return raw / us_per_cm(np.asarray(self.echo_celsius))
            case "inch":
                return raw / us_per_cm(np.asarray(self.echo_celsius)) / CM_PER_INCH
            case "g":
                return raw / self._counts_per_g
            case "degree":
                return np.degrees(np.arcsin(np.clip(raw / self._counts_per_g, -1.0, 1.0)))
            case "scaled":
                return np.clip(np.rint(SCALED_MIDDLE + SCALED_MIDDLE * raw / self._counts_per_g), 0, 255)
            case _:
                return raw

    def of_stimulus(self, value: float) -> float | None:
        """A stimulus in the printed unit, where the two differ by a unit only; None where the chain lies between."""
        match (self.output.quantity, self.unit.id):
            case ("celsius", "celsius") | ("percent", "percent") | ("hpa", "hectopascal") | ("cm", "centimetre"):
                return value if self.output.carries != "share" else None
            case ("celsius", "fahrenheit"):
                return value * 1.8 + 32.0
            case ("cm", "inch"):
                return value / CM_PER_INCH
            case ("gx" | "gy" | "gz", "g"):
                return value
            case ("gx" | "gy", "degree"):
                return float(np.degrees(np.arcsin(max(-1.0, min(1.0, value)))))
        return None

    def text(self, value: float) -> str:
        """What is printed, with its unit's sign."""
        return f"{value:.{self.decimals}f} {self.unit.symbol}".strip()

    def _linear(self, raw: FloatArray) -> FloatArray:
        assert isinstance(self.output, LinearOutput)
        return (raw * self.volts_per_count - self.output.volts_at_zero) / self.output.volts_per_unit

    @property
    def _counts_per_g(self) -> float:
        return float(getattr(self.output, "counts_per_g", 16384.0))


def formula_of(
    exercise: Exercise, reading: Reading, output: Output, assumed_volts: float, full_count: int, settings: Settings
) -> Formula:
    """The formula by which a reading of the exercise is printed. `assumed_volts` is the reference it puts in."""
    unit = PRINTED[reading.print or printable(output)[0]]
    divisor = full_count + (1 if exercise.conventions.divisor == 1024 else 0) if full_count else 1
    return Formula(
        unit=unit,
        output=output,
        volts_per_count=assumed_volts / divisor,
        supply_volts=assumed_volts,
        full_count=full_count,
        divisor=divisor,
        echo_celsius=exercise.conventions.echo_celsius,
        settings=settings,
        decimals=unit.decimals if reading.decimals is None else reading.decimals,
    )
