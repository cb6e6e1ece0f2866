"""What an act on a docket is sent as, and what is answered to it."""

from datetime import datetime
from typing import Annotated

from pydantic import Field

from verifex.api.fields import Counter, Reason, Short
from verifex.api.shape import Shape
from verifex.dockets.models import Act


class HandInIn(Shape):
    """`token` makes a hand-in sent twice be stored once; `based_on_attempt` is the last attempt seen (0: none)."""

    kind: Short
    text: str
    token: Short
    based_on_attempt: Counter


class StationIn(Shape):
    station: Short
    based_on: Counter | None = None
    reason: Reason = ""


class PassIn(StationIn):
    """`overrule_reason` is needed where a Stop is open."""

    overrule_reason: Reason = ""


class ClearIn(Shape):
    based_on: Counter | None = None
    wiring_attempt: Counter
    compared: bool
    overrule_reason: Reason = ""


class MeasureIn(Shape):
    name: Short
    value: Annotated[float, Field(allow_inf_nan=False)]
    instrument: Short = ""


class OpenHintIn(Shape):
    """Which hint, and which of its steps: 2 the idea, 3 nearly the answer."""

    key: Short
    step: Annotated[int, Field(ge=1, le=3)]


class UndoIn(Shape):
    based_on: Counter | None = None


class ConstantIn(Shape):
    """What a library's constant stands for: a number, or a kind of module; empty forgets it."""

    name: Annotated[str, Field(pattern=r"^[A-Za-z_][\w:.]{0,79}$")]
    stands_for: Annotated[str, Field(max_length=60)]


class CarryIn(Shape):
    """The later session a docket goes on in."""

    session: Annotated[int, Field(ge=0, le=2**63 - 1)]


class ClaimIn(Shape):
    release: bool = False


class TextIn(Shape):
    text: str


class DoneOut(Shape):
    revision: int


class ActOut(Shape):
    """An act that this person could begin now."""

    act: str
    station: str
    needs_reason: bool


class DecisionOut(Shape):
    """A decision: its act of the table of transitions, and whether it passed over a Stop."""

    station: str
    act: Act
    overruled: bool
    reason: str
    by: str
    at: datetime
    undone: bool = False


class HistoryOut(Shape):
    """One entry of the event log."""

    at: datetime
    by: str
    what: str
