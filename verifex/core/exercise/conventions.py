"""Where schools differ, and the exercise decides."""

from typing import Literal

from pydantic import Field, field_validator

from verifex.core.exercise.base import Frozen


class Gas(Frozen):
    """The power law of the gas at hand: Rs/R0 = (ppm/a)^(−1/b), both above 0."""

    name: str = ""
    a_ppm: float
    b: float

    @field_validator("a_ppm", "b")
    @classmethod
    def _positive(cls, value: float) -> float:
        if value <= 0:
            raise ValueError(
                "must be above 0: here Rs/R0 = (ppm/a)^(−1/b). A table that prints b below 0 means ppm = a·(Rs/R0)^b; "
                "leave its sign away"
            )
        return value


class Conventions(Frozen):
    """The divisor of the conversion, the unit printed, the baud rate (else the board's usual one), the reference the
    formula puts in, the air temperature a distance formula assumes.

    `prints` says whether a log is asked for at all; where it is not given, one is where the file lists its readings or a
    number is read, and none for lights, relays and displays alone.

    `threshold` says where a pair takes its threshold from: *stated* by the exercise, or from *two-readings* of its
    own bench, as it must be for light, water and gas.
    """

    divisor: Literal[1023, 1024] = 1024
    unit: str = ""
    baud: int | None = None
    prints: bool | None = None
    formula_reference: Literal["nominal", "measured"] = "nominal"
    threshold: Literal["stated", "two-readings"] = "stated"
    echo_celsius: float = Field(default=20.0, ge=-20, le=50)
    gas: Gas | None = None
