"""What the stations' assessments share: the pair's bench, its sheets and its program, each computed once for a case."""

from dataclasses import replace
from functools import cached_property

from verifex.core.assess.case import Case
from verifex.core.circuit import WiringReport, check_wiring
from verifex.core.circuit.handed_out import HandedOut
from verifex.core.diagnosis import Suspects, bench_case
from verifex.core.expected import Measured, Sheet, expected_sheet
from verifex.core.expected.unavailable import Unavailable, Why
from verifex.core.parts import Board, catalogue
from verifex.core.problems import UnusableInput
from verifex.core.program import ProgramReport
from verifex.core.readings.grid import printable_values, printed_by_count
from verifex.core.twin import check_on_bench


class Workbench:
    """The computed things of one case."""

    def __init__(self, case: Case) -> None:
        self.case = case

    @cached_property
    def wiring(self) -> WiringReport | None:
        """The wiring check with the exercise, the measured supply and what was handed out."""
        return self.wiring_of(self.case.wiring) if self.case.wiring is not None else None

    def wiring_of(self, text: str) -> WiringReport:
        case = self.case
        return check_wiring(
            text, exercise=case.exercise, handed_out=self.handed_out, rail_volts=case.measured.rail_volts
        )

    @property
    def handed_out(self) -> HandedOut:
        """What the hatch gave, with the settings of modules as they were measured at the bench."""
        given, measured = self.case.handed_out, self.case.measured.settings
        both = {ref: {**given.settings.get(ref, {}), **measured.get(ref, {})} for ref in {*given.settings, *measured}}
        return replace(given, settings=both) if both else given

    @property
    def board(self) -> Board:
        """The board of the bench as it is wired, else the case's, else the exercise's usual one."""
        wired = self.wiring.bench.board if self.wiring else None
        return wired or catalogue().boards[self.case.board or self.case.exercise.board]

    @cached_property
    def built(self) -> Sheet:
        """The expected sheet of the pair's own bench; its `reason` says why there is none."""
        case = self.case
        try:
            return expected_sheet(
                case.exercise, case.wiring, measured=case.measured, handed_out=self.handed_out, board=case.board
            )
        except UnusableInput as wrong:
            return Sheet(case.exercise, None, unavailable=Unavailable(Why.CANNOT_BE_USED, wrong.problems[0].message))

    @cached_property
    def intended(self) -> Sheet:
        """The exercise's own sheet for the way of feeding that the pair chose, with its board's measured values.

        The pair's own resistors are not the exercise's, but one that the hatch gave in place of the recipe's is.
        """
        own = self.case.measured
        measured = Measured(own.rail_volts, own.internal_volts, own.outside_volts, stimulus=own.stimulus)
        suits = self.board.id if self.board.id in self.case.exercise.boards else None
        try:
            return expected_sheet(
                self.case.exercise,
                measured=measured,
                variant=self.built.variant,
                handed_out=self.handed_out,
                board=suits,
            )
        except UnusableInput as wrong:
            return Sheet(
                self.case.exercise, None, unavailable=Unavailable(Why.CANNOT_BE_USED, wrong.problems[0].message)
            )

    @cached_property
    def program(self) -> ProgramReport | None:
        """The program check on the pair's bench. Raises UnusableInput for a text that is no program at all."""
        case = self.case
        if case.program is None:
            return None
        view = self.wiring.view if self.wiring else None
        return check_on_bench(case.program, view, case.exercise, self.board.id)

    @cached_property
    def printable_lines(self) -> list[str] | None:
        """Every line that the pair's program can print; None where that cannot be known."""
        try:
            return printable_values(self.program) if self.program else None
        except UnusableInput:
            return None

    @cached_property
    def suspects(self) -> Suspects:
        """Every fault that this bench can have, with the pair's own program where what it prints is known."""
        sheet, lines = self.built, self.printable_lines
        counts = printed_by_count(lines, self.board.counts) if lines else None
        tables = dict.fromkeys(sheet.chains, counts) if counts is not None and len(sheet.chains) == 1 else {}
        view = self.wiring.view if self.wiring else None
        return Suspects.of(bench_case(self.case.exercise, self.board, sheet, view, self.case.measured, tables))
