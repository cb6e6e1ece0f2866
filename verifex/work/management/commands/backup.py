"""`manage.py backup [--to FOLDER] [--keep N]`: a copy of the database, while the server runs."""

from pathlib import Path
from typing import Any

from django.conf import settings
from django.core.management.base import BaseCommand, CommandError, CommandParser
from django.db import connection
from django.utils import timezone

from verifex.work.backups import KEPT, BackupFailed, backup


class Command(BaseCommand):
    help = "Copies the database while the server runs, and keeps so many of the newest copies."

    def add_arguments(self, parser: CommandParser) -> None:
        parser.add_argument("--to", type=Path, default=settings.BACKUP_DIR, metavar="FOLDER")
        parser.add_argument("--keep", type=int, default=KEPT, metavar="N")

    def handle(self, *args: Any, to: Path, keep: int, **options: Any) -> None:
        connection.ensure_connection()
        try:
            made = backup(connection.connection, to, timezone.now(), keep=max(1, keep))
        except BackupFailed as wrong:
            raise CommandError(str(wrong)) from None
        self.stdout.write(f"{made}  ({made.stat().st_size / 1e6:.1f} MB)")
