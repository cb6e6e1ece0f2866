"""Copies of the database: made while the server runs, looked through, kept in a number, put back into an empty place.

A copy is one SQLite file, made by SQLite's own backup, so it is whole although others write meanwhile. Beside it stands its
digest, and a copy that differs from it is not put back.
"""

import os
import re
import sqlite3
import time
from collections.abc import Callable
from contextlib import closing
from datetime import UTC, datetime, timedelta
from hashlib import file_digest
from pathlib import Path

KEPT = 14  # a fortnight of daily copies
EVERY = timedelta(hours=24)
PAGES_AT_ONCE = 2000  # 8 MB; between two steps others may write
LEFT_SECONDS = 3600.0  # after which an unfinished copy is nobody's any more
WAITS_SECONDS = 30.0  # for a lock that another program holds
_NAME = re.compile(r"verifex-(\d{8}-\d{6})\.sqlite3$")


class BackupFailed(Exception):
    """A copy that cannot be made or used; says why, and what to do."""


def backup(source: sqlite3.Connection, folder: Path, now: datetime, *, keep: int = KEPT) -> Path:
    """Copy an open database into `folder` and take away the oldest copies beyond `keep`. Raises BackupFailed."""
    unfinished: Path | None = None
    try:
        folder.mkdir(parents=True, exist_ok=True)
        made = folder / f"verifex-{now.astimezone(UTC):%Y%m%d-%H%M%S}.sqlite3"
        unfinished = made.with_suffix(".unfinished")
        _clear(folder)
        with closing(sqlite3.connect(unfinished)) as target:
            source.backup(target, pages=PAGES_AT_ONCE, progress=_within(WAITS_SECONDS))
            # A copy is one file: the log that a database in use keeps beside it is put into it.
            target.execute("PRAGMA journal_mode=DELETE")
        _look_through(unfinished)
        _digest_file(made).write_text(f"{_digest(unfinished)}  {made.name}\n")
        os.replace(unfinished, made)
    except sqlite3.Error as wrong:
        raise BackupFailed(f"The database cannot be copied: {wrong}.") from None
    except OSError as wrong:
        raise BackupFailed(f"The copy cannot be written to {folder}: {wrong.strerror}. Is the disk full?") from None
    finally:
        if unfinished is not None:
            unfinished.unlink(missing_ok=True)
    # What is dated in the future was made while the clock was wrong: it takes the place of no other.
    past = [copy for copy in copies(folder) if made_at(copy) <= now]
    for old in past[keep:]:
        old.unlink(missing_ok=True)
        _digest_file(old).unlink(missing_ok=True)
    return made


def _clear(folder: Path) -> None:
    """Take away what an earlier copy that broke off has left; one that is being made now is younger."""
    for left in folder.glob("verifex-*.unfinished*"):
        if time.time() - left.stat().st_mtime > LEFT_SECONDS:
            left.unlink(missing_ok=True)


def _digest_file(copy: Path) -> Path:
    return copy.with_name(f"{copy.name}.sha256")


def _digest(file: Path) -> str:
    with file.open("rb") as opened:
        return file_digest(opened, "sha256").hexdigest()


def _hold_against_digest(copy: Path) -> None:
    """Raises BackupFailed for a copy that is not byte by byte what was copied."""
    try:
        kept = _digest_file(copy).read_text("utf-8").split()[0]
    except (OSError, IndexError, UnicodeDecodeError):
        raise BackupFailed(
            f"{_digest_file(copy).name} is missing beside {copy.name}, or cannot be read: copy both files, so that the copy can"
            " be checked before it is put back."
        ) from None
    if kept != _digest(copy):
        raise BackupFailed(f"{copy.name} was changed since it was made: it differs from its digest. Use another copy.")


def _within(seconds: float) -> Callable[[int, int, int], None]:
    """Watches a copy being made; raises BackupFailed where it stands still for so long, as a held lock makes it."""
    left, since = -1, time.monotonic()

    def watch(status: int, remaining: int, total: int) -> None:
        nonlocal left, since
        if remaining != left:
            left, since = remaining, time.monotonic()
        elif time.monotonic() - since > seconds:
            raise BackupFailed("The database is held by another program; no copy was made.")

    return watch


def copies(folder: Path) -> list[Path]:
    """The copies in a folder, the newest first."""
    return sorted((file for file in folder.glob("verifex-*.sqlite3") if _NAME.search(file.name)), reverse=True)


def made_at(copy: Path) -> datetime:
    """When a copy was made, by its name."""
    match = _NAME.search(copy.name)
    assert match is not None
    return datetime.strptime(match.group(1), "%Y%m%d-%H%M%S").replace(tzinfo=UTC)


def is_due(folder: Path, now: datetime) -> bool:
    """Whether the newest copy is a day old, or there is none. One from the future, made while the clock was wrong, does not
    count."""
    newest = next((copy for copy in copies(folder) if made_at(copy) <= now), None)
    return newest is None or now - made_at(newest) >= EVERY


def restore(copy: Path, database: Path) -> None:
    """Put a copy back where no database is. Raises BackupFailed, and then nothing was changed."""
    if database.exists():
        raise BackupFailed(
            f"There is a database at {database} already. Restore into an empty data directory, or move that one away first."
        )
    if not copy.is_file():
        raise BackupFailed(f"There is no copy at {copy}.")
    _look_through(copy)
    _hold_against_digest(copy)
    database.parent.mkdir(parents=True, exist_ok=True)
    with (
        closing(sqlite3.connect(f"file:{copy}?mode=ro", uri=True)) as source,
        closing(sqlite3.connect(database)) as target,
    ):
        source.backup(target)


def _look_through(file: Path) -> None:
    """Raises BackupFailed for a file that is no whole database of this program."""
    try:
        with closing(sqlite3.connect(f"file:{file}?mode=ro", uri=True)) as opened:
            (said,) = opened.execute("PRAGMA integrity_check").fetchone()
            tables = {name for (name,) in opened.execute("SELECT name FROM sqlite_master WHERE type = 'table'")}
    except sqlite3.DatabaseError as wrong:
        raise BackupFailed(f"{file} is no database: {wrong}.") from None
    if said != "ok":
        raise BackupFailed(f"{file} is damaged: {said}.")
    if "django_migrations" not in tables:
        raise BackupFailed(f"{file} holds nothing of this program.")
