"""Names of a program: what they stand for, and what a compiler refuses about them."""

import re
from collections.abc import Callable, Iterator
from contextlib import contextmanager
from dataclasses import dataclass, replace
from difflib import get_close_matches
from typing import Any, Literal

from verifex.core.identity import IdentityMap
from verifex.core.parts import Board
from verifex.core.program import tree as t
from verifex.core.program.boards import constants
from verifex.core.program.calls import CALLS
from verifex.core.program.compiler.not_yet import NOT_SUPPORTED_YET, REGISTERS
from verifex.core.program.devices import NO_READING
from verifex.core.program.runtime.machine import Machine
from verifex.core.program.runtime.watch import LineWatch
from verifex.core.program.types import Described, Pointer, Struct, Type, Widths

Frame = list[Any]
Value = Callable[[Frame], Any]
Action = Callable[[Frame], object]
Typed = tuple[Value, Type]  # an expression made ready, with its type


#: How libraries write their constants, and the members of their classes.
_OF_LIBRARIES = re.compile(r"[A-Z][A-Z0-9_]{2,}|[A-Z]{2,}_[A-Za-z0-9_]*[A-Z0-9]|\w+(::\w+)+")


@dataclass(frozen=True, slots=True)
class Refused:
    """Something a compiler refuses: `kind` is a rule's slug, `near` what may be intended."""

    kind: Literal[
        "name-undeclared",
        "name-miscased",
        "call-arguments",
        "not-assignable",
        "declared-twice",
        "described-twice",
        "without-type",
        "missing-function",
        "no-field",
        "no-method",
        "wrong-types",
        "include-missing",
        "misplaced",
        "memory-full",
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
    reference: bool = False  # its cell holds a pointer to what it stands for


class Scope:
    """Names of one block; frames grow by the widest nesting of a function."""

    def __init__(self, outer: "Scope | None") -> None:
        self.outer = outer
        self.names: dict[str, Variable] = {}
        #: What was made here of each expression; of those given to a library apart, since names mean more there.
        self.made: tuple[IdentityMap[t.Expr, Typed], ...] = (IdentityMap(), IdentityMap())

    @property
    def outermost(self) -> "Scope":
        """The scope of the globals."""
        return self if self.outer is None else self.outer.outermost

    def find(self, name: str) -> Variable | None:
        scope: Scope | None = self
        while scope is not None:
            if name in scope.names:
                return scope.names[name]
            scope = scope.outer
        return None

    def all_names(self) -> list[str]:
        return [*self.names, *(self.outer.all_names() if self.outer else [])]


class ForwardReferences:
    """What earlier parts need of later ones: an expression may hold a call, and a call holds expressions. Set once all
    are made."""

    value: Callable[[t.Expr], Typed]
    call: Callable[[t.Call], Typed]
    assign: Callable[[t.Assign], Typed]
    filled: Callable[[Type, t.Expr | None], Value]  # a new value of a type from a list in braces
    step: Callable[[t.Step], Typed]
    new: Callable[[t.New], Typed]
    lambda_: Callable[[t.InlineFunction], Typed]
    statement: Callable[[t.Stmt], Action]
    sequence: Callable[[tuple[t.Stmt, ...]], Action]


class CompileContext:
    """The scopes, globals and refusals of one program; the machine is put in at the start of a run."""

    def __init__(self, program: t.Program, board: Board) -> None:
        self.program = program
        self.widths = Widths(board.int_bits)
        self.constants = constants(board)
        self.refused: list[Refused] = []
        self.types: dict[t.At, Type] = {}  # of variables that are `auto`, by where they are declared
        self.globals: Frame = []
        self.machine: list[Machine] = []
        self.scope = Scope(None)
        self.slots = 0
        self.most_slots = 0
        self.clocks: dict[str, float] = {}  # as `clocks.side_of` takes them, for the function that is compiled
        self.owner: Struct | None = None  # inside a method: the record it belongs to
        self.variables: list[tuple[str, Variable]] = []
        self.has_library = bool(program.libraries)  # that nobody here knows
        self.in_library = 0  # while what is given to a library is compiled
        self.watch: LineWatch | None = None
        self.opaque: set[str] = set()  # names of libraries whose values nobody here knows

    @contextmanager
    def outside_functions(self, owner: Struct | None = None) -> Iterator[None]:
        """What is compiled within has the names that stand outside all functions, whoever uses it: so a default value means
        the same wherever it is put in. With an `owner` its own fields are known too, and its frame begins with where the
        record lies."""
        before = (self.scope, self.slots, self.most_slots, self.owner, self.clocks)
        self.scope, self.owner, self.clocks = self.scope.outermost, owner, {}
        if owner is not None:
            self.scope, self.slots = Scope(self.scope), 0
            this = self.new_variable("this", Pointer(owner), t.At(0, 0), is_global=False, constant=True)
            this.used = True
        try:
            yield
        finally:
            self.scope, self.slots, self.most_slots, self.owner, self.clocks = before

    def typed(self, node: t.Declare, type_: Type) -> t.Declare:
        """The declaration of a variable that is `auto`, with the type it was found to have."""
        self.types[node.at] = type_
        return replace(node, type=type_)

    def refuse(self, kind: Any, at: t.At, name: str, near: str | None = None) -> None:
        self.refused.append(Refused(kind, at, name, near))

    def new_variable(self, name: str, kind: Type, at: t.At, *, is_global: bool, constant: bool) -> Variable:
        if name in self.scope.names:
            self.refuse("declared-twice", at, name)
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

    def find(self, name: str) -> Variable | None:
        """What a name stands for here; None where it is no variable. Inside a method a field of the record hides a global."""
        variable = self.scope.find(name)
        is_outside = variable is None or self.scope.outermost.names.get(name) is variable
        if not is_outside or self.owner is None:
            return variable
        if self.own_field(name) is not None:
            return None
        shared = (self.scope.outermost.names.get(f"{kind.name}::{name}") for kind in self.owner.line)
        return next((one for one in shared if one is not None), variable)

    def whole(self, kind: Type) -> Type:
        """A record that was only named where its pointer is kept."""
        return self.program.records.get(kind.name, kind) if isinstance(kind, Described) else kind

    def own_field(self, name: str) -> t.Field | None:
        """A bare name inside a method that is a field of the record itself."""
        if self.owner is None or self.owner.field(name) is None:
            return None
        at = t.At(0, 0)
        return t.Field(at, t.Name(at, "this"), name, arrow=True)

    def _known_names(self) -> list[str]:
        return [
            *self.scope.all_names(),
            *self.constants,
            *self.program.functions,
            *(name for name in CALLS if "/" not in name),
        ]

    def _comes_from_a_library(self, name: str, known: list[str]) -> bool:
        """Whether a name that is declared nowhere is a library's: one is included that nobody here knows, the name is given to
        it or worked out with what it gives, it is written as constants and members of libraries are, and it is like no name
        of the program's own."""
        if self.has_library and NO_READING.fullmatch(name):
            return True
        if not self.has_library or not (self.in_library or "::" in name):
            return False
        if not _OF_LIBRARIES.fullmatch(name):
            return False
        own = [*known, *self.program.macros]
        return not any(k.lower() == name.lower() for k in own) and not get_close_matches(name, own, n=1, cutoff=0.8)

    def refuse_unknown(self, name: str, at: t.At) -> None:
        if name.split(".")[0] in NOT_SUPPORTED_YET or name in NOT_SUPPORTED_YET or REGISTERS.fullmatch(name):
            self.program.unsupported.append(t.Unsupported(at, f"`{name}`"))
            return
        known = self._known_names()
        if self._comes_from_a_library(name, known):
            self.opaque.add(name)
            return
        later = {g.name for g in self.program.globals} | set(self.program.functions)
        if name in later:
            self.refuse("name-undeclared", at, name, name)
            return
        cased = next((k for k in known if k.lower() == name.lower()), None)
        if cased:
            self.refuse("name-miscased", at, name, cased)
        else:
            near = get_close_matches(name, known, n=1, cutoff=0.75)
            self.refuse("name-undeclared", at, name, near[0] if near else None)
