"""The rules on a run: where what the twin did parts from what the exercise asks."""

from collections.abc import Iterator

from verifex.core.exercise.statements import When
from verifex.core.findings import Finding, Severity
from verifex.core.rulebook import FindingFactory, RuleBook
from verifex.core.twin.outcome import RunView, StepOutcome
from verifex.core.twin.thresholds import requested_state, switching

BEHAVIOUR: RuleBook[RunView] = RuleBook("Behaviour on the twin")


def sensor_and_outputs(view: RunView) -> list[str]:
    """What a wrong value concerns: the part it is read from, and every output that follows it, as the bench calls them."""
    sensor = view.exercise.readings[0].ref
    return list(dict.fromkeys([view.refs.get(sensor, sensor), *(view.refs[ref] for ref in view.outputs)]))


def _requested(view: RunView, ref: str) -> str:
    statement = next(s for s in view.exercise.behaviour if ref in s.outputs)
    return str(statement.when)


def _stated(when: When, value: float) -> str:
    """A value of a statement's quantity in the unit the exercise speaks in."""
    return f"{when.as_stated(value):.1f} {when.unit}".rstrip()


def _named(view: RunView, outputs: list[str]) -> tuple[list[str], str, str]:
    """The bench's references of some outputs, as words, and 'is' or 'are' to go with them."""
    refs = [view.refs[ref] for ref in outputs]
    return refs, " and ".join(refs), "is" if len(refs) == 1 else "are"


@BEHAVIOUR.rule(
    "not-supported-on-bench",
    Severity.CHECK,
    title="Not supported yet, met in the run",
    why="Our twin does not simulate this yet, so the run ends here and nothing of it is judged; it is no fault of the pair,"
    " and costs nothing.",
    hint="Your instructor looks at this with you; nothing is wrong with it as far as we know.",
    criterion="program",
    source="our twin",
    explains=(
        "alarm-inverted",
        "alarm-never-on",
        "alarm-stays-on",
        "alarm-at-wrong-value",
        "printed-value-out",
        "flickers-at-threshold",
        "id-in-base-10",
    ),
    unchecked=True,
)
def not_read_on_bench(view: RunView, finding: FindingFactory) -> Iterator[Finding]:
    run = view.trace.run
    if run.ended == "unsupported":
        at = run.ended_at
        yield finding(
            f"After {run.ended_ms / 1000:.1f} s the run comes to {run.ended_with}, which is not supported yet.",
            "Judge this place by eye.",
            line=at.line if at else None,
            column=at.column if at else None,
            parts=sensor_and_outputs(view),
        )


@BEHAVIOUR.rule(
    "not-checked-on-bench",
    Severity.CHECK,
    title="The run could not be checked",
    why="Our twin failed in this run. That is an error of ours, written to the log; it says nothing about the program.",
    hint="This could not be checked because of an error of ours; your instructor looks at it with you.",
    criterion="program",
    source="our twin",
    explains=(
        "alarm-inverted",
        "alarm-never-on",
        "alarm-stays-on",
        "alarm-at-wrong-value",
        "printed-value-out",
        "flickers-at-threshold",
        "id-in-base-10",
    ),
    unchecked=True,
)
def not_checked_on_bench(view: RunView, finding: FindingFactory) -> Iterator[Finding]:
    if view.trace.run.ended == "failed":
        yield finding("The run on the twin could not be checked.", "Judge it by eye.", parts=sensor_and_outputs(view))


@BEHAVIOUR.rule(
    "stops-on-bench",
    Severity.FIX,
    title="The program stops on this bench",
    why="From here on nothing is measured and no alarm comes.",
    hint="What does the error message say, and which line does it name?",
    criterion="program",
    source="the program run on the twin of the pair's own bench",
    explains=("alarm-inverted", "alarm-never-on", "alarm-stays-on", "alarm-at-wrong-value", "printed-value-out"),
)
def stops_on_bench(view: RunView, finding: FindingFactory) -> Iterator[Finding]:
    run = view.trace.run
    if run.ended == "raised" and run.ended_at is not None:
        yield finding(
            f"After {run.ended_ms / 1000:.1f} s line {run.ended_at.line} stops the program: {run.ended_with}.",
            "Look at the wiring of what this line asks; then catch the error, and try again at the next turn.",
            at=run.ended_at,
            parts=sensor_and_outputs(view),
        )


@BEHAVIOUR.rule(
    "alarm-inverted",
    Severity.FIX,
    title="On and off exchanged",
    why="The alarm sounds when all is well, and is silent when it matters.",
    hint="When should the alarm be on? Read your condition aloud.",
    criterion="program",
    source="the exercise's behaviour, run on the twin",
    explains=("alarm-never-on", "alarm-stays-on", "alarm-at-wrong-value"),
)
def alarm_inverted(view: RunView, finding: FindingFactory) -> Iterator[Finding]:
    def inverted(ref: str) -> bool:
        states = view.states(ref)
        return {asked for asked, _ in states} == {"on", "off"} and all(
            {asked, seen} == {"on", "off"} for asked, seen in states
        )

    if outputs := [ref for ref in view.switched if inverted(ref)]:
        refs, names, verb = _named(view, outputs)
        yield finding(
            f"{names} {verb} on when it should be off, and off when it should be on.",
            "Turn the condition or the levels around.",
            parts=refs,
        )


