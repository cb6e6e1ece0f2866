"""A simulated board: what the twin of a bench prints, in real or faster time, with a chosen fault, at a chosen baud rate."""

import time
from collections.abc import Callable, Iterator

from verifex.core.assess import Case, Workbench
from verifex.core.diagnosis import bench_case
from verifex.core.diagnosis.faults import faults_of
from verifex.core.diagnosis.model import Fault
from verifex.core.diagnosis.raw import FaultBench
from verifex.core.exercise import Exercise
from verifex.core.expected import Measured
from verifex.core.printed.baud import received
from verifex.core.twin import plan_stimulus, run_twin
from verifex.core.twin.wired import check_on_bench
from verifex.standins.serial_port import SerialPort


class NoSuchFault(ValueError):
    """A fault that this bench cannot have; the text lists those it can."""


def bench_faults(case: Case) -> list[Fault]:
    """Faults of this bench that change its circuit: what a simulated board can have."""
    bench = Workbench(case)
    view = bench.wiring.view if bench.wiring else None
    sound = bench_case(case.exercise, bench.board, bench.built, view, case.measured)
    return [fault for fault in faults_of(sound) if fault.apply(sound).bench is not None]


def printed(case: Case, fault: str = "", *, named: str = "", seconds: float | None = None) -> list[tuple[float, str]]:
    """(ms, line) of a run of the case's program through the plan, on the bench with a fault by its slug; `named` picks the one
    whose title has these words. Raises NoSuchFault, and ValueError for a program that does not run."""
    bench = Workbench(case)
    if bench.wiring is None or case.program is None:
        raise ValueError("a wiring and a program are needed")
    view = bench.wiring.view
    if fault:
        able = bench_faults(case)
        found = next((f for f in able if f.slug == fault and named.lower() in f.title.lower()), None)
        if found is None:
            raise NoSuchFault(
                f"this bench has no fault “{fault}”; {', '.join(sorted({f.slug for f in able}))} it can have"
            )
        sound = bench_case(case.exercise, bench.board, bench.built, view, case.measured)
        view = FaultBench(sound).view(found.apply(sound)) or view
    program = check_on_bench(case.program, view, case.exercise, bench.board.id)
    if not program.runnable:
        raise ValueError("the program does not run")
    plan = plan_stimulus(case.exercise, case.measured.stimulus)
    steps = [w for w in plan.windows if w.kind == "step"]
    trace = run_twin(view, program, plan, seconds or max(w.end_ms for w in steps) / 1000)
    return list(trace.run.lines)


def with_marks(
    lines: list[tuple[float, str]], exercise: Exercise, measured: Measured | None = None
) -> list[tuple[float, str]]:
    """The lines with a mark before each step of the plan, as a pair types them while it logs."""
    plan = plan_stimulus(exercise, (measured or Measured()).stimulus)
    marks = [(w.start_ms, f"# {w.name}") for w in plan.windows if w.kind == "step"]
    return sorted([*lines, *marks], key=lambda row: row[0])


def stream(
    port: SerialPort,
    lines: list[tuple[float, str]],
    *,
    speed: float = 1.0,
    baud: int = 9600,
    read_at: int | None = None,
    sleep: Callable[[float], None] = time.sleep,
) -> Iterator[str]:
    """Send lines at their time, `speed` times as fast (0: all at once); gives each one as it is sent.

    A port that is `read_at` another rate than the board's gets what arrives then.
    """
    now = 0.0
    for ms, text in lines:
        if speed > 0 and ms > now:
            sleep((ms - now) / 1000 / speed)
            now = ms
        port.write(received(f"{text}\r\n".encode(), baud, read_at or baud))
        yield text
