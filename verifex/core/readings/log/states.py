"""Logs that say a state in words (`Motion detected!`, `free`, `ON`) instead of a number."""

import re
from collections import Counter
from collections.abc import Iterable, Mapping
from dataclasses import dataclass

from verifex.core.exercise import Exercise, Reading, Step, printable
from verifex.core.parts.outputs.switch import SwitchOutput

_WORDS = re.compile(r"[a-z]+")
_PARTS = re.compile(r"[,;|/\t]|\s{2,}|\s-\s")
_OFF = """no not none nothing ended end stopped stop clear free off low dry idle absent empty released false gone quiet safe
normal ok away closed zero inactive unblocked silent silence still"""
_ON = """detected detect motion movement on high yes blocked obstacle found present wet pressed alarm started start visitor true
someone object active triggered warning open toppled fallen hit touched knock sound noise heard loud"""
NEARLY_ALL = 0.8  # of the times a line is printed; the others are late by a turn of the loop
StateLines = Mapping[str, int]
NO_STATE_LINES: StateLines = {}


@dataclass(frozen=True, slots=True)
class Word:
    """A state that a line prints in words: the line's number, its place in the log's steps (-1: before the first mark), the
    reading's place in the exercise, 1 something is there or 0 nothing is."""

    line: int
    place: int
    reading: int
    state: int


OFF, ON = frozenset(_OFF.split()), frozenset(_ON.split())


def state_of(line: str, told: StateLines = NO_STATE_LINES) -> int | None:
    """1 or 0 where a line says that something is there or is not; None where its words say neither.

    `told` are lines as the pair's own program prints them, by their letters, for what the usual words do not say.
    """
    words = _WORDS.findall(line.lower())
    if any(word in OFF for word in words):
        return 0
    return 1 if any(word in ON for word in words) else told.get(letters_of(line))


class States:
    """Which of an exercise's readings are states, and which of them a line tells of."""

    def __init__(self, exercise: Exercise, told: StateLines) -> None:
        self.told = told
        self.positions = [i for i, reading in enumerate(exercise.readings) if is_state(exercise, reading)]
        names = {i: _names_of(exercise, exercise.readings[i]) for i in self.positions}
        #: Words that only one of several readings is called by.
        self.own = {i: words - set().union(*(w for k, w in names.items() if k != i)) for i, words in names.items()}

    def states_in(self, line: str) -> dict[int, int]:
        """By reading the state that a line tells. Of several readings each has its own part of the line, by its name or in
        their order; a line that leaves open which it means tells of none."""
        if len(self.positions) == 1:
            state = state_of(line, self.told)
            return {} if state is None else {self.positions[0]: state}
        parts = [part for part in _PARTS.split(line) if part.strip()]
        found = {}
        for part in parts:
            meant = [i for i, words in self.own.items() if words & set(_WORDS.findall(part.lower()))]
            state = state_of(part, self.told)
            if len(meant) == 1 and state is not None:
                found[meant[0]] = state
        if found or len(parts) != len(self.positions):
            return found
        states = [state_of(part, self.told) for part in parts]
        return {i: state for i, state in zip(self.positions, states, strict=True) if state is not None}


def _names_of(exercise: Exercise, reading: Reading) -> set[str]:
    part = exercise.part_of(reading.ref)
    said = f"{reading.name} {part.title if part else ''} {reading.ref}"
    return set(_WORDS.findall(said.lower())) - {"u"}


def letters_of(line: str) -> str:
    """A line without its figures and signs: what two lines that say the same have in common."""
    return " ".join(_WORDS.findall(line.lower()))


def state_lines(lines: Iterable[tuple[float, str]], spans: Iterable[tuple[float, float, int]]) -> StateLines:
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


def state_in(exercise: Exercise, reading: Reading, step: Step) -> int | None:
    """1 where something is there for a reading's module in a step of the plan, 0 where nothing is; None where the step gives it
    no value."""
    stimulus = step.value_of(reading.ref, reading.quantity)
    if stimulus is None:
        return None
    output = exercise.sensed(reading.ref, stimulus.quantity)
    return int(output.is_active(stimulus.value) if isinstance(output, SwitchOutput) else stimulus.value > 0.5)


def is_state(exercise: Exercise, reading: Reading) -> bool:
    """Whether a reading is an on and off, which may be printed in words."""
    if reading.print:
        return False
    output = exercise.sensed(reading.ref, reading.quantity)
    return output is not None and "level" in printable(output)
