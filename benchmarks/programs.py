"""Programs: reading and checking, a minute on the twin with and without pauses, simple operations a second.

Views, plans and checked programs are made once; what is timed is what the name says.
"""

from collections.abc import Callable
from functools import cache
from pathlib import Path

from verifex.core.circuit import check_wiring
from verifex.core.circuit.view import BenchView
from verifex.core.exercise import Exercise, read_exercise
from verifex.core.parts import catalogue
from verifex.core.program import ProgramReport, ScriptedPins, check_program
from verifex.core.program.runtime.machine import Budget
from verifex.core.twin import check_on_bench, plan_stimulus, run_twin

DEMO = Path(__file__).parent.parent / "demo"
HEAT = "brood-box-heat-watch"
PAUSED = (DEMO / "exercises" / HEAT / "reference.cpp").read_text("utf-8")
PRINTING = PAUSED.replace("  delay(1000);\n", "")
SILENT = PRINTING.replace("  Serial.println(celsius);\n", "")
FLOATING = SILENT.replace("= A2", "= A0")  # a pin that nothing hangs on reads otherwise each time
CLOCKED = """const int YARD = 2, LAMP = 8; unsigned long last = 0;
void setup() { Serial.begin(9600); pinMode(YARD, INPUT); pinMode(LAMP, OUTPUT); }
void loop() { bool seen = digitalRead(YARD); digitalWrite(LAMP, seen);
  if (millis() - last > 1000) { Serial.println(seen); last = millis(); } }
"""
ECHO = (DEMO / "exercises/super-height-gauge/reference.py").read_text("utf-8")
UNBOUND = Budget(steps=10**9)
COUNTING = """void setup() { Serial.begin(9600); long s = 0;
  for (long i = 0; i < 100000L; i++) { s = s + i * 3 - (i / 7) + 1; if (s > 100000) s = s % 1000; }
  Serial.println(s); }
void loop() { delay(1000); }
"""
COUNTING_PYTHON = """s = 0
for i in range(100000):
    s = s + i * 3 - i // 7 + 1
    if s > 100000:
        s = s % 1000
print(s)
"""


@cache
def exercise(name: str) -> Exercise:
    return read_exercise((DEMO / "exercises" / name / "exercise.yaml").read_text("utf-8"))


@cache
def view(name: str, board: str | None = None) -> BenchView:
    return check_wiring(exercise(name).reference_wiring(board), exercise=exercise(name)).view


@cache
def checked(name: str, text: str, board: str | None = None) -> ProgramReport:
    return check_on_bench(text, view(name, board), exercise(name))


@cache
def alone(text: str, board: str) -> ProgramReport:
    return check_program(text, catalogue().boards[board])


def checking(name: str, text: str, board: str | None = None) -> Callable[[], str]:
    def task() -> str:
        report = check_on_bench(text, view(name, board), exercise(name))
        return f"{len(report.runs)} dry runs, {len(report.findings)} findings"

    return task


def minute(name: str, text: str, board: str | None = None) -> Callable[[], str]:
    """60 s of the exercise's plan on the twin of its own bench."""

    def task() -> str:
        trace = run_twin(view(name, board), checked(name, text, board), plan_stimulus(exercise(name)), 60)
        return (
            f"{len(trace.run.lines)} lines, {len(trace.run.events)} changes, {trace.operating_points} operating points"
        )

    return task


def counting(text: str, board: str) -> Callable[[], str]:
    """A loop of sums and comparisons: ten operations a turn, 100 000 turns."""
    return lambda: f"{alone(text, board).run(ScriptedPins(), 1, budget=UNBOUND).serial.strip()} comes out"


TASKS: dict[str, Callable[[], str]] = {
    "program check": checking(HEAT, PAUSED),
    "program check, Python": checking("super-height-gauge", ECHO, "sbc-3v3"),
    "60 s on the twin": minute(HEAT, PAUSED),
    "60 s, Python": minute("super-height-gauge", ECHO, "sbc-3v3"),
    "60 s busy, printing": minute(HEAT, PRINTING),
    "60 s busy, silent": minute(HEAT, SILENT),
    "60 s busy, pin floats": minute(HEAT, FLOATING),
    "60 s busy, by the clock": minute("night-visitor-watch", CLOCKED),
    "a million operations": counting(COUNTING, "mcu-5v"),
    "a million, Python": counting(COUNTING_PYTHON, "sbc-3v3"),
}
