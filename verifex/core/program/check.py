"""The whole program check: text in, findings out, and a program ready to run."""

import logging
from collections.abc import Mapping
from dataclasses import dataclass

from verifex.core.exercise import Exercise
from verifex.core.failures import note_failure
from verifex.core.findings import Finding, Severity
from verifex.core.hand_ins import HandIn
from verifex.core.parts import Board
from verifex.core.problems import Problem, UnusableInput
from verifex.core.program.compiler import Compiled, compile_program
from verifex.core.program.cpp import read_cpp, syntax_problems
from verifex.core.program.cpp.depth import is_too_deep
from verifex.core.program.devices import PURPOSES, Declared, DeclaredClass
from verifex.core.program.dialect import TITLES, dialect_of, read_as
from verifex.core.program.dynamic import compile_python
from verifex.core.program.pasted import as_typed
from verifex.core.program.python import python_problems, read_python
from verifex.core.program.rules import PROGRAM
from verifex.core.program.rules.view import PinUse, ProgramView
from verifex.core.program.runtime.machine import Budget, Machine, RunResult, Surroundings
from verifex.core.program.runtime.watch import LineWatch
from verifex.core.program.short_runs import dry_runs
from verifex.core.program.tree import At, Program, Unsupported

LOG = logging.getLogger(__name__)
TOO_DEEP = "so deep a nesting"


@dataclass(frozen=True, slots=True)
class ProgramReport:
    """Findings on a program, and the program itself to run."""

    source: str
    board: Board
    findings: list[Finding]
    tree: Program
    compiled: Compiled
    compiles: bool
    runs: list[RunResult]

    @property
    def runnable(self) -> bool:
        """Whether it can be run: it compiles, and nothing in it is unsupported."""
        built = self.compiled.loop is not None or self.compiled.whole is not None
        return self.compiles and not self.tree.unsupported and not self.tree.failed and built

    def run(
        self,
        surroundings: Surroundings,
        seconds: float,
        *,
        serial_blocks: bool = False,
        budget: Budget | None = None,
        watch: LineWatch | None = None,
    ) -> RunResult:
        """Run on `surroundings` for `seconds` of virtual time. Raises ValueError when it is not runnable.

        Each run has cells and closures of its own, so that two at once, or one that is held on the way, touch nothing of each other.
        """
        machine = Machine(self.board, surroundings, seconds, budget=budget, serial_blocks=serial_blocks)
        return self.run_on(machine, watch)

    def run_on(self, machine: Machine, watch: LineWatch | None = None) -> RunResult:
        """The same on a machine that is made already. Raises ValueError when it is not runnable."""
        if not self.runnable:
            raise ValueError("this program cannot be run")
        compiled = _compiled(self.tree, self.board, watch)
        machine.declared = self.tree.declared
        if compiled.whole:
            return compiled.whole(machine)
        assert compiled.start and compiled.setup and compiled.loop and compiled.snapshot
        return machine.run(compiled.start, compiled.setup, compiled.loop, compiled.snapshot)


def check_program(
    source: str,
    board: Board,
    *,
    wired: Mapping[str, PinUse] | None = None,
    exercise: Exercise | None = None,
    reference: str | None = None,
) -> ProgramReport:
    """Check a program in the dialect its board takes.

    `wired` says what hangs on each pin, `reference` which reference the bench's variant wants. Raises
    UnusableInput for a text over 64 kB; anything else becomes a finding.
    """
    HandIn.PROGRAM.facts.refuse_larger(source)
    if "\0" in source:
        line = source[: source.index("\0")].count("\n") + 1
        raise UnusableInput([Problem(line, 1, "this is no program text; a file of another kind was probably chosen")])
    problems, tree, compiled = _built(source, board, _declared(exercise))
    view = ProgramView(source, board, problems, tree, compiled, [], wired, exercise, reference=reference)
    view.other_language = _other_language(source, board, tree.dialect)
    report = ProgramReport(source, board, [], tree, compiled, view.compiles, [])
    if report.runnable:
        view.runs = dry_runs(report.run, board)
    findings = first_things_first(PROGRAM.run(view))
    return ProgramReport(source, board, findings, tree, compiled, view.compiles, view.runs)


def read_program(source: str, board: Board) -> Program:
    """The tree of a program, neither checked nor run; empty where it is not well formed."""
    return _built(source, board, Declared())[1]


def first_things_first(findings: list[Finding]) -> list[Finding]:
    """Tidiness can wait until the program does what it is to do."""
    if any(finding.severity in (Severity.STOP, Severity.FIX) for finding in findings):
        return [finding for finding in findings if finding.severity is not Severity.NOTE]
    return findings


def _other_language(source: str, board: Board, dialect: str) -> str:
    """The title of the language a text is written in, where its board does not take that; else empty."""
    written_in = dialect_of(source)
    return TITLES[written_in] if written_in not in (None, dialect) and written_in not in board.languages else ""


def _declared(exercise: Exercise | None) -> Declared:
    if exercise is None:
        return Declared()
    classes = {
        driver.name: DeclaredClass(
            len(driver.constructor) if driver.constructor else None,
            {method: PURPOSES[purpose] for method, purpose in driver.methods.items()},
        )
        for driver in exercise.drivers
    }
    methods = {name: PURPOSES[purpose] for name, purpose in exercise.library_methods.items()}
    return Declared(classes, exercise.library_constants, methods)


def _compiled(tree: Program, board: Board, watch: LineWatch | None = None) -> Compiled:
    return compile_python(tree, watch) if tree.dialect == "python" else compile_program(tree, board, watch)


def _built(source: str, board: Board, declared: Declared) -> tuple[list[Problem], Program, Compiled]:
    """What a compiler refuses, the tree, and the program ready to run as far as it is."""
    dialect = read_as(source, board)
    nothing = Program(dialect=dialect)
    if not source.strip():
        return [Problem(1, 1, "the program is empty")], nothing, Compiled()
    if other := _other_language(source, board, dialect):
        return [Problem(1, 1, f"this reads like {other}")], nothing, Compiled()
    pasted, source = as_typed(source.removeprefix("\ufeff"), dialect)
    if dialect != "python" and is_too_deep(source):
        nothing.unsupported.append(Unsupported(At(1, 1), TOO_DEEP))
        return [], nothing, Compiled()
    try:
        if dialect == "python":
            problems = [*pasted, *python_problems(source)]
            tree = nothing if problems else read_python(source)
            tree.declared = declared
            compiled = Compiled() if problems or tree.unsupported else _compiled(tree, board)
        else:
            problems = [*pasted, *syntax_problems(source)]
            tree = nothing if problems else read_cpp(source, board.int_bits)
            tree.declared = declared
            compiled = Compiled() if problems or tree.unsupported else _compiled(tree, board)
            tree.take_types(compiled.types)
    except RecursionError:
        nothing.unsupported.append(Unsupported(At(1, 1), TOO_DEEP))
        return [], nothing, Compiled()
    except MemoryError:
        raise  # the limit on a check's memory, reported as such
    except Exception:  # an error of ours: logged, and never shown as an error of the program
        note_failure(LOG, "a program could not be read")
        nothing.failed = True
        return [], nothing, Compiled()
    # What was left out may declare names, so only a whole program is judged for them.
    return problems, tree, Compiled() if tree.unsupported else compiled
