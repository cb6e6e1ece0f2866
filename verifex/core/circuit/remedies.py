"""Remedies that are tried before they are given: applied to the bench, solved and checked again.

A remedy of a rule comes with the changes of the bench that its words ask for. One that leaves the finding, or makes a Stop that
was not there before, is not given; the next one of the rule is tried, and where none helps only what was found is reported.
"""

from collections.abc import Iterable
from dataclasses import dataclass, replace
from itertools import count

from verifex.core.circuit.bench import Bench, Part, Wire
from verifex.core.circuit.places import Hole, LegOf, Place
from verifex.core.circuit.view import BenchView
from verifex.core.findings import Finding, Severity
from verifex.core.parts import catalogue
from verifex.core.rulebook import RuleBook

#: The words where no remedy of a rule stands its trial.
NONE_HELPS = (
    "With the power off, compare the leads of {parts} with the circuit, one by one; no single change mends this."
)
APART = 1000
MOST_TRIED = 16  # on one bench: each trial costs as much as the check itself


@dataclass(frozen=True, slots=True)
class Join:
    """A wire laid between two places."""

    one: Place
    other: Place

    def apply(self, bench: Bench) -> None:
        bench.wires.append(Wire((self.one, self.other), None, 0))


@dataclass(frozen=True, slots=True)
class Exchange:
    """Two legs of a part exchanged: each goes where the other went."""

    ref: str
    one: str
    other: str

    def apply(self, bench: Bench) -> None:
        part = bench.parts[self.ref]
        places = {leg: part.legs.get(leg, LegOf(part.ref, leg)) for leg in (self.one, self.other)}
        _put(bench, part, {self.one: places[self.other], self.other: places[self.one]})


@dataclass(frozen=True, slots=True)
class Move:
    """A leg taken off where it is, and led to another place."""

    ref: str
    leg: str
    to: Place

    def apply(self, bench: Bench) -> None:
        _put(bench, bench.parts[self.ref], {self.leg: self.to})


@dataclass(frozen=True, slots=True)
class Shift:
    """Whatever ends in a place, of wires and legs, goes to another one."""

    here: Place
    to: Place

    def apply(self, bench: Bench) -> None:
        def after(place: Place) -> Place:
            return self.to if place == self.here else place

        bench.wires[:] = [replace(wire, ends=(after(wire.ends[0]), after(wire.ends[1]))) for wire in bench.wires]
        for part in list(bench.parts.values()):
            if self.here in part.legs.values():
                _put(bench, part, {leg: after(place) for leg, place in part.legs.items()})


@dataclass(frozen=True, slots=True)
class TakeOut:
    """A wire taken out."""

    wire: Wire

    def apply(self, bench: Bench) -> None:
        bench.wires.remove(self.wire)


@dataclass(frozen=True, slots=True)
class Add:
    """Another part, with its first two legs in these places; `settings` as in a hand-in."""

    kind: str
    one: Place
    other: Place
    settings: tuple[tuple[str, str], ...] = ()

    def apply(self, bench: Bench) -> None:
        kind = catalogue().parts[self.kind]
        first, second, *_ = kind.legs
        ref = next(name for n in count(900) if (name := f"X{n}") not in bench.parts)
        bench.parts[ref] = Part(ref, kind, {first: self.one, second: self.other}, dict(self.settings), 0)


@dataclass(frozen=True, slots=True)
class InSeries:
    """A resistor put between a leg and what it is joined to."""

    ref: str
    leg: str
    ohms: float

    def apply(self, bench: Bench) -> None:
        part = bench.parts[self.ref]
        before = part.legs[self.leg]
        apart = Hole("a", APART + len(bench.parts))  # a row of its own, beyond every base
        _put(bench, part, {self.leg: apart})
        Add("resistor", before, apart, (("value", f"{self.ohms:g}"),)).apply(bench)


@dataclass(frozen=True, slots=True)
class Replace:
    """Another value in place of a part's own."""

    ref: str
    setting: str
    value: str

    def apply(self, bench: Bench) -> None:
        part = bench.parts[self.ref]
        kept = {name: text for name, text in part.settings.items() if name not in ("bands", "measured", "given")}
        bench.parts[self.ref] = replace(part, settings={**kept, self.setting: self.value})


Change = Join | Exchange | Move | Shift | TakeOut | Add | InSeries | Replace


def _put(bench: Bench, part: Part, places: dict[str, Place]) -> None:
    bench.parts[part.ref] = replace(part, legs={**part.legs, **places})


def changed(bench: Bench, changes: Iterable[Change]) -> Bench:
    """A copy of the bench with the changes made one after the other."""
    made = replace(bench, parts=dict(bench.parts), wires=list(bench.wires))
    for change in changes:
        change.apply(made)
    return made


def with_tried_remedies(view: BenchView, book: RuleBook[BenchView], findings: list[Finding]) -> list[Finding]:
    """The findings, each with the remedy that helps most; one without changes is a choice of the pair's, and given as it is."""
    trial: _Trial | None = None
    told = []
    for found in findings:
        if any(remedy.changes for remedy in found.remedies):
            trial = trial or _Trial(view, book)
            told.append(replace(found, remedy=trial.best(found)))
        else:
            told.append(found)
    return told


class _Trial:
    """Tries remedies on one bench."""

    def __init__(self, view: BenchView, book: RuleBook[BenchView]) -> None:
        self.view, self.book = view, book
        self.stops = _stops(book.found(view))
        self.left = MOST_TRIED

    def best(self, found: Finding) -> str:
        """The words of the remedy after which least is wrong with the parts of the finding; the first one where all is well."""
        best: tuple[int, str] | None = None
        for remedy in found.remedies:
            wrong = self._left_wrong(found, remedy.changes) if remedy.changes else None
            if wrong == 0:
                return remedy.words
            if wrong is not None and (best is None or wrong < best[0]):
                best = wrong, remedy.words
        if best is not None:
            return best[1]
        choice = next((remedy.words for remedy in found.remedies if not remedy.changes), None)
        return choice or NONE_HELPS.format(parts=" and ".join(found.where.parts[:3]) or "these parts")

    def _left_wrong(self, found: Finding, changes: Iterable[Change]) -> int | None:
        """How many Stops and Fixes are left at the parts of a finding; None where it is there still, or a new Stop is."""
        if not self.left:
            return None
        self.left -= 1
        parts = set(found.where.parts)
        after = self.book.found(self.view.with_bench(changed(self.view.bench, changes)))
        here = [one for one in after if parts & set(one.where.parts)]
        # As long as a supply is shorted nothing else is looked for, so what is found afterwards was there before.
        worse = not self.view.shorted and not _stops(after) <= self.stops
        if any(one.rule == found.rule for one in here) or worse:
            return None
        return sum(one.severity in (Severity.STOP, Severity.FIX) for one in here)


def _stops(findings: Iterable[Finding]) -> set[tuple[str, frozenset[str]]]:
    return {(one.rule, frozenset(one.where.parts)) for one in findings if one.severity is Severity.STOP}
