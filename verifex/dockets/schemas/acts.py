"""What an act on a docket is sent as, and what is told of it afterwards."""

from datetime import datetime
from typing import Annotated

from ninja import Schema
from pydantic import Field

from verifex.api.fields import Counter, Reason, Short
from verifex.dockets.models import Act


class HandInIn(Schema):
    """`token` makes a hand-in sent twice be stored once; `based_on_attempt` is the last attempt seen (0: none)."""

    kind: Short
    text: str
    token: Short
    based_on_attempt: Counter


class StationIn(Schema):
    station: Short
    based_on: Counter | None = None
    reason: Reason = ""


class PassIn(StationIn):
    """`overrule_reason` is needed where a Stop is open."""

    overrule_reason: Reason = ""


class ClearIn(Schema):
    based_on: Counter | None = None
    wiring_attempt: Counter
    compared: bool
    overrule_reason: Reason = ""


class MeasureIn(Schema):
    name: Short
    value: Annotated[float, Field(allow_inf_nan=False)]
    instrument: Short = ""


class UndoIn(Schema):
    based_on: Counter | None = None


class ClaimIn(Schema):
    release: bool = False


class TextIn(Schema):
    text: str


class DoneOut(Schema):
    revision: int


class ActOut(Schema):
    """An act that this person could begin now."""

    act: str
    station: str
    needs_reason: bool


class DecisionOut(Schema):
    """A decision: its act of the table of transitions, and whether it passed over a Stop."""

    station: str
    act: Act
    overruled: bool
    reason: str
    by: str
    at: datetime
    undone: bool = False


class HistoryOut(Schema):
    """One entry of the event log."""

    at: datetime
    by: str
    what: str
