"""Programs that do more than read a pin: classes, interrupts, what outlives a reset, buses, typed input, modules in time."""

import math
from unittest import TestCase

from tests.core.exercise.test_exercises import EXERCISES, TEXTS
from verifex.core.circuit import check_wiring
from verifex.core.exercise import read_exercise
from verifex.core.parts import catalogue
from verifex.core.program import RunResult, ScriptedPins, check_program
from verifex.core.program.compiler import compile_program
from verifex.core.program.cpp import read_cpp
from verifex.core.program.runtime.machine import Machine
from verifex.core.twin import check_behaviour, check_on_bench, plan_stimulus, read_stimulus, run_twin

BOARD, WIDE = catalogue().boards["mcu-5v"], catalogue().boards["mcu-3v3-wireless"]


def run(text: str, seconds: float = 0.5, pins: ScriptedPins | None = None, board=BOARD) -> RunResult:
    report = check_program(text, board)
    assert report.runnable, [f.seen for f in report.findings]
    return report.run(pins or ScriptedPins(), seconds)


def printed(setup: str, head: str = "", pins: ScriptedPins | None = None, board=BOARD) -> list[str]:
    text = f"{head}\nvoid setup() {{ Serial.begin(9600); {setup} }}\nvoid loop() {{ delay(100); }}\n"
    return [line for _, line in run(text, pins=pins, board=board).lines]


class RecordsTest(TestCase):
    def test_constructors_methods_defaults_and_arrays_of_objects(self):
        head = """
        class Blinker {
          public:
            Blinker(int pin, unsigned long every = 250) : pin_(pin), every_(every) { made++; }
            void turn() { on_ = !on_; turns++; }
            int turned() const { return turns * 10 + on_; }
            int pin() { return this->pin_; }
            static int dummy;
          private:
            int pin_; unsigned long every_; bool on_ = false; int turns = 0;
        };
        """.replace("static int dummy;", "").replace("made++;", "")
        head += "struct Point { int x; int y = 7; }; Blinker porch(4); Blinker gate(5, 100); Point p = {3};"
        lines = printed("porch.turn(); porch.turn(); gate.turn(); Serial.println(porch.turned()); Serial.println(gate.turned()); Serial.println(gate.pin() + p.x);", head)  # fmt: skip
        self.assertEqual(lines, ["20", "11", "8"])

    def test_records_are_copied_and_passed_by_reference_where_it_is_said(self):
        head = "struct R { int a; float b; }; void raise(R &r) { r.a += 10; } R doubled(R r) { r.a *= 2; return r; } R one = {1, 0.5};"
        lines = printed("R two = one; two.a = 5; raise(one); Serial.println(one.a); Serial.println(two.a); Serial.println(doubled(two).a); Serial.println(two.a);", head)  # fmt: skip
        self.assertEqual(lines, ["11", "5", "10", "5"])


class InterruptsTest(TestCase):
    TEXT = """
    volatile int edges = 0; volatile unsigned long last = 0;
    void heard() { edges++; last = millis(); }
    void setup() { Serial.begin(9600); attachInterrupt(digitalPinToInterrupt(2), heard, %s); }
    void loop() { delay(300); noInterrupts(); Serial.println(edges); interrupts(); }
    """

    def test_edges_call_the_function_also_within_a_pause(self):
        pins = ScriptedPins({"D2": ([0, 50, 120, 180, 400], [0, 1, 0, 1, 0])})
        for edge, counts in (("RISING", ["2", "2"]), ("FALLING", ["1", "2"]), ("CHANGE", ["3", "4"])):
            self.assertEqual([t for _, t in run(self.TEXT % edge, 0.7, pins).lines], counts, edge)

    def test_a_pin_without_interrupt_is_named(self):
        report = check_program((self.TEXT % "RISING").replace("Interrupt(2)", "Interrupt(7)"), BOARD)
        self.assertEqual([f.rule for f in report.findings], ["no-interrupt"])


