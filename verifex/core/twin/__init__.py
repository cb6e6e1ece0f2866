"""The computed model of one pair's bench: its wiring, its parts' values and its program in virtual time."""

from verifex.core.twin import library_rules, memory_rules, state_rules, value_rules  # noqa: F401  enter their rules
from verifex.core.twin.alone import run_alone
from verifex.core.twin.behaviour import BehaviourReport, check_behaviour
from verifex.core.twin.program_run import TwinTrace, run_twin
from verifex.core.twin.stimulus import Stimulus, plan_stimulus, read_stimulus
from verifex.core.twin.wired import check_on_bench, checklist_on_bench, programmed, wired_pins

__all__ = [
    "BehaviourReport",
    "Stimulus",
    "TwinTrace",
    "check_behaviour",
    "check_on_bench",
    "checklist_on_bench",
    "plan_stimulus",
    "programmed",
    "read_stimulus",
    "run_alone",
    "run_twin",
    "wired_pins",
]
