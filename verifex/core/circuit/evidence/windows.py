"""Each resistor's job on a bench, known from what hangs on its two ends, and the window that follows from it."""

from collections.abc import Iterator
from dataclasses import dataclass

from verifex.core.circuit.bench import Part
from verifex.core.circuit.connections.paths import Link
from verifex.core.circuit.evidence.lights import lights
from verifex.core.circuit.nets import Net
from verifex.core.circuit.operating import ohms_in_circuit
from verifex.core.circuit.values import rated_watts, resistor_ohms
from verifex.core.circuit.view import BenchView
from verifex.core.parts import LegRole
from verifex.core.resistors.windows import (
    SLOT_SECONDS,
    Window,
    base_window,
    button_window,
    cell_window,
    led_window,
    line_farads,
    lower_window,
    pull_up_window,
    upper_window,
)

DARK_LUX, BRIGHT_LUX = 1.0, 1000.0  # a covered cell and one under a lamp


@dataclass(frozen=True, slots=True)
class ResistorJob:
    """One resistor: what it is for, the window that follows (None where nothing follows), and how it stands.

    `ohms` as the check takes it, `amps` and `watts` the most in any state, `in_circuit_ohms` what a meter reads
    across it as it sits.
    """

    ref: str
    job: str
    about: str
    window: Window | None
    ohms: float | None
    amps: float
    watts: float
    rated_watts: float | None
    in_circuit_ohms: float | None

    @property
    def fits(self) -> bool | None:
        return None if self.window is None or self.ohms is None else self.window.holds(self.ohms, 0.02)

    def as_json(self) -> dict[str, object]:
        window = self.window
        return {
            "ref": self.ref,
            "job": self.job,
            "about": self.about,
            "low_ohms": window.low_ohms if window else None,
            "high_ohms": window.high_ohms if window else None,
            "low_because": window.low_because if window else "",
            "high_because": window.high_because if window else "",
            "formula": window.formula if window else "",
            "ohms": self.ohms,
            "fits": self.fits,
            "amps": self.amps,
            "watts": self.watts,
            "rated_watts": self.rated_watts,
            "in_circuit_ohms": self.in_circuit_ohms,
        }


def resistor_jobs(view: BenchView) -> list[ResistorJob]:
    """Every resistor of a bench with its job and window, in the order of the hand-in."""
    jobs = []
    for part in view.bench.parts_of("resistor"):
        job, about, window = job_of(view, part)
        jobs.append(
            ResistorJob(
                part.ref,
                job,
                about,
                None if window and window.is_empty else window,
                resistor_ohms(part, "measured"),
                max((abs(view.amps(s, part)) for s in view.points), default=0.0),
                max((s.point.watts_in(part.ref) for s in view.points), default=0.0),
                rated_watts(part),
                ohms_in_circuit(view.nets, part.ref),
            )
        )
    return jobs


def job_of(view: BenchView, part: Part) -> tuple[str, str, Window | None]:
    """What a resistor is for, the part it serves, and its window (None where none follows)."""
    nets = [view.net(part, leg) for leg in part.ends]
    if nets[0] is None or nets[1] is None or view.bench.board is None:
        return "unknown", "", None
    for job in (_of_light, _of_base, _of_data_line, _of_cell, _of_level, _of_button, _of_contrast):
        for near, far in ((nets[0], nets[1]), (nets[1], nets[0])):
            if found := job(view, part, near, far):
                return found
    return "other", "", None


Found = tuple[str, str, Window | None]


def _legs(view: BenchView, net: Net, but: Part) -> Iterator[tuple[Part, str]]:
    for leg in view.nets.part_legs(net):
        if leg.ref != but.ref:
            yield view.bench.parts[leg.ref], leg.leg


def _of_light(view: BenchView, part: Part, near: Net, far: Net) -> Found | None:
    board = view.bench.board
    assert board is not None
    for light in view.memoised(lights):
        ends = {net.id for leg in (light.anode, light.cathode) if (net := view.net(light.part, leg))}
        if near.id not in ends or view.nets.is_rail(near):
            continue
        most = min(light.figures.usual_amps, board.pin_usual_amps)
        forward = (light.figures.forward(light.colour, -1), light.figures.forward(light.colour, 1))
        supply = (board.rail_low_volts, board.rail_high_volts)
        try:
            window = led_window(supply, forward, most, board.pin_ohms, light.figures.visible_amps)
        except ValueError:
            window = None
        return "led-series", light.part.ref, window
    return None


