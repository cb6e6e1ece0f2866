"""The remedies that are given, each made on the bench and checked again: the finding must be gone, and no Stop be new."""

import sys
from collections.abc import Iterable
from dataclasses import dataclass, field
from typing import Any

from tests.corpus.bounds import upper_bound
from tests.corpus.wiring.benches import faulty_benches
from tests.corpus.wiring.mutations import mutated
from verifex.core.circuit import WiringReport, check_wiring
from verifex.core.circuit.remedies import changed
from verifex.core.circuit.rules import WIRING
from verifex.core.findings import Finding, Severity

GENERATED = 3000


@dataclass
class Tally:
    """`given` were made and checked, `none` had no remedy that helps; `harmful` are those that should not have been given."""

    given: int = 0
    none: int = 0
    harmful: list[str] = field(default_factory=list)


def tried(texts: Iterable[str]) -> Tally:
    tally = Tally()
    for text in texts:
        report = check_wiring(text)
        for found in report.findings:
            remedy = next((one for one in found.remedies if one.words == found.remedy), None)
            tally.none += bool(found.remedies) and remedy is None
            if remedy is not None and remedy.changes:
                tally.given += 1
                if is_harmful(report, found, remedy.changes):
                    tally.harmful.append(f"{found.rule}: {found.seen} {found.remedy}")
    return tally


def is_harmful(report: WiringReport, found: Finding, changes: Iterable[Any]) -> bool:
    """Whether the finding is still there with the changes, or a Stop that was not there. Behind a short nothing else was looked for."""
    after = WIRING.found(report.view.with_bench(changed(report.bench, changes)))
    still = any(one.rule == found.rule and set(one.where.parts) & set(found.where.parts) for one in after)
    return still or (not report.view.shorted and not _stops(after) <= _stops(WIRING.found(report.view)))


def _stops(findings: Iterable[Finding]) -> set[tuple[str, frozenset[str]]]:
    return {(one.rule, frozenset(one.where.parts)) for one in findings if one.severity is Severity.STOP}


def main(arguments: Iterable[str] = ()) -> int:
    count = next((int(a) for a in arguments), GENERATED)
    tally = tried([bench.text for bench in faulty_benches()] + [mutated(seed)[1] for seed in range(count)])
    harmful = len(tally.harmful)
    print(
        f"remedies:  {tally.given} given and made on the bench, {harmful} harmful (rate under "
        f"{upper_bound(harmful, max(1, tally.given)):.2%}, 95 %); {tally.none} findings for which none helps"
    )
    for line in tally.harmful[:20]:
        print(f"  {line}")
    return 1 if tally.harmful else 0


if __name__ == "__main__":
    raise SystemExit(main(sys.argv[1:]))
