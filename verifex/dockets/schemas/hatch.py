"""Shapes of the hatch: what is scanned, given and taken back."""

from typing import Annotated

from pydantic import Field

from verifex.api.shape import Shape
from verifex.stores.schemas import OfferOut

Code = Annotated[str, Field(max_length=80)]
Fault = Annotated[str, Field(max_length=200)]
Number = Annotated[int, Field(ge=0, le=2**63 - 1)]


class HandOutIn(Shape):
    """A kit's tag and a pair's badge, as scanned or typed."""

    session: Number
    tag: Code
    badge: Code


class HandedOutOut(Shape):
    docket: int
    message: str


class TakeBackIn(Shape):
    tag: Code
    faults: list[Fault] = []
    ref: Code = ""


class SubstituteIn(Shape):
    tag: Code
    ref: Code
    value: Code
    reason: Fault


class AdviceOut(Shape):
    """A resistor of the recipe: `window` in words, `offers` best first."""

    ref: str
    title: str
    job: str
    nominal_ohms: float
    window: str
    low_because: str
    high_because: str
    offers: list[OfferOut]


class SettingIn(Shape):
    """How a module is set: `setting` is jumper, range, hold, …"""

    tag: Code
    ref: Code
    setting: Code
    value: Code


class HatchAnswerOut(Shape):
    message: str


class ReadIn(Shape):
    """A code as it came from the scanner."""

    session: Number
    code: Code


class ReadOut(Shape):
    """`kind` is kit or badge; `named` is what a person calls it."""

    kind: str
    code: str
    named: str


class TagIn(Shape):
    tag: Code


class ReplaceIn(Shape):
    """Another part for one of a kit: the module with the tag `given`, or one out of its drawer. `dead` opens a fault of the old one."""

    tag: Code
    ref: Code
    given: Code = ""
    reason: Fault
    dead: bool = True


class CameBackIn(Shape):
    """How a kit came back: parts that are missing, parts that were used up, and faults by reference (empty: the whole kit)."""

    tag: Code
    missing: list[Code] = []
    used_up: list[Code] = []
    faults: dict[str, Fault] = {}


class CameBackOut(Shape):
    """`faults` are the faults that were opened, by the kit's reference (empty: the whole kit): pictures are added to them."""

    message: str
    faults: dict[str, int]


class KitPlaceOut(Shape):
    """A place of a kit: what is in it, and its module's tag where it has one. `loose` are modules that can be given for it."""

    ref: str
    title: str
    present: bool
    module: str
    loose: list[str]


class KitLookOut(Shape):
    """A line of the inspection: `must` is a test that holds the kit back, the others are things to do before it is packed."""

    ref: str
    title: str
    because: str
    how: str
    well: str
    must: bool


class KitInspectionOut(Shape):
    """What to look at now that a kit is back, and what is in it."""

    tag: str
    looks: list[KitLookOut]
    parts: list[KitPlaceOut]
