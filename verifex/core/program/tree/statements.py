"""What is done, and functions."""

from dataclasses import dataclass

from verifex.core.program.tree.base import Expr, Node, Stmt
from verifex.core.program.types import Type


@dataclass(frozen=True, slots=True)
class Declare(Stmt):
    name: str
    type: Type
    value: Expr | None
    constant: bool = False
    static: bool = False
    reference: bool = False  # another name for what `value` stands for
    volatile: bool = False
    beside: str = ""  # the variable before it that the same `auto` stands for


@dataclass(frozen=True, slots=True)
class Do(Stmt):
    """An expression for its effect."""

    expr: Expr


@dataclass(frozen=True, slots=True)
class Block(Stmt):
    """Statements in braces, or one without; `is_semicolon` where a mere `;` stands in their place."""

    body: tuple[Stmt, ...]
    is_semicolon: bool = False


@dataclass(frozen=True, slots=True)
class If(Stmt):
    condition: Expr
    yes: Stmt
    no: Stmt | None


@dataclass(frozen=True, slots=True)
class While(Stmt):
    condition: Expr
    body: Stmt
    at_end: bool = False  # do … while
    no: Stmt | None = None  # what follows when it was not left by `break`; in Python only


@dataclass(frozen=True, slots=True)
class For(Stmt):
    start: Stmt | None
    condition: Expr | None
    step: Expr | None
    body: Stmt


@dataclass(frozen=True, slots=True)
class ForEach(Stmt):
    """`for (int x : values)`: `item` takes each value in turn."""

    item: Declare
    values: Expr
    body: Stmt


@dataclass(frozen=True, slots=True)
class Case(Node):
    """One label of a switch with the statements behind it; `value` None is `default`, `last` ends a span of values."""

    value: Expr | None
    body: tuple[Stmt, ...]
    last: Expr | None = None


@dataclass(frozen=True, slots=True)
class Switch(Stmt):
    value: Expr
    cases: tuple[Case, ...]


@dataclass(frozen=True, slots=True)
class Break(Stmt):
    pass


@dataclass(frozen=True, slots=True)
class Continue(Stmt):
    pass


@dataclass(frozen=True, slots=True)
class Return(Stmt):
    value: Expr | None


@dataclass(frozen=True, slots=True)
class Param:
    """A parameter; by `reference` it is another name for what the caller gives. `rest` is `*` or `**`."""

    name: str
    type: Type
    reference: bool = False
    default: Expr | None = None
    rest: str = ""


@dataclass(frozen=True, slots=True)
class Function(Node):
    name: str
    result: Type
    params: tuple[Param, ...]
    body: Block
    decorator: str = ""  # of a method: property, staticmethod, classmethod, or `name.setter`
    gives_place: bool = False  # what it gives is another name for a variable
    runs: str = "plain"  # in Python: at once, or as a `generator` or a `coroutine`
    open: tuple[str, ...] = ()  # the names of types that it is described for any of
