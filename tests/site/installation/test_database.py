"""An empty database is set up at once: with the very tables that going through every migration gives."""

import json
import os
import subprocess
import sys
import tempfile
from pathlib import Path
from unittest import TestCase

ROOT = Path(__file__).parents[3]
PROGRAM = """
import json, re, sqlite3, sys
import django
django.setup()
from django.conf import settings
from django.core.management import call_command
from django.db import connection
from verifex.site import database
if sys.argv[1] == "at once":
    assert database.bring_up_to_date(lambda line: None) and not database.bring_up_to_date(lambda line: None)
else:
    call_command("migrate", verbosity=0)
connection.close()
opened, found = sqlite3.connect(settings.DATABASES["default"]["NAME"]), {}
for kind, name, sql in opened.execute("SELECT type, name, sql FROM sqlite_master WHERE name NOT LIKE 'sqlite_%'"):
    if kind == "index":
        found[name] = sql
    else:
        columns = sorted(row[1:] for row in opened.execute(f"PRAGMA table_info({name})"))
        keys = sorted(row[2:] for row in opened.execute(f"PRAGMA foreign_key_list({name})"))
        found[name] = [columns, keys, sorted(re.findall('CONSTRAINT "(\\\\w+)"', sql))]
found["done"] = sorted(map(list, opened.execute("SELECT app, name FROM django_migrations")))
found["rights"] = opened.execute("SELECT count(*) FROM auth_permission").fetchone()
print(json.dumps(found, sort_keys=True))
"""


class EmptyDatabaseTest(TestCase):
    def shape(self, how: str) -> dict[str, object]:
        with tempfile.TemporaryDirectory() as folder:
            settings = {"VERIFEX_DATA": folder, "DJANGO_SETTINGS_MODULE": "verifex.site.settings"}
            done = subprocess.run(
                [sys.executable, "-c", PROGRAM, how],
                cwd=ROOT,
                env={**os.environ, **settings},
                capture_output=True,
                text=True,
            )
        self.assertEqual(done.returncode, 0, done.stderr[-2000:])
        found: dict[str, object] = json.loads(done.stdout)
        return found

    def test_it_has_the_tables_that_the_migrations_make(self):
        at_once, step_by_step = self.shape("at once"), self.shape("step by step")
        self.assertGreater(len(at_once), 100)
        for name in sorted({*at_once, *step_by_step}):
            self.assertEqual(at_once.get(name), step_by_step.get(name), name)
