"""The Python dialect as closures that run on the machine."""

from collections.abc import Callable
from typing import Any

from verifex.core.program import tree as t
from verifex.core.program.compiler import Compiled
from verifex.core.program.dynamic.assignments import Assignments
from verifex.core.program.dynamic.builtins import BUILTINS
from verifex.core.program.dynamic.expressions import Expressions
from verifex.core.program.dynamic.functions import Functions
from verifex.core.program.dynamic.loops import Loops
from verifex.core.program.dynamic.modules import files, streams
from verifex.core.program.dynamic.names import ForwardReferences, Names, assigned
from verifex.core.program.dynamic.showing import shown
from verifex.core.program.dynamic.statements import Statements
from verifex.core.program.dynamic.values import ERRORS, UNSET, Raised
from verifex.core.program.runtime.machine import Machine
from verifex.core.program.runtime.run_result import Ended, RunResult
from verifex.core.program.runtime.watch import LineWatch

__all__ = ["compile_python"]

CONSOLE_BAUD = 115200


def compile_python(program: t.Program, watch: LineWatch | None = None) -> Compiled:
    """Resolve names and build the closures of the whole program; `whole` is None when names are refused. `watch` is a line
    whose variables are noted."""
    names, statements = _parts(program)
    names.watch = watch
    main = program.functions["program"]
    own, _, _ = assigned(main.body)
    for name in sorted(own):
        names.cell(name)
    action = statements.block(main.body)
    never_read = [
        (name, at)
        for name, at in names.first_written.items()
        if name not in names.read_names and not name.startswith("_")
    ]
    compiled = Compiled(names.refused, unused=never_read)
    if not names.refused:
        compiled.whole = _whole(names, action)
    return compiled


def _parts(program: t.Program) -> tuple[Names, Statements]:
    """The parts, each made from those before it; what an earlier one needs of a later one is set at the end."""
    later, names = ForwardReferences(), Names(program, BUILTINS | streams.BROUGHT | files.BROUGHT)
    expressions = Expressions(names, later)
    assignments = Assignments(names, expressions)
    functions = Functions(names, expressions, later)
    loops = Loops(names, expressions, assignments, later)
    statements = Statements(names, expressions, assignments, functions, loops)
    later.call, later.function, later.comprehension = functions.call, functions.function, functions.comprehension
    later.assign, later.write_to = assignments.assign, assignments.write_to
    later.body, later.one = statements.body, statements.one
    return names, statements


def _whole(names: Names, action: Callable[[list[Any]], object]) -> Callable[[Machine], RunResult]:
    def run(machine: Machine) -> RunResult:
        names.machine[:] = [machine]
        names.cells[:] = [UNSET] * len(names.cells)
        machine.baud = CONSOLE_BAUD
        machine.globals = lambda: {
            name: names.cells[index] for name, index in names.indices.items() if names.cells[index] is not UNSET
        }

        def whole() -> None:
            try:
                action([None])
                # On a board that runs nothing else, what was started goes on by itself; a computer ends the program.
                goes_on = "cpp" in machine.board.languages
                while goes_on and (machine.agenda.timers or machine.agenda.watches):
                    machine.spend_us(machine.stop_us - machine.now_us)
            except Raised as wrong:
                if wrong.value.of is ERRORS["SystemExit"]:
                    return
                said = shown(machine, wrong.value, wrong.at)
                if wrong.value.of is ERRORS["FileNotFoundError"] and not machine.stopping:
                    raise Ended("unsupported", wrong.at, "a file of the pair's own computer") from None
                if machine.stopping:
                    if wrong.value.of is not ERRORS["KeyboardInterrupt"] and wrong.at is not None:
                        machine.result.stopped_with = (f"{wrong.value.of.name}: {said}", wrong.at)
                    return
                raise Ended(
                    "raised", wrong.at, f"{wrong.value.of.name}: {said}" if said else wrong.value.of.name
                ) from None

        result = machine.finish(whole)
        if machine.own.get("set-up"):
            result.released = bool(machine.own.get("released"))
        return result

    return run
