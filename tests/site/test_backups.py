"""A copy of the database is whole, is kept in a number, and comes back the same in an empty place."""

import sqlite3
from contextlib import closing
from datetime import UTC, datetime, timedelta
from io import StringIO
from pathlib import Path
from tempfile import TemporaryDirectory
from typing import Any

from django.core.management import CommandError, call_command
from django.db import connection

from tests.site.base import DemoCase
from verifex.work.backups import backup, copies, is_due, made_at

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
        self.assertEqual(sorted(folder.iterdir()), sorted(copies(folder)))

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
