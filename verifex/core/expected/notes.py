"""What an instructor should know of a sheet, in sentences."""

from collections.abc import Iterator

from verifex.core.circuit.handed_out import HandedOut
from verifex.core.expected.overlap import overlapping
from verifex.core.expected.sheet import Sheet
from verifex.core.expected.signal.chain import AdcChain
from verifex.core.parts import catalogue
from verifex.core.parts.calibration import BOARD
from verifex.core.parts.outputs import DataOutput, EchoOutput, PowerLawOutput, SwitchOutput
from verifex.core.quantity import in_words, quantity_or_none

LOADED = 0.005  # of the output: from here the loading is mentioned


def notes_on(sheet: Sheet) -> Iterator[str]:
    """Resolution and ends, what to measure first, what is left open, what must be waited for."""
    yield from _resolution(sheet)
    yield from _measuring(sheet)
    yield from _open_states(sheet)
    yield from _ends(sheet)
    yield from overlapping(sheet)
    yield from _divisor(sheet)
    yield from _loading(sheet)
    yield from _waiting(sheet)
    yield from _sense(sheet)
    yield from _timing(sheet)


def given_notes(handed_out: HandedOut | None) -> Iterator[str]:
    """What the hatch measured of resistors, which calibrations narrow the sheet, and which have aged."""
    for ref, ohms in (handed_out.measured_ohms if handed_out else {}).items():
        yield f"{ref} counts as the hatch measured it, unless it is measured here: {in_words(ohms, 'Ω')}."
    for ref, calibrations in (handed_out.calibrations if handed_out else {}).items():
        of = "The board" if ref == BOARD else ref
        for one in calibrations:
            if one.aged:
                yield f"{of}: the calibration {one.said} is too old; the figures of the family count again. Calibrate it anew."
            else:
                yield f"{of} counts with its calibration: {one.said}."


def _resolution(sheet: Sheet) -> Iterator[str]:
    if sheet.output is None:
        return
    yield f"One count is {sheet.per_count:.2f} {sheet.unit}."
    if sheet.top_value < sheet.output.high:
        yield f"The converter is full at {sheet.top_value:.0f} {sheet.output.unit}; beyond it every reading is the same."


def _measuring(sheet: Sheet) -> Iterator[str]:
    advice = {step.budget.advice() for step in sheet.steps[-1:]}
    yield from (said for said in advice if said)


def _open_states(sheet: Sheet) -> Iterator[str]:
    either = [f"“{step.name}”" for step in sheet.steps if "either" in step.indicators.values()]
    if either:
        yield f"{' and '.join(either)}: the limits straddle the threshold, so the output may be on or off."


def _ends(sheet: Sheet) -> Iterator[str]:
    flat = [f"“{step.name}”" for step in sheet.steps if any(r.exempt for r in step.readings)]
    if flat:
        yield f"{' and '.join(flat)}: at an end of the converter, where it is flat; no verdict is given there."
    full = [f"“{step.name}”" for step in sheet.steps if any(r.saturated and not r.exempt for r in step.readings)]
    if full:
        yield f"{' and '.join(full)}: at an end of the range; every reading beyond looks the same."


def _divisor(sheet: Sheet) -> Iterator[str]:
    if not isinstance(sheet.main, AdcChain) or sheet.output is None or not sheet.steps:
        return
    counts = sheet.main.board.counts
    full = sheet.steps[-1].first.raw[1] * sheet.main.formula.volts_per_count / sheet.output.volts_per_unit / counts
    own, other = sheet.exercise.conventions.divisor, 1023 if sheet.exercise.conventions.divisor == 1024 else 1024
    if counts == 1024:
        yield f"The formula divides by {own}; one that divides by {other} prints {full:.2f} {sheet.unit} off at most, which fits too."


def _loading(sheet: Sheet) -> Iterator[str]:
    chain = sheet.main
    if not isinstance(chain, AdcChain) or sheet.output is None or not sheet.steps:
        return
    step = sheet.steps[0]
    given = min(sheet.output.volts(step.stimulus.nominal), sheet.variant.supply_volts if sheet.variant else 99.0)
    if step.volts.nominal and abs(step.volts.nominal / given - 1) > LOADED:
        yield f"The circuit loads the output: the pin gets {100 * step.volts.nominal / given:.1f} % of it."


def _waiting(sheet: Sheet) -> Iterator[str]:
    for step in sheet.steps:
        if step.waits_seconds > step.dwell_seconds:
            yield (
                f"“{step.name}” is held for {step.dwell_seconds:g} s; the sensor needs about {step.waits_seconds:.0f} s to stand. "
                "Wait before it is marked, or give it longer."
            )


def _timing(sheet: Sheet) -> Iterator[str]:
    """What the module itself needs: warm-up, hold time, pauses between readings, room around it."""
    for ref in dict.fromkeys(ref for ref, _ in sheet.chains):
        recipe = sheet.exercise.part_of(ref)
        if recipe is None:
            continue
        kind = catalogue().parts[recipe.part]
        least, most = kind.timing.warm_up_seconds
        if most:
            yield f"For the first {_span(least, most)} after power-on {ref} means nothing: wait that long before the first step."
        if kind.timing.hold_seconds:
            hold = quantity_or_none(recipe.settings.get("hold", ""), "second") or kind.timing.usual_hold_seconds
            yield f"{ref} stays active for about {hold:g} s after the last motion; hold a step longer than that."
            if recipe.settings.get("jumper") == "single":
                yield (
                    f"{ref} stands in single mode: it goes off after {hold:g} s although somebody still moves, and for {kind.timing.blind_seconds:g} s "
                    "after that it sees nothing. Drop-outs within a step are its own."
                )
        for output in kind.outputs:
            if isinstance(output, DataOutput) and output is kind.outputs[0]:
                yield from _data_timing(ref, output)
            if isinstance(output, EchoOutput):
                far = max(step.stimulus.nominal for step in sheet.steps)
                yield (
                    f"{ref} sees a cone of {output.cone_degrees:g}° to either side: at {far:g} cm it must look {output.least_height_cm(far):.0f} cm "
                    f"above the bench. At least {output.between_ms:g} ms between two shots."
                )


def _data_timing(ref: str, output: DataOutput) -> Iterator[str]:
    if output.sample_seconds:
        yield f"{ref} is read at most every {output.sample_seconds:g} s; sooner it repeats itself or prints nan."
    if output.conversion_ms:
        yield f"{ref} needs {output.conversion({}):g} ms for a conversion at full resolution; read sooner it prints 85.0, and −127 means that it was not found."


def _span(least: float, most: float) -> str:
    if most >= 120:
        return f"{least / 60:g} to {most / 60:g} min"
    return f"{least:g} to {most:g} s"


def _sense(sheet: Sheet) -> Iterator[str]:
    for chain in sheet.chains.values():
        if isinstance(chain.output, SwitchOutput) and chain.output.active_low:
            yield "The module is active low: 0 means that something is there."
        if isinstance(chain.output, PowerLawOutput):
            yield "A count is not a concentration: read it as a trend, never as a safety device."
