"""The Python dialect against the host's own interpreter: the same programs print the same lines, the same errors stop them."""

import contextlib
import io
import warnings
from pathlib import Path
from random import Random
from unittest import TestCase

from verifex.core.parts import catalogue
from verifex.core.program import ScriptedPins, check_program

HOST_PROGRAMS = Path(__file__).parents[2] / "corpus" / "host"
BOARD = catalogue().boards["sbc-3v3"]


def by_us(text: str, seconds: float = 5) -> list[str]:
    """What a program prints here; an error that ends it is its last line."""
    report = check_program(text, BOARD)
    assert report.runnable, [f.seen for f in report.findings]
    run = report.run(ScriptedPins(), seconds)
    assert run.ended in ("finished", "raised", "time"), (run.ended, run.ended_with)
    return run.serial.splitlines() + ([run.ended_with.split(":")[0]] if run.ended == "raised" else [])


def by_host(text: str) -> list[str]:
    out = io.StringIO()
    with contextlib.redirect_stdout(out), warnings.catch_warnings():
        warnings.simplefilter("ignore", SyntaxWarning)
        try:
            exec(compile(text, "program", "exec"), {"__name__": "__main__"})
        except Exception as wrong:
            print(type(wrong).__name__)
    return out.getvalue().splitlines()


