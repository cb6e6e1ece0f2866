"""Counts by drawer, which kits serve which exercise, and how often parts fail."""

from unittest import TestCase

from hypothesis import given
from hypothesis import strategies as st

from tests.samples import exercise
from verifex.core.exercise.circuit import RecipePart
from verifex.core.parts import catalogue
from verifex.core.planning.failures import BatchFailures, times, worst_first
from verifex.core.planning.serving import serves
from verifex.core.planning.stock import ItemKey, Moved, counted, is_tagged, item_key, item_title, moved

COUNTS = st.integers(0, 500)
ACTS = st.lists(st.one_of(st.integers(-60, 60), st.tuples(COUNTS, COUNTS)), max_size=40)


class CountTest(TestCase):
    @given(COUNTS, ACTS)
    def test_a_count_is_what_its_acts_come_to_and_never_below_zero(self, begun, acts):
        """An act is a change, or a stock-taking as (what the list said, what was found)."""
        moves = [moved(0, begun)]
        for act in acts:
            count = moves[-1].count
            moves.append(counted(count, *act) if isinstance(act, tuple) else moved(count, act))
            self.assertGreaterEqual(moves[-1].count, 0)
            asked = act[1] - act[0] if isinstance(act, tuple) else act
            self.assertEqual(moves[-1].delta - moves[-1].short, asked)
        self.assertEqual(sum(move.delta for move in moves), moves[-1].count)

    @given(COUNTS, st.integers(0, 20), COUNTS)
    def test_what_others_take_while_somebody_counts_stays_taken(self, seen, taken, found):
        after = moved(seen, -taken)
        if not after.short:
            self.assertEqual(counted(after.count, seen, found).count, max(0, found - taken))

    def test_what_is_taken_beyond_the_count_is_told(self):
        self.assertEqual(moved(2, -3), Moved(count=0, delta=-2, short=1))


class KeyTest(TestCase):
    def test_resistors_are_told_apart_by_value_and_lights_by_colour(self):
        self.assertEqual(item_key("resistor", {"value": "4k7", "tolerance": "5"}), ItemKey("resistor", 4700.0))
        self.assertEqual(item_key("led", {"colour": "red"}), ItemKey("led", colour="red"))
        self.assertEqual(item_key("resistor", {"value": "nonsense"}), ItemKey("resistor"))
        self.assertEqual(item_key("buzzer", {"value": "4k7"}), ItemKey("buzzer"))
        self.assertEqual(item_title(ItemKey("resistor", 4700.0), "resistor"), "4.7 kΩ resistor")

    def test_what_measures_or_is_fed_is_tagged_and_the_rest_is_counted(self):
        kinds = catalogue().parts
        self.assertTrue(all(is_tagged(kinds[part]) for part in ("thermo-offset", "relay", "motion", "probe-1w")))
        self.assertFalse(any(is_tagged(kinds[part]) for part in ("resistor", "led", "npn", "diode", "light-cell")))


class ServingTest(TestCase):
    HEAT = exercise("brood-box-heat-watch").recipe

    def inside(self, recipe):
        return {part.ref: item_key(part.part, part.settings) for part in recipe}

    def test_a_kit_serves_whatever_is_wholly_in_it(self):
        whole = self.inside(self.HEAT)
        self.assertEqual(serves(whole, self.HEAT), {ref: ref for ref in whole})
        smaller = (RecipePart(ref="U9", part="thermo-offset"), RecipePart(ref="BZ2", part="buzzer"))
        self.assertEqual(serves(whole, smaller), {"U9": "U1", "BZ2": "BZ1"})
        self.assertIsNone(serves({ref: key for ref, key in whole.items() if ref != "R1"}, self.HEAT))
        self.assertIsNone(
            serves(whole, (*self.HEAT, RecipePart(ref="U2", part="thermo-offset"))), "one cannot serve twice"
        )

    @given(st.lists(st.sampled_from(["led", "buzzer", "npn", "diode"]), max_size=7),
           st.lists(st.sampled_from(["led", "buzzer", "npn", "diode"]), max_size=5))  # fmt: skip
    def test_each_part_serves_once_and_only_for_its_like(self, held, asked):
        inside = {f"K{n}": item_key(part, {}) for n, part in enumerate(held)}
        recipe = [RecipePart(ref=f"X{n}", part=part) for n, part in enumerate(asked)]
        found = serves(inside, recipe)
        enough = all(held.count(part) >= asked.count(part) for part in asked)
        self.assertEqual(found is not None, enough)
        if found is not None:
            self.assertEqual(len(set(found.values())), len(recipe))
            self.assertTrue(all(inside[found[part.ref]] == item_key(part.part, {}) for part in recipe))


class FailureTest(TestCase):
    def test_one_fault_in_two_uses_is_no_certainty_and_the_worst_batch_comes_first(self):
        worn, new, unused = (
            BatchFailures(n, 10, f, u) for n, f, u in (("worn", 9, 60), ("new", 1, 2), ("unused", 0, 0))
        )
        self.assertEqual((new.rate, unused.rate), (0.5, None))
        self.assertEqual([batch.batch for batch in worst_first([unused, worn, new])], ["new", "worn", "unused"])
        self.assertEqual([times(n) for n in (1, 3, 11)], ["first time", "third time", "11th time"])