def _of_base(view: BenchView, part: Part, near: Net, far: Net) -> Found | None:
    board = view.bench.board
    assert board is not None
    for other, leg in _legs(view, near, part):
        if other.type.model == "transistor" and leg == "base" and not view.nets.is_return(far):
            load = max((view.amps(s, other, "collector") for s in view.points), default=0.0)
            figures = other.type.transistor
            ratio = figures.ratio_usual if figures else 20.0
            drive = (board.rail_low_volts, board.rail_high_volts)
            return "base", other.ref, base_window(drive, load, ratio, board.pin_usual_amps) if load > 1e-4 else None
    return None


def _of_data_line(view: BenchView, part: Part, near: Net, far: Net) -> Found | None:
    if not view.nets.is_source(far):
        return None
    for other, leg in _legs(view, near, part):
        if leg in other.type.legs and other.type.leg(leg).bus == "one-wire":
            metres = other.quantity("lead", "metre") or 1.0
            volts = view.bench.board.rail_volts if view.bench.board else 5.0
            return "pull-up", other.ref, pull_up_window(volts, line_farads(metres), SLOT_SECONDS)
    return None


def _of_cell(view: BenchView, part: Part, near: Net, far: Net) -> Found | None:
    if not view.nets.is_rail(far):
        return None
    for other, _ in _legs(view, near, part):
        if other.type.model == "light-cell":
            r10, gamma = other.quantity("r10", "ohm") or 12e3, other.quantity("gamma", "none") or 0.7
            dark, bright = (r10 * (10 / lux) ** gamma for lux in (DARK_LUX, BRIGHT_LUX))
            return "divider", other.ref, cell_window(dark, bright)
    return None


def _of_level(view: BenchView, part: Part, near: Net, far: Net) -> Found | None:
    """Upper or lower resistor of a divider between a module's output and a pin."""
    board = view.bench.board
    assert board is not None
    if not view.nets.signal_pins(near) or view.nets.is_source(near):
        return None
    if view.nets.is_return(far):
        others = [e for e in view.paths.edges_at(near, Link.OHMS) if e.ref != part.ref]
        for edge in others:
            giver = _speaker(view, view.nets.nets[edge.other])
            upper = resistor_ohms(view.bench.parts[edge.ref], "measured")
            if giver and upper:
                volts = _high_volts(view, giver)
                if volts > board.input_most_volts:
                    window = lower_window(volts, upper, board.input_high_volts, board.input_most_volts)
                    return "level-divider", giver.ref, window
        return None
    giver = _speaker(view, far)
    if giver is None:
        return None
    lower = [
        resistor_ohms(view.bench.parts[e.ref], "measured")
        for e in view.paths.edges_at(near, Link.OHMS)
        if e.ref != part.ref and view.nets.is_return(view.nets.nets[e.other])
    ]
    volts = _high_volts(view, giver)
    if not lower or not lower[0] or volts <= board.input_most_volts:
        return "series", giver.ref, None
    return "level-divider", giver.ref, upper_window(volts, lower[0], board.input_high_volts, board.input_most_volts)


def _speaker(view: BenchView, net: Net) -> Part | None:
    for leg in view.nets.part_legs(net):
        part = view.bench.parts[leg.ref]
        if part.type.role(leg.leg) in (LegRole.DIGITAL_OUT, LegRole.ANALOGUE_OUT, LegRole.OPEN_OUT, LegRole.TWO_WAY):
            return part
    return None


def _high_volts(view: BenchView, part: Part) -> float:
    """The level an output gives when it is high: its own, else its supply."""
    supply, ground = part.type.supply_leg, part.type.ground_leg
    own = next((leg.high_volts for leg in part.type.legs.values() if leg.high_volts), None)
    if own:
        return own
    volts = [v for s in view.points if supply and ground and (v := view.across(s, part, supply, ground)) is not None]
    return max(volts, default=0.0)


def _of_button(view: BenchView, part: Part, near: Net, far: Net) -> Found | None:
    if not view.nets.is_rail(far):
        return None
    if view.nets.is_rail(near):
        return None
    for other, leg in _legs(view, near, part):
        if other.type.model == "switch" or other.type.role(leg) is LegRole.OPEN_OUT:
            return "pull-up" if view.nets.is_source(far) else "pull-down", other.ref, button_window()
    return None


def _of_contrast(view: BenchView, part: Part, near: Net, far: Net) -> Found | None:
    for other, leg in _legs(view, near, part):
        if leg in other.type.legs and other.type.leg(leg).wants_trimmer:
            return "contrast", other.ref, None
    return None
