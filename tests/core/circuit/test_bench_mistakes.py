"""Every mistake a bench can be written with: told at its line and column, in words, and nothing else is hidden by it."""

from unittest import TestCase

from hypothesis import given, settings
from hypothesis import strategies as st

from tests.samples import WIRING
from verifex.core.circuit import check_wiring, parse_bench
from verifex.core.circuit.bench import Bench

LINES = len(WIRING.splitlines())
WORDS = st.sampled_from(
    [
        "wire",
        "part",
        "board",
        "base",
        "U1",
        "a1",
        "+L",
        "B1.A0",
        "B1.D99",
        "resistor",
        "value=330",
        "order=x",
        "#",
        "led",
        "colour=red",
        "half",
        "e8",
        "−R",
        "a0",
        "R1.1",
    ]
)


def told(line: str) -> list[tuple[int, int, str]]:
    """Of a bench with one more line: the line, the column and the words of whatever is wrong."""
    found: Bench = parse_bench(f"{WIRING}{line}\n")
    return [(p.line, p.column, p.message) for p in found.problems] + [
        (wrong.line, wrong.column, f"{wrong.seen} {wrong.remedy}") for wrong in found.impossible
    ]


class StatementTest(TestCase):
    #: A line, the column it is wrong at, and words of the message.
    WRONG = {
        "wires a1 a2": (1, "begins no statement"),
        "wire a1": (8, "'wire' wants two places"),
        "wire a1 a2 red blue": (16, "one word too many"),
        "part R9": (8, "wants a reference and a part's id"),
        "part resistor a1 a2": (6, "is no reference"),
        "board B1": (9, "a board's id"),
        "base": (5, "half, full"),
        "base huge": (6, "no base called 'huge'"),
        "board B2 mcu-5v": (7, "A second board"),
        "part R1 resistor a1 a2": (6, "named twice"),
        "part R9 resistr a1 a2": (9, "Did you mean resistor"),
        "part U9 thermo-offset a1 a2 a3 order=supply-out": (32, "does not name each leg"),
        "wire a31 a1": (6, "outside the base"),
        "wire k1 a1": (6, "a hole"),
        "wire +L +L": (9, "Both ends of the wire"),
        "wire B1.A9 a1": (6, "no pin called 'A9'"),
        "wire U1.wiper a1": (6, "no leg called 'wiper'"),
        "wire U9.out a1": (6, "no part called U9"),
        "part Q1 npn a1 a2 a3": (13, "needs its legs by name"),
    }

    def test_each_is_told_once_where_it_stands_and_hides_nothing(self):
        for line, (column, words) in self.WRONG.items():
            with self.subTest(line):
                [(number, at, said)] = told(line)
                self.assertEqual((number, at), (LINES + 1, column), said)
                self.assertIn(words, said)
                self.assertLessEqual({"U1", "R1", "D1", "BZ1"}, set(parse_bench(f"{line}\n{WIRING}").parts) | {"U1"})

    def test_a_board_that_nobody_knows_is_told_with_those_there_are(self):
        [wrong] = parse_bench("board B1 mcu-9v\n").impossible
        self.assertIn("mcu-5v", wrong.remedy)

    def test_comments_empty_lines_and_odd_spaces_are_no_mistakes(self):
        odd = (
            "\n\n  # nothing here\n\t"
            + WIRING.replace("wire", "\t wire  ").replace(" red", " red # the supply")
            + "\n\n"
        )
        found = parse_bench(odd)
        self.assertEqual((found.problems, found.impossible, len(found.wires)), ([], [], 9))

    def test_line_ends_of_every_system_are_read(self):
        for end in ("\r\n", "\r"):
            self.assertEqual(len(parse_bench(WIRING.replace("\n", end)).wires), 9)

    def test_a_base_without_holes_takes_no_hole(self):
        [wrong] = parse_bench("board B1 mcu-5v\nbase none\nwire B1.A0 a1\n").impossible
        self.assertIn("no breadboard here", wrong.seen)

    def test_rails_that_are_broken_in_the_middle_are_two(self):
        text = "board B1 mcu-5v\nbase full-split\nwire B1.5V +L1\nwire B1.A0 +L40\nwire B1.A1 +L20\n"
        nets = check_wiring(text).view.nets
        names = {pin: nets.of_pin(pin).id for pin in ("5V", "A0", "A1")}
        self.assertEqual(names["5V"], names["A1"])
        self.assertNotEqual(names["5V"], names["A0"])


class AnyTextTest(TestCase):
    @settings(max_examples=150, deadline=None)
    @given(st.lists(st.lists(WORDS, min_size=1, max_size=7), max_size=12))
    def test_words_in_any_order_are_answered_and_each_complaint_has_a_place_in_the_text(self, lines: list[list[str]]):
        text = "\n".join(" ".join(words) for words in lines)
        found = parse_bench(text)
        written = text.splitlines()
        for line, column in [(p.line, p.column) for p in found.problems] + [
            (w.line, w.column) for w in found.impossible
        ]:
            self.assertTrue(
                1 <= line <= len(written) and 1 <= column <= len(written[line - 1]) + 1, (line, column, text)
            )
        check_wiring(text)

    @settings(max_examples=60, deadline=None)
    @given(st.integers(0, LINES - 1))
    def test_a_bench_with_a_line_left_out_is_judged_as_what_is_left(self, gone: int):
        lines = WIRING.splitlines()
        kept = "\n".join(line for number, line in enumerate(lines) if number != gone)
        whole, less = parse_bench(WIRING), parse_bench(kept)
        self.assertLessEqual(len(less.wires), len(whole.wires))
        self.assertLessEqual(set(less.parts), set(whole.parts))
