"""Two faults at once: tried only where one leaves too much unexplained, and far less likely than one from the start."""

from collections.abc import Callable, Iterator, Sequence
from math import log

from verifex.core.diagnosis.case import BenchCase
from verifex.core.diagnosis.model import Fault, Prediction, Where
from verifex.core.diagnosis.rank import Candidate, is_alike
from verifex.core.diagnosis.raw import FaultBench
from verifex.core.diagnosis.simulate import predict

TOGETHER = 0.02  # how likely a second fault is beside a first one (our estimate)
MOST_OF_PROGRAM, MOST_OF_BENCH = 14, 20


def pairs(
    case: BenchCase, fault_bench: FaultBench, found: Sequence[Candidate], sound: Prediction
) -> Iterator[Candidate]:
    """A fault of the program with one of the bench, and two of the program; the likelier ones by their priors."""
    single = sorted(found, key=lambda one: -one.fault.prior)
    program = [one for one in single if one.fault.where is Where.PROGRAM and _is_exact(one)][:MOST_OF_PROGRAM]
    bench = [one for one in single if one.fault.where in (Where.PART, Where.STATE, Where.WIRING)][:MOST_OF_BENCH]
    for index, one in enumerate(program):
        for other in [*bench, *program[index + 1 :]]:
            fault = _both(one.fault, other.fault)
            changed = one.fault.apply(other.fault.apply(case))
            prediction = predict(changed, fault_bench)
            if (
                is_alike(prediction, one.prediction)
                or is_alike(prediction, other.prediction)
                or is_alike(prediction, sound)
            ):
                continue
            yield Candidate(fault, changed, prediction, log(fault.prior))


def _is_exact(one: Candidate) -> bool:
    """Whether a fault says what is printed, and not only that it may be anything: with another one such a fault fits all."""
    return not one.case.states and all(
        not any(cause.startswith(("bent", "anything")) for cause in said.effects) for said in one.prediction.values()
    )


def _both(one: Fault, other: Fault) -> Fault:
    title = f"{one.title}, and besides: {other.title[:1].lower()}{other.title[1:]}"
    return Fault(
        f"{one.slug}+{other.slug}", title, f"{other.look_at} Then: {one.look_at[:1].lower()}{one.look_at[1:]}", other.where,
        TOGETHER * one.prior * other.prior, _after(one, other), (*one.parts, *other.parts), other.places, other.subject,
    )  # fmt: skip


def _after(one: Fault, other: Fault) -> Callable[[BenchCase], BenchCase]:
    return lambda case: one.apply(other.apply(case))
