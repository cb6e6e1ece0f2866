"""A log as it was handed in, taken apart into steps and readings."""

from verifex.core.readings.log.ids import same_id
from verifex.core.readings.log.model import Log, StepLog
from verifex.core.readings.log.read import read_log
from verifex.core.readings.log.states import is_state, state_in

__all__ = ["Log", "StepLog", "is_state", "read_log", "same_id", "state_in"]
