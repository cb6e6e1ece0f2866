"""Values measured on the bench: supply, references, resistors, figures of a sensor, the stimulus of a step."""

import math

from django.db import transaction

from verifex.acts.refusals import Refused
from verifex.core.assess.records import MeasurableRecord
from verifex.core.expected.measured import STEP
from verifex.core.quantity import in_words
from verifex.dockets.act import begin, enter, finish
from verifex.dockets.judgements import sheets_of
from verifex.dockets.judging import SHEETS, ask_for_judgement, bring_up_to_date
from verifex.dockets.models import Measurement, Station
from verifex.people.models import User
from verifex.work import queue


def measure(actor: User, docket_id: int, name: str, value: float, instrument: str = "") -> None:
    """Record a measured value; what is not plausible is refused. What depends on it is judged again."""
    bring_up_to_date(docket_id, SHEETS)
    _keep(actor, docket_id, name, value, instrument)
    queue.kick()


@transaction.atomic
def _keep(actor: User, docket_id: int, name: str, value: float, instrument: str) -> None:
    docket = begin(docket_id, None)
    enter(actor, docket, "measure", Station.POWER)
    sheets = sheets_of(docket)
    what = next((m for m in sheets.measurables if m.name == name), None) if sheets else None
    if what is None:
        raise Refused(f"“{name[:60]}” is nothing this exercise measures.")
    if not math.isfinite(value) or not what.low <= value <= what.high:
        raise Refused(_beyond(what, value))
    Measurement.objects.create(
        docket=docket, name=name, value=value, unit=what.unit, instrument=instrument[:80], by=actor
    )
    ask_for_judgement(docket)
    finish(docket, actor, f"measured {name.removeprefix(STEP)}: {value:g} {what.unit}")


def _beyond(what: MeasurableRecord, value: float) -> str:
    """Why a value cannot be, with the plausible range."""

    def said(number: float) -> str:
        if what.unit == "Ω":
            return in_words(number, "Ω") if number > 0 else "0 Ω"
        return f"{number:.2f} V" if what.unit == "V" else f"{number:g} {what.unit}".strip()

    bounds = f"{said(what.low).removesuffix(' ' + what.unit)} to {said(what.high)}"
    if what.unit == "Ω":
        bounds = f"{said(what.low)} to {said(what.high)}"
    return f"{said(value)} is not plausible for “{what.label}”; {bounds} is. {what.beyond}".strip()
