"""The wiring station: a live check, a closer look, and what flows in any state of the outputs."""

from typing import Any

from django.http import HttpRequest
from ninja import Router

from verifex.api.bench import bench_out
from verifex.api.findings import finding_out
from verifex.api.http import Id
from verifex.api.shape import Shape
from verifex.dockets.access import docket_for_staff
from verifex.dockets.inputs import DocketKey
from verifex.dockets.schemas.acts import TextIn
from verifex.dockets.schemas.staff import WiringCheckOut
from verifex.dockets.study import check_now, solve, study
from verifex.people.access import reader
from verifex.stores.schemas import OfferOut

router = Router(tags=["wiring"])


class ResistorJobOut(Shape):
    ref: str
    job: str
    about: str
    nominal_ohms: float | None = None
    low_ohms: float | None
    high_ohms: float | None
    low_because: str
    high_because: str
    formula: str
    ohms: float | None
    fits: bool | None
    amps: float
    watts: float
    rated_watts: float | None
    in_circuit_ohms: float | None
    offers: list[OfferOut]


class ComparisonOut(Shape):
    ref: str
    aspect: str
    handed_in: str
    intended: str
    agrees: bool


class HandleOut(Shape):
    """Something that can be set: `positions[0]` is where it rests."""

    name: str
    about: str
    positions: list[str]


class StudyOut(Shape):
    attempt: int
    resistors: list[ResistorJobOut]
    comparison: list[ComparisonOut]
    handles: list[HandleOut]


class SettingsIn(Shape):
    settings: dict[str, str] = {}


class SolvedNetOut(Shape):
    name: str
    places: list[str]
    volts: float
    floats: bool


class SolvedPartOut(Shape):
    ref: str
    title: str
    amps: dict[str, float]
    watts: float


class SolvedOut(Shape):
    """Net volts, amps into each leg, amps out of each pin; `oscillating` parts do not settle."""

    nets: list[SolvedNetOut]
    parts: list[SolvedPartOut]
    pins: dict[str, float]
    oscillating: list[str]


@router.post("/dockets/{docket_id}/check-wiring", response=WiringCheckOut)
def check_wiring_now(request: HttpRequest, docket_id: Id, data: TextIn) -> dict[str, Any]:
    """A live check while typing; nothing is stored."""
    docket = docket_for_staff(request, docket_id)
    found = check_now(reader(request), DocketKey(docket.pk, docket.revision, docket.opened_at), data.text)
    return {
        **found,
        "findings": [finding_out(finding) for finding in found["findings"]],
        "bench": bench_out(found["bench"]),
    }


@router.get("/dockets/{docket_id}/wiring/study", response=StudyOut)
def study_wiring(request: HttpRequest, docket_id: Id) -> dict[str, Any]:
    """Resistors, comparison and handles of the wiring last handed in."""
    return study(docket_for_staff(request, docket_id))


@router.post("/dockets/{docket_id}/wiring/solve", response=SolvedOut)
def solve_wiring(request: HttpRequest, docket_id: Id, data: SettingsIn) -> dict[str, Any]:
    """Volts and currents of the wiring last handed in, with outputs, buttons and knobs as set."""
    return solve(reader(request), docket_for_staff(request, docket_id), data.settings)
