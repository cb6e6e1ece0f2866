"""A library's class as the pairs of this exercise write it: how it is made, and what its methods are called for."""

from typing import Literal

from pydantic import Field

from verifex.core.exercise.base import Frozen

#: What a method may be called for. The first give a reading in that unit; `print`, `clear` and `cursor` work on a
#: display; `tag-near` and `tag-id` ask a reader; `ready` does nothing that shows.
Purpose = Literal[
    "celsius", "fahrenheit", "percent", "hectopascal", "pascal", "centimetre", "inch", "microsecond",
    "print", "clear", "cursor", "tag-near", "tag-id", "ready",
]  # fmt: skip


class Driver(Frozen):
    """`name` is the class, `constructor` what its values are called (for messages; their number is checked), `methods`
    every method it has with what that is called for. A class that is declared here is not guessed at."""

    name: str = Field(pattern=r"^[A-Za-z_]\w*$")
    constructor: list[str] = Field(default_factory=list)
    methods: dict[str, Purpose] = Field(min_length=1)
