"""The kinds of hand-in: what each is called, how large it may be, and what its check reads and may use. The only table of them."""

from dataclasses import dataclass
from enum import StrEnum

from verifex.core.problems import Problem, UnusableInput

KB, MB = 1024, 1024 * 1024


class HandIn(StrEnum):
    """What can be handed in."""

    WIRING = "wiring"
    PROGRAM = "program"
    READINGS = "readings"
    PREDICTION = "prediction"  # what the pair expects, before it measures

    @property
    def facts(self) -> "HandInFacts":
        return HAND_INS[self]


@dataclass(frozen=True, slots=True)
class HandInFacts:
    """One kind: `name` is the word for it and its field of a case; `station` is where it is handed in, `criterion` where it counts.

    `check_reads` are the hand-ins that its check depends on, itself included. `check_seconds` of processor time and
    `check_bytes` of memory are what its check may use.
    """

    name: str
    station: str
    criterion: str
    most_bytes: int
    check_reads: tuple[HandIn, ...]
    check_seconds: int
    check_bytes: int = 700 * MB

    def refuse_larger(self, text: str) -> None:
        """Raises UnusableInput for a text over the limit."""
        # A character has one byte at least: what is far too long is not encoded first.
        if len(text) > self.most_bytes or len(text.encode("utf-8", "surrogatepass")) > self.most_bytes:
            most = f"{self.most_bytes // KB} kB" if self.most_bytes < MB else f"{self.most_bytes // MB} MB"
            raise UnusableInput([Problem(1, 1, f"the {self.name} is larger than {most}, the limit for one hand-in")])


# A busy minute on the twin takes a few seconds; a log of 10 MB some more.
HAND_INS = {
    HandIn.WIRING: HandInFacts("wiring", "wiring", "wiring", 64 * KB, (HandIn.WIRING,), 4),
    HandIn.PROGRAM: HandInFacts("program", "program", "program", 64 * KB, (HandIn.WIRING, HandIn.PROGRAM), 12),
    HandIn.READINGS: HandInFacts(
        "log", "readings", "readings", 10 * MB, (HandIn.WIRING, HandIn.PROGRAM, HandIn.READINGS), 20, 1200 * MB
    ),
    HandIn.PREDICTION: HandInFacts("prediction", "readings", "wiring", 16 * KB, (HandIn.WIRING, HandIn.PREDICTION), 4),
}
#: By station the hand-in that passes it.
HANDED_IN_AT = {facts.station: hand_in for hand_in, facts in HAND_INS.items() if facts.station == hand_in}
