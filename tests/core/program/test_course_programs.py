"""The instructor's own program of each exercise: read, run on the twin of the exercise's own bench, and nothing to say."""

from unittest import TestCase

from tests.core.exercise.test_exercises import EXERCISES
from tests.samples import DEMO
from verifex.core.circuit import check_wiring
from verifex.core.expected import expected_sheet
from verifex.core.parts import catalogue
from verifex.core.program import ProgramReport, ScriptedPins, check_program
from verifex.core.twin import BehaviourReport, TwinTrace, check_behaviour, check_on_bench, plan_stimulus, run_twin

PROGRAMS = {name: (DEMO / "exercises" / name / "reference.cpp").read_text("utf-8") for name in EXERCISES}
PYTHON = {path.parent.name: path.read_text("utf-8") for path in (DEMO / "exercises").glob("*/reference.py")}
BOARD = catalogue().boards["mcu-5v"]


def python_board(name: str) -> str:
    return "sbc-3v3" if EXERCISES[name].reference_wiring("sbc-3v3") else "mcu-3v3-wireless"


def on_bench(
    name: str, program: str, wiring: str | None = None, board: str | None = None
) -> tuple[ProgramReport, TwinTrace, BehaviourReport]:
    exercise = EXERCISES[name]
    bench = wiring or exercise.reference_wiring(board)
    view = check_wiring(bench, exercise=exercise).view
    report = check_on_bench(program, view, exercise)
    plan = plan_stimulus(exercise)
    trace = run_twin(view, report, plan, plan.seconds)
    return report, trace, check_behaviour(view, exercise, plan, trace, expected_sheet(exercise, bench))


class CourseProgramsTest(TestCase):
    def test_each_does_what_its_exercise_asks_without_a_finding(self):
        self.assertEqual((len(PROGRAMS), len(PYTHON)), (12, 6))
        python = [(name, program, python_board(name)) for name, program in PYTHON.items()]
        for name, program, board in [*((name, program, None) for name, program in PROGRAMS.items()), *python]:
            with self.subTest(name, board=board):
                report, _, behaviour = on_bench(name, program, board=board)
                self.assertEqual([f.rule for f in (*report.findings, *behaviour.findings)], [])
                steps = [o for o in behaviour.outcomes if o.window.kind == "step"]
                self.assertTrue(all(o.agrees for o in steps), [o.as_json() for o in steps if not o.agrees])

    def test_the_display_shows_the_last_value_whole(self):
        _, trace, _ = on_bench("hive-display", PROGRAMS["hive-display"])
        self.assertEqual(trace.run.displays[-1][2], ["Brood heat      ", "8.6 C           "])
        # Without wiping the row a shorter number leaves the longer one's end behind.
        smeared = (
            PROGRAMS["hive-display"]
            .replace('wall.print("                "); wall.setCursor(0, 1);', "")
            .replace('wall.print(" C");', "")
        )
        _, trace, _ = on_bench("hive-display", smeared)
        self.assertEqual(trace.run.displays[-1][2][1].rstrip(), "8.61")

    def test_a_bench_with_other_names_feels_the_same_plan(self):
        exercise = EXERCISES["lid-open-watch"]
        other = exercise.reference_wiring().replace("LC1", "LC7")
        _, _, behaviour = on_bench("lid-open-watch", PROGRAMS["lid-open-watch"], other)
        self.assertEqual([o.printed for o in behaviour.outcomes if o.window.kind == "step"], [115, 828])

    def test_a_module_that_is_not_fed_or_not_there_answers_nan(self):
        exercise = EXERCISES["hive-climate"]
        dead = exercise.reference_wiring().replace("wire j5 +R5 red\n", "")
        _, trace, _ = on_bench("hive-climate", PROGRAMS["hive-climate"], dead)
        self.assertEqual({text for _, text in trace.run.lines}, {"nan nan"})

    def test_the_echo_follows_distance_and_wiring(self):
        exercise = EXERCISES["super-height-gauge"]
        crossed = exercise.reference_wiring().replace("wire a5 B1.D10 white\n", "wire a5 B1.D11 white\n")
        _, trace, _ = on_bench("super-height-gauge", PROGRAMS["super-height-gauge"], crossed)
        self.assertEqual({text for _, text in trace.run.lines}, {"0.0"})


