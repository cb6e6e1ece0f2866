"""Programs run: integer and float arithmetic, control flow and printing as a 16-bit-int compiler has them."""

from unittest import TestCase
from unittest.mock import patch

from hypothesis import given
from hypothesis import strategies as st

from verifex.core.parts import catalogue
from verifex.core.program import Running, RunResult, ScriptedPins, check_program
from verifex.core.program.calls.serial import float_printed
from verifex.core.program.runtime.machine import Budget, Machine
from verifex.core.program.types import Int, as_float32

BOARD = catalogue().boards["mcu-5v"]
WIDE = catalogue().boards["mcu-3v3-wireless"]


def source(setup: str, loop: str, head: str = "") -> str:
    return f"{head}\nvoid setup() {{ Serial.begin(9600); {setup} }}\nvoid loop() {{ {loop} }}\n"


def run(
    setup: str, loop: str = "delay(1000);", head: str = "", seconds: float = 0.5, pins: ScriptedPins | None = None
) -> RunResult:
    report = check_program(source(setup, loop, head), BOARD)
    assert report.runnable, [f.seen for f in report.findings]
    return report.run(pins or ScriptedPins(), seconds)


def printed(*expressions: str, head: str = "") -> list[str]:
    return [text for _, text in run(" ".join(f"Serial.println({e});" for e in expressions), head=head).lines]


class ArithmeticTest(TestCase):
    def test_integers_wrap_truncate_and_promote(self):
        table = {
            "32767 + a1": "-32768", "a200 * 200": "-25536", "7 / 2": "3", "-7 / 2": "-3", "-7 % 3": "-1",
            "300L * 300": "90000", "5000 * 100L": "500000", "byte(260)": "4", "b255 + 1": "256", "u65535 + 1": "0",
            "1 << 14": "16384", "B101": "5", "B00000111 << 1": "14", "B11111111": "255", "-1 >> 1": "-1", "0x0F & 6": "6", "5 | 8": "13", "~0": "-1", "!5": "0", "3 > 2": "1",
            "10 - 3 * 2": "4", "(10 - 3) * 2": "14", "a1 ? 4 : 5": "4", "-a1": "-1", "40000": "40000", "0b101": "5", "010": "8",
        }  # fmt: skip
        head = "int a1 = 1; int a200 = 200; byte b255 = 255; unsigned int u65535 = 65535;"
        self.assertEqual(printed(*table, head=head), list(table.values()))

    def test_floats_have_32_bits_and_two_decimals(self):
        table = {
            "1.0 / 3": "0.33", "2.675": "2.68", "0.1 + 0.2": "0.30", "1 / 4.0": "0.25", "3 / 4": "0", "float(7) / 2": "3.50",
            "16777217.0": "16777216.00", "-0.005": "-0.00", "3.14159, 4": "3.1416", "1e10": "ovf", "sqrt(-1)": "nan", "5.999": "6.00",
        }  # fmt: skip
        self.assertEqual(printed(*table), list(table.values()))

    @given(st.integers(-(2**40), 2**40), st.sampled_from([8, 16, 32]), st.booleans())
    def test_wrapping_is_modular_and_in_range(self, value: int, bits: int, signed: bool):
        kind = Int(bits, signed)
        wrapped = kind.wrap(value)
        self.assertTrue(kind.low <= wrapped <= kind.high)
        self.assertEqual((wrapped - value) % (1 << bits), 0)

    @given(st.floats(-4e9, 4e9, width=32), st.integers(0, 5))
    def test_a_printed_float_is_near_the_value(self, value: float, decimals: int):
        shown = float_printed(as_float32(value), decimals)
        self.assertAlmostEqual(float(shown), value, delta=0.51 * 10**-decimals + abs(value) * 2e-6)

    def test_int_is_wider_on_the_wireless_board(self):
        source = (
            "void setup() { Serial.begin(115200); int a = 200; Serial.println(a * 200); }\nvoid loop() { delay(9); }"
        )
        self.assertEqual(check_program(source, WIDE).run(ScriptedPins(), 0.1).lines[0][1], "40000")


