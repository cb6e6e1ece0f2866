"""Which lines mark the steps, in any style, and which step of the plan each means."""

import re
from collections.abc import Collection
from difflib import SequenceMatcher, get_close_matches

from verifex.core.exercise import Exercise
from verifex.core.printed.lines import MARK_SIGNS, core_of

LEAST_LIKENESS = 0.6  # of a line that is signed as a mark
MOST_LOOKED_AT = 4000  # different lines that are looked at for marks
MOST_LETTERS = 120  # of a mark
MOST_WORDS = 6  # of a line that is a mark by one of them
SMALL_WORDS = frozenset(["a", "an", "and", "at", "from", "in", "is", "it", "my", "of", "on", "the", "to", "with"])
LEAST_UNSIGNED = 0.8  # of one that is not
_NUMBERED = re.compile(
    r"^(?:(?:now|next|step|stage|phase|part|test|no)\b[\s:.#]*)*(\d{1,2})\s*(?:$|[).:\s-]\s*(\D*)$)", re.IGNORECASE
)
_SAID = re.compile(r"^(?:now|next|step|stage|phase|state|condition)\b[\s:.#]*(?:\d{1,2}\s*[).:-]?\s*)?", re.IGNORECASE)
_PLAIN = re.compile(r"[^a-z0-9äöüß]+")


def plain(text: str) -> str:
    return _PLAIN.sub(" ", text.lower()).strip()


class Marks:
    """The steps of a plan, to be found by what a line says; steps of one name are taken in their order.

    `by_a_word` are lines that may mark a step by a single word of its name that no other step's has: `room`, `in my hand`.
    """

    def __init__(self, exercise: Exercise, by_a_word: Collection[str] = ()) -> None:
        self.by_a_word = frozenset(by_a_word)
        self.names = [step.name for step in exercise.steps]
        self._plain = [plain(name) for name in self.names]
        self._known: dict[tuple[str, bool], str | None] = {}
        self._last = -1

    def is_signed(self, line: str) -> bool:
        return line.startswith(MARK_SIGNS)

    def step_of(self, line: str, *, signed: bool) -> int | None:
        """The index of the step a line means, or None. Of steps with one name it is the next that was not come to yet."""
        key = (line, signed)
        if key not in self._known:
            if len(self._known) > MOST_LOOKED_AT:  # no list of marks: what comes now is text
                return None
            self._known[key] = self._name_of(line, signed=signed)
        name = self._known[key]
        if name is None:
            return None
        if name.isdigit():
            self._last = int(name)
            return self._last
        same = [index for index, one in enumerate(self._plain) if one == name[1:]]
        later = [index for index in same if index > self._last]
        self._last = later[0] if later else same[-1]
        return self._last

    def _name_of(self, line: str, *, signed: bool) -> str | None:
        """`=` and the plain name of the step, or its index as digits."""
        core = core_of(line)
        if len(core) > MOST_LETTERS:
            return None
        said = plain(_SAID.sub("", core)) or plain(core)
        if not said:
            return None
        found = self._alike(said, LEAST_LIKENESS if signed else LEAST_UNSIGNED)
        if found is not None:
            return f"={self._plain[found]}"
        numbered = _NUMBERED.match(core)
        named = bool(re.match(r"(?i)\s*(now|next|step|stage|phase|part|test)\b", core))
        if numbered and (signed or named or not core.isdigit()) and 1 <= int(numbered.group(1)) <= len(self.names):
            if numbered.group(2) and not signed and not named:
                return None
            return str(int(numbered.group(1)) - 1)
        if line in self.by_a_word and (meant := self._by_a_word(said)) is not None:
            return f"={self._plain[meant]}"
        return None

    def names_by_a_word(self, line: str) -> bool:
        return self._by_a_word(plain(core_of(line))) is not None

    def _by_a_word(self, said: str) -> int | None:
        words = [set(name.split()) - SMALL_WORDS for name in self._plain]
        own = [own - set().union(*(other for other in words if other is not own)) for own in words]
        heard = said.split()
        found = {
            index
            for index, names in enumerate(own)
            if any(get_close_matches(word, names, 1, LEAST_UNSIGNED) for word in heard)
        }
        return found.pop() if len(found) == 1 and len(heard) <= MOST_WORDS else None

    def _alike(self, said: str, least: float) -> int | None:
        within = [index for index, name in enumerate(self._plain) if name and f" {name} " in f" {said} "]
        if within:
            return max(within, key=lambda index: len(self._plain[index]))
        likeness = [SequenceMatcher(None, said[: len(name) + 4], name).ratio() for name in self._plain]
        best = max(range(len(likeness)), key=likeness.__getitem__)
        return best if likeness[best] >= least else None

    def without_names(self, texts: tuple[str, ...]) -> tuple[str, ...]:
        """The texts around numbers without a step's name before them: it says when, and not what is printed."""
        for name in self.names:
            before, found, behind = texts[0].lower().partition(name.lower())
            if found:
                return (texts[0][: len(before)] + texts[0][len(texts[0]) - len(behind) :], *texts[1:])
        return texts

    def named_within(self, text: str) -> bool:
        """Whether the texts around a line's numbers name a step of the plan."""
        said = f" {plain(text)} "
        return any(name and f" {name} " in said for name in self._plain)
