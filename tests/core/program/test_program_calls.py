"""Calls of C++ programs besides arithmetic and pins: texts, C strings, bytes kept over a reset, shifted bits, the line both ways,
functions that a changing pin calls."""

from unittest import TestCase

from hypothesis import given, settings
from hypothesis import strategies as st

from tests.core.program.test_program_language import BOARD, printed, run, source
from verifex.core.program import RunResult, ScriptedPins, check_program

WORDS = 'String t = "Brood box 21.5"; String e = ""; char c[20] = "abc"; char d[20];'


def typed(text: str, loop: str, *, head: str = "", at_ms: float = 1.0, seconds: float = 2.0) -> list[str]:
    """What a program prints after somebody typed this at the other end."""
    result = run("", loop, head, seconds, ScriptedPins(typed=[(at_ms, text)]))
    return [line for _, line in result.lines]


def faults_of(setup: str, head: str = "") -> set[str]:
    return {name for name, _ in run(setup, head=head).runtime_faults}


class StringClassTest(TestCase):
    def test_what_is_asked_of_a_text(self):
        table = {
            "t.length()": "14", "e.length()": "0", "t.charAt(0)": "B", "t[6]": "b", "t.charAt(99) == 0": "1", "t.indexOf('o')": "2",
            "t.indexOf('o', 4)": "7", 't.indexOf("box")': "6", "t.indexOf('z')": "-1", "t.lastIndexOf('o')": "7",
            "t.substring(10)": "21.5", "t.substring(0, 5)": "Brood", "t.substring(5, 0)": "Brood", "t.substring(99)": "",
            "t.substring(10, 99)": "21.5", "t.substring(10).toFloat()": "21.50", 'String("42 C").toInt()': "42", 'String("C").toInt()': "0",
            't.startsWith("Bro")': "1", 't.endsWith("21.5")': "1", 't.equals("x")': "0", 't == "Brood box 21.5"': "1", 't != "x"': "1",
            'String("ON").equalsIgnoreCase("on")': "1", 'String("b").compareTo("a") > 0': "1", "e.isEmpty()": "1", 'e == ""': "1",
        }  # fmt: skip
        self.assertEqual(printed(*table, head=WORDS), list(table.values()))

    def test_texts_are_made_of_numbers_and_put_together(self):
        table = {
            "String(21.456)": "21.46", "String(21.456, 1)": "21.5", "String(255, HEX)": "ff", "String(5, BIN)": "101", "String(-1, HEX)": "ffff", "String(-1L, HEX)": "ffffffff", "String(-42)": "-42", "String('x')": "x",
            "String(42) + \" C\"": "42 C", 'String("a") + 1 + 2': "a12", "\"t=\" + String(7)": "t=7", 'String("a") + \'b\'': "ab",
            'String("x") + 1.5': "x1.50",
        }  # fmt: skip
        self.assertEqual(printed(*table), list(table.values()))

    def test_what_changes_a_text_where_it_is(self):
        steps = {
            "t.toUpperCase();": "BROOD BOX 21.5", "t.toLowerCase();": "brood box 21.5", 't.replace("o", "0");': "Br00d b0x 21.5",
            "t.remove(5);": "Brood", "t.remove(0, 6);": "box 21.5", "t.setCharAt(0, 'b');": "brood box 21.5", 't += " C";': "Brood box 21.5 C",
            "t.concat(7);": "Brood box 21.57", 't = "  " + t + " "; t.trim();': "Brood box 21.5", "t.setCharAt(99, 'x');": "Brood box 21.5",
        }  # fmt: skip
        for step, after in steps.items():
            with self.subTest(step):
                self.assertEqual([x for _, x in run(f"{step} Serial.println(t);", head=WORDS).lines], [after])

    @settings(max_examples=40, deadline=None)
    @given(st.text("abc1 .", max_size=12), st.integers(0, 14), st.integers(0, 14))
    def test_a_piece_of_a_text_lies_between_its_ends_whichever_comes_first(self, text: str, one: int, other: int):
        found = printed(f't.substring({one}, {other}) + "|"', head=f'String t = "{text}";')
        low, high = sorted((one, other))
        self.assertEqual(found, [text[low:high] + "|"])


