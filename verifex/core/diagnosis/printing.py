"""How a program makes a printed value of a raw reading: by the exercise's formula, by its own, or by a wrong one."""

from collections.abc import Callable
from dataclasses import dataclass, replace

import numpy as np

from verifex.core.expected.signal.formula import Formula
from verifex.core.parts.outputs import FloatArray

Change = Callable[[FloatArray], FloatArray]


def unchanged(values: FloatArray) -> FloatArray:
    return values


@dataclass(frozen=True, slots=True)
class Printing:
    """`before` changes the raw reading, `after` the value that the formula gives. `table` is what the pair's own program
    prints of each count, where that is known (NaN where it prints nothing); it stands in for the formula."""

    formula: Formula
    before: Change = unchanged
    after: Change = unchanged
    table: FloatArray | None = None

    def value(self, raw: FloatArray) -> FloatArray:
        """The printed value of a raw reading: counts, microseconds or the module's own number. Broadcasts."""
        raw = self.before(np.asarray(raw, dtype=float))
        if self.table is not None:
            at = np.clip(np.rint(raw), 0, len(self.table) - 1).astype(int)
            return self.after(self.table[at])
        return self.after(self.formula.value(raw))

    def by_formula(self) -> "Printing":
        """The exercise's formula, whatever the program handed in does."""
        return replace(self, table=None)

    def then(self, after: Change) -> "Printing":
        before = self.after
        return replace(self, after=lambda values: after(before(values)))
