"""Names and types of a program, then closures that run it on the machine.

What a compiler refuses is collected at its place; a program with refusals is not run.
"""

from collections.abc import Callable
from dataclasses import dataclass, field
from difflib import get_close_matches
from functools import partial

from verifex.core.parts import Board
from verifex.core.program import tree as t
from verifex.core.program.boards import OWN_HEADERS
from verifex.core.program.compiler.names import Action, Refused
from verifex.core.program.compiler.statements import Statements
from verifex.core.program.machine import Machine, RunResult
from verifex.core.program.types import size_of

MOST_KEPT = 4096  # bytes of globals that are looked at after each pass

__all__ = ["Compiled", "Refused", "compile_program"]


@dataclass(slots=True)
class Compiled:
    """A program ready to run on a machine."""

    refused: list[Refused] = field(default_factory=list)
    start: Callable[[Machine], None] | None = None
    setup: Callable[[Machine], None] | None = None
    loop: Callable[[Machine], None] | None = None
    snapshot: Callable[[], object] | None = None
    whole: Callable[[Machine], RunResult] | None = None  # a program that runs from its first line to its last
    unused: list[tuple[str, t.At]] = field(default_factory=list)


def compile_program(program: t.Program, board: Board) -> Compiled:
    """Resolve names and types and build the closures; `start`, `setup`, `loop` are None when refused."""
    return _Compiler(program, board).compiled


class _Compiler(Statements):
    def __init__(self, program: t.Program, board: Board) -> None:
        super().__init__(program, board)
        for name in ("setup", "loop"):
            if name not in program.functions:
                self._refuse("missing-function", t.At(1, 1), name)
        for function in program.twice:
            self._refuse("described-twice", function.at, function.name.split("::")[-1])
        for name, at in program.includes:
            own = next((h for h in OWN_HEADERS.values() if h.lower() == name.lower() and h != name), None)
            like = get_close_matches(name, OWN_HEADERS.values(), n=1, cutoff=0.85)
            if own or (like and like[0] != name):
                self._refuse("name-miscased" if own else "name-undeclared", at, name, own or like[0])
        for function in program.untyped:
            self._refuse("without-type", function.at, function.name)
        for name, near, at in program.not_included:
            cased = near is not None and near.lower() == name.lower()
            self._refuse("name-miscased" if cased else "name-undeclared" if near else "include-missing", at, name, near)
        starts = [self._declare(declare) for declare in program.globals]
        for key, function in program.functions.items():
            self._function(key, function)
        ram = board.memory_bytes
        if ram and self.bytes_kept > ram:
            largest = max(program.globals, key=lambda g: size_of(g.type), default=None)
            at = largest.at if largest else t.At(1, 1)
            self._refuse("memory-full", at, f"about {self.bytes_kept} of the board's {ram}")
        self.compiled = Compiled(self.refused, unused=[(name, v.at) for name, v in self.variables if not v.used])
        if not self.refused:
            self._entry_points(starts)

    def _entry_points(self, starts: list[Action]) -> None:
        size = len(self.globals)

        def start(machine: Machine) -> None:
            self.machine[:] = [machine]
            self.globals[:] = [0] * size
            machine.functions = {name: partial(runs(name), machine) for name in self.bodies}
            for action in starts:
                action(self.globals)

        def runs(name: str) -> Callable[[Machine], None]:
            action, slots = self.bodies[name]

            def run(machine: Machine) -> None:
                action([0] * slots)

            return run

        self.compiled.start, self.compiled.setup, self.compiled.loop = start, runs("setup"), runs("loop")
        # So much that looking at it would take longer than running: no pass is then taken for a repetition.
        small = self.bytes_kept <= MOST_KEPT
        self.compiled.snapshot = lambda: _frozen(self.globals) if small else object()


def _frozen(cells: object) -> object:
    """The values of globals as they are now; arrays are filled in place, so they are copied."""
    return tuple(_frozen(cell) for cell in cells) if isinstance(cells, list) else cells
