"""From a log and its sheet to the faults that explain it best, with the evidence for and against each."""

from collections.abc import Mapping
from dataclasses import dataclass, replace
from math import log

import numpy as np

from verifex.core.circuit.view import BenchView
from verifex.core.diagnosis.case import BenchCase
from verifex.core.diagnosis.faults.program import program_faults
from verifex.core.diagnosis.likelihood import ANY_RISE, ANY_SPREAD, of_noise
from verifex.core.diagnosis.model import Fault, Prediction, Spot, Where
from verifex.core.diagnosis.observe import LEAST_FOR_RISE, LEAST_FOR_SPREAD, ObservedReading, observe
from verifex.core.diagnosis.pairs import pairs
from verifex.core.diagnosis.printing import Printing
from verifex.core.diagnosis.rank import Candidate, Ranking, candidates, is_alike, rank
from verifex.core.diagnosis.raw import FaultBench
from verifex.core.diagnosis.simulate import predict
from verifex.core.exercise import Exercise
from verifex.core.expected import Measured, Sheet
from verifex.core.expected.sheet import Key
from verifex.core.expected.signal.chain import AdcChain, Chain
from verifex.core.parts import Board
from verifex.core.parts.outputs import FloatArray
from verifex.core.readings.log import Log


@dataclass(frozen=True)
class Diagnosis:
    """Everything that was weighed: what was seen, each candidate, and how they rank."""

    case: BenchCase
    fault_bench: FaultBench
    seen: Mapping[Spot, ObservedReading]
    found: tuple[Candidate, ...]
    nothing: float
    ranking: Ranking


def bench_case(
    exercise: Exercise,
    board: Board,
    sheet: Sheet,
    view: BenchView | None,
    measured: Measured,
    tables: Mapping[Key, FloatArray] | None = None,
) -> BenchCase:
    """The sound bench as a case. `tables` is by reading what the pair's own program prints of each count, where known."""
    printing = {key: Printing(chain.formula, table=(tables or {}).get(key)) for key, chain in sheet.chains.items()}
    return BenchCase(exercise, board, sheet, view, measured, printing)


@dataclass(frozen=True)
class Suspects:
    """What a case's bench prints when it is sound, and every fault with what it prints; `more` adds to scores by index."""

    case: BenchCase
    fault_bench: FaultBench
    sound: Prediction
    found: list[Candidate]
    more: Mapping[int, float]

    @staticmethod
    def of(case: BenchCase) -> "Suspects":
        fault_bench = FaultBench(case)
        sound = predict(case, fault_bench)
        found = candidates(case, fault_bench)
        more: dict[int, float] = {}
        if any(printing.table is not None for printing in case.printing.values()):
            found, more = _with_its_program(case, fault_bench, found, sound)
        return Suspects(case, fault_bench, sound, found, more)


def diagnose(suspects: Suspects, log_: Log) -> Diagnosis | None:
    """Weigh every fault of a case against a log; None where nothing can be held against it."""
    case, fault_bench, sound = suspects.case, suspects.fault_bench, suspects.sound
    found, more = suspects.found, suspects.more
    seen = observe(log_, case.exercise, case.sheet)
    if not seen or not (case.sheet.chains or any(one.text is not None for one in seen.values())):
        return None
    nothing = _nothing(seen, sound, case)
    ranking = rank(found, seen, sound, nothing, more)
    if ranking.nothing > UNEXPLAINED:
        both = list(pairs(case, fault_bench, found, sound))
        ranking = rank([*found, *both], seen, sound, nothing, more)
        found = [*found, *both]
    return Diagnosis(case, fault_bench, seen, tuple(found), nothing, ranking)


def _with_its_program(
    case: BenchCase, fault_bench: FaultBench, found: list[Candidate], printed: Prediction
) -> tuple[list[Candidate], dict[int, float]]:
    """What the program itself prints of every count is known: a fault of the program that prints otherwise becomes unlikely,
    one that prints the same likely. Where the exercise's formula prints otherwise and no fault is like it, the program is one more
    candidate."""
    intended = replace(case, printing={key: one.by_formula() for key, one in case.printing.items()})
    meant = predict(intended, fault_bench)
    if is_alike(printed, meant):
        return found, {i: log(PRINTS_OTHERWISE) for i, one in enumerate(found) if one.fault.where is Where.PROGRAM}
    more = {}
    for index, one in enumerate(found):
        if one.fault.where is Where.PROGRAM:
            more[index] = log(PRINTS_SO if is_alike(one.prediction, printed) else PRINTS_OTHERWISE)
    # Faults that print as the program does were left out as changing nothing; here they are what is wrong.
    for fault in program_faults(case):
        prediction = predict(fault.apply(case), fault_bench)
        if is_alike(prediction, printed):
            more[len(found)] = log(PRINTS_SO)
            found.append(Candidate(fault, fault.apply(case), prediction, log(fault.prior)))
    if not any(gain > 0 for gain in more.values()):
        more[len(found)] = log(PRINTS_SO)
        found.append(Candidate(PRINTED_SO, case, printed, log(PRINTED_SO.prior)))
    return found, more


ANY_ID = 0.2  # of an id that no fault prints
UNEXPLAINED = 0.5  # the share of "nothing" from which two faults at once are tried
PRINTS_SO, PRINTS_OTHERWISE = 8.0, 0.002  # how the program as handed in moves the odds of a fault in it
PRINTED_SO = Fault(
    "program-otherwise",
    "The program handed in prints this by itself: the bench is as it should be",
    "Go through the formula of the program step by step with one reading.",
    Where.PROGRAM,
    2.0,
    lambda case: case,
)


def _nothing(seen: Mapping[Spot, ObservedReading], sound: Prediction, case: BenchCase) -> float:
    """The logarithm of the likelihood where nothing is known: every value of the range as likely as the other."""
    total = 0.0
    for spot, one in seen.items():
        said = sound.get(spot)
        if said is not None and one.text is not None:
            total += log(ANY_ID)
            continue
        if said is None or said.value is None:
            continue
        if one.told is not None and not one.count:
            total += 3 * log(0.5)
            continue
        chain = case.sheet.chains[case.keys[spot[1]]]
        span = _span(chain, case, abs(one.centre))
        total -= log(max(span, said.grain))
        known = of_noise(one, said)
        unknown = ANY_SPREAD * (one.count >= LEAST_FOR_SPREAD) + ANY_RISE * (one.count >= LEAST_FOR_RISE)
        total += max(known, unknown)
    return total


def _span(chain: Chain, case: BenchCase, seen: float) -> float:
    if isinstance(chain, AdcChain):
        ends = chain.formula.value(np.array([1.0, float(chain.board.full_count)]))
    else:
        ends = chain.formula.value(chain.exact(np.array([chain.output.low, chain.output.high]), {}))
    return max(abs(float(ends[1] - ends[0])), seen)