class CharactersTest(TestCase):
    def test_c_strings_are_copied_joined_compared_and_read_as_numbers(self):
        table = {
            "strlen(c)": "3", 'strcmp(c, "abc")': "0", 'strcmp(c, "abd") < 0': "1", 'strncmp(c, "abz", 2)': "0", 'strcpy(d, "hive")': "hive",
            'strcat(strcpy(d, "a"), c)': "aabc", 'atoi("42x")': "42", 'atoi("x")': "0", 'atol("100000")': "100000", 'atof("2.5 C")': "2.50",
            "itoa(-42, d, 10)": "-42", "itoa(255, d, 16)": "ff", "itoa(-1, d, 2)": "1111111111111111", "ltoa(100000L, d, 10)": "100000",
            "utoa(40000, d, 10)": "40000", "dtostrf(21.456, 6, 1, d)": "  21.5", "dtostrf(21.456, -6, 1, d)": "21.5  ",
            "(char)toupper('a')": "A", "(char)tolower('Q')": "q", "isDigit('7')": "1", "isDigit('x')": "0", "isAlpha('x')": "1",
            "isSpace(' ')": "1", "isPunct(';')": "1", "isUpperCase('A')": "1",
        }  # fmt: skip
        self.assertEqual(printed(*table, head=WORDS), list(table.values()))

    def test_a_pattern_is_filled_as_the_small_boards_fill_it(self):
        patterns = {
            '"%d C", 21': "21 C", '"%4d|", 7': "   7|", '"%-4d|", 7': "7   |", '"%04d", 7': "0007", '"%+d", 5': "+5", '"%x %X", 255, 255': "ff FF",
            '"%c%c", 65, 66': "AB", '"%s=%d", "n", 3': "n=3", '"%5s|", "ab"': "   ab|", '"%u", 40000': "40000", '"%ld", 100000L': "100000",
            '"%%"': "%", '"%.2f", 2.5': "?",
        }  # fmt: skip
        for pattern, said in patterns.items():
            with self.subTest(pattern):
                lines = run(f"sprintf(c, {pattern}); Serial.println(c);", head=WORDS).lines
                self.assertEqual([text for _, text in lines], [said])

    def test_what_does_not_fit_is_cut_or_told(self):
        cut = run('Serial.println(snprintf(s, 5, "%s", "thermometer")); Serial.println(s);', head="char s[5];")
        self.assertEqual([text for _, text in cut.lines], ["11", "ther"])
        self.assertEqual({name for name, _ in cut.runtime_faults}, set())
        self.assertIn("outside-array", faults_of('strcpy(s, "thermometer");', "char s[5];"))
        self.assertIn("outside-array", faults_of('strcat(s, "abc");', 'char s[4] = "ab";'))


