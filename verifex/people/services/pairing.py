"""Who works with whom: students put together by a rule, without repeating earlier pairs where that can be done."""

from collections.abc import Collection, Mapping, Sequence
from random import Random
from typing import Literal

Way = Literal["list", "random", "alike", "mixed"]
MOST_TRIES = 200


def pairing(
    users: Sequence[int],
    way: Way,
    *,
    avoid: Collection[frozenset[int]] = (),
    marks: Mapping[int, float],
    rng: Random,
) -> list[list[int]]:
    """Pairs of the users (in the order of the class list); one left over makes a three with the last pair.

    `list` puts neighbours together, `random` anyone, `alike` those of like marks, `mixed` the upper half with the lower
    half. Pairs in `avoid` are not made again while another choice is left; marks nobody has count as the middle.
    """
    if len(users) < 2:
        return [list(users)] if users else []
    best: list[list[int]] = []
    least = None
    for turn in range(MOST_TRIES):
        tried = _once(list(users), way, marks, rng, shaken=turn)
        again = sum(_repeats(pair, avoid) for pair in tried)
        if least is None or again < least:
            best, least = tried, again
        if again == 0:
            break
    return best


def _repeats(pair: Sequence[int], avoid: Collection[frozenset[int]]) -> int:
    return sum(frozenset((a, b)) in avoid for place, a in enumerate(pair) for b in pair[place + 1 :])


def _once(users: list[int], way: Way, marks: Mapping[int, float], rng: Random, shaken: int) -> list[list[int]]:
    """One way of putting them together; from the second try on (`shaken`) neighbours change places more and more."""
    middle = sorted(marks.values())[len(marks) // 2] if marks else 0.0
    if way == "random":
        rng.shuffle(users)
    elif way in ("alike", "mixed"):
        rng.shuffle(users)  # equal marks in any order
        users.sort(key=lambda user: -marks.get(user, middle))
        if way == "mixed":
            half = len(users) // 2
            rest = users[2 * half :]
            users = [user for both in zip(users[:half], users[half : 2 * half], strict=True) for user in both] + rest
    for _ in range(shaken):
        a = rng.randrange(len(users))
        b = max(0, min(len(users) - 1, a + rng.choice((-2, -1, 1, 2))))
        users[a], users[b] = users[b], users[a]
    pairs = [users[start : start + 2] for start in range(0, len(users) - 1, 2)]
    if len(users) % 2:
        pairs[-1] = [*pairs[-1], users[-1]]
    return pairs
