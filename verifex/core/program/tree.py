"""The tree that every front end builds and that rules, flow chart and machine read."""

from dataclasses import dataclass, field

from verifex.core.program.types import Type


@dataclass(frozen=True, slots=True)
class At:
    """Where a node stands in the text; line and column count from 1."""

    line: int
    column: int


@dataclass(frozen=True, slots=True)
class Node:
    at: At


@dataclass(frozen=True, slots=True)
class Expr(Node):
    pass


@dataclass(frozen=True, slots=True)
class Number(Expr):
    value: int | float
    type: Type


@dataclass(frozen=True, slots=True)
class Text(Expr):
    value: str


@dataclass(frozen=True, slots=True)
class Name(Expr):
    name: str


@dataclass(frozen=True, slots=True)
class Unary(Expr):
    op: str
    operand: Expr


@dataclass(frozen=True, slots=True)
class Binary(Expr):
    op: str
    left: Expr
    right: Expr


@dataclass(frozen=True, slots=True)
class Assign(Expr):
    op: str
    target: Expr
    value: Expr


@dataclass(frozen=True, slots=True)
class Step(Expr):
    """`++` or `--`, before or after its target."""

    op: str
    prefix: bool
    target: Expr


@dataclass(frozen=True, slots=True)
class Choice(Expr):
    condition: Expr
    yes: Expr
    no: Expr


@dataclass(frozen=True, slots=True)
class Index(Expr):
    base: Expr
    index: Expr


@dataclass(frozen=True, slots=True)
class Cast(Expr):
    type: Type
    operand: Expr


@dataclass(frozen=True, slots=True)
class Items(Expr):
    """A list in braces that fills an array."""

    items: tuple[Expr, ...]


@dataclass(frozen=True, slots=True)
class Call(Expr):
    """A call of `name`, on `receiver` (`Serial`) where there is one."""

    name: str
    args: tuple[Expr, ...]
    receiver: str | None = None


@dataclass(frozen=True, slots=True)
class Stmt(Node):
    pass


@dataclass(frozen=True, slots=True)
class Declare(Stmt):
    name: str
    type: Type
    value: Expr | None
    constant: bool = False
    static: bool = False


@dataclass(frozen=True, slots=True)
class Do(Stmt):
    """An expression for its effect."""

    expr: Expr


@dataclass(frozen=True, slots=True)
class Block(Stmt):
    body: tuple[Stmt, ...]


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


@dataclass(frozen=True, slots=True)
class For(Stmt):
    start: Stmt | None
    condition: Expr | None
    step: Expr | None
    body: Stmt


@dataclass(frozen=True, slots=True)
class Case(Node):
    """One label of a switch with the statements behind it; `value` None is `default`."""

    value: Expr | None
    body: tuple[Stmt, ...]


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
    name: str
    type: Type


@dataclass(frozen=True, slots=True)
class Function(Node):
    name: str
    result: Type
    params: tuple[Param, ...]
    body: Block


@dataclass(frozen=True, slots=True)
class Unread(Node):
    """Something the reader does not know yet: ours to add, left to the eye meanwhile."""

    what: str


@dataclass(slots=True)
class Program:
    """A whole program: globals in order, functions by name, what was not read."""

    globals: list[Declare] = field(default_factory=list)
    functions: dict[str, Function] = field(default_factory=dict)
    includes: list[tuple[str, At]] = field(default_factory=list)
    unread: list[Unread] = field(default_factory=list)


def children(node: object) -> list[Node]:
    """The direct child nodes of a node, in the order they stand in the text."""
    found: list[Node] = []
    for name in getattr(node, "__dataclass_fields__", {}):
        value = getattr(node, name)
        for item in value if isinstance(value, tuple) else (value,):
            if isinstance(item, Node):
                found.append(item)
    return found


def walk(node: Node) -> list[Node]:
    """The node and all below it."""
    found, ahead = [], [node]
    while ahead:
        here = ahead.pop()
        found.append(here)
        ahead.extend(reversed(children(here)))
    return found


def walk_program(program: Program) -> list[Node]:
    """Every node of a program: globals first, then the functions in order."""
    return [node for top in [*program.globals, *program.functions.values()] for node in walk(top)]
