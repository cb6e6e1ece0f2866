"""Names of a program: what they stand for, and what a compiler refuses about them."""

from collections.abc import Callable
from dataclasses import dataclass
from difflib import get_close_matches
from typing import Any, Literal

from verifex.core.parts import Board
from verifex.core.program import tree as t
from verifex.core.program.boards import constants
from verifex.core.program.calls import CALLS
from verifex.core.program.machine import Machine
from verifex.core.program.types import Type, Widths

Frame = list[Any]
Value = Callable[[Frame], Any]
Action = Callable[[Frame], object]


@dataclass(frozen=True, slots=True)
class Refused:
    """Something a compiler refuses: `kind` is a rule's slug, `near` what may have been meant."""

    kind: Literal[
        "name-undeclared",
        "name-miscased",
        "call-arguments",
        "not-assignable",
        "declared-twice",
        "missing-function",
    ]
    at: t.At
    name: str
    near: str | None = None


@dataclass(slots=True)
class Variable:
    """Where a name lives; index into the globals or the frame."""

    kind: Type
    index: int
    is_global: bool
    constant: bool
    at: t.At
    used: bool = False


class Scope:
    """Names of one block; frames grow by the widest nesting of a function."""

    def __init__(self, outer: "Scope | None") -> None:
        self.outer = outer
        self.names: dict[str, Variable] = {}

    def find(self, name: str) -> Variable | None:
        scope: Scope | None = self
        while scope is not None:
            if name in scope.names:
                return scope.names[name]
            scope = scope.outer
        return None

    def all_names(self) -> list[str]:
        return [*self.names, *(self.outer.all_names() if self.outer else [])]


class Names:
    """The scopes, globals and refusals of one program; the machine is put in at the start of a run."""

    def __init__(self, program: t.Program, board: Board) -> None:
        self.program = program
        self.widths = Widths(board.int_bits)
        self.constants = constants(board)
        self.refused: list[Refused] = []
        self.globals: Frame = []
        self.machine: list[Machine] = []
        self.scope = Scope(None)
        self.slots = 0
        self.most_slots = 0
        self.variables: list[tuple[str, Variable]] = []

    def _refuse(self, kind: Any, at: t.At, name: str, near: str | None = None) -> None:
        self.refused.append(Refused(kind, at, name, near))

    def _new_variable(self, name: str, kind: Type, at: t.At, *, is_global: bool, constant: bool) -> Variable:
        if name in self.scope.names:
            self._refuse("declared-twice", at, name)
        if is_global:
            self.globals.append(0)
            index = len(self.globals) - 1
        else:
            index = self.slots
            self.slots += 1
            self.most_slots = max(self.most_slots, self.slots)
        variable = Variable(kind, index, is_global, constant, at)
        self.scope.names[name] = variable
        self.variables.append((name, variable))
        return variable

    def _known_names(self) -> list[str]:
        return [*self.scope.all_names(), *self.constants, *self.program.functions, *CALLS]

    def _unknown(self, name: str, at: t.At) -> None:
        known = self._known_names()
        cased = next((k for k in known if k.lower() == name.lower()), None)
        if cased:
            self._refuse("name-miscased", at, name, cased)
        else:
            near = get_close_matches(name, known, n=1, cutoff=0.75)
            self._refuse("name-undeclared", at, name, near[0] if near else None)
