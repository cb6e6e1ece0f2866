"""One thing done wrong to a sound layout, with the rules that may find it, how bad it is, and the part to be named.

A mutation is a function from a layout (its own to change) and a random source to a `Wrong`, or None where the
layout has nothing it could be done to.
"""

from copy import deepcopy
from random import Random

from tests.corpus.wiring import lead_mutations, part_mutations  # noqa: F401  # entered by being imported
from tests.corpus.wiring.layout import sound_layout
from tests.corpus.wiring.mutation import (
    MUTATIONS,
    Wrong,
)


def mutated(seed: int) -> tuple[str, str, Wrong]:
    """(sound text, text with one thing wrong, what it is) for a seed; the mutations come in turn."""
    act = list(MUTATIONS.values())[seed % len(MUTATIONS)]
    rng = Random(seed * 7 + 3)
    for turn in range(1000):
        layout = sound_layout(seed * 1000 + turn)
        wrong = act(changed := deepcopy(layout), rng)
        if wrong is not None:
            return layout.text(False), changed.text(), wrong
    raise RuntimeError(f"no layout takes the mutation of seed {seed}")
