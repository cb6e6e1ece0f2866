"""Where printed values are all off in one and the same way, the slip that makes them so is named."""

import re
from collections.abc import Callable, Iterator
from dataclasses import dataclass

from verifex.core.exercise import printable
from verifex.core.findings import Finding, Severity
from verifex.core.parts import LinearOutput, Output
from verifex.core.program.calls.devices import tag_bytes
from verifex.core.rulebook import RUN_CONSEQUENCES, FindingFactory
from verifex.core.twin.behaviour_rules import BEHAVIOUR, sensor_and_outputs
from verifex.core.twin.outcome import RunView, StepOutcome
from verifex.core.twin.thresholds import turn_of

CM_PER_INCH = 2.54


@dataclass(frozen=True, slots=True)
class Slip:
    """One slip: `back` turns what was printed into what would have been printed without it; `applies` says to which
    readings it can happen."""

    slug: str
    title: str
    why: str
    hint: str
    remedy: str
    applies: Callable[[Output, str], bool]
    back: Callable[[float, Output], float]


SLIPS = (
    Slip(
        "echo-not-halved",
        "The echo is not halved",
        "The sound goes there and back; the distance is half of its way.",
        "How far did the sound travel, and how far away is the board?",
        "Divide the way by 2.",
        lambda output, unit: output.carries == "pulse",
        lambda printed, output: printed / 2,
    ),
    Slip(
        "printed-in-inches",
        "Inches where centimetres are asked",
        "The number is right in another unit, and the threshold is compared with it as it stands.",
        "Which unit does your formula give, and which is asked?",
        "Use the formula for centimetres (about 58 µs each, there and back).",
        lambda output, unit: output.quantity == "cm" and unit == "centimetre",
        lambda printed, output: printed * CM_PER_INCH,
    ),
    Slip(
        "printed-in-fahrenheit",
        "°F where °C is asked",
        "The number is right in another unit, and the threshold is compared with it as it stands.",
        "Which unit does your formula give, and which is asked?",
        "Leave out × 1.8 + 32, or ask the module for °C.",
        lambda output, unit: output.quantity == "celsius" and unit == "celsius",
        lambda printed, output: (printed - 32) / 1.8,
    ),
    Slip(
        "offset-not-taken-off",
        "The thermometer's offset is not taken off",
        "At 0 °C it gives half a volt, not nothing; without taking that off every value is too high by as much.",
        "What does your thermometer give at 0 °C?",
        "Take the offset off the volts before they become degrees.",
        lambda output, unit: isinstance(output, LinearOutput) and output.volts_at_zero > 0 and unit == "celsius",
        lambda printed, output: (
            printed - output.volts_at_zero / output.volts_per_unit if isinstance(output, LinearOutput) else printed
        ),
    ),
    Slip(
        "product-before-difference",
        "The product is worked out before the difference",
        "Products bind first: only the offset is multiplied, and the volts before it stay volts.",
        "Which is worked out first, and which should be?",
        "Put brackets around the difference.",
        lambda output, unit: isinstance(output, LinearOutput) and output.volts_at_zero > 0 and unit == "celsius",
        lambda printed, output: _with_brackets(printed, output) if isinstance(output, LinearOutput) else printed,
    ),
    Slip(
        "slope-ten-times-too-large",
        "Ten times too few degrees",
        "The volts are divided by ten times the slope, or a power of ten is lost on the way.",
        "By how many volts does the output rise for each degree?",
        "Look at the slope in the formula: 10 mV a degree is 0.01 V.",
        lambda output, unit: isinstance(output, LinearOutput) and unit == "celsius",
        lambda printed, output: printed * 10,
    ),
    Slip(
        "slope-ten-times-too-small",
        "Ten times too many degrees",
        "The volts are divided by a tenth of the slope, or a power of ten is lost on the way.",
        "By how many volts does the output rise for each degree?",
        "Look at the slope in the formula: 10 mV a degree is 0.01 V.",
        lambda output, unit: isinstance(output, LinearOutput) and unit == "celsius",
        lambda printed, output: printed / 10,
    ),
)


def _with_brackets(printed: float, output: LinearOutput) -> float:
    """What a sum prints when its difference is worked out first: `v − offset · k` becomes `(v − offset) · k`."""
    volts = printed + output.volts_at_zero / output.volts_per_unit
    return (volts - output.volts_at_zero) / output.volts_per_unit


def _judged(view: RunView) -> list[StepOutcome]:
    return [o for o in view.outcomes if o.window.kind == "step" and o.limits is not None and o.printed is not None]


def _main(view: RunView) -> tuple[Output, str] | None:
    """The exercise's main reading: its output, and the unit it is printed in."""
    reading = view.exercise.readings[0]
    output = view.exercise.sensed(reading.ref, reading.quantity)
    if output is None:
        return None
    return output, reading.print or printable(output)[0]


def _off(slip: Slip, judged: list[StepOutcome], output: Output) -> float:
    """How far the values lie from the middle of their limits with the slip undone, at the worst."""
    return max(
        abs(slip.back(o.printed, output) - (o.limits[0] + o.limits[1]) / 2)
        for o in judged
        if o.printed is not None and o.limits is not None
    )


def _undone(slip: Slip, outcome: StepOutcome, output: Output) -> bool:
    """Whether a printed value comes right when the slip is undone; what a coarse last digit hides may be either way."""
    assert outcome.reading is not None and outcome.limits is not None
    value, grain = outcome.reading.value, outcome.reading.grain
    least, most = slip.back(value - grain / 2, output), slip.back(value + grain, output)
    return outcome.limits[0] < most and least <= outcome.limits[1]


