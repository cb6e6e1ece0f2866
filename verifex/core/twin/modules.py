"""What modules do in time: hold their output after motion, answer a shot with an echo, tell which tag is near."""

import math
from bisect import bisect_right
from collections.abc import Mapping
from dataclasses import dataclass, field
from random import Random

import numpy as np

from verifex.core.circuit.bench import Part
from verifex.core.circuit.view import BenchView
from verifex.core.parts.outputs.motion_hold import Jumper, MotionHold
from verifex.core.program import Running
from verifex.core.twin.stimulus import Key, Segment, Stimulus

QUIET_SECONDS, TELLS_SECONDS = (2.0, 9.0), (0.5, 4.0)  # of a motion module that is still cold
COLD_PPM, COLD_FALLS = 2000.0, 4.0  # typical of the family: after its warm-up time a fiftieth of it is left
NO_ECHO_US = 38000.0
SHOT_TO_ECHO_US = 450.0  # the burst goes out before the echo leg rises; typical of the family


@dataclass(slots=True)
class Echo:
    """A shot of a range module: its echo leg is high from `begins_us` to `ends_us`."""

    begins_us: float
    ends_us: float
    answered: bool  # whether anything came back in time


@dataclass(slots=True)
class ModulesInTime:
    """Keeps what a module remembers from one moment to the next. References are the bench's own."""

    view: BenchView
    stimulus: Stimulus
    refs: dict[str, str]
    echoes: dict[str, Echo] = field(default_factory=dict)
    levels: dict[str, int] = field(default_factory=dict)  # of the pins, as they last were
    cold: bool = False  # just switched on: what warms up tells nothing yet
    held: dict[Key, list[tuple[float, float]]] = field(default_factory=dict)  # spans in ms in which motion is signalled

    def __post_init__(self) -> None:
        for key, segments in self.stimulus.segments.items():
            part = self.view.bench.parts.get(self.refs.get(key[0], key[0]))
            if part is not None and key[1] == "motion" and part.type.timing.hold_seconds:
                hold = part.quantity("hold", "second") or part.type.timing.usual_hold_seconds
                jumper: Jumper = "single" if part.settings.get("jumper") == "single" else "repeat"
                spans = MotionHold(hold or 0.0, jumper).active(_motions(segments))
                self.held[(part.ref, "motion")] = [(first * 1000, last * 1000) for first, last in spans]
        if self.cold:
            self._begin_cold()

    def _begin_cold(self) -> None:
        """Motion modules switch as they like until they are warm."""
        for part in self.view.module_parts():
            warm = part.type.timing.warm_up_seconds
            if not warm[1] or part.type.sensing("motion") is None:
                continue
            chance, at, spans = Random(part.ref), 0.0, []
            while at < warm[1]:
                at += chance.uniform(*QUIET_SECONDS)
                spans.append((at * 1000, (at + chance.uniform(*TELLS_SECONDS)) * 1000))
                at = spans[-1][1] / 1000
            later = [span for span in self.held.get((part.ref, "motion"), []) if span[0] > warm[1] * 1000]
            self.held[(part.ref, "motion")] = [span for span in spans if span[1] < warm[1] * 1000] + later

    def _warming(self) -> dict[Key, float]:
        """Gas modules with the seconds they take to get warm."""
        return {
            (part.ref, "ppm"): part.type.timing.warm_up_seconds[1]
            for part in self.view.module_parts()
            if self.cold and part.type.timing.warm_up_seconds[1] and part.type.sensing("ppm") is not None
        }

    # -- motion ------------------------------------------------------------------------------------

    def now(self, values: dict[Key, float], ms: float) -> dict[Key, float]:
        """The stimuli with motion as the module still tells it."""
        for key, spans in self.held.items():
            at = bisect_right([first for first, _ in spans], ms) - 1
            values[key] = 1.0 if at >= 0 and ms < spans[at][1] else 0.0
        for key, warm in self._warming().items():
            # A cold gas module reads as if the air were bad, less and less; updated once a second.
            values[key] = values.get(key, 0.0) + COLD_PPM * math.exp(-COLD_FALLS * (ms // 1000) / warm)
        return values

    def next_change_us(self, since_us: float) -> float:
        ahead = [ms * 1000 for spans in self.held.values() for span in spans for ms in span]
        ahead += [(since_us // 1e6 + 1) * 1e6] if self._warming() else []
        ahead += [us for echo in self.echoes.values() for us in (echo.begins_us, echo.ends_us)]
        return min((us for us in ahead if us > since_us), default=math.inf)

    # -- echoes ------------------------------------------------------------------------------------

    def pins_changed(self, machine: Running, power_states: Mapping[str, object], stimuli: dict[Key, float]) -> None:
        """A pin that falls fires the range modules whose trigger it reaches."""
        fallen = [
            pin
            for pin, level in self.levels.items()
            if (level and not machine.levels.get(pin, 0)) or (level and machine.modes.get(pin) != "output")
        ]
        self.levels = {pin: level for pin, level in machine.levels.items() if machine.modes.get(pin) == "output"}
        if not fallen:
            return
        nets = {net.id for net in self.view.nets.nets for pin in self.view.nets.board_pins(net) if pin.name in fallen}
        for part in self.view.module_parts():
            output = part.type.sensing("cm")
            if output is None or output.carries != "pulse" or power_states.get(part.ref) is None:
                continue
            fires = [leg for leg in part.type.legs if leg in ("trigger", "signal")]
            if any((net := self.view.net(part, leg)) is not None and net.id in nets for leg in fires):
                pulse = float(output.state(np.asarray(stimuli.get((part.ref, "cm"), output.rest)), {}, part.figures()))
                begins = machine.now_us + SHOT_TO_ECHO_US
                self.echoes[part.ref] = Echo(begins, begins + min(pulse, NO_ECHO_US), pulse < NO_ECHO_US)

    def echoing(self, machine: Running) -> dict[tuple[str, str], float | None]:
        """Legs that an echo holds high now."""
        return {
            (ref, leg): None
            for ref, echo in self.echoes.items()
            if echo.begins_us <= machine.now_us < echo.ends_us
            for leg in self.view.bench.parts[ref].type.legs
            if leg in ("echo", "signal")
        }

    def pulse_us(self, machine: Running, part: Part) -> tuple[float, int]:
        """How long until the echo of the last shot begins, and its length; 0 for both without one."""
        echo = self.echoes.get(part.ref)
        if echo is None or machine.now_us >= echo.ends_us or not echo.answered:
            return 0.0, 0
        return max(0.0, echo.begins_us - machine.now_us), int(echo.ends_us - echo.begins_us)


def _motions(segments: list[Segment]) -> list[tuple[float, float]]:
    """When there is motion, as (from, to) in seconds: half a step and more counts."""
    motions: list[tuple[float, float]] = []
    for index, segment in enumerate(segments):
        end_ms = segments[index + 1].start_ms if index + 1 < len(segments) else math.inf
        first, last = segment.first, segment.last
        if segment.ramp_ms > 0 and (first >= 0.5) != (last >= 0.5):
            turn = segment.start_ms + segment.ramp_ms * (0.5 - first) / (last - first)
            spans = [(turn, end_ms)] if last >= 0.5 else [(segment.start_ms, turn)]
        else:
            spans = [(segment.start_ms, end_ms)] if last >= 0.5 else []
        for start, end in spans:
            if motions and motions[-1][1] >= start / 1000:
                motions[-1] = (motions[-1][0], end / 1000)
            else:
                motions.append((start / 1000, end / 1000))
    return motions
