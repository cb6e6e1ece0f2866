"""One run of a program on a bench."""

from dataclasses import dataclass, field
from typing import Any

from verifex.core.circuit.view import BenchView
from verifex.core.exercise.units import UNITS_OF_QUANTITY
from verifex.core.program import ProgramReport, RunResult
from verifex.core.twin.stimulus import Stimulus
from verifex.core.twin.surroundings import BenchSurroundings

MOST_SAMPLES_SHOWN = 1500
UNSEEN_MS = 20.0  # a light that goes out and on again faster than this is seen as steady


@dataclass(frozen=True, slots=True)
class TwinTrace:
    """What happened: the program's own run, lights and sounders, and samples (ms, pin, stimulus, count)."""

    run: RunResult
    indicator_events: list[tuple[float, str, bool]] = field(default_factory=list)
    samples: list[tuple[float, str, float, int]] = field(default_factory=list)
    operating_points: int = 0
    #: Modules asked more often than they measure: (part, quantity) → (shortest time between in s, what it needs).
    too_often: dict[tuple[str, str], tuple[float, float]] = field(default_factory=dict)
    #: Modules that a library looks for on other pins than they are on: part → (pins it was told, pins by leg).
    elsewhere: dict[str, tuple[tuple[str, ...], dict[str, str]]] = field(default_factory=dict)
    #: Modules that corrode when fed, and a pin feeds them: part → (pin, share of the run in which it is high).
    fed_share: dict[str, tuple[str, float]] = field(default_factory=dict)

    def is_on(self, ref: str, ms: float) -> bool:
        """Whether an indicator is on at a time."""
        state = False
        for at, who, on in self.indicator_events:
            if at > ms:
                break
            if who == ref:
                state = on
        return state

    def as_json(self, plan: Stimulus | None = None) -> dict[str, Any]:
        """`plan` adds what was done around the bench: each quantity's line, and ids held to readers."""
        thin = max(1, len(self.samples) // MOST_SAMPLES_SHOWN)
        return {
            "serial": self.run.serial,
            "lines": [[ms, text] for ms, text in self.run.lines[:MOST_SAMPLES_SHOWN]],
            "events": [list(event) for event in self.run.events],
            "indicators": [[ms, ref, on] for ms, ref, on in self.indicator_events],
            "samples": [list(sample) for sample in self.samples[::thin]],
            "stimulus": _plan_json(plan) if plan else [],
            "displays": [[ms, name, rows] for ms, name, rows in self.run.displays[:MOST_SAMPLES_SHOWN]],
            "ended": self.run.ended,
            "ended_ms": self.run.ended_ms,
            "operating_points": self.operating_points,
        }


def _plan_json(plan: Stimulus) -> list[dict[str, Any]]:
    keys = dict.fromkeys([*(w.key for w in plan.windows), *plan.segments])
    return [
        {
            "ref": ref,
            "quantity": quantity,
            "unit": UNITS_OF_QUANTITY.get(quantity, ""),
            "points": [[round(ms, 1), round(value, 4)] for ms, value in plan.curve((ref, quantity))],
            "texts": [{"ms": ms, "text": text} for ms, text in plan.texts.get((ref, quantity), [])],
        }
        for ref, quantity in keys
    ]


def run_twin(
    view: BenchView,
    program: ProgramReport,
    stimulus: Stimulus,
    seconds: float,
    *,
    internal_volts: float | None = None,
    seed: int = 1,
    cold: bool = False,
) -> TwinTrace:
    """Run `program` on the bench of `view` under `stimulus` for `seconds` of virtual time.

    `internal_volts` is the measured internal reference; `seed` fixes the noise of floating pins. The bench has been on
    for long unless it is `cold`: then its modules warm up first, and what they tell meanwhile means nothing. Raises
    ValueError when the program is not runnable, NoSensibleAnswer when the circuit has no operating point.
    """
    surroundings = BenchSurroundings(view, stimulus, internal_volts, seed, cold=cold)
    result = program.run(surroundings, seconds, serial_blocks=True)
    seen = _as_seen(surroundings.indicator_events)
    fed = _fed_share(view, result, seconds)
    noted = surroundings.too_often, surroundings.elsewhere, fed
    return TwinTrace(result, seen, surroundings.samples, len(surroundings.cache), *noted)


def _fed_share(view: BenchView, run: RunResult, seconds: float) -> dict[str, tuple[str, float]]:
    """How much of the time a pin that feeds a corroding module is high."""
    found = {}
    for part in view.module_parts():
        net = view.net(part, part.type.supply_leg) if part.type.corrodes_when_fed and part.type.supply_leg else None
        pin = next((pin.name for pin in view.nets.signal_pins(net)), None) if net else None
        if pin is None:
            continue
        changes = [(ms, what == "1") for ms, who, what in run.events if who == pin and what in ("0", "1")]
        ends = [*(ms for ms, _ in changes[1:]), min(run.ended_ms or seconds * 1000, seconds * 1000)]
        high = sum(max(0.0, end - ms) for (ms, is_high), end in zip(changes, ends, strict=False) if is_high)
        found[part.ref] = (pin, high / (seconds * 1000))
    return found


def _as_seen(events: list[tuple[float, str, bool]]) -> list[tuple[float, str, bool]]:
    """Changes an eye or an ear would notice: `off, then on again` within one pass of the loop is none."""
    seen: list[tuple[float, str, bool]] = []
    for event in events:
        ms, ref, _ = event
        last = next((i for i in range(len(seen) - 1, -1, -1) if seen[i][1] == ref), None)
        if last is not None and ms - seen[last][0] < UNSEEN_MS:
            del seen[last]  # the two undo each other
        else:
            seen.append(event)
    return seen
