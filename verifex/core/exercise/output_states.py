"""What an exercise may ask of an output: on or off, a colour, a blink, a pitch, a brightness, or words on a display."""

import re
from typing import Annotated, Literal

from pydantic import BaseModel, BeforeValidator, ConfigDict, WithJsonSchema, model_validator

#: The legs of a three-colour light that make a colour when they are lit together.
COLOURS: dict[str, frozenset[str]] = {
    "red": frozenset({"red"}),
    "green": frozenset({"green"}),
    "blue": frozenset({"blue"}),
    "yellow": frozenset({"red", "green"}),
    "cyan": frozenset({"green", "blue"}),
    "magenta": frozenset({"red", "blue"}),
    "white": frozenset({"red", "green", "blue"}),
}
#: Other words for a mixed colour; what lies between two names is called by either.
ALSO = {"amber": "yellow", "orange": "yellow", "turquoise": "cyan", "purple": "magenta", "violet": "magenta", "pink": "magenta"}  # fmt: skip

PITCH_SHARE = 0.05  # a tone within 5 % of the one asked is that tone: less than a semitone (6 %)
BRIGHTNESS_WITHIN = 0.1  # of full brightness
BLINK_SHARE = 0.25  # of the rate asked

MOST_HERTZ = 65_535  # what a tone can be set to

_HERTZ = re.compile(r"([0-9]+(?:\.[0-9]+)?)\s*Hz$", re.IGNORECASE)
_SHARE = re.compile(r"([0-9]+(?:\.[0-9]+)?)\s*%$")
_BLINK = re.compile(r"blink(?:s|ing)?(?:\s+(?:at\s+)?([0-9]+(?:\.[0-9]+)?)\s*Hz)?$", re.IGNORECASE)

Kind = Literal["level", "colour", "blink", "pitch", "brightness", "text"]


class OutputState(BaseModel):
    """One state of one output. `number` is 1 or 0 for a level, the tone or the blinks in Hz, or a share of full brightness."""

    model_config = ConfigDict(frozen=True)

    kind: Kind
    number: float = 0.0
    text: str = ""

    @model_validator(mode="after")
    def is_a_state(self) -> "OutputState":
        if self.kind == "colour" and self.text not in COLOURS:
            raise ValueError(f"'{self.text}' is no colour that three lights make; {', '.join(COLOURS)} are")
        if self.kind in ("pitch", "brightness") and not 0 < self.number <= MOST_HERTZ:
            raise ValueError(f"{self.number:g} is no {self.kind}")
        return self

    @property
    def is_level(self) -> bool:
        return self.kind == "level"

    @property
    def is_on(self) -> bool:
        """Whether it shows or sounds at all."""
        return self.kind != "level" or bool(self.number)

    def __str__(self) -> str:
        match self.kind:
            case "level":
                return "on" if self.number else "off"
            case "pitch":
                return f"{self.number:g} Hz"
            case "brightness":
                return f"{100 * self.number:g} %"
            case "blink":
                return f"blinking at {self.number:g} Hz" if self.number else "blinking"
        return self.text


def read_state(said: object) -> object:
    """The state that a file names; anything but a word or yes and no is left to the schema. Raises ValueError."""
    if isinstance(said, bool):
        return OutputState(kind="level", number=float(said))
    if isinstance(said, OutputState | dict):
        return said
    text = said.strip() if isinstance(said, str) else ""
    if not text:
        raise ValueError(
            "an output needs a state: on, off, a colour, blinking, 440 Hz, 40 %, or the words on a display"
        )
    if (word := text.lower()) in ("on", "off"):
        return OutputState(kind="level", number=float(word == "on"))
    if (colour := ALSO.get(word, word)) in COLOURS:
        return OutputState(kind="colour", text=colour)
    if match := _BLINK.match(text):
        return OutputState(kind="blink", number=float(match.group(1) or 0))
    if match := _HERTZ.match(text):
        return OutputState(kind="pitch", number=float(match.group(1)))
    if match := _SHARE.match(text):
        return OutputState(kind="brightness", number=float(match.group(1)) / 100)
    return OutputState(kind="text", text=" ".join(text.split()))


#: A field of an exercise file that holds a state.
State = Annotated[
    OutputState,
    BeforeValidator(read_state),
    WithJsonSchema(
        {
            "anyOf": [{"type": "boolean"}, {"type": "string"}],
            "examples": [True, "red", "blinking at 2 Hz", "440 Hz", "40 %", "Too warm"],
        }
    ),
]
