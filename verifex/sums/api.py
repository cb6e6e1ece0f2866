"""Bench sums: the same sums as the checks use, for anyone who is logged in."""

from typing import Any

from django.http import HttpRequest
from ninja import Router

from verifex.api.shape import Shape
from verifex.core.quantity import parse_quantity
from verifex.core.resistors.bands import EXPONENTS, PPM_PER_KELVIN, TOLERANCE_PERCENT
from verifex.core.resistors.lookup import look_up_bands, look_up_value
from verifex.core.resistors.series import SERIES
from verifex.core.sums import ALL_SUMS
from verifex.sums.refusals import SumNotWorkedOut, UnknownSum

router = Router(tags=["bench sums"])


class SumFieldOut(Shape):
    name: str
    label: str
    unit: str
    default: str
    optional: bool


class SumOut(Shape):
    name: str
    title: str
    formula: str
    fields: list[SumFieldOut]


class SumsOut(Shape):
    """Every sum with what it asks for, and the band colours with the preferred series."""

    sums: list[SumOut]
    band_colours: list[str]
    tolerance_colours: list[str]
    drift_colours: list[str]
    series: list[str]


class SumIn(Shape):
    """Values as people write them, by the name of their field."""

    given: dict[str, str] = {}


class SumRowOut(Shape):
    name: str
    label: str
    value: float
    unit: str
    said: str


class AnswerOut(Shape):
    rows: list[SumRowOut]
    notes: list[str]


class BandsIn(Shape):
    """Colours in reading order; `measured` as people write it, or nothing."""

    colours: list[str] = []
    measured: str = ""


class BandReadingOut(Shape):
    bands: list[str]
    ohms: float


class BandsOut(Shape):
    ohms: float
    tolerance_percent: float
    low_ohms: float
    high_ohms: float
    ppm_per_kelvin: int | None
    down: float
    nearest: float
    up: float
    measured_fits: bool | None
    misreadings: list[BandReadingOut]
    order_doubt: str | None


class ValueIn(Shape):
    value: str = ""
    series: str = "E12"
    tolerance_percent: float = 5.0


class ValueOut(Shape):
    ohms: float
    series: str
    down: float
    nearest: float
    up: float
    bands: list[str]
    low_ohms: float
    high_ohms: float


@router.get("/sums", response=SumsOut)
def list_sums(request: HttpRequest) -> SumsOut:
    return SumsOut(
        sums=[SumOut.model_validate(one) for one in ALL_SUMS.values()],
        band_colours=list(EXPONENTS),
        tolerance_colours=list(TOLERANCE_PERCENT),
        drift_colours=list(PPM_PER_KELVIN),
        series=list(SERIES),
    )


@router.post("/sums/bands", response=BandsOut)
def bands(request: HttpRequest, data: BandsIn) -> dict[str, Any]:
    """What bands say, and whether a meter agrees."""
    try:
        measured = parse_quantity(data.measured, "ohm") if data.measured.strip() else None
        return look_up_bands(data.colours, measured).as_json()
    except ValueError as wrong:
        raise SumNotWorkedOut(str(wrong)) from None


@router.post("/sums/value", response=ValueOut)
def value(request: HttpRequest, data: ValueIn) -> dict[str, Any]:
    """The bands of a value and its neighbours in a preferred series."""
    try:
        return look_up_value(parse_quantity(data.value, "ohm"), data.series, data.tolerance_percent).as_json()
    except ValueError as wrong:
        raise SumNotWorkedOut(str(wrong)) from None


@router.post("/sums/of/{name}", response=AnswerOut)
def work_out(request: HttpRequest, name: str, data: SumIn) -> dict[str, Any]:
    """The answer of one sum; refused with the name of the field that cannot be."""
    if name not in ALL_SUMS:
        raise UnknownSum(name, tuple(ALL_SUMS))
    try:
        return ALL_SUMS[name].answer(data.given).as_json()
    except ValueError as wrong:
        raise SumNotWorkedOut(str(wrong)) from None
