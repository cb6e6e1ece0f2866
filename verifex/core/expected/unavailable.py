"""Why a bench has no expected sheet: the facts, and how they are worded."""

from enum import StrEnum


class Why(StrEnum):
    """What stands between a stimulus and a number in the program. The value tells it: {about} and {other} are the facts."""

    NOT_ON_THE_BENCH = "No {about} is on the bench."
    NO_BOARD = "No board is on the bench."
    DOES_NOT_ANSWER = "{about} does not answer to {other}."
    NEEDS_A_BENCH = "{about} needs a bench: what it reads depends on its divider."
    NO_CONVERTER = "The {about} has no converter: it cannot read {other}, only whether a level is high."
    REACHES_NO_CONVERTER = "{about} reaches no pin that can measure."
    REACHES_NO_PIN = "{about} reaches no pin that can read it."
    SUPPLY_JOINED = "Supply and ground are joined; nothing can be read."
    NOT_FED = "{about} gives nothing: it is not fed as it should be."
    CANNOT_BE_USED = "{about}"  # what was entered, as it was refused
    UNSOLVED = "No operating point was found for this circuit."


class Unavailable(Exception):
    """There is no chain for a reading. `about` and `other` are what it is about: parts, boards, quantities, by name."""

    def __init__(self, why: Why, about: str = "", other: str = "") -> None:
        super().__init__(why, about, other)
        self.why, self.about, self.other = why, about, other

    def in_words(self) -> str:
        return self.why.value.format(about=self.about, other=self.other)
