from unittest import TestCase

from hypothesis import given
from hypothesis import strategies as st

from tests.samples import WIRING
from verifex.core.circuit import check_wiring, parse_bench
from verifex.core.circuit.places import Hole, LegOf, Rail, read_place
from verifex.core.parts import catalogue
from verifex.core.problems import UnusableInput


class PlacesTest(TestCase):
    def test_holes_rails_and_legs(self):
        self.assertEqual(read_place("a12"), Hole("a", 12))
        self.assertEqual(read_place("+L40"), Rail("+", "L", 40))
        self.assertEqual(read_place("−R"), Rail("-", "R"))
        self.assertEqual(read_place("B1.A0"), LegOf("B1", "A0"))
        with self.assertRaisesRegex(ValueError, "a hole"):
            read_place("k12")


class ReadBenchTest(TestCase):
    def test_every_setting_that_a_part_lists_can_be_written(self):
        for kind in catalogue().parts.values():
            legs = " ".join(f"{leg}=a{row}" for row, leg in enumerate(kind.legs, start=1))
            settings = " ".join(f"{name}=1" for name in kind.settings)
            bench = parse_bench(f"board B1 mcu-5v\nbase full\npart X1 {kind.id} {legs} {settings}\n")
            unknown = [one.seen for one in bench.impossible if "neither a leg nor a setting" in one.seen]
            self.assertEqual(unknown, [], kind.id)

    def test_the_reference_is_read_whole(self):
        bench = parse_bench(WIRING)
        self.assertEqual((list(bench.parts), len(bench.wires)), (["U1", "R1", "D1", "BZ1"], 9))
        self.assertEqual((bench.problems, bench.impossible), ([], []))

    def test_a_line_that_is_no_statement_is_located_and_hides_nothing(self):
        bench = parse_bench("hello there\n" + WIRING)
        self.assertEqual(
            str(bench.problems[0]), "1:1: 'hello' begins no statement; bench, board, base, part or wire was expected"
        )
        self.assertEqual(len(bench.parts), 4)

    def test_a_statement_that_cannot_be_is_a_finding_at_its_line(self):
        table = {
            "wire a99 a1": (6, "rows 1 to 30"),
            "wire B1.D77 a1": (6, "no pin"),
            "part U9 thermo-ofset a1 a2 a3": (9, "did you mean thermo-offset"),
            "part R9 resistor a1 a2 a3": (24, "one place too many"),
            "part R9 resistor a1 a2 ohms=3": (24, "neither a leg nor a setting"),
            "wire U9.out a1": (6, "no part called U9"),
            "wire e8 j1": (6, "used twice"),
        }
        for line, (column, said) in table.items():
            wrong = parse_bench(f"{WIRING}{line}\n").impossible
            self.assertEqual(len(wrong), 1, line)
            self.assertEqual((wrong[0].line, wrong[0].column), (len(WIRING.splitlines()) + 1, column), line)
            self.assertIn(said.lower(), f"{wrong[0].seen} {wrong[0].remedy}".lower(), line)

    def test_a_place_may_name_a_part_that_comes_later(self):
        self.assertEqual(
            parse_bench("board B1 mcu-5v\nwire B1.A0 U1.out\npart U1 thermo-offset e1 e2 e3").impossible, []
        )

    def test_the_batch_decides_which_leg_is_which(self):
        bench = parse_bench(WIRING, batch_orders={"thermo-offset": "ground-out-supply"})
        self.assertEqual(str(bench.parts["U1"].legs["ground"]), "e8")

    def test_a_wiring_over_the_limit_is_refused(self):
        with self.assertRaisesRegex(UnusableInput, "64 kB"):
            parse_bench("#" * 70_000)

    @given(st.text(max_size=300))
    def test_any_text_is_judged_without_a_crash(self, text: str):
        check_wiring(text)

    @given(st.lists(st.sampled_from(WIRING.split()), max_size=60), st.integers(1, 6))
    def test_shuffled_words_are_judged_without_a_crash(self, words: list[str], width: int):
        lines = [" ".join(words[i : i + width]) for i in range(0, len(words), width)]
        check_wiring("\n".join(lines))
