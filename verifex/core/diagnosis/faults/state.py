"""Faults of the bench while it runs: reference, supply, warming up, corrosion, contacts, modules that do not answer."""

from collections.abc import Iterator
from operator import methodcaller

from verifex.core.diagnosis.case import BenchCase
from verifex.core.diagnosis.faults.priors import PRIORS
from verifex.core.diagnosis.model import Apply, Fault, Where
from verifex.core.diagnosis.raw import NO_PULL_UP
from verifex.core.expected.signal.chain import AdcChain, BusChain, DigitalChain
from verifex.core.parts import PartType, catalogue
from verifex.core.parts.outputs import DataOutput

NOT_ANSWERING = "Are the leads of {ref}, the pull-up of its line and the pin that the program names right? Then put another {ref} in its place."
SAG_SHARE, LOW_SHARE = 0.9, 0.88  # of the rail, under load (our estimate)


def state_faults(case: BenchCase) -> Iterator[Fault]:
    chains = case.sheet.chains
    analogue = [chain for chain in chains.values() if isinstance(chain, AdcChain)]
    for chain in analogue[:1]:
        if chain.reference.key != "rail":
            yield _state(
                "reference-unset", "The converter still compares with its supply",
                "Is analogReference() called in setup(), and before the first reading?",
                methodcaller("compared_with", case.measured.rail_volts or case.board.rail_volts),
            )  # fmt: skip
        if chain.reference.key == "rail" and chain.board.internal_reference_volts:
            internal = chain.board.internal_reference_volts[1]
            yield _state(
                "reference-unset:internal", "The converter compares with its internal reference, not with its supply",
                "Is analogReference(INTERNAL) called, and left over from another program?",
                methodcaller("compared_with", internal),
            )  # fmt: skip
        rail = case.measured.rail_volts or case.board.rail_volts
        yield _state(
            "low-supply", "The supply is lower than it was measured", "Measure the supply while the bench runs; try another lead or socket.",
            methodcaller("on_rail", LOW_SHARE * rail),
        )  # fmt: skip
        for steps in _on_steps(case):
            yield _state(
                "sagging-supply", "The supply gives way while a light or sounder is on",
                "Measure the supply with the output on and with it off.",
                methodcaller("on_rail", SAG_SHARE * rail, steps),
            )  # fmt: skip
    for ref, kind in _kinds(case):
        if kind.timing.warm_up_seconds[1] and kind.sensing("ppm") is not None:
            yield _state(
                "cold",
                "The module was not warm yet",
                "How long had it been on? Wait for its warm-up, then read.",
                methodcaller("in_state", "cold"),
                ref,
            )
        if kind.corrodes_when_fed:
            yield _state(
                "corroding", "The strip corrodes while it is fed all the time",
                "Is it fed from a pin, and only while it is read? Look for a dark line on its tracks.", methodcaller("in_state", "corroding"), ref,
            )  # fmt: skip
    for ref in dict.fromkeys(key[0] for key, chain in chains.items() if isinstance(chain, BusChain)):
        yield _state(
            "not-answering",
            f"{ref} does not answer",
            NOT_ANSWERING.format(ref=ref),
            methodcaller("in_state", "mute"),
            ref,
        )
    reported: set[str] = set()
    for (ref, _), read in chains.items():
        if isinstance(read.output, DataOutput) and ref not in reported:
            reported.add(ref)
            yield from _answer_lost(case, ref)
            yield _state(
                "bytes-misread", f"No {ref} can give such a value: its bytes are put together wrongly, or it is another kind of module",
                f"Which kind does the program name, and what is printed on {ref}? Which byte comes first, and is it signed?",
                methodcaller("in_state", "bytes"), ref,
            )  # fmt: skip
        if read.output.carries == "pulse":
            yield from _beyond_reach(case, ref)
        if isinstance(read, DigitalChain):
            yield Fault(
                "pull-up-unset", f"The pin of {ref} is left without its pull-up: while {ref} lets go, nothing holds it",
                f"Which mode does pinMode() give the pin of {ref}? INPUT_PULLUP holds it high.",
                Where.PROGRAM, PRIORS["pull-up-unset"], methodcaller("in_state", NO_PULL_UP), (ref,),
            )  # fmt: skip
        if isinstance(read, AdcChain | DigitalChain):
            yield _other_pin(ref)
            yield _state(
                "shaky-contact", "A contact comes and goes", "Wiggle each lead of the module in turn while it reads.",
                methodcaller("with_shaky", ref), ref,
            )  # fmt: skip


def _answer_lost(case: BenchCase, ref: str) -> Iterator[Fault]:
    """No answer at one step, where the module answers at the others."""
    steps = case.sheet.steps
    for index, step in enumerate(steps) if len(steps) > 1 else ():
        yield _state(
            "answer-lost", f"At “{step.name}” {ref} does not answer: a lead came loose there, or its supply gave way",
            f"Bring the bench into “{step.name}” again and wiggle each lead of {ref} in turn.",
            methodcaller("silent_on", frozenset([index])), ref,
        )  # fmt: skip


def _beyond_reach(case: BenchCase, ref: str) -> Iterator[Fault]:
    """No echo at the farthest steps, one or more of them but not at all."""
    steps = sorted(enumerate(case.sheet.steps), key=lambda row: -row[1].stimulus.nominal)
    for count in range(1, len(steps)):
        silent = steps[:count]
        names = " and ".join(f"“{step.name}”" for _, step in silent)
        yield _state(
            "beyond-reach", f"At {names} no echo comes back: the target is turned away, or beyond what the library waits for",
            "Turn a hard, flat target square to the module. Which largest distance does the library wait for?",
            methodcaller("silent_on", frozenset(index for index, _ in silent)), ref,
        )  # fmt: skip


def _other_pin(ref: str) -> Fault:
    """An open pin is read; where the bench is known, a lead that does not reach the pin is a fault of its own beside it."""
    return Fault(
        "floating", f"The program reads a pin that {ref} is not on: nothing holds it", f"Which pin does the program read, and which is {ref} on?",
        Where.PROGRAM, PRIORS["floating"], methodcaller("in_state", "wandering"), (ref,),
    )  # fmt: skip


def _on_steps(case: BenchCase) -> list[frozenset[int]]:
    """Which steps an output may be on in: those where it is, and each further one where it may be, the largest first."""
    steps = list(enumerate(case.sheet.steps))
    sure = frozenset(i for i, step in steps if "on" in step.indicators.values())
    maybe = [i for i, step in steps if i not in sure and "either" in step.indicators.values()]
    maybe.sort(key=lambda i: -case.sheet.steps[i].value.nominal)
    sets = [sure | frozenset(maybe[:n]) for n in range(len(maybe) + 1)]
    return [found for found in sets if found and len(found) < len(steps)]


def _state(slug: str, title: str, look_at: str, apply: Apply, ref: str = "") -> Fault:
    return Fault(slug, title, look_at, Where.STATE, PRIORS[slug.split(":")[0]], apply, (ref,) if ref else ())


def _kinds(case: BenchCase) -> Iterator[tuple[str, PartType]]:
    for ref in dict.fromkeys(key[0] for key in case.keys):
        if recipe := case.exercise.part_of(ref):
            yield ref, catalogue().parts[recipe.part]
