"""Constants of libraries: unknown ones flow, those the exercise explains count; modules told wrongly or left asleep."""

from unittest import TestCase

from tests.core.exercise.test_exercises import EXERCISES, TEXTS
from verifex.core.circuit import check_wiring
from verifex.core.exercise import read_exercise
from verifex.core.problems import UnusableInput
from verifex.core.twin import check_behaviour, check_on_bench, plan_stimulus, read_stimulus, run_twin

CLIMATE = """#include <SomeAir.h>
SomeAir air(7, %s);
void setup() { Serial.begin(9600); air.begin(); }
void loop() { Serial.println(air.readHumidity()); delay(2500); }
"""
RANGE = """#include <SomeRange.h>
SomeRange range(%s);
void setup() { Serial.begin(9600); }
void loop() { Serial.println(range.ping_cm()); delay(500); }
"""
WOKEN = "Wire.beginTransmission(0x68); Wire.write(0x6B); Wire.write(0); Wire.endTransmission();"
TILT = """#include <Wire.h>
void setup() { Serial.begin(115200); Wire.begin(); %s }
void loop() {
  Wire.beginTransmission(0x68); Wire.write(0x3B); Wire.endTransmission(false); Wire.requestFrom(0x68, 6);
  int16_t x = Wire.read() << 8; x |= Wire.read(); int16_t y = Wire.read() << 8; y |= Wire.read(); int16_t z = Wire.read() << 8; z |= Wire.read();
  Serial.println(z); delay(200);
}
"""


def on_bench(exercise, program: str, stimulus: str, board: str | None = None):
    """The lines printed in three seconds, and the slugs of what is found, on the instructor's own bench."""
    view = check_wiring(exercise.reference_wiring(board), exercise=exercise).view
    report = check_on_bench(program, view, exercise)
    plan = plan_stimulus(exercise)
    if not report.runnable:
        return [], {f.rule for f in report.findings}
    trace = run_twin(view, report, read_stimulus(f"time_ms,ref,quantity,value\n{stimulus}\n"), 3)
    found = check_behaviour(view, exercise, plan, run_twin(view, report, plan, plan.seconds)).findings
    return [line for _, line in trace.run.lines], {f.rule for f in found}


class KindOfModuleTest(TestCase):
    AIR = "0,U1,celsius,20\n0,U1,percent,61"

    def printed(self, constant: str):
        names = "\nlibrary_constants: {AIR_FINE: climate-fine, AIR_COARSE: climate-coarse}\n"
        return on_bench(read_exercise(TEXTS["hive-climate"] + names), CLIMATE % constant, self.AIR)

    def test_a_kind_that_agrees_is_read_right_and_another_one_is_found(self):
        kind = next(part.part for part in EXERCISES["hive-climate"].recipe if part.part.startswith("climate"))
        right, wrong = ("AIR_FINE", "AIR_COARSE") if kind == "climate-fine" else ("AIR_COARSE", "AIR_FINE")
        lines, found = self.printed(right)
        self.assertEqual(lines[0], "61.00")
        self.assertNotIn("library-told-another-kind", found)
        lines, found = self.printed(wrong)
        # A word of tenths taken for one with whole units in its upper byte, or the other way round.
        self.assertEqual(float(lines[0]), {"AIR_COARSE": 2.38, "AIR_FINE": 1561.6}[wrong])
        self.assertIn("library-told-another-kind", found)

    def test_a_kind_that_nobody_explained_is_taken_as_it_is(self):
        lines, found = self.printed("AIR_OTHER")
        self.assertEqual(lines[0], "61.00")
        self.assertNotIn("library-told-another-kind", found)

    def test_a_kind_that_the_catalogue_lacks_is_refused_where_it_stands(self):
        text = TEXTS["hive-climate"] + "\nlibrary_constants: {AIR: climate-fin}\n"
        with self.assertRaises(UnusableInput) as caught:
            read_exercise(text)
        self.assertIn("did you mean climate-fine", caught.exception.problems[0].message)


