"""Examples in the documentation run: those of the page on programs, and the one at each seam of the core."""

import doctest
from importlib import import_module
from pathlib import Path
from unittest import TestCase

PAGE = Path(__file__).parents[2] / "docs" / "program-machine.md"
SEAMS = ("assess", "circuit", "program", "expected", "diagnosis", "planning")


class ExamplesTest(TestCase):
    def test_the_program_followed_through(self):
        found = doctest.testfile(str(PAGE), module_relative=False)
        self.assertGreater(found.attempted, 8)
        self.assertEqual(found.failed, 0)

    def test_each_seam_has_an_example(self):
        for seam in SEAMS:
            found = doctest.testmod(import_module(f"verifex.core.{seam}"))
            self.assertGreater(found.attempted, 2, seam)
            self.assertEqual(found.failed, 0, seam)
