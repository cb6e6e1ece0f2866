"""What the core needs to know of a docket: its exercise, its kit, its measured values, its hand-ins."""

from collections.abc import Mapping
from dataclasses import dataclass

from verifex.core.circuit import Programmed, WiringReport, check_wiring, read_bench
from verifex.core.exercise import Exercise as ExerciseFile
from verifex.core.expected import Measured, Sheet, expected_sheet
from verifex.core.parts import Board, catalogue
from verifex.core.problems import UnusableInput
from verifex.dockets.models import Attempt, Clearance, Docket, Judgement, Kind
from verifex.exercises.measured import measured_of
from verifex.stores.models import KitIssue
from verifex.stores.services import issued_ohms


@dataclass(frozen=True)
class DocketBench:
    """One docket's bench, as the core's functions take it."""

    docket: Docket

    @property
    def file(self) -> ExerciseFile:
        return self.docket.version.file

    def kit_issue(self) -> KitIssue | None:
        """The kit the pair has now, else the last one it had in this session."""
        issues = KitIssue.objects.filter(pair=self.docket.pair, session=self.docket.session)
        return issues.filter(returned_at__isnull=True).first() or issues.order_by("-issued_at").first()

    def batch_orders(self) -> dict[str, str]:
        issue = self.kit_issue()
        return dict(issue.leg_orders) if issue else {}

    def issued_ohms(self) -> dict[str, float]:
        return issued_ohms(self.kit_issue())

    def measured(self, also: Mapping[str, float] | None = None) -> Measured:
        """What was measured on this bench, with `also` in place of or besides it."""
        values = {m.name: m.value for m in self.docket.measurements.all()}  # the last one of a name counts
        return measured_of({**values, **(also or {})})

    def last(self, kind: str) -> Attempt | None:
        return self.docket.attempts.filter(kind=kind).order_by("-number").first()

    def standing_clearance(self) -> Clearance | None:
        return self.docket.clearances.filter(voided_at__isnull=True).select_related("wiring", "kit_issue").first()

    def wiring(self) -> Attempt | None:
        """The wiring the bench is built to: the cleared one, else the last handed in."""
        clearance = self.standing_clearance()
        return clearance.wiring if clearance else self.last(Kind.WIRING)

    def board(self) -> Board:
        """The board on the bench as it is wired, else the exercise's own."""
        wiring = self.wiring()
        bench = read_bench(wiring.text) if wiring else None
        return (bench and bench.board) or catalogue().boards[self.file.board]

    def check_wiring(self, text: str, program: Programmed | None = None) -> WiringReport:
        """The wiring check with this docket's exercise, batch, substitutions and measured supply."""
        return check_wiring(
            text,
            exercise=self.file,
            program=program,
            batch_orders=self.batch_orders(),
            rail_volts=self.measured().rail_volts,
            issued_ohms=self.issued_ohms(),
        )

    def sheet_as_built(self, also: Mapping[str, float] | None = None) -> Sheet:
        """The expected sheet of the pair's own bench, perhaps with other measured values; its `reason` says why there is none."""
        wiring = self.wiring()
        text = wiring.text if wiring else None
        try:
            return expected_sheet(self.file, text, measured=self.measured(also), batch_orders=self.batch_orders())
        except UnusableInput as wrong:
            return Sheet(self.file, None, reason=wrong.problems[0].message)

    def sheet_as_intended(self, like: Sheet | None = None) -> Sheet:
        """The exercise's own sheet for the variant the pair chose, with this bench's measured values."""
        own = self.measured()
        # The pair's resistors are not the exercise's: only what belongs to the board and the steps counts here.
        measured = Measured(own.rail_volts, own.internal_volts, own.outside_volts, stimulus=own.stimulus)
        return expected_sheet(self.file, measured=measured, variant=like.variant if like else None)


def last_judgement(attempt: Attempt | None) -> Judgement | None:
    return attempt.judgements.order_by("-id").first() if attempt else None
