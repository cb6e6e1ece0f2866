"""Libraries of modules in sixty shapes: each is read, its value comes out right and its bench answers; what is truly unknown is asked."""

from unittest import TestCase

from tests.core.exercise.test_exercises import TEXTS
from tests.core.program.test_library_constants import on_bench
from tests.corpus.programs.drivers import SHAPES
from tests.corpus.programs.verdicts import judge
from verifex.core.exercise import read_exercise
from verifex.core.program.calls.devices import dew_point, heat_index


class ShapesTest(TestCase):
    def test_every_shape_is_read_and_its_program_does_what_is_asked(self):
        self.assertGreaterEqual(len(SHAPES), 60)
        for shape in SHAPES:
            verdict = judge(f"{shape.exercise}/{shape.file}", shape.text)
            self.assertEqual(([f.seen for f in verdict.serious], verdict.did_all), ([], True), shape.title)


class UnknownMethodTest(TestCase):
    PROGRAM = """#include <EchoGauge.h>
EchoGauge gauge(9, 10);
void setup() { Serial.begin(9600); }
void loop() { Serial.println(gauge.wobble(5)); delay(500); }
"""

    def lines(self, said: str = "") -> list[str]:
        exercise = read_exercise(TEXTS["super-height-gauge"] + said)
        lines: list[str] = on_bench(exercise, self.PROGRAM, "0,U1,cm,31.4")[0]
        return lines

    def test_it_is_asked_once_and_then_means_what_was_said(self):
        self.assertEqual(self.lines(), [])
        for purpose, printed in (("centimetre", "31.40"), ("millimetre", "314.00"), ("microsecond", "1827.48")):
            said = f"\nlibrary_methods: {{EchoGauge.wobble: {purpose}}}\n"
            self.assertEqual(self.lines(said)[1], printed)


class WorkedOutTest(TestCase):
    def test_heat_index_and_dew_point_are_those_of_the_tables(self):
        self.assertAlmostEqual(heat_index(90, 70), 105.9, delta=0.5)
        self.assertAlmostEqual(heat_index(100, 40), 109.3, delta=0.5)
        self.assertAlmostEqual(dew_point(25, 60), 16.7, delta=0.1)
        self.assertAlmostEqual(dew_point(20, 100), 20, delta=0.01)
