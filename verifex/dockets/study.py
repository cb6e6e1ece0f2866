"""A closer look at a wiring that was handed in: changes, resistors, the comparison, and what flows in a state."""

from typing import Any

from verifex.core.circuit.changes import changes_between
from verifex.core.circuit.functions import compare_functions
from verifex.core.circuit.handles import handles, solve_as_set
from verifex.core.circuit.reading import read_bench
from verifex.core.circuit.windows import resistor_jobs
from verifex.dockets.bench import DocketBench
from verifex.dockets.models import Attempt, Docket, Kind
from verifex.exercises.intended import intended_bench
from verifex.people.access import Refused
from verifex.stores.advice import allowed_resistors, offers


def changes_since(attempt: Attempt) -> list[dict[str, Any]] | None:
    """What changed on the bench since the attempt before; None where it is the first."""
    before = attempt.docket.attempts.filter(kind=Kind.WIRING, number__lt=attempt.number).order_by("-number").first()
    if before is None:
        return None
    return [change.as_json() for change in changes_between(read_bench(before.text), read_bench(attempt.text))]


def study(docket: Docket) -> dict[str, Any]:
    """Resistors with their windows and what the store offers, the comparison by function, and what can be set."""
    bench, attempt = _handed_in(docket)
    view = bench.check_wiring(attempt.text).view
    intended = intended_bench(docket.version)
    allowed = allowed_resistors(docket.version)
    roles = {part.ref: role for role, part in view.roles.items()}
    resistors = []
    for job in resistor_jobs(view):
        row = job.as_json()
        asked = allowed.get(roles.get(job.ref, job.ref))
        if asked:
            # The exercise's own window stands over the one that follows from the bench.
            row["nominal_ohms"] = asked.nominal_ohms
            row["low_ohms"], row["high_ohms"] = asked.low_ohms, asked.high_ohms
            row["low_because"], row["high_because"] = asked.low_because, asked.high_because
            row["formula"] = row["formula"] if asked.is_derived else ""
            row["fits"] = None if job.ohms is None or not asked.window_words else asked.holds(job.ohms)
        row["offers"] = [offer.as_json() for offer in offers(asked)] if asked and row["fits"] is False else []
        resistors.append(row)
    return {
        "attempt": attempt.number,
        "resistors": resistors,
        "comparison": [row.as_json() for row in compare_functions(view, intended)] if intended else [],
        "handles": [handle.as_json() for handle in handles(view)],
    }


def solve(docket: Docket, settings: dict[str, str]) -> dict[str, Any]:
    """Volts and currents with the handles as set. Refused, in words, where a handle is none or nothing is solved."""
    bench, attempt = _handed_in(docket)
    try:
        solved = solve_as_set(bench.check_wiring(attempt.text).view, settings)
    except ValueError as wrong:
        raise Refused(f"{wrong}.") from None
    if solved is None:
        raise Refused("This circuit has no sensible operating point; see the findings first.")
    return solved


def _handed_in(docket: Docket) -> tuple[DocketBench, Attempt]:
    bench = DocketBench(docket)
    attempt = bench.last(Kind.WIRING)
    if attempt is None:
        raise Refused("No wiring is handed in yet.")
    return bench, attempt
