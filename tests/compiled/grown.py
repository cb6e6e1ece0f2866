"""Whole programs grown from a grammar: each statement changes some state and prints it, so that the two runs can be compared line by line.

What the language leaves open is left out: the order in which arguments are worked out, shifts as wide as the type, division by zero, a
name that is changed twice in one expression.
"""

from collections.abc import Callable
from random import Random

from verifex.core.parts import catalogue
from verifex.core.program import ScriptedPins, check_program

HEAD = """
struct Cell { int n; long wide; byte k[3]; };
struct Pair { Cell one; Cell other; };
#define BIGGER(x, y) ((x) > (y) ? (x) : (y))
#define TWICE(x) x + x
#define STEPPED(v) (v)++ , (v) * 2
int ga = 7; long gl = 70000; byte gb = 250; unsigned int gu = 40000; char gc = 'q';
int list[6] = {5, -4, 3, 200, -1, 9};
byte table[2][4] = {{1, 2, 3, 4}, {250, 6, 7, 8}};
Cell row[3] = {{1, 100, {1, 2, 3}}, {2, 200, {4, 5, 6}}, {3, 300, {7, 8, 9}}};
int calls = 0;
int kind(int x) { return 1; }
int kind(long x) { return 2; }
int kind(byte x) { return 3; }
int kind(float x) { return 4; }
int counted(int x) { static int inside = 3; inside += x; calls++; return inside; }
void raise_(int &x, int by) { x += by; calls++; }
void widen(Cell *c, long by) { c->wide += by; c->k[1]++; }
Cell moved(Cell c) { c.n = -c.n; c.k[0] = 99; return c; }
int following() { calls++; return calls % 6; }
long total(const int *v, int n) { long s = 0; while (n-- > 0) s += *v++; return s; }
int depth(int n) { return n <= 0 ? 0 : 1 + depth(n - 2); }
"""
BOARD = catalogue().boards["mcu-5v"]
NAMES = {"ga": "int", "gl": "long", "gb": "byte", "gu": "unsigned int", "gc": "char"}
Grow = Callable[["Grower"], list[str]]


class Grower:
    """Grows one program from a seed."""

    def __init__(self, seed: int) -> None:
        self.rng = Random(seed)
        self.constructs: list[str] = []
        self.count = 0

    def fresh(self) -> str:
        self.count += 1
        return f"v{self.count}"

    def number(self) -> str:
        return self.rng.choice(
            [
                "0",
                "1",
                "2",
                "3",
                "-1",
                "-7",
                "10",
                "100",
                "255",
                "256",
                "1000",
                "-300",
                "32767",
                "70000L",
                "0x1F",
                "'a'",
                "40000U",
            ]
        )

    def whole(self, depth: int = 2) -> str:
        """An expression of whole numbers that changes nothing."""
        rng = self.rng
        if depth == 0 or rng.random() < 0.2:
            return rng.choice(
                [
                    self.number(),
                    *NAMES,
                    f"list[{rng.randrange(6)}]",
                    f"row[{rng.randrange(3)}].n",
                    f"table[{rng.randrange(2)}][{rng.randrange(4)}]",
                    f"row[{rng.randrange(3)}].k[{rng.randrange(3)}]",
                ]
            )
        a, b = self.whole(depth - 1), self.whole(depth - 1)
        form = rng.choice(["({a} + {b})", "({a} - {b})", "({a} * {b})", "({a} / ({b} | 1))", "({a} % ({b} | 1))", "({a} & {b})", "({a} | {b})", "({a} ^ {b})",
                           "({a} << ({b} & 3))", "({a} >> ({b} & 3))", "({a} < {b})", "({a} == {b})", "({a} > {b} ? {a} : {b})", "(- {a})", "(~{a})", "(!{a})",
                           "(byte)({a})", "(int)({a})", "(long)({a})", "({a} && {b})", "BIGGER({a}, {b})", "abs((int)({a}))"])  # fmt: skip
        return form.format(a=a, b=b)

    def place(self) -> str:
        """Something that can be given a value; what finds it may itself change something."""
        rng = self.rng
        return rng.choice(
            [
                *NAMES,
                f"list[{rng.randrange(6)}]",
                f"row[{rng.randrange(3)}].n",
                f"row[{rng.randrange(3)}].wide",
                f"row[{rng.randrange(3)}].k[{rng.randrange(3)}]",
                f"table[{rng.randrange(2)}][{rng.randrange(4)}]",
            ]
        )

    def program(self, statements: int = 22) -> str:
        lines: list[str] = []
        for _ in range(statements):
            name = self.rng.choice(list(KINDS))
            self.constructs.append(name)
            lines += KINDS[name](self)
        state = [
            "ga",
            "gl",
            "gu",
            "calls",
            *(f"list[{i}]" for i in range(6)),
            *(f"row[{i}].n" for i in range(3)),
            "row[1].wide",
            "row[2].k[1]",
            "table[1][0]",
        ]
        lines += [f"Serial.println((long)({name}));" for name in [*state, "gb", "gc"]]
        body = "\n".join(f"  {line}" for line in lines)
        return f"{HEAD}\nvoid setup() {{\n  Serial.begin(9600);\n{body}\n}}\nvoid loop() {{ }}\n"


