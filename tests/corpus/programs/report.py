"""False alarms and misses of the program check, rule by rule: as written, and as other hands would have written it."""

import sys
from collections import Counter
from collections.abc import Sequence
from time import perf_counter

from tests.compiled.grown import Grower, printed_by_us
from tests.compiled.real import IS_THERE, printed_by_real
from tests.compiled.shadowed import Shadower
from tests.corpus.bounds import upper_bound
from tests.corpus.programs.edits import agreement
from tests.corpus.programs.faults import FAULTS, Fault
from tests.corpus.programs.hands import by_another_hand
from tests.corpus.programs.verdicts import PROGRAMS, judge, named
from verifex.core.program.rules import PROGRAM
from verifex.core.twin.behaviour_rules import BEHAVIOUR

EDITS = 1000
GROWN = 300  # programs grown from the grammar
SHADOWED = 500  # programs in which one name stands for many things
HANDS = 5  # other hands for each program, written or with a slip


class Tally:
    """Counts of what happened to each rule."""

    def __init__(self) -> None:
        self.seeded: Counter[str] = Counter()
        self.missed: Counter[str] = Counter()
        self.false: Counter[str] = Counter()
        self.sound = self.alarmed = self.faults = self.besides = self.ours = 0
        self.told: list[str] = []

    def take_sound(self, program: str, text: str, hand: str) -> None:
        self.sound += 1
        serious = judge(program, text).serious
        self.alarmed += bool(serious)
        for found in serious:
            self.false[found.rule] += 1
            self.told.append(f"false alarm on {program}, {hand}: {found.rule}: {found.seen}")

    def take_fault(self, fault: Fault, text: str, hand: str) -> None:
        verdict = judge(fault.program, text)
        self.faults += 1
        self.seeded[fault.rules[0]] += 1
        if not verdict.names(fault):
            self.missed[fault.rules[0]] += 1
            self.ours += any(f.rule == "not-supported-yet" for f in verdict.findings)
            self.told.append(
                f"missed {fault.rules[0]} in {fault.program}, {hand}: {[f.rule for f in verdict.findings]}"
            )
        self.besides += bool(verdict.besides(fault))


def main(arguments: Sequence[str] = ()) -> int:
    hands = int(arguments[0]) if arguments else HANDS
    tally, begun = Tally(), perf_counter()
    for path in PROGRAMS:
        sound = path.read_text("utf-8")
        tally.take_sound(named(path), sound, "as written")
        for seed in range(hands):
            tally.take_sound(named(path), by_another_hand(sound, sound, seed), f"hand {seed}")
    for fault in FAULTS:
        tally.take_fault(fault, fault.text, "as written")
        for seed in range(hands):
            tally.take_fault(fault, by_another_hand(fault.text, fault.sound, seed), f"hand {seed}")

    print(f"{'rule':30} {'severity':8} {'seeded':>7} {'missed':>7} {'false alarms':>13}")
    severities = {slug: r.severity.value for slug, r in PROGRAM.rules.items()}
    severities |= {slug: r.severity.value for slug, r in BEHAVIOUR.rules.items()}
    for slug, severity in severities.items():
        if tally.seeded[slug] or tally.false[slug]:
            row = (tally.seeded[slug], tally.missed[slug], tally.false[slug])
            print(f"{slug:30} {severity:8} {row[0]:7} {row[1]:7} {row[2]:13}")
    missed = sum(tally.missed.values())
    rates = upper_bound(tally.alarmed, tally.sound), upper_bound(missed, tally.faults)
    print(f"\nwritten: {len(PROGRAMS)} sound programs and {len(FAULTS)} faulty ones, each also by {hands} other hands")
    print(f"sound:   {tally.alarmed} of {tally.sound} with a false Stop or Fix (rate under {rates[0]:.2%}, 95 %)")
    print(f"faulty:  {tally.faults - missed} of {tally.faults} named ({1 - missed / tally.faults:.2%}; misses under {rates[1]:.2%}, 95 %), "
          f"{tally.ours} of the misses not supported yet; {tally.besides} told with another Stop or Fix besides; {perf_counter() - begun:.0f} s")  # fmt: skip
    for line in tally.told[:60]:
        print(f"  {line}")
    if IS_THERE:
        found = agreement(range(EDITS))
        only_we, only_it = len(found.only_we or ()), len(found.only_it or ())
        print(f"edits:   of {EDITS} small edits by chance {found.both} are taken or refused as a real compiler does, {found.not_supported} not supported yet; "
              f"{only_we} refused by us only, {only_it} by it only")  # fmt: skip
        differ, constructs = Counter[str](), Counter[str]()
        for seed in range(GROWN):
            grower = Grower(seed)
            source = grower.program()
            constructs.update(set(grower.constructs))
            if printed_by_us(source) != printed_by_real(source):
                differ.update(set(grower.constructs))
        wrong = [seed for seed in range(SHADOWED) if not _agrees(Shadower(seed).program())]
        print(
            f"shadowed names: {SHADOWED} programs run as on the real core; those that differ, by seed: {wrong or 'none'}"
        )
        print(
            f"grown:   {GROWN} programs run as on the real core; constructs in those that differ: {dict(differ) or 'none'}; tried: {dict(constructs)}"
        )
    return 1 if tally.alarmed or missed > 0.02 * tally.faults else 0


MOST_LINES = 400  # of what prints more the simulated chip takes minutes


def _agrees(source: str) -> bool:
    ours = printed_by_us(source)
    return len(ours) > MOST_LINES or ours == printed_by_real(source)


if __name__ == "__main__":
    sys.exit(main(sys.argv[1:]))
