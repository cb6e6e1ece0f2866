"""Answers while someone types or tries: nothing of them is kept. Each runs under the same limits as an assessment."""

from collections.abc import Mapping
from typing import Any

from verifex.core.assess.case import Case
from verifex.core.assess.workbench import Workbench
from verifex.core.circuit.handles import solve_as_set
from verifex.core.expected import Sheet, sheet_json
from verifex.core.expected.plot import SLIDER_POINTS, stimuli
from verifex.core.readings import judge_log, read_log

MOST_DRAWN = 120  # of the last values of a step


def wiring_now(case: Case) -> dict[str, Any]:
    """The check of a wiring as it stands: problems (lines that are no statement), findings, the bench, nets."""
    report = Workbench(case).wiring
    assert report is not None
    return {
        "problems": [problem.as_json() for problem in report.bench.problems],
        "findings": [finding.as_json() for finding in report.findings],
        "bench": report.bench.as_json(),
        "nets": report.nets_json(),
    }


def currents_as_set(case: Case, settings: Mapping[str, str]) -> dict[str, Any] | None:
    """Volts and currents with outputs, buttons and knobs as set; None where nothing is solved. Raises ValueError for
    what cannot be set."""
    report = Workbench(case).wiring
    return solve_as_set(report.view, settings) if report else None


def sheet_if_measured(case: Case, also: Mapping[str, float]) -> dict[str, Any]:
    """The sheet of the pair's own bench with these values as if they were measured."""
    return sheet_json(Workbench(case.with_measured(also)).built)


def sliders_if_measured(case: Case, also: Mapping[str, float], reading: str) -> dict[str, Any]:
    """What can be measured on the pair's bench, each with how a reading follows it. Raises ValueError for no reading."""
    return sliders_json(Workbench(case.with_measured(also)).built, reading)


def sliders_json(sheet: Sheet, reading: str) -> dict[str, Any]:
    """The sliders of one reading (`U1.celsius`; the main one where none is named); empty without a sheet. Raises
    ValueError for a reading the exercise does not have."""
    known = {f"{ref}.{quantity}": (ref, quantity) for ref, quantity in sheet.chains}
    if reading and reading not in known:
        raise ValueError(f"“{reading}” is no reading of this exercise")
    key = known[reading] if reading else next(iter(sheet.chains), None)
    if key is None:
        return {"reading": "", "stimuli": [], "sliders": []}
    return {
        "reading": f"{key[0]}.{key[1]}",
        "stimuli": stimuli(*sheet.plot_range(key), SLIDER_POINTS).tolist(),
        "sliders": [slider.as_json() for slider in sheet.sliders(key)],
    }


def readings_now(case: Case) -> dict[str, Any]:
    """How the steps of a log so far lie on the pair's bench, and what a person should know. Raises UnusableInput as `read_log`."""
    bench = Workbench(case)
    sheet = bench.built
    log = read_log(case.log or "", case.exercise, sheet, columns=case.measured.columns)
    report = judge_log(log, case.exercise, sheet)
    off = [
        f"“{step.name}” lies outside what this bench should print." for step in report.steps if step.verdict == "out"
    ]
    garbage = [note for note in report.log_notes if "garbage" in note]
    steps = [
        {
            "name": step.name,
            "verdict": step.verdict,
            "centre": step.centre,
            "readings": step.first.count,
            "values": list(step.first.values[-MOST_DRAWN:]),
            "low": expected.value.low,
            "high": expected.value.high,
        }
        for step, expected in zip(report.steps, sheet.steps, strict=True)
    ]
    return {"steps": steps, "notes": [*garbage, *off]}
