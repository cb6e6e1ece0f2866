"""A pair opens the next step of a hint on its program."""

from django.db import transaction

from verifex.core.hand_ins import HandIn
from verifex.dockets.act import begin, enter, finish
from verifex.dockets.hints import HintStep, key_of, opened
from verifex.dockets.judgements import newest
from verifex.dockets.models import OpenedHint, Station
from verifex.dockets.refusals import AllHintStepsOpened, HintOfEarlierHandIn, HintStepsInOrder
from verifex.dockets.transitions import DocketAct
from verifex.people.models import User

STEP_NAMES = {HintStep.CONCEPT: "the idea", HintStep.NEAR_ANSWER: "nearly the answer"}


@transaction.atomic
def open_hint(actor: User, docket_id: int, key: str, step: int) -> None:
    """Open a step of a hint; one that is open stays so and counts once. Refused where the exercise allows no further one."""
    docket = begin(docket_id, None)
    enter(actor, docket, DocketAct.OPEN_HINT, Station.PROGRAM)
    judgement = newest(docket, HandIn.PROGRAM)
    findings = judgement.record.get("findings", []) if judgement else []
    rule = next((finding["rule"] for finding in findings if key_of(finding["rule"]) == key), None)
    if rule is None:
        raise HintOfEarlierHandIn()
    so_far = opened(docket)
    reached = so_far.steps.get(rule, HintStep.CONCEPT - 1)
    if step <= reached:
        return
    if step != reached + 1 or step > HintStep.NEAR_ANSWER:
        raise HintStepsInOrder()
    if so_far.left == 0:
        raise AllHintStepsOpened(so_far.rule.opens)
    OpenedHint.objects.create(docket=docket, rule=rule, step=step, by=actor)
    finish(docket, actor, f"opened a hint on the program: {STEP_NAMES[HintStep(step)]}", rule=rule)