class LanguageTest(TestCase):
    PROGRAMS = {
        "numbers": "print(7 // 2, -7 // 2, 7 % -3, 2 ** 10, 2 ** -1, 7 / 2, 1e3, 1_000, 0x1F, 0b101, 0o17)\nprint(round(2.5), round(-1.25, 1), abs(-3.5), divmod(17, 5), int('42') + int(3.9), float('2.5'), bool(''), int('ff', 16))\nprint(5 & 3, 5 | 3, 5 ^ 3, ~5, 1 << 6, 200 >> 3, 3 > 2 > 1, 0.1 + 0.2, 1e-9, 1e22, 100000000000000000000)",
        "texts": "s = 'Brood box'\nprint(s.upper(), s[0], s[-3:], s[::-1], s.split(), 'o' in s, s.replace('o', '0'), len(s), s * 2)\nprint('%5.1f|%-6s|%03d|%x' % (3.14159, 'ab', 7, 255), '{:>6.2f}|{:<4}|{:^7}|{!r}'.format(2.5, 'a', 'mid', 'q'))\nx = 3.14159\nprint(f'{x:.2f} {x!r} {s:>12} {len(s)=} {255:#x} {1234567:,} {0.256:.1%} {{}}')\nprint(', '.join(str(n) for n in range(4)), 'a-b-c'.partition('-'), ' pad '.strip() + '.', 'abc'.find('z'), 'x'.isdigit())",
        "lists": "a = [3, 1, 2]\na.append(5); a.insert(0, 9); a.sort(); print(a, a.index(5), a.pop(), a[1:3], sum(a), min(a), max(a))\nb = a[:]\nb[0] = 'z'; print(a, b, a + [1], [0] * 3, 2 in a, a == [1, 2, 3, 9], list(reversed(a)))\nprint([n * n for n in a if n % 2], {n: n * 2 for n in a}, sorted({5, 3, 3}), [[r * c for c in range(3)] for r in range(2)])\nfor i, v in enumerate(a, 1): print(i, v, end='; ')\nprint()\nfor x, y in zip(a, 'abc'): print(x, y)\nfirst, *rest = a\nprint(first, rest)\ndel a[0]\nprint(a, any(a), all([0, 1]), list(map(str, a)), list(filter(None, [0, 1, 2])))",
        "dictionaries": "d = {'t': 21.5, 'h': 45}\nd['p'] = 1013\nfor k, v in sorted(d.items()): print(k, v)\nprint(d.get('x'), d.get('x', 0), 'h' in d, len(d), list(d), d.pop('h'), d, d.setdefault('n', 1))\nd.update(t=22)\nprint(d, {**d, 'z': 0}, {1, 2} | {2, 3}, {1, 2} & {2})",
        "functions": "def f(a, b=2, *rest, c=3, **more):\n    return a, b, rest, c, sorted(more)\nprint(f(1), f(1, 5, 6, 7, c=8, x=9), f(*[1, 2], **{'c': 4}))\ncount = 0\ndef up():\n    global count\n    count += 1\n    return count\nup(); up()\nprint(count)\ndef outer():\n    n = 10\n    def inner():\n        nonlocal n\n        n += 1\n        return n\n    inner()\n    return inner()\nprint(outer(), (lambda x, y=1: x * y)(4), sorted([(2, 'b'), (1, 'z')], key=lambda p: p[1]))\ndef fact(n): return 1 if n < 2 else n * fact(n - 1)\nprint(fact(10))",
        "classes": "class Part:\n    count = 0\n    def __init__(self, name, pin=None):\n        self.name = name\n        self.pin = pin\n        Part.count += 1\n    def __str__(self): return f'{self.name}@{self.pin}'\n    def on(self): return self\nclass Lamp(Part):\n    def __init__(self, pin):\n        Part.__init__(self, 'lamp', pin)\n        self.lit = False\n    def on(self):\n        self.lit = True\n        return self\n    def __eq__(self, other): return self.pin == other.pin\na, b = Lamp(7), Lamp(7)\nprint(a, a.on().lit, b.lit, a == b, Part.count, isinstance(a, Part), a.name)",
        "errors": "def risky(x):\n    try:\n        return 10 / x\n    except ZeroDivisionError as e:\n        print('caught', e)\n        return None\n    except (TypeError, ValueError):\n        print('type')\n    finally:\n        print('always')\nprint(risky(2), risky(0), risky('a'))\nclass Wrong(Exception):\n    pass\ntry:\n    raise Wrong('no echo')\nexcept Wrong as w:\n    print('Wrong', w)\nelse:\n    print('not here')\ntry:\n    [1][5]\nexcept IndexError:\n    print('index')\ntry:\n    try:\n        {}['k']\n    except KeyError:\n        raise ValueError('again')\nexcept ValueError as v:\n    print(v)\nassert 1 + 1 == 2, 'sums'",
        "flow": "n = 0\nwhile True:\n    n += 1\n    if n == 3: continue\n    if n > 6: break\n    print(n, end=' ')\nelse:\n    print('never')\nprint()\nfor i in range(10, 0, -3): print(i, end=',')\nelse: print('done')\nx = 5\nprint('odd' if x % 2 else 'even', not x, x and 3, None or 'd', x is None, 1 < x <= 5)\nif x < 3: print('a')\nelif x < 6: print('b')\nelse: print('c')\npass\na = b = 2\na, b = b + 1, a\nprint(a, b)",
        "bytes": "data = bytes([1, 2, 250])\nprint(data[2], len(data), data.hex(), list(data), 'Ω'.encode().decode(), bytearray(2), 65 .bit_length(), chr(65), ord('a'), hex(255), bin(5), oct(8))",
        "modules": "import math\nfrom math import sin, pi\nprint(round(sin(pi / 6), 6), math.sqrt(2), math.floor(-1.5), math.ceil(1.2), math.log(10), math.atan2(1, 1), math.hypot(3, 4), math.degrees(pi), math.isnan(float('nan')))\nimport statistics\nprint(statistics.mean([1, 2, 4]), statistics.median([3, 1, 2]))",
    }  # fmt: skip
    ENDS = (
        "print('a')\nx = [1, 2]\nprint(x[2])", "print('t: ' + 5)", "int('3.5')", "1 % 0", "{}['a']",
        "None.x", "'abc'.nothing()", "def f(a): pass\nf()", "raise ValueError('x')", "(1, 2)[0] = 3", "x = 1\nx()", "for i in 5: pass",
        "a, b = [1, 2, 3]", "assert False, 'no'", "def f():\n    print(y)\n    y = 1\nf()", "import math\nmath.sqrt(-1)", "[1, 'a'].sort()",
    )  # fmt: skip

    def test_programs_print_what_the_host_prints(self):
        for name, text in self.PROGRAMS.items():
            with self.subTest(name):
                self.assertEqual(by_us(text), by_host(text))

    def test_whole_programs_print_what_the_host_prints(self):
        for path in sorted(HOST_PROGRAMS.glob("*/*.py")):
            with self.subTest(path.stem):
                text = path.read_text("utf-8")
                self.assertEqual(by_us(text, seconds=20), by_host(text))

    def test_errors_stop_a_program_where_they_stop_the_host(self):
        for text in self.ENDS:
            with self.subTest(text):
                self.assertEqual(by_us(text), by_host(text))

    def test_expressions_made_by_chance(self):
        rng = Random(7)
        for _ in range(40):
            lines = [
                f"try:\n    print({expression(rng, 3)})\nexcept Exception as e:\n    print(type(e) and 'wrong')"
                for _ in range(10)
            ]
            text = "a, b, c = 7, -3, 2.5\ns, t, x = 'hive', 'a', 1\nv = [4, 1, 3]\n" + "\n".join(lines)
            self.assertEqual(by_us(text), by_host(text), text)


