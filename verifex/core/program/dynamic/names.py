"""Names of a Python program: which are a function's own, which an outer function's, which the program's."""

from collections.abc import Callable
from dataclasses import dataclass, field
from difflib import get_close_matches
from typing import Any

from verifex.core.program import tree as t
from verifex.core.program.compiler.names import Refused
from verifex.core.program.dynamic.values import UNSET, Frame, error
from verifex.core.program.runtime.clocks import PYTHON_CLOCKS
from verifex.core.program.runtime.machine import Machine
from verifex.core.program.runtime.watch import LineWatch

OUTER_FRAME = 0  # the first cell of a function's frame leads to the frame it was made in


Value = Callable[[Frame], Any]
Write = Callable[[Frame, Any], None]
Action = Callable[[Frame], object]


@dataclass(slots=True)
class Scope:
    """One function's names and their slots; a class body has a scope that functions inside it do not see."""

    outer: "Scope | None"
    is_class: bool = False
    slots: dict[str, int] = field(default_factory=dict)
    globals: set[str] = field(default_factory=set)
    size: int = 1
    renamed: list[dict[str, int]] = field(default_factory=list)  # names of comprehensions under way
    at: t.At | None = None  # of a class: where it is written

    def slot(self, name: str) -> int | None:
        for names in reversed(self.renamed):
            if name in names:
                return names[name]
        return self.slots.get(name)

    def new(self) -> int:
        self.size += 1
        return self.size - 1

    def add(self, name: str) -> int:
        if name not in self.slots:
            self.slots[name] = self.new()
        return self.slots[name]


def class_key(scope: Scope) -> str:
    """What a run keeps a class under while its methods ask for it."""
    return f"class at {scope.at}"


@dataclass(frozen=True, slots=True)
class Place:
    """Where a name lives: a cell of the program, or a slot so many frames out."""

    slot: int
    depth: int = -1  # −1: a cell of the program

    def read(self, cells: Frame, name: str, at: t.At) -> Any:
        slot, depth = self.slot, self.depth
        if depth < 0:

            def of_program(frame: Frame) -> Any:
                value = cells[slot]
                if value is UNSET:
                    raise error("NameError", f"name '{name}' is not defined", at)
                return value

            return of_program
        if depth == 0:

            def own(frame: Frame) -> Any:
                value = frame[slot]
                if value is UNSET:
                    raise error("UnboundLocalError", f"'{name}' has no value yet", at)
                return value

            return own

        def outer(frame: Frame) -> Any:
            for _ in range(depth):
                frame = frame[OUTER_FRAME]
            value = frame[slot]
            if value is UNSET:
                raise error("NameError", f"'{name}' has no value yet", at)
            return value

        return outer

    def write(self, cells: Frame) -> Any:
        slot, depth = self.slot, self.depth
        if depth < 0:

            def of_program(frame: Frame, value: Any) -> None:
                cells[slot] = value

            return of_program

        def outer(frame: Frame, value: Any) -> None:
            for _ in range(depth):
                frame = frame[OUTER_FRAME]
            frame[slot] = value

        return outer


class ForwardReferences:
    """What earlier parts need of later ones: an expression may hold a function, and a function holds statements. Set once
    all are made."""

    call: Callable[[t.Call], Value]
    function: Callable[[t.Function | t.Lambda, str], Value]
    comprehension: Callable[[t.Comprehension], Value]
    assign: Callable[[t.Assign], Value]
    write_to: Callable[[t.Expr], Write]
    body: Callable[[t.Function | t.Lambda], tuple[Callable[[Frame], object], Callable[[], int]]]
    one: Callable[[t.Stmt], Action]


class Names:
    """Scopes and cells of one program; the machine is put in at the start of a run."""

    def __init__(self, program: t.Program, builtins: dict[str, Any]) -> None:
        self.program, self.builtins = program, builtins
        self.refused: list[Refused] = []
        self.machine: list[Machine] = []
        self.cells: Frame = []
        self.indices: dict[str, int] = {}
        self.scope: Scope | None = None
        self.watch: LineWatch | None = None
        self.first_written: dict[str, t.At] = {}
        self.read_names: set[str] = set()
        # Nobody knows what a clock's name means once the program gives it to something of its own.
        self.clocks = {name: us for name, us in PYTHON_CLOCKS.items() if not program.named(name)}

    def cell(self, name: str) -> Place:
        if name not in self.indices:
            self.cells.append(UNSET)
            self.indices[name] = len(self.cells) - 1
        return Place(self.indices[name])

    def place(self, name: str) -> Place | None:
        """Where a name is read from; None when nothing ever gives it a value."""
        scope, depth = self.scope, 0
        first = True
        while scope is not None:
            if name in scope.globals:
                break
            if (first or not scope.is_class) and (slot := scope.slot(name)) is not None:
                return Place(slot, depth)
            scope, depth, first = scope.outer, depth + 1, False
        return self.cell(name) if name in self.indices else None

    def target(self, name: str) -> Place:
        """Where a name is written to."""
        if self.scope is None or name in self.scope.globals:
            return self.cell(name)
        place = self.place(name)
        if place is not None and place.depth >= 0:
            return place
        return Place(self.scope.add(name), 0)

    def unknown(self, name: str, at: t.At) -> None:
        known = ["True", "False", "None", *self.indices, *self.builtins, *(self.scope.slots if self.scope else ())]
        cased = next((k for k in known if k.lower() == name.lower()), None)
        if cased:
            self.refused.append(Refused("name-miscased", at, name, cased))
        else:
            near = get_close_matches(name, known, n=1, cutoff=0.75)
            self.refused.append(Refused("name-undeclared", at, name, near[0] if near else None))


def assigned(body: t.Node) -> tuple[set[str], set[str], set[str]]:
    """Names that a function's body gives a value: its own, those it calls `global`, and those it calls `nonlocal`."""
    own: set[str] = set()
    outer: dict[str, set[str]] = {"global": set(), "nonlocal": set()}
    ahead: list[t.Node] = [body]
    while ahead:
        node = ahead.pop()
        match node:
            case t.Assign():
                own |= targets(node.target)
            case t.ForIn():
                own |= targets(node.target)
            case t.Handler() | t.With() if node.name:
                own.add(node.name)
            case t.Import():
                own.add(node.name)
            case t.Define():
                own.add(node.function.name)
                continue
            case t.Class():
                own.add(node.name)
                continue
            case t.Outer():
                outer[node.kind] |= set(node.names)
            case t.Lambda():
                continue
        ahead.extend(t.children(node))
    return own - outer["global"] - outer["nonlocal"], outer["global"], outer["nonlocal"]


def targets(node: t.Expr) -> set[str]:
    match node:
        case t.Name():
            return {node.name}
        case t.Group():
            return {name for item in node.items for name in targets(item)}
        case t.Star():
            return targets(node.value)
    return set()
