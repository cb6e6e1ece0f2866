"""What a meter should read on a bench: volts at a leg, current in a part, from the solved circuit."""

from dataclasses import dataclass

from verifex.core.circuit.states import State
from verifex.core.circuit.view import BenchView
from verifex.core.exercise import Exercise
from verifex.core.exercise.probes import Probe
from verifex.core.expected.measured import PROBE, volts_half

#: How far a sound bench may lie from the solved value: sensors, resistors and forward voltages of one family differ.
VOLTS_SHARE, AMPS_SHARE = 0.05, 0.25
MOST_SHARE, MOST_VOLTS, MOST_MA = 4.0, 30.0, 1000.0  # beyond it, it was measured otherwise


@dataclass(frozen=True, slots=True)
class ExpectedProbe:
    """A measurement with what it should read, in `unit` (V or mA); `most` is what is plausible at all."""

    name: str
    label: str
    unit: str
    how: str
    low: float
    expected: float
    high: float
    most: float


def expected_probes(exercise: Exercise, view: BenchView) -> list[ExpectedProbe]:
    """Each measurement that the exercise asks for, where the bench has the part and the circuit has an answer."""
    found = [_volts(exercise, view, probe) if probe.volts else _amps(view, probe) for probe in exercise.measure]
    return [probe for probe in found if probe is not None]


def _volts(exercise: Exercise, view: BenchView, probe: Probe) -> ExpectedProbe | None:
    part = view.matching(probe.ref)
    net = view.net(part, probe.volts.split(".")[1]) if part else None
    step = next((s for s in exercise.steps if s.name == probe.step), exercise.steps[0])
    stimulus = {
        (other.ref, value.quantity): value.value for value in step.values() if (other := view.matching(value.ref))
    }
    solved = view.solve(State("measured", {}, {}, stimulus)) if net is not None else None
    if net is None or solved is None:
        return None
    volts = view.volts(solved, net)
    half = abs(volts) * VOLTS_SHARE + volts_half(abs(volts))
    label = f"Volts at {probe.volts}, “{step.name}”"
    how = f"red probe on the {probe.volts.split('.')[1]} leg of {probe.ref}, black on GND"
    name = f"{PROBE}{probe.volts}" + (f"|{probe.step}" if probe.step else "")
    return ExpectedProbe(name, label, "V", how, volts - half, volts, volts + half, MOST_VOLTS)


def _amps(view: BenchView, probe: Probe) -> ExpectedProbe | None:
    part = view.matching(probe.ref)
    if part is None or not view.points:
        return None
    ma = 1000 * max(abs(view.amps(state, part)) for state in view.points)
    half = ma * AMPS_SHARE
    how = "power off, take one of its leads out and put the meter in between; milliamps range"
    return ExpectedProbe(
        f"{PROBE}{probe.amps}", f"Current in {probe.ref} while it is on", "mA", how, ma - half, ma, ma + half, MOST_MA
    )
