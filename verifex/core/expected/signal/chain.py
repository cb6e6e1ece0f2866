"""The chain of one reading: stimulus → what the sensor gives → volts at the pin → raw reading → printed value."""

from collections.abc import Mapping
from dataclasses import dataclass, replace
from typing import Protocol

import numpy as np

from verifex.core.expected.signal.contributors import Contributor, of_sensor
from verifex.core.expected.signal.formula import Formula
from verifex.core.expected.signal.response import Response
from verifex.core.parts import Board, Output
from verifex.core.parts.outputs import FloatArray, Settings

Chosen = Mapping[str, FloatArray]
UNROUNDED = {"unrounded": np.ones(())}


def facing(chain: "Chain", target: str) -> "Chain":
    """The chain with a target of that name before its sensor: how far it is seen depends on it."""
    share = getattr(chain.output, "targets", {}).get(target)
    if share is None or not isinstance(chain, DigitalChain):
        return chain
    return replace(chain, settings={**chain.settings, "reflectance": share})


class Chain(Protocol):
    """What every kind of reading offers. `at` is the stimulus in the output's unit, `chosen` values by contributor's key
    (else nominal); everything broadcasts.

    `raw_error` and `raw_step` are the half width of the reading's own error and its step, in raw units (`raw_unit`).
    """

    @property
    def output(self) -> Output: ...

    @property
    def formula(self) -> Formula: ...

    @property
    def contributors(self) -> tuple[Contributor, ...]: ...

    @property
    def raw_unit(self) -> str: ...

    @property
    def calibrated_by(self) -> str: ...

    @property
    def raw_error(self) -> float: ...

    @property
    def raw_step(self) -> float: ...

    def volts(self, at: FloatArray, chosen: Chosen) -> FloatArray | None:
        """Volts at the pin; None where no voltage tells."""

    def exact(self, at: FloatArray, chosen: Chosen) -> FloatArray:
        """The raw reading without steps."""

    def raw(self, at: FloatArray, chosen: Chosen, error: float = 0.0) -> FloatArray:
        """The raw reading as it comes, `error` of its own added (−1 … 1 of `raw_error`)."""

    def untrusted(self, at: FloatArray) -> FloatArray:
        """1 where the reading lies at an end where every reading looks the same."""


@dataclass(frozen=True, slots=True)
class AdcChain:
    """A voltage read by the board's converter against a reference."""

    board: Board
    output: Output
    settings: Settings
    response: Response
    reference: Contributor
    formula: Formula
    supply: Contributor | None = None  # where it moves the voltage and is not the reference
    raw_unit: str = "count"
    calibrated_by: str = ""

    @property
    def raw_error(self) -> float:
        return self.board.adc_error_lsb

    @property
    def raw_step(self) -> float:
        return 1.0

    @property
    def contributors(self) -> tuple[Contributor, ...]:
        sensor = tuple(of_sensor(p, self.calibrated_by) for p in self.output.parameters(self.settings))
        gain = self.board.adc_gain_share
        chip = (Contributor("gain", "Gain of the converter", -gain, 0.0, gain, "", "chip to chip"),) if gain else ()
        supply = (self.supply,) if self.supply else ()
        return (*sensor, self.reference, *supply, *self.response.contributors, *chip)

    def volts(self, at: FloatArray, chosen: Chosen) -> FloatArray:
        sensor = {key.removeprefix("sensor."): value for key, value in chosen.items()}
        return self.response.volts(self.output.state(at, sensor, self.settings), chosen)

    def _converted(self, at: FloatArray, chosen: Chosen) -> tuple[FloatArray, FloatArray]:
        reference = chosen.get(self.reference.key, np.asarray(self.reference.nominal))
        volts: FloatArray = self.volts(at, chosen) * (1 + chosen.get("gain", np.zeros(())))
        return volts, reference

    def exact(self, at: FloatArray, chosen: Chosen) -> FloatArray:
        return self.board.exact_count(*self._converted(at, chosen))

    def raw(self, at: FloatArray, chosen: Chosen, error: float = 0.0) -> FloatArray:
        count = self.board.count(*self._converted(at, chosen)) + np.rint(error * self.raw_error)
        clipped: FloatArray = np.clip(count, 0.0, self.board.full_count)
        return clipped

    def untrusted(self, at: FloatArray) -> FloatArray:
        return self.board.untrusted(*self._converted(at, {}))


@dataclass(frozen=True, slots=True)
class DigitalChain:
    """A level read by a digital input; `volts_of` are the volts at the pin when the sensor is idle and active."""

    board: Board
    output: Output
    settings: Settings
    formula: Formula
    volts_of: tuple[float, float]
    raw_unit: str = "level"
    raw_error: float = 0.0
    raw_step: float = 0.0
    calibrated_by: str = ""

    @property
    def contributors(self) -> tuple[Contributor, ...]:
        return tuple(of_sensor(p, self.calibrated_by) for p in self.output.parameters(self.settings))

    def volts(self, at: FloatArray, chosen: Chosen) -> FloatArray:
        sensor = {key.removeprefix("sensor."): value for key, value in chosen.items()}
        return np.where(self.output.state(at, sensor, self.settings) > 0.5, self.volts_of[1], self.volts_of[0])

    def exact(self, at: FloatArray, chosen: Chosen) -> FloatArray:
        return np.where(self.volts(at, chosen) >= self.board.input_high_volts, 1.0, 0.0)

    def raw(self, at: FloatArray, chosen: Chosen, error: float = 0.0) -> FloatArray:
        return self.exact(at, chosen)

    def untrusted(self, at: FloatArray) -> FloatArray:
        volts = self.volts(at, {})
        between = (volts > self.board.input_low_volts) & (volts < self.board.input_high_volts)
        return np.where(between, 1.0, 0.0)


@dataclass(frozen=True, slots=True)
class BusChain:
    """A number or a pulse that the module itself makes: no voltage tells."""

    output: Output
    settings: Settings
    formula: Formula
    raw_unit: str
    raw_step: float = 0.0
    raw_error: float = 0.0
    calibrated_by: str = ""

    @property
    def contributors(self) -> tuple[Contributor, ...]:
        return tuple(of_sensor(p, self.calibrated_by) for p in self.output.parameters(self.settings))

    def volts(self, at: FloatArray, chosen: Chosen) -> None:
        return None

    def _state(self, at: FloatArray, chosen: Chosen) -> FloatArray:
        sensor = {key.removeprefix("sensor."): value for key, value in chosen.items()}
        return self.output.state(at, sensor, self.settings)

    def exact(self, at: FloatArray, chosen: Chosen) -> FloatArray:
        return self._state(at, {**chosen, **UNROUNDED})

    def raw(self, at: FloatArray, chosen: Chosen, error: float = 0.0) -> FloatArray:
        state = self._state(at, chosen)
        return np.rint(state) if self.raw_unit == "µs" else state

    def untrusted(self, at: FloatArray) -> FloatArray:
        return np.where((at < self.output.low) | (at > self.output.high), 1.0, 0.0)
