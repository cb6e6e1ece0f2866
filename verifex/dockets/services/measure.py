"""Values measured on the bench: supply, references, resistors, figures of a sensor, the stimulus of a step."""

import math

from django.db import transaction

from verifex.core.assess.records import MeasurableRecord, ReadingsRecord
from verifex.core.expected.measured import BEGIN, COLUMN, STEP, TELL, WALK
from verifex.core.hand_ins import HandIn
from verifex.core.quantity import in_words
from verifex.dockets.act import begin, enter, finish
from verifex.dockets.judgements import newest, sheets_of, walk_of
from verifex.dockets.judging import SHEETS, ask_for_judgement, bring_up_to_date
from verifex.dockets.models import Docket, Measurement, Station
from verifex.dockets.refusals import ImplausibleMeasurement, UnknownMeasurement
from verifex.dockets.transitions import DocketAct
from verifex.people.models import User
from verifex.work import queue


def measure(actor: User, docket_id: int, name: str, value: float, instrument: str = "") -> None:
    """Record a measured value; what is not plausible is refused. What depends on it is judged again."""
    bring_up_to_date(docket_id, SHEETS)
    _keep(actor, docket_id, name, value, instrument)
    queue.run_pending()


@transaction.atomic
def _keep(actor: User, docket_id: int, name: str, value: float, instrument: str) -> None:
    docket = begin(docket_id, None)
    enter(actor, docket, DocketAct.MEASURE, Station.POWER)
    sheets = sheets_of(docket)
    what = next((m for m in sheets.measurables if m.name == name), None) if sheets else None
    what = what or _requested(docket, name)
    if what is None:
        raise UnknownMeasurement(name)
    if not math.isfinite(value) or not what.low <= value <= what.high:
        raise _beyond(what, value)
    Measurement.objects.create(
        docket=docket, name=name, value=value, unit=what.unit, instrument=instrument[:80], by=actor
    )
    ask_for_judgement(docket)
    if name.startswith((COLUMN, BEGIN)):
        finish(docket, actor, what.label)
        return
    said = f"measured {_measured_text(name, what)}: {value:g} {what.unit}".rstrip()
    finish(docket, actor, said)


def _measured_text(name: str, what: MeasurableRecord) -> str:
    """What was measured, as the event log has it."""
    return what.label[:80] if name.startswith((TELL, WALK)) else name.removeprefix(STEP)


def _column(docket: Docket, name: str, record: ReadingsRecord | None) -> MeasurableRecord | None:
    """A column of the newest log, to be taken for a reading."""
    place = name.removeprefix(COLUMN)
    if record is None or not place.isdigit() or int(place) >= len(docket.version.file.readings):
        return None
    keys = [column.key for column in record.columns]
    return (
        MeasurableRecord(
            name=name,
            label=f"took another column of the log for reading {int(place) + 1}",
            unit="",
            low=min(keys),
            high=max(keys),
        )
        if keys
        else None
    )


def _begin(name: str, record: ReadingsRecord | None) -> MeasurableRecord | None:
    """The line on which a step of the newest log begins; 0 leaves it where it was found."""
    begin = next((begin for begin in record.begins if begin.name == name), None) if record else None
    if begin is None or record is None or not record.drawn:
        return None
    label = f"set where “{begin.step}” begins in the log"
    return MeasurableRecord(name=name, label=label, unit="", low=0, high=record.drawn[-1][0])


MOST_OHMS, MOST_VOLTS = 1e9, 30.0


def _requested(docket: Docket, name: str) -> MeasurableRecord | None:
    """What may come of an act that the diagnosis of the newest log asks for, or of a step of the meter walk."""
    if name.startswith(WALK):
        walk = walk_of(docket)
        step = next((step for step in walk.steps if step.name == name), None) if walk else None
        low, high = (0.0, MOST_OHMS) if step and step.unit == "Ω" else (-MOST_VOLTS, MOST_VOLTS)
        return MeasurableRecord(name=name, label=step.text, unit=step.unit, low=low, high=high) if step else None
    judgement = newest(docket, HandIn.READINGS) if name.startswith((TELL, COLUMN, BEGIN)) else None
    record = judgement.typed(ReadingsRecord) if judgement else None
    if name.startswith(COLUMN):
        return _column(docket, name, record)
    if name.startswith(BEGIN):
        return _begin(name, record)
    act = next((act for act in record.acts if act.name == name), None) if record else None
    if act is None:
        return None
    low, high = (0.0, MOST_OHMS) if act.unit == "Ω" else (-MOST_VOLTS, MOST_VOLTS)
    if act.choices:
        low, high = 0.0, len(act.choices) - 1.0
    return MeasurableRecord(name=name, label=act.text, unit=act.unit, low=low, high=high)


def _beyond(what: MeasurableRecord, value: float) -> ImplausibleMeasurement:
    """Why a value cannot be, with the plausible range."""

    def number_text(number: float) -> str:
        if what.unit == "Ω":
            return in_words(number, "Ω") if number > 0 else "0 Ω"
        return f"{number:.2f} V" if what.unit == "V" else f"{number:g} {what.unit}".strip()

    bounds = f"{number_text(what.low).removesuffix(' ' + what.unit)} to {number_text(what.high)}"
    if what.unit == "Ω":
        bounds = f"{number_text(what.low)} to {number_text(what.high)}"
    advice = f" {what.beyond}" if what.beyond else ""
    return ImplausibleMeasurement(number_text(value), what.label, bounds, advice)
