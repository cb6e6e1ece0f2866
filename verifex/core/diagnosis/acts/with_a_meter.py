"""Acts with a multimeter: volts with the power on, ohms with it off."""

from collections.abc import Callable, Iterator, Sequence

from verifex.core.circuit.bench import Part
from verifex.core.circuit.operating import ohms_between
from verifex.core.diagnosis.acts.act import OHM_RANGES, OPEN_OHMS, UNSTEADY, VOLT_RANGES, Act, Likely, Outcome
from verifex.core.diagnosis.case import BenchCase
from verifex.core.diagnosis.model import Where
from verifex.core.diagnosis.rank import Candidate
from verifex.core.diagnosis.raw import SPEAKING, FaultBench
from verifex.core.quantity import in_words


def _legs(case: BenchCase, fault_bench: FaultBench) -> Iterator[tuple[Part, str, str]]:
    """The sensor's legs that carry something: (part, leg, what it is called)."""
    for key in case.keys:
        view = case.view
        part = view.matching(key[0]) if view else None
        if view is None or part is None:
            continue
        legs = [*([part.type.supply_leg] if part.type.supply_leg else []), *part.type.legs_with(*SPEAKING)]
        legs += [part.type.ground_leg] if part.type.ground_leg else []
        for leg in legs or list(part.legs):
            if leg in part.legs:
                yield part, leg, f"the {leg} leg of {part.ref} ({part.legs[leg]})"


def volts(case: BenchCase, fault_bench: FaultBench, likely: Likely) -> Iterator[Act]:
    if case.view is None or not case.sheet.steps:
        return
    step = case.sheet.steps[0].name
    spots: list[tuple[str, str, str, Callable[[BenchCase], Outcome]]] = []
    for part, leg, said in _legs(case, fault_bench):
        spots.append((f"{part.ref}.{leg}", said, str(part.legs[leg]), _at_leg(fault_bench, part.ref, leg)))
    for pin in dict.fromkeys(fault_bench.pins.values()):
        spots.append(
            (pin, f"the pin {pin} of the board", f"{case.view.bench.board_ref}.{pin}", _at_pin(fault_bench, pin))
        )
    for name, said, place, measured in spots:
        outcomes = {index: _of_meter(one, measured, case) for index, one in likely}
        sound = measured(case)
        yield Act(
            f"volts:{name}", "volts", f"Power on, as in “{step}”: volts from {said} to GND", "V", (), outcomes, sound,
            _range([*outcomes.values(), sound], VOLT_RANGES, "V"), (place,),
        )  # fmt: skip


def _of_meter(one: Candidate, measured: Callable[[BenchCase], Outcome], sound: BenchCase) -> Outcome:
    """What the meter reads where the fault is in the circuit; else what it reads on the sound bench."""
    unknown = one.case.states & {"blind"} or one.case.shaky
    if one.fault.where in (Where.PROGRAM, Where.LOG) or one.case.states & {"mute"}:
        return measured(sound)
    return UNSTEADY if unknown else measured(one.case)


def _at_leg(fault_bench: FaultBench, ref: str, leg: str) -> Callable[[BenchCase], Outcome]:
    def measured(case: BenchCase) -> Outcome:
        view = fault_bench.view(case)
        net = view.nets.of_leg(ref, leg) if view else None
        volts = fault_bench.volts_on(case, net.id if net else None)
        return UNSTEADY if volts is None else volts

    return measured


def _at_pin(fault_bench: FaultBench, pin: str) -> Callable[[BenchCase], Outcome]:
    def measured(case: BenchCase) -> Outcome:
        view = fault_bench.view(case)
        net = view.nets.of_pin(pin) if view else None
        volts = fault_bench.volts_on(case, net.id if net else None)
        return UNSTEADY if volts is None else volts

    return measured


def ohms(case: BenchCase, fault_bench: FaultBench, likely: Likely) -> Iterator[Act]:
    """Power off: each of the sensor's legs to where it should go, and each resistor from end to end."""
    if case.view is None:
        return
    view, board = case.view, case.view.bench.board_ref
    ends: list[tuple[tuple[str, str], tuple[str, str], str]] = []
    for part, leg, said in _legs(case, fault_bench):
        net = view.net(part, leg)
        pins = view.nets.board_pins(net) if net else []
        for pin in pins[:1]:
            ends.append(((part.ref, leg), (board, pin.name), f"from {said} to {pin.name}"))
    for part in view.bench.parts_of("resistor"):
        one, other = part.ends
        if one in part.legs and other in part.legs:
            ends.append(
                ((part.ref, one), (part.ref, other), f"across {part.ref} ({part.legs[one]} to {part.legs[other]})")
            )
    for one_end, other_end, said in ends:
        measured = _between(fault_bench, one_end, other_end)
        outcomes = {index: _of_meter(one, measured, case) for index, one in likely}
        outcomes = {
            index: (sound if outcome == UNSTEADY else outcome)
            for index, outcome in outcomes.items()
            for sound in [measured(case)]
        }
        sound = measured(case)
        yield Act(
            f"ohms:{'.'.join(one_end)}~{'.'.join(other_end)}", "ohms", f"Power off, lead to the computer out: ohms {said}", "Ω", (),
            outcomes, sound, _range([*outcomes.values(), sound], OHM_RANGES, "Ω"),
        )  # fmt: skip


def _between(fault_bench: FaultBench, one: tuple[str, str], other: tuple[str, str]) -> Callable[[BenchCase], Outcome]:
    def measured(case: BenchCase) -> Outcome:
        view = fault_bench.view(case)
        ends = [view.nets.of_leg(*end) if view else None for end in (one, other)]
        if view is None or ends[0] is None or ends[1] is None:
            return OPEN_OHMS
        ohms = ohms_between(view.nets, ends[0].id, ends[1].id)
        changed = next((value for ref, value in case.ohms.items() if ref == one[0] == other[0]), None)
        return min(OPEN_OHMS, changed if changed is not None else OPEN_OHMS if ohms is None else ohms)

    return measured


def _range(outcomes: Sequence[Outcome], ranges: Sequence[float], unit: str) -> str:
    """The smallest range that holds every number."""
    most = max((abs(o) for o in outcomes if not isinstance(o, str) and o < OPEN_OHMS), default=0.0)
    return in_words(next((r for r in ranges if r >= most), ranges[-1]), unit)
