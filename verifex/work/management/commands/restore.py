"""`manage.py restore COPY`: put a copy back where no database is, in the data directory of this installation."""

from pathlib import Path
from typing import Any

from django.conf import settings
from django.core.management.base import BaseCommand, CommandError, CommandParser

from verifex.work.backups import BackupFailed, restore


class Command(BaseCommand):
    help = "Puts a copy of the database back into an empty data directory."
    requires_system_checks: list[str] = []

    def add_arguments(self, parser: CommandParser) -> None:
        parser.add_argument("copy", type=Path)
        parser.add_argument("--into", type=Path, default=settings.DATA_DIR, metavar="FOLDER")

    def handle(self, *args: Any, copy: Path, into: Path, **options: Any) -> None:
        try:
            restore(copy, into / "verifex.sqlite3")
        except BackupFailed as wrong:
            raise CommandError(str(wrong)) from None
        self.stdout.write(
            f"Restored into {into}. Run `manage.py migrate` next, in case the copy is of an older version."
        )
