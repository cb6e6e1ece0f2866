"""The expected sheets of a bench, and what its people can measure, with the range in which a value is plausible."""

from collections.abc import Iterator

from verifex.core.assess.records import CheckRecord, MeasurableRecord, SheetsRecord
from verifex.core.assess.workbench import Workbench
from verifex.core.circuit.values import GIVEN, nominal_ohms
from verifex.core.exercise import Exercise
from verifex.core.exercise.units import UNITS_OF_QUANTITY
from verifex.core.expected import sheet_json
from verifex.core.expected.measured import INTERNAL, OUTSIDE, RAIL, RESISTOR_FACTOR, SETTING_UNITS, STEP
from verifex.core.expected.probes import expected_probes
from verifex.core.parts import SwitchOutput, catalogue
from verifex.core.twin import checklist_on_bench

SUPPLY_LEEWAY = (0.85, 1.1)  # of the rail's nominal volts
REFERENCE_LEEWAY = (0.95, 1.05)  # beyond the spread of the internal reference
LEAST_OUTSIDE_VOLTS = 0.5


def assess_sheets(bench: Workbench) -> SheetsRecord:
    board = bench.board
    view = bench.wiring.view if bench.wiring else None
    checks = checklist_on_bench(None, view, bench.case.exercise, board.id)
    return SheetsRecord(
        board=board.id,
        language=board.languages[0],
        built=sheet_json(bench.built),
        intended=sheet_json(bench.intended),
        measurables=tuple({m.name: m for m in reversed(list(measurables(bench)))}.values())[::-1],
        checklist=tuple(CheckRecord.model_validate(check.as_json()) for check in checks),
    )


def measurables(bench: Workbench) -> Iterator[MeasurableRecord]:
    """The supply, what the sheet's contributors say can be measured, the resistors, and the steps of the plan."""
    yield from _references(bench)
    resistors = {m.name: m for m in _resistors(bench)}
    for (ref, _), chain in bench.built.chains.items():
        for c in chain.contributors:
            if not c.how or c.key in (RAIL, INTERNAL, OUTSIDE):
                continue
            if c.key in resistors:
                yield resistors[c.key].model_copy(update={"label": c.name, "how": c.how, "offered": True})
                continue
            name = f"{ref}.{c.key.removeprefix('sensor.')}"
            span = c.high - c.low
            yield MeasurableRecord(
                name=name, label=c.name, unit=c.unit, how=c.how, low=c.low - span / 2, high=c.high + span / 2
            )
    yield from resistors.values()
    yield from _settings(bench)
    yield from _probes(bench)
    yield from steps_to_measure(bench.case.exercise)


def _references(bench: Workbench) -> Iterator[MeasurableRecord]:
    if bench.wiring and not bench.wiring.bench.board and not bench.case.exercise.program:
        return  # no board, so nothing of a board to measure
    board = bench.board
    used = {c.key for chain in bench.built.chains.values() for c in chain.contributors}
    low, high = (share * board.rail_volts for share in SUPPLY_LEEWAY)
    yield MeasurableRecord(
        name=RAIL,
        label=f"Supply, between {board.rail_pin} and GND",
        unit="V",
        how=f"measure between {board.rail_pin} and GND",
        low=low,
        high=high,
        beyond=f"Measure between the {board.rail_pin} pin and GND.",
    )
    if board.internal_reference_volts:
        least, _, most = board.internal_reference_volts
        yield MeasurableRecord(
            name=INTERNAL,
            label="Internal reference",
            unit="V",
            how="measure the internal reference",
            low=REFERENCE_LEEWAY[0] * least,
            high=REFERENCE_LEEWAY[1] * most,
            offered=INTERNAL in used,
        )
    yield MeasurableRecord(
        name=OUTSIDE,
        label="Voltage at AREF",
        unit="V",
        how="measure the voltage at AREF",
        low=LEAST_OUTSIDE_VOLTS,
        high=high,
        offered=OUTSIDE in used,
    )


def _resistors(bench: Workbench) -> Iterator[MeasurableRecord]:
    """A measured value far from the nominal one is another resistor, or was measured across a wire."""
    for part in bench.wiring.bench.parts_of("resistor") if bench.wiring else ():
        if ohms := part.quantity(GIVEN, "ohm") or nominal_ohms(part):
            yield MeasurableRecord(
                name=part.ref,
                label=part.ref,
                unit="Ω",
                how="measure it out of the circuit",
                low=ohms / RESISTOR_FACTOR,
                high=ohms * RESISTOR_FACTOR,
                beyond="Is it the right resistor, and out of the circuit? Do the leads touch?",
                offered=False,
            )


def _probes(bench: Workbench) -> Iterator[MeasurableRecord]:
    """What the exercise asks to be measured at places of the bench, with what it should read there."""
    for probe in expected_probes(bench.case.exercise, bench.wiring.view) if bench.wiring else ():
        yield MeasurableRecord(
            name=probe.name,
            label=probe.label,
            unit=probe.unit,
            how=probe.how,
            low=-probe.most,
            high=probe.most,
            beyond="Is the meter on its right range?",
            should=(round(probe.low, 4), round(probe.expected, 4), round(probe.high, 4)),
        )


#: How a trimmer's setting is measured, and between what it can lie: typical of the families.
_BY_TRIMMER = {
    "range": (
        "range, set by its trimmer",
        "turn until the module's lamp just lights, then measure with a ruler",
        1.0,
        40.0,
    ),
    "hold": ("hold time, set by its trimmer", "move once, keep still, and time how long the lamp stays on", 0.3, 300.0),
}


def _settings(bench: Workbench) -> Iterator[MeasurableRecord]:
    """What a trimmer of a module is set to."""
    for part in bench.case.exercise.recipe:
        for setting, (label, how, low, high) in _BY_TRIMMER.items():
            if setting in catalogue().parts[part.part].settings and _moves(part.part, setting):
                yield MeasurableRecord(
                    name=f"{part.ref}.{setting}",
                    label=f"{part.title or part.ref}: {label}",
                    unit=SETTING_UNITS[setting],
                    how=how,
                    low=low,
                    high=high,
                    beyond="Turn gently: the end stops are weak.",
                    offered=False,
                )


def _moves(part_id: str, setting: str) -> bool:
    """Whether a setting changes what the module tells: the range of an obstacle module, the hold of a motion module."""
    kind = catalogue().parts[part_id]
    output = kind.output
    return (isinstance(output, SwitchOutput) and output.setting == setting) or (
        setting == "hold" and kind.timing.hold_seconds is not None
    )


def steps_to_measure(exercise: Exercise) -> Iterator[MeasurableRecord]:
    """The stimulus of each step, plausible within what the sensor answers to. Nothing of the plan's values is shown."""
    for step in exercise.steps:
        for value in step.values():
            unit = UNITS_OF_QUANTITY.get(value.quantity)
            if unit is None:
                continue  # a press or a tag is not measured
            output = exercise.sensed(value.ref, value.quantity)
            low, high = (output.low, output.high) if output else (value.value, value.value)
            yield MeasurableRecord(
                name=STEP + step.name + ("" if value is step else f"|{value.ref}.{value.quantity}"),
                label=step.name + ("" if value is step else f" ({value.quantity})"),
                unit=unit,
                low=low,
                high=high,
                plan=value.value,
                beyond="That is outside what the sensor answers to.",
            )
