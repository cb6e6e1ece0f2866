"""One run of a program on a bench."""

from dataclasses import dataclass, field
from functools import cached_property
from typing import Any

from verifex.core.circuit.view import BenchView
from verifex.core.exercise.units import UNITS_OF_QUANTITY
from verifex.core.program import ProgramReport, RunResult
from verifex.core.program.runtime.watch import LineWatch
from verifex.core.twin.looks import DARK, Look, LookEvent
from verifex.core.twin.screens import ScreenElsewhere, screens_elsewhere
from verifex.core.twin.stimulus import Stimulus
from verifex.core.twin.surroundings import BenchSurroundings

MOST_SAMPLES_SHOWN = 1500
UNSEEN_MS = 20.0  # a light that goes out and on again faster than this is seen as steady
TOGETHER_MS = 1.0  # pins that are written one right after the other
SLOWEST_HEARD_MS = 25.0  # half of a period at 20 Hz, where hearing begins


@dataclass(frozen=True)
class TwinTrace:
    """What happened: the program's own run, lights and sounders, and samples (ms, pin, stimulus, count)."""

    run: RunResult
    looks: list[LookEvent] = field(default_factory=list)
    samples: list[tuple[float, str, float, int]] = field(default_factory=list)
    operating_points: int = 0
    #: Modules asked more often than they measure: (part, quantity) → (shortest time between in s, what it needs).
    too_often: dict[tuple[str, str], tuple[float, float]] = field(default_factory=dict)
    #: Modules that a library looks for on other pins than they are on: part → (pins it was given, pins by leg).
    elsewhere: dict[str, tuple[tuple[str, ...], dict[str, str]]] = field(default_factory=dict)
    #: Modules that corrode when fed, and a pin feeds them: part → (pin, share of the run in which it is high).
    fed_share: dict[str, tuple[str, float]] = field(default_factory=dict)

    bus_addresses: dict[str, tuple[int, ...]] = field(default_factory=dict)  # by module on the two-wire bus
    #: Displays that a library is configured for otherwise than they are wired.
    screens_elsewhere: list[ScreenElsewhere] = field(default_factory=list)
    #: By module the titles of the kind that its library is configured to expect, and of its own kind.
    told_another_kind: dict[str, tuple[str, str]] = field(default_factory=dict)
    read_asleep: dict[str, int] = field(default_factory=dict)  # the power register of modules read and never woken

    @cached_property
    def indicator_events(self) -> list[tuple[float, str, bool]]:
        """When each light and sounder goes on or off: (ms, reference, on)."""
        now: dict[str, bool] = {}
        found = []
        for ms, ref, look in self.looks:
            if now.get(ref, False) != look.on:
                now[ref] = look.on
                found.append((ms, ref, look.on))
        return found

    def look_at(self, ref: str, ms: float) -> Look:
        """What an output shows at a time."""
        return next((look for at, who, look in reversed(self.looks) if who == ref and at <= ms), DARK)

    def is_on(self, ref: str, ms: float) -> bool:
        """Whether an indicator is on at a time."""
        return self.look_at(ref, ms).on

    def shown_at(self, ms: float) -> str:
        """The words on the displays at a time, row after row."""
        last: dict[str, list[str]] = {}
        for at, name, rows in self.run.displays:
            if at > ms:
                break
            last[name] = rows
        return " ".join(" ".join(" ".join(rows) for rows in last.values()).split())

    def as_json(self, plan: Stimulus | None = None) -> dict[str, Any]:
        """`plan` adds what was done around the bench: each quantity's line, and ids held to readers."""
        thin = max(1, len(self.samples) // MOST_SAMPLES_SHOWN)
        return {
            "serial": self.run.serial,
            "lines": [[ms, text] for ms, text in self.run.lines[:MOST_SAMPLES_SHOWN]],
            "events": [list(event) for event in self.run.events],
            "indicators": [[ms, ref, on] for ms, ref, on in self.indicator_events],
            "looks": [[ms, ref, str(look)] for ms, ref, look in self.looks],
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
    watch: LineWatch | None = None,
) -> TwinTrace:
    """Run `program` on the bench of `view` under `stimulus` for `seconds` of virtual time.

    `internal_volts` is the measured internal reference; `seed` fixes the noise of floating pins. The bench has been on
    for long unless it is `cold`: then its modules warm up first, and what they tell meanwhile means nothing. `watch` notes the
    variables of one line. Raises
    ValueError when the program is not runnable, NoSensibleAnswer when the circuit has no operating point.
    """
    surroundings = BenchSurroundings(view, stimulus, internal_volts, seed, cold=cold)
    result = program.run(surroundings, seconds, serial_blocks=True, watch=watch)
    seen = as_observable(_as_audible(view, surroundings.looks.events))
    fed = _fed_share(view, result, seconds)
    addresses = {part.ref: part.addresses for part in view.module_parts() if part.addresses}
    noted = surroundings.too_often, surroundings.elsewhere, fed, addresses, screens_elsewhere(view, result)
    told = surroundings.told_another_kind, surroundings.read_asleep
    return TwinTrace(result, seen, surroundings.samples, len(surroundings.cache), *noted, *told)


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


def _as_audible(view: BenchView, events: list[LookEvent]) -> list[LookEvent]:
    """The events with sounders that need a tone silent where their level stands still: only a level that is switched some
    twenty times a second and more is audible, and its pitch is the rate of it."""
    needy = {part.ref for part in view.bench.parts_of("load") if part.type.load and part.type.load.needs_tone}
    if not needy:
        return events
    heard = [event for event in events if event[1] not in needy]
    for ref in needy:
        own = [event for event in events if event[1] == ref]
        for index, (ms, _, look) in enumerate(own):
            gap = own[index + 1][0] - ms if index + 1 < len(own) else SLOWEST_HEARD_MS
            before = ms - own[index - 1][0] if index else SLOWEST_HEARD_MS
            if look.hertz or (look.share < 1 and look.on):
                heard.append((ms, ref, look))
            elif gap < SLOWEST_HEARD_MS:
                heard.append((ms, ref, Look(True, "", 1.0, round(500 / max(0.01, gap)))))
            elif before >= SLOWEST_HEARD_MS or not look.on:
                heard.append((ms, ref, DARK))
    return sorted(heard, key=lambda event: event[0])


def as_observable(events: list[LookEvent]) -> list[LookEvent]:
    """Changes an eye or an ear would notice: `off, then on again` within one pass of the loop is none, nor is a colour
    that stands only while the pins for the next one are being set. Slow dimming goes step by step and is kept."""
    seen: list[LookEvent] = []
    mine: dict[str, list[int]] = {}  # by output where its changes stand in `seen`
    gone: set[int] = set()
    for ms, ref, look in events:
        own = mine.setdefault(ref, [])
        while own and ms - seen[own[-1]][0] < UNSEEN_MS and not _is_dimming(seen[own[-1]], (ms, ref, look)):
            gone.add(own.pop())
        if (seen[own[-1]][2] if own else DARK) != look:
            own.append(len(seen))
            seen.append((ms, ref, look))
    return [event for index, event in enumerate(seen) if index not in gone]


def _is_dimming(one: LookEvent, other: LookEvent) -> bool:
    a, b = one[2], other[2]
    return a.on and b.on and (a.colour, a.hertz) == (b.colour, b.hertz) and other[0] - one[0] >= TOGETHER_MS
