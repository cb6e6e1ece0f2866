"""The corpus of benches: sound ones as files, faulty ones as a sound one with a few lines changed.

A `.faults` file is called after the sound bench it changes. It holds blocks:

    = what was done | rule | severity | part it must name
    - a line of the sound bench, taken out
    + a line put in its place (or at the end)
"""

from collections.abc import Iterator
from dataclasses import dataclass
from pathlib import Path

FOLDER = Path(__file__).parent


@dataclass(frozen=True, slots=True)
class CorpusBench:
    """One bench. A faulty one says which rule must find it (or one of several), how bad it is and which part it names."""

    name: str
    text: str
    rules: tuple[str, ...] = ()
    severity: str = ""
    part: str = ""


def sound_benches() -> list[CorpusBench]:
    return [CorpusBench(file.stem, file.read_text("utf-8")) for file in sorted((FOLDER / "sound").glob("*.bench"))]


def faulty_benches() -> list[CorpusBench]:
    sound = {bench.name: bench.text for bench in sound_benches()}
    found = []
    for file in sorted((FOLDER / "faulty").glob("*.faults")):
        for head, edits in _blocks(file.read_text("utf-8")):
            title, rules, severity, part = (cell.strip() for cell in head.split("|"))
            text = _changed(sound[file.stem], edits, f"{file.name}: {title}")
            found.append(CorpusBench(f"{file.stem}: {title}", text, tuple(rules.split(" or ")), severity, part))
    return found


def _blocks(text: str) -> Iterator[tuple[str, list[str]]]:
    head: str = ""
    edits: list[str] = []
    for line in text.splitlines():
        if line.startswith("= "):
            if head:
                yield head, edits
            head, edits = line[2:], []
        elif line.strip() and not line.startswith("#"):
            edits.append(line)
    if head:
        yield head, edits


def _changed(text: str, edits: list[str], name: str) -> str:
    lines = text.splitlines()
    at = len(lines)
    for edit in edits:
        if edit.startswith("- "):
            wanted = edit[2:].strip()
            places = [i for i, line in enumerate(lines) if line.strip() == wanted]
            if len(places) != 1:
                raise ValueError(f"{name}: {len(places)} lines read '{wanted}'")
            at = places[0]
            del lines[at]
        else:
            lines.insert(at, edit[2:])
            at += 1
    return "\n".join(lines) + "\n"
