"""A second look at a log: worded as something to look at, never as an accusation. Pairs never see it."""

from collections import Counter
from collections.abc import Iterator, Sequence
from dataclasses import dataclass

from verifex.core.findings import Finding, Severity
from verifex.core.quantity import numbers_in
from verifex.core.readings.log import Log
from verifex.core.rulebook import FindingFactory, RuleBook

LEAST_READINGS = 8
SHARED_RUN = 10  # this many equal readings in a row, with noise in them, do not happen twice
PACE_LEEWAY = (0.7, 1.5)  # a console's clock and a slow port may shift the times
LEAST_DIFFERENT = 3  # a run of no more different values than this is flat and says nothing
MOST_RUNS = 4000  # kept of one log for comparing others with
MOST_COMPARED = 20_000  # runs of a log that are looked up in the others
_HASH_BITS = 0xFFFF_FFFF_FFFF


@dataclass(frozen=True, slots=True)
class OtherLog:
    """Another pair's log in the same exercise: an opaque reference, the hashes of its runs, how many readings it has."""

    ref: str
    runs: frozenset[int]
    read: int

    @classmethod
    def of(cls, ref: str, values: Sequence[float]) -> "OtherLog":
        return cls(ref, frozenset(run_hashes(values)), len(values))


def run_hashes(values: Sequence[float]) -> list[int]:
    """Hashes of every run of `SHARED_RUN` readings that is not flat, of the log's first `MOST_RUNS` runs."""
    found = (_run_hash(values, start) for start in range(min(len(values) - SHARED_RUN + 1, MOST_RUNS)))
    return [number for number in found if number is not None]


def _run_hash(values: Sequence[float], start: int) -> int | None:
    run = tuple(values[start : start + SHARED_RUN])
    return hash(run) & _HASH_BITS if len(set(run)) > LEAST_DIFFERENT else None


def shared_runs(values: Sequence[float], others: Sequence[OtherLog]) -> list[tuple[str, int]]:
    """(reference, readings) of each other log with which a long run is shared: at least `SHARED_RUN` readings and half
    of the shorter log. Takes time in proportion to the readings and to the number of logs.
    """
    if not others:
        return []
    mine = [_run_hash(values, start) for start in range(min(len(values) - SHARED_RUN + 1, MOST_COMPARED))]
    found = []
    for other in others:
        longest = here = 0
        for number in mine:
            here = here + 1 if number in other.runs else 0
            longest = max(longest, here)
        length = longest + SHARED_RUN - 1 if longest else 0
        if length and length >= 0.5 * min(len(values), other.read):
            found.append((other.ref, length))
    return found


@dataclass(frozen=True, slots=True)
class Pace:
    """How often readings came by the times in the log, and how often the program handed in prints, in ms; None where unknown."""

    log_ms: float | None = None
    program_ms: float | None = None


NO_PACE = Pace()


@dataclass(frozen=True, slots=True)
class HonestyView:
    log: Log
    grid: frozenset[str] | None
    others: Sequence[OtherLog]
    pace: "Pace"
    possible: Sequence[float]  # every value the exercise's formula gives of a count; empty where no converter reads
    expected: Sequence[tuple[Sequence[float], float]]  # of each step what was printed, and what the sheet expects
    is_noisy: bool  # a converter away from its ends: levels, ids and modules that round whole stand still of themselves

    @property
    def values(self) -> list[float]:
        """Of the first reading, in the steps and outside them."""
        return [*self.log.unmarked, *(value for step in self.log.steps for value in step.values)]


HONESTY: RuleBook[HonestyView] = RuleBook("A second look at a log")


def look_closer(
    log: Log,
    grid: list[str] | None,
    others: Sequence[OtherLog],
    *,
    pace: Pace = NO_PACE,
    possible: Sequence[float] = (),
    expected: Sequence[tuple[Sequence[float], float]] = (),
    is_noisy: bool = True,
) -> list[Finding]:
    """Everything worth a second look. `grid` are the values the pair's program can print, as printed, `possible` what the
    exercise's formula gives of every count, `expected` what each step printed beside what the sheet expects."""
    return HONESTY.run(HonestyView(log, frozenset(grid) if grid else None, others, pace, possible, expected, is_noisy))


@HONESTY.rule(
    "same-noise",
    Severity.CHECK,
    title="The same noise as another pair",
    why="Noise differs from bench to bench; the same run of values twice is worth a question.",
    hint="",
    criterion="readings",
    source="statistics of independent noise",
)
def same_noise(view: HonestyView, finding: FindingFactory) -> Iterator[Finding]:
    for ref, length in shared_runs(view.values, view.others):
        yield finding(
            f"{length} readings in a row are the same as in another pair's log.",
            "Look at this together: ask both pairs to show a step once more.",
            parts=[ref],
            value=float(length),
            limit=float(SHARED_RUN),
        )