def _enter(slip: Slip) -> None:
    @BEHAVIOUR.rule(
        slip.slug,
        Severity.FIX,
        title=slip.title,
        why=slip.why,
        hint=slip.hint,
        criterion="program",
        source="expected sheet of the pair's own bench, with this one slip undone",
        explains=RUN_CONSEQUENCES,
    )
    def rule(view: RunView, finding: FindingFactory) -> Iterator[Finding]:
        main, judged = _main(view), _judged(view)
        if main is None or not slip.applies(*main) or not judged:
            return
        out = [o for o in judged if not o.readings[0].inside]
        fits = [s for s in SLIPS if s.applies(*main) and all(_undone(s, o, main[0]) for o in judged)]
        undone = bool(fits) and min(fits, key=lambda s: _off(s, judged, main[0])) is slip
        if out and undone:
            first = out[0]
            assert first.printed is not None and first.limits is not None
            yield finding(
                f"At “{first.window.name}” {first.printed:g} is printed where {first.limits[0]:.1f} to {first.limits[1]:.1f} is right; every step "
                "is off in the same way.",
                slip.remedy,
                parts=sensor_and_outputs(view),
                value=first.printed,
                limit=first.limits[1] if first.printed > first.limits[1] else first.limits[0],
            )


for _slip in SLIPS:
    _enter(_slip)


MOST_CHANGES = 4  # in one sweep: a light that goes on once, and perhaps hesitates


@BEHAVIOUR.rule(
    "flickers-at-threshold",
    Severity.CHECK,
    title="It flickers at the threshold",
    why="Near the threshold every reading that wanders a little switches it; a relay or a sounder does not like that.",
    hint="What happens when the value stands just at the threshold?",
    criterion="program",
    source="the exercise's behaviour, swept on the twin",
)
def flickers(view: RunView, finding: FindingFactory) -> Iterator[Finding]:
    for ref in view.switched:
        for outcome in view.outcomes:
            if outcome.window.kind == "step":
                continue
            changes = [
                ms
                for ms, who, _ in view.trace.indicator_events
                if who == view.refs[ref] and outcome.window.start_ms <= ms < outcome.window.end_ms
            ]
            if len(changes) > MOST_CHANGES * _thresholds_of(view, ref):
                yield finding(
                    f"{view.refs[ref]} changed {len(changes)} times while the value went once through the threshold.",
                    "Switch on at one value and off at another a little lower (hysteresis), or ask for the state to last a while.",
                    parts=[view.refs[ref]],
                )
                break


def _thresholds_of(view: RunView, ref: str) -> int:
    """How many thresholds an output is asked to change at; at least one."""
    return max(1, sum(turn_of(view.exercise, s, ref) is not None for s in view.exercise.behaviour))


@BEHAVIOUR.rule(
    "module-read-too-often",
    Severity.FIX,
    title="A module is read more often than it measures",
    why="It repeats its last value, or fails and prints nan; a slower reading would be the truth.",
    hint="How often does this module measure, and how often do you ask it?",
    criterion="program",
    source="the catalogue: the module's sampling time",
)
def read_too_often(view: RunView, finding: FindingFactory) -> Iterator[Finding]:
    for (ref, quantity), (seconds, needs) in view.trace.too_often.items():
        yield finding(
            f"{ref} is asked for {quantity} every {seconds:.2g} s; it measures once in {needs:g} s.",
            f"Wait at least {needs:g} s between two readings.",
            parts=[ref],
            value=seconds,
            limit=needs,
            unit="s",
        )
        return


@BEHAVIOUR.rule(
    "id-in-base-10",
    Severity.FIX,
    title="The id is put together in base 10",
    why="Ids are written in base 16; put together from numbers in base 10 it is another text, and no comparison meets it.",
    hint="Compare the id on your log with the one in the program, digit by digit.",
    criterion="program",
    source="what is printed while the exercise's tag is at the reader",
    explains=("alarm-never-on",),
)
def id_in_base_10(view: RunView, finding: FindingFactory) -> Iterator[Finding]:
    for outcome in view.outcomes:
        code = tag_bytes(outcome.window.text)
        failed = any(asked == "on" and outcome.seen.get(ref) == "off" for ref, asked in outcome.asked.items())
        if not code or not failed:
            continue
        in_ten = "".join(str(byte) for byte in code)
        lines = [text for ms, text in view.trace.run.lines if outcome.window.start_ms <= ms <= outcome.window.end_ms]
        told = next((text for text in lines if in_ten in re.sub(r"\D", "", text)), None)
        if told is not None:
            yield finding(
                f"With {outcome.window.text} at the reader the program prints `{told.strip()}`: its bytes in base 10.",
                "Put the id together in base 16, two digits for each byte.",
                parts=sensor_and_outputs(view),
            )
            return


LEAST_FED = 0.9


@BEHAVIOUR.rule(
    "strip-fed-all-the-time",
    Severity.CHECK,
    title="The strip is fed all the time",
    why="Fed all the time it corrodes within days, although its feed pin could switch it off between readings.",
    hint="When does this module need its supply: always, or only while it is read?",
    criterion="program",
    source="typical of the family: electrolysis; the program run on the twin",
)
def strip_fed_all_the_time(view: RunView, finding: FindingFactory) -> Iterator[Finding]:
    for ref, (pin, share) in view.trace.fed_share.items():
        if share > LEAST_FED:
            yield finding(
                f"{pin} feeds {ref} for {share:.0%} of the time.",
                "Switch it on, wait some 10 ms, read, and switch it off again.",
                parts=[ref],
                value=round(share, 2),
                limit=LEAST_FED,
            )
