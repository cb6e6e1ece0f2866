"""A closer look at a wiring that was handed in: resistors with what the store offers, the comparison, what flows."""

from dataclasses import replace
from typing import Any

from verifex.core.assess import WiringRecord
from verifex.core.assess.line_in_run import line_in_run
from verifex.core.assess.live import currents_as_set, sheet_if_measured, sliders_if_measured, wiring_now
from verifex.core.hand_ins import HandIn
from verifex.dockets.hints import key_of
from verifex.dockets.inputs import DocketInputs, DocketKey, case_without_texts
from verifex.dockets.judgements import newest
from verifex.dockets.models import Docket
from verifex.dockets.refusals import (
    NoLineForHint,
    NoOperatingPoint,
    NothingRuns,
    NoWiringHandedIn,
    NoWiringJudged,
    WiringNotReadable,
)
from verifex.people.models import User
from verifex.stores.advice import allowed_resistors, offers
from verifex.work.pool import compute_live


def study(docket: Docket) -> dict[str, Any]:
    """Resistors with their windows and what the store offers, the comparison by function, and what can be set."""
    judgement = newest(docket, HandIn.WIRING)
    if judgement is None:
        raise NoWiringJudged()
    record = judgement.typed(WiringRecord)
    allowed = allowed_resistors(docket.version)
    resistors = []
    for job in record.resistors:
        row = dict(job)
        asked = allowed.get(record.roles.get(row["ref"], row["ref"]))
        if asked:
            # The exercise's own window stands over the one that follows from the bench.
            row["nominal_ohms"] = asked.nominal_ohms
            row["low_ohms"], row["high_ohms"] = asked.low_ohms, asked.high_ohms
            row["low_because"], row["high_because"] = asked.low_because, asked.high_because
            row["formula"] = row["formula"] if asked.is_derived else ""
            row["fits"] = None if row["ohms"] is None or not asked.window_words else asked.holds(row["ohms"])
        row["offers"] = [offer.as_json() for offer in offers(asked)] if asked and row["fits"] is False else []
        resistors.append(row)
    return {
        "attempt": judgement.attempt.number,
        "resistors": resistors,
        "comparison": list(record.comparison),
        "handles": list(record.handles),
    }


def check_now(by: User, key: DocketKey, text: str) -> dict[str, Any]:
    """The check of a wiring while it is typed; an older one of the same person at the same docket is dropped."""
    case = replace(case_without_texts(key), wiring=text)
    found: dict[str, Any] = compute_live(("check", by.pk, key.id), wiring_now, case)
    return found


def solve(by: User, docket: Docket, settings: dict[str, str]) -> dict[str, Any]:
    """Volts and currents with the handles as set. Refused, in words, where a handle is none or nothing is solved."""
    inputs = DocketInputs(docket)
    if HandIn.WIRING not in inputs.attempts:
        raise NoWiringHandedIn()
    try:
        case = inputs.case((HandIn.WIRING,))
        solved: dict[str, Any] | None = compute_live(("solve", by.pk, docket.pk), currents_as_set, case, settings)
    except ValueError as wrong:
        raise WiringNotReadable(str(wrong)) from None
    if solved is None:
        raise NoOperatingPoint()
    return solved


def line_of(by: User, docket: Docket, line: int, moment_ms: float | None) -> dict[str, Any]:
    """One line of the program through the run on the pair's bench. Refused where nothing runs."""
    case = DocketInputs(docket).case((HandIn.WIRING, HandIn.PROGRAM))
    try:
        found: dict[str, Any] = compute_live(("line", by.pk, docket.pk), line_in_run, case, line, moment_ms)
    except ValueError as wrong:
        raise NothingRuns(str(wrong)) from None
    return found


def line_of_hint(by: User, docket: Docket, key: str) -> dict[str, Any]:
    """The line of a hint that a pair may look at: of a Fix or a Stop of its own program."""
    judgement = newest(docket, HandIn.PROGRAM)
    findings = judgement.record.get("findings", []) if judgement else []
    found = next((f for f in findings if key_of(f["rule"]) == key and f["severity"] in ("stop", "fix")), None)
    line = found["where"].get("line") if found else None
    if found is None or line is None:
        raise NoLineForHint()
    return line_of(by, docket, line, found.get("moment_ms"))


def sheet_if(by: User, docket: Docket, also: dict[str, float]) -> dict[str, Any]:
    """The sheet of the pair's own bench with values as if they were measured."""
    case = DocketInputs(docket).case((HandIn.WIRING,))
    found: dict[str, Any] = compute_live(("sheet", by.pk, docket.pk), sheet_if_measured, case, also)
    return found


def sliders_if(by: User, docket: Docket, also: dict[str, float], reading: str) -> dict[str, Any]:
    """What can be measured on the pair's bench, with how a reading follows it."""
    case = DocketInputs(docket).case((HandIn.WIRING,))
    try:
        found: dict[str, Any] = compute_live(("sliders", by.pk, docket.pk), sliders_if_measured, case, also, reading)
    except ValueError as wrong:
        raise WiringNotReadable(str(wrong)) from None
    return found
