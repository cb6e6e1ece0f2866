"""Times the usual computations in this process: best and median of several runs after a warm-up, in milliseconds.

Nothing is judged here; figures of another day are for comparison on the same machine only.
"""

import platform
from collections.abc import Callable
from pathlib import Path
from statistics import median
from time import perf_counter

from benchmarks.circuit import crowded_bench, one_point
from benchmarks.class_list import class_list
from benchmarks.hatch import hatch
from benchmarks.papers import class_papers
from benchmarks.programs import TASKS as PROGRAM_TASKS
from verifex.core.circuit import check_wiring
from verifex.core.exercise import read_exercise
from verifex.core.expected import Measured, expected_sheet, sheet_json
from verifex.core.marking import Evidence, propose
from verifex.core.readings import compare_log
from verifex.core.twin import check_behaviour, check_on_bench, plan_stimulus, run_twin

DEMO = Path(__file__).parent.parent / "demo"
RUNS = 9

EXERCISE = read_exercise((DEMO / "exercises/brood-box-heat-watch/exercise.yaml").read_text("utf-8"))
COURSE = [read_exercise(path.read_text("utf-8")) for path in sorted(DEMO.glob("exercises/*/exercise.yaml"))]
LIGHT = next(exercise for exercise in COURSE if exercise.id == "lid-open-watch")
WIRING = (DEMO / "hand-ins/one-half.bench").read_text("utf-8")
PROGRAM = (DEMO / "hand-ins/sound-a.cpp").read_text("utf-8")
LOG = (DEMO / "hand-ins/in-limits.txt").read_text("utf-8")
MEASURED = Measured(rail_volts=4.93)


def wiring_check() -> str:
    report = check_wiring(WIRING, exercise=EXERCISE, rail_volts=4.93)
    return f"{report.view.operating_points} operating points, {len(report.bench.parts)} parts"


def expected() -> str:
    sheet = expected_sheet(EXERCISE, WIRING, measured=MEASURED)
    return f"{len(sheet.steps)} steps, {len(sheet.plot())} plot points"


def every_sheet() -> str:
    """The sheet of each of the course's exercises on its own bench, as a page asks for it."""
    sheets = [expected_sheet(exercise) for exercise in COURSE]
    return f"{len(sheets)} exercises, {sum(len(sheet_json(s)['steps']) for s in sheets)} steps"


def slider_tables() -> str:
    """The dense tables behind the sliders of a light cell in its divider."""
    sliders = expected_sheet(LIGHT).sliders()
    return f"{len(sliders)} sliders, {sum(s.table.size for s in sliders)} numbers"


def whole_docket() -> str:
    """Wiring, program with its run, readings and marks: all that one docket asks of the core."""
    wiring = check_wiring(WIRING, exercise=EXERCISE, rail_volts=4.93)
    sheet = expected_sheet(EXERCISE, WIRING, measured=MEASURED)
    program = check_on_bench(PROGRAM, wiring.view, EXERCISE)
    plan = plan_stimulus(EXERCISE)
    trace = run_twin(wiring.view, program, plan, plan.seconds)
    behaviour = check_behaviour(wiring.view, EXERCISE, plan, trace, sheet)
    readings = compare_log(LOG, EXERCISE, sheet)
    evidence = Evidence(
        wiring=tuple(wiring.findings),
        wiring_handed_in=True,
        cleared=True,
        program=(*program.findings, *behaviour.findings),
        program_handed_in=True,
        steps={s.name: s.verdict for s in readings.steps},
    )
    return f"{propose(EXERCISE.criteria, evidence).total} marks"


def timed(name: str, task: Callable[[], str]) -> None:
    said = task()
    seconds = []
    for _ in range(RUNS):
        start = perf_counter()
        task()
        seconds.append(perf_counter() - start)
    print(f"{name:24} {1000 * min(seconds):8.1f} ms best {1000 * median(seconds):8.1f} ms median   ({said})")


if __name__ == "__main__":
    print(f"Python {platform.python_version()}, {RUNS} runs each after one warm-up")
    for name, task in {
        "wiring check": wiring_check,
        "wiring check, crowded": crowded_bench,
        "expected sheet": expected,
        "all twelve sheets": every_sheet,
        "slider tables": slider_tables,
        **PROGRAM_TASKS,
        "whole docket": whole_docket,
    }.items():
        timed(name, task)
    one_point()
    class_papers()
    class_list()
    hatch()
