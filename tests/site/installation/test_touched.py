"""Which tests `make check` runs: those that reach a change by imports, the nearest first, within its time."""

from pathlib import Path
from unittest import TestCase

from grimp import build_graph

from tests.touched import chosen, distances, modules_of


class TouchedTest(TestCase):
    def test_the_nearest_that_fit_are_chosen_and_of_equally_near_ones_the_shortest(self):
        far = {"tests.core.test_a": 1, "tests.core.test_b": 1, "tests.core.test_c": 2, "tests.core.test_d": 3}
        seconds = {
            "tests.core.test_a": 6.0,
            "tests.core.test_b": 2.0,
            "tests.core.test_c": 9.0,
            "tests.core.test_d": 1.0,
        }
        self.assertEqual(
            chosen(far, seconds, budget_s=10), ["tests.core.test_b", "tests.core.test_a", "tests.core.test_d"]
        )

    def test_a_change_reaches_the_tests_that_import_it_and_no_others(self):
        graph = build_graph("verifex", "tests")
        far = distances(graph, modules_of([Path("verifex/core/resistors/bands.py")], graph.modules))
        self.assertIn("tests.core.sums.test_resistors", far)
        self.assertNotIn("tests.core.python.test_python_language", far)

    def test_a_data_file_counts_as_its_package(self):
        graph = build_graph("verifex", "tests")
        found = modules_of([Path("verifex/core/parts/data/boards/any.yaml"), Path("docs/rules.md")], graph.modules)
        self.assertIn("verifex.core.parts.catalogue", found)
        self.assertFalse([module for module in found if not module.startswith("verifex.core.parts")])
