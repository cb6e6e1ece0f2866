"""What a bench does, what can be set on it, and what changed: told by function, never hole for hole."""

from unittest import TestCase

from tests.corpus.wiring.benches import sound_benches
from tests.samples import EXERCISE, WIRING, hand_in
from verifex.core.circuit import check_wiring
from verifex.core.circuit.evidence.functions import compare_functions, functions_of
from verifex.core.circuit.handles import REST, handles, solve_as_set
from verifex.core.circuit.text.changes import changes_between
from verifex.core.circuit.text.parse import parse_bench
from verifex.core.circuit.view import BenchView

SOUND = {bench.name: bench.text for bench in sound_benches()}


def view_of(text: str) -> BenchView:
    return check_wiring(text, exercise=EXERCISE).view


class ChangesTest(TestCase):
    def told(self, *changes: tuple[str, str]) -> list[tuple[str, str, str, str]]:
        text = WIRING
        for old, new in changes:
            assert old in text, old
            text = text.replace(old, new)
        found = changes_between(parse_bench(WIRING), parse_bench(text))
        return [(c.kind, c.what, c.before, c.after) for c in found]

    def test_spacing_order_comments_and_the_way_round_of_a_wire_are_no_change(self):
        lines = WIRING.splitlines()
        shuffled = "\n".join(["# another hand", *lines[:2], *reversed(lines[2:])]).replace(" ", "  ")
        turned = shuffled.replace("+L  a8", "a8  +L")
        self.assertEqual(changes_between(parse_bench(WIRING), parse_bench(turned)), [])

    def test_each_kind_of_change_is_told_with_before_and_after(self):
        self.assertEqual(self.told(("B1.A2 a9", "B1.A3 a9")), [("moved", "wire", "B1.A2 – a9", "B1.A3 – a9")])
        self.assertEqual(self.told(("value=330", "value=470")), [("changed", "R1", "value=330, tolerance=5", "value=470, tolerance=5")])  # fmt: skip
        self.assertEqual(self.told(("c16 c20", "c16 d20")), [("moved", "R1", "2 c20", "2 d20")])
        self.assertEqual(self.told(("wire +L a8 red\n", "")), [("removed", "wire", "+L – a8", "")])
        self.assertEqual(self.told(("thermo-offset", "thermo-zero")), [("changed", "U1", "analogue thermometer, 500 mV offset", "analogue thermometer, no offset")])  # fmt: skip
        (added,) = self.told(("wire +L a8 red", "wire +L a8 red\npart C1 capacitor b8 b10 value=100n"))
        self.assertEqual(added, ("added", "C1 (capacitor)", "", "1 b8, 2 b10"))

    def test_what_changed_back_and_forth_is_the_same_list_the_other_way_round(self):
        old, new = parse_bench(hand_in("supply-swapped-first.bench")), parse_bench(hand_in("supply-swapped.bench"))
        there = sorted((c.what, c.before, c.after) for c in changes_between(old, new) if c.kind in ("moved", "changed"))
        back = sorted((c.what, c.after, c.before) for c in changes_between(new, old) if c.kind in ("moved", "changed"))
        self.assertEqual(there, back)


class FunctionsTest(TestCase):
    def test_other_pins_rows_and_sides_are_the_same_bench(self):
        for name in ("one-half.bench", "both-halves.bench", "moved.bench", "tidy.bench"):
            rows = compare_functions(view_of(hand_in(name)), view_of(WIRING))
            self.assertEqual([r for r in rows if not r.agrees], [], name)
            self.assertTrue(all(f.built for f in functions_of(view_of(hand_in(name)))), name)

    def test_what_differs_is_named_by_part_and_function(self):
        for change, ref, aspect, mine in (
            (("B1.A2 a9", "B1.D8 a9"), "U1", "out read by", "D8"),
            (("B1.D7 a16", "+L a16"), "D1", "switched", "no pin, 8.7 mA when on"),
            (("wire +L a8 red\n", ""), "U1", "fed", "0.00 V"),
        ):
            rows = compare_functions(view_of(WIRING.replace(*change)), view_of(WIRING))
            apart = {(r.ref, r.aspect): r.handed_in for r in rows if not r.agrees}
            self.assertIn((ref, aspect), apart)
            self.assertIn(mine[:4], apart[ref, aspect])

    def test_a_part_besides_the_recipe_is_no_difference(self):
        rows = compare_functions(view_of(WIRING + "part D2 led f20 f21\n"), view_of(WIRING))
        extra = [row for row in rows if row.ref == "D2"]
        self.assertTrue(extra and all(row.agrees and row.intended == "not asked" for row in extra))


class HandlesTest(TestCase):
    def test_outputs_first_then_what_can_be_moved(self):
        names = {h.name: h.positions for h in handles(BenchView(parse_bench(SOUND["relay-with-manual-button"])))}
        self.assertTrue(any(positions == ("low", "high") for positions in names.values()))
        self.assertTrue(any(positions[0] == REST for positions in names.values()))

    def test_every_setting_of_every_sound_bench_is_solved(self):
        for name, text in SOUND.items():
            view = BenchView(parse_bench(text))
            for handle in handles(view):
                solved = solve_as_set(view, {handle.name: handle.positions[-1]})
                assert solved is not None, (name, handle.name)
                self.assertEqual(solved["oscillating"], [], f"{name}: {handle.name} {handle.positions[-1]}")

    def test_names_and_positions_that_are_none_are_refused(self):
        view = view_of(WIRING)
        with self.assertRaisesRegex(ValueError, "'D99' is nothing that can be set"):
            solve_as_set(view, {"D99": "high"})
        with self.assertRaisesRegex(ValueError, "D7 can be low, high"):
            solve_as_set(view, {"D7": "pressed"})

    def test_a_bench_without_a_board_has_no_answer(self):
        self.assertIsNone(solve_as_set(BenchView(parse_bench("part R1 resistor a1 a5 value=330\n")), {}))


class StatesTest(TestCase):
    def bench_of(self, lights: int) -> BenchView:
        lines = ["board B1 mcu-5v", "base full", "wire B1.GND -L black"]
        for n in range(lights):
            row = 1 + 4 * n
            lines += [
                f"wire B1.D{2 + n} a{row}",
                f"part R{n + 1} resistor b{row} b{row + 1} value=330",
                f"part D{n + 1} led c{row + 1} c{row + 2}",
                f"wire -L a{row + 2} black",
            ]
        return BenchView(parse_bench("\n".join(lines)))

    def test_independent_clusters_are_tried_together_so_that_states_do_not_multiply(self):
        counts = [len(self.bench_of(n).points) for n in (1, 3, 6, 10)]
        self.assertEqual(len(set(counts[1:])), 1, counts)
        self.assertLessEqual(max(counts), 6)

    def test_a_state_is_named_for_the_cluster_in_question(self):
        view = self.bench_of(4)
        said = {view.when(state, part) for state in view.points for part in [view.bench.parts["D3"]]}
        self.assertTrue(any("D4 high" in words for words in said), said)
        self.assertFalse(any("D2 high" in words for words in said), said)

    def test_within_a_cluster_each_pin_is_tried_alone_and_all_together(self):
        text = SOUND["hive-lights-six"]
        view = BenchView(parse_bench(text))
        lit = {tuple(view.amps(state, part) > 1e-3 for part in view.bench.parts_of("led")) for state in view.points}
        self.assertGreaterEqual(len(lit), 2)
