"""The Python dialect as closures that run on the machine."""

from collections.abc import Callable
from typing import Any

from verifex.core.program import tree as t
from verifex.core.program.compiler import Compiled
from verifex.core.program.dynamic.builtins import BUILTINS
from verifex.core.program.dynamic.names import assigned
from verifex.core.program.dynamic.showing import shown
from verifex.core.program.dynamic.statements import Statements
from verifex.core.program.dynamic.values import ERRORS, UNSET, Raised
from verifex.core.program.machine import Machine
from verifex.core.program.run import Ended, RunResult

__all__ = ["compile_python"]

CONSOLE_BAUD = 115200


def compile_python(program: t.Program) -> Compiled:
    """Resolve names and build the closures of the whole program; `whole` is None when names are refused."""
    statements = Statements(program, BUILTINS)
    main = program.functions["program"]
    own, _, _ = assigned(main.body)
    for name in sorted(own):
        statements.cell(name)
    action = statements.block(main.body)
    never_read = [
        (name, at)
        for name, at in statements.first_written.items()
        if name not in statements.read_names and not name.startswith("_")
    ]
    compiled = Compiled(statements.refused, unused=never_read)
    if not statements.refused:
        compiled.whole = _whole(statements, action)
    return compiled


def _whole(statements: Statements, action: Callable[[list[Any]], object]) -> Callable[[Machine], RunResult]:
    def run(machine: Machine) -> RunResult:
        statements.machine[:] = [machine]
        statements.cells[:] = [UNSET] * len(statements.cells)
        machine.baud = CONSOLE_BAUD

        def whole() -> None:
            try:
                action([None])
                while machine.agenda.timers or machine.agenda.watches:  # what was started goes on by itself
                    machine.spend_us(machine.stop_us - machine.now_us)
            except Raised as wrong:
                if wrong.value.of is ERRORS["SystemExit"] or machine.stopping:
                    return
                said = shown(machine, wrong.value, wrong.at)
                raise Ended(
                    "raised", wrong.at, f"{wrong.value.of.name}: {said}" if said else wrong.value.of.name
                ) from None

        result = machine.finish(whole)
        if machine.own.get("set-up"):
            result.released = bool(machine.own.get("released"))
        return result

    return run