class LibraryObjectTest(TestCase):
    def run_of(self, text: str) -> list[str]:
        report = check_program(text, BOARD)
        self.assertTrue(report.runnable, [f.seen for f in report.findings])
        return [line for _, line in report.run(ScriptedPins(), 1).lines]

    def test_an_object_is_made_in_whichever_way_it_is_written(self):
        for made in (
            "Panel p(0x27, 20, 4);",
            "Panel p = Panel(0x27, 20, 4);",
            "Panel p{0x27, 20, 4};",
            "#define A 0x27\nPanel p(A, 20, 4);",
        ):
            text = f'#include <Panel.h>\n{made}\nvoid setup() {{ p.begin(); p.setCursor(18, 3); p.print("abc"); }}\nvoid loop() {{ delay(1); }}\n'
            report = check_program(text, BOARD)
            run = report.run(ScriptedPins(), 0.2)
            self.assertEqual(run.displays[-1][2][3], " " * 18 + "ab", made)  # what runs over the end is not seen

    def test_a_method_whose_words_say_nothing_is_not_supported(self):
        text = "#include <Panel.h>\nPanel p;\nvoid setup() { p.frobnicate(3); }\nvoid loop() { }\n"
        report = check_program(text, BOARD)
        self.assertEqual(
            [(f.rule, str(f.severity), f.where.line) for f in report.findings], [("not-supported-yet", "check", 3)]
        )

    def test_a_call_of_the_dialect_that_we_do_not_read_yet_is_no_fault_of_the_pair(self):
        text = "void setup() { Keyboard.begin(); }\nvoid loop() { }\n"
        self.assertEqual({f.rule for f in check_program(text, BOARD).findings}, {"not-supported-yet"})


class OneSlipTest(TestCase):
    """One slip in the course's own programs is named by what it is, once."""

    SLIPS = (
        ("super-height-gauge", "us / 58.2", "us / 29.1", "echo-not-halved"),
        ("super-height-gauge", "us / 58.2", "us / 148.0", "printed-in-inches"),
        ("super-height-gauge", "cm > 0 && cm < 20", "cm > 20", "alarm-inverted"),
        ("syrup-tank-probe", "float t = probes.getTempCByIndex(0);", "float t = probes.getTempFByIndex(0);", "printed-in-fahrenheit"),
        ("hive-climate", "delay(2000);", "delay(500);", "module-read-too-often"),
        ("hive-climate", "damp > 70", "damp > 95", "alarm-never-on"),
        ("hive-display", " - 0.5) * 100.0", ") * 100.0", "offset-not-taken-off"),
        ("entrance-gap-watch", "level == LOW", "level == HIGH", "alarm-inverted"),
        ("lid-open-watch", "THRESHOLD = 472", "THRESHOLD = 900", "alarm-never-on"),
        ("feeder-level", "digitalWrite(FEED, HIGH); ", "", "printed-value-out"),
        ("night-visitor-watch", "digitalWrite(LAMP, seen)", "if (seen) digitalWrite(LAMP, HIGH)", "alarm-stays-on"),
    )  # fmt: skip

    def test_each_is_named(self):
        for name, old, new, rule in self.SLIPS:
            with self.subTest(name, slip=new):
                self.assertIn(old, PROGRAMS[name])
                report, _, behaviour = on_bench(name, PROGRAMS[name].replace(old, new))
                found = [f.rule for f in (*report.findings, *behaviour.findings)]
                self.assertIn(rule, found)
                self.assertLessEqual(len(found), 2, found)

    def test_an_alarm_without_hysteresis_on_a_wandering_value_flickers(self):
        wanders = (
            PROGRAMS["lid-open-watch"]
            .replace("light > THRESHOLD", "light + millis() / 100 % 2 * 30 > THRESHOLD")
            .replace("250", "50")
        )
        _, _, behaviour = on_bench("lid-open-watch", wanders)
        self.assertIn("flickers-at-threshold", [f.rule for f in behaviour.findings])
