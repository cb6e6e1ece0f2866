"""Names and types of a program, then closures that run it on the machine.

What a compiler refuses is collected at its place; a program with refusals is not run.
"""

from collections.abc import Callable, Mapping
from dataclasses import dataclass, field
from difflib import get_close_matches
from functools import partial

from verifex.core.parts import Board
from verifex.core.program import tree as t
from verifex.core.program.boards import OWN_HEADERS
from verifex.core.program.compiler.assignments import Assignments
from verifex.core.program.compiler.calls import Calls
from verifex.core.program.compiler.expressions import Expressions
from verifex.core.program.compiler.functions import Functions
from verifex.core.program.compiler.initial import InitialValues
from verifex.core.program.compiler.lambdas import Lambdas
from verifex.core.program.compiler.loops import Loops
from verifex.core.program.compiler.names import Action, CompileContext, ForwardReferences, Refused
from verifex.core.program.compiler.places import Places
from verifex.core.program.compiler.records import Records
from verifex.core.program.compiler.statements import Statements
from verifex.core.program.overlay import Overlay
from verifex.core.program.runtime.machine import Machine, RunResult
from verifex.core.program.runtime.watch import LineWatch
from verifex.core.program.types import Type, size_of

MOST_MADE = 200  # functions of templates, made of one another
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
    #: The types of variables that are `auto`, by where they are declared.
    types: Mapping[t.At, Type] = field(default_factory=dict)


def compile_program(program: t.Program, board: Board, watch: LineWatch | None = None) -> Compiled:
    """Resolve names and types and build the closures; `start`, `setup`, `loop` are None when refused. `watch` is a line whose
    variables are noted."""
    return _Compiler(program, board, watch).compiled()


class _Compiler:
    """The parts, each made from those before it; what an earlier one needs of a later one is set at the end."""

    def __init__(self, program: t.Program, board: Board, watch: LineWatch | None) -> None:
        later = ForwardReferences()
        self.program, self.board = program, board
        self.names = CompileContext(program, board)
        self.names.watch = watch
        places = Places(self.names, later)
        expressions = Expressions(self.names, places, later)
        assignments = Assignments(self.names, places, expressions)
        self.functions = Functions(self.names, places, expressions)
        records = Records(self.names, expressions, self.functions)
        calls = Calls(self.names, places, expressions, self.functions, records)
        loops = Loops(self.names, expressions, later)
        initial = InitialValues(self.names, places, expressions, records)
        self.statements = Statements(self.names, expressions, self.functions, initial, loops)
        later.value, later.call = expressions.value, calls.call
        later.assign, later.step = assignments.assign, assignments.step
        later.filled, later.new = initial.filled, initial.new
        later.lambda_ = Lambdas(self.names, places, expressions, self.statements).lambda_
        later.statement, later.sequence = self.statements.statement, self.statements.sequence

    def compiled(self) -> Compiled:
        program, names = self.program, self.names
        self._refuse_outside_functions()
        starts = [self.statements.declare(declare) for declare in program.globals]
        for key, function in program.functions.items():
            if not function.open:
                self.statements.function(key, function)
        done: set[str] = set()
        while left := [key for key in self.functions.made if key not in done]:
            for key in left[:MOST_MADE]:
                self.statements.function(key, self.functions.made[key])
            done.update(left)
        ram, kept = self.board.memory_bytes, self.statements.bytes_kept
        if ram and kept > ram:
            largest = max(program.globals, key=lambda g: size_of(g.type), default=None)
            at = largest.at if largest else t.At(1, 1)
            names.refuse("memory-full", at, f"about {kept} of the board's {ram}")
        unused = [(name, v.at) for name, v in names.variables if not v.used]
        compiled = Compiled(names.refused, unused=unused, types=names.types)
        if not names.refused:
            self._enter(compiled, starts)
        return compiled

    def _refuse_outside_functions(self) -> None:
        """What is missing, described twice, without a type, or included wrongly."""
        program, refuse = self.program, self.names.refuse
        for name in ("setup", "loop"):
            if name not in program.functions:
                refuse("missing-function", t.At(1, 1), name)
        for function in program.twice:
            refuse("described-twice", function.at, function.name.split("::")[-1])
        for name, at in program.includes:
            own = next((h for h in OWN_HEADERS.values() if h.lower() == name.lower() and h != name), None)
            like = get_close_matches(name, OWN_HEADERS.values(), n=1, cutoff=0.85)
            if own or (like and like[0] != name):
                refuse("name-miscased" if own else "name-undeclared", at, name, own or like[0])
        for function in program.untyped:
            refuse("without-type", function.at, function.name)
        for name, near, at in program.not_included:
            cased = near is not None and near.lower() == name.lower()
            refuse("name-miscased" if cased else "name-undeclared" if near else "include-missing", at, name, near)

    def _enter(self, compiled: Compiled, starts: list[Action]) -> None:
        """Where a run enters the program."""
        names, bodies = self.names, self.functions.bodies
        size = len(names.globals)
        lasting = {name: v.index for name, v in names.scope.names.items() if v.is_global and not v.constant}

        def start(machine: Machine) -> None:
            names.machine[:] = [machine]
            names.globals[:] = [0] * size
            machine.functions = {name: partial(runs(name), machine) for name in bodies}
            machine.globals = lambda: {name: names.globals[index] for name, index in lasting.items()}
            for action in starts:
                action(names.globals)

        def runs(name: str) -> Callable[..., None]:
            action, slots = bodies[name]

            def run(machine: Machine, *args: object) -> None:
                action([*args, *[0] * (slots - len(args))])

            return run

        compiled.start, compiled.setup, compiled.loop = start, runs("setup"), runs("loop")
        # So much that looking at it would take longer than running: no pass is then taken for a repetition.
        small = self.statements.bytes_kept <= MOST_KEPT
        compiled.snapshot = lambda: _frozen(names.globals) if small else object()


def _frozen(cells: object) -> object:
    """The values of globals as they are now; arrays are filled in place, so they are copied."""
    if isinstance(cells, Overlay):
        return bytes(cells.memory)
    return tuple(_frozen(cell) for cell in cells) if isinstance(cells, list) else cells
