"""A whole program, and the way through it."""

from collections.abc import Mapping
from dataclasses import dataclass, field, replace
from typing import Any, TypeVar

from verifex.core.identity import IdentityMap
from verifex.core.program.boards import is_library
from verifex.core.program.devices import Declared
from verifex.core.program.tree.base import At, Expr, Node
from verifex.core.program.tree.python import Import
from verifex.core.program.tree.statements import Declare, Function
from verifex.core.program.types import FLOAT, Struct, Type

Kept = TypeVar("Kept", bound=Node)


@dataclass(frozen=True, slots=True)
class Unsupported(Node):
    """Something the reader does not support yet; a person looks at it meanwhile."""

    what: str


@dataclass(slots=True)
class Program:
    """A whole program: globals in order, functions by key, records by name, what was not read.

    `dialect` is cpp or python; a Python program's statements outside functions are its function `program`.
    A function's key is its name; a further one of the same name has a number behind it (`show/2`).
    """

    dialect: str = "cpp"
    globals: list[Declare] = field(default_factory=list)
    functions: dict[str, Function] = field(default_factory=dict)
    records: dict[str, Struct] = field(default_factory=dict)
    #: Methods that each record made from another may do in its own way, as (record, name).
    virtual: set[tuple[str, str]] = field(default_factory=set)
    #: What fields of records begin with, by (record, field).
    begins: dict[tuple[str, str], Expr] = field(default_factory=dict)
    includes: list[tuple[str, At]] = field(default_factory=list)
    #: Types that only a library could bring where none is included: as written, the one of the language it is like, where.
    not_included: list[tuple[str, str | None, At]] = field(default_factory=list)
    #: Functions that are described a second time, with the same parameters.
    untyped: list[Function] = field(default_factory=list)  # functions without a type in front
    twice: list[Function] = field(default_factory=list)
    #: What the exercise says of its libraries; other classes are matched by their words.
    declared: Declared = field(default_factory=Declared)
    unsupported: list[Unsupported] = field(default_factory=list)
    failed: bool = False  # an error of ours kept the program from being read
    #: Constants of libraries whose value the program works with, and nobody has entered.
    unknown_constants: list[str] = field(default_factory=list)
    #: Methods of libraries whose words say nothing we know, as `Class.method`.
    unknown_methods: list[str] = field(default_factory=list)
    #: Names that macros are written under.
    macros: set[str] = field(default_factory=set)
    #: Constants of `enum` lists: one that nobody uses is no mistake, the list is whole with it.
    listed: set[str] = field(default_factory=set)
    #: Operations that take a macro's text apart, so that another sum is worked out than the macro reads, and where.
    apart: list[tuple[str, At]] = field(default_factory=list)
    #: The name a constant macro was written under, by the identity of the node that took its place.
    spelled: "IdentityMap[Expr, str]" = field(default_factory=IdentityMap)

    def named(self, name: str) -> list[tuple[str, Function]]:
        """Every function of that name with its key, in the order of the text."""
        return [(key, function) for key, function in self.functions.items() if function.name == name]

    def imported(self) -> list[str]:
        """The modules a Python program imports, each once, in the order of the text."""
        found = [node.module for node in walk_program(self) if isinstance(node, Import)]
        return list(dict.fromkeys(name for name in found if name))

    def take_types(self, types: Mapping[At, Type]) -> None:
        """Gives variables that are `auto` the types they were found to have, by where they are declared."""
        if types:
            self.globals = [_with_types(declare, types) for declare in self.globals]
            self.functions = {key: _with_types(function, types) for key, function in self.functions.items()}

    @property
    def libraries(self) -> list[str]:
        """The headers of libraries it includes, which somebody has to install."""
        return [name for name, _ in self.includes if is_library(name)]

    def add(self, function: Function) -> None:
        own = [[p.type for p in other.params] for _, other in self.named(function.name)]
        kinds = [p.type for p in function.params]
        # `float` and `double` are one type here, and two for telling functions apart.
        if kinds in own and FLOAT not in kinds:
            self.twice.append(function)
        count = len(own)
        self.functions[function.name if count == 0 else f"{function.name}/{count + 1}"] = function


def _with_types(node: Kept, types: Mapping[At, Type]) -> Kept:
    """The node with those types; whatever holds none of these variables stays the very same object."""
    changed: dict[str, Any] = {}
    for name in getattr(node, "__dataclass_fields__", {}):
        value = getattr(node, name)
        if isinstance(value, Node):
            new: object = _with_types(value, types)
        elif isinstance(value, tuple):
            items = tuple(_with_types(item, types) if isinstance(item, Node) else item for item in value)
            new = value if all(a is b for a, b in zip(items, value, strict=True)) else items
        else:
            continue
        if new is not value:
            changed[name] = new
    if isinstance(node, Declare) and node.at in types:
        changed["type"] = types[node.at]
    return replace(node, **changed) if changed else node


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
