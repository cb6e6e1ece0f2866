"""What the program rules look at: the text, its tree, what a compiler refuses, and short dry runs."""

import math
from collections import Counter
from collections.abc import Mapping
from dataclasses import dataclass
from functools import cached_property

from verifex.core.exercise import Exercise
from verifex.core.parts import Board
from verifex.core.problems import Problem
from verifex.core.program import tree as t
from verifex.core.program.boards import BINARY, constants, pin_numbers
from verifex.core.program.compiler import Compiled
from verifex.core.program.runtime.machine import RunResult
from verifex.core.program.types import Array, Int, Type


@dataclass(frozen=True, slots=True)
class PinUse:
    """What the wiring has on a pin: `role` is 'measures' (a module's output), 'drives' (a light, a load) or 'other'."""

    role: str
    parts: tuple[str, ...]
    title: str
    is_voltage: bool = False  # what is measured there is a voltage, not a level


@dataclass
class ProgramView:
    """A program with all that was found out about it; `wired` maps a pin to its use, None without a wiring."""

    source: str
    board: Board
    problems: list[Problem]
    tree: t.Program
    compiled: Compiled
    runs: list[RunResult]
    wired: Mapping[str, PinUse] | None = None
    exercise: Exercise | None = None
    other_language: str = ""  # the title of the language it is written in, where the board takes another
    reference: str | None = None  # 'rail' or 'internal', as this bench's variant wants it

    @property
    def compiles(self) -> bool:
        return not self.problems and not self.compiled.refused

    @property
    def failed(self) -> bool:
        """Whether an error of ours kept the program from being read."""
        return self.tree.failed

    @property
    def is_python(self) -> bool:
        return self.tree.dialect == "python"

    def prints(self) -> list[t.Call]:
        """Calls that print on the log."""
        return self.calls("print") if self.is_python else self.calls("Serial.print", "Serial.println", "Serial.printf")

    @cached_property
    def kinds(self) -> dict[str, set[Type]]:
        """The types that variables and parameters of a name have anywhere in the program; empty in Python."""
        found: dict[str, set[Type]] = {}
        for node in self.nodes:
            if isinstance(node, t.Declare):
                found.setdefault(node.name, set()).add(node.type)
        for function in self.tree.functions.values():
            for param in function.params:
                found.setdefault(param.name, set()).add(param.type)
        return found

    @cached_property
    def nodes(self) -> list[t.Node]:
        return t.walk_program(self.tree)

    def calls(self, *names: str) -> list[t.Call]:
        return [
            n
            for n in self.nodes
            if isinstance(n, t.Call) and (f"{n.receiver}.{n.name}" if n.receiver else n.name) in names
        ]

    @cached_property
    def _fixed(self) -> dict[str, t.Expr]:
        """Names that are given one value and never another."""
        assigned = {
            n.target.name for n in self.nodes if isinstance(n, t.Assign | t.Step) and isinstance(n.target, t.Name)
        }
        if self.is_python:
            return self._fixed_in_python
        return {
            n.name: n.value
            for n in self.nodes
            if isinstance(n, t.Declare) and n.value is not None and n.name not in assigned
        }

    @property
    def _fixed_in_python(self) -> dict[str, t.Expr]:
        """Names of the program itself that are given a value in one place only, and are no parameter anywhere."""
        given = [n for n in self.nodes if isinstance(n, t.Assign) and isinstance(n.target, t.Name)]
        times = Counter(n.target.name for n in given if isinstance(n.target, t.Name))
        taken = {p.name for f in self.tree.functions.values() for p in f.params}
        taken |= {n.target.name for n in self.nodes if isinstance(n, t.Step) and isinstance(n.target, t.Name)}
        return {
            n.target.name: n.value
            for n in given
            if isinstance(n.target, t.Name) and n.op == "=" and times[n.target.name] == 1 and n.target.name not in taken
        }

    def known_number(self, node: t.Expr, depth: int = 0) -> float | None:
        """The value of an expression that can only ever have one; None otherwise."""
        if isinstance(node, t.Number):
            return node.value
        if isinstance(node, t.Name) and depth < 8:
            if node.name in self._fixed:
                return self.known_number(self._fixed[node.name], depth + 1)
            known = constants(self.board).get(node.name)
            return known[0] if known else BINARY.get(node.name)
        if isinstance(node, t.Cast) and depth < 8:
            value = self.known_number(node.operand, depth + 1)
            return float(int(value)) if value is not None and isinstance(node.type, Int) else value
        if isinstance(node, t.Unary) and node.op == "-" and depth < 8:
            value = self.known_number(node.operand, depth + 1)
            return None if value is None else -value
        if isinstance(node, t.Binary) and depth < 8:
            return self._length(node) or self._sum(node, depth + 1)
        return None

    def _length(self, node: t.Binary) -> float | None:
        """`sizeof(list) / sizeof(list[0])`: how many places a list has."""
        if node.op != "/" or not isinstance(node.left, t.SizeOf) or not isinstance(node.right, t.SizeOf):
            return None
        named = node.left.operand
        return self.lengths.get(named.name) if isinstance(named, t.Name) else None

    def _sum(self, node: t.Binary, depth: int) -> float | None:
        left, right = self.known_number(node.left, depth), self.known_number(node.right, depth)
        if left is None or right is None or node.op not in "+-*":
            return None
        return {"+": left + right, "-": left - right, "*": left * right}[node.op]

    @cached_property
    def lengths(self) -> dict[str, int]:
        """The lists that are written out, with how many places they have."""
        return {
            n.name: n.type.length
            for n in self.nodes
            if isinstance(n, t.Declare) and isinstance(n.type, Array) and isinstance(n.value, t.Items)
        }

    def runtime_faults(self, kind: str) -> list[t.At]:
        """Where something of a kind was seen in the runs, in the order of the text."""
        return sorted(
            {at for run in self.runs for (slip, at) in run.runtime_faults if slip == kind},
            key=lambda at: (at.line, at.column),
        )

    def pin_of(self, node: t.Expr, *, analogue: bool = False) -> str | None:
        """The board's pin an expression names for certain."""
        number = self.known_number(node)
        if number is None or not math.isfinite(number):
            return None
        numbers = pin_numbers(self.board)
        channels = [n for n, name in numbers.items() if name.startswith("A")]
        if analogue and channels and number < len(channels):
            number += min(channels)
        return numbers.get(int(number))

    def pin_calls(self, *names: str) -> list[tuple[str, t.Call]]:
        """(pin, call) for each of these calls whose pin is certain."""
        found = []
        for call in self.calls(*names):
            pin = self.pin_of(call.args[0], analogue=call.name == "analogRead") if call.args else None
            if pin is not None:
                found.append((pin, call))
        return found
