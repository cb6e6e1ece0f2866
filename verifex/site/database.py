"""The database brought up to date: looked at quickly, and changed only where the program has another shape for it."""

import sqlite3
from collections.abc import Callable
from contextlib import closing
from hashlib import sha256
from pathlib import Path

from django.apps import apps
from django.conf import settings
from django.core.management import call_command
from django.core.management.sql import emit_post_migrate_signal
from django.db import connection, transaction
from django.db.migrations.loader import MigrationLoader
from django.db.migrations.recorder import MigrationRecorder


def bring_up_to_date(say: Callable[[str], None]) -> bool:
    """Whether anything had to be done. What was done stands in the database itself, so a copy that is put back is looked at
    anew."""
    file = Path(settings.DATABASES["default"]["NAME"])
    now = _shape()
    if _shape_of(file) == now:
        return False
    if _is_empty(file):
        say("Setting up the database …")
        set_up_empty()
    else:
        say("Bringing the database up to date …")
        call_command("migrate", verbosity=0)
    with closing(sqlite3.connect(file)) as opened:
        opened.execute(f"PRAGMA user_version = {now}")
    return True


def set_up_empty() -> None:
    """All tables as they are now, in one write: going through every migration that led to them takes ten times as long. The
    migrations count as done from then on."""
    with connection.constraint_checks_disabled(), connection.schema_editor(atomic=True) as editor:
        for model in apps.get_models():
            if model._meta.can_migrate(connection) and not model._meta.proxy:
                editor.create_model(model)
    recorder = MigrationRecorder(connection)
    recorder.ensure_schema()
    with transaction.atomic():
        for app, name in MigrationLoader(None).disk_migrations or ():
            recorder.record_applied(app, name)
        emit_post_migrate_signal(verbosity=0, interactive=False, db=connection.alias)


def _is_empty(file: Path) -> bool:
    if not file.exists():
        return True
    with closing(sqlite3.connect(f"file:{file}?mode=ro", uri=True)) as opened:
        (tables,) = opened.execute("SELECT count(*) FROM sqlite_master").fetchone()
    return int(tables) == 0


def _shape() -> int:
    """A number for all migrations of the program, by their names."""
    names = sorted(
        f"{app.label}.{file.stem}"
        for app in apps.get_app_configs()
        for file in (Path(app.path) / "migrations").glob("[0-9]*.py")
    )
    return int.from_bytes(sha256("\n".join(names).encode()).digest()[:4], "big", signed=False) >> 1


def _shape_of(file: Path) -> int | None:
    if not file.exists():
        return None
    with closing(sqlite3.connect(f"file:{file}?mode=ro", uri=True)) as opened:
        (found,) = opened.execute("PRAGMA user_version").fetchone()
    return int(found)