def shown(expression: str) -> str:
    return f"Serial.println((long)({expression}));"


def arithmetic(g: Grower) -> list[str]:
    return [shown(g.whole(3))]


def assigned(g: Grower) -> list[str]:
    place = g.place()
    return [f"{place} = {g.whole()};", shown(place)]


def compound(g: Grower) -> list[str]:
    place, op = g.place(), g.rng.choice(["+=", "-=", "*=", "&=", "|=", "^="])
    return [f"{place} {op} {g.whole()};", shown(place)]


def shifted(g: Grower) -> list[str]:
    place = g.place()
    return [f"{place} {g.rng.choice(['<<=', '>>='])} {g.rng.randrange(5)};", shown(place)]


def divided(g: Grower) -> list[str]:
    place = g.place()
    return [f"{place} {g.rng.choice(['/=', '%='])} ({g.whole(1)} | 1);", shown(place)]


def stepped(g: Grower) -> list[str]:
    place, op = g.place(), g.rng.choice(["++", "--"])
    return [shown(g.rng.choice([f"{place}{op}", f"{op}{place}"])), shown(place)]


def found_by_a_step(g: Grower) -> list[str]:
    i, op = g.fresh(), g.rng.choice(["+=", "=", "-=", "^="])
    return [
        f"int {i} = {g.rng.randrange(4)};",
        f"list[{i}++] {op} {g.number()};",
        f"row[{i} % 3].k[{i} & 1]++;",
        shown(i),
        shown(f"list[{i} - 1]"),
    ]


def found_by_a_call(g: Grower) -> list[str]:
    return [
        f"list[following()] {g.rng.choice(['+=', '='])} {g.number()};",
        "list[following()]++;",
        "row[following() % 3].k[1]--;",
        shown("calls"),
    ]


def pointed(g: Grower) -> list[str]:
    p, at = g.fresh(), g.rng.randrange(1, 4)
    act = g.rng.choice(
        [f"*{p} += 3;", f"{p}[1] -= 5;", f"*({p} + 2) = 77;", f"*{p}++ = 8;", f"*++{p} *= 2;", f"(*{p})--;"]
    )
    return [f"int *{p} = list + {at};", act, shown(f"*{p}"), shown(f"{p} - list"), shown(f"{p}[-1]")]


def copied(g: Grower) -> list[str]:
    c, at = g.fresh(), g.rng.randrange(3)
    return [f"Cell {c} = row[{at}];", f"{c}.k[2] = {g.number()};", f"{c}.wide -= {g.whole(1)};", f"row[{(at + 1) % 3}] = {c};",
            shown(f"row[{(at + 1) % 3}].k[2]"), shown(f"{c}.wide"), shown(f"row[{at}].k[2]")]  # fmt: skip


def nested_records(g: Grower) -> list[str]:
    p = g.fresh()
    return [f"Pair {p} = {{row[0], row[2]}};", f"{p}.one.k[0]++;", f"{p}.other = moved({p}.one);", f"widen(&{p}.one, {g.number()});",
            shown(f"{p}.one.k[0]"), shown(f"{p}.other.n"), shown(f"{p}.one.wide"), shown(f"{p}.other.k[0]")]  # fmt: skip


def branches(g: Grower) -> list[str]:
    return [
        f"if ({g.whole(1)} > {g.whole(1)}) {{ ga += 2; }} else if ({g.whole(1)}) ga -= 3; else {{ gl ^= 5; }}",
        shown("ga"),
        shown("gl"),
    ]


def switched(g: Grower) -> list[str]:
    ends = [" break;" if g.rng.random() < 0.5 else "" for _ in range(3)]
    return [f"switch ({g.whole(1)} & 3) {{ case 0: ga++;{ends[0]} case 1: gl += 2;{ends[1]} default: gb--;{ends[2]} case 3: gu += 7; }}",
            shown("ga"), shown("gl"), shown("gb"), shown("gu")]  # fmt: skip


