"""Counts of what a run shows of a place in its program."""

from collections import Counter
from typing import Any

from verifex.core.program.runtime.run_result import Running
from verifex.core.program.tree import At


class Observed(Counter[Any]):
    """Counts by place that tell the run when each was made for the first time."""

    def __init__(self, machine: Running) -> None:
        super().__init__()
        self._machine = machine

    def __setitem__(self, key: Any, count: int) -> None:
        if key not in self:
            at = key if isinstance(key, At) else key[1]
            self._machine.result.first_ms.setdefault(at, round(self._machine.now_us / 1000, 3))
        super().__setitem__(key, count)
