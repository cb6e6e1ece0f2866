"""Values measured on the bench: supply, internal reference, the stimulus of a step."""

from contextlib import suppress

from django.db import transaction

from verifex.core.expected import Measured
from verifex.core.parts import catalogue
from verifex.core.problems import UnusableInput
from verifex.dockets.bench import INTERNAL, RAIL, STEP, DocketBench
from verifex.dockets.judge import judge
from verifex.dockets.models import Kind, Measurement
from verifex.dockets.services.act import begin, finish, require_pair_or_staff
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
    board = catalogue().boards[bench.file.board]
    step = next((s for s in bench.file.steps if name == STEP + s.name), None)
    if name == RAIL:
        unit, wrong = "V", Measured(rail_volts=value).problems(board)
    elif name == INTERNAL:
        unit, wrong = "V", Measured(internal_volts=value).problems(board)
    elif step is not None:
        unit, wrong = step.quantity, _far_from_plan(step.value, value)
    else:
        raise Refused(f"“{name}” is nothing this exercise measures.")
    if wrong:
        raise Refused(wrong[0])
    Measurement.objects.create(docket=docket, name=name, value=value, unit=unit, instrument=instrument[:80], by=actor)
    readings = bench.last(Kind.READINGS)
    if readings is not None:
        # A log that cannot be judged now keeps the judgement of its hand-in.
        with suppress(UnusableInput):
            judge(readings)
    finish(docket, actor, f"measured {name.removeprefix(STEP)}: {value:g} {unit}")


def _far_from_plan(planned: float, value: float) -> list[str]:
    span = max(15.0, abs(planned))
    if abs(value - planned) <= span:
        return []
    return [
        f"{value:g} is far from the plan's {planned:g}; {planned - span:g} to {planned + span:g} is plausible here."
    ]
