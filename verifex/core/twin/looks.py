"""What each light and sounder of a bench shows: whether it is on, in which colour, how bright, at which pitch.

A pin that is switched fast (dimmed, or with a tone on it) is looked at high and low; eye and ear take the mean of both.
"""

from collections.abc import Callable, Mapping
from dataclasses import dataclass, field

from verifex.core.circuit.bench import Part
from verifex.core.circuit.evidence.lights import Light, lights
from verifex.core.circuit.operating import OperatingPoint
from verifex.core.circuit.view import BenchView
from verifex.core.exercise.output_states import COLOURS
from verifex.core.program import Running

FULL_DUTY = 255  # of a dimmed pin
SEEN_SHARE = 0.25  # of the brightest colour: below it another colour does not change what is seen
WORKS_SHARE = 0.3  # of a load's usual current, from which it sounds, turns or shines
DIMMEST_SHARE = 0.1  # of the current from which a light is seen, when it is dimmed

#: The bench solved with one of its high pins low.
SolvedLow = Callable[[str], OperatingPoint]


@dataclass(frozen=True, slots=True)
class Look:
    """What one output shows. `share` is of its own full brightness, `hertz` the tone that is on it (0 for none)."""

    on: bool = False
    colour: str = ""
    share: float = 0.0
    hertz: int = 0

    def __str__(self) -> str:
        if not self.on:
            return "off"
        if self.colour:
            return self.colour
        if self.hertz:
            return f"{self.hertz} Hz"
        return f"{100 * self.share:.0f} %" if self.share < 1 else "on"


DARK = Look()
LookEvent = tuple[float, str, Look]  # when in ms, the output's reference, what it shows from then on


@dataclass(slots=True)
class Looks:
    """Keeps what every output of a bench shows, and writes down each change: (ms, reference, look)."""

    view: BenchView
    now: dict[str, Look] = field(default_factory=dict)
    events: list[LookEvent] = field(default_factory=list)
    _colours: dict[str, list[Light]] = field(default_factory=dict)

    def __post_init__(self) -> None:
        for light in lights(self.view):
            if light.part.type.model == "led-three":
                self._colours.setdefault(light.part.ref, []).append(light)

    def look(self, machine: Running, point: OperatingPoint, solved_low: SolvedLow) -> None:
        """See what has changed with the pins as they are; `point` is the bench with every switched pin high."""
        switched = {pin: duty / FULL_DUTY for pin, duty in machine.pwm.items() if machine.modes.get(pin) == "output"}
        switched |= dict.fromkeys(machine.tones, 0.5)
        low = {pin: solved_low(pin) for pin in switched}
        for part in self.view.bench.parts_of("led", "load", "relay", "led-three", "module"):
            if part.type.model == "module" and not part.type.works_by:
                continue
            if part.type.works_by:
                look = self._worked(part, point)
            elif part.type.model == "led-three":
                look = self._coloured(part, point, switched, low)
            else:
                look = self._plain(part, machine, point, switched, low)
            if self.now.get(part.ref, DARK) != look:
                self.now[part.ref] = look
                self.events.append((round(machine.now_us / 1000, 3), part.ref, look))

    def _plain(
        self,
        part: Part,
        machine: Running,
        point: OperatingPoint,
        switched: Mapping[str, float],
        low: Mapping[str, OperatingPoint],
    ) -> Look:
        least = _least_amps(part)
        if least is None:
            return DARK
        amps = _amps(part, point)
        lows = {pin: _amps(part, other) for pin, other in low.items()}
        # Dimmed or toned, it is on in the half of the time in which the most flows.
        full = max([amps, *lows.values()])
        if full < least:
            return DARK
        mean = amps - sum((1 - share) * (amps - lows[pin]) for pin, share in switched.items())
        hertz = max((machine.tones[pin] for pin in machine.tones if abs(amps - lows[pin]) > 0.5 * full), default=0)
        share = 1.0 if hertz else min(1.0, max(0.0, mean / full))
        return Look(share > 0, "", round(share, 2), hertz)

    def _worked(self, part: Part, point: OperatingPoint) -> Look:
        """A board that sounds by itself: fed, and its leg at the level that switches it."""
        signal, supply = self.view.net(part, part.type.works_by), self.view.net(part, part.type.supply_leg or "")
        if signal is None or supply is None or point.power_states.get(part.ref) is None:
            return DARK
        high = point.volts[signal.id] > 0.5 * point.volts[supply.id]
        active_high = (part.settings.get("active") or part.type.defaults.get("active")) == "high"
        return Look(high == active_high, "", 1.0)

    def _coloured(
        self, part: Part, point: OperatingPoint, switched: Mapping[str, float], low: Mapping[str, OperatingPoint]
    ) -> Look:
        means, full, least = {}, 0.0, 0.0
        for light in self._colours.get(part.ref, ()):
            key = (light.part.ref, light.leg)
            amps = light.sign * point.amps.get(key, 0.0)
            lows = {pin: light.sign * other.amps.get(key, 0.0) for pin, other in low.items()}
            full = max([full, amps, *lows.values()])
            means[light.colour] = amps - sum((1 - share) * (amps - lows[pin]) for pin, share in switched.items())
            least = light.figures.visible_amps * DIMMEST_SHARE
        most = max(means.values(), default=0.0)
        if most < least or not full:
            return DARK
        lit = frozenset(colour for colour, amps in means.items() if amps >= SEEN_SHARE * most)
        colour = next(name for name, parts in COLOURS.items() if parts == lit)
        return Look(True, colour, round(min(1.0, most / full), 2))


def _least_amps(part: Part) -> float | None:
    """The current from which a part visibly or audibly works, in amps; None where that is not known."""
    if part.type.diode:
        return part.type.diode.visible_amps
    return WORKS_SHARE * part.type.load.amps if part.type.load else None


def _amps(part: Part, point: OperatingPoint) -> float:
    """The current through a part in amps: forwards only where that matters, else either way."""
    amps = point.amps.get((part.ref, part.ends[0]), 0.0)
    one_way = part.type.diode is not None or (part.type.load is not None and part.type.load.one_way)
    return amps if one_way else abs(amps)
