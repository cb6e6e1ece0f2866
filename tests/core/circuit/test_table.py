"""A bench as a table and back: nothing is lost, and what cannot be is reported at its line and column."""

from unittest import TestCase

from hypothesis import given, settings
from hypothesis import strategies as st

from tests.corpus.wiring.benches import faulty_benches, sound_benches
from tests.samples import WIRING
from verifex.core.circuit import parse_bench
from verifex.core.circuit.text.csv_table import bench_to_csv, csv_to_bench
from verifex.core.problems import UnusableInput

EVERY = [*sound_benches(), *faulty_benches()]


def words(text: str) -> list[list[str]]:
    return [line.split() for line in text.rstrip("\n").splitlines()]


class TableTest(TestCase):
    @settings(max_examples=150)
    @given(st.sampled_from(EVERY))
    def test_text_to_table_to_text_keeps_every_word_comment_and_the_order(self, bench):
        self.assertEqual(words(csv_to_bench(bench_to_csv(bench.text))), words(bench.text), bench.name)

    @settings(max_examples=60)
    @given(st.sampled_from(EVERY))
    def test_table_to_text_to_table_is_the_same_table(self, bench):
        table = bench_to_csv(bench.text)
        self.assertEqual(bench_to_csv(csv_to_bench(table)), table)

    def test_comments_empty_lines_and_settings_survive(self):
        text = "# mine\nboard B1 mcu-5v   # borrowed\n\npart R1 resistor a1 a5 value=330 measured=327 # old one\nwire B1.GND -L black\n"
        self.assertEqual(words(csv_to_bench(bench_to_csv(text))), words(text))
        self.assertIn("# old one", bench_to_csv(text))

    def test_a_table_made_by_hand_is_read(self):
        table = (
            "kind,ref,type,leg,place,setting\n"
            "board,B1,mcu-5v,,,\n"
            "part,D1,led,anode,b24,colour=red\n"
            "part,D1,led,cathode,b26,\n"
            "wire,,,,B1.GND -L,black\n"
        )
        bench = parse_bench(csv_to_bench(table))
        self.assertEqual(bench.problems, [])
        self.assertEqual({leg: str(p) for leg, p in bench.parts["D1"].legs.items()}, {"anode": "b24", "cathode": "b26"})
        self.assertEqual(bench.wires[0].colour, "black")

    def test_a_table_that_is_none_is_refused_where_it_goes_wrong(self):
        for table, line, expected in (
            ("name,number\nR1,3\n", 1, "kind"),
            ("kind,ref,type,leg,place,setting\nscrew,R1,resistor,,a1,\n", 2, "screw"),
        ):
            with self.assertRaises(UnusableInput) as caught:
                csv_to_bench(table)
            problem = caught.exception.problems[0]
            self.assertEqual(problem.line, line)
            self.assertIn(expected, problem.message)

    @given(st.text(max_size=200))
    def test_any_text_is_a_table_or_refused(self, text: str):
        try:
            csv_to_bench(text)
        except UnusableInput as wrong:
            self.assertTrue(all(p.line >= 1 and p.message for p in wrong.problems))


class StatementTest(TestCase):
    def problems(self, line: str) -> list[tuple[int, int, str]]:
        return [(p.line, p.column, p.message) for p in parse_bench(f"board B1 mcu-5v\n{line}\n").problems]

    def cannot_be(self, line: str, board: str = "mcu-5v", base: str = "half") -> str:
        bench = parse_bench(f"board B1 {board}\nbase {base}\n{line}\n")
        self.assertEqual(bench.problems, [], line)
        return " ".join(f"{wrong.seen} {wrong.remedy}" for wrong in bench.impossible)

    def test_what_is_no_statement_is_located_with_what_was_expected(self):
        for line, column, words_ in (
            ("wir a1 a2", 1, "begins no statement"),
            ("wire a1", 8, "two places"),
            ("part", 5, "reference"),
            ("part R1", 8, "a part's id"),
            ("part 1R resistor a1 a5", 6, "reference"),
        ):
            found = self.problems(line)
            self.assertEqual(len(found), 1, line)
            self.assertEqual(found[0][:2], (2, column), f"{line}: {found}")
            self.assertIn(words_, found[0][2])

    def test_what_cannot_be_is_a_finding_and_the_rest_is_still_judged(self):
        for line, said in (
            ("wire a31 b1", "rows 1 to 30"),
            ("wire a1 q99", "q99"),
            ("base large", "large"),
            ("part R1 resistor a1 a5 colour", "colour"),
            ("wire B1.A9 a1", "A9"),
            ("part U1 thermo-offset a1 a2 a3 a4", "legs"),
            ("part R1 resistor a1 a5 size=9", "size"),
            ("wire a1 a2\nwire a1 a3", "a1"),
            ("part R1 resistor a1 a5\npart R1 resistor b1 b5", "R1"),
        ):
            self.assertIn(said, self.cannot_be(line), line)
        both = parse_bench(WIRING + "wire a31 b1\nwir x\n")
        self.assertEqual((len(both.problems), len(both.impossible)), (1, 1))
        self.assertIn("U1", both.parts)

    def test_pins_of_the_four_boards(self):
        for board, pin in (
            ("mcu-5v", "GND2"),
            ("mcu-5v", "AREF"),
            ("mcu-5v-compact", "A7"),
            ("mcu-3v3-wireless", "GPIO34"),
            ("sbc-3v3", "GPIO17"),
            ("sbc-3v3", "P11"),
            ("sbc-3v3", "P6"),
        ):
            self.assertEqual(self.cannot_be(f"wire B1.{pin} a1", board), "", f"{board} {pin}")
        for board, pin in (("mcu-5v", "A6"), ("mcu-5v", "GPIO3"), ("sbc-3v3", "P41"), ("mcu-3v3-wireless", "D13")):
            self.assertIn(pin, self.cannot_be(f"wire B1.{pin} a1", board), f"{board} {pin}")

    def test_header_position_and_number_are_one_pin(self):
        from verifex.core.circuit.nets import Nets

        nets = Nets(parse_bench("board B1 sbc-3v3\nwire B1.P11 a1\nwire B1.GPIO17 a5\n"))
        (net,) = [net for net in nets.nets if "a1" in net.places]
        self.assertIn("a5", net.places)

    def test_rails_of_the_split_base_are_broken_after_row_31(self):
        from verifex.core.circuit.nets import Nets

        for base, joined in (("full", True), ("full-split", False)):
            nets = Nets(parse_bench(f"board B1 mcu-5v\nbase {base}\nwire +L5 a5\nwire +L40 a40\n"))
            upper = next(net for net in nets.nets if "a5" in net.places)
            self.assertEqual("a40" in upper.places, joined, base)
