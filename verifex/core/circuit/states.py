"""Which pins drive, and the states they are tried in."""

from collections.abc import Iterable

from verifex.core.circuit.nets import Net, Nets
from verifex.core.parts.schema import LegRole

WORKING_MODELS = ("led", "load")  # what hangs on a pin that is meant to drive
PASSED_THROUGH = ("resistor", "diode", "led", "load")


def inferred_outputs(nets: Nets) -> list[str]:
    """Board pins that drive something, judged by what hangs on them.

    A pin drives when a light or a load can be reached from it through two-legged parts, and no module's
    output sits on its net. The order is that of the nets.
    """
    outputs: list[str] = []
    for net in nets.nets:
        pins = [pin for pin in nets.signal_pins(net) if pin.digital_out]
        if not pins or _has_module_output(nets, net):
            continue
        if _reaches_a_worker(nets, net):
            outputs.extend(pin.name for pin in pins)
    return outputs


def output_states(outputs: Iterable[str], high_volts: float) -> list[tuple[str, dict[str, float]]]:
    """All low, each pin high alone, all high together: `n + 2` states for n pins, named for people.

    Every pin is seen both ways and the supply under its whole load; combinations in between lie between
    those for circuits in which pins share nothing but the supply and ground.
    """
    pins = list(outputs)
    low = dict.fromkeys(pins, 0.0)
    states = [("all low", low)]
    states += [(f"{pin} high", {**low, pin: high_volts}) for pin in pins]
    if len(pins) > 1:
        states.append(("all high", dict.fromkeys(pins, high_volts)))
    return states


def _has_module_output(nets: Nets, net: Net) -> bool:
    bench = nets.bench
    return any(
        bench.parts[leg.ref].type.role(leg.leg) in (LegRole.ANALOGUE_OUT, LegRole.DIGITAL_OUT)
        for leg in nets.part_legs(net)
        if leg.ref in bench.parts
    )


def _reaches_a_worker(nets: Nets, start: Net) -> bool:
    seen, ahead = {start.id}, [start]
    while ahead:
        net = ahead.pop()
        for leg in nets.part_legs(net):
            part = nets.bench.parts.get(leg.ref)
            if part is None or part.type.model not in PASSED_THROUGH:
                continue
            if part.type.model in WORKING_MODELS:
                return True
            for other_leg in part.legs:
                other = nets.of_leg(part.ref, other_leg)
                # Beyond a supply or ground net lies the rest of the bench, not this pin's load.
                if other and other.id not in seen and not nets.is_ground(other) and not nets.supplies(other):
                    seen.add(other.id)
                    ahead.append(other)
    return False
