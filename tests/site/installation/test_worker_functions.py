"""What is done in a worker process: a worker has no Django set up, so the module of each such function loads without it."""

import ast
import os
import subprocess
import sys
from importlib import import_module
from inspect import isfunction
from pathlib import Path
from unittest import TestCase

ROOT = Path(__file__).parents[3]
#: Calls that take a function and have it run in a worker.
BEGIN = ("compute", "compute_live", "read_file")


def functions_of_workers() -> set[str]:
    """The modules of every function that is handed to a worker anywhere."""
    found = set()
    for file in (ROOT / "verifex").rglob("*.py"):
        if "core" in file.parts:
            continue
        for call in ast.walk(ast.parse(file.read_text("utf-8"))):
            if isinstance(call, ast.Call) and isinstance(call.func, ast.Name) and call.func.id in BEGIN:
                module = import_module(".".join(file.relative_to(ROOT).with_suffix("").parts))
                names = [arg.id for arg in call.args if isinstance(arg, ast.Name)]
                given = [getattr(module, name, None) for name in names]
                found |= {function.__module__ for function in given if isfunction(function)}
    return found


class WorkerFunctionsTest(TestCase):
    def test_their_modules_load_without_the_application(self):
        modules = functions_of_workers()
        self.assertGreaterEqual(len(modules), 5)
        environment = {name: value for name, value in os.environ.items() if name != "DJANGO_SETTINGS_MODULE"}
        loads = "\n".join(f"import {module}" for module in sorted(modules))
        done = subprocess.run([sys.executable, "-c", loads], env=environment, cwd=ROOT, capture_output=True, text=True)
        self.assertEqual(done.returncode, 0, done.stderr[-400:])