class FlowTest(TestCase):
    def test_loops_switches_functions_and_arrays(self):
        head = """
        int table[] = {3, 1, 2};
        long grid[2][3];
        int twice(int x) { return x * 2; }
        int fact(int n) { if (n < 2) return 1; return n * fact(n - 1); }
        String nameOf(int n) { switch (n) { case 1: return "one"; case 2: case 3: return "few"; default: return "many"; } }
        int counter() { static int n = 0; n++; return n; }
        """
        setup = """
        int sum = 0; for (int i = 0; i < 3; i++) { if (table[i] == 1) continue; sum += table[i]; }
        Serial.println(sum);
        int n = 0; while (true) { n++; if (n == 4) break; } Serial.println(n);
        do { n--; } while (n > 2); Serial.println(n);
        grid[1][2] = twice(21); Serial.println(grid[1][2]);
        Serial.println(fact(5)); Serial.println(nameOf(1)); Serial.println(nameOf(3)); Serial.println(nameOf(9));
        counter(); Serial.println(counter());
        int i = 5; Serial.println(i++ + ++i); Serial.print("x="); Serial.print(i); Serial.println();
        Serial.println(map(512, 0, 1023, 0, 100)); Serial.println(constrain(12, 0, 10)); Serial.println(max(2, 7));
        """
        expected = ["5", "4", "2", "42", "120", "one", "few", "many", "2", "12", "x=7", "50", "10", "7"]
        self.assertEqual([text for _, text in run(setup, head=head).lines], expected)

    def test_macros_constants_and_prototypes(self):
        head = "#define LED 13\n#define TWICE (2 * LED)\nint later(int);\nconst float K = 0.5;"
        source = f"{head}\nvoid setup() {{ Serial.begin(9600); Serial.println(TWICE); Serial.println(later(4)); }}\nvoid loop() {{ delay(9); }}\nint later(int x) {{ return x * K; }}"
        self.assertEqual([t for _, t in check_program(source, BOARD).run(ScriptedPins(), 0.1).lines], ["26", "2"])


class PlaceTest(TestCase):
    """A place that is changed is come to once, whatever working it out does."""

    def test_what_finds_a_place_happens_once(self):
        head = "int a[4] = {10, 20, 30, 40}; int i; int asked; int *p = a; struct Box { int n; } boxes[3];"
        head += 'String letters = "abc"; int at;'
        head += "int next() { asked++; return asked; }"
        acts = {
            "a[i++] += 5;": ("i", "1", "a[0]", "15"), "a[i++]++;": ("i", "2", "a[1]", "21"), "a[--i]--;": ("i", "1", "a[1]", "20"),
            "boxes[next()].n += 7;": ("asked", "1", "boxes[1].n", "7"), "boxes[next() - 1].n++;": ("asked", "2", "boxes[1].n", "8"),
            "*p++ = 1;": ("p - a", "1", "a[0]", "1"), "*++p *= 2;": ("p - a", "2", "a[2]", "60"), "*p-- -= 1;": ("p - a", "1", "a[2]", "59"),
            "letters[at++] += 1;": ("at", "1", "letters", "bbc"), "letters[1]++;": ("letters[1]++", "c", "letters", "bdc"),
            "p[0] <<= 1;": ("a[1]", "40", "p[0]++", "40"), "++p[0];": ("a[1]", "42", "--p[0]", "41"),
        }  # fmt: skip
        shown = [f"{act} Serial.println({one}); Serial.println({other});" for act, (one, _, other, _) in acts.items()]
        expected = [text for _, first, _, second in acts.values() for text in (first, second)]
        self.assertEqual([text for _, text in run(" ".join(shown), head=head).lines], expected)

    def test_a_reading_in_an_index_is_read_once(self):
        pins = ScriptedPins({"A0": ([0.0, 0.2], [1.5, 4.5])})  # the level changes before it could be read again
        head = "int counts[4];"
        counted = run("counts[analogRead(A0) / 256]++; Serial.println(counts[1]);", head=head, pins=pins)
        self.assertEqual([text for _, text in counted.lines], ["1"])

    def test_nested_places_cost_what_they_hold(self):
        nested = "a[0]"
        for _ in range(40):
            nested = f"a[{nested}++]"
        self.assertEqual(printed(f"{nested}", head="int a[2];"), ["0"])
        called = "1"
        for _ in range(40):
            called = f"more({called})"
        head = "int more(int x) { return x + 1; } float more(float x) { return x; }"
        self.assertEqual(printed(called, head=head), ["41"])

    def test_a_place_in_a_list_is_a_whole_number(self):
        for index in ('"x"', "1.5", "word"):
            report = check_program(source(f"a[{index}] = 1;", "", "int a[3]; String word;"), BOARD)
            self.assertEqual([f.rule for f in report.findings], ["refused-use"], index)

    def test_runs_of_one_program_touch_nothing_of_each_other(self):
        loop = "static int inside; inside++; here++; Serial.println(here + inside); delay(100);"
        report = check_program(source("pinMode(3, OUTPUT);", loop, "int here;"), BOARD)
        other: list[str] = []

        class Meanwhile(ScriptedPins):
            def pins_changed(self, machine: Running) -> None:
                other.append(report.run(ScriptedPins(), 0.35).serial)

        alone = report.run(ScriptedPins(), 0.35).serial
        self.assertEqual((report.run(Meanwhile(), 0.35).serial, set(other)), (alone, {alone}))


