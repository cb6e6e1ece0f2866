"""A tolerance budget: every contributor with its size, its distribution and its share."""

from dataclasses import dataclass
from math import sqrt

RECTANGULAR_DIVISOR = sqrt(3)  # limits to standard uncertainty, JCGM 100:2008 (GUM) 4.3.7
COVERAGE = 2.0
WORTH_MEASURING = 0.85  # of the band it would leave


@dataclass(frozen=True, slots=True)
class Contribution:
    """One contributor: its half width in the printed unit, taken as rectangular.

    `once_measured` is the half width left after measuring it (None: it cannot be measured), `how` says how to.
    """

    name: str
    half_width: float
    source: str
    key: str = ""
    once_measured: float | None = None
    how: str = ""
    distribution: str = "rectangular"

    @property
    def standard(self) -> float:
        return self.half_width / RECTANGULAR_DIVISOR


@dataclass(frozen=True, slots=True)
class Budget:
    """Contributors in the printed unit. Worst case adds; combined is root sum of squares times k = 2."""

    unit: str
    contributions: tuple[Contribution, ...]

    @property
    def worst_case(self) -> float:
        return sum(c.half_width for c in self.contributions)

    @property
    def combined(self) -> float:
        """U = k·√Σu² (GUM 5.1.2, 6.2.1), never wider than the worst case."""
        return min(self.worst_case, COVERAGE * sqrt(sum(c.standard**2 for c in self.contributions)))

    def share(self, contribution: Contribution) -> float:
        """The contributor's share of the combined variance, 0 to 1."""
        total = sum(c.standard**2 for c in self.contributions)
        return contribution.standard**2 / total if total else 0.0

    def without(self, contribution: Contribution) -> float:
        """The combined uncertainty once `contribution` is measured."""
        left = contribution.once_measured if contribution.once_measured is not None else contribution.half_width
        rest = sum(c.standard**2 for c in self.contributions if c is not contribution)
        worst = self.worst_case - contribution.half_width + left
        return min(worst, COVERAGE * sqrt(rest + (left / RECTANGULAR_DIVISOR) ** 2))

    @property
    def measure_first(self) -> Contribution | None:
        """The contributor whose measuring would narrow the band most; None when none would by much."""
        able = [c for c in self.contributions if c.once_measured is not None and c.half_width > 0]
        best = min(able, key=self.without, default=None)
        return best if best and self.combined and self.without(best) < WORTH_MEASURING * self.combined else None

    def advice(self) -> str:
        """What to measure first, in words; empty when nothing is worth it."""
        best = self.measure_first
        if best is None:
            return ""
        left = self.without(best) / self.combined
        words = (
            "to less than a quarter"
            if left < 0.25
            else "to a third"
            if left < 0.4
            else "to half"
            if left < 0.6
            else f"by {100 * (1 - left):.0f} %"
        )
        return f"{best.how[:1].upper()}{best.how[1:]}: it narrows the band {words}."

    def as_json(self) -> dict[str, object]:
        return {
            "unit": self.unit,
            "worst_case": round(self.worst_case, 4),
            "combined": round(self.combined, 4),
            "advice": self.advice(),
            "contributions": [
                {
                    "key": c.key,
                    "name": c.name,
                    "half_width": round(c.half_width, 4),
                    "share": round(self.share(c), 4),
                    "distribution": c.distribution,
                    "source": c.source,
                    "once_measured": None if c.once_measured is None else round(c.once_measured, 4),
                }
                for c in self.contributions
            ],
        }
