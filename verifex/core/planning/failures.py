"""How often parts fail: by batch, and how many times one module did."""

from collections.abc import Iterable
from dataclasses import dataclass


@dataclass(frozen=True, slots=True)
class BatchFailures:
    """Modules of a batch, how many faults they had, and for how many times they were handed out."""

    batch: str
    modules: int
    faults: int
    uses: int

    @property
    def rate(self) -> float | None:
        """Faults a use, by the rule of succession (faults + 1)/(uses + 2), so that one fault in two uses is no certainty; None where
        it was never used. Source: Laplace, for a share of which nothing else is known."""
        return (self.faults + 1) / (self.uses + 2) if self.uses else None


def worst_first(batches: Iterable[BatchFailures]) -> list[BatchFailures]:
    """Those with the most faults a use first; what was never used last."""
    return sorted(batches, key=lambda b: (b.rate is None, -(b.rate or 0.0), b.batch))


def times(count: int) -> str:
    """`first time`, `third time`, `12th time`."""
    words = {1: "first", 2: "second", 3: "third", 4: "fourth", 5: "fifth"}
    return f"{words.get(count, f'{count}th')} time"