class StorageAndTextTest(TestCase):
    def test_what_outlives_a_reset(self):
        lines = printed("EEPROM.write(3, 300); EEPROM.update(4, 7); int kept = -5; EEPROM.put(10, kept); int back; EEPROM.get(10, back); Serial.println(EEPROM.read(3)); Serial.println(EEPROM.read(4)); Serial.println(back); Serial.println(EEPROM.read(99));", "#include <EEPROM.h>")  # fmt: skip
        self.assertEqual(lines, ["44", "7", "-5", "255"])

    def test_texts_by_pattern_on_narrow_and_wide_boards(self):
        setup = 'char b[40]; sprintf(b, "%4d|%-4d|%04x|%s|%c", -7, 42, 255, "ab", 65); Serial.println(b); snprintf(b, 5, "%d", 12345); Serial.println(b); sprintf(b, "%.1f", 2.5); Serial.println(b);'
        self.assertEqual(printed(setup), ["  -7|42  |00ff|ab|A", "1234", "?"])
        self.assertEqual(
            printed(setup + 'Serial.printf("%05.2f %u\\n", 3.14159, 70000);', board=WIDE)[2:], ["2.5", "03.14 70000"]
        )

    def test_a_number_added_to_a_text_in_quotes_moves_its_beginning(self):
        text = (
            'void setup() { Serial.begin(9600); int n = 2; Serial.println("count " + n); }\nvoid loop() { delay(1); }'
        )
        self.assertEqual([t for _, t in run(text).lines], ["unt "])
        self.assertEqual([f.rule for f in check_program(text, BOARD).findings], ["text-plus-number"])
        whole = text.replace('"count " + n', 'String("count ") + n')
        self.assertEqual([t for _, t in run(whole).lines], ["count 2"])

    def test_typed_input_is_read_as_letters_lines_and_numbers(self):
        pins = ScriptedPins(typed=[(100.0, "on\n42 7.5\nrest")])
        loop = 'if (Serial.available()) { String s = Serial.readStringUntil(\'\\n\'); Serial.println(s + "!"); if (s == "on") { Serial.println(Serial.parseInt() + 1); Serial.println(Serial.parseFloat()); } }'
        text = f"void setup() {{ Serial.begin(9600); }}\nvoid loop() {{ {loop} delay(10); }}"
        self.assertEqual([t for _, t in run(text, 4, pins).lines], ["on!", "43", "7.50", "!", "rest!"])


class RefusedTest(TestCase):
    def test_what_a_word_processor_put_in_is_named_and_read_on(self):
        text = "\ufeffvoid setup() { Serial.begin(9600); }\nvoid loop() {\u00a0delay(1000 – 1);\nSerial.println(“a – b”); // “fine” – here\n}"
        found = check_program(text, BOARD).findings
        self.assertEqual([(f.rule, f.where.line) for f in found], [("syntax", 2), ("syntax", 3)])
        self.assertIn("a curly quote", found[1].seen)
        self.assertTrue(check_program("\ufeffvoid setup() { }\nvoid loop() { delay(1); }", BOARD).runnable)

    def test_what_a_compiler_refuses_of_functions_loops_and_memory(self):
        table = {
            "void setup() { }\nvoid loop() { }\nvoid loop() { }": ("refused-use", 3),
            "void setup() { break; }\nvoid loop() { }": ("refused-use", 1),
            "void setup() { }\nvoid loop() { switch (1) { case 1: break;\ncase 1: break; } }": ("refused-use", 3),
            "void setup() { }\nvoid loop() { if (1); delay(1);\nelse delay(2); }": ("syntax", 3),
            "void setup() { }\nvoid loop() {\nint 2fast = 3; }": ("syntax", 3),
            "void setup() { }\nvoid loop() {\nint x = 089; }": ("syntax", 3),
            "long kept[800];\nvoid setup() { }\nvoid loop() { }": ("memory-full", 1),
            'void setup() { }\nvoid loop() { float t = 1.5;\nString s = "T " + t; }': ("refused-use", 3),
            "int a, b;\nvoid setup() { }\nvoid loop() { if (a > 1 &&\nb = 2) delay(1); }": ("refused-use", 4),
            'void setup() { }\nvoid loop() { if (analogRead(A0) >\n"300") delay(1); }': ("refused-use", 2),
            'void setup() { }\nvoid loop() { int pin =\n"7"; }': ("refused-use", 3),
            "#include <wire.h>\nvoid setup() { Wire.begin(); }\nvoid loop() { }": ("name-miscased", 1),
            "void setup() { }\nloop() { }": ("refused-use", 2),
            "flot t;\nvoid setup() { }\nvoid loop() { t = 1; }": ("name-undeclared", 1),
            "void setup() { pinMode(LED, OUTPUT); }\nvoid loop() { }\nint LED = 7;": ("name-undeclared", 1),
        }
        for text, found in table.items():
            report = check_program(text, BOARD)
            self.assertEqual([(f.rule, f.where.line) for f in report.findings][:1], [found], text)
            self.assertFalse(report.runnable, text)


