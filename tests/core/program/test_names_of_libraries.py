"""Names that the languages, their libraries and the boards have: known, or reported as not supported yet, but never as a mistake."""

from unittest import TestCase

from verifex.core.parts import catalogue
from verifex.core.program import check_program
from verifex.core.program.checklist import before_it_runs

CPP, PYTHON = catalogue().boards["mcu-5v"], catalogue().boards["mcu-3v3-wireless"]

#: Expressions of the C library and of the dialect that any compiler for these boards takes.
OF_CPP = """
strchr(text, '-') | strrchr(text, '-') | strstr(text, "b") | strtok(text, "-") | strncat(text, other, 1) | strcasecmp(text, other)
memset(text, 0, 5) | memcpy(other, text, 3) | memmove(other, text, 3) | memcmp(text, other, 1) | strtol(text, NULL, 10)
isupper('A') | isxdigit('f') | isHexadecimalDigit('f') | isPrintable('a') | isWhitespace(' ') | toUpperCase('a') | toascii('a')
labs(big) | lround(f) | fmin(f, 1) | fmax(f, 1) | log2(f) | sinh(f) | tanh(f) | isinf(f) | isfinite(f) | square(f) | sqrtf(f) | powf(f, 2)
bitToggle(n, 1) | word(1, 2) | makeWord(1, 2) | M_PI | INT_MAX | UINT32_MAX | INT8_MIN | RAND_MAX | rand() | srand(3) | utoa(5, text, 10)
Serial.begin(9600, SERIAL_8N1) | String() | String("abc").startsWith("b", 1) | String(2.5, 1).toDouble() | SERIAL_7E2
Serial.availableForWrite() | Serial.write(bytes, 4) | Serial.readBytes(text, 3) | Serial.readBytesUntil('x', text, 3) | Serial.find("x")
"""
OF_BUSES = """
Wire.setClock(400000) | Wire.write(bytes, 4) | Wire.write("ab") | Wire.endTransmission(false) | Wire.requestFrom(0x3C, 2, true) | Wire.read()
EEPROM.update(0, 5) | EEPROM.put(0, n) | EEPROM.length() | SPI.setDataMode(SPI_MODE0) | SPI.setClockDivider(SPI_CLOCK_DIV4) | SPI.end()
"""
OF_CPP_NOT_YET = """
String("a").begin() | realloc(3) | bsearch | sscanf | strpbrk(text, "ab") | vsnprintf | strtod | exit(0) | strlcpy(text, other, 3) | modf | puts("a")
"""
OF_PYTHON = """
const(5) | machine.freq() | gc.collect() | gc.mem_free() | struct.pack("<h", 1) | struct.calcsize("<hf") | json.dumps([1]) | json.loads("[1]")
math.sinh(1) | math.frexp(8.0) | random.getrandbits(4) | sys.maxsize
"""
OF_PYTHON_NOT_YET = """
machine.UART(1) | machine.RTC() | machine.WDT() | machine.SPI(1) | machine.DAC(machine.Pin(25)) | machine.unique_id() | machine.idle()
machine.lightsleep(1) | machine.disable_irq() | binascii.hexlify(b"a") | hashlib.sha256(b"a") | select.poll()
hash(1) | bytes.fromhex("aa") | memoryview(b"a") | ascii(1) | frozenset([1])
"""


def listed(text: str) -> list[str]:
    return [one.strip() for line in text.strip().splitlines() for one in line.split("|")]


class NamesTest(TestCase):
    def cpp(self, statement: str, head: str = "") -> dict[str, str]:
        source = f"""{head}char text[20] = "a-b-12", other[20] = "b"; byte bytes[4]; float f = 2.5; int n = 3; long big = 7;
void setup() {{ Serial.begin(9600); Serial.println(n + f + big + bytes[0]); Serial.print(text); Serial.println(other); {statement}; }}
void loop() {{ delay(1000); }}
"""
        return {finding.rule: finding.seen for finding in check_program(source, CPP).findings}

    def python(self, expression: str) -> dict[str, str]:
        head = "import machine, gc, struct, json, math, random, sys, binascii, hashlib, select, time"
        source = f"{head}\nfrom micropython import const\nprint({expression})\nwhile True:\n    time.sleep(1)\n"
        return {finding.rule: finding.seen for finding in check_program(source, PYTHON).findings}

    def test_of_c_and_the_dialect_are_known(self):
        for expression in listed(OF_CPP):
            with self.subTest(expression):
                self.assertEqual(set(self.cpp(expression)) - {"without-effect", "hard-coded"}, set())

    def test_of_the_buses_are_known(self):
        head = "#include <Wire.h>\n#include <EEPROM.h>\n#include <SPI.h>\n"
        for expression in listed(OF_BUSES):
            with self.subTest(expression):
                self.assertEqual(self.cpp(f"Wire.begin(); SPI.begin(); {expression}", head), {})

    def test_of_c_that_are_not_supported_yet_are_told_as_such(self):
        for expression in listed(OF_CPP_NOT_YET):
            with self.subTest(expression):
                self.assertEqual(set(self.cpp(expression)) - {"without-effect"}, {"not-supported-yet"})

    def test_of_python_are_known(self):
        for expression in listed(OF_PYTHON):
            with self.subTest(expression):
                self.assertNotIn("not-supported-yet", found := self.python(expression))
                self.assertEqual([rule for rule in found if rule in ("ends-with-error", "name-undeclared")], [])

    def test_of_python_that_are_not_supported_yet_are_told_as_such(self):
        for expression in listed(OF_PYTHON_NOT_YET):
            with self.subTest(expression):
                found = self.python(expression)
                self.assertIn("not-supported-yet", found)
                self.assertEqual([rule for rule in found if rule in ("ends-with-error", "name-undeclared")], [])

    def test_that_no_library_has_are_still_told_as_declared_nowhere(self):
        for expression in ("swap(n, n)", "digitalToggel(3)", "strchar(text, 'a')", "memory(text)"):
            with self.subTest(expression):
                self.assertTrue({"name-undeclared", "name-miscased"} & set(self.cpp(expression)))
        for expression in ("undeclared(1)", "struct.packed(1)", "math.squareroot(2)"):
            with self.subTest(expression):
                self.assertTrue({"name-undeclared", "not-supported-yet"} & set(self.python(expression)))

    def test_a_value_where_an_array_is_wanted_is_refused(self):
        self.assertEqual(
            self.cpp("memset(n, 0, 2)"), {"refused-use": "Memset wants an array here, or where something lies."}
        )
        self.assertEqual(self.cpp("memset(&n, 0, sizeof n)"), {})

    def test_headers_of_the_compiler_are_no_libraries_to_install(self):
        source = "#include <string.h>\n#include <avr/pgmspace.h>\n#include <Wire.h>\n{}void setup() {{ Wire.begin(); }}\nvoid loop() {{ delay(1000); }}\n"
        for more, told in (("", []), ("#include <HiveScale.h>\n", ["HiveScale.h"])):
            report = check_program(source.format(more), CPP)
            said = [check.text for check in before_it_runs(CPP, report) if "libraries" in check.text]
            self.assertEqual(said, [f"The libraries the program names are installed: {name}." for name in told])

    def test_a_bus_wants_its_own_header_whatever_else_is_included(self):
        source = "#include <string.h>\nvoid setup() { Wire.begin(); }\nvoid loop() { delay(1000); }\n"
        self.assertIn("include-missing", {finding.rule for finding in check_program(source, CPP).findings})
