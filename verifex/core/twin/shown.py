"""What an output shows in the course of a run, held against what is asked of it."""

import re
from collections.abc import Iterable
from dataclasses import dataclass
from itertools import pairwise

from verifex.core.exercise.output_states import BLINK_SHARE, BRIGHTNESS_WITHIN, PITCH_SHARE, OutputState
from verifex.core.twin.looks import DARK, Look
from verifex.core.twin.program_run import TwinTrace

LEAST_CHANGES = 4  # on and off at least twice, to be called blinking
SLOWEST_BLINK_MS = 3000.0  # between two changes
EVEN_SHARE = 0.5  # how far the longest round of a blink may be from the usual one


@dataclass(frozen=True, slots=True)
class Moment:
    """What an output shows from `ms` on: its look, how often a second it blinks (0: not), the words on the displays."""

    ms: float
    look: Look = DARK
    blinks_hz: float = 0.0
    words: str = ""

    def is_as(self, asked: OutputState) -> bool:
        match asked.kind:
            case "level":
                return self.look.on == bool(asked.number) and not self.blinks_hz
            case "colour":
                return self.look.on and self.look.colour == asked.text and not self.blinks_hz
            case "pitch":
                return self.look.on and abs(self.look.hertz - asked.number) <= PITCH_SHARE * asked.number
            case "brightness":
                return abs(self.brightness - asked.number) <= BRIGHTNESS_WITHIN
            case "blink":
                near = abs(self.blinks_hz - asked.number) <= BLINK_SHARE * asked.number
                return bool(self.blinks_hz) and (not asked.number or near)
        # As words of their own: the end of an older word right behind them makes another word of them.
        return bool(re.search(rf"(?<!\w){re.escape(asked.text)}(?!\w)", self.words, re.IGNORECASE))

    @property
    def brightness(self) -> float:
        return self.look.share if self.look.on else 0.0

    def in_words(self, asked: OutputState) -> str:
        """It in words, described as what is asked."""
        if self.is_as(asked):
            return str(asked)
        if asked.kind == "text":
            return f"“{self.words}”" if self.words else "nothing"
        if self.blinks_hz:
            return f"blinking at {self.blinks_hz:.1f} Hz"
        if asked.is_level:
            return "on" if self.look.on else "off"
        return str(self.look)


@dataclass(frozen=True, slots=True)
class Course:
    """All moments of one output of a run, in order; the first is at the beginning."""

    moments: tuple[Moment, ...]

    def at(self, ms: float) -> Moment:
        return next((m for m in reversed(self.moments) if m.ms <= ms), self.moments[0])

    def over(self, start_ms: float, end_ms: float) -> list[Moment]:
        """The moment at the start and those that follow before the end."""
        return [self.at(start_ms), *(m for m in self.moments if start_ms < m.ms < end_ms)]

    def in_words_over(self, start_ms: float, end_ms: float, asked: OutputState) -> str:
        """What is shown all the time, in words; `changes` where it is not one thing, or only now and then what is asked."""
        said = list(dict.fromkeys(m.in_words(asked) for m in self.over(start_ms, end_ms)))
        if len(said) == 1:
            return said[0]
        return said[-1] if asked.kind == "text" and str(asked) not in said else "changes"

    def turns_to(self, asked: OutputState, start_ms: float, end_ms: float) -> list[float]:
        """When it comes to show what is asked."""
        pairs = pairwise(self.over(start_ms, end_ms))
        return [b.ms for a, b in pairs if b.ms < end_ms and b.is_as(asked) and not a.is_as(asked)]

    def turns_from(self, asked: OutputState, start_ms: float, end_ms: float) -> list[float]:
        """When it ceases to show what is asked."""
        pairs = pairwise(self.over(start_ms, end_ms))
        return [b.ms for a, b in pairs if b.ms < end_ms and a.is_as(asked) and not b.is_as(asked)]


def course_of(trace: TwinTrace, ref: str, asked: Iterable[OutputState]) -> Course:
    """The course of the bench's part `ref`, looked at for the kinds of state that are asked of it."""
    kinds = {state.kind for state in asked}
    if "text" in kinds:
        times = [0.0, *(ms for ms, *_ in trace.run.displays)]
        return Course(tuple(Moment(ms, words=trace.shown_at(ms)) for ms in times))
    found = [Moment(0.0), *(Moment(ms, look) for ms, who, look in trace.looks if who == ref)]
    return Course(tuple(_with_blinking(found) if "blink" in kinds else found))


def _with_blinking(moments: list[Moment]) -> list[Moment]:
    """The moments, with stretches in which it goes on and off evenly as one moment that blinks."""
    found: list[Moment] = []
    at = 0
    while at < len(moments):
        end = at
        while end + 1 < len(moments) and moments[end + 1].ms - moments[end].ms <= SLOWEST_BLINK_MS:
            end += 1
            if not _is_even([m.ms for m in moments[at + 1 : end + 1]]):
                end -= 1
                break
        run = moments[at : end + 1]
        if len(run) > LEAST_CHANGES:
            usual = (run[-1].ms - run[1].ms) / (len(run) - 2)
            found += [run[0], Moment(run[1].ms, run[1].look, 500.0 / usual)]
            found.append(Moment(run[-1].ms + usual, run[-1].look))
        else:
            found += run
        at = end + 1
    return found


def _is_even(times: list[float]) -> bool:
    rounds = [b - a for a, b in zip(times, times[2:], strict=False)]
    return not rounds or max(rounds) <= (1 + EVEN_SHARE) * sum(rounds) / len(rounds)
