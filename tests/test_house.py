"""Rules of the house that a test can hold: the arrows between layers, generated pages, locked dependencies."""

import ast
import json
import re
import shlex
import subprocess
import sys
from collections import Counter
from pathlib import Path
from unittest import TestCase

from grimp import build_graph

from tests.import_picture import picture
from verifex.core.cli.rule_pages import rules_page
from verifex.core.exercise import exercise_json_schema

ROOT = Path(__file__).parent.parent
RETIRED = {"told", "said", "seen", "asked", "heard", "spoken", "bears", "stands", "meant", "kick"}
MOST_FILES = 20  # in a folder


def words_of(name: str) -> str:
    """`PrintedReading` and `printed_reading` as words in small letters."""
    return re.sub(r"(?<=[a-z0-9])(?=[A-Z])", "_", name).lower()


class HouseTest(TestCase):
    def test_the_arrows_point_one_way(self):
        linter = Path(sys.executable).with_name("lint-imports")
        done = subprocess.run([linter], cwd=ROOT, capture_output=True, text=True, check=False)
        self.assertEqual(done.returncode, 0, done.stdout)

    def test_no_files_import_each_other_in_a_circle(self):
        """Imports for the eye of the type checker only count as well."""
        graph = build_graph("verifex", exclude_type_checking_imports=False)
        imports = {module: graph.find_modules_directly_imported_by(module) for module in graph.modules}
        while ground := {module for module, needs in imports.items() if not needs & imports.keys()}:
            imports = {module: needs for module, needs in imports.items() if module not in ground}
        self.assertEqual(sorted(imports), [])

    def test_names_are_words_with_one_meaning(self):
        """`docs/writing.md` says which words are retired from names, and what is written instead."""
        odd = [
            f"{path.relative_to(ROOT)}: {node.name}"
            for path in (ROOT / "verifex").rglob("*.py")
            for node in ast.walk(ast.parse(path.read_text("utf-8")))
            if isinstance(node, ast.FunctionDef | ast.ClassDef)
            and RETIRED & set(re.findall(r"[a-z]+", words_of(node.name)))
        ]
        self.assertEqual(odd, [])

    def test_folders_are_not_crowded(self):
        crowded = Counter(path.parent for tree in ("verifex", "tests") for path in (ROOT / tree).rglob("*.py"))
        crowded.update(path.parent for path in (ROOT / "web" / "src").rglob("*.vue"))
        self.assertEqual([str(folder) for folder, files in crowded.items() if files > MOST_FILES], [])

    def test_generated_pages_are_current(self):
        self.assertEqual((ROOT / "docs" / "imports.svg").read_text("utf-8"), picture(), "run `make picture`")
        self.assertEqual((ROOT / "docs" / "rules.md").read_text("utf-8"), rules_page(), "run `make rules`")
        kept = json.loads((ROOT / "docs" / "exercise.schema.json").read_text("utf-8"))
        self.assertEqual(kept, exercise_json_schema(), "run `make rules`")

    def test_the_client_is_generated_from_the_interface(self):
        from verifex.site.api import api

        kept = json.loads((ROOT / "docs" / "openapi.json").read_text("utf-8"))
        self.assertEqual(kept, json.loads(json.dumps(api.get_openapi_schema())), "run `make api-client`")

    def test_lock_files_name_no_registry(self):
        self.assertNotIn('"resolved"', (ROOT / "web" / "package-lock.json").read_text("utf-8"))
        for name in ("requirements.txt", "requirements-dev.txt"):
            text = (ROOT / name).read_text("utf-8")
            self.assertNotRegex(text, r"https?://|find-links")
            self.assertIn("--hash=sha256", text)

    def test_the_examples_of_the_formats_page_run(self):
        """Every `verifex …` line of docs/formats.md runs and prints no traceback."""
        page = (ROOT / "docs" / "formats.md").read_text("utf-8")
        commands = re.findall(r"^verifex (.+?)(?:\s+#.*)?$", page, flags=re.M)
        self.assertGreater(len(commands), 8)
        for command in commands:
            done = subprocess.run(
                [sys.executable, "-m", "verifex.command", *shlex.split(command)],
                cwd=ROOT,
                capture_output=True,
                text=True,
                check=False,
            )
            self.assertIn(done.returncode, (0, 1), f"{command}: {done.stderr}")

    def test_screenshots_are_linked(self):
        readme = (ROOT / "README.md").read_text("utf-8")
        shots = sorted((ROOT / "docs" / "screenshots").glob("*.png"))
        self.assertTrue(0 < len(shots) < 20)
        for shot in shots:
            self.assertIn(shot.name, readme)
