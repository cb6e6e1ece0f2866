"""What the variables of one line of a program were each time a run came to it."""

from collections.abc import Callable
from dataclasses import dataclass, field
from typing import Any

MOST_ROWS = 4000  # times that a line is come to in a run; later ones are not kept
Reader = Callable[[Any], Any]  # takes the frame of a run


@dataclass(frozen=True, slots=True)
class WatchedLine:
    """One time that the line was come to: when, and its variables by name before and after, as they are shown."""

    ms: float
    before: dict[str, str]
    after: dict[str, str]


@dataclass(slots=True)
class LineWatch:
    """A line to be watched, counted from 1, and what was seen there."""

    line: int
    rows: list[WatchedLine] = field(default_factory=list)

    def around(
        self, action: Callable[[Any], Any], readers: dict[str, Reader], clock: Callable[[], float], makes: str = ""
    ) -> Callable[[Any], Any]:
        """The action of a statement on that line, noted each time it is done. The variable that it `makes` is none before."""
        known = {name: read for name, read in readers.items() if name != makes}

        def watched(frame: Any) -> Any:
            if len(self.rows) >= MOST_ROWS:
                return action(frame)
            ms, before = clock(), shown(known, frame)
            place = len(self.rows)
            self.rows.append(WatchedLine(ms, before, {}))
            signal = action(frame)
            self.rows[place] = WatchedLine(ms, before, shown(readers, frame))
            return signal

        return watched


def shown(readers: dict[str, Reader], frame: Any) -> dict[str, str]:
    """The variables' values in words; one that has none yet, or is no single value, is left out."""
    found = {}
    for name, read in readers.items():
        value = read(frame)
        if isinstance(value, bool | int):
            found[name] = str(value)
        elif isinstance(value, float):
            found[name] = f"{value:.6g}"
        elif isinstance(value, str):
            found[name] = f"“{value[:40]}”"
    return found
