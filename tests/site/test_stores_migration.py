"""An installation from before there were modules, drawers and faults loses nothing when it is brought up to date."""

import os
import sqlite3
import subprocess
import sys
import tempfile
from pathlib import Path
from unittest import TestCase

from tests.samples import EXERCISE_TEXT

ROOT = Path(__file__).parent.parent.parent
OLD = {
    "people_course": "(id, title, zone, holidays) VALUES (1, 'Old course', 'UTC', '[]')",
    "people_section": "(id, course_id, name) VALUES (1, 1, 'A')",
    "exercises_exercise": "(id, course_id, slug, title) VALUES (1, 1, 'heat', 'Heat')",
    "stores_kit": "(id, tag, exercise_id, in_repair, repair_note, leg_orders, settings) VALUES (1, 'HB-01', 1, 1, 'sounder silent', '{}', '{}')",
    "stores_kitpart": "(kit_id, ref, part, title, present) VALUES (1, 'R1', 'resistor', 'series resistor', 1)",
    "stores_stockresistor": "(ohms, tolerance_percent, rated_watts, count, drawer) VALUES (330, 5, 0.25, 12, 'C3')",
}


class CarriedOverTest(TestCase):
    def manage(self, *words: str) -> None:
        done = subprocess.run(
            [sys.executable, "manage.py", *words], cwd=ROOT, env=self.env, capture_output=True, text=True
        )
        self.assertEqual(done.returncode, 0, done.stderr[-2000:])

    def test_drawers_repairs_and_values_of_parts_are_carried_over(self):
        with tempfile.TemporaryDirectory() as folder:
            self.env = {**os.environ, "VERIFEX_DATA": folder, "DJANGO_SETTINGS_MODULE": "verifex.site.settings"}
            for app in (["people"], ["exercises"], ["stores", "0004"]):
                self.manage("migrate", "-v0", *app)
            with sqlite3.connect(Path(folder) / "verifex.sqlite3") as base:
                for table, values in OLD.items():
                    base.execute(f"INSERT INTO {table} {values}")
                base.execute(
                    "INSERT INTO exercises_exerciseversion (exercise_id, number, text, reference_program, released_at) VALUES (1, 1, ?, '', '2026-01-01')",
                    [EXERCISE_TEXT],
                )
            self.manage("migrate", "-v0")
            with sqlite3.connect(Path(folder) / "verifex.sqlite3") as base:
                found = [
                    base.execute(query).fetchall()
                    for query in (
                        "SELECT title, count, drawer FROM stores_stockitem",
                        "SELECT delta, count_after, why FROM stores_stockmove",
                        "SELECT kit_id, what, state FROM stores_fault",
                        "SELECT settings FROM stores_kitpart",
                    )
                ]
        self.assertEqual(
            found[:3], [[("330 Ω resistor", 12, "C3")], [(12, 12, "first")], [(1, "sounder silent", "open")]]
        )
        self.assertIn('"value": "330"', found[3][0][0])
