"""Sound programs written by chance in many hands pass; one seeded defect is named."""

from collections.abc import Callable
from random import Random
from unittest import TestCase

from hypothesis import given, settings
from hypothesis import strategies as st

from tests.samples import EXERCISE, WIRING
from verifex.core.circuit import check_wiring
from verifex.core.expected import expected_sheet
from verifex.core.twin import check_behaviour, check_on_bench, plan_stimulus, run_twin

VIEW = check_wiring(WIRING, exercise=EXERCISE).view
LIMITS = {s.name: (s.value.low, s.value.high) for s in expected_sheet(EXERCISE, WIRING).steps}
PLAN = plan_stimulus(EXERCISE)

PINS = [
    "const int sensor = A2;\nconst int led = 7;\nconst int buzz = 4;\n",
    "#define sensor A2\n#define led 7\n#define buzz 4\n",
    "int sensor = 2; // channel\nint led = 7, buzz = 4;\n",
    "byte sensor = A2;\nuint8_t led = 7;\nunsigned int buzz = 4;\n",
]
READS = [
    "int raw = analogRead(sensor);\n  float t = (raw * 5.0 / 1024.0 - 0.5) / 0.01;",
    "float raw = analogRead(sensor);\n  float volts = raw / 1024 * 5;\n  float t = (volts - 0.5) * 100;",
    "long mv = analogRead(sensor) * 5000L / 1024;\n  float t = (mv - 500) / 10.0;",
    "float t = analogRead(sensor) * (5.0 / 1023.0) * 100.0 - 50.0;",
    "double v = 5.0 * analogRead(sensor);\n  v /= 1024;\n  v -= 0.5;\n  double t = v * 100;",
]
PRINTS = ["Serial.println(t);", 'Serial.print("T = "); Serial.println(t, 1);', 'Serial.print(t); Serial.println(" C");']
ALARMS = [
    "if (t > 33) { digitalWrite(led, HIGH); digitalWrite(buzz, HIGH); } else { digitalWrite(led, LOW); digitalWrite(buzz, LOW); }",
    "bool hot = t > 33.0;\n  digitalWrite(led, hot);\n  digitalWrite(buzz, hot ? HIGH : LOW);",
    "if (t <= 33.0) {\n    digitalWrite(led, 0);\n    digitalWrite(buzz, 0);\n  }\n  else {\n    digitalWrite(led, 1);\n    digitalWrite(buzz, 1);\n  }",
    "digitalWrite(led, LOW); digitalWrite(buzz, LOW);\n  if (33 < t) { digitalWrite(led, HIGH); digitalWrite(buzz, HIGH); }",
    "int outs[2] = {led, buzz};\n  for (int i = 0; i < 2; i++) digitalWrite(outs[i], t > 33);",
]
PAUSES = [
    "delay(1000);",
    "delay(500); /* half a second */",
    "static unsigned long n = 0; n++; delay(800);",
    "unsigned long start = millis(); while (millis() - start < 250) { }",
]


def written(seed: int) -> str:
    rng = Random(seed)
    return (
        f"// pair {seed}\n{rng.choice(PINS)}\nvoid setup() {{\n  Serial.begin(9600);\n"
        f"  pinMode(led, OUTPUT);\n  pinMode(buzz, OUTPUT);\n}}\n\nvoid loop()\n{{\n  {rng.choice(READS)}\n"
        f"  {rng.choice(PRINTS)}\n  {rng.choice(ALARMS)}\n  {rng.choice(PAUSES)}\n}}\n"
    )


def found(text: str) -> list[str]:
    """Rules that fire, statically and on the twin."""
    program = check_on_bench(text, VIEW, EXERCISE)
    rules = [f.rule for f in program.findings]
    if program.runnable:
        trace = run_twin(VIEW, program, PLAN, PLAN.seconds)
        rules += [f.rule for f in check_behaviour(VIEW, EXERCISE, PLAN, trace, LIMITS).findings]
    return rules


def replaced(old: str, new: str) -> Callable[[str], str | None]:
    return lambda text: text.replace(old, new, 1) if old in text else None


DEFECTS: dict[str, tuple[Callable[[str], str | None], str]] = {
    "semicolon gone": (replaced("pinMode(led, OUTPUT);", "pinMode(led, OUTPUT)"), "syntax"),
    "brace gone": (lambda text: text.rstrip()[:-1], "syntax"),
    "case of a call": (replaced("pinMode(led", "pinmode(led"), "name-miscased"),
    "case of a constant": (replaced("OUTPUT", "Output"), "name-miscased"),
    "name misspelt": (replaced("println(t", "println(tt"), "name-undeclared"),
    "baud": (replaced("9600", "4800"), "baud-differs"),
    "serial not begun": (replaced("  Serial.begin(9600);\n", ""), "serial-not-begun"),
    "pin mode gone": (replaced("  pinMode(led, OUTPUT);\n", ""), "pin-mode-missing"),
    "light's pin": (lambda text: text.replace("led = 7", "led = 8").replace("led 7", "led 8"), "pin-differs-from-wiring"),
    "sense turned": (lambda text: text.replace("t > 33", "t < 33").replace("t <= 33", "t >= 33").replace("33 < t", "33 > t"), "alarm-inverted"),
    "threshold out of reach": (lambda text: text.replace("33", "39"), "alarm-never-on"),
    "endless loop": (replaced("void loop()\n{", "void loop()\n{\n  while (1) { }"), "run-ended"),
}  # fmt: skip


class CorpusTest(TestCase):
    @settings(max_examples=12)
    @given(st.integers(0, 10**6))
    def test_no_false_alarm_on_a_sound_program(self, seed: int):
        self.assertEqual(found(written(seed)), [], written(seed))

    @settings(max_examples=12)
    @given(st.integers(0, 10**6), st.sampled_from(sorted(DEFECTS)))
    def test_one_defect_is_named(self, seed: int, name: str):
        spoil, rule = DEFECTS[name]
        text = spoil(written(seed))
        if text is not None:
            self.assertIn(rule, found(text), f"{name}\n{text}")