class ConversionConstantTest(TestCase):
    TEXT = CLIMATE.replace("air.readHumidity()", "air.readHumidity() / AIR_PER_UNIT") % "AIR_KIND"
    AIR = KindOfModuleTest.AIR

    def test_it_is_named_as_unknown_until_the_exercise_says_its_value(self):
        exercise = read_exercise(TEXTS["hive-climate"])
        view = check_wiring(exercise.reference_wiring(), exercise=exercise).view
        report = check_on_bench(self.TEXT, view, exercise)
        self.assertFalse(report.runnable)
        self.assertEqual(report.tree.unknown_constants, ["AIR_PER_UNIT"])
        told = read_exercise(TEXTS["hive-climate"] + "\nlibrary_constants: {AIR_PER_UNIT: 4}\n")
        self.assertEqual(on_bench(told, self.TEXT, self.AIR)[0][0], "15.25")


class RangeLibraryTest(TestCase):
    def lines(self, made_with: str, cm: float):
        exercise = EXERCISES["super-height-gauge"]
        pins = "A_PIN"
        wiring = exercise.reference_wiring()
        legs = {
            leg: pin
            for leg in ("trigger", "echo")
            for pin in [_pin_of(check_wiring(wiring, exercise=exercise).view, leg)]
        }
        made = made_with.replace(pins, f"{legs['trigger'][1:]}, {legs['echo'][1:]}")
        return on_bench(exercise, RANGE % made, f"0,U1,cm,{cm}")[0]

    def test_it_answers_in_whole_numbers_and_with_0_beyond_the_largest_range_it_is_told(self):
        self.assertEqual(self.lines("A_PIN, 200", 31.4)[1], "31")
        self.assertEqual(self.lines("A_PIN, 25", 31.4)[1], "0")
        self.assertEqual(self.lines("A_PIN", 31.4)[1], "31")


def _pin_of(view, leg: str):
    part = next(part for part in view.module_parts() if leg in part.legs)
    net = view.net(part, leg)
    reached = view.paths.reach(net, ())
    return next(pin.name for n in view.nets.nets if n.id in {net.id, *reached} for pin in view.nets.signal_pins(n))


class AsleepTest(TestCase):
    def test_a_module_that_is_never_woken_reads_0_and_is_found(self):
        exercise = EXERCISES["toppled-hive-alarm"]
        for woken, first, found in ((WOKEN, "16384", False), ("", "0", True)):
            lines, told = on_bench(exercise, TILT % woken, "0,U1,gz,1")
            self.assertEqual((lines[1], "module-left-asleep" in told), (first, found), woken)


class BuiltInResistorTest(TestCase):
    WIRING = "board B1 mcu-5v\nbase half\npart D1 led anode=b5 cathode=b6 colour=red%s\nwire a5 B1.D6\nwire a6 -L6\nwire B1.GND -L1\n"

    def stops(self, setting: str) -> set[str]:
        return {f.rule for f in check_wiring(self.WIRING % setting).findings}

    def test_a_light_with_a_resistor_inside_may_stand_on_a_pin(self):
        self.assertIn("led-no-series-resistor", self.stops(""))
        self.assertNotIn("led-no-series-resistor", self.stops(" resistor=330"))
        self.assertIn("led-no-series-resistor", self.stops(" resistor=1"))

    def test_what_the_recipe_says_is_built_in_need_not_be_said_by_the_pair(self):
        text = TEXTS["brood-box-heat-watch"]
        light = next(p for p in EXERCISES["brood-box-heat-watch"].recipe if p.part == "led")
        self.assertIn(f"ref: {light.ref}, part: led", text)
        exercise = EXERCISES["brood-box-heat-watch"]
        recipe = [
            p.model_copy(update={"settings": {**p.settings, "resistor": "330"}}) if p.ref == light.ref else p
            for p in exercise.recipe
        ]
        wiring = self.WIRING % " resistor=330"
        found = {f.rule for f in check_wiring(wiring.replace("D1", light.ref), exercise=exercise).findings}
        self.assertIn("led-no-series-resistor", found, "a pair cannot talk a missing resistor away")
        told = exercise.model_copy(update={"recipe": recipe})
        wiring = self.WIRING % ""
        found = {f.rule for f in check_wiring(wiring.replace("D1", light.ref), exercise=told).findings}
        self.assertNotIn("led-no-series-resistor", found)