class PinsAndTimeTest(TestCase):
    def test_a_pin_that_is_no_output_is_written_into_its_pull_up(self):
        loop = "Serial.print(digitalRead(4)); digitalWrite(4, HIGH); Serial.print(digitalRead(4)); pinMode(4, OUTPUT); delay(400);"
        small = check_program(source("", loop), BOARD).run(ScriptedPins(), 0.3)
        self.assertEqual((small.serial, [what for _, _, what in small.events]), ("01", ["pull-up", "1"]))
        wide = check_program(source("", loop), WIDE).run(ScriptedPins(), 0.3)
        self.assertEqual((wide.serial, [what for _, _, what in wide.events]), ("00", ["1"]))

    def test_a_tone_ends_after_its_time_and_another_waits_for_it(self):
        result = run(
            "tone(8, 440, 100); tone(9, 500); delay(50); tone(9, 500); delay(200); tone(9, 600, 20); delay(50);"
        )
        self.assertEqual(
            [(round(ms), pin, what) for ms, pin, what in result.events],
            [(0, "D8", "tone:440"), (100, "D8", "tone:off"), (250, "D9", "tone:600"), (270, "D9", "tone:off")],
        )

    def test_events_are_the_changes_of_outputs(self):
        result = run(
            "pinMode(13, OUTPUT);",
            "digitalWrite(13, HIGH); delay(100); digitalWrite(13, LOW); delay(100);",
            seconds=0.35,
        )
        self.assertEqual(
            [(round(ms), pin, what) for ms, pin, what in result.events],
            [(0, "D13", "1"), (100, "D13", "0"), (200, "D13", "1"), (300, "D13", "0")],
        )

    def test_pwm_tones_and_pulses(self):
        pins = ScriptedPins(pulses={"D7": ([0.0], [1164.0])})
        result = run(
            "analogWrite(9, 128); tone(8, 440); delay(5); noTone(8); Serial.println(pulseIn(7, HIGH)); Serial.println(pulseIn(6, HIGH, 20000));",
            pins=pins,
        )
        self.assertEqual(
            [(pin, what) for _, pin, what in result.events], [("D9", "pwm:128"), ("D8", "tone:440"), ("D8", "tone:off")]
        )
        self.assertEqual([text for _, text in result.lines], ["1164", "0"])

    def test_inputs_follow_their_script_and_pull_ups(self):
        pins = ScriptedPins(values={"A0": ([0.0, 500.0], [2.5, 5.0]), "D2": ([0.0], [1.0])})
        loop = "Serial.println(analogRead(A0)); Serial.println(digitalRead(2)); Serial.println(digitalRead(3)); delay(600);"
        lines = [text for _, text in run("pinMode(3, INPUT_PULLUP);", loop, seconds=1.0, pins=pins).lines]
        self.assertEqual(lines, ["512", "1", "1", "1023", "1", "1"])

    def test_serial_blocks_at_the_baud_rate_on_the_twin(self):
        report = check_program(
            'void setup() { Serial.begin(300); } void loop() { Serial.println("0123456789"); }', BOARD
        )
        free, blocked = report.run(ScriptedPins(), 0.1), report.run(ScriptedPins(), 10.0, serial_blocks=True)
        self.assertGreater(len(free.lines), 1000)
        # 12 bytes of ten bits a line at 300 baud is 0.4 s; the 64-byte buffer lets a few lines ahead.
        self.assertAlmostEqual(len(blocked.lines), 25 + 64 / 12, delta=2)


