"""Sound habits of students' programs that resemble a fault: none of them is reported."""

from unittest import TestCase

from verifex.core.parts import catalogue
from verifex.core.program import check_program

BOARD = catalogue().boards["mcu-5v"]
SETUP = "void setup() { Serial.begin(9600); pinMode(2, INPUT); }\n"
SOUND = {
    "a loop that reads before it asks": "void loop() { int x; do { x = analogRead(A0); } while (x < 0); Serial.println(x); delay(500); }",
    "the average and another share of one sum": (
        "void loop() { long s = 0; for (int i = 0; i < 10; i++) s += analogRead(A0);"
        " Serial.println(s / 10); Serial.println(s / 100); delay(500); }"
    ),
    "a setting with a name that is used again": (
        "int v = 3;\nvoid show() { Serial.println(v); }\nvoid loop() { int v = analogRead(A0); Serial.println(v); show(); delay(500); }"
    ),
    "a case that runs on as its comment says": (
        "void loop() { switch (analogRead(A0) / 256) {\n case 2: Serial.println(2);\n // falls through\n"
        " default: Serial.println(3); }\n delay(500); }"
    ),
    "a list of states of which one is kept for later": (
        "enum Mode { FAST, SLOW, PAUSED };\nMode mode = SLOW;\n"
        "void loop() { if (analogRead(A0) > 500) mode = FAST; Serial.println(mode == SLOW); delay(500); }"
    ),
    "a macro that is defined as nothing": (
        "#define LOG(x)\n#define TRACE\nvoid loop() { LOG(analogRead(A0)); TRACE; if (digitalRead(2)) LOG(1);"
        " Serial.println(analogRead(A0)); yield(); delay(500); }"
    ),
    "names in a namespace": (
        "namespace cfg { const int PIN = A0; enum Mode { FAST, SLOW }; float scaled(int raw) { return raw * 0.5; } }\n"
        "cfg::Mode mode = cfg::SLOW;\n"
        "void loop() { Serial.println(cfg::scaled(analogRead(cfg::PIN)) + (mode == cfg::SLOW)); delay(500); }"
    ),
    "a value asked for one and for another": (
        "void loop() { float v = analogRead(A0) * 0.25; if (v == 1) Serial.println(1); else if (v == 0) Serial.println(0);"
        " delay(500); }"
    ),
    "a product in a macro behind a product": (
        "#define VOLTS 5.0 / 1023\nvoid loop() { Serial.println(analogRead(A0) * VOLTS); delay(500); }"
    ),
}
FAULTY = {
    "read-before-set": "void loop() { int x; while (x < 1) x = analogRead(A0); Serial.println(x); delay(500); }",
    "band-misses-limit": (
        "void loop() { float v = analogRead(A0) * 0.25; if (v < 9) Serial.println(1); else if (v > 9) Serial.println(0);"
        " delay(500); }"
    ),
    "average-of-another-count": (
        "void loop() { long s = 0; for (int i = 0; i < 10; i++) s += analogRead(A0); Serial.println(s / 8); delay(500); }"
    ),
    "hides-global": (
        "int v;\nvoid show() { Serial.println(v); }\nvoid loop() { int v = analogRead(A0); Serial.println(v); show(); delay(500); }"
    ),
    "missing-break": (
        "void loop() { switch (analogRead(A0) / 256) {\n case 2: Serial.println(2);\n default: Serial.println(3); }\n delay(500); }"
    ),
    "macro-falls-apart": (
        "#define VOLTS 5.0 / 1023\nvoid loop() { Serial.println(analogRead(A0) / VOLTS); delay(500); }"
    ),
}


class SoundIdiomsTest(TestCase):
    def test_nothing_is_told_about_a_sound_habit(self):
        for name, loop in SOUND.items():
            with self.subTest(name):
                self.assertEqual([f.rule for f in check_program(SETUP + loop, BOARD).findings], [])

    def test_the_fault_that_it_resembles_is_still_named(self):
        for rule, loop in FAULTY.items():
            with self.subTest(rule):
                self.assertIn(rule, [f.rule for f in check_program(SETUP + loop, BOARD).findings])