@BEHAVIOUR.rule(
    "alarm-never-on",
    Severity.FIX,
    title="The alarm never goes on",
    why="The exercise asks for it, and nobody would be called.",
    hint="Print the value your condition looks at. Does it ever pass the threshold?",
    criterion="program",
    source="the exercise's behaviour, run on the twin",
    explains=("alarm-at-wrong-value",),
)
def alarm_never_on(view: RunView, finding: FindingFactory) -> Iterator[Finding]:
    def never(ref: str) -> bool:
        states = view.states(ref)
        return any(asked == "on" for asked, _ in states) and all(seen == "off" for _, seen in states)

    if outputs := [ref for ref in view.switched if never(ref)]:
        refs, names, verb = _named(view, outputs)
        yield finding(
            f"{names} {verb} off through the whole plan; asked is on with {_requested(view, outputs[0])}.",
            "Follow the value from the reading to the condition.",
            parts=refs,
        )


def _is_off_at_the_end(view: RunView, ref: str, outcome: StepOutcome) -> bool:
    window = outcome.window
    asked = requested_state(view.exercise, window.key, ref, window.ends[window.kind == "up"])
    return asked is not None and asked.is_level and not asked.is_on


@BEHAVIOUR.rule(
    "alarm-stays-on",
    Severity.FIX,
    title="The alarm never goes off again",
    why="An alarm that stays on says nothing any more; usually the branch for “all is well” is missing.",
    hint="What does your program do when the value is below the threshold again?",
    criterion="program",
    source="the exercise's behaviour, run on the twin",
    explains=("alarm-at-wrong-value",),
)
def alarm_stays_on(view: RunView, finding: FindingFactory) -> Iterator[Finding]:
    def stays(ref: str) -> bool:
        states = view.states(ref)
        # Behind the threshold again: after the sweeps at whose end off is asked.
        back = [o for o in view.outcomes if o.window.kind != "step" and _is_off_at_the_end(view, ref, o)]
        on_at_the_end = bool(back) and view.trace.is_on(view.refs[ref], back[-1].window.end_ms)
        # What has gone off after it was on knows how to.
        seen_on = next((at for at, (_, seen) in enumerate(states) if seen == "on"), len(states))
        if any(asked == seen == "off" for asked, seen in states[seen_on:]):
            return False
        # On before it is asked, but not always: that is another threshold, not a missing branch.
        before = {seen for asked, seen in states if asked == "off"}
        return any(asked == seen == "on" for asked, seen in states) and on_at_the_end and len(before) == 1

    if outputs := [ref for ref in view.switched if stays(ref)]:
        refs, names, verb = _named(view, outputs)
        yield finding(
            f"{names} {verb} still on after the value has fallen below the threshold.",
            "Switch off in the other branch (else).",
            parts=refs,
        )


@BEHAVIOUR.rule(
    "alarm-at-wrong-value",
    Severity.FIX,
    title="The alarm comes at another value",
    why="The exercise names the threshold; too early cries wolf, too late is too late.",
    hint="At which value does your alarm come on the bench, and which one is asked?",
    criterion="program",
    source="the exercise's behaviour, swept on the twin",
)
def alarm_at_wrong_value(view: RunView, finding: FindingFactory) -> Iterator[Finding]:
    def strays(ref: str) -> bool:
        return any(asked in ("on", "off") and seen != asked for asked, seen in view.states(ref))

    if outputs := [ref for ref in view.switched if strays(ref)]:
        refs, names, _ = _named(view, outputs)
        swept = next(
            (o.switched_at[outputs[0]] for o in view.outcomes if o.window.kind == "up" and outputs[0] in o.switched_at),
            None,
        )
        when = next(s for s in view.exercise.behaviour if outputs[0] in s.outputs).when
        at = f" In the sweep the change came at {_stated(when, swept)}." if swept is not None else ""
        yield finding(
            f"{names}: not as asked with {_requested(view, outputs[0])}.{at}",
            "Compare the threshold in the program with the exercise.",
            parts=refs,
        )
        return
    for statement in view.exercise.behaviour:
        for ref in statement.outputs:
            seen = switching(view.exercise, statement, ref, view.outcomes) if ref in view.refs else None
            if seen is not None and not seen.is_right:
                when = statement.when
                yield finding(
                    f"{view.refs[ref]} changes at {_stated(when, seen.up)} on the way up and at {_stated(when, seen.down)} on the "
                    f"way down; asked is {round(when.as_stated(when.threshold), 4):g} {when.unit}".rstrip()
                    + ".",
                    "Compare the threshold in the program with the exercise.",
                    parts=[view.refs[ref]],
                    value=round(when.as_stated(seen.middle), 2),
                    limit=round(when.as_stated(when.threshold), 4),
                )
                return


@BEHAVIOUR.rule(
    "printed-value-out",
    Severity.FIX,
    title="The printed value is not the one of this bench",
    why="On the twin of this bench the formula gives another value than the sheet's limits allow.",
    hint="Take one count from your log and work out the value by hand, step by step.",
    criterion="program",
    source="expected sheet of the pair's own bench",
    explains=("alarm-never-on", "alarm-stays-on", "alarm-at-wrong-value"),
)
def printed_value_out(view: RunView, finding: FindingFactory) -> Iterator[Finding]:
    out = [(o, reading) for o in view.outcomes for reading in o.readings if not reading.inside]
    if out:
        outcome, first = out[0]
        assert first.limits and first.printed
        named = f" for {first.name}" if len(outcome.readings) > 1 and first.name else ""
        value = first.printed.value
        yield finding(
            f"At “{outcome.window.name}” the program prints {value:g}{named}; the sheet allows {first.limits[0]:.1f} to {first.limits[1]:.1f}.",
            "Follow one reading through the formula: reference, divisor, offset, slope.",
            parts=sensor_and_outputs(view),
            value=value,
            limit=first.limits[1] if value > first.limits[1] else first.limits[0],
        )
