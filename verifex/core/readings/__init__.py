"""Log text → steps → comparison with the expected sheet, what explains a misfit, and a look at honesty."""

from verifex.core.readings.compare import ReadingsReport, compare_log, judge_log
from verifex.core.readings.log import Log, read_log

__all__ = ["Log", "ReadingsReport", "compare_log", "judge_log", "read_log"]