@HONESTY.rule(
    "no-noise",
    Severity.NOTE,
    title="No noise at all",
    why="A converter near a step flickers by a count; long runs without a single flicker are possible, but rare.",
    hint="",
    criterion="readings",
    source="± 1 count of any converter",
)
def no_noise(view: HonestyView, finding: FindingFactory) -> Iterator[Finding]:
    steps = [step for step in view.log.steps if len(step.values) >= LEAST_READINGS]
    stuck = (
        len({value for step in steps for value in step.values}) == 1
    )  # at an end of the converter: a fault, no invention
    if view.is_noisy and len(steps) >= 2 and not stuck and all(len(set(step.values)) == 1 for step in steps):
        yield finding("Every step repeats one value exactly.", "Look at this: let the pair show one step live.")


@HONESTY.rule(
    "expected-to-the-digit",
    Severity.CHECK,
    title="Just what is expected, to the digit",
    why="A real bench lies somewhere in the limits and moves by a count; the middle of the sheet, again and again, is rare.",
    hint="",
    criterion="readings",
    source="± 1 count of any converter, and the spread of parts",
)
def expected_to_the_digit(view: HonestyView, finding: FindingFactory) -> Iterator[Finding]:
    read = [(values, expected) for values, expected in view.expected if len(values) >= LEAST_REPEATED]
    if not view.is_noisy or len(read) < 2 or len(read) < len(view.expected) - 1:
        return
    if all(_is_printed(value, expected) for values, expected in read for value in values):
        yield finding(
            f"All {sum(len(values) for values, _ in read)} readings are what the sheet expects, to the last digit.",
            "Look at this: let the pair show a step live.",
        )


LEAST_REPEATED = 3


def _is_printed(value: float, expected: float) -> bool:
    """Whether a value is the expected one as it is written with the decimals of that value."""
    return abs(value - round(expected, _decimals(value))) < 1e-9


@HONESTY.rule(
    "off-the-grid",
    Severity.CHECK,
    title="Values the program cannot print",
    why="The converter has 1024 steps, so this program can print certain values only; others came from elsewhere.",
    hint="",
    criterion="readings",
    source="the program's own formula and print format over all counts",
)
def off_the_grid(view: HonestyView, finding: FindingFactory) -> Iterator[Finding]:
    if view.grid is None:
        return
    grid = {numbers[0] for text in view.grid if (numbers := numbers_in(text))}
    off = [value for value in view.values if value not in grid]
    if len(off) >= 3 and len(off) >= 0.1 * len(view.values):
        near = sorted(grid, key=lambda g: abs(g - off[0]))[:2]
        yield finding(
            f"{len(off)} of {len(view.values)} values are none this program can print: {off[0]:g}, for one, lies between {min(near):g} and {max(near):g}.",
            "Look at this: is it the log of the program that was handed in?",
            value=float(len(off)),
        )


@HONESTY.rule(
    "round-numbers",
    Severity.CHECK,
    title="Mostly round numbers",
    why="The last digit that a converter's value is printed with is any of the ten; people who write values down prefer 0 and 5.",
    hint="",
    criterion="readings",
    source="the last digits of every value the formula can give in the log's range",
)
def round_numbers(view: HonestyView, finding: FindingFactory) -> Iterator[Finding]:
    times = Counter(view.values)  # a long log has few different values
    decimals = max((_decimals(value) for value in times), default=0)
    if len(view.values) < LEAST_FOR_DIGITS or len(times) < LEAST_DIFFERENT_VALUES or not 1 <= decimals <= MOST_DECIMALS:
        return
    own = [numbers[0] for text in view.grid or () if (numbers := numbers_in(text))]
    low, high = min(times), max(times)
    possible = Counter({round(value, decimals): 1 for value in own or view.possible if low <= value <= high})
    round_share = _round_share(times, decimals)
    if possible and round_share >= MOSTLY and _round_share(possible, decimals) < MOSTLY / 2:
        yield finding(
            f"{round_share:.0%} of the values end in 0 or 5; of those that can be printed in that range, "
            f"{_round_share(possible, decimals):.0%} do.",
            "Look at this: were the values read off and written down, or copied from the board?",
            value=round_share,
            limit=MOSTLY,
        )


LEAST_FOR_DIGITS, LEAST_DIFFERENT_VALUES, MOST_DECIMALS = 20, 6, 3
MOSTLY = 0.9  # of the values; by chance a fifth of them ends so


def _round_share(times: Counter[float], decimals: int) -> float:
    return sum(n for value, n in times.items() if round(abs(value) * 10**decimals) % 5 == 0) / times.total()


def _decimals(value: float) -> int:
    return len(f"{value:.6f}".rstrip("0").partition(".")[2])


@HONESTY.rule(
    "another-pace",
    Severity.CHECK,
    title="Times that the program does not keep",
    why="The times before the lines tell how often the board printed; the program handed in prints at another pace.",
    hint="",
    criterion="readings",
    source="the run of the program on the twin",
)
def another_pace(view: HonestyView, finding: FindingFactory) -> Iterator[Finding]:
    seen, printed = view.pace.log_ms, view.pace.program_ms
    if seen and printed and not PACE_LEEWAY[0] < seen / printed < PACE_LEEWAY[1]:
        yield finding(
            f"By the times in this log a reading came every {seen / 1000:.2g} s; the program handed in prints one every {printed / 1000:.2g} s.",
            "Look at this: is it the log of the program that was handed in?",
            value=seen,
            limit=printed,
        )
