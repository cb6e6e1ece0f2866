"""Acts with the eye and the hand: follow a lead, read a marking, look into the program, swap, turn, wait, wiggle."""

from collections.abc import Iterator, Sequence

from verifex.core.diagnosis.acts.act import AS_IT_SHOULD, Act, Likely, Outcome, Shows, question
from verifex.core.diagnosis.case import BenchCase
from verifex.core.diagnosis.model import Noise, Where
from verifex.core.diagnosis.rank import Candidate
from verifex.core.diagnosis.raw import FaultBench

LOOKED = ("as handed in", "otherwise")


def _kind(one: Candidate) -> str:
    return one.fault.slug.partition(":")[0]


def looks(case: BenchCase, fault_bench: FaultBench, likely: Likely) -> Iterator[Act]:
    """Follow one lead, look at the legs of one part, or at all of them in turn."""
    subjects = {one.fault.subject: one.fault for _, one in likely if one.fault.subject}
    for subject, fault in subjects.items():
        yield question(f"look:{subject}", "look", fault.look_at, LOOKED, likely, _about(subject), fault.places)
    if len(subjects) > 2:
        names = list(subjects)
        outcomes: dict[int, Outcome] = {
            i: 1 + names.index(one.fault.subject) if one.fault.subject else AS_IT_SHOULD for i, one in likely
        }
        text = "Look at the leads and legs one after the other: which is not where the hand-in says?"
        yield Act("leads", "leads", text, "", ("all as handed in", *names), outcomes, AS_IT_SHOULD)


def _about(subject: str) -> Shows:
    return lambda one: one.fault.subject == subject


def markings(case: BenchCase, fault_bench: FaultBench, likely: Likely) -> Iterator[Act]:
    for ref in sorted({p for _, one in likely if _kind(one) in MARKED for p in one.fault.parts}):
        what = "bands" if ref.startswith("R") else "marking"
        text = f"Read the {what} of {ref}: is it what the recipe says?"
        yield question(
            f"marking:{ref}", "marking", text, ("as the recipe says", "another"), likely, _of_part(ref, MARKED)
        )


def _of_part(ref: str, kinds: Sequence[str]) -> Shows:
    return lambda one: ref in one.fault.parts and _kind(one) in kinds


MARKED = ("another-kind", "look-alike-part", "resistor-decade")


def formulas(case: BenchCase, fault_bench: FaultBench, likely: Likely) -> Iterator[Act]:
    """Look for one thing in the program."""
    shown = {one.fault.slug: one.fault.look_at for _, one in likely if one.fault.where is Where.PROGRAM}
    for slug, look_at in shown.items():
        text = f"In the program: {look_at[:1].lower()}{look_at[1:]}"
        yield question(
            f"formula:{slug}",
            "formula",
            text,
            ("it is as the exercise asks", "that is what is wrong"),
            likely,
            _is_fault(slug),
        )


def _is_fault(slug: str) -> Shows:
    return lambda one: one.fault.slug == slug


def stimuli(case: BenchCase, fault_bench: FaultBench, likely: Likely) -> Iterator[Act]:
    if len(case.sheet.steps) < 2:
        return
    one_step, other = case.sheet.steps[0].name, case.sheet.steps[-1].name
    yield question(
        "stimulus", "stimulus", f"Go from “{one_step}” to “{other}” once more and watch the reading", ("it follows", "it stands still, or wanders"), likely,
        _is_blind,
    )  # fmt: skip


def _is_blind(one: Candidate) -> bool:
    said = [s for s in one.prediction.values() if s.value is not None]
    if one.case.order:
        return False
    if not said or any(s.noise is Noise.WANDERING for s in said) or one.case.states & {"blind", "mute"}:
        return True
    values = [s.value or 0.0 for s in said]
    return len(values) > 1 and max(values) - min(values) <= 2 * max(s.grain for s in said)


def wiggles(case: BenchCase, fault_bench: FaultBench, likely: Likely) -> Iterator[Act]:
    if any(one.case.shaky for _, one in likely):
        yield question(
            "wiggle", "wiggle", "Wiggle each lead of the module in turn while it reads", ("the reading stays", "it jumps"), likely,
            lambda one: bool(one.case.shaky),
        )  # fmt: skip


def waits(case: BenchCase, fault_bench: FaultBench, likely: Likely) -> Iterator[Act]:
    if any("cold" in one.case.states for _, one in likely):
        yield question(
            "wait", "wait", "Leave it on for two minutes and read again", ("it reads the same", "it has come down"), likely,
            lambda one: "cold" in one.case.states,
        )  # fmt: skip


def turns(case: BenchCase, fault_bench: FaultBench, likely: Likely) -> Iterator[Act]:
    for ref in sorted({p for _, one in likely if _kind(one) == "trimmer" for p in one.fault.parts}):
        text = f"Turn the trimmer of {ref} gently to and fro while something stands in front of it"
        yield question(
            f"turn:{ref}",
            "turn",
            text,
            ("the reading stays as it is", "it changes"),
            likely,
            _of_part(ref, ("trimmer",)),
        )


def swaps(case: BenchCase, fault_bench: FaultBench, likely: Likely) -> Iterator[Act]:
    for ref in dict.fromkeys(key[0] for key in case.keys):
        text = f"Power off; put another {ref} of the same kind in its place, and read one step"
        answers = ("it reads the same", "it reads as it should")
        yield question(f"swap:{ref}", "swap", text, answers, likely, _of_part(ref, SWAPPED))


SWAPPED = ("another-kind", "look-alike-part", "corroding", "not-answering")
