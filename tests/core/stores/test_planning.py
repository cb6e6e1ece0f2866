"""Stores: what a kit that comes back must be tested for, what the coming sessions lack, and what to order by when."""

from datetime import date, timedelta
from unittest import TestCase

from hypothesis import given
from hypothesis import strategies as st

from tests.samples import EXERCISE, exercise
from verifex.core.parts import catalogue
from verifex.core.planning import Demand, Happened, Kits, Stock, Swap, inspection_list, readiness_of, swaps, to_order
from verifex.core.planning.bench_tests import test_of as bench_test_of

BOARD = catalogue().boards["mcu-5v"]
DAY = date(2031, 3, 3)
EXERCISES = ("brood-box-heat-watch", "smoke-room-air", "feeder-level", "lid-open-watch")


class InspectionTest(TestCase):
    def musts(self, *happened: Happened):
        return [look for look in inspection_list(EXERCISE, BOARD, happened) if look.must]

    def test_what_was_powered_wrongly_is_tested_with_figures_of_its_own(self):
        [look] = self.musts(Happened("supply-reversed", ("U1",), True, "on bench 2 at 11:01"))
        self.assertEqual((look.ref, look.because), ("U1", "its supply was reversed on bench 2 at 11:01"))
        self.assertIn("measure out to GND at room air", look.how)
        self.assertEqual(look.well, "0.68 to 0.76 V; it must stay cool")

    def test_what_was_found_before_power_needs_no_test(self):
        self.assertEqual(
            self.musts(Happened("supply-reversed", ("U1",), False), Happened("wire-colour", ("U1",), True)), []
        )

    def test_a_part_is_told_once_and_an_overloaded_pin_is_one_of_the_board(self):
        looks = self.musts(
            Happened("light-over-current", ("D1",), True, pin="D7"),
            Happened("pin-over-current", ("D1",), True, pin="D7"),
        )
        self.assertEqual([look.ref for look in looks], ["D1", "pin D7"])
        self.assertIn("high: above 4.7 V", looks[1].well)

    def test_trimmers_are_reset_and_hot_and_wet_modules_cared_for(self):
        acts = [
            look.how
            for name in ("entrance-gap-watch", "smoke-room-air", "feeder-level")
            for look in inspection_list(exercise(name), BOARD, [])
        ]
        for word in ("trimmer", "cool", "dry"):
            self.assertTrue(any(word in act for act in acts), (word, acts))

    def test_only_what_is_hot_in_use_must_cool(self):
        heavy = {part.id for part in catalogue().parts.values() if part.heavy and part.timing.warm_up_seconds[1]}
        for name in EXERCISES:
            one = exercise(name)
            cooled = {look.ref for look in inspection_list(one, BOARD, []) if look.because == "it is hot in use"}
            self.assertEqual(cooled, {part.ref for part in one.recipe if part.part in heavy}, name)

    def test_every_part_of_the_catalogue_has_a_test_with_its_own_reading(self):
        for part in catalogue().parts.values():
            test = bench_test_of(part, {"value": "330", "colour": "green"}, BOARD)
            self.assertTrue(test.how.endswith(".") and test.well, part.id)


class ReadinessTest(TestCase):
    KITS = Kits(1, {"HB-13": ("buzzer",), "HB-14": ("thermo-offset", "led"), "HB-15": ("buzzer", "led")})

    def test_spares_complete_those_first_that_lack_least(self):
        found = readiness_of(Demand("Tuesday", DAY, "heat", 3), self.KITS, {"buzzer": 1, "led": 1})
        self.assertEqual((found.fill, found.short), ({"HB-13": ("buzzer",)}, 1))
        self.assertEqual(found.missing, {"thermo-offset": 1})

    def test_a_spare_is_enough_where_there_are_as_many_or_more(self):
        for buzzers in (1, 3):
            found = readiness_of(Demand("s", DAY, "heat", 2), self.KITS, {"buzzer": buzzers})
            self.assertEqual(found.fill, {"HB-13": ("buzzer",)})
        two = Kits(0, {"A": ("led", "led")})
        self.assertEqual(readiness_of(Demand("s", DAY, "heat", 1), two, {"led": 1}).missing, {"led": 1})

    def test_only_as_many_kits_are_missed_as_pairs_are_left(self):
        found = readiness_of(Demand("s", DAY, "heat", 4), self.KITS, {"buzzer": 1})
        self.assertEqual((len(found.fill), found.missing), (1, {"thermo-offset": 1, "led": 2, "buzzer": 1}))
        found = readiness_of(Demand("s", DAY, "heat", 3), self.KITS, {"buzzer": 1})
        self.assertEqual(found.missing, {"thermo-offset": 1, "led": 1})

    def test_enough_kits_need_nothing(self):
        found = readiness_of(Demand("Tuesday", DAY, "heat", 1), self.KITS, {})
        self.assertEqual((found.fill, found.missing, found.short), ({}, {}, 0))

    @given(st.integers(0, 12), st.integers(0, 8), st.lists(st.lists(st.sampled_from("abc"), min_size=1, max_size=3), max_size=8),
           st.dictionaries(st.sampled_from("abc"), st.integers(0, 4)))  # fmt: skip
    def test_no_spare_is_counted_twice_and_nothing_more_is_filled_than_is_needed(self, pairs, ready, lacks, spares):
        kits = Kits(ready, {f"K{i}": tuple(one) for i, one in enumerate(lacks)})
        found = readiness_of(Demand("s", DAY, "x", pairs), kits, spares)
        used = [part for parts in found.fill.values() for part in parts]
        self.assertTrue(all(used.count(part) <= spares.get(part, 0) for part in used))
        self.assertLessEqual(len(found.fill), max(0, pairs - ready))
        self.assertEqual(found.short, max(0, pairs - ready - len(found.fill)))


