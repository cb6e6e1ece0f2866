"""False alarms and misses of the wiring check, rule by rule, on the written benches and on generated ones."""

import sys
from collections import Counter
from collections.abc import Iterable
from time import perf_counter

from tests.corpus.bounds import upper_bound
from tests.corpus.wiring.benches import faulty_benches, sound_benches
from tests.corpus.wiring.layout import sound_layout
from tests.corpus.wiring.mutations import mutated
from tests.corpus.wiring.verdicts import false_alarms, judge
from verifex.core.circuit.rules import WIRING

GENERATED = 3000


class Tally:
    """Counts of what happened to each rule."""

    def __init__(self) -> None:
        self.seeded: Counter[str] = Counter()
        self.missed: Counter[str] = Counter()
        self.false: Counter[str] = Counter()
        self.unnamed = self.stops = self.stops_missed = self.besides = self.faults = 0
        self.told: list[str] = []

    def sound(self, name: str, text: str) -> None:
        for found in false_alarms(text):
            self.false[found.rule] += 1
            self.told.append(f"false alarm on {name}: {found.seen}")

    def faulty(self, name: str, text: str, rules: tuple[str, ...], severity: str, parts: tuple[str, ...]) -> None:
        verdict = judge(text, rules, severity, parts)
        self.faults += 1
        self.seeded[rules[0]] += 1
        self.stops += severity == "stop"
        if verdict.hit is None:
            self.missed[rules[0]] += 1
            self.stops_missed += severity == "stop"
            self.told.append(f"missed in {name}")
        elif not verdict.named:
            self.unnamed += 1
            self.told.append(f"found but another part named in {name}: {verdict.hit.seen}")
        self.besides += bool(verdict.besides)


def main(arguments: Iterable[str] = ()) -> int:
    count = next((int(a) for a in arguments), GENERATED)
    tally, begun = Tally(), perf_counter()
    sound, faulty = sound_benches(), faulty_benches()
    for bench in sound:
        tally.sound(bench.name, bench.text)
    for bench in faulty:
        tally.faulty(bench.name, bench.text, bench.rules, bench.severity, (bench.part,) if bench.part else ())
    written_false, written_missed = sum(tally.false.values()), sum(tally.missed.values())
    for seed in range(count):
        tally.sound(f"generated layout {seed}", sound_layout(seed).text())
    false_generated = len({line.split(":")[0] for line in tally.told if line.startswith("false alarm on generated")})
    for seed in range(count):
        _, text, wrong = mutated(seed)
        tally.faulty(f"mutation {seed}, {wrong.name}", text, wrong.rules, wrong.severity, wrong.parts)

    print(f"{'rule':30} {'severity':8} {'seeded':>7} {'missed':>7} {'false alarms':>13}")
    for slug, rule in WIRING.rules.items():
        if tally.seeded[slug] or tally.false[slug]:
            row = (tally.seeded[slug], tally.missed[slug], tally.false[slug])
            print(f"{slug:30} {rule.severity.value:8} {row[0]:7} {row[1]:7} {row[2]:13}")
    print()
    print(
        f"written:   {len(sound)} sound benches, {written_false} false Stop or Fix; {len(faulty)} faulty ones, {written_missed} missed"
    )
    missed = sum(tally.missed.values())
    generated_missed = missed - written_missed
    print(
        f"generated: {count} sound layouts, {false_generated} with a false Stop or Fix (rate under {upper_bound(false_generated, count):.2%}, 95 %)"
    )
    print(
        f"           {count} mutations, {generated_missed} missed (rate under {upper_bound(generated_missed, count):.2%}, 95 %), "
        f"{tally.unnamed} found without the right part"
    )
    named = tally.faults - missed - tally.unnamed
    print(
        f"all:       {named} of {tally.faults} faults named with the right part ({named / tally.faults:.2%}); of {tally.stops} Stops {tally.stops_missed} missed"
    )
    print(f"           {tally.besides} faults told with another Stop or Fix besides; {perf_counter() - begun:.0f} s")
    for line in tally.told[:40]:
        print(f"  {line}")
    return 1 if tally.stops_missed or sum(tally.false.values()) or named < 0.99 * tally.faults else 0


if __name__ == "__main__":
    sys.exit(main(sys.argv[1:]))
