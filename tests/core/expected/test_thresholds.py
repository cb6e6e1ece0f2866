from unittest import TestCase

from hypothesis import given
from hypothesis import strategies as st

from verifex.core.expected.thresholds import suggest_threshold


class ThresholdTest(TestCase):
    def test_halfway_with_hysteresis_either_way_round(self):
        rising = suggest_threshold([115, 116, 114], [828, 826, 830])
        self.assertEqual((rising.threshold, rising.on_at, rising.off_at), (472, 508, 436))
        falling = suggest_threshold([828], [115])
        self.assertEqual((falling.on_at, falling.off_at), (436, 508))
        self.assertGreater(rising.margin, 10)

    def test_readings_too_close_to_tell_apart_say_what_would_do(self):
        close = suggest_threshold([300, 310, 290], [315, 325, 305])
        self.assertIsNone(close.threshold)
        self.assertIn("15 apart and wander by 24; at least 122", close.reason)
        with self.assertRaisesRegex(ValueError, "each of the two states"):
            suggest_threshold([], [5])

    @given(
        st.lists(st.integers(0, 1023), min_size=1, max_size=9), st.lists(st.integers(0, 1023), min_size=1, max_size=9)
    )
    def test_a_threshold_lies_between_with_room_on_both_sides(self, off: list[int], on: list[int]):
        found = suggest_threshold(off, on)
        if found.threshold is None:
            self.assertTrue(found.reason)
            return
        assert found.on_at is not None and found.off_at is not None
        switching = sorted((found.on_at, found.off_at))
        self.assertTrue(
            found.low + found.noise <= switching[0] <= found.threshold <= switching[1] <= found.high - found.noise
        )
