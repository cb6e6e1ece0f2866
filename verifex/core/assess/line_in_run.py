"""One line of a program through the run on its bench: its variables before and after, around the moment it goes wrong."""

from typing import Any

from verifex.core.assess.case import Case
from verifex.core.assess.program import plan_of, run_through
from verifex.core.assess.workbench import Workbench
from verifex.core.program.runtime.watch import LineWatch, WatchedLine

MOST_SHOWN = 24


def line_in_run(case: Case, line: int, moment_ms: float | None) -> dict[str, Any]:
    """`text` of the line, `times` it was come to, and the `rows` nearest to the moment (the first ones where there is none).

    Each row has `ms`, the name of the plan's `step` then, and `values`: by name before and after. Raises ValueError where there is
    nothing to run.
    """
    bench = Workbench(case)
    report = bench.program
    if report is None or not report.runnable or bench.wiring is None:
        raise ValueError("There is no program that runs on this bench.")
    lines = report.source.split("\n")
    if not 1 <= line <= len(lines):
        raise ValueError(f"The program has no line {line}.")
    plan, watch = plan_of(bench, report), LineWatch(line)
    if run_through(bench, report, plan, watch) is None:
        raise ValueError("The circuit as wired has no operating point, so there is nothing to run it on.")
    shown = nearest(watch.rows, moment_ms)
    windows = {w.name: w for w in plan.windows}
    steps = [next((name for name, w in windows.items() if w.start_ms <= row.ms < w.end_ms), "") for row in shown]
    return {
        "line": line,
        "text": lines[line - 1].strip(),
        "times": len(watch.rows),
        "names": _changed_first(shown),
        "rows": [
            {
                "ms": row.ms,
                "step": step,
                "values": [
                    {"name": name, "before": row.before.get(name, ""), "after": row.after.get(name, "")}
                    for name in dict.fromkeys((*row.before, *row.after))
                ],
            }
            for row, step in zip(shown, steps, strict=True)
        ],
    }


def _changed_first(rows: list[WatchedLine]) -> list[str]:
    names = dict.fromkeys(name for row in rows for name in (*row.before, *row.after))
    return sorted(names, key=lambda name: all(row.before.get(name) == row.after.get(name) for row in rows))


def nearest(rows: list[WatchedLine], moment_ms: float | None) -> list[WatchedLine]:
    """The rows around a moment, in their order: two thirds of them before it."""
    if moment_ms is None or len(rows) <= MOST_SHOWN:
        return rows[:MOST_SHOWN]
    at = next((i for i, row in enumerate(rows) if row.ms >= moment_ms), len(rows))
    first = max(0, min(at - MOST_SHOWN // 3, len(rows) - MOST_SHOWN))
    return rows[first : first + MOST_SHOWN]
