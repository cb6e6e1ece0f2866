"""What a card or a list says of a station's record: a few words and counts, kept beside it."""

from verifex.core.assess.records import ProgramRecord, ReadingsRecord, Record, StationRecord
from verifex.core.findings import Severity


class Summary(Record):
    """`counts` by severity; `seen` is the most urgent finding's sentence, `stop` the most urgent Stop's.

    Of readings: the verdict, the step last read with its centre, the title of the fault that fits best, and whether the
    log is worth a second look.
    """

    counts: dict[str, int] = {}
    seen: str = ""
    stop: str = ""
    compiles: bool = True
    unchecked: int = 0  # things we could not check, which are no judgement
    overrun: str = ""
    verdict: str = ""
    last_step: str = ""
    last_centre: float | None = None
    last_unit: str = ""
    rail_volts: float | None = None  # the measured supply, with a wiring
    fits_best: str = ""
    second_look: bool = False

    @property
    def worst(self) -> Severity | None:
        return next((severity for severity in Severity if self.counts.get(severity)), None)

    @property
    def serious(self) -> int:
        """Stops and Fixes."""
        return self.counts.get(Severity.STOP, 0) + self.counts.get(Severity.FIX, 0)

    @property
    def is_clean(self) -> bool:
        """Nothing that a person has to look at: no Stop, Fix or Check, and readings in limits."""
        looked = self.serious + self.counts.get(Severity.CHECK, 0)
        return (
            not looked
            and not self.unchecked
            and not self.overrun
            and self.verdict in ("", "in-limits")
            and not self.second_look
        )


def summary_of(record: StationRecord, unit: str = "", rail_volts: float | None = None) -> Summary:
    """`unit` is that of the exercise's main reading, `rail_volts` the measured supply."""
    # The second look at a log is not a finding on the bench.
    findings = () if isinstance(record, ReadingsRecord) and not record.overrun else record.findings
    judged = [finding for finding in findings if not finding.unchecked]
    counts = {severity.value: sum(f.severity is severity for f in judged) for severity in Severity}
    stops = record.of_severity(Severity.STOP)
    readings = record if isinstance(record, ReadingsRecord) else None
    last = next((s for s in reversed(readings.steps) if s.centre is not None), None) if readings else None
    best = next((d.title for d in readings.diagnosis if d.likelihood == "fits best"), "") if readings else ""
    return Summary(
        counts=counts,
        unchecked=len(findings) - len(judged),
        seen=findings[0].seen if findings else "",
        stop=stops[0].seen if stops else "",
        compiles=record.compiles if isinstance(record, ProgramRecord) else True,
        overrun=record.overrun,
        verdict=readings.verdict if readings else "",
        last_step=last.name if last else "",
        last_centre=last.centre if last else None,
        last_unit=unit if last else "",
        rail_volts=rail_volts,
        fits_best=best,
        second_look=bool(readings and readings.findings and not readings.overrun),
    )
