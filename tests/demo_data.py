"""The demo course in the tests' database: loaded and judged once a process, put back row by row whenever it is asked for."""

from django.db import connection, transaction

from tests.samples import DEMO
from verifex.demo.loader import load
from verifex.plan.models import Session
from verifex.stores.models import Kit, KitPart
from verifex.stores.readiness import recipe_of

PASSWORD = "a demo pass phrase"
#: Tables that an empty database has filled already.
OWN = ("django_migrations", "django_content_type", "auth_permission", "django_session", "sqlite_sequence")

_rows: dict[str, list[tuple[object, ...]]] = {}


def put_demo() -> Session:
    """The demo course in the empty database; returns the session of its day."""
    if not _rows:
        load(DEMO, password=PASSWORD)
        _remember()
    else:
        _put_back()
    return Session.objects.earliest("starts_at")


def _remember() -> None:
    with connection.cursor() as cursor:
        for table in connection.introspection.table_names(cursor):
            if table not in OWN:
                _rows[table] = cursor.execute(f'SELECT * FROM "{table}"').fetchall()


def _put_back() -> None:
    with transaction.atomic(), connection.cursor() as cursor:
        cursor.execute("PRAGMA defer_foreign_keys = ON")
        for table, rows in _rows.items():
            if rows:
                cursor.cursor.executemany(f'INSERT INTO "{table}" VALUES ({", ".join("?" * len(rows[0]))})', rows)


def fill(kit: Kit) -> None:
    """Everything of the exercise's recipe is in the kit."""
    for part in recipe_of(kit.exercise_id):
        title, settings = part.title or part.part, dict(part.settings)
        KitPart.objects.create(kit=kit, ref=part.ref, part=part.part, title=title, settings=settings)
