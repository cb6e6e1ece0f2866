"""What must not change a verdict: names, order, place on the board, side of the ditch, equivalent pins."""

import re
from random import Random
from unittest import TestCase

from hypothesis import given
from hypothesis import strategies as st

from tests.samples import EXERCISE, WIRING
from verifex.core.circuit import check_wiring

FAULTS = [
    [],
    [("+L a8", "+L a10"), ("-L a10", "-L a8")],
    [("A2 a9", "A2 a11")],
    [("anode=d20 cathode=d21", "anode=d21 cathode=d20")],
    [("value=330", "value=33")],
    [("wire B1.GND -L black\n", "")],
]
MIRROR = str.maketrans("abcdefghij", "jihgfedcba")


def faulty(number: int) -> str:
    text = WIRING
    for old, new in FAULTS[number]:
        text = text.replace(old, new)
    return text


def verdict(text: str) -> list[tuple[str, str]]:
    return sorted((f.rule, f.severity.value) for f in check_wiring(text, exercise=EXERCISE).findings)


def moved(text: str, rows: int) -> str:
    return re.sub(r"\b([a-j])(\d+)\b", lambda m: f"{m.group(1)}{int(m.group(2)) + rows}", text)


def mirrored(text: str) -> str:
    return re.sub(r"\b([a-j])(\d+)\b", lambda m: m.group(1).translate(MIRROR) + m.group(2), text)


class VerdictTest(TestCase):
    fault = st.integers(0, len(FAULTS) - 1)

    @given(fault, st.integers(-7, 3))
    def test_moving_the_circuit_by_rows(self, number: int, rows: int):
        self.assertEqual(verdict(moved(faulty(number), rows)), verdict(faulty(number)))

    @given(fault)
    def test_mirroring_across_the_ditch(self, number: int):
        self.assertEqual(verdict(mirrored(faulty(number))), verdict(faulty(number)))

    @given(fault, st.integers(0, 10_000))
    def test_reordering_statements(self, number: int, seed: int):
        lines = faulty(number).splitlines()
        Random(seed).shuffle(lines)
        self.assertEqual(verdict("\n".join(lines)), verdict(faulty(number)))

    @given(fault, st.integers(2, 90))
    def test_renaming_parts(self, number: int, other: int):
        text = re.sub(r"\b(U|R|D|BZ)1\b", lambda m: f"{m.group(1)}{other + 10}", faulty(number))
        self.assertEqual(verdict(text), verdict(faulty(number)))

    @given(fault, st.sampled_from(["A0", "A1", "A3", "A4", "A5"]), st.sampled_from(["D2", "D5", "D8", "D12", "D13"]))
    def test_equivalent_pins(self, number: int, analogue: str, digital: str):
        text = faulty(number).replace("B1.A2", f"B1.{analogue}").replace("B1.D7", f"B1.{digital}")
        self.assertEqual(verdict(text), verdict(faulty(number)))
