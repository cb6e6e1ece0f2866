"""Printed numbers that are no reading: what libraries give back where a module did not answer, or not in time."""

from collections.abc import Mapping
from enum import StrEnum

from verifex.core.parts import Output
from verifex.core.parts.outputs import DataOutput


class NoAnswer(StrEnum):
    """Why a number that is printed is no reading."""

    NO_ECHO = "no-echo"
    LIBRARY_LIMIT = "library-limit"
    OFF_THE_WIRE = "off-the-wire"
    TOO_SOON = "too-soon"
    FAILED = "failed"


#: What each says, and where to look first.
TITLES: Mapping[NoAnswer, str] = {
    NoAnswer.NO_ECHO: "no echo came back; turn a hard, flat target square to the module, within its reach",
    NoAnswer.LIBRARY_LIMIT: "the largest distance the library waits for; the target is beyond it or turned away",
    NoAnswer.OFF_THE_WIRE: "no module answered on the wire; look at its leads, its pull-up and the pin the program names",
    NoAnswer.TOO_SOON: "what the module holds before its first conversion; it was read too soon, or lost its supply",
    NoAnswer.FAILED: "what the library gives back for a read that failed; look at the leads and the time between reads",
}
_OFF_THE_WIRE = frozenset([-127.0, -196.6])  # in °C and in °F
_TOO_SOON = frozenset([85.0, 185.0])
_FAILED = frozenset([-999.0, 999.0, -1000.0, -1.0])
_NO_ECHO = frozenset([0.0, -1.0])
LEAST_LIMIT, LIMITS_EVERY = 100.0, 50.0  # distances in cm at which libraries stop waiting: 200, 250, 400, 500


def no_answer(value: float, output: Output | None) -> NoAnswer | None:
    """Why a printed value is no reading of a module with this output; None where it may be one."""
    carries = output.carries if output is not None else ""
    if carries == "pulse":
        if value in _NO_ECHO:
            return NoAnswer.NO_ECHO
        return NoAnswer.LIBRARY_LIMIT if value >= LEAST_LIMIT and value % LIMITS_EVERY == 0 else None
    if carries == "number":
        if value in _OFF_THE_WIRE:
            return NoAnswer.OFF_THE_WIRE
        if value in _TOO_SOON and isinstance(output, DataOutput) and output.conversion_ms:
            return NoAnswer.TOO_SOON
        return NoAnswer.FAILED if value in _FAILED else None
    return None
