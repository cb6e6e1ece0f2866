"""Parts of a docket that staff and pair see alike."""

from datetime import datetime

from ninja import Schema


class StationOut(Schema):
    station: str
    state: str | None
    since: datetime | None


class MemberOut(Schema):
    id: int
    name: str


class SubstitutionOut(Schema):
    ref: str
    ohms: float
    reason: str


class KitOut(Schema):
    tag: str
    issued_at: datetime
    returned: bool
    leg_orders: dict[str, str]
    substitutions: list[SubstitutionOut]


class ChangeOut(Schema):
    """One difference to the attempt before: added, removed, moved or changed."""

    kind: str
    what: str
    before: str
    after: str
    line: int | None


class StepVerdictOut(Schema):
    name: str
    readings: int
    centre: float | None
    spread: float | None
    drift: float | None
    verdict: str
    values: list[float]


class ClearanceOut(Schema):
    wiring_attempt: int
    kit: str
    by: str
    at: datetime
    overruled: list[str]
    reason: str


class MeasurementOut(Schema):
    name: str
    value: float
    unit: str
    instrument: str
    at: datetime


class MeasurableOut(Schema):
    """Something worth measuring on this bench, and how it is done."""

    name: str
    label: str
    unit: str
    how: str
