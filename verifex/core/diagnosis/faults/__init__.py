"""Every single fault that may sit in a case. A new one is a function in the file of its kind, and its prior."""

from collections.abc import Iterator

from verifex.core.diagnosis.case import BenchCase
from verifex.core.diagnosis.faults.log import log_faults
from verifex.core.diagnosis.faults.parts import part_faults
from verifex.core.diagnosis.faults.program import program_faults
from verifex.core.diagnosis.faults.state import state_faults
from verifex.core.diagnosis.faults.tags import tag_faults
from verifex.core.diagnosis.faults.wiring import wiring_faults
from verifex.core.diagnosis.model import Fault

KINDS = (program_faults, part_faults, state_faults, tag_faults, log_faults, wiring_faults)


def faults_of(case: BenchCase) -> Iterator[Fault]:
    """Faults that this exercise, its modules and this bench can have."""
    for kind in KINDS:
        yield from kind(case)


__all__ = ["KINDS", "faults_of"]
