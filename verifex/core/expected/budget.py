"""A tolerance budget: every contributor with its size, its distribution and its share."""

from dataclasses import dataclass
from math import sqrt

RECTANGULAR_DIVISOR = sqrt(3)  # limits to standard uncertainty, JCGM 100:2008 (GUM) 4.3.7
COVERAGE = 2.0


@dataclass(frozen=True, slots=True)
class Contribution:
    """One contributor: its half width in the printed unit, taken as rectangular."""

    name: str
    half_width: float
    source: str

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

    @property
    def dominant(self) -> Contribution | None:
        return max(self.contributions, key=lambda c: c.half_width, default=None)

    def as_json(self) -> dict[str, object]:
        return {
            "unit": self.unit,
            "worst_case": round(self.worst_case, 4),
            "combined": round(self.combined, 4),
            "contributions": [
                {
                    "name": c.name,
                    "half_width": round(c.half_width, 4),
                    "share": round(self.share(c), 4),
                    "source": c.source,
                }
                for c in self.contributions
            ],
        }
