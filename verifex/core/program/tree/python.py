"""What only the Python dialect has."""

from dataclasses import dataclass

from verifex.core.program.tree.base import Expr, Node, Stmt
from verifex.core.program.tree.statements import Block, Function, Param


@dataclass(frozen=True, slots=True)
class Literal(Expr):
    """A value that stands for itself: None, True, False, bytes."""

    value: object


@dataclass(frozen=True, slots=True)
class Group(Expr):
    """Several values in one: kind is list, tuple or set."""

    kind: str
    items: tuple[Expr, ...]


@dataclass(frozen=True, slots=True)
class Pairs(Expr):
    """A dictionary; a key that is a `Star` stands for another dictionary's entries (`**other`)."""

    keys: tuple[Expr, ...]
    values: tuple[Expr, ...]


@dataclass(frozen=True, slots=True)
class Star(Expr):
    """`*values`, as an argument or a target."""

    value: Expr


@dataclass(frozen=True, slots=True)
class Chain(Expr):
    """`a < b < c`: comparisons that share their middle."""

    first: Expr
    ops: tuple[str, ...]
    rest: tuple[Expr, ...]


@dataclass(frozen=True, slots=True)
class Formatted(Expr):
    """A value in a text, with its form and its conversion (`r`, `s` or nothing)."""

    value: Expr
    form: Expr | None
    conversion: str


@dataclass(frozen=True, slots=True)
class Pieces(Expr):
    """A text put together of texts and formatted values."""

    parts: tuple[Expr, ...]


@dataclass(frozen=True, slots=True)
class Slice(Expr):
    """From, to, step: what stands between the brackets of a stretch."""

    first: Expr | None
    last: Expr | None
    step: Expr | None


@dataclass(frozen=True, slots=True)
class Comprehension(Expr):
    """Values made of others: kind is list, set, tuple or pairs (`value` then is what the key leads to). Of several loops each holds
    the next as its `item`, `flat`: what that one makes is put together."""

    kind: str
    item: Expr
    value: Expr | None
    target: Expr
    values: Expr
    conditions: tuple[Expr, ...]
    flat: bool = False


@dataclass(frozen=True, slots=True)
class Lambda(Expr):
    params: tuple[Param, ...]
    value: Expr


@dataclass(frozen=True, slots=True)
class Yield(Expr):
    """A value that a generator gives; `all` of another one."""

    value: Expr | None
    all: bool = False


@dataclass(frozen=True, slots=True)
class Await(Expr):
    value: Expr


@dataclass(frozen=True, slots=True)
class ForIn(Stmt):
    """`for target in values`: the target may be several names."""

    target: Expr
    values: Expr
    body: Stmt
    no: Stmt | None = None  # what follows when it was not left by `break`


@dataclass(frozen=True, slots=True)
class Define(Stmt):
    """A function where it stands, handed to its `decorators`, the last of them first."""

    function: Function
    decorators: tuple[Expr, ...] = ()


@dataclass(frozen=True, slots=True)
class Class(Stmt):
    name: str
    base: Expr | None
    body: Block
    decorators: tuple[Expr, ...] = ()
    annotated: tuple[str, ...] = ()  # names that are given a type, in their order
    others: tuple[Expr, ...] = ()  # further classes it is built on


@dataclass(frozen=True, slots=True)
class Handler(Node):
    """`except kind as name`; kind None takes everything."""

    kind: Expr | None
    name: str | None
    body: Block


@dataclass(frozen=True, slots=True)
class Try(Stmt):
    body: Block
    handlers: tuple[Handler, ...]
    otherwise: Block | None
    at_last: Block | None


@dataclass(frozen=True, slots=True)
class Raise(Stmt):
    value: Expr | None


@dataclass(frozen=True, slots=True)
class With(Stmt):
    value: Expr
    name: str | None
    body: Block


@dataclass(frozen=True, slots=True)
class Outer(Stmt):
    """`global` or `nonlocal` names."""

    kind: str
    names: tuple[str, ...]


@dataclass(frozen=True, slots=True)
class Import(Stmt):
    """`import module as name` (`what` None), or `from module import what as name`."""

    module: str
    what: str | None
    name: str


@dataclass(frozen=True, slots=True)
class Delete(Stmt):
    target: Expr
