"""What a bench prints when something is wrong with it, and how a fault is described."""

from collections.abc import Callable, Mapping
from dataclasses import dataclass, field
from enum import StrEnum
from typing import TYPE_CHECKING

if TYPE_CHECKING:
    from verifex.core.diagnosis.case import BenchCase

Apply = Callable[["BenchCase"], "BenchCase"]
Spot = tuple[int, int]  # a step's place in the plan, a reading's place in the exercise


class Noise(StrEnum):
    """How the readings of a step lie around their centre."""

    QUIET = "quiet"  # a count or so
    WANDERING = "wandering"  # an input that nothing holds
    CHATTER = "chatter"  # a contact that comes and goes


@dataclass(frozen=True, slots=True)
class PrintedReading:
    """What is printed of one reading at one step. `value` is the centre in the printed unit, None where no number comes.

    `effects` are the half widths by cause, in the printed unit and with their sign: one cause moves all steps together.
    `grain` is one count or step of resolution in the printed unit, `rises` the share of its value by which a reading
    climbs (or falls, below 0) within the step. `there` says, where a state is reported in words, whether something is there;
    `is_level` that there is nothing but 0 and 1; `outside` that any value comes that lies outside these ends. `text` is the
    id of a tag, empty where none is printed.
    """

    value: float | None
    effects: Mapping[str, float] = field(default_factory=dict)
    grain: float = 0.0
    noise: Noise = Noise.QUIET
    rises: float = 0.0
    there: int | None = None
    is_level: bool = False
    outside: tuple[float, float] | None = None
    text: str | None = None

    @property
    def half(self) -> float:
        """Worst-case half width in the printed unit."""
        return sum(abs(effect) for effect in self.effects.values()) + self.grain / 2

    @property
    def own_half(self) -> float:
        """Of it, what is the sensor's own."""
        return sum(abs(effect) for name, effect in self.effects.items() if name.startswith("sensor."))


Prediction = Mapping[Spot, PrintedReading]


class Where(StrEnum):
    """Where a fault sits: what has to be looked at or changed."""

    PROGRAM = "program"
    WIRING = "wiring"
    PART = "part"
    STATE = "state"
    LOG = "log"


@dataclass(frozen=True, slots=True)
class Fault:
    """One fault: a change to a case. `look_at` is the first thing to look at on the bench; `prior` how likely it is before
    anything was read, against the other faults (`faults/priors.py`). `parts` and `places` are what it concerns,
    `subject` what is looked at for it: faults of one lead have the same.
    """

    slug: str
    title: str
    look_at: str
    where: Where
    prior: float
    apply: Apply
    parts: tuple[str, ...] = ()
    places: tuple[str, ...] = ()
    subject: str = ""
