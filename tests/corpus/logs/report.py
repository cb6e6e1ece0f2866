"""False alarms and misses of the readings station on made-up logs: `python -m tests.corpus.logs.report [each] [-v]`."""

import sys
from collections import Counter
from collections.abc import Sequence
from time import perf_counter

from tests.corpus.logs.cases import Case, faulty_cases, sound_cases
from tests.samples import exercise
from verifex.core.assess import Case as Bench
from verifex.core.assess import ReadingsRecord, Workbench, assess_station
from verifex.core.assess.readings import diagnosis_of
from verifex.core.diagnosis.explained import plain_slug
from verifex.core.diagnosis.guide import likely, with_results
from verifex.core.diagnosis.rank import Candidate
from verifex.core.expected import Measured
from verifex.core.readings import judge_log, read_log

SOUND_EACH, FAULTY_EACH = 12, 5
SETTLED = 0.7  # the share from which a fault counts as settled


def judged(case: Case) -> ReadingsRecord:
    record = assess_station(bench_of(case), "readings")
    assert isinstance(record, ReadingsRecord)
    return record


def named(record: ReadingsRecord) -> list[set[str]]:
    """The faults of each explanation, ties included, in their order."""
    return [{one.fault, *(tie.fault for tie in one.ties)} for one in record.diagnosis]


def bench_of(case: Case) -> Bench:
    told = exercise(case.exercise)
    return Bench(told, wiring=told.reference_wiring() or None, log=case.text, measured=Measured(rail_volts=case.rail))


def acts_needed(case: Case, most: int = 4) -> int | None:
    """How many acts settle what a log leaves open: each answered as the bench with the seeded fault would. None where they do
    not; the seeded fault is the likeliest candidate of a right name."""
    bench = Workbench(bench_of(case))
    log = read_log(bench.case.log or "", bench.case.exercise, bench.built)
    diagnosis = diagnosis_of(bench, log, judge_log(log, bench.case.exercise, bench.built))
    if diagnosis is None:
        return None
    truth = next((i for i, one in likely(diagnosis) if plain_slug(one.fault.slug) in case.names), None)
    results: dict[str, float] = {}
    for done in range(most + 1):
        guided = with_results(diagnosis, results)
        acts = guided.next
        ranked = [one for group in guided.diagnosis.ranking.groups for one in group.candidates]
        first = max(ranked, key=lambda one: one.share)
        same = sum(one.share for one in ranked if _repaired_by(one) == _repaired_by(first))
        if same > SETTLED and plain_slug(first.fault.slug) in case.names:
            return done
        if not acts or truth is None:
            return None
        outcome = acts[0].outcomes[truth]
        if isinstance(outcome, str):
            outcome = 3.3 if acts[0].unit == "V" else 0.0
        results[acts[0].slug] = outcome
    return None


def _repaired_by(one: Candidate) -> str:
    """What has to be put right: one lead, whichever of its ends is wrong, or one thing in the program."""
    return one.fault.subject or one.fault.slug


def main(arguments: Sequence[str] = ()) -> int:
    numbers = [int(a) for a in arguments if a.isdigit()]
    verbose = "-v" in arguments
    begun = perf_counter()
    sound = list(sound_cases(numbers[0] if numbers else SOUND_EACH))
    tally: Counter[str] = Counter()
    told: list[str] = []
    for case in sound:
        record = judged(case)
        outs = [step.name for step in record.steps if step.verdict == "out"]
        missing = [step.name for step in record.steps if step.verdict == "missing"]
        tally["steps"] += len(record.steps)
        tally["out"] += len(outs)
        tally["missing"] += len(missing)
        tally["whole"] += record.verdict == "in-limits"
        tally["flagged"] += bool(record.findings)
        if outs or missing or record.findings:
            told.append(
                f"{case.name}: out {outs} missing {missing} flags {[f.rule for f in record.findings]} {record.notes[:2]}"
            )
    faulty = list(faulty_cases(numbers[0] if numbers else FAULTY_EACH))
    slowest = 0.0
    for case in faulty:
        start = perf_counter()
        record = judged(case)
        slowest = max(slowest, perf_counter() - start)
        ranked = named(record)
        first = bool(ranked) and bool(ranked[0] & set(case.names))
        second = first or (len(ranked) > 1 and bool(ranked[1] & set(case.names)))
        tally["first"] += first
        tally["second"] += second
        acts = acts_needed(case)
        tally[f"acts {acts}"] += 1
        if acts is None or acts > 2:
            told.append(f"{case.name}: {acts} acts")
        if not first:
            told.append(
                f"{case.name} {case.names}: {record.verdict} {[(d.fault, d.title[:40], d.likelihood) for d in record.diagnosis][:3]}"
            )
    if verbose:
        print("\n".join(told))
    print(f"{len(sound)} sound logs: {tally['whole']} judged whole and in limits, {tally['out']} of {tally['steps']} steps out, "
          f"{tally['missing']} not found, {tally['flagged']} logs with a second look")  # fmt: skip
    print(f"{len(faulty)} faulty logs: fault first in {tally['first']} ({100 * tally['first'] / len(faulty):.1f} %), "
          f"in the first two {tally['second']} ({100 * tally['second'] / len(faulty):.1f} %)")  # fmt: skip
    settled = [tally[f"acts {n}"] for n in range(5)]
    within = 100 * sum(settled[:3]) / len(faulty)
    print(f"settled after 0, 1, 2, 3, 4 acts: {settled}, not: {tally['acts None']}; within two {within:.1f} %")
    print(f"slowest {slowest:.2f} s, {perf_counter() - begun:.0f} s in all")
    return 0


if __name__ == "__main__":
    sys.exit(main(sys.argv[1:]))
