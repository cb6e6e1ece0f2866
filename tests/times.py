"""How long each test takes, `make test TIMES=1`: the slowest, beside a fixed piece of arithmetic so that slow machines compare.

The first test of a class is charged with what the class sets up.
"""

import json
import time
from collections import defaultdict
from pathlib import Path
from typing import Any
from unittest import TestCase, TextTestResult

from django.test.runner import DiscoverRunner, ParallelTestSuite, RemoteTestResult, RemoteTestRunner

MOST_SHOWN = 30
RECORDED = Path(__file__).parent.parent / "var" / "test-seconds.json"
ARITHMETIC = 3_000_000  # additions; a second or less on a usual machine


def arithmetic_seconds() -> float:
    """Processor time of a fixed piece of arithmetic on this machine."""
    begun, total = time.process_time(), 0
    for n in range(ARITHMETIC):
        total += n * n % 7
    return time.process_time() - begun


class TimedRemoteResult(RemoteTestResult):
    """Records in the child process how long each test took since the one before it."""

    def __init__(self, *args: Any, **kwargs: Any) -> None:
        super().__init__(*args, **kwargs)
        self.ended = time.perf_counter()

    def stopTest(self, test: TestCase) -> None:
        now = time.perf_counter()
        self.events.append(("took", self.test_index, now - self.ended))
        self.ended = now
        super().stopTest(test)


class TimedRemoteRunner(RemoteTestRunner):
    resultclass = TimedRemoteResult


class TimedSuite(ParallelTestSuite):
    runner_class = TimedRemoteRunner


class TimedResult(TextTestResult):
    """Collects seconds by test, as the children report them."""

    seconds: dict[str, float] = {}  # shared by the parts of a run: there is one run in a process

    def took(self, test: TestCase, seconds: float) -> None:
        self.seconds[test.id()] = seconds


class TimedRunner(DiscoverRunner):
    parallel_test_suite = TimedSuite

    def get_resultclass(self) -> Any:
        return TimedResult


def report() -> str:
    """The slowest tests, and what all came to in times of the fixed arithmetic."""
    seconds, unit = TimedResult.seconds, arithmetic_seconds()
    slowest = sorted(seconds.items(), key=lambda one: -one[1])[:MOST_SHOWN]
    lines = [f"{took:8.1f} s  {name}" for name, took in slowest]
    total = sum(seconds.values())
    lines.append(
        f"{total:8.0f} s in {len(seconds)} tests, {total / unit:.0f} times {ARITHMETIC:,} sums ({unit:.2f} s here)"
    )
    return "\n".join(lines)


def seconds_by_module() -> dict[str, float]:
    """How long the tests of each module took together when they ran last; empty where none ran yet."""
    try:
        recorded: dict[str, float] = json.loads(RECORDED.read_text())
    except (OSError, ValueError):
        return {}
    return recorded


def keep() -> None:
    """Record how long the modules of this run took, beside what is known of the others."""
    took: defaultdict[str, float] = defaultdict(float)
    for name, seconds in TimedResult.seconds.items():
        took[name.rsplit(".", 2)[0]] += seconds
    RECORDED.parent.mkdir(exist_ok=True)
    RECORDED.write_text(json.dumps(seconds_by_module() | took, indent=1))
