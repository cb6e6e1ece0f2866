"""Which of the printed numbers is which reading: by unit, label, decimals, and what the sheet allows."""

from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass, field
from itertools import pairwise
from zlib import crc32

from verifex.core.exercise import Exercise, Reading
from verifex.core.exercise.units import OF_QUANTITY, OF_VOLTAGE, PRINTED
from verifex.core.printed.lines import Slot
from verifex.core.printed.words import AXES

Range = tuple[float, float]
#: The share of the steps in which a column, taken for the reading at a place of the exercise, lies in its limits.
Fit = Callable[["Column", int], float]
FITS_ALL = 5.0  # the score of a column that lies in the limits of every step
#: A unit in which the same quantity may be printed: a column in it is taken where there is no better one.
NEAR = {
    "celsius": ("fahrenheit",), "fahrenheit": ("celsius",), "centimetre": ("inch", "millimetre", "metre", "microsecond"),
    "inch": ("centimetre", "millimetre", "metre"), "volt": ("millivolt", "count"), "count": ("volt", "millivolt", "full-scale", "percent"),
    "percent": ("count", "full-scale"), "full-scale": ("percent", "count"), "hectopascal": ("pascal",), "degree": ("g",), "g": ("degree", "count"),
    "microsecond": ("centimetre", "inch"), "scaled": ("g", "count"), "ppm": ("count", "volt", "ratio"), "ratio": ("count", "volt", "ppm"),
}  # fmt: skip
LEAST_CLOCK = 6  # values from which a column that only counts up is taken for a clock
MOST_LOOKED_AT = 400
OF_AN_AXIS = ("g", "count", "scaled")  # units in which a column that is called x, y or z is the axis itself
LEFT_OVER, CHOSEN = "it is the only one left", "somebody chose it"
MOST_INSIDE = "most of it lies where this bench reads"
NO_COLUMNS_KNOWN: Mapping[int, int] = {}


