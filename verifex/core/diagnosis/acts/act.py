"""One thing to do at a bench, with what each likely fault would show there."""

from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass, field

from verifex.core.diagnosis.rank import Candidate
from verifex.core.quantity import in_words

OPEN_OHMS = 5e6  # from here a meter shows that nothing is connected
METER_SHARE, METER_VOLTS, METER_OHMS = (
    0.02,
    0.05,
    2.0,
)  # what a handheld meter, its leads and the parts' tolerance leave open
OHMS_SHARE = 0.1
UNSTEADY = "unsteady"  # a number that wanders, or that nothing is known of
SECONDS = {
    "look": 10, "leads": 40, "marking": 15, "volts": 20, "ohms": 25, "formula": 20, "stimulus": 30, "wiggle": 20, "wait": 120, "turn": 20, "swap": 60,
}  # fmt: skip
BETWEEN_SECONDS = 15  # to turn to it, and to say what was found
VOLT_RANGES, OHM_RANGES = (2.0, 20.0), (200.0, 2e3, 20e3, 200e3, 2e6)
AS_IT_SHOULD, OTHERWISE = 0, 1

Outcome = float | str
Likely = Sequence[tuple[int, Candidate]]  # the likely candidates, each with a number
Shows = Callable[[Candidate], bool]


@dataclass(frozen=True, slots=True)
class Act:
    """One thing to do. With a `unit` it gives a number, else one of `choices`. `outcomes` are by the candidate's index: a
    number, the number of a choice, or `UNSTEADY`. `sound` is what it gives on a bench as it should be."""

    slug: str
    kind: str
    text: str
    unit: str
    choices: tuple[str, ...]
    outcomes: Mapping[int, Outcome]
    sound: Outcome
    range: str = ""
    places: tuple[str, ...] = ()
    gain: float = field(default=0.0, compare=False)

    def describe(self, outcome: Outcome) -> str:
        """An outcome in words."""
        if isinstance(outcome, str):
            return "wanders, or nothing is known of it"
        if not self.unit:
            return self.choices[int(outcome)]
        if self.unit == "Ω":
            return "no connection" if outcome >= OPEN_OHMS else in_words(outcome, "Ω") if outcome >= 1 else "below 1 Ω"
        return f"{outcome:.2f} V"

    @property
    def seconds(self) -> int:
        return BETWEEN_SECONDS + SECONDS[self.kind]


def question(
    slug: str,
    kind: str,
    text: str,
    choices: tuple[str, str],
    likely: Likely,
    shows: Callable[[Candidate], bool],
    places: tuple[str, ...] = (),
) -> Act:
    """An act with two answers: a candidate `shows` the second one."""
    outcomes: dict[int, Outcome] = {i: OTHERWISE if shows(one) else AS_IT_SHOULD for i, one in likely}
    return Act(slug, kind, text, "", choices, outcomes, AS_IT_SHOULD, "", places)
