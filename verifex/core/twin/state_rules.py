"""The rules on outputs that show more than on and off: colours, blinking, pitch, brightness, words on a display."""

from collections.abc import Iterator
from itertools import pairwise

from verifex.core.exercise.schema import Follow
from verifex.core.findings import Finding, Severity
from verifex.core.rulebook import FindingFactory
from verifex.core.twin.behaviour_rules import BEHAVIOUR
from verifex.core.twin.outcome import RunView, StepOutcome
from verifex.core.twin.shown import course_of
from verifex.core.twin.thresholds import is_the_pairs, requested_state

LEAST_STEP = {"pitch": 0.02, "brightness": 0.03}  # a share of the tone, or of full brightness: less is no change


@BEHAVIOUR.rule(
    "output-in-another-state",
    Severity.FIX,
    title="An output shows something else than asked",
    why="Whoever looks at it reads another message than the one the exercise asks for.",
    hint="What should it show in this step, and which branch of your program decides it?",
    criterion="program",
    source="the exercise's behaviour, run on the twin",
    explains=("alarm-at-wrong-value",),
)
def output_in_another_state(view: RunView, finding: FindingFactory) -> Iterator[Finding]:
    for ref in view.outputs:
        if ref in view.switched:
            continue
        wrong = [o for o in view.outcomes if ref in o.asked and o.seen.get(ref) != o.asked[ref]]
        if wrong:
            first = wrong[0]
            more = f" So it is in {len(wrong)} steps." if len(wrong) > 1 else ""
            yield finding(
                f"At “{first.window.name}” {view.refs[ref]} shows: {first.seen.get(ref, 'nothing')}; "
                f"asked is: {first.asked[ref]}.{more}",
                "Follow the value of this step through the conditions to the lines that set this output.",
                parts=[view.refs[ref]],
            )
            continue
        for outcome in view.outcomes:
            if outcome.window.kind != "step" and (stays := _behind_the_sweep(view, ref, outcome)):
                yield finding(
                    f"After the {outcome.window.name} {view.refs[ref]} shows: {stays[0]}; asked is: {stays[1]}.",
                    "See that every branch sets this output, also the one for when all is well again.",
                    parts=[view.refs[ref]],
                )
                break


def _behind_the_sweep(view: RunView, ref: str, outcome: StepOutcome) -> tuple[str, str] | None:
    """What an output that never turned in a sweep shows at its end, and what is asked there, in words, where the two differ."""
    window = outcome.window
    asked = requested_state(view.exercise, window.key, ref, window.ends[window.kind == "up"])
    # Words can come right one way and wrong the other (an end left standing); what is late in one sweep turns in the other.
    is_words = asked is not None and asked.kind == "text"
    looked_at = [o for o in view.outcomes if o.window.key == window.key and (o is outcome or not is_words)]
    turned = any(own == ref for o in looked_at for own, _ in o.changes)
    if (
        asked is None
        or turned
        or not any(is_the_pairs(view.exercise, s) for s in view.exercise.behaviour if ref in s.outputs)
    ):
        return None
    course = course_of(view.trace, view.refs[ref], view.exercise.states_of(ref))
    last = course.at(window.end_ms - 1.0)
    return None if last.is_as(asked) else (last.in_words(asked), str(asked))


@BEHAVIOUR.rule(
    "output-does-not-follow",
    Severity.FIX,
    title="An output does not follow what is measured",
    why="The exercise asks for more of it as the value changes; as it is, it tells nothing or the contrary.",
    hint="What is the least and the greatest value you write to this output, and when?",
    criterion="program",
    source="the exercise's plan, run on the twin: each step against the one before it in value",
)
def output_does_not_follow(view: RunView, finding: FindingFactory) -> Iterator[Finding]:
    for follow in view.exercise.follows:
        if follow.output not in view.refs:
            continue
        told = _shown_by_step(view, follow)
        for (low, _, before), (high, name, after) in pairwise(told):
            scale = max(before, after) if follow.by == "pitch" else 1.0
            change = (after - before) / scale if scale else 0.0
            if (change if follow.way == "rising" else -change) < LEAST_STEP[follow.by]:
                unit = "Hz" if follow.by == "pitch" else "% of full brightness"
                factor = 1 if follow.by == "pitch" else 100
                yield finding(
                    f"From {low:g} to {high:g} ({name}) the {follow.by} of {view.refs[follow.output]} goes from "
                    f"{before * factor:.0f} to {after * factor:.0f} {unit}; asked is one {follow.way} with {follow.of}.",
                    "Map the range of the value onto the range of the output, the right way round.",
                    parts=[view.refs[follow.output]],
                )
                break


def _shown_by_step(view: RunView, follow: Follow) -> list[tuple[float, str, float]]:
    """By rising value of the quantity: the value, the step's name, and what the output shows at the end of the step."""
    course = course_of(view.trace, view.refs[follow.output], [])
    found = []
    for step, outcome in zip(view.exercise.steps, view.outcomes, strict=False):
        value = step.value_of(*follow.key)
        if value is not None:
            moment = course.at(outcome.window.end_ms - 1.0)
            shown = float(moment.look.hertz) if follow.by == "pitch" else moment.brightness
            found.append((value.value, step.name, shown if moment.look.on else 0.0))
    return sorted(found)
