"""Our machine against real compiled code: arithmetic of every width, records, pointers, texts, control flow."""

from random import Random
from unittest import TestCase, skipUnless

from tests.compiled.grown import Grower, printed_by_us
from tests.compiled.idioms import IDIOMS
from tests.compiled.real import IS_THERE, MISSING, printed_by_real
from tests.compiled.shadowed import Shadower
from verifex.core.parts import catalogue

BOARD = catalogue().boards["mcu-5v"]
VARIABLES = {
    "int": [0, 1, -1, 200, -300, 32767, -32768],
    "unsigned int": [0, 1, 255, 40000, 65535],
    "long": [0, 3, -70000, 100000, 2147483647],
    "unsigned long": [0, 7, 3000000000],
    "byte": [0, 5, 255],
    "char": [0, 65, -3],
    "short": [12, -12],
    "bool": [0, 1],
}
NAMES = {kind: [f"v{n}_{k}" for k in range(len(values))] for n, (kind, values) in enumerate(VARIABLES.items())}
HEAD = "\n".join(
    f"volatile {kind} {name} = {value}{'UL' if kind == 'unsigned long' else 'L' if kind == 'long' else ''};"
    for kind, values in VARIABLES.items()
    for name, value in zip(NAMES[kind], values, strict=True)
)
FLOATS = "volatile float f0 = 0.1, f1 = -2.5, f2 = 123.5, f3 = 3.0e-3, f4 = 7.0;\n"


def integer(rng: Random, depth: int) -> str:
    """An expression of whole numbers: whatever students write, and more."""
    if depth == 0 or rng.random() < 0.15:
        if rng.random() < 0.25:
            return rng.choice(["1", "10", "1023", "5000", "1024L", "0x7F", "60000", "3U", "100000UL", "'a'"])
        return rng.choice(rng.choice(list(NAMES.values())))
    one, other = integer(rng, depth - 1), integer(rng, depth - 1)
    form = rng.choice(
        ["({a} + {b})", "({a} - {b})", "({a} * {b})", "({a} / ({b} | 1))", "({a} % ({b} | 1))", "({a} & {b})", "({a} | {b})",
         "({a} ^ {b})", "({a} << ({b} & 7))", "({a} >> ({b} & 7))", "({a} < {b})", "({a} == {b})", "({a} > {b} ? {a} : {b})",
         "(-{a})", "(~{a})", "(!{a})", "(byte)({a})", "(int)({a})", "(unsigned int)({a})", "(long)({a})", "({a} && {b})"]
    )  # fmt: skip
    return form.format(a=one, b=other)


def floating(rng: Random, depth: int) -> str:
    if depth == 0:
        return rng.choice(["f0", "f1", "f2", "f3", "f4", "v0_3", "v2_1", "2", "0.5", "100.0"])
    one, other = floating(rng, depth - 1), floating(rng, depth - 1)
    return rng.choice(["({a} + {b})", "({a} - {b})", "({a} * {b})", "({a} / (fabs({b}) + 1))"]).format(a=one, b=other)


def program(lines: list[str], head: str = "") -> str:
    return f"{head}\nvoid setup() {{\n  Serial.begin(9600);\n" + "\n".join(lines) + "\n}\nvoid loop() { }\n"


@skipUnless(IS_THERE, MISSING)
class RealCompilerTest(TestCase):
    def test_whole_numbers_of_every_width(self):
        for seed in range(6):
            rng = Random(seed)
            said = [integer(rng, 3) for _ in range(120)]
            source = program([f"Serial.println((long)({e}));" for e in said], HEAD)
            for expression, real, ours in zip(said, printed_by_real(source), printed_by_us(source), strict=True):
                self.assertEqual(ours, real, expression)

    def test_floats_of_32_bits(self):
        for seed in range(4):
            rng = Random(seed)
            said = [floating(rng, 2) for _ in range(100)]
            source = program([f"Serial.println((long)(({e}) * 100.0));" for e in said], HEAD + "\n" + FLOATS)
            for expression, real, ours in zip(said, printed_by_real(source), printed_by_us(source), strict=True):
                # The chip's own routines round the last bit now and then another way.
                self.assertLessEqual(abs(int(ours) - int(real)), 1 + abs(int(real)) * 3e-7, expression)

    def test_programs_grown_from_the_grammar(self):
        """A sample; `make corpus` runs three hundred."""
        for seed in range(1000, 1006):
            grower = Grower(seed)
            source = grower.program()
            self.assertEqual(printed_by_us(source), printed_by_real(source), (seed, grower.constructs))

    def test_one_name_for_many_things(self):
        """A sample; `make corpus` runs five hundred."""
        for seed in range(2000, 2020):
            source = Shadower(seed).program()
            if len(ours := printed_by_us(source)) < 100:  # the simulated chip prints a letter a millisecond
                self.assertEqual(ours, printed_by_real(source), seed)

    def test_programs_as_students_grow_them(self):
        for name, source in {**PROGRAMS, **IDIOMS}.items():
            with self.subTest(name):
                self.assertEqual(printed_by_us(source), printed_by_real(source))


