"""Programs in which one name stands for many things: globals, parameters, fields, locals, loop variables, default values.

A few names are declared again and again, in blocks, loops, records and functions that are called from several scopes, so that
whatever is looked up in the wrong scope prints another number.
"""

from random import Random

NAMES = ("a", "b", "c", "d")
OPERATORS = ("+", "-", "*", "^")


class Shadower:
    """Grows one program from a seed."""

    def __init__(self, seed: int) -> None:
        self.rng = Random(seed)
        self.functions: list[tuple[str, int, int]] = []  # name, least and most values
        self.taken = 0  # how many values the record's method takes

    def value(self, known: list[str], without: str = "", depth: int = 1) -> str:
        """An expression over names that are known, never the one that is just declared."""
        usable = [name for name in known if name != without]
        if depth == 0 or not usable or self.rng.random() < 0.3:
            return self.rng.choice([*usable, str(self.rng.randrange(1, 60))])
        left, right = (self.value(known, without, depth - 1) for _ in range(2))
        return f"({left} {self.rng.choice(OPERATORS)} {right})"

    def call(self, known: list[str]) -> str:
        if not self.functions:
            return self.value(known)
        name, least, most = self.rng.choice(self.functions)
        count = self.rng.randint(least, most)
        return f"{name}({', '.join(self.value(known, depth=0) for _ in range(count))})"

    def params(self, known: list[str]) -> tuple[str, list[str], int]:
        """Parameters, those at the end with default values out of the names outside; their names, and how many are needed."""
        names = self.rng.sample(NAMES, self.rng.randint(1, 3))
        least = self.rng.randint(0, len(names))
        outside = [name for name in known if name not in names]  # a default value may not name a parameter
        written = [
            f"int {name}" + (f" = {self.value(outside)}" if index >= least else "") for index, name in enumerate(names)
        ]
        return ", ".join(written), names, least

    def block(self, known: list[str], depth: int, params: tuple[str, ...] = ()) -> list[str]:
        """Statements with scopes of their own in which names are declared again, parameters only in blocks further in."""
        rng, lines, own = self.rng, list[str](), set(params)
        for _ in range(rng.randint(2, 4)):
            kind = rng.choice(["declare", "assign", "print", "call", "block", "loop", "if", "static"])
            fresh = [name for name in NAMES if name not in own]
            if kind in ("declare", "static") and fresh:
                name = rng.choice(fresh)
                given = self.value(known, name) if kind == "declare" else str(rng.randrange(9))
                lines.append(f"{'static ' if kind == 'static' else ''}int {name} = {given};")
                own.add(name)
                lines += [f"{name} += 3;"] if kind == "static" else []
            elif kind == "assign":
                lines.append(f"{rng.choice(known)} {rng.choice(['=', '+=', '-='])} {self.value(known)};")
            elif kind == "call":
                lines.append(f"Serial.println({self.call(known)});")
            elif kind == "loop" and depth:
                name = rng.choice(NAMES)
                body = self.block(known, depth - 1)
                lines.append(f"for (int {name} = 0; {name} < {rng.randint(1, 3)}; {name}++) {{")
                # The body may declare the name again, and never changes the loop's own.
                lines += [f"  {{ int kept = {name};", *(f"    {line}" for line in body), f"    {name} = kept; }}", "}"]
            elif kind in ("block", "if") and depth:
                head = "{" if kind == "block" else f"if ({self.value(known)} > {self.value(known)}) {{"
                lines += [head, *(f"  {line}" for line in self.block(known, depth - 1)), "}"]
            else:
                lines.append(f"Serial.println({self.value(known)});")
        return lines

    def function(self, name: str, known: list[str]) -> str:
        written, params, least = self.params(known)
        body = "\n".join(f"  {line}" for line in self.block(list(NAMES), 1, tuple(params)))
        again = f"{name}({', '.join(params)})"
        recursion = f"  if (deep > 0) {{ deep--; int once = {self.value(list(NAMES))}; return once + {again}; }}\n"
        self.functions.append((name, least, len(params)))
        return f"int {name}({written}) {{\n{recursion}{body}\n  return {self.value(list(NAMES))};\n}}\n"

    def record(self, name: str, known: list[str]) -> str:
        """A record whose fields have the names of globals, with values to begin with, and a method that shadows some of them."""
        fields = self.rng.sample(NAMES, 3)
        outside = [name for name in known if name not in fields]
        begun = [
            f"  int {field} = {self.value([*outside, *fields[:index]])};" for index, field in enumerate(fields[:2])
        ]
        # What a method takes by default is looked up in the record first, where no value is yet.
        written, params, _ = self.params(outside)
        body = "\n".join(f"    {line}" for line in self.block(list(NAMES), 1, tuple(params)))
        self.taken = len(params)
        kept = f"    {fields[0]} += {self.value([fields[1], *params])};"
        return (
            f"struct {name} {{\n" + "\n".join(begun) + f"\n  int {fields[2]} = 4;\n"
            f"  int moved({written}) {{\n{kept}\n{body}\n    return {self.value(fields)};\n  }}\n}};\n"
        )

    def program(self) -> str:
        globals_, known = list[str](), list[str]()
        for name in NAMES:
            globals_.append(f"int {name} = {self.value(known)};")
            known.append(name)
        parts = [self.function(f"f{n}", known) for n in range(3)]
        parts += [self.record("Cell", known)]
        parts += [self.function(f"g{n}", known) for n in range(2)]
        lines = [*self.block(known, 2), "deep = 2;", "{", *self.block(known, 2), "}"]
        for name in ("x", "y"):
            field = self.rng.choice(NAMES)
            given = ", ".join([self.value(known), field, "2"][: self.taken])
            lines += ["{", *self.block(known, 1), f"  Cell {name}; Serial.println({name}.moved({given}));", "}"]
        lines += [f"Serial.println({name});" for name in NAMES]
        body = "\n".join(f"  {line}" for line in lines)
        head = "\n".join(globals_)
        return f"int deep = 0;\n{head}\n{''.join(parts)}\nvoid setup() {{\n  Serial.begin(9600);\n{body}\n}}\nvoid loop() {{}}\n"
