"""The program check on the corpus: no false alarm, every slip named, refusals where a compiler has them, whatever the hand."""

import ast
import re
from collections import Counter
from unittest import TestCase, skipUnless

from tests.compiled.real import IS_THERE, MISSING, refused_line
from tests.corpus.programs.edits import agreement, is_compiled
from tests.corpus.programs.faults import FAULTS, REFUSALS, Fault
from tests.corpus.programs.hands import by_another_hand
from tests.corpus.programs.verdicts import PROGRAMS, judge, named
from tests.profile import sample
from verifex.core.program.rules import PROGRAM
from verifex.core.twin.behaviour_rules import BEHAVIOUR

REFUSED = [fault for fault in FAULTS if fault.rules[0] in REFUSALS]


class WrittenProgramsTest(TestCase):
    def test_the_corpus_is_large_and_every_slip_stands_in_two_places(self):
        self.assertGreaterEqual(len(PROGRAMS), 80)
        self.assertGreaterEqual(len(FAULTS), 120)
        seeded = Counter(fault.rules[0] for fault in FAULTS)
        self.assertEqual([rule for rule, count in seeded.items() if count < 2], [])
        self.assertLessEqual(set(seeded), {*PROGRAM.rules, *BEHAVIOUR.rules})

    def test_a_sound_program_has_no_stop_or_fix_and_does_what_is_asked(self):
        for path in sample(PROGRAMS, 2):
            verdict = judge(named(path), path.read_text("utf-8"))
            self.assertEqual(([f.seen for f in verdict.serious], verdict.did_all), ([], True), named(path))

    def test_every_slip_is_named(self):
        for fault in sample(FAULTS, 3):
            verdict = judge(fault.program, fault.text)
            self.assertTrue(verdict.names(fault), f"{fault}: {[f.rule for f in verdict.findings]}")
            self.assertEqual(verdict.compiles, fault.rules[0] not in REFUSALS, fault)


class OtherHandsTest(TestCase):
    """`make corpus` prints the bounds."""

    def test_names_layout_comments_and_leftovers_change_no_verdict(self):
        for seed, path in enumerate(sample(PROGRAMS, 6)):
            text = path.read_text("utf-8")
            text = by_another_hand(text, text, 1000 + seed)
            self.assertEqual([f.seen for f in judge(named(path), text).serious], [], text)
        for seed, fault in enumerate(sample(FAULTS, 8)):
            text = by_another_hand(fault.text, fault.sound, 2000 + seed)
            self.assertTrue(judge(fault.program, text).names(fault), f"{fault}\n{text}")


def code_lines_between(text: str, first: int, last: int) -> int:
    """Lines with code from `first` up to the one before `last`."""
    bare = re.sub(r"/\*.*?\*/|//[^\n]*", lambda m: "\n" * m.group().count("\n"), text, flags=re.DOTALL)
    return sum(bool(line.strip()) for line in bare.split("\n")[first - 1 : last - 1])


class RefusedTest(TestCase):
    """What is refused stands where a compiler or interpreter says, on the line of code before, or on the slip itself."""

    def lines(self, fault: Fault) -> list[int]:
        return [f.where.line or 0 for f in judge(fault.program, fault.text).findings if f.rule in fault.rules]

    @skipUnless(IS_THERE, MISSING)
    def test_the_real_compiler_takes_what_we_take_and_refuses_what_we_refuse(self):
        for path in PROGRAMS:
            text = path.read_text("utf-8")
            if is_compiled(named(path), text):
                self.assertIsNone(refused_line(text), named(path))
        for fault in REFUSED:
            if fault.rules[0] in ("missing-function", "memory-full") or not is_compiled(fault.program, fault.text):
                continue  # what is missing or too large is the linker's to say
            real = refused_line(fault.text)
            assert real is not None, fault
            fits = [
                line in fault.lines or (line <= real and code_lines_between(fault.text, line, real) <= 1)
                for line in self.lines(fault)
            ]
            self.assertTrue(any(fits), f"{fault}: the compiler says {real}, we say {self.lines(fault)}")

    @skipUnless(IS_THERE, MISSING)
    def test_edits_by_chance_are_taken_and_refused_as_the_compiler_does(self):
        """A sample; `make corpus` tries many more."""
        found = agreement(range(60))
        self.assertEqual((found.only_we, found.only_it), ([], []))

    def test_python_is_refused_where_its_own_reader_refuses_it(self):
        for fault in REFUSED:
            if fault.program.endswith(".py") and fault.rules == ("syntax",):
                with self.assertRaises(SyntaxError) as told:
                    ast.parse(fault.text)
                near = {told.exception.lineno, (told.exception.lineno or 0) - 1, *fault.lines}
                self.assertTrue(near & set(self.lines(fault)), f"{fault}: {near}, {self.lines(fault)}")