PROGRAMS = {
    "records and pointers": program(
        ["Hive h = {3, 34.5, {1, 2, 3}}; Hive copy = h; copy.count = 9; warm(h); warmBy(&h, 2.5);",
         "Serial.println(h.count); Serial.println(h.heat, 1); Serial.println(copy.count); Serial.println(sumOf(h.marks, 3));",
         "int a[4] = {4, 3, 2, 1}; int *p = a; p++; *p = 30; *(p + 1) += 5; Serial.println(a[1]); Serial.println(a[2]);",
         "Serial.println((int)(p - a)); swap(a[0], a[3]); Serial.println(a[0]); Serial.println(a[3]);",
         "Hive row[2] = {{1, 1.5, {0}}, {2, 2.5, {7, 8, 9}}}; row[1].marks[2]++; Serial.println(row[1].marks[2]);",
         "Hive *q = &row[1]; q->count *= 4; Serial.println(row[1].count); Serial.println((int)sizeof(a));"],
        """struct Hive { int count; float heat; int marks[3]; };
        void warm(Hive h) { h.heat += 100; }
        void warmBy(Hive *h, float by) { h->heat += by; (*h).count++; }
        int sumOf(int *v, int n) { int s = 0; for (int i = 0; i < n; i++) s += v[i]; return s; }
        void swap(int &a, int &b) { int t = a; a = b; b = t; }""",
    ),
    "texts": program(
        ['char name[12] = "hive"; strcat(name, "-7"); Serial.println(name); Serial.println((int)strlen(name));',
         'char line[40]; sprintf(line, "%03d|%-4s|%x|%u|%c|%ld", -5, "ab", 255, 40000U, 65, 123456L); Serial.println(line);',
         'dtostrf(3.14159, 8, 3, line); Serial.println(line); itoa(-77, line, 10); Serial.println(line); itoa(10, line, 2); Serial.println(line);',
         'Serial.println(atoi("42x")); Serial.println(strcmp("a", "b") < 0); for (char *c = name; *c > 64; c++) *c -= 32; Serial.println(name);',
         'const char *days[] = {"mon", "tue"}; Serial.println(days[1]); name[2] = 0; Serial.println(name); Serial.println(name[0]);'],
    ),
    "64 bits": program(
        ["long long a = 5000000000LL; uint64_t b = 1; b <<= 40; int64_t c = -7; unsigned long long d = 0; d--;",
         "Serial.println((long)(a / 1000)); Serial.println((long)(b >> 30)); Serial.println((long)(c * a / 1000000)); Serial.println((long)(d >> 33));",
         "Serial.println((long)(a % 7)); Serial.println((int)sizeof(a)); Serial.println(c < 0); Serial.println(a > 4000000000UL); Serial.println((long)(3000000000 / 3));",
         "long e = 2000000000L; Serial.println((long)((long long)e * 4 / 8)); Serial.println((long)(a * 0.0005)); Serial.println((unsigned long)a);"],
    ),
    "flow": program(
        ["for (int i = 0, j = 10; i < j; i += 3, j--) { if (i == 3) continue; Serial.println(i * 100 + j); }",
         "int grid[2][3] = {{1, 2, 3}, {4, 5, 6}}; int s = 0; for (auto_ i = 0; i < 2; i++) for (int k = 0; k < 3; k++) s += grid[i][k] * (k + 1); Serial.println(s);".replace("auto_", "int"),
         "switch (s % 4) { case 0: Serial.println(0); case 1: Serial.println(1); break; case 2: { int z = 5; Serial.println(z); } default: Serial.println(9); }",
         "for (int v : grid[1]) Serial.println(v); do { s -= 20; } while (s > 0); Serial.println(s);",
         "Serial.println(twice(4)); Serial.println(twice(1.25), 3); Serial.println(add(1)); Serial.println(add(1, 5)); Serial.println((int)mode + BOTH);",
         "Serial.println(next()); Serial.println(next()); unsigned char b = 250; b += 10; Serial.println(b); Serial.println(SQUARE(3 + 1)); Serial.println(AREA(2, 5));",
         "long big = 100000; Serial.println(big * 20); Serial.println(map(512, 0, 1023, 0, 100)); byte flags = 0; bitSet(flags, 3); Serial.println(flags); Serial.println(bitRead(flags, 3));"],
        """enum Mode { OFF, HEAT = 4, BOTH }; Mode mode = HEAT;
        #define SQUARE(x) ((x) * (x))
        #define AREA(w, h) (SQUARE(w) + (h))
        int twice(int x) { return x * 2; }
        float twice(float x) { return x * 2; }
        float twice(double x) { return x * 2; }
        int add(int a, int b = 10) { return a + b; }
        int next() { static int n = 5; return n++; }""",
    ),
}  # fmt: skip