def looped(g: Grower) -> list[str]:
    i, s = g.fresh(), g.fresh()
    skip, stop = g.rng.randrange(3), g.rng.randrange(4, 7)
    return [
        f"long {s} = 0;",
        f"for (int {i} = 0; {i} < 9; {i} += {g.rng.randrange(1, 3)}) {{ if ({i} == {skip}) continue; if ({i} > {stop}) break; {s} += {i} * {g.number()}; }}",
        shown(s),
    ]


def looped_otherwise(g: Grower) -> list[str]:
    n = g.fresh()
    return [
        f"byte {n} = {g.rng.randrange(1, 6)};",
        f"do {{ ga ^= {n}; }} while (--{n});",
        shown(n),
        shown("ga"),
        f"while ({n}++ < 3) gl += {n};",
        shown("gl"),
        shown(n),
    ]


def statics(g: Grower) -> list[str]:
    return [shown(f"counted({g.rng.randrange(-3, 9)})"), shown("calls")]


def references(g: Grower) -> list[str]:
    r, at = g.fresh(), g.rng.randrange(6)
    return [
        f"int &{r} = list[{at}];",
        f"{r} += {g.number()};",
        f"raise_({r}, {g.rng.randrange(9)});",
        shown(f"list[{at}]"),
        shown(r),
    ]


def overloads(g: Grower) -> list[str]:
    return [
        shown(
            f"kind({g.rng.choice(['ga', 'gl', 'gb', '1.5f', '70000L', '(byte)3', 'list[1]', 'row[0].wide', 'ga + gl'])})"
        )
    ]


def macros(g: Grower) -> list[str]:
    i = g.fresh()
    return [
        f"int {i} = {g.rng.randrange(5)};",
        shown(f"BIGGER({i}++, {g.rng.randrange(5)})"),
        shown(i),
        shown(f"TWICE({i}) * 3"),
        shown(f"(STEPPED({i}))"),
        shown(i),
    ]


def chosen(g: Grower) -> list[str]:
    return [
        shown(f"{g.whole(1)} ? {g.whole(1)} : {g.whole(1)}"),
        f"ga = {g.whole(1)} > 3 ? list[0] : -list[1];",
        shown("ga"),
    ]


def texts(g: Grower) -> list[str]:
    t = g.fresh()
    word = g.rng.choice(["hive", "a", "bees", ""])
    return [f"char {t}[16] = \"{word}\";", f"strcat({t}, \"-{g.rng.randrange(99)}\");", f"{t}[0] ^= 1;", shown(f"strlen({t})"), shown(f"{t}[{g.rng.randrange(3)}]"), shown(f"strcmp({t}, \"bees\") > 0"),
            f"itoa({g.rng.choice(['ga', '-77', '255'])}, {t}, {g.rng.choice([2, 10, 16])});", f"Serial.println({t});"]  # fmt: skip


def called(g: Grower) -> list[str]:
    n = g.rng.randrange(1, 6)
    return [
        shown(f"total(list, {n})"),
        shown(f"total(&list[{6 - n}], {n})"),
        shown(f"depth({g.rng.randrange(12)})"),
        shown(f"total(list + 1, {g.rng.randrange(1, 5)}) / 3"),
    ]


def bits(g: Grower) -> list[str]:
    b = g.fresh()
    return [
        f"byte {b} = {g.number()};",
        f"bitSet({b}, {g.rng.randrange(8)});",
        f"bitClear({b}, {g.rng.randrange(8)});",
        shown(b),
        shown(f"bitRead({b}, {g.rng.randrange(8)})"),
        shown(f"{b} << 4"),
        shown(f"(byte)~{b}"),
    ]


def floats(g: Grower) -> list[str]:
    f = g.fresh()
    return [
        f"float {f} = {g.whole(1)} / 4.0;",
        f"{f} *= {g.rng.choice(['0.5', '2', '-1.25', 'ga'])};",
        shown(f"{f} * 8"),
        shown(f"(int)constrain({f}, -100, 100)"),
        f"ga = (int){f} % 50;",
        shown("ga"),
    ]


KINDS: dict[str, Grow] = {
    act.__name__: act
    for act in (
        arithmetic, assigned, compound, shifted, divided, stepped, found_by_a_step, found_by_a_call, pointed, copied, nested_records, branches,
        switched, looped, looped_otherwise, statics, references, overloads, macros, chosen, texts, called, bits, floats,
    )
}  # fmt: skip


def printed_by_us(source: str) -> list[str]:
    """The lines a program prints on our machine. Raises AssertionError where it is not run."""
    report = check_program(source, BOARD)
    assert report.compiles and report.runnable, [f.seen for f in report.findings]
    result = report.run(ScriptedPins(), 20)
    return result.serial.replace("\r", "").split("\n")[:-1]
