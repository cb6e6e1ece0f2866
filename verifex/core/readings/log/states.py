"""Logs that say a state in words (`Motion detected!`, `free`, `ON`) instead of a number."""

import re

from verifex.core.exercise import Exercise, Reading, printable

_WORDS = re.compile(r"[a-z]+")
_OFF = """no not none nothing ended end stopped stop clear free off low dry idle absent empty released false gone quiet safe
normal ok away closed zero inactive unblocked"""
_ON = """detected detect motion movement on high yes blocked obstacle found present wet pressed alarm started start visitor true
someone object active triggered warning open toppled fallen hit touched knock"""
OFF, ON = frozenset(_OFF.split()), frozenset(_ON.split())


def state_of(line: str) -> int | None:
    """1 or 0 where a line says that something is there or is not; None where its words say neither."""
    words = _WORDS.findall(line.lower())
    if any(word in OFF for word in words):
        return 0
    return 1 if any(word in ON for word in words) else None


def is_state(exercise: Exercise, reading: Reading) -> bool:
    """Whether a reading is an on and off, which may be told in words."""
    if reading.print:
        return False
    output = exercise.sensed(reading.ref, reading.quantity)
    return output is not None and "level" in printable(output)
