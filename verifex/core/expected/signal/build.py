"""The chain of one reading of an exercise, on a bench or as intended."""

from dataclasses import dataclass, field, replace

from verifex.core.circuit.bench import Part
from verifex.core.circuit.handed_out import HandedOut
from verifex.core.circuit.operating import source_ohms
from verifex.core.circuit.solver import NoSensibleAnswer
from verifex.core.circuit.variant import variant_of
from verifex.core.circuit.view import BenchView
from verifex.core.exercise import Exercise, Reading, Variant
from verifex.core.expected.measured import RAIL, Measured, volts_half
from verifex.core.expected.signal.chain import AdcChain, BusChain, Chain, DigitalChain
from verifex.core.expected.signal.contributors import Contributor
from verifex.core.expected.signal.formula import formula_of
from verifex.core.expected.signal.path_to_pin import Route, route_of
from verifex.core.expected.signal.response import BenchSolver, IdealResponse, Response, SolvedResponse, solved_response
from verifex.core.expected.unavailable import Unavailable, Why
from verifex.core.parts import Board, Output, PartType, PowerLawOutput, catalogue
from verifex.core.parts.calibration import HALF, INTERNAL_VOLTS, figures_for, merged, source_for
from verifex.core.parts.deviations import with_figures
from verifex.core.parts.outputs import Settings
from verifex.core.parts.outputs.corrected import CALIBRATED
from verifex.core.quantity import Spread

AnyChain = AdcChain | DigitalChain | BusChain
LEAST_VOLTS, FLOATS_FROM_OHMS = 0.02, 1e6
CARRIED_AS_VOLTS = ("volts", "share", "ohms", "position")


@dataclass(frozen=True, slots=True)
class _Request:
    """One reading with all that its chain follows from besides the bench."""

    exercise: Exercise
    reading: Reading
    board: Board
    output: Output
    settings: Settings
    measured: Measured
    handed_out: HandedOut = field(default_factory=HandedOut)


def chain_of(
    view: BenchView | None,
    exercise: Exercise,
    reading: Reading,
    board: Board,
    measured: Measured,
    variant: Variant | None = None,
    handed_out: HandedOut | None = None,
) -> tuple[Chain, Variant]:
    """The chain of `reading` and the variant it is fed by; with the calibrations of the module that was handed out. Raises Unavailable
    where there is none.

    Without a view the sensor's output is at the pin as it is: the exercise before it has a bench. So it is where the bench
    works without a program and without a board.
    """
    recipe = exercise.part_of(reading.ref)
    assert recipe is not None  # the exercise was checked when it was read
    part = view.matching(reading.ref) if view else None
    if view is not None and part is None:
        raise Unavailable(Why.NOT_ON_THE_BENCH, reading.ref)
    given = handed_out or HandedOut()
    kind = part.type if part else with_figures(catalogue().parts[recipe.part], given.figures.get(reading.ref, {}))
    output = _for_the_gas(exercise, kind, reading)
    if output is None:
        raise Unavailable(Why.DOES_NOT_ANSWER, kind.title, reading.quantity)
    calibrated = given.calibrated(reading.ref)
    own = {**(part.figures() if part else {}), **measured.of_sensor(reading.ref)}
    settings = merged(figures_for(calibrated, reading.quantity), own)
    asked = _Request(exercise, reading, board, output, settings, measured, given)
    if view is not None and part is not None and (exercise.program or view.bench.board):
        built = _on_bench(view, part, asked, variant)
    else:
        built = _as_intended(kind, asked, variant or exercise.variants[0])
    return replace(built[0], calibrated_by=source_for(calibrated, reading.quantity)), built[1]


def _as_intended(kind: PartType, asked: _Request, fed_by: Variant) -> tuple[AnyChain, Variant]:
    """Without a bench: the output is at the pin as it is."""
    output, board = asked.output, asked.board
    if output.carries == "ohms":
        raise Unavailable(Why.NEEDS_A_BENCH, kind.title)
    if output.carries in CARRIED_AS_VOLTS:
        if board.counts == 0:
            raise Unavailable(Why.NO_CONVERTER, board.title, kind.title)
        return _converted(asked, IdealResponse(output.carries, fed_by.supply_volts), fed_by), fed_by
    levels = (board.rail_volts, 0.0) if getattr(output, "active_low", False) else (0.0, board.rail_volts)
    return _direct(asked, levels), fed_by


def _for_the_gas(exercise: Exercise, kind: PartType, reading: Reading) -> Output | None:
    output, gas = kind.sensing(reading.quantity), exercise.conventions.gas
    if gas and isinstance(output, PowerLawOutput):
        return output.model_copy(update={"a_ppm": gas.a_ppm, "b": gas.b})
    return output


def _on_bench(view: BenchView, part: Part, asked: _Request, variant: Variant | None) -> tuple[AnyChain, Variant]:
    if view.shorted:
        raise Unavailable(Why.SUPPLY_JOINED)
    exercise, output = asked.exercise, asked.output
    route = route_of(view, part, output)
    fed_by = variant or (variant_of(view, exercise, part) if part.type.supply_leg else exercise.variants[0])
    ohms = {ref: value for ref, value in asked.measured.values.items() if "." not in ref}
    solver = BenchSolver(view, route, output, asked.measured.rail_volts, ohms)
    try:
        if output.carries in CARRIED_AS_VOLTS:
            return _analogue(solver, asked, fed_by)
        if not _is_fed(solver, part):
            raise Unavailable(Why.NOT_FED, part.ref)
        levels = (solver.pin_volts(0.0), solver.pin_volts(1.0)) if output.carries == "level" else (0.0, 0.0)
        if output.carries == "level" and _floats(solver, route):
            # Nothing else holds the pin: the program has to turn on its own pull-up.
            solver.conditions = replace(solver.conditions, pulled_up=frozenset({route.pin.name}))
            levels = (solver.pin_volts(0.0), solver.pin_volts(1.0))
    except NoSensibleAnswer as wrong:
        raise Unavailable(Why.UNSOLVED) from wrong
    return _direct(asked, levels), fed_by


