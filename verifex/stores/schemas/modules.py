"""Shapes of modules, batches and calibrations."""

from datetime import date, datetime
from decimal import Decimal
from typing import Annotated

from pydantic import Field

from verifex.api.fields import Reason
from verifex.api.shape import Shape

Name = Annotated[str, Field(max_length=80)]
Tag = Annotated[str, Field(max_length=20)]
Part = Annotated[str, Field(max_length=40)]
Figure = Annotated[float, Field(allow_inf_nan=False)]


class PartKindOut(Shape):
    """A part or board of the catalogue: what can be set on it, its legs, the figures a batch may have otherwise, and how it is
    calibrated. `tagged` says whether such parts are usually tagged one by one."""

    id: str
    title: str
    tagged: bool
    board: bool
    legs: list[str]
    settings: dict[str, str]
    figures: dict[str, float]
    colours: list[str]
    calibrations: list["CalibrationKindOut"]


class EnteredOut(Shape):
    name: str
    label: str
    unit: str
    low: float
    high: float
    usual: float | None


class CalibrationKindOut(Shape):
    """One way of calibrating, for one quantity; its fields in the order they are typed."""

    id: str
    title: str
    how: str
    quantity: str
    days: int
    fields: list[EnteredOut]


class CalibrationOut(Shape):
    id: int
    kind: str
    title: str
    quantity: str
    words: str
    with_what: str
    on: date
    until: date
    aged: bool
    withdrawn: bool
    by: str


class BatchIn(Shape):
    name: Annotated[str, Field(max_length=40)]
    part: Part
    marking: Name = ""
    leg_order: Annotated[str, Field(max_length=120)] = ""
    figures: dict[Annotated[str, Field(max_length=40)], Figure] = {}
    price: Annotated[Decimal, Field(ge=0, lt=1_000_000)] | None = None
    supplier: Name = ""
    lead_days: Annotated[int, Field(ge=0, le=1000)] = 14
    bought_on: date | None = None


class BatchOut(BatchIn):
    """`faults` is how many its modules had in `uses` hand-outs; `rate` the faults to be expected a use."""

    id: int
    title: str
    modules: int
    faults: int
    uses: int
    rate: float | None


class ModulesIn(Shape):
    """So many modules with the next free tags of a prefix."""

    part: Part
    prefix: Annotated[str, Field(max_length=10)]
    count: Annotated[int, Field(ge=1, le=60)]
    batch: int | None = None
    bought_on: date | None = None


class ModuleIn(Shape):
    batch: int | None = None
    settings: dict[Annotated[str, Field(max_length=20)], Annotated[str, Field(max_length=40)]] = {}
    headers: bool | None = None
    note: Annotated[str, Field(max_length=200)] = ""


class ModuleRowOut(Shape):
    """`state` is ready, out, to-test, repair or retired; `where` the kit and place it is in; `faults` how many it had."""

    id: int
    tag: str
    part: str
    title: str
    state: str
    reason: str
    where: str
    batch: str
    calibration: str
    aged: bool
    faults: int


class ModuleFaultOut(Shape):
    at: datetime
    what: str
    state: str
    note: str


class ModuleOut(ModuleRowOut):
    """One module with all that is known of it."""

    batch_id: int | None
    leg_order: str
    figures: dict[str, float]
    settings: dict[str, str]
    headers: bool | None
    note: str
    bought_on: date | None
    calibrations: list[CalibrationOut]
    history: list[ModuleFaultOut]


class CalibrationIn(Shape):
    kind: Annotated[str, Field(max_length=24)]
    quantity: Annotated[str, Field(max_length=16)] = ""
    values: dict[Annotated[str, Field(max_length=20)], Figure]
    with_what: Name = ""
    on: date | None = None


class PlaceIn(Shape):
    """Which place of a kit a module lies in; without `ref` the first free one."""

    kit: Tag
    ref: Annotated[str, Field(max_length=8)] = ""


class StoreSavedOut(Shape):
    message: str


class ModuleFaultIn(Shape):
    what: Reason


class SettableOut(Shape):
    """A setting of a module of a kit: `takes` says its unit or its words, `now` what is known of this kit."""

    ref: str
    title: str
    setting: str
    takes: str
    usual: str
    now: str
