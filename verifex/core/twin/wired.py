"""What the wiring has on each pin, for the program check."""

from verifex.core.circuit.bench import Part
from verifex.core.circuit.connections.paths import Link
from verifex.core.circuit.nets import Net
from verifex.core.circuit.variant import variant_of
from verifex.core.circuit.view import BenchView, Programmed
from verifex.core.exercise import Exercise
from verifex.core.parts import OUTPUT_ROLES, LegRole, catalogue
from verifex.core.program import PinUse, ProgramReport, check_program
from verifex.core.program.checklist import Check, before_it_runs

WORKING_MODELS = ("led", "led-three", "load", "relay")  # what a pin is intended to drive


def wired_pins(view: BenchView) -> dict[str, PinUse]:
    """Pin → what is on it: a module's output that it measures, a light or load that it drives, a module's input that it
    commands, something else."""
    found: dict[str, PinUse] = {}
    for net in view.nets.nets:
        for pin in view.nets.signal_pins(net):
            use = _use(view, net)
            if use:
                found[pin.name] = use
    return found


def _use(view: BenchView, net: Net) -> PinUse | None:
    bench = view.bench
    legs = [leg for leg in view.nets.part_legs(net) if leg.ref in bench.parts]
    if not legs:
        return None
    for leg in legs:
        part = bench.parts[leg.ref]
        if part.type.role(leg.leg) in OUTPUT_ROLES:
            voltage = part.type.role(leg.leg) is LegRole.ANALOGUE_OUT
            return PinUse("measures", (part.ref,), f"{part.type.title} {part.ref}", voltage)
    workers = [
        bench.parts[ref]
        for ref in view.parts_behind(net)
        if ref in bench.parts and (bench.parts[ref].type.model in WORKING_MODELS or bench.parts[ref].type.works_by)
    ]
    if workers:
        return PinUse("drives", tuple(p.ref for p in workers), f"{workers[0].type.title} {workers[0].ref}")
    if any(bench.parts[leg.ref].type.role(leg.leg) is LegRole.INPUT for leg in legs):
        return PinUse("commands", tuple(leg.ref for leg in legs), legs[0].ref)
    if divided := _behind_a_divider(view, net):
        return PinUse("measures", (divided.ref,), f"{divided.type.title} {divided.ref}")
    return PinUse("other", tuple(leg.ref for leg in legs), legs[0].ref)


def _behind_a_divider(view: BenchView, net: Net) -> Part | None:
    """The module whose output reaches a pin through resistors only."""
    for net_id in view.paths.reach(net, (Link.OHMS,)):
        other = view.nets.nets[net_id]
        if view.nets.is_rail(other):
            continue
        for leg in view.nets.part_legs(other):
            part = view.bench.parts.get(leg.ref)
            if part is not None and part.type.role(leg.leg) in OUTPUT_ROLES:
                return part
    return None


def check_on_bench(
    source: str, view: BenchView | None, exercise: Exercise | None = None, board_id: str | None = None
) -> ProgramReport:
    """Check a program together with the bench it is for. Raises UnusableInput as `check_program` does."""
    board = view.bench.board if view else None
    if board is None:
        board = catalogue().boards[board_id or (exercise.board if exercise else "mcu-5v")]
    wired = wired_pins(view) if view else None
    reference = None
    if view and exercise and (sensor := view.matching(exercise.steps[0].ref)) and sensor.type.linear:
        reference = variant_of(view, exercise, sensor).reference
    return check_program(source, board, wired=wired, exercise=exercise, reference=reference)


def checklist_on_bench(
    report: ProgramReport | None, view: BenchView | None, exercise: Exercise, board_id: str | None = None
) -> list[Check]:
    """What to look at before a program runs: on the board of the bench, else on the exercise's."""
    board = report.board if report else view.bench.board if view else None
    board = board or catalogue().boards[board_id or exercise.board]
    return before_it_runs(board, report, wired_pins(view) if view else None, baud=exercise.baud(board.id))


def programmed(report: ProgramReport) -> Programmed:
    """What a program was seen to do with the pins in its dry runs."""
    modes: dict[str, set[str]] = {}
    for run in report.runs:
        for pin, use in run.pins.items():
            modes.setdefault(pin, set()).add(use.mode or "input")
    reference = report.runs[0].reference if report.runs else None
    return Programmed(
        outputs=tuple(sorted(pin for pin, seen in modes.items() if "output" in seen)),
        pulled_up=frozenset(pin for pin, seen in modes.items() if "pull-up" in seen),
        reference=reference,
    )
