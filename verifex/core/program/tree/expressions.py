"""What has a value."""

from dataclasses import dataclass

from verifex.core.program.tree.base import Expr, Node
from verifex.core.program.tree.statements import Function
from verifex.core.program.types import Type


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
class Field(Expr):
    """A field of a record; with `arrow` of the record a pointer leads to."""

    base: Expr
    name: str
    arrow: bool = False


@dataclass(frozen=True, slots=True)
class Comma(Expr):
    left: Expr
    right: Expr


@dataclass(frozen=True, slots=True)
class SizeOf(Expr):
    """The bytes of a type, or of an expression's type."""

    type: Type | None
    operand: Expr | None


@dataclass(frozen=True, slots=True)
class Cast(Expr):
    type: Type
    operand: Expr


@dataclass(frozen=True, slots=True)
class Items(Expr):
    """A list in braces that fills an array, or a record; `names` are the fields where they are named."""

    items: tuple[Expr, ...]
    names: tuple[str, ...] = ()


@dataclass(frozen=True, slots=True)
class Keyword(Node):
    """A value given by the name of its parameter; without a name a dictionary of such (`**named`)."""

    name: str
    value: Expr


@dataclass(frozen=True, slots=True)
class Call(Expr):
    """A call of `name`, on `receiver` (`Serial`) where that is a name, else on the value `on` where there is one.

    Without a name it is `on` itself that is called.
    """

    name: str
    args: tuple[Expr, ...]
    receiver: str | None = None
    on: Expr | None = None
    keywords: tuple[Keyword, ...] = ()
    types: tuple[Type, ...] = ()  # in pointed brackets


@dataclass(frozen=True, slots=True)
class New(Expr):
    """A value made where it is asked for, or `length` of them; what comes out is where it lies."""

    type: Type
    length: Expr | None
    args: tuple[Expr, ...]


@dataclass(frozen=True, slots=True)
class InlineFunction(Expr):
    """A function without a name; `by` is what it takes names of its surroundings by: `&` where they lie, `=` their values."""

    function: Function
    by: str


@dataclass(frozen=True, slots=True)
class Held(Expr):
    """A record that is being made: `box` holds it while it is."""

    box: list[object]
    type: Type