@dataclass(slots=True)
class Column:
    """The numbers of a log that stand in one column: the place in the log's steps, the line and the value of each."""

    slot: Slot
    steps: list[int] = field(default_factory=list)
    lines: list[int] = field(default_factory=list)
    values: list[float] = field(default_factory=list)

    @property
    def title(self) -> str:
        """How a person would point at it."""
        said = self.slot.label or self.slot.unit
        return f"“{said}”" if said else f"number {self.slot.position + 1} of each line"

    @property
    def key(self) -> int:
        """A number that stands for its title: the same in every log that is printed alike."""
        return crc32(self.title.encode())

    @property
    def is_whole(self) -> bool:
        return all(value == int(value) for value in self.values[:MOST_LOOKED_AT])

    @property
    def is_clock(self) -> bool:
        """Whether it counts up evenly from line to line, as a time does and no sensor."""
        values = self.values[:MOST_LOOKED_AT]
        if len(values) < LEAST_CLOCK or self.slot.means not in ("", "time"):
            return False
        gaps = sorted(b - a for a, b in pairwise(values))
        return gaps[0] > 0 and gaps[-1] <= 1.5 * gaps[len(gaps) // 2] + 1e-9 and gaps[len(gaps) // 10] > 0.5 * gaps[-1]


def merged(columns: Sequence[Column]) -> list[Column]:
    """Columns that are one: the same unit at the same place of a line, one of them with a word in front that says nothing
    else of what is read (`ALARM 37.9`), and never both in one step."""
    found: list[Column] = []
    for column in columns:
        same = next((other for other in found if _is_one(other, column)), None)
        if same is None:
            found.append(column)
            continue
        rows = sorted(
            zip(same.lines + column.lines, same.steps + column.steps, same.values + column.values, strict=True)
        )
        same.lines = [line for line, _, _ in rows]
        same.steps = [step for _, step, _ in rows]
        same.values = [value for _, _, value in rows]
    return found


def _is_one(one: Column, other: Column) -> bool:
    plain, worded = (one.slot, other.slot) if not one.slot.label else (other.slot, one.slot)
    says_no_other = not worded.may_mean or plain.means in worded.may_mean
    alike = plain.means == worded.means and plain.position == worded.position and says_no_other
    return alike and not plain.label and bool(worded.label) and set(one.steps).isdisjoint(other.steps)


@dataclass(frozen=True, slots=True)
class Choice:
    """The column of a reading, and why it is that one."""

    column: Column
    because: str

    @property
    def is_certain(self) -> bool:
        """Whether anything speaks for it, be it a unit, a label or its values, and not only that no other is left."""
        return self.because != LEFT_OVER


def printed_unit(reading: Reading) -> str:
    """The printed unit a reading is asked in; its quantity where nothing defines how it is printed."""
    if reading.print:
        return reading.print
    return OF_QUANTITY[reading.quantity][0] if reading.quantity in OF_QUANTITY else reading.quantity


def choose(
    columns: Sequence[Column],
    exercise: Exercise,
    ranges: Sequence[Range | None],
    said: Mapping[int, int] = NO_COLUMNS_KNOWN,
    fit: Fit = lambda column, position: 0.0,
) -> list[Choice | None]:
    """For each reading of the exercise its column; `ranges` are the values a sheet allows for each, over all steps, `said` the
    keys of columns that a person took, by the reading's place: those stand. `fit` holds a column against each step's limits."""
    found: list[Choice | None] = [None] * len(exercise.readings)
    usable = [c for c in columns if not c.is_clock] or list(columns)
    if not usable:
        return found
    most = max(len(column.values) for column in usable)
    scored = []
    is_labelled = [any(_names(column.slot, printed_unit(one)) for column in usable) for one in exercise.readings]
    for r, reading in enumerate(exercise.readings):
        for c, column in enumerate(usable):
            score, because = _score(column, reading, ranges[r], most, exercise)
            is_bare = not column.slot.means and not column.slot.may_mean
            # As many columns as readings are taken in their order: exchanged ones are to be named.
            looks = is_bare and not is_labelled[r] and len(usable) > len(exercise.readings)
            fits = fit(column, r) if looks else 0.0
            score += FITS_ALL * fits
            if fits == 1.0 and because in (LEFT_OVER, MOST_INSIDE):
                because = "it lies in the limits of every step"
            bare = [one for one in usable if one.slot.key[2] >= 0]
            if len(usable) == len(exercise.readings):
                score += 1.5 * (c == r)
            elif column in bare:
                score += 0.1 * bare.index(column)
            scored.append((score, -r, r, c, because))
    taken: set[int] = set()
    for position, key in said.items():
        at = next((c for c, column in enumerate(usable) if column.key == key), None)
        if at is not None and position < len(found):
            found[position] = Choice(usable[at], CHOSEN)
            taken.add(at)
    for score, _, r, c, because in sorted(scored, key=lambda row: (-row[0], row[2])):
        if found[r] is None and c not in taken and score > -4:
            found[r] = Choice(usable[c], because)
            taken.add(c)
    return found


def _names(slot: Slot, unit: str) -> bool:
    """Whether the text beside a column says that it is of that unit."""
    return slot.means == unit or unit in slot.may_mean


def _score(column: Column, reading: Reading, within: Range | None, most: int, exercise: Exercise) -> tuple[float, str]:
    slot, unit = column.slot, printed_unit(reading)
    score, because = 0.0, LEFT_OVER
    if slot.means == unit:
        score, because = (
            6.0,
            f"it is printed in {PRINTED[unit].symbol or PRINTED[unit].title}" if unit in PRINTED else "",
        )
    elif slot.means == "degrees":
        score += 3.0 if unit in ("celsius", "fahrenheit", "degree") else -6.0
    elif slot.means == "time":
        score -= 6.0
    elif slot.means:
        score += -1.0 if slot.means in NEAR.get(unit, ()) else -6.0
    if slot.may_mean:
        said = unit in slot.may_mean or (unit in OF_VOLTAGE and not slot.means and "count" in slot.may_mean)
        score += 2.5 if said else -3.5
        because = "of its label" if said and score < 6 else because
    words = slot.label.split()
    named = [word for word in reading.name.lower().split() if word in words]
    if named:
        score += 3.0
        because = "of its label"
    if reading.quantity in ("gx", "gy", "gz") and unit in OF_AN_AXIS and words and words[-1] in AXES:
        score += 5.0 if words[-1] == reading.quantity[-1] else -5.0
    values = column.values[:MOST_LOOKED_AT]
    if within is not None:
        margin = (within[1] - within[0]) * 0.1 + 1e-9
        inside = sum(1 for v in values if within[0] - margin <= v <= within[1] + margin) / len(values)
        score += 2.5 * inside
        if inside > 0.5 and because == LEFT_OVER:
            because = MOST_INSIDE
    decimals = reading.decimals if reading.decimals is not None else PRINTED[unit].decimals if unit in PRINTED else 0
    if column.is_whole:
        score += 0.5 if decimals == 0 else -0.5
    else:
        score += 0.5 if decimals > 0 else -1.5
    if len(column.values) < most / 3:
        score -= 2.0
    return score, because
