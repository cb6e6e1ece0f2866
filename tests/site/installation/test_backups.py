"""A copy of the database is whole, is kept in a number, and comes back the same in an empty place."""

import sqlite3
from contextlib import closing
from datetime import UTC, datetime, timedelta
from io import StringIO
from pathlib import Path
from tempfile import TemporaryDirectory
from typing import Any
from unittest import mock

from django.core.management import CommandError, call_command
from django.db import connection

from tests.site.base import DemoCase
from verifex.work.backups import BackupFailed, backup, copies, is_due, made_at

NOW = datetime(2026, 3, 2, 6, 30, tzinfo=UTC)


def content(opened: sqlite3.Connection) -> dict[str, list[Any]]:
    """Every row of every table."""
    tables = [name for (name,) in opened.execute("SELECT name FROM sqlite_master WHERE type = 'table'")]
    return {table: opened.execute(f'SELECT * FROM "{table}" ORDER BY rowid').fetchall() for table in sorted(tables)}


class BackupTest(DemoCase):
    def setUp(self):
        super().setUp()
        self.folder = Path(self.enterContext(TemporaryDirectory()))
        connection.ensure_connection()
        # A test's own transaction holds its database, so the demo is put into a file as a server would have it.
        (self.folder / "live.sqlite3").write_bytes(connection.connection.serialize())
        self.live = self.enterContext(closing(sqlite3.connect(self.folder / "live.sqlite3")))
        self.live.execute("PRAGMA journal_mode=WAL")  # as the server keeps it

    def test_what_comes_back_in_an_empty_directory_is_what_was_there(self):
        made = backup(self.live, self.folder / "copies", NOW)
        said = StringIO()
        call_command("restore", str(made), "--into", str(self.folder / "new"), stdout=said)
        with closing(sqlite3.connect(self.folder / "new" / "verifex.sqlite3")) as restored:
            there = content(restored)
        self.assertEqual(there, content(self.live))
        self.assertGreater(len(there["dockets_attempt"]), 20)
        self.assertIn("Run `manage.py migrate` next", said.getvalue())

    def test_so_many_are_kept_and_the_oldest_go_and_each_is_one_file(self):
        folder = self.folder / "copies"
        for day in range(5):
            backup(self.live, folder, NOW + timedelta(days=day), keep=3)
        self.assertEqual([made_at(copy).day for copy in copies(folder)], [6, 5, 4])
        beside = [copy.with_name(f"{copy.name}.sha256") for copy in copies(folder)]
        self.assertEqual(sorted(folder.iterdir()), sorted([*copies(folder), *beside]))

    def test_a_copy_with_one_flipped_byte_is_not_put_back(self):
        made = backup(self.live, self.folder / "copies", NOW)
        content_of = bytearray(made.read_bytes())
        content_of[content_of.index(b"Marlow")] ^= 1  # one letter of a name: the database is whole all the same
        made.write_bytes(content_of)
        with self.assertRaisesMessage(CommandError, "differs from its digest"):
            call_command("restore", str(made), "--into", str(self.folder / "new"))
        self.assertFalse((self.folder / "new" / "verifex.sqlite3").exists())
        made.with_name(f"{made.name}.sha256").unlink()
        with self.assertRaisesMessage(CommandError, "is missing beside"):
            call_command("restore", str(made), "--into", str(self.folder / "new"))

    def test_a_copy_dated_in_the_future_keeps_none_from_being_made_or_kept(self):
        folder = self.folder / "copies"
        for year in (2031, 2032, 2033):  # the clock was wrong for a while
            backup(self.live, folder, NOW.replace(year=year), keep=3)
        self.assertTrue(is_due(folder, NOW))
        for day in range(4):
            backup(self.live, folder, NOW + timedelta(days=day), keep=3)
        self.assertEqual([made_at(copy).day for copy in copies(folder) if made_at(copy).year == 2026], [5, 4, 3])

    def test_a_copy_that_cannot_be_written_leaves_nothing_behind(self):
        folder = self.folder / "copies"
        full = mock.patch("verifex.work.backups._look_through", side_effect=OSError(28, "No space left on device"))
        with full, self.assertRaisesMessage(BackupFailed, "Is the disk full?"):
            backup(self.live, folder, NOW)
        self.assertEqual(list(folder.glob("*.unfinished*")), [])

    def test_one_is_due_when_the_newest_is_a_day_old(self):
        self.assertTrue(is_due(self.folder, NOW))
        backup(self.live, self.folder, NOW)
        self.assertFalse(is_due(self.folder, NOW + timedelta(hours=23)))
        self.assertTrue(is_due(self.folder, NOW + timedelta(hours=24)))

    def test_nothing_is_written_over_and_nothing_broken_is_taken(self):
        made = backup(self.live, self.folder, NOW)
        damaged, foreign = self.folder / "damaged.sqlite3", self.folder / "foreign.sqlite3"
        damaged.write_bytes(b"not a database at all" * 100)
        with closing(sqlite3.connect(foreign)) as other:
            other.execute("CREATE TABLE mice (name)")
        (self.folder / "taken").mkdir()
        (self.folder / "taken" / "verifex.sqlite3").touch()
        for copy, into, said in (
            (made, "taken", "already"),
            (damaged, "new", "no database"),
            (foreign, "new", "nothing of this program"),
            (self.folder / "absent", "new", "no copy"),
        ):
            with self.assertRaisesRegex(CommandError, said):
                call_command("restore", str(copy), "--into", str(self.folder / into))
        self.assertFalse((self.folder / "new").exists())

    def test_a_place_that_cannot_be_written_says_so(self):
        (self.folder / "file").touch()
        with self.assertRaisesRegex(CommandError, "cannot be written"):
            call_command("backup", "--to", str(self.folder / "file" / "below"))
