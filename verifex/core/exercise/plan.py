"""The stimulus plan: what is done to the sensors, step by step, and what is printed of it."""

from pydantic import Field

from verifex.core.exercise.base import Frozen

MOST_VALUE = 1e6  # of a stimulus, in any unit: direct sun is some 1e5 lux


class StepValue(Frozen):
    """A quantity at a part, with its value and the uncertainty of that value (half width, in the quantity's unit).

    A tag's id stands in `text`. Without an uncertainty that of the way of making the stimulus counts.
    """

    ref: str
    quantity: str
    value: float = Field(default=0.0, ge=-MOST_VALUE, le=MOST_VALUE)
    uncertainty: float | None = Field(default=None, ge=0, le=MOST_VALUE)
    text: str = ""


class Step(StepValue):
    """One step: what is done, how to do it safely, and how long it is held before it is judged.

    `way` names one of the catalogue's ways of making the stimulus: `how` and the uncertainty follow from it where they are
    not given. `also` are other quantities of the same moment. `target` is what a distance is measured to, where
    that matters.
    """

    name: str
    dwell_seconds: float = Field(gt=0, le=3600)
    how: str = ""
    way: str = ""
    target: str = ""
    also: list[StepValue] = Field(default_factory=list)

    def values(self) -> list[StepValue]:
        """Every quantity of the step, its own first."""
        return [self, *self.also]

    def value_of(self, ref: str, quantity: str) -> StepValue | None:
        return next((v for v in self.values() if (v.ref, v.quantity) == (ref, quantity)), None)


class Reading(Frozen):
    """One thing the program prints: of which part and quantity, in which unit (a key of the printed units).

    Without `print` the usual one of the quantity is taken.
    """

    name: str = ""
    ref: str
    quantity: str
    print: str = ""
    decimals: int | None = Field(default=None, ge=0, le=4)
