"""Slips as other hands make them, each in a whole program on its exercise's own bench: named by its cause, at its line."""

from unittest import TestCase

from tests.samples import DEMO, exercise
from verifex.core.assess import Case, ProgramRecord, assess_station
from verifex.core.findings import Severity

#: A second way to write each exercise's program, sound as it stands.
HEAT = """\
const int TEMP = A2, LED = 7, BUZ = 4;
void setup() { pinMode(LED, OUTPUT); pinMode(BUZ, OUTPUT); Serial.begin(9600); }
unsigned long last = 0;
float ring[4]; int held = 0, at = 0;
void loop() {
  if (millis() - last >= 1000) {
    last = millis();
    int count = analogRead(TEMP);
    ring[at] = (count * 5.0 / 1024 - 0.5) * 100;
    float t = ring[at];
    Serial.println(t);
    bool hot = t > 33;
    digitalWrite(LED, hot); digitalWrite(BUZ, hot);
  }
}
"""
PROBE = """\
#include <DataWire.h>
#include <ProbeLibrary.h>
DataWire wire(3); ProbeLibrary probes(&wire);
void setup() { Serial.begin(9600); pinMode(6, OUTPUT); probes.begin(); }
void loop() {
  probes.requestTemperatures();
  float t = probes.getTempCByIndex(0);
  Serial.println(t);
  digitalWrite(6, t < 12); delay(800);
}
"""


def reference(name: str) -> str:
    return (DEMO / "exercises" / name / "reference.cpp").read_text("utf-8")


PLANS = {
    "brood-box-heat-watch": HEAT,
    "syrup-tank-probe": PROBE,
    "toppled-hive-alarm": reference("toppled-hive-alarm"),
    "hive-display": reference("hive-display"),
    "hive-tag-check-in": reference("hive-tag-check-in"),
}
B, Y, A, D, T = PLANS


def judged(name: str, program: str) -> ProgramRecord:
    record = assess_station(Case(exercise(name), wiring=exercise(name).reference_wiring(), program=program), "program")
    assert isinstance(record, ProgramRecord)
    return record


def serious(record: ProgramRecord) -> list[tuple[str, int | None]]:
    kinds = (Severity.STOP, Severity.FIX, Severity.CHECK)
    return [(f.rule, f.where.line) for f in record.findings if f.severity in kinds]


class SlipTest(TestCase):
    TABLE = [
        (B, "unsigned long last", "int last", "clock-in-int", 7),
        (B, "int count = analogRead", "byte count = analogRead", "reading-in-byte", 8),
        (B, "millis() - last >= 1000", "last + 1000 - millis() <= 0", "difference-never-negative", 6),
        (B, "ring[at] = (", "ring[held++] = (", "outside-array-in-time", 9),
        (B, "count * 5.0 / 1024 - 0.5) * 100", "count * 5.0 / 1024 - 0.5 * 100)", "product-before-difference", None),
        (B, "- 0.5) * 100", "- 0.5) * 10", "slope-ten-times-too-large", None),
        (B, "- 0.5) * 100", "- 0.5) * 1000", "slope-ten-times-too-small", None),
        (B, "void loop() {", "bool ready = false;\nvoid loop() { while (!ready) { }", "waits-for-nothing", 6),
        (B, "void loop() {", "void loop() { for (float x = 0; x != 1.0; x += 0.1) Serial.println(x);", "float-stepped-to-equality", 5),
        (B, "void loop() {", "void look() { delay(9); look(); }\nvoid loop() { look();", "calls-itself-without-end", 5),
        (B, "    bool hot = t > 33;\n", "    bool hot = false;\n if (t > 33);\n { hot = true; }\n else { hot = false; }\n", "syntax", 13),
        (B, "    Serial.println(t);", '    char s[9]; snprintf(s, 9, "%.1f", t); Serial.println(s);', "float-in-pattern", 11),
        (Y, "  probes.requestTemperatures();\n", "", "never-asked-to-measure", 6),
        (Y, "ByIndex(0)", "ByIndex(1)", "index-beyond-modules", 7),
        (A, "Wire.read() << 8;\n  counts |= Wire.read();", "Wire.read();\n  counts |= Wire.read() << 8;", "bytes-turned-round", 12),
        (A, "int counts", "unsigned int counts", "sign-of-register-lost", 12),
        (D, 'wall.print("Brood heat")', 'wall.print("Brood heat of the hive")', "display-text-cut", 4),
        (D, 'wall.print("                "); wall.setCursor(0, 1);', "", "display-leftover-in-time", 9),
        (D, "setCursor(0, 1)", "setCursor(1, 0)", "display-row-for-column", 8),
        (T, "reader(SELECT, RESET)", "reader(RESET, SELECT)", "library-on-another-pin", 29),
        (T, "  reader.begin();\n", "", "module-not-begun", 28),
    ]  # fmt: skip

    def test_the_programs_are_sound(self):
        for name, program in PLANS.items():
            self.assertEqual(serious(judged(name, program)), [], name)

    def test_each_is_named_by_its_cause(self):
        for name, old, new, rule, line in self.TABLE:
            with self.subTest(rule):
                self.assertIn(old, PLANS[name])
                found = serious(judged(name, PLANS[name].replace(old, new)))
                self.assertIn((rule, line), found)


class SoundHabitTest(TestCase):
    """What looks like one of these slips, and is none."""

    def test_sound_habits_are_no_slips(self):
        table = [
            (B, "unsigned long last = 0;", "uint16_t last = 0;", "millis() - last", "(uint16_t)(millis() - last)"),
            (B, "void setup() {", "void setup() { randomSeed(analogRead(A3));", "", ""),
            (B, "int count = analogRead(TEMP)", "byte whole = analogRead(TEMP) / 4; int count = whole * 4", "", ""),
            (B, "void loop() {", "int fact(int n) { if (n < 2) return 1; return n * fact(n - 1); }\nvoid loop() {", "", ""),
            (B, "millis() - last >= 1000", "(long)(millis() - last) >= 1000", "", ""),
            (B, "void loop() {", "void loop() { for (float x = 0; x != 1.0; x += 0.25) delay(1);", "", ""),
            (Y, " delay(800);", "", "", ""),
            (D, "begin(16, 2)", "begin(16, 2, LCD_5x8DOTS)", "", ""),
            (D, "setCursor(0, 1)", "setCursor(2, 1)", "", ""),
            (D, '" C")', '" C  ")', 'wall.print("                "); wall.setCursor(0, 1);', ""),
            (T, "    known = belongsToTrail();", "    known = belongsToTrail();\n    reader.haltTag();\n    reader.stopTalk();", "", ""),
            (T, "  reader.begin();", "  reader.begin();\n  for (byte i = 0; i < 6; i++) key.keyByte[i] = 0xFF;",
             "TagReader reader(SELECT, RESET);", "TagReader reader(SELECT, RESET);\nTagReader::Key key;"),
        ]  # fmt: skip
        for name, old, new, other, changed in table:
            with self.subTest(new):
                text = PLANS[name].replace(old, new)
                found = serious(judged(name, text.replace(other, changed) if other else text))
                self.assertEqual(found, [])