class WaitingTest(TestCase):
    BLINK = """
    unsigned long last = 0; bool on = false;
    void setup() { Serial.begin(9600); pinMode(13, OUTPUT); }
    void loop() { if (millis() - last >= 250) { last = millis(); on = !on; digitalWrite(13, on); } }
    """

    def test_a_program_without_pause_is_skipped_ahead_without_changing_what_it_does(self):
        report = check_program(self.BLINK, BOARD)
        self.assertEqual([f.rule for f in report.findings], [])
        result = report.run(ScriptedPins(), 60)
        self.assertEqual((result.ended, len(result.events)), ("time", 239))
        self.assertEqual([round(ms) for ms, _, _ in result.events[:3]], [250, 500, 750])

    def test_passing_over_repeats_changes_no_result(self):
        """The same runs with every pass really done: all that shows is the same, to the microsecond."""
        pins = ScriptedPins(
            values={"A0": ([0.0, 40.0, 90.0, 91.5], [0.2, 2.0, 4.9, 0.1]), "D2": ([0.0, 33.3, 70.0], [0.0, 1.0, 0.0])}
        )
        head = "int hot = 0; unsigned long last = 0;"
        loops = [
            "int v = analogRead(A0); if (v > 300) digitalWrite(13, HIGH); else digitalWrite(13, LOW);",
            "if (digitalRead(2)) { hot++; digitalWrite(13, hot & 1); } else hot = 0;",
            "int v = analogRead(A0); if (millis() - last >= 7) { last = millis(); Serial.println(v); }",
            "static int seen = -1; int v = digitalRead(2); if (v != seen) { seen = v; Serial.println(millis()); }",
            "analogWrite(9, analogRead(A0) / 4); if (digitalRead(2) == HIGH) tone(8, 440); else noTone(8);",
            "bool on = digitalRead(2) && analogRead(A0) > 100; digitalWrite(13, on); delayMicroseconds(50);",
            "if (millis() - last >= 7 && digitalRead(2)) { last = millis(); Serial.println(last); }",
            "unsigned long now = millis(); if (now - last > 13) { last = now; hot = !hot; digitalWrite(13, hot); }",
            "unsigned long now = millis(); if (now >= last + 9) { last = now; Serial.println(now); } digitalWrite(12, analogRead(A0) > 500);",
            "if (last + 20 < millis()) last = millis(); digitalWrite(13, millis() - last < 5);",
            "while (millis() < 90 && digitalRead(2) == LOW) ; Serial.println(millis()); delay(11);",
            "static unsigned long next = 17; if (millis() > next) { next += 17; Serial.println(next); }",
            "unsigned long now = millis(); unsigned long gone = now - last; if (gone > 12) { last = now; Serial.println(gone); }",
            "if (millis() % 10 == 3) digitalWrite(13, HIGH); else digitalWrite(13, LOW);",
            "if (last > millis()) digitalWrite(13, HIGH); else { digitalWrite(13, LOW); if (digitalRead(2)) last = millis() + 15; }",
            "for (int i = 0; i < 3; i++) { if (millis() - last > 8) { last = millis(); Serial.println(i); } }",
        ]
        for loop in loops:
            with self.subTest(loop):
                report = check_program(source("pinMode(13, OUTPUT);", loop, head), BOARD)
                quick = report.run(pins, 0.12)
                with (
                    patch.object(Machine, "skip_repeats", lambda *_, **__: None),
                    patch.object(Machine, "clock_compared", lambda *_, **__: None),
                ):
                    slow = report.run(pins, 0.12)
                self.assertEqual((quick.serial, quick.events, quick.ended), (slow.serial, slow.events, slow.ended))

    def test_waiting_in_an_empty_loop(self):
        loop = "unsigned long start = millis(); while (millis() - start < 250) { } Serial.println(millis());"
        result = run("", loop, seconds=60)
        self.assertEqual(result.ended, "time")
        self.assertAlmostEqual(len(result.lines), 240, delta=1)


class BudgetTest(TestCase):
    def test_what_never_ends_is_ended(self):
        table = {
            "while (true) {}": "steps",
            "while (true) Serial.println(1);": "output",
            "for (;;) { int x = 1; }": "steps",
        }
        for loop, reason in table.items():
            report = check_program(f"void setup() {{ Serial.begin(9600); }}\nvoid loop() {{ {loop} }}", BOARD)
            self.assertEqual(report.run(ScriptedPins(), 60, budget=Budget(60_000, 20_000)).ended, reason, loop)
            self.assertIn("run-ended", [f.rule for f in report.findings], loop)

    def test_endless_recursion(self):
        report = check_program("int f(int x) { return f(x) + 1; }\nvoid setup() { f(1); }\nvoid loop() {}", BOARD)
        self.assertEqual(report.run(ScriptedPins(), 1).ended, "depth")