class KeptBytesTest(TestCase):
    HEAD = "#include <EEPROM.h>\nfloat f = 21.5; float g; long n = -70000; long k; int i = 7; byte b = 200;"

    def lines(self, setup: str) -> list[str]:
        return [text for _, text in run(setup, head=self.HEAD).lines]

    def test_a_fresh_store_holds_255_and_gives_back_what_is_put(self):
        self.assertEqual(
            self.lines("Serial.println(EEPROM.read(0)); Serial.println(EEPROM.length());"), ["255", "1024"]
        )
        self.assertEqual(self.lines("EEPROM.write(3, 300); Serial.println(EEPROM.read(3));"), ["44"])
        self.assertEqual(self.lines("EEPROM.put(0, f); EEPROM.get(0, g); Serial.println(g);"), ["21.50"])
        self.assertEqual(self.lines("EEPROM.put(8, n); EEPROM.get(8, k); Serial.println(k);"), ["-70000"])

    def test_a_record_is_kept_part_by_part(self):
        said = self.lines(
            "struct Cfg { uint16_t magic; float limit; byte list[2]; } cfg; EEPROM.get(0, cfg); Serial.println(cfg.magic, HEX);"
            "cfg.magic = 0xBEE5; cfg.limit = 33.5; cfg.list[1] = 7; EEPROM.put(0, cfg); cfg.limit = 0; cfg.list[1] = 0;"
            "EEPROM.get(0, cfg); Serial.println(cfg.limit); Serial.println(cfg.list[1]); Serial.println(EEPROM.read(0));"
        )
        self.assertEqual(said, ["FFFF", "33.50", "7", "229"])

    def test_a_value_takes_as_many_bytes_as_its_kind(self):
        said = self.lines(
            "EEPROM.put(0, i); EEPROM.put(2, b); for (int a = 0; a < 4; a++) Serial.println(EEPROM.read(a));"
        )
        self.assertEqual(said, ["7", "0", "200", "255"])

    def test_writing_takes_its_time_and_updating_the_same_takes_none(self):
        def took(act: str) -> int:
            return int(
                self.lines(f"EEPROM.write(0, 5); unsigned long t = micros(); {act} Serial.println(micros() - t);")[0]
            )

        self.assertGreater(took("EEPROM.write(0, 5);"), 3000)
        self.assertLess(took("EEPROM.update(0, 5);"), 500)

    def test_an_address_beyond_it_is_told(self):
        for act in ("EEPROM.write(1024, 1);", "EEPROM.read(-1);"):
            self.assertEqual(faults_of(act, self.HEAD), {"outside-array"}, act)


class ShiftedBitsTest(TestCase):
    def clocked(self, order: str, value: int) -> list[int]:
        """The data pin's level at each rise of the clock."""
        result = run(f"pinMode(8, OUTPUT); pinMode(9, OUTPUT); shiftOut(8, 9, {order}, {value});")
        data, seen = 0, []
        for _, pin, level in result.events:
            if pin == "D8":
                data = int(level)
            elif pin == "D9" and level == "1":
                seen.append(data)
        return seen

    def test_eight_bits_go_out_from_the_end_that_is_named(self):
        self.assertEqual(self.clocked("MSBFIRST", 0b10110001), [1, 0, 1, 1, 0, 0, 0, 1])
        self.assertEqual(self.clocked("LSBFIRST", 0b10110001), [1, 0, 0, 0, 1, 1, 0, 1])

    def test_eight_bits_come_in(self):
        high = ScriptedPins({"D7": ([0.0], [5.0])})
        result = run("pinMode(7, INPUT); pinMode(9, OUTPUT); Serial.println(shiftIn(7, 9, MSBFIRST));", pins=high)
        self.assertEqual([text for _, text in result.lines], ["255"])
        self.assertEqual(sum(1 for _, pin, level in result.events if (pin, level) == ("D9", "1")), 8)

    def test_bits_of_a_number_are_read_set_and_made(self):
        table = {
            "bitRead(10, 1)": "1", "bitRead(10, 0)": "0", "bit(4)": "16", "lowByte(0x1234)": "52", "highByte(0x1234)": "18",
        }  # fmt: skip
        self.assertEqual(printed(*table), list(table.values()))
        lines = run(
            "bitSet(v, 3); Serial.println(v); bitClear(v, 3); bitWrite(v, 0, 1); Serial.println(v);", head="byte v = 0;"
        ).lines
        self.assertEqual([text for _, text in lines], ["8", "1"])


