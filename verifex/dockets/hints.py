"""Hints on a program in three steps: where to look, which idea, nearly the answer. What a pair has opened is counted."""

from dataclasses import dataclass
from decimal import Decimal
from enum import IntEnum
from typing import Any
from zlib import crc32

from verifex.api.findings import hint_of
from verifex.core.exercise.schema import HintRule
from verifex.dockets.models import Docket


class HintStep(IntEnum):
    """How far a hint on the program was opened."""

    LOCATION = 1
    CONCEPT = 2
    NEAR_ANSWER = 3


def key_of(rule: str) -> str:
    """What a pair names a hint by: the rule's own name may tell too much."""
    return f"{crc32(rule.encode()):08x}"


@dataclass(frozen=True, slots=True)
class Opened:
    """What a pair has opened of the hints on its program: by rule the furthest step, and how many steps in all."""

    steps: dict[str, int]
    count: int
    rule: HintRule

    @property
    def left(self) -> int | None:
        """How many steps may still be opened; None for any number."""
        return None if self.rule.opens is None else max(0, self.rule.opens - self.count)

    @property
    def next_cost(self) -> Decimal:
        """Marks that the next step takes off the program."""
        return self.rule.marks(self.count + 1) - self.rule.marks(self.count)


def opened(docket: Docket) -> Opened:
    rows = list(docket.opened_hints.values_list("rule", "step"))
    steps: dict[str, int] = {}
    for rule, step in rows:
        steps[rule] = max(step, steps.get(rule, HintStep.LOCATION))
    return Opened(steps, len(rows), docket.version.file.hints)


def hints_in_steps(opened: Opened, findings: list[dict[str, Any]]) -> list[dict[str, Any]]:
    """What a pair is shown of the findings on its program, each as far as it has been opened; one for each rule."""
    shown: dict[str, dict[str, Any]] = {}
    for finding in findings:
        rule, line = finding["rule"], finding.get("where", {}).get("line")
        if rule in shown:
            shown[rule]["more_lines"] += [line] if line else []
            continue
        step = opened.steps.get(rule, HintStep.LOCATION)
        shown[rule] = {
            **hint_of(finding),
            "key": key_of(rule),
            "step": step,
            "hint": finding["hint"] if step >= HintStep.CONCEPT else "",
            "nearly": f"{finding['seen']} {finding['why']}" if step >= HintStep.NEAR_ANSWER else "",
            "more_lines": [],
            "shows": finding["severity"] in ("stop", "fix") and bool(line),
        }
    return list(shown.values())
