"""What a docket shows for its marks: findings at the moments that count, and what came of the readings."""

from dataclasses import dataclass, field
from decimal import Decimal

from verifex.core.findings import Finding


@dataclass(frozen=True, slots=True)
class Evidence:
    """All that marks are proposed from.

    `wiring` are the findings of the wiring as it stood when power was cleared (or the last attempt), `sent_back`
    those a person sent an attempt back with, `mended` those the pair found and mended itself, `program` those of the program as last handed
    in (checked and run on the twin). `steps` maps a step to its verdict on the pair's own sheet (as built) and
    `intended` to the one on the exercise's (as intended); `follows_program` are steps that are out, but read just
    what the twin of the program handed in prints. `predictions` maps what the pair predicted beforehand (step and reading)
    to its verdict on the pair's own sheet. `resistors` are those the exercise gives a job, and whether each is on the
    bench. `kit_faults` are faults found at take-back, `hints_opened` steps of
    hints that the pair opened, at `hints_cost` marks in all. Until it is `final`, what is not handed in is not marked at all.
    """

    wiring: tuple[Finding, ...] = ()
    sent_back: tuple[Finding, ...] = ()
    mended: tuple[Finding, ...] = ()
    wiring_handed_in: bool = False
    cleared: bool = False
    overruled: bool = False
    program: tuple[Finding, ...] = ()
    program_handed_in: bool = False
    program_not_judged: str = ""  # why its run was not held against the exercise, as a sentence
    readings_handed_in: bool = False
    resistors: dict[str, bool] = field(default_factory=dict)
    steps: dict[str, str] = field(default_factory=dict)
    intended: dict[str, str] = field(default_factory=dict)
    follows_program: frozenset[str] = frozenset()
    predictions: dict[str, str] = field(default_factory=dict)
    prediction_unchecked: bool = False
    kit_faults: tuple[str, ...] = ()
    hints_opened: int = 0
    hints_cost: Decimal = Decimal(0)
    final: bool = True
