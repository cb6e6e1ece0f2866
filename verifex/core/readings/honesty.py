"""A second look at a log: worded as something to look at, never as an accusation. Pairs never see it."""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass

from verifex.core.findings import Finding, Severity
from verifex.core.quantity import numbers_in
from verifex.core.readings.log import Log
from verifex.core.rulebook import Found, RuleBook

LEAST_READINGS = 8
SHARED_RUN = 10  # this many equal readings in a row, with noise in them, do not happen twice


@dataclass(frozen=True, slots=True)
class OtherLog:
    """Another pair's log in the same exercise, with the name people know it by."""

    who: str
    values: tuple[float, ...]


@dataclass(frozen=True, slots=True)
class HonestyView:
    log: Log
    text: str
    grid: frozenset[str] | None
    others: Sequence[OtherLog]

    @property
    def values(self) -> list[float]:
        return [value for step in self.log.steps for value in step.values]


HONESTY: RuleBook[HonestyView] = RuleBook("A second look at a log")


def look_closer(log: Log, text: str, grid: list[str] | None, others: list[OtherLog]) -> list[Finding]:
    """Everything worth a second look. `grid` are the values the pair's program can print, as printed."""
    return HONESTY.run(HonestyView(log, text, frozenset(grid) if grid else None, others))


@HONESTY.rule(
    "same-noise",
    Severity.CHECK,
    title="The same noise as another pair",
    why="Noise differs from bench to bench; the same run of values twice is worth a question.",
    hint="",
    criterion="readings",
    source="statistics of independent noise",
)
def same_noise(view: HonestyView, found: Found) -> Iterator[Finding]:
    mine = view.values
    for other in view.others:
        length = _longest_common_run(mine, list(other.values))
        if length >= SHARED_RUN and length >= 0.5 * min(len(mine), len(other.values)):
            yield found(
                f"{length} readings in a row are the same as in the log of {other.who}.",
                "Look at this together: ask both pairs to show a step once more.",
                value=float(length),
                limit=float(SHARED_RUN),
            )


def _longest_common_run(one: list[float], other: list[float]) -> int:
    """The longest common run that is not flat (a flat run says nothing)."""
    best = 0
    row = [0] * (len(other) + 1)
    for i, value in enumerate(one):
        new = [0] * (len(other) + 1)
        for j, theirs in enumerate(other):
            if value == theirs:
                new[j + 1] = row[j] + 1
                if new[j + 1] > best and len(set(one[i - new[j + 1] + 1 : i + 1])) > 3:
                    best = new[j + 1]
        row = new
    return best


@HONESTY.rule(
    "no-noise",
    Severity.NOTE,
    title="No noise at all",
    why="A converter near a step flickers by a count; long runs without a single flicker are possible, but rare.",
    hint="",
    criterion="readings",
    source="± 1 count of any converter",
)
def no_noise(view: HonestyView, found: Found) -> Iterator[Finding]:
    steps = [step for step in view.log.steps if len(step.values) >= LEAST_READINGS]
    if len(steps) >= 2 and all(len(set(step.values)) == 1 for step in steps):
        yield found("Every step repeats one value exactly.", "Look at this: let the pair show one step live.")


@HONESTY.rule(
    "off-the-grid",
    Severity.CHECK,
    title="Values the program cannot print",
    why="The converter has 1024 steps, so this program can print certain values only; others came from elsewhere.",
    hint="",
    criterion="readings",
    source="the program's own formula and print format over all counts",
)
def off_the_grid(view: HonestyView, found: Found) -> Iterator[Finding]:
    if view.grid is None:
        return
    grid = {numbers[0] for text in view.grid if (numbers := numbers_in(text))}
    off = [value for value in view.values if value not in grid]
    if len(off) >= 3 and len(off) >= 0.1 * len(view.values):
        near = sorted(grid, key=lambda g: abs(g - off[0]))[:2]
        yield found(
            f"{len(off)} of {len(view.values)} values are none this program can print: {off[0]:g}, for one, lies between {min(near):g} and {max(near):g}.",
            "Look at this: is it the log of the program that was handed in?",
            value=float(len(off)),
        )