def expression(rng: Random, depth: int) -> str:
    """Numbers, texts, lists and truths, mixed as students mix them: many come out as an error, and so they should."""
    if depth == 0:
        return rng.choice(
            ["a", "b", "c", "s", "t", "v", "3", "0", "-2", "0.5", "'x'", "''", "True", "None", "[1, 2]", "(1, 2)"]
        )
    one, other = expression(rng, depth - 1), expression(rng, depth - 1)
    form = rng.choice(
        ["({a} + {b})", "({a} - {b})", "({a} * {b})", "({a} / {b})", "({a} // {b})", "({a} % {b})", "({a} < {b})", "({a} == {b})", "({a} in {b})",
         "({a} and {b})", "({a} or {b})", "(not {a})", "({a} if {b} else 1)", "({a})[0]", "({a})[-1:]", "len({a})", "str({a})", "abs({a})",
         "'{{}}'.format({a})", "[{a}, {b}]", "max({a}, {b})", "sorted([{a}, {b}])", "round({a}, 1)", "bool({a})", "({a} is None)", "'%s' % ({a},)"]
    )  # fmt: skip
    return form.format(a=one, b=other)


class RefusedTest(TestCase):
    #: text → (line, words in the finding)
    TABLE = {
        "no colon after if": ("x = 1\nif x > 0\n    print(x)", 2, ":"),
        "no colon after def": ("def f()\n    pass", 1, ":"),
        "no indent": ("while True:\nprint(1)", 1, "move"),
        "odd indent": ("if 1:\n    print(1)\n  print(2)", 3, "moved in"),
        "bracket left open": ("print((1 + 2)\nx = 3", 1, "closed"),
        "text left open": ("print('abc)\nx = 1", 1, "closed"),
        "= in a condition": ("x = 1\nif x = 2:\n    print(x)", 2, "=="),
        "print without brackets": ("print 'hello'", 1, "print"),
        "else without if": ("x = 1\nelse:\n    print(x)", 2, "else"),
        "a name nobody made": ("print(temprature)", 1, "temprature"),
        "true in small letters": ("x = true", 1, "True"),
        "C++ in a Python file": ("void setup() {\n  pinMode(7, OUTPUT);\n}\nvoid loop() { }", 1, "C++"),
    }  # fmt: skip

    def test_what_the_interpreter_refuses_is_told_in_plain_words(self):
        for name, (text, line, words) in self.TABLE.items():
            with self.subTest(name):
                found = check_program(text, BOARD).findings
                self.assertFalse(check_program(text, BOARD).runnable)
                self.assertEqual([f.where.line for f in found][:1], [line], [f.seen for f in found])
                self.assertIn(words, f"{found[0].seen} {found[0].remedy}")

    def test_what_we_do_not_play_is_not_supported_and_no_fault_of_the_pair(self):
        for text in (
            "import socket",
            "with open('log.txt') as f:\n    pass",
            "async def f():\n    yield 1",
            "import socket as s",
            "x = super()",
        ):
            found = check_program(text, BOARD).findings
            self.assertEqual({f.rule for f in found}, {"not-supported-yet"}, text)
