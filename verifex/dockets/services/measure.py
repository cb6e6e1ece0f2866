"""Values measured on the bench: supply, references, resistors, figures of a sensor, the stimulus of a step."""

from contextlib import suppress

from django.db import transaction

from verifex.core.parts import catalogue
from verifex.core.problems import UnusableInput
from verifex.dockets.bench import DocketBench
from verifex.dockets.judge import judge
from verifex.dockets.measured import implausible, measurables
from verifex.dockets.models import Kind, Measurement
from verifex.dockets.services.act import begin, finish, require_pair_or_staff
from verifex.dockets.services.hand_in import rejudge_prediction
from verifex.exercises.measured import STEP
from verifex.people.access import Refused
from verifex.people.models import User


@transaction.atomic
def measure(actor: User, docket_id: int, name: str, value: float, instrument: str = "") -> None:
    """Record a measured value; what is not plausible is refused with the plausible range.

    Readings already handed in are judged again, as their sheet has moved.
    """
    docket = begin(docket_id, None)
    require_pair_or_staff(actor, docket)
    bench = DocketBench(docket)
    wrong = implausible(bench, catalogue().boards[bench.file.board], name, value)
    if wrong is None:
        raise Refused(f"“{name}” is nothing this exercise measures.")
    if wrong:
        raise Refused(wrong[0])
    unit = next((m.unit for m in measurables(bench) if m.name == name), "")
    Measurement.objects.create(docket=docket, name=name, value=value, unit=unit, instrument=instrument[:80], by=actor)
    readings = bench.last(Kind.READINGS)
    if readings is not None:
        # A log that cannot be judged now keeps the judgement of its hand-in.
        with suppress(UnusableInput):
            judge(readings)
        rejudge_prediction(docket)
    finish(docket, actor, f"measured {name.removeprefix(STEP)}: {value:g} {unit}")
