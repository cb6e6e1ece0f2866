"""`python -m verifex.demo.clean FOLDER …`: takes away data folders of the demo. One that holds another course is taken away
only when its title is typed."""

import shutil
import sqlite3
import sys
from contextlib import closing
from pathlib import Path

import yaml

from verifex.demo import DEMO_LOG_INS


def main() -> int:
    refused = 0
    for name in sys.argv[1:]:
        folder = Path(name)
        if not folder.exists():
            continue
        own = [title for title in titles_in(folder) if title not in demo_titles(folder)]
        if own and not _confirmed(folder, own[0]):
            print(f"{folder} holds the course “{own[0]}” and was left as it is.")
            refused = 1
            continue
        shutil.rmtree(folder)
        print(f"{folder} is gone.")
    return refused


def titles_in(folder: Path) -> list[str]:
    """The courses in a data folder."""
    file = folder / "verifex.sqlite3"
    if not file.exists():
        return []
    with closing(sqlite3.connect(f"file:{file}?mode=ro", uri=True)) as opened:
        try:
            return [title for (title,) in opened.execute("SELECT title FROM people_course ORDER BY id")]
        except sqlite3.DatabaseError:
            return []


def demo_titles(folder: Path) -> set[str]:
    """The titles that the demo itself loads into a folder it has set up."""
    if not (folder / DEMO_LOG_INS).exists():
        return set()
    course = Path(__file__).resolve().parent.parent.parent / "demo" / "course.yaml"
    return {yaml.safe_load(course.read_text("utf-8"))["course"]} if course.exists() else set()


def _confirmed(folder: Path, title: str) -> bool:
    if not sys.stdin.isatty():
        return False
    return (
        input(f"{folder} holds a course that is not the demo's. To delete it for good, type its title ({title}): ")
        == title
    )


if __name__ == "__main__":
    sys.exit(main())
