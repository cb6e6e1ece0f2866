"""What lights and sounders show on the twin: colours, brightness, tones, and what an eye or an ear would notice of it."""

from itertools import pairwise
from unittest import TestCase

from hypothesis import given
from hypothesis import strategies as st

from verifex.core.circuit import check_wiring
from verifex.core.twin import Stimulus, TwinTrace, check_on_bench, run_twin
from verifex.core.twin.looks import DARK, Look
from verifex.core.twin.program_run import UNSEEN_MS, as_observable

BOARD = "board B1 mcu-5v\nbase half\n"
COLOURS = (
    BOARD
    + "part D1 rgb-cc red=c5 common=B1.GND green=c6 blue=c7\n"
    + "".join(
        f"part R{n} resistor d{row} g{row} value=220\nwire j{row} B1.D{pin}\n"
        for n, row, pin in ((1, 5, 9), (2, 6, 10), (3, 7, 11))
    )
)
SOUNDER = BOARD + "part BZ1 piezo B1.D8 B1.GND\n"
LIGHT = BOARD + "part D1 led anode=c5 cathode=c6\npart R1 resistor d5 d9 value=330\nwire a9 B1.D3\nwire a6 B1.GND\n"


def trace(wiring: str, loop: str, setup: str = "", seconds: float = 2.0) -> TwinTrace:
    view = check_wiring(wiring).view
    program = f"void setup() {{ {setup} }}\nvoid loop() {{ {loop} }}\n"
    return run_twin(view, check_on_bench(program, view), Stimulus(seconds=seconds), seconds)


def shown(wiring: str, loop: str, setup: str = "") -> list[str]:
    return [str(look) for _, _, look in trace(wiring, loop, setup).looks]


class ColourTest(TestCase):
    def test_legs_that_are_lit_together_make_a_colour_and_a_weak_one_changes_none(self):
        for red, green, blue, colour in (
            (255, 0, 0, "red"), (255, 200, 0, "yellow"), (255, 10, 0, "red"), (0, 255, 255, "cyan"),
            (255, 255, 255, "white"), (1, 0, 0, "off"),
        ):  # fmt: skip
            loop = f"analogWrite(9, {red}); analogWrite(10, {green}); analogWrite(11, {blue}); delay(500);"
            said = shown(COLOURS, loop)
            self.assertEqual(said or ["off"], [colour], (red, green, blue))

    def test_what_stands_only_while_the_pins_are_written_is_not_seen(self):
        loop = (
            "analogWrite(9, 255); analogWrite(10, 0); delay(600); analogWrite(9, 0); analogWrite(10, 255); delay(600);"
        )
        self.assertEqual(shown(COLOURS, loop), ["red", "green", "red", "green"])


class BrightnessTest(TestCase):
    def test_a_dimmed_pin_is_a_share_of_full_brightness(self):
        self.assertEqual(shown(LIGHT, "analogWrite(3, 64); delay(900);"), ["25 %"])
        self.assertEqual(shown(LIGHT, "analogWrite(3, 255); delay(900);"), ["on"])


class SoundTest(TestCase):
    def test_a_tone_is_heard_with_its_pitch_and_ends_after_its_time_also_in_a_pause(self):
        found = trace(SOUNDER, "tone(8, 440, 300); delay(1000);")
        self.assertEqual(
            [(round(ms), str(look)) for ms, _, look in found.looks][:3], [(0, "440 Hz"), (300, "off"), (1000, "440 Hz")]
        )

    def test_a_second_tone_on_another_pin_is_not_made_while_one_plays(self):
        found = trace(SOUNDER + "part BZ2 piezo B1.D7 B1.GND\n", "tone(8, 440); tone(7, 880); delay(500);")
        self.assertEqual({ref for _, ref, _ in found.looks}, {"BZ1"})

    def test_a_passive_sounder_is_silent_at_a_level_and_heard_when_it_is_switched_fast(self):
        setup = "pinMode(8, OUTPUT);"
        self.assertEqual(shown(SOUNDER, "digitalWrite(8, HIGH); delay(500);", setup), [])
        by_hand = trace(SOUNDER, "digitalWrite(8, HIGH); delay(1); digitalWrite(8, LOW); delay(1);", setup, 0.5)
        self.assertAlmostEqual(max(look.hertz for _, _, look in by_hand.looks), 500, delta=30)


class AsSeenTest(TestCase):
    @given(st.lists(st.tuples(st.floats(0, 500), st.booleans()), max_size=40))
    def test_no_look_stands_shorter_than_an_eye_sees_and_none_is_told_twice(self, changes: list[tuple[float, bool]]):
        now, events = 0.0, []
        for gap, on in changes:
            now += gap
            events.append((now, "D1", Look(True, "", 1.0) if on else DARK))
        seen = as_observable(events)
        looks = [look for _, _, look in seen]
        self.assertTrue(all(a != b for a, b in pairwise(looks)))
        self.assertTrue(all(b[0] - a[0] >= UNSEEN_MS for a, b in pairwise(seen)))
        if events:
            self.assertEqual(looks[-1] if looks else DARK, events[-1][2])