def _is_fed(solver: BenchSolver, part: Part) -> bool:
    return part.type.supply_leg is None or solver.point(0.0).power_states.get(part.ref) is not None


def _floats(solver: BenchSolver, route: Route) -> bool:
    net = route.net.id
    points = [solver.point(state) for state in (0.0, 1.0)]
    return any(net in p.floating or source_ohms(p, [net])[net] > FLOATS_FROM_OHMS for p in points)


def _analogue(solver: BenchSolver, asked: _Request, fed_by: Variant) -> tuple[AnyChain, Variant]:
    part = solver.route.part
    low, high = _states(asked.output, asked.settings)
    if max(solver.pin_volts(low), solver.pin_volts(high)) < LEAST_VOLTS:
        raise Unavailable(Why.NOT_FED, part.ref)
    response = solved_response(solver, (low, high), asked.measured.rail(asked.board))
    outside = solver.point(low).volts if fed_by.reference == "external" else None
    aref = solver.view.nets.of_pin("AREF")
    outside_volts = outside[aref.id] if outside and aref else None
    return _converted(asked, response, fed_by, outside_volts), fed_by


def _states(output: Output, settings: Settings) -> tuple[float, float]:
    """The lowest and highest state the sensor can take, its tolerances included."""
    import numpy as np

    ends = np.array([output.low, output.rest, output.high])
    found = [output.state(ends, {}, settings)]
    for p in output.parameters(settings):
        found += [output.state(ends, {p.key: np.asarray(v)}, settings) for v in (p.low, p.high)]
    return float(np.min(found)), float(np.max(found))


def _converted(asked: _Request, response: Response, fed_by: Variant, outside_volts: float | None = None) -> AdcChain:
    exercise, board, measured = asked.exercise, asked.board, asked.measured
    reference, nominal = _reference(asked, fed_by, outside_volts)
    assumed = reference.nominal if exercise.conventions.formula_reference == "measured" else nominal
    supply = None
    if reference.key != RAIL and isinstance(response, SolvedResponse) and RAIL in response.steps:
        rail = measured.rail(board)
        done = measured.rail_volts is not None
        supply = Contributor(
            RAIL, "Supply", rail.low, rail.nominal, rail.high, "V", "as measured" if done else "the supply, unless measured",
            None if done else volts_half(rail.nominal), "measure the supply",
        )  # fmt: skip
    formula = formula_of(exercise, asked.reading, asked.output, assumed, board.full_count, asked.settings)
    return AdcChain(board, asked.output, asked.settings, response, reference, formula, supply)


def _reference(asked: _Request, fed_by: Variant, outside_volts: float | None) -> tuple[Contributor, float]:
    """The converter's reference, and the volts a formula puts in for it."""
    board, measured = asked.board, asked.measured
    if fed_by.reference == "internal" and board.internal_reference_volts:
        return _internal_reference(asked, board.internal_reference_volts[1])
    if fed_by.reference == "external":
        nominal = fed_by.reference_volts or outside_volts or board.rail_volts
        given = measured.outside_volts if measured.outside_volts is not None else outside_volts
        volts = nominal if given is None else given
        done = measured.outside_volts
        spread = Spread.around(volts, volts_half(volts) if done is not None else 0.05 * volts)
        key, name, what, unless = "aref", "Reference at AREF", "the voltage at AREF", "the circuit, unless measured"
    else:
        spread, nominal = measured.rail(board), board.rail_volts
        key, name, what, unless = RAIL, "Supply as reference", "the supply", "the supply, unless measured"
        done = measured.rail_volts
    source = unless if done is None else "as measured"
    half = volts_half(spread.nominal) if done is None else None
    return Contributor(
        key, name, spread.low, spread.nominal, spread.high, "V", source, half, f"measure {what}"
    ), nominal


def _internal_reference(asked: _Request, nominal: float) -> tuple[Contributor, float]:
    """Measured by the pair, else by the calibration of its board, else as boards come."""
    measured, of_board = asked.measured, asked.handed_out.of_board
    figures = figures_for(of_board, "")
    spread, source = measured.internal(asked.board), "part to part, unless measured"
    if measured.internal_volts is not None:
        source = "as measured"
    elif INTERNAL_VOLTS in figures:
        spread = Spread.around(figures[INTERNAL_VOLTS], figures.get(f"{INTERNAL_VOLTS}{HALF}", 0.0))
        source = f"{CALIBRATED}: {source_for(of_board, '')}"
    half = volts_half(spread.nominal) if source.startswith("part") else None
    how = "measure the internal reference"
    found = Contributor(
        "internal", "Internal reference", spread.low, spread.nominal, spread.high, "V", source, half, how
    )
    return found, nominal


def _direct(asked: _Request, levels: tuple[float, float]) -> DigitalChain | BusChain:
    output, settings, board = asked.output, asked.settings, asked.board
    formula = formula_of(asked.exercise, asked.reading, output, board.rail_volts, 0, settings)
    if output.carries == "level":
        return DigitalChain(board, output, settings, formula, levels)
    if output.carries == "pulse":
        return BusChain(output, settings, formula, "µs", raw_step=1.0)
    step = output.step(settings) if output.kind == "data" else 1.0
    unit = output.unit if output.kind == "data" else "count"
    return BusChain(output, settings, formula, unit, raw_step=step)
