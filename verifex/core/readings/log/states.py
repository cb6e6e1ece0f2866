"""Logs that say a state in words (`Motion detected!`, `free`, `ON`) instead of a number."""

import re
from collections import Counter
from collections.abc import Iterable, Mapping

from verifex.core.exercise import Exercise, Reading, printable

_WORDS = re.compile(r"[a-z]+")
_OFF = """no not none nothing ended end stopped stop clear free off low dry idle absent empty released false gone quiet safe
normal ok away closed zero inactive unblocked silent silence still"""
_ON = """detected detect motion movement on high yes blocked obstacle found present wet pressed alarm started start visitor true
someone object active triggered warning open toppled fallen hit touched knock sound noise heard loud"""
NEARLY_ALL = 0.8  # of the times a line is printed; the others are late by a turn of the loop
Told = Mapping[str, int]
NOTHING_TOLD: Told = {}
OFF, ON = frozenset(_OFF.split()), frozenset(_ON.split())


def state_of(line: str, told: Told = NOTHING_TOLD) -> int | None:
    """1 or 0 where a line says that something is there or is not; None where its words say neither.

    `told` are lines as the pair's own program prints them, by their letters, for what the usual words do not say.
    """
    words = _WORDS.findall(line.lower())
    if any(word in OFF for word in words):
        return 0
    return 1 if any(word in ON for word in words) else told.get(letters_of(line))


def letters_of(line: str) -> str:
    """A line without its figures and signs: what two lines that say the same have in common."""
    return " ".join(_WORDS.findall(line.lower()))


def told_by(lines: Iterable[tuple[float, str]], spans: Iterable[tuple[float, float, int]]) -> Told:
    """By its letters the state in which a program prints a line: those that it prints in one state only, or nearly so.

    `lines` are (ms, text) of a run; `spans` say in which state it was from when to when (ms, ms, 1 or 0).
    """
    counts: dict[str, Counter[int]] = {}
    spans = list(spans)
    for ms, text in lines:
        state = next((state for start, end, state in spans if start <= ms < end), None)
        if state is not None and (letters := letters_of(text)):
            counts.setdefault(letters, Counter())[state] += 1
    found = {}
    for letters, seen in counts.items():
        (state, most), *_ = seen.most_common(1)
        if most >= NEARLY_ALL * seen.total():
            found[letters] = state
    # Words that come in both states say nothing; one state's words alone could be anything.
    return found if len(set(found.values())) == 2 or len(found) == 1 else {}


def is_state(exercise: Exercise, reading: Reading) -> bool:
    """Whether a reading is an on and off, which may be told in words."""
    if reading.print:
        return False
    output = exercise.sensed(reading.ref, reading.quantity)
    return output is not None and "level" in printable(output)
