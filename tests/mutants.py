"""Small changes of the code, one at a time, and whether the tests beside it notice them.

`python -m tests.mutants COSMIC-RAY [--sample 40] [ROOM ...]`, on a copy of the tree. Each room has its files and the test
modules that hold it; a change that no test notices is printed as a difference.
"""

import argparse
import random
import re
import shutil
import sqlite3
import subprocess
import sys
import tempfile
from contextlib import closing
from dataclasses import dataclass
from pathlib import Path

ROOT = Path(__file__).parent.parent
SECONDS = 120.0  # that the tests of one room may run; a change that never ends is noticed by that
#: `int | None` is a type nearly everywhere, and a change of it is noticed by no more than an import.
NOT_TRIED = [
    r"core/.*BitOr.*",
    r"core/.*BitAnd.*",
    "core/ExceptionReplacer",
    r"core/ReplaceUnaryOperator_Invert.*",
    # Of words that are kept once, `is` and `==` are the same.
    r"core/ReplaceComparisonOperator_(Eq_Is|Is_Eq|NotEq_IsNot|IsNot_NotEq)$",
]


@dataclass(frozen=True)
class Room:
    """Files that are changed, and the test modules that are run for each change."""

    files: tuple[str, ...]
    tests: tuple[str, ...]
    with_django: bool = False

    @property
    def command(self) -> str:
        if self.with_django:
            settings = "--settings verifex.site.settings_test --noinput --failfast"
            return f"{sys.executable} manage.py test {settings} {' '.join(self.tests)}"
        return f"{sys.executable} -m unittest -f {' '.join(self.tests)}"


def core(*names: str) -> tuple[str, ...]:
    found = {path.stem: path.relative_to(ROOT) for path in ROOT.glob("tests/core/**/test_*.py")}
    return tuple(".".join(found[f"test_{name}"].with_suffix("").parts) for name in names)


ROOMS = {
    "rulebook": Room(("verifex/core/rulebook.py",), core("rulebook", "wiring_rules")),
    "windows": Room(
        ("verifex/core/resistors/windows.py", "verifex/core/circuit/evidence/windows.py"),
        core("resistor_windows", "resistors"),
    ),
    "readings": Room(
        ("verifex/core/readings/compare.py", "verifex/core/readings/honesty.py", "verifex/core/readings/prediction.py"),
        core("readings", "predictions", "honesty", "any_log", "log_styles"),
    ),
    "calibrations": Room(
        ("verifex/core/planning/calibrations.py", "verifex/core/parts/calibration.py"), core("calibrations")
    ),
    "marking": Room(
        ("verifex/core/marking/evidence.py", "verifex/core/marking/ledger.py", "verifex/core/marking/propose.py"),
        core("marking"),
    ),
    "planning": Room(
        ("verifex/core/planning/readiness.py", "verifex/core/planning/stock.py", "verifex/core/planning/inspection.py"),
        core("planning", "stock"),
    ),
    "clocks": Room(("verifex/core/program/runtime/clocks.py",), core("clocks", "held_run")),
    "transitions": Room(
        ("verifex/dockets/transitions.py",), ("tests.site.dockets.test_transitions",), with_django=True
    ),
}
CONFIG = """
[cosmic-ray]
module-path = {files}
timeout = {seconds}
excluded-modules = []
test-command = {command!r}

[cosmic-ray.distributor]
name = "local"

[cosmic-ray.filters.operators-filter]
exclude-operators = {not_tried}
"""


def main() -> None:
    parser = argparse.ArgumentParser()
    parser.add_argument("cosmic_ray", type=Path)
    parser.add_argument("rooms", nargs="*", default=list(ROOMS))
    parser.add_argument("--sample", type=int, default=40, help="changes that are tried in each room")
    parser.add_argument("--seed", type=int, default=1)
    arguments = parser.parse_args()
    with tempfile.TemporaryDirectory() as folder:
        tree = Path(folder) / "tree"
        for part in ("verifex", "tests", "demo", "benchmarks"):
            shutil.copytree(ROOT / part, tree / part, ignore=shutil.ignore_patterns("__pycache__"))
        for file in ("manage.py", "pyproject.toml"):
            shutil.copy(ROOT / file, tree / file)
        for name in arguments.rooms:
            try_room(name, arguments.cosmic_ray.absolute(), tree, arguments.sample, arguments.seed)


def try_room(name: str, tool: Path, tree: Path, sample: int, seed: int) -> None:
    """Try a sample of the changes of a room, and print the share that was noticed and what was not."""
    room = ROOMS[name]
    config, session = tree / f"{name}.toml", tree / f"{name}.sqlite"
    config.write_text(CONFIG.format(files=list(room.files), seconds=SECONDS, command=room.command, not_tried=NOT_TRIED))

    def run(*command: object) -> str:
        done = subprocess.run([*map(str, command)], cwd=tree, capture_output=True, text=True)
        if done.returncode:
            raise SystemExit(
                f"{name}: {' '.join(map(str, command))} failed\n{done.stdout[-2000:]}{done.stderr[-2000:]}"
            )
        return done.stdout

    run(tool, "baseline", config)  # ends here where the tests fail by themselves
    run(tool, "init", config, session)
    run(tool.with_name("cr-filter-operators"), session, config)
    of = keep_sample(session, sample, seed)
    run(tool, "exec", config, session)
    with closing(sqlite3.connect(session)) as database:
        tried = database.execute(
            "select diff, test_outcome from work_results where worker_outcome != 'SKIPPED' order by job_id"
        ).fetchall()
    missed = [diff for diff, outcome in tried if outcome == "SURVIVED"]
    print(f"{name}: {len(tried) - len(missed)} of {len(tried)} noticed ({of} possible)", flush=True)
    for diff in missed:
        print(*(line for line in diff.splitlines() if re.match(r"@@|[-+](?![-+])|---", line)), "", sep="\n", flush=True)


def keep_sample(session: Path, sample: int, seed: int) -> int:
    """Leave only a sample of the changes to be tried; gives how many there were."""
    with closing(sqlite3.connect(session)) as database, database:
        skipped = "select job_id from work_results"
        every = [
            job
            for (job,) in database.execute(
                f"select job_id from work_items where job_id not in ({skipped}) order by job_id"
            )
        ]
        jobs = sorted(
            (job for job in every if not of_a_decorator(database, job, session.parent)),
            key=lambda job: place_of(database, job),
        )
        left = set(random.Random(seed).sample(jobs, min(sample, len(jobs))))
        for job in every:
            if job not in left:
                for table in ("mutation_specs", "work_items"):
                    database.execute(f"delete from {table} where job_id = ?", [job])
    return len(jobs)


def of_a_decorator(database: sqlite3.Connection, job: str, tree: Path) -> bool:
    """Whether a change only makes a record writable, or gives it another layout: nothing observes that."""
    file, row, *_ = place_of(database, job)
    return (tree / str(file)).read_text("utf-8").splitlines()[int(str(row)) - 1].startswith("@dataclass")


def place_of(database: sqlite3.Connection, job: str) -> tuple[object, ...]:
    """Where a change is, so that the same seed picks the same ones."""
    asked = "select module_path, start_pos_row, start_pos_col, operator_name, occurrence from mutation_specs where job_id = ?"
    return tuple(database.execute(asked, [job]).fetchone())


if __name__ == "__main__":
    main()
