"""What the exercise says of its libraries: classes with their methods, and what constants stand for."""

from typing import Literal, get_args

from pydantic import Field

from verifex.core.exercise.base import Frozen

#: What a method may be called for. The first give a reading in that unit; `print`, `clear` and `cursor` work on a
#: display; `tag-near` and `tag-id` ask a reader; `ready` does nothing that shows.
Purpose = Literal[
    "celsius", "fahrenheit", "percent", "hectopascal", "pascal", "centimetre", "millimetre", "inch", "microsecond",
    "print", "clear", "cursor", "tag-near", "tag-id", "ready",
]  # fmt: skip


METHOD_PURPOSES: tuple[str, ...] = get_args(Purpose)

#: What a library's constant stands for: a number, or a kind of module by the catalogue's name (`climate-fine`).
LibraryConstant = float | str


class Driver(Frozen):
    """`name` is the class, `constructor` what its values are called (for messages; their number is checked), `methods`
    every method it has with what that is called for. A class that is declared here is not guessed at."""

    name: str = Field(pattern=r"^[A-Za-z_]\w*$")
    constructor: list[str] = Field(default_factory=list)
    methods: dict[str, Purpose] = Field(min_length=1)
