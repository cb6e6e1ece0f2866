"""The Round: what a card says of a bench, and why to go there, each in one sentence."""

from verifex.dockets.models import State, Station
from verifex.floor.standing import Standing


def words(standing: Standing) -> tuple[str, str]:
    """(what the card says, why to go there)."""
    row = standing.row
    station, state = (row.station, row.state) if row else (Station.KIT, None)
    number = standing.judged.get(standing.kind, 0) if standing.kind else 0
    if standing.is_off:
        return "power off: clearance voided", "The clearance is void: see that power is off."
    if state == State.SENT_BACK:
        return f"sent back, working on attempt {number + 1}", ""
    if state == State.ASKS and standing.is_being_judged:
        return "handed in, being judged", f"{station.capitalize()} handed in; it is being judged."
    match station:
        case Station.WIRING if state == State.ASKS:
            return f"attempt {number} handed in{_clean(standing)}", f"Wiring, attempt {number}: {_many(standing)}."
        case Station.POWER if state == State.ASKS:
            return f"asks for power{_clean(standing)}", f"Asks for power; {_many(standing)}."
        case Station.PROGRAM if state == State.ASKS:
            said = _many(standing) if standing.summary.compiles else "does not compile"
            shown = _clean(standing) if standing.summary.compiles else ", does not compile"
            return f"attempt {number} handed in{shown}", f"Program, attempt {number}: {said}."
        case Station.READINGS if state == State.ASKS:
            return _readings(standing)
        case Station.MARK if state == State.PASSED:
            return "marked", ""
        case Station.MARK if state == State.ASKS:
            return "ready to mark", "Ready to mark." + _look(standing)
    return AT_WORK[Station(station)], ""


AT_WORK = {
    Station.KIT: "no kit yet",
    Station.WIRING: "entering the wiring",
    Station.POWER: "wiring passed, before power",
    Station.PROGRAM: "writing the program",
    Station.READINGS: "taking readings",
    Station.MARK: "readings first",
}


def _many(standing: Standing) -> str:
    summary = standing.summary
    if summary.overrun:
        return "not checked yet"
    stops = summary.counts.get("stop", 0)
    fixes = summary.counts.get("fix", 0)
    said = [f"{stops} Stop{'s' if stops != 1 else ''}"] if stops else []
    said += [f"{fixes} to fix"] if fixes else []
    said += ["part of it not checked"] if summary.unchecked else []
    return ", ".join(said) or "no Stop or Fix"


def _clean(standing: Standing) -> str:
    """What a card adds where it shows no tag with a count."""
    counts = standing.summary.counts
    return "" if counts.get("stop") or counts.get("fix") else f", {_many(standing)}"


def _look(standing: Standing) -> str:
    return " The log is worth a second look." if standing.second_look else ""


def _readings(standing: Standing) -> tuple[str, str]:
    summary, look = standing.summary, _look(standing)
    match summary.verdict:
        case "in-limits":
            return "readings in limits", f"Readings handed in, all steps in limits.{look}"
        case "incomplete":
            return "readings incomplete", f"Readings handed in; a step is missing.{look}"
        case "not-judged":
            return "readings not judged", f"Readings handed in, but no step could be judged.{look}"
    best = f" {summary.fits_best}, most likely." if summary.fits_best else ""
    return "readings out of limits", f"Readings out of limits.{best}{look}"
