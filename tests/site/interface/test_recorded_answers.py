"""The answers that the tests of the screens are given are answers of this server."""

import json
from collections.abc import Iterator
from typing import Any

from tests.site.base import DemoCase
from tests.site.interface.answers import ASKED, WRITTEN, answers_of, numbers


def names_in(value: Any, where: str = "") -> Iterator[str]:
    """Every place of an answer that has a name: rows of a list are one place."""
    if isinstance(value, dict):
        for name, inner in value.items():
            yield f"{where}.{name}"
            yield from names_in(inner, f"{where}.{name}")
    for row in value if isinstance(value, list) else ():
        yield from names_in(row, f"{where}[]")


class RecordedAnswersTest(DemoCase):
    def test_each_names_what_the_server_names_now(self):
        for username in ASKED:
            recorded = json.loads((WRITTEN / f"{username}.json").read_text("utf-8"))
            now = answers_of(username, numbers(self.session))
            for (path, before), after in zip(recorded["answers"].items(), now.values(), strict=True):
                with self.subTest(username=username, path=path):
                    self.assertEqual(
                        _top(before), _top(after), "record the answers anew: python -m tests.site.interface.answers"
                    )
                    unknown = {name for name in names_in(before) if not _is_key_of_data(name)} - set(names_in(after))
                    self.assertEqual(unknown, set())


def _top(answer: Any) -> set[str]:
    """The names an answer has at its top; those of its first row where it is a list, none where that is empty."""
    return set((answer or [{}])[0]) if isinstance(answer, list) else set(answer)


def _is_key_of_data(name: str) -> bool:
    """Dictionaries by the user's own words (settings, steps, pins) have other keys each time."""
    return any(part in name for part in (".settings.", ".figures.", ".pins.", ".history"))