class DepthTest(TestCase):
    """However deep a text nests, reading it ends at once, and what we cannot follow is no fault of the program."""

    DEEP = 9000
    SHAPES = {
        "signs": "int a = " + "!" * DEEP + "1;",
        "brackets": "int a = " + "(" * DEEP + "1" + ")" * DEEP + ";",
        "a sum": "int a = " + "1+" * DEEP + "1;",
        "a sum with a macro": "#define M 1+2\nint a = " + "1+" * DEEP + "M;",
        "conditions": "int a = " + "1?1:" * DEEP + "1;",
        "casts": "int a = " + "(int)" * DEEP + "1;",
        "places": "int b[2]; int a = b" + "[0]" * DEEP + ";",
        "blocks": "void f() " + "{" * DEEP + "}" * DEEP,
        "branches": "void f(int x) { " + "if(x);else " * (DEEP // 2) + "; }",
    }
    PYTHON = {
        "signs": "x = " + "-" * DEEP + "1\n",
        "words": "x = " + "not " * DEEP + "1\n",
        "brackets": "x = " + "(" * DEEP + "1" + ")" * DEEP + "\n",
        "a sum": "x = " + "1+" * DEEP + "1\n",
        "blocks": "".join(" " * n + "if True:\n" for n in range(200)) + " " * 200 + "x = 1\n",
    }

    def test_what_is_too_deep_for_us_is_no_judgement(self):
        python = catalogue().boards["sbc-3v3"]
        programs = [(f"{text}\nvoid setup() {{}}\nvoid loop() {{}}\n", BOARD) for text in self.SHAPES.values()]
        for text, board in [*programs, *((text, python) for text in self.PYTHON.values())]:
            found = check_program(text, board).findings
            self.assertEqual([(f.rule, f.unchecked) for f in found], [("not-supported-yet", True)], text[:40])

    def test_depth_of_people_is_read(self):
        rulers = f'/* {"*" * 300} */\n// {"-" * 300}\nchar ruler[] = "{"+" * 300}";\n'
        self.assertTrue(check_program(f"{rulers}int a = {'(' * 40}1{')' * 40};\n" + source("", ""), BOARD).runnable)


class ScopeTest(TestCase):
    """What a name stands for is decided where it is written, not where what it belongs to is used."""

    HEAD = """
        int period = 400; int k = 5; int limit = 7;
        void blink(int ms = period / 2) { Serial.println(ms); }
        int f(int a = k * 2) { return a; }
        void one() { int q = 1; int r = q; int k = 3; Serial.println(f() + r); Serial.println(k); }
        struct Alarm { int pin; int above = limit + 3; int twice = above * 2; int over(int by = limit) { return above + by; } };
        struct Meter { int limit = 2; int doubled() { return limit * 2; } };
    """

    def test_default_values_and_fields_are_those_of_where_they_are_declared(self):
        setup = "int period = 10; int limit = 1; blink(); one(); Serial.println(f()); Alarm a; Meter m; "
        shown = (
            "Serial.println(a.above); Serial.println(a.twice); Serial.println(a.over()); Serial.println(m.doubled());"
        )
        seen = [text for _, text in run(setup + shown + " Serial.println(period + limit);", head=self.HEAD).lines]
        self.assertEqual(seen, ["200", "11", "3", "10", "10", "20", "17", "4", "11"])

    def test_a_variable_that_only_a_default_value_names_is_used(self):
        report = check_program(
            source("blink();", "", self.HEAD.replace("int limit = 7;", "int limit = 7; int idle = 1;")), BOARD
        )
        self.assertEqual([f.where.line for f in report.findings if f.rule == "value-unused" and "period" in f.seen], [])

    def test_a_default_value_is_compiled_even_where_no_call_needs_it(self):
        report = check_program(source("f(1);", "", "int f(int a = nothing) { return a; }"), BOARD)
        self.assertIn("name-undeclared", [f.rule for f in report.findings])


class OurErrorTest(TestCase):
    """An error of ours is logged and shown as "could not be checked"; it is never worded as the pair's program."""

    def test_an_error_of_ours_is_no_judgement(self):
        for broken in (
            "verifex.core.program.check.read_cpp",
            "verifex.core.program.runtime.machine.Machine.pass_begins",
        ):
            with (
                patch(broken, side_effect=IndexError),
                patch.dict("os.environ", {"VERIFEX_STRICT": "0"}),
                self.assertLogs("verifex.core.program", "ERROR"),
            ):
                report = check_program(source("", "Serial.println(1);"), BOARD)
            self.assertEqual([(f.rule, f.unchecked) for f in report.findings], [("not-checked", True)], broken)

    def test_where_tests_run_it_ends_the_test(self):
        with patch("verifex.core.program.check.read_cpp", side_effect=IndexError), self.assertRaises(IndexError):
            check_program(source("", ""), BOARD)
