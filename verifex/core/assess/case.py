"""All that an assessment looks at. Nothing else is looked at: no clock, no database, no other file."""

from collections.abc import Mapping
from dataclasses import dataclass, field

from verifex.core.circuit import HandedOut
from verifex.core.exercise import Exercise
from verifex.core.expected import Measured
from verifex.core.readings.honesty import OtherLog


@dataclass(frozen=True, slots=True)
class Case:
    """One pair's hand-ins for one exercise, with what was measured and handed out.

    `wiring` is in bench notation, `program` is source text, `log` what the board printed, `prediction` CSV
    (`step,reading,value`); None for what is not handed in. `earlier_wiring` is the attempt before, for telling what
    changed. `others` are other pairs' logs under opaque references. A case can be changed with `dataclasses.replace`
    and assessed again.
    """

    exercise: Exercise
    stage: int = 1
    wiring: str | None = None
    earlier_wiring: str | None = None
    program: str | None = None
    log: str | None = None
    prediction: str | None = None
    measured: Measured = field(default_factory=Measured)
    handed_out: HandedOut = field(default_factory=HandedOut)
    others: tuple[OtherLog, ...] = ()
    board: str | None = None  # the board where no wiring names one; None: the exercise's usual one

    def with_measured(self, values: Mapping[str, float]) -> "Case":
        """The case as if these values, by the names of `Measured.named`, had been measured too."""
        from dataclasses import replace

        return replace(self, measured=Measured.named({**self.measured.as_named(), **values}))