class SwapTest(TestCase):
    def test_one_incomplete_kit_gives_what_others_lack(self):
        lacking = {"HB-12": ["sounder"], "HB-13": ["light"], "HB-14": ["sounder", "thermometer"]}
        inside = {"HB-12": ["light"], "HB-13": ["sounder"], "HB-14": ["light", "light"]}
        found = swaps(lacking, inside, 3)
        self.assertEqual(found, {"HB-12": [Swap("sounder", "HB-13")]})
        self.assertEqual(swaps(lacking, {**inside, "HB-13": []}, 3), {"HB-13": [Swap("light", "HB-14")]})
        self.assertEqual(swaps(lacking, inside, 0), {})

    @given(st.dictionaries(st.sampled_from("ABCDEF"), st.tuples(st.lists(st.sampled_from("xyz"), min_size=1, max_size=3),
                                                               st.lists(st.sampled_from("xyz"), max_size=4))), st.integers(0, 6))  # fmt: skip
    def test_parts_are_conserved_and_no_giver_is_completed(self, kits, wanted):
        lacking, inside = {tag: k[0] for tag, k in kits.items()}, {tag: k[1] for tag, k in kits.items()}
        found = swaps(lacking, inside, wanted)
        given_away = [(s.out_of, s.part) for taken in found.values() for s in taken]
        for tag, part in set(given_away):
            self.assertLessEqual(given_away.count((tag, part)), list(inside[tag]).count(part))
        self.assertFalse({tag for tag, _ in given_away} & set(found))
        self.assertTrue(all(sorted(s.part for s in taken) == sorted(lacking[tag]) for tag, taken in found.items()))
        self.assertLessEqual(len(found), wanted)


class OrderTest(TestCase):
    DEMANDS = [Demand("a", DAY, "heat", 10), Demand("b", DAY + timedelta(days=7), "heat", 10)]

    def test_it_says_how_many_and_the_last_day_to_order(self):
        order = to_order(Stock("330 Ω", 16, 5, 0.8, 4), self.DEMANDS, DAY - timedelta(days=3))
        assert order is not None
        self.assertEqual((order.count, order.by, order.runs_out), (6, DAY + timedelta(days=3), DAY + timedelta(days=7)))

    def test_what_lasts_is_not_ordered_and_what_is_late_at_once(self):
        self.assertIsNone(to_order(Stock("330 Ω", 100, 5, 0.8, 4), self.DEMANDS, DAY))
        late = to_order(Stock("330 Ω", 4, 5, 0.0, 4), [], DAY)
        assert late is not None
        self.assertIsNone(late.by)

    def test_the_smallest_stock_itself_is_enough_and_the_day_of_today_is_at_once(self):
        self.assertIsNone(to_order(Stock("330 Ω", 21, 5, 0.8, 4), self.DEMANDS, DAY - timedelta(days=9)))
        self.assertIsNone(to_order(Stock("330 Ω", 5, 5, 0.0, 4), [], DAY))
        short = Stock("330 Ω", 20, 5, 0.8, 4)
        last = DAY + timedelta(days=3)
        for today, by in ((last - timedelta(days=1), last), (last, None)):
            order = to_order(short, self.DEMANDS, today)
            assert order is not None
            self.assertEqual((order.count, order.by), (2, by))

    @given(st.integers(0, 200), st.integers(0, 30), st.floats(0, 3), st.integers(0, 30))
    def test_after_the_order_the_smallest_stock_is_kept(self, count, least, used, lead):
        stock = Stock("x", count, least, used, lead)
        order = to_order(stock, self.DEMANDS, DAY)
        left = count + (order.count if order else 0) - used * 20
        self.assertGreaterEqual(left, least - 1e-6)