class TypedTest(TestCase):
    """What comes in on the line, letter by letter and in pieces."""

    def test_letters_are_there_once_they_came_and_each_is_read_once(self):
        loop = "while (Serial.available()) { Serial.println((char)Serial.read()); } delay(50);"
        self.assertEqual(typed("on", loop), ["o", "n"])
        self.assertEqual(
            typed("", "Serial.println(Serial.read()); Serial.println(Serial.peek()); delay(1500);"), ["-1"] * 4
        )

    def test_a_line_is_read_up_to_its_end_or_until_nothing_more_comes(self):
        loop = "if (Serial.available()) { String s = Serial.readStringUntil('\\n'); s.trim(); Serial.println(s); }"
        self.assertEqual(typed("low 18\nhigh 26\n", loop), ["low 18", "high 26"])
        self.assertEqual(typed("no end", loop, seconds=3), ["no end"])

    def test_numbers_are_found_in_what_is_typed(self):
        loop = "if (Serial.available()) { Serial.println(Serial.parseInt()); Serial.println(Serial.parseFloat()); while (Serial.available()) Serial.read(); }"
        self.assertEqual(typed("set -12, 21.5 C\n", loop, seconds=4)[:2], ["-12", "21.50"])

    def test_the_time_out_is_as_long_as_it_is_set(self):
        def waited(setting: str) -> float:
            result = run(setting, "Serial.readStringUntil('x'); Serial.println(millis()); delay(10000);", seconds=4)
            return float(result.lines[0][1])

        self.assertAlmostEqual(waited(""), 1000, delta=20)
        self.assertAlmostEqual(waited("Serial.setTimeout(200);"), 200, delta=20)

    def test_bytes_and_texts_are_written_as_they_are(self):
        self.assertEqual(run('Serial.write(65); Serial.write("bc"); Serial.println();').serial.splitlines(), ["Abc"])
        self.assertEqual(run("Serial.print('A'); Serial.print(65); Serial.print(65, HEX); Serial.println(65, BIN);").serial.splitlines(),
                         ["A65411000001"])  # fmt: skip


class InterruptsTest(TestCase):
    HEAD = "volatile int n = 0; void up() { n++; } void down() { n--; }"
    PULSES = ScriptedPins({"D2": ([0.0, 100.0, 200.0, 300.0, 400.0], [0.0, 5.0, 0.0, 5.0, 0.0])})

    def counted(self, setup: str, loop: str = "delay(600); Serial.println(n); delay(5000);") -> RunResult:
        report = check_program(source(f"pinMode(2, INPUT); {setup}", loop, self.HEAD), BOARD)
        self.assertTrue(report.runnable, [f.seen for f in report.findings])
        return report.run(self.PULSES, 1.0)

    def test_each_kind_of_change_calls_as_often_as_it_comes(self):
        for mode, count in (("RISING", "2"), ("FALLING", "2"), ("CHANGE", "4")):
            result = self.counted(f"attachInterrupt(digitalPinToInterrupt(2), up, {mode});")
            self.assertEqual([text for _, text in result.lines], [count], mode)

    def test_another_function_takes_the_place_of_the_first_and_none_is_called_once_detached(self):
        attach = "attachInterrupt(digitalPinToInterrupt(2), up, RISING);"
        self.assertEqual(self.counted(f"{attach} {attach.replace(', up', ', down')}").lines[0][1], "-2")
        self.assertEqual(self.counted(f"{attach} detachInterrupt(digitalPinToInterrupt(2));").lines[0][1], "0")

    def test_calls_that_are_held_back_come_once_when_they_are_let_through(self):
        result = self.counted(
            "attachInterrupt(digitalPinToInterrupt(2), up, RISING);",
            "noInterrupts(); for (int i = 0; i < 25; i++) delayMicroseconds(14000); interrupts(); Serial.println(n); delay(5000);",
        )
        self.assertEqual(result.lines[0][1], "1")

    def test_a_pin_that_cannot_call_is_told(self):
        result = self.counted("attachInterrupt(digitalPinToInterrupt(7), up, RISING);")
        self.assertIn("no-interrupt", {name for name, _ in result.runtime_faults})