class PauseTest(TestCase):
    def test_stopping_again_and_again_changes_nothing(self):
        text = "unsigned long last = 0; int n = 0;\nvoid setup() { Serial.begin(9600); pinMode(13, OUTPUT); }\nvoid loop() { n = analogRead(A0); if (millis() - last > 70) { last = millis(); Serial.println(n); digitalWrite(13, n > 500); } delay(3); }"
        pins = ScriptedPins({"A0": ([0, 333, 777], [1.0, 4.0, 2.0])})
        compiled = compile_program(read_cpp(text), BOARD)
        assert compiled.start and compiled.setup and compiled.loop and compiled.snapshot

        def result(every_us: float) -> tuple[str, list[tuple[float, str, str]], list[float]]:
            seen: list[float] = []

            def paused(machine: Machine) -> float:
                seen.append(machine.now_us)
                return machine.now_us + every_us

            machine = Machine(BOARD, pins, 1.0, pause_us=every_us, paused=paused)
            run = machine.run(compiled.start, compiled.setup, compiled.loop, compiled.snapshot)  # type: ignore[arg-type]
            return run.serial, run.events, seen

        whole, by_100, by_1 = result(math.inf), result(100_000), result(1_000)
        self.assertEqual(by_100[:2], whole[:2])
        self.assertEqual(by_1[:2], whole[:2])
        self.assertEqual((len(whole[2]), len(by_100[2])), (0, 9))


class ModulesInTimeTest(TestCase):
    def trace(
        self,
        name: str,
        program: str,
        script: str,
        seconds: float,
        change: tuple[str, str] = ("", ""),
        cold: bool = False,
    ):
        exercise = EXERCISES[name]
        view = check_wiring(exercise.reference_wiring().replace(*change), exercise=exercise).view
        report = check_on_bench(program, view, exercise)
        stimulus = read_stimulus("time_ms,ref,quantity,value\n" + script)
        return run_twin(view, report, stimulus, seconds, cold=cold)

    MOTION = "void setup() { Serial.begin(9600); }\nvoid loop() { static int was = -1; int now = digitalRead(2); if (now != was) { Serial.print(millis() / 100); Serial.print(' '); Serial.println(now); was = now; } delay(20); }"

    def test_a_motion_module_holds_on_and_its_jumper_says_whether_it_can_be_kept_up(self):
        script = "0,U1,motion,0\n70000,U1,motion,1\n72000,U1,motion,0\n75000,U1,motion,1\n76000,U1,motion,0\n"
        repeat = self.trace("night-visitor-watch", self.MOTION, script, 110)
        single = self.trace("night-visitor-watch", self.MOTION, script, 110, ("jumper=repeat", "jumper=single"))

        def last_fall(trace) -> float:
            return [int(t.split()[0]) / 10 for _, t in trace.run.lines if t.endswith(" 0")][-1]

        self.assertGreater(last_fall(repeat), last_fall(single))
        self.assertAlmostEqual(last_fall(repeat), 84, delta=1.5)  # 8 s after the last movement

    def test_an_echo_can_be_timed_by_looking_at_the_pin(self):
        program = "void setup() { Serial.begin(9600); pinMode(9, OUTPUT); }\nvoid loop() { digitalWrite(9, HIGH); delayMicroseconds(10); digitalWrite(9, LOW); while (digitalRead(10) == LOW) ; unsigned long a = micros(); while (digitalRead(10) == HIGH) ; Serial.println((micros() - a) / 58.2, 1); delay(500); }"
        lines = [
            float(t) for _, t in self.trace("super-height-gauge", program, "0,U1,cm,25\n1200,U1,cm,80\n", 2.4).run.lines
        ]
        self.assertAlmostEqual(lines[0], 25, delta=1)
        self.assertAlmostEqual(lines[-1], 80, delta=2)

    def test_a_cold_module_tells_nothing_until_it_is_warm(self):
        script = "0,U1,motion,0\n"
        warm = self.trace("night-visitor-watch", self.MOTION, script, 90)
        cold = self.trace("night-visitor-watch", self.MOTION, script, 90, cold=True)
        self.assertEqual([t for _, t in warm.run.lines], ["0 0"])
        changes = [int(t.split()[0]) / 10 for _, t in cold.run.lines]
        self.assertGreater(len(changes), 6)
        self.assertLess(max(changes), 60)
        air = "void setup() { Serial.begin(9600); }\nvoid loop() { Serial.println(analogRead(A4)); delay(60000); }"
        counts = [int(t) for _, t in self.trace("smoke-room-air", air, "0,U1,ppm,0\n", 900, cold=True).run.lines]
        self.assertEqual(counts, sorted(counts, reverse=True))
        self.assertGreater(counts[0], counts[-1] + 100)

    def test_a_probe_takes_its_conversion_time(self):
        program = "#include <DataWire.h>\n#include <P.h>\nDataWire w(3);\nP p(&w);\nvoid setup() { Serial.begin(9600); }\nvoid loop() { p.requestTemperatures(); p.getTempCByIndex(0); Serial.println(millis()); }"
        times = [int(t) for _, t in self.trace("syrup-tank-probe", program, "0,U1,celsius,20\n", 4).run.lines]
        self.assertAlmostEqual(times[2] - times[1], 750, delta=15)


