"""What marks are asked with and answered as."""

from datetime import datetime
from typing import Annotated

from pydantic import Field

from verifex.api.fields import Counter, Reason, Short
from verifex.api.shape import Shape
from verifex.dockets.schemas.pair import MarkLineOut


class MarkRowOut(Shape):
    """A criterion; `proposed` and `counts` are None while there is nothing to mark yet, and where nobody judged it: then
    `to_decide` says that a person has to."""

    name: str
    title: str
    of: str
    proposed: str | None
    evidence: list[str]
    given: str | None
    reason: str
    by: str
    counts: str | None
    to_decide: bool = False


class SecondLookOut(Shape):
    """Something of the log that is worth a second look, for staff only."""

    rule: str
    seen: str
    why: str
    remedy: str


class StudentOut(Shape):
    id: int
    name: str
    absent: bool
    adjustment: str
    reason: str
    total: str


class ClosedBeforeOut(Shape):
    """A marking that was closed and reopened."""

    at: datetime
    by: str
    total: str
    of: str
    reopened_at: datetime
    reopened_by: str
    because: str


class DocketMarksOut(Shape):
    """`so_far`: part of it is not marked yet. `second_look`: the log is worth one, for `to_look_at`; closing asks what was
    decided about it, and `decided` says that of a closed one. `step` is what marks are multiples of."""

    revision: int
    scheme: int
    step: str
    rules_version: str
    criteria: list[MarkRowOut]
    total: str
    of: str
    so_far: bool
    closed: bool
    closed_at: datetime | None
    second_look: bool
    to_look_at: list[SecondLookOut]
    decided: str
    students: list[StudentOut]
    earlier: list[ClosedBeforeOut]


class GiveIn(Shape):
    criterion: Short
    marks: Annotated[str, Field(max_length=20)] | None
    reason: Reason = ""
    based_on: Counter | None = None


class CloseIn(Shape):
    """`second_look` is what was decided about a log that is worth one."""

    second_look: Reason = ""
    based_on: Counter | None = None


class StudentIn(Shape):
    user: Annotated[int, Field(ge=0, le=2**63 - 1)]
    absent: bool = False
    adjustment: Annotated[str, Field(max_length=20)] = "0"
    reason: Reason = ""
    based_on: Counter | None = None


class ClassRowOut(Shape):
    docket: int
    bench: int | None
    pair: str
    exercise: str
    criteria: dict[str, str]
    changed: list[str]
    total: str
    of: str
    so_far: bool
    closed: bool
    second_look: bool


class ClassSheetOut(Shape):
    """`of` is empty where exercises of the session give different marks for a criterion of that title."""

    titles: list[str]
    of: list[str]
    exercises: int
    rows: list[ClassRowOut]


class MyMarksOut(Shape):
    total: str
    of: str
    mine: str
    lines: list[MarkLineOut]
