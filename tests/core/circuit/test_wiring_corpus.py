"""The wiring check on the corpus and on generated benches: no false alarm, no miss, and nothing but function counts."""

import re
from collections import Counter
from random import Random
from unittest import TestCase

from hypothesis import given, settings
from hypothesis import strategies as st

from tests.corpus.wiring.benches import CorpusBench, faulty_benches, sound_benches
from tests.corpus.wiring.layout import sound_layout
from tests.corpus.wiring.mutation import MUTATIONS
from tests.corpus.wiring.mutations import mutated
from tests.corpus.wiring.verdicts import false_alarms, judge
from verifex.core.circuit import check_wiring
from verifex.core.circuit.rules import WIRING

SOUND, FAULTY = sound_benches(), faulty_benches()
EVERY = SOUND + FAULTY


class WrittenCorpusTest(TestCase):
    def test_it_is_large_and_every_defect_stands_at_two_places(self):
        self.assertGreaterEqual(len(SOUND), 60)
        self.assertGreaterEqual(len(FAULTY), 120)
        seeded = Counter(rule for bench in FAULTY for rule in bench.rules[:1])
        self.assertEqual([rule for rule, count in seeded.items() if count < 2], [])
        self.assertLessEqual(set(seeded), set(WIRING.rules))

    def test_no_false_stop_or_fix_on_a_sound_bench(self):
        for bench in SOUND:
            self.assertEqual([f.seen for f in false_alarms(bench.text)], [], bench.name)

    def test_every_fault_is_named_with_its_part_and_told_once(self):
        for bench in FAULTY:
            with self.subTest(bench.name):
                verdict = judge(bench.text, bench.rules, bench.severity, (bench.part,) if bench.part else ())
                self.assertTrue(verdict.named, [(f.rule, f.severity.value, f.where.parts) for f in verdict.findings])
                self.assertEqual([f.rule for f in verdict.besides], [])


class GeneratedBenchesTest(TestCase):
    """A sample; `make corpus` runs thousands and prints the bounds."""

    def test_no_false_stop_or_fix_on_generated_sound_layouts(self):
        for seed in range(10_000, 10_250):
            text = sound_layout(seed).text()
            self.assertEqual([f.seen for f in false_alarms(text)], [], text)

    def test_each_mutation_is_found_with_its_part(self):
        for seed in range(8 * len(MUTATIONS)):
            _, text, wrong = mutated(seed)
            verdict = judge(text, wrong.rules, wrong.severity, wrong.parts)
            self.assertTrue(
                verdict.named, f"{seed} {wrong}\n{[(f.rule, f.where.parts) for f in verdict.findings]}\n{text}"
            )


def verdict_of(text: str, names: dict[str, str] | None = None) -> Counter[tuple[str, str, tuple[str, ...]]]:
    """What the check says, apart from where: rules, severities and parts (by their old names)."""
    names = names or {}
    findings = check_wiring(text).findings
    return Counter((f.rule, f.severity.value, tuple(sorted(names.get(p, p) for p in f.where.parts))) for f in findings)


def words_replaced(text: str, pattern: str, new) -> str:
    return "\n".join(re.sub(pattern, new, line.split("#")[0]) for line in text.splitlines())


HOLE = r"(?<![\w.])([a-j])(\d{1,2})(?![\w.=])"
MIRRORED = dict(zip("abcdefghij", "jihgfedcba", strict=True))


class OnlyFunctionCountsTest(TestCase):
    """Renaming, reordering, moving, mirroring and equivalent pins change no verdict, on sound and faulty benches alike."""

    @given(st.sampled_from(EVERY), st.integers(1, 40))
    def test_renaming(self, bench: CorpusBench, shift: int):
        refs = sorted(set(re.findall(r"^part (\w+)", bench.text, flags=re.M)))
        new = {ref: re.sub(r"\d+", lambda m: str(int(m.group()) + shift), ref) for ref in refs}
        text = words_replaced(
            bench.text, r"(?<![\w.])([A-Z]+\d+)(?=[ .\n]|$)", lambda m: new.get(m.group(1), m.group(1))
        )
        self.assertEqual(verdict_of(text, {v: k for k, v in new.items()}), verdict_of(bench.text))

    @given(st.sampled_from(EVERY), st.integers(0, 10**6))
    def test_reordering(self, bench: CorpusBench, seed: int):
        lines = bench.text.splitlines()
        Random(seed).shuffle(lines)
        # Which of two leads in one hole is the second one is a matter of order; only that is.
        if "hole-used-twice" not in bench.rules:
            self.assertEqual(verdict_of("\n".join(lines)), verdict_of(bench.text))

    @given(st.sampled_from(EVERY), st.integers(1, 12))
    def test_moving_by_rows(self, bench: CorpusBench, rows: int):
        if "full-split" in bench.text or "cannot-be" in bench.rules:
            return
        text = bench.text.replace("base half", "base full")
        if max((int(n) for _, n in re.findall(HOLE, text)), default=0) + rows > 63:
            return
        moved = words_replaced(text, HOLE, lambda m: f"{m.group(1)}{int(m.group(2)) + rows}")
        self.assertEqual(verdict_of(moved), verdict_of(text))

    @given(st.sampled_from(EVERY))
    def test_mirroring_across_the_ditch(self, bench: CorpusBench):
        text = words_replaced(bench.text, HOLE, lambda m: MIRRORED[m.group(1)] + m.group(2))
        text = words_replaced(text, r"(?<![\w])([+-])([LR])", lambda m: m.group(1) + {"L": "R", "R": "L"}[m.group(2)])
        self.assertEqual(verdict_of(text), verdict_of(bench.text))

    @settings(max_examples=60)
    @given(st.sampled_from([b for b in EVERY if "mcu-5v" in b.text]), st.integers(0, 10**6))
    def test_equivalent_pins(self, bench: CorpusBench, seed: int):
        rng = Random(seed)
        plain, pulsed, analogue = ["D2", "D4", "D7", "D8"], ["D3", "D5", "D6", "D9"], ["A0", "A1", "A2", "A3"]
        new: dict[str, str] = {}
        for group in (plain, pulsed, analogue):
            new |= dict(zip(group, rng.sample(group, len(group)), strict=True))
        text = words_replaced(bench.text, r"(?<=B1\.)([AD]\d+)\b", lambda m: new.get(m.group(1), m.group(1)))
        self.assertEqual(verdict_of(text), verdict_of(bench.text))
