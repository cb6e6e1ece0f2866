"""What can be done at a bench to tell faults apart, and what each fault would show there.

Every act has an outcome for each candidate, worked out by changing the bench as the candidate says: a number that a meter
reads, or one of a few answers. An act is worth the information it is expected to give (the fall of the entropy of what is
still likely; C. Shannon, Bell Syst. Tech. J. 27, 1948) for each second it takes.
"""

from verifex.core.diagnosis.acts import by_hand, with_a_meter
from verifex.core.diagnosis.acts.act import Act, Likely
from verifex.core.diagnosis.acts.choice import best_acts, log_odds, posterior
from verifex.core.diagnosis.case import BenchCase
from verifex.core.diagnosis.raw import FaultBench

#: Every kind of act; a new one is a function and its name here.
KINDS = (
    with_a_meter.volts, with_a_meter.ohms, by_hand.looks, by_hand.markings, by_hand.formulas, by_hand.stimuli, by_hand.wiggles,
    by_hand.waits, by_hand.turns, by_hand.swaps,
)  # fmt: skip


def acts_for(case: BenchCase, fault_bench: FaultBench, likely: Likely) -> list[Act]:
    """Everything that could be done, with what each of the likely candidates (with its index) would show."""
    made: list[Act] = []
    for make in KINDS:
        made += make(case, fault_bench, likely)
    return made


__all__ = ["Act", "acts_for", "best_acts", "log_odds", "posterior"]
