"""The lights of a bench, how bright each gets, and what limits its current."""

from dataclasses import dataclass

from verifex.core.circuit.bench import Part
from verifex.core.circuit.connections.paths import Link
from verifex.core.circuit.view import BenchView, StatePoint
from verifex.core.exercise.output_states import COLOURS
from verifex.core.parts.figures import DiodeFigures

LEAST_SERIES_OHMS = 3.0
DARK_AMPS = 1e-5


@dataclass(frozen=True, slots=True)
class Light:
    """One light: a part of its own, a colour of a three-colour one, or the light inside a module.

    `leg` is the one its current is reported by, `sign` whether it flows into that leg; `anode` and `cathode` are legs.
    """

    part: Part
    figures: DiodeFigures
    colour: str
    leg: str
    sign: int
    anode: str
    cathode: str
    absolute_amps: float

    @property
    def name(self) -> str:
        match self.part.type.model:
            case "led":
                return self.part.ref
            case "led-three":
                return f"{self.colour} of {self.part.ref}"
        return f"the light of {self.part.ref}"

    def amps(self, state: StatePoint) -> float:
        return self.sign * state.point.amps.get((self.part.ref, self.leg), 0.0)


def lights(view: BenchView) -> list[Light]:
    """Every light that can be judged: none while a supply is shorted."""
    if view.shorted:
        return []
    found = []
    for part in view.bench.parts.values():
        figures, ref = part.type.diode, part.ref
        if part.type.model == "led" and figures:
            most = part.quantity("amps", "amp") or figures.absolute_amps
            colour = part.settings.get("colour", "")
            found.append(Light(part, figures, colour, "anode", 1, "anode", "cathode", most))
        elif part.type.model == "led-three" and figures:
            for colour in ("red", "green", "blue"):
                if view.nets.of_leg(ref, colour) is None or view.nets.of_leg(ref, "common") is None:
                    continue
                if is_spare_colour(view, part, colour):
                    continue
                if part.type.id == "rgb-ca":
                    found.append(Light(part, figures, colour, colour, -1, "common", colour, figures.absolute_amps))
                else:
                    found.append(Light(part, figures, colour, colour, 1, colour, "common", figures.absolute_amps))
        elif part.type.inner_light:
            inner = part.type.inner_light
            if view.nets.of_leg(ref, inner.plus) and view.nets.of_leg(ref, inner.minus):
                found.append(
                    Light(part, inner.diode, "any", inner.plus, 1, inner.plus, inner.minus, inner.diode.absolute_amps)
                )
    return found


def is_spare_colour(view: BenchView, part: Part, colour: str) -> bool:
    """Whether a leg of a three-colour light is left open and need not be wired: the exercise asks the light for colours, and
    for none that this one is needed for."""
    net = view.net(part, colour)
    if view.exercise is None or net is None or len(view.nets.part_legs(net)) > 1 or view.nets.board_pins(net):
        return False
    own = next((ref for ref, other in view.roles.items() if other is part), None)
    asked = [state.text for state in view.exercise.states_of(own) if state.kind == "colour"] if own else []
    return bool(asked) and not any(colour in COLOURS[text] for text in asked)


def brightest(view: BenchView, light: Light) -> tuple[float, StatePoint] | None:
    """The greatest forward current over all states, with its state."""
    return max(((light.amps(state), state) for state in view.points), key=lambda pair: pair[0], default=None)


def series_resistor(view: BenchView, light: Light) -> Part | None:
    """The resistor, knob or cell that limits the light's current: one that carries it (Kirchhoff: in series).

    For a light that never lights, a resistor on one of its nets is taken for it. A resistor in the leg that
    several lights share carries more, and counts all the same.
    """
    bright = brightest(view, light)
    if bright is None or bright[0] < DARK_AMPS:
        for leg in (light.anode, light.cathode):
            net = view.net(light.part, leg)
            for edge in view.paths.edges_at(net, Link.OHMS) if net else []:
                return view.bench.parts[edge.ref]
        return None
    amps, state = bright
    # Of several that carry as much, as in a row of lights that are alike, it is the one beside the light.
    limiting = view.bench.parts_of("resistor", "pot", "light-cell")
    for other in sorted(limiting, key=lambda other: not _shares_a_net(view, light, other)):
        flows = [abs(state.point.amps.get((other.ref, leg), 0.0)) for leg in other.type.leg_names()]
        through = max(flows, default=0.0)
        shares = _shares_a_net(view, light, other)
        if abs(through - amps) >= 0.1 * amps and not (shares and through > 0.9 * amps):
            continue
        legs = other.ends if other.type.model != "pot" else ("end1", "wiper")
        drop = max(
            abs(view.across(state, other, *legs) or 0.0),
            abs(view.across(state, other, "wiper", "end2") or 0.0) if other.type.model == "pot" else 0.0,
        )
        if drop > through * LEAST_SERIES_OHMS:
            return other
    return None


def _shares_a_net(view: BenchView, light: Light, other: Part) -> bool:
    mine = {net.id for leg in (light.anode, light.cathode) if (net := view.net(light.part, leg))}
    return any((net := view.net(other, leg)) is not None and net.id in mine for leg in other.type.leg_names())
