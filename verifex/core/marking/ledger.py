"""What is taken off one criterion, exactly; rounded to the scheme's step in one place, when it is shown."""

from dataclasses import dataclass, field
from decimal import ROUND_HALF_DOWN, Decimal
from fractions import Fraction


@dataclass(frozen=True, slots=True)
class _Entry:
    sentence: str
    marks: Fraction  # taken off; 0 for a sentence that costs nothing


@dataclass(slots=True)
class Ledger:
    """Deductions from a criterion worth `of` marks, with their sentences.

    `is_open`: nothing is handed in yet. `to_decide`: nobody judged it, so nothing is proposed and a person decides.
    """

    of: Decimal
    step: Decimal
    is_open: bool = False
    to_decide: bool = False
    _entries: list[_Entry] = field(default_factory=list)

    @property
    def is_empty(self) -> bool:
        return not self._entries

    def note(self, sentence: str) -> None:
        """A sentence that costs nothing."""
        self._entries.append(_Entry(sentence, Fraction(0)))

    def take(self, marks: Fraction | Decimal, sentence: str) -> None:
        """A deduction with its reason."""
        self._entries.append(_Entry(sentence, Fraction(marks)))

    def lacks(self, sentence: str, *, final: bool) -> None:
        """What is not handed in: it costs the whole criterion in the end, and nothing before."""
        if final:
            self.take(self.of, sentence)
        else:
            self.is_open = True
            self.note("Nothing to mark yet.")

    def leave_to_a_person(self, sentence: str) -> None:
        """Nobody judged it: there is no proposal, whatever else was found."""
        self.to_decide = True
        self.note(sentence)

    @property
    def proposed(self) -> Decimal | None:
        """What is left, a multiple of the step; None where there is nothing to propose."""
        if self.is_open or self.to_decide:
            return None
        left = self.of - self._rounded(sum((entry.marks for entry in self._entries), Fraction(0)))
        return Decimal(f"{left.normalize():f}")  # 6, not 6.0, whatever the step is written like

    def sentences(self) -> tuple[str, ...]:
        """The evidence, each with what it takes off. What is shown adds up to what is taken off in all: each shows by how
        much the rounded sum grows with it."""
        shown, before, so_far = [], Decimal(0), Fraction(0)
        for entry in self._entries:
            so_far += entry.marks
            now = self._rounded(so_far)
            taken, before = now - before, now
            shown.append(f"{entry.sentence.rstrip('.')} (−{taken.normalize():f})." if taken else entry.sentence)
        return tuple(shown)

    def _rounded(self, marks: Fraction) -> Decimal:
        """A deduction in steps, at most all there is; halves in favour of the pair."""
        steps = Decimal(marks.numerator) / Decimal(marks.denominator) / self.step
        return min(self.of, steps.quantize(Decimal(1), rounding=ROUND_HALF_DOWN) * self.step)