class DeclaredDriverTest(TestCase):
    """An exercise says what a class of its library is called for; nothing is guessed at then."""

    DRIVERS = "\ndrivers:\n  - {name: RoofAir, constructor: [data pin], methods: {wake: ready, air: percent, warmth: fahrenheit}}\n"

    def exercise(self):
        return read_exercise(TEXTS["hive-climate"] + self.DRIVERS)

    def lines(self, program: str, board: str = "mcu-5v") -> list[str]:
        exercise = self.exercise()
        view = check_wiring(exercise.reference_wiring(board), exercise=exercise).view
        report = check_on_bench(program, view, exercise)
        self.assertTrue(report.runnable, [f.seen for f in report.findings])
        return [
            t
            for _, t in run_twin(
                view, report, read_stimulus("time_ms,ref,quantity,value\n0,U1,celsius,20\n0,U1,percent,61\n"), 3
            ).run.lines
        ]

    CPP = "#include <RoofAir.h>\nRoofAir roof(7);\nvoid setup() { Serial.begin(9600); roof.wake(); }\nvoid loop() { Serial.println(roof.air()); Serial.println(roof.warmth()); delay(5000); }"

    def test_its_methods_give_what_they_are_declared_for(self):
        self.assertEqual(self.lines(self.CPP), ["61.00", "68.00"])
        python = "from roof import RoofAir\nimport time\nr = RoofAir(4)\nr.wake()\nprint(r.air(), r.warmth())\nwhile True: time.sleep(5)"
        self.assertEqual(self.lines(python, "sbc-3v3"), ["61.0 68.0"])

    def test_a_method_or_a_value_that_is_not_declared_is_refused(self):
        exercise = self.exercise()
        view = check_wiring(exercise.reference_wiring(), exercise=exercise).view
        for old, new, words in (
            ("roof.air()", "roof.airr()", "`air`"),
            ("roof(7)", "roof(7, 22)", "1 values, 2 are given"),
        ):
            found = check_on_bench(self.CPP.replace(old, new), view, exercise).findings
            self.assertEqual([f.rule for f in found], ["refused-use"])
            self.assertIn(words, f"{found[0].seen} {found[0].remedy}")


class UnplayedTest(TestCase):
    """What the twin does not play is ours to add, and nothing of the run is held against the pair."""

    def test_single_bytes_to_a_module_are_told_as_not_read(self):
        text = "#include <SPI.h>\nvoid setup() { Serial.begin(9600); SPI.begin(); }\nvoid loop() { Serial.println(SPI.transfer(7)); delay(99); }"
        self.assertEqual(
            [(f.rule, f.where.line) for f in check_program(text, BOARD).findings], [("not-supported-yet", 3)]
        )

    def test_a_run_that_meets_it_is_not_judged(self):
        exercise = EXERCISES["toppled-hive-alarm"]
        wiring = (
            exercise.reference_wiring("mcu-3v3-wireless")
            .replace("motion-6 a15 a16 a17 a18", "baro a15 a16 a17 a18")
            .replace("part U1 baro", "part U9 baro")
        )
        program = "#include <Wire.h>\nvoid setup() { Serial.begin(9600); Wire.begin(); }\nvoid loop() { Wire.requestFrom(0x76, 2); Serial.println(Wire.read()); delay(200); }"
        view = check_wiring(wiring, exercise=exercise).view
        plan = plan_stimulus(exercise)
        trace = run_twin(view, check_on_bench(program, view, exercise), plan, plan.seconds)
        found = check_behaviour(view, exercise, plan, trace).findings
        self.assertEqual((trace.run.ended, [f.rule for f in found]), ("unsupported", ["not-supported-on-bench"]))
