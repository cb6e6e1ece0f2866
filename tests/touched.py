"""`make check`: the tests that a change can have touched, by the import graph, nearest first, for about two minutes.

The change is what differs from the last commit, or from the one that is named. Says what it leaves to `make test`.
"""

import subprocess
import sys
from collections.abc import Iterable, Mapping
from pathlib import Path

from grimp import ImportGraph, build_graph

from tests.times import seconds_by_module

ROOT = Path(__file__).parent.parent
#: Seconds of tests; two run at once, and the rest of the two minutes goes to starting them.
BUDGET_S = 120.0
#: Of a test file that never ran here, by its room.
UNKNOWN_S = {"core": 8.0, "site": 15.0, "browser": 60.0, "workers": 60.0}
#: Tests that reach the application through its addresses import none of what answers them.
BY_ADDRESS = {"tests.site.base": "verifex.site.api", "tests.browser.base": "verifex.site.api"}


def changed_files(since: str) -> list[Path]:
    """Files that differ from a commit, new ones included, relative to the top."""
    commands = (["diff", "--name-only", since], ["ls-files", "--others", "--exclude-standard"])
    lists = (subprocess.run(["git", *one], cwd=ROOT, capture_output=True, text=True, check=True) for one in commands)
    return [Path(line) for each in lists for line in each.stdout.splitlines()]


def modules_of(files: Iterable[Path], modules: Iterable[str]) -> set[str]:
    """The modules that are in these files; of a data file those of the package it lies in."""
    known, found = set(modules), set()
    for file in files:
        name = ".".join(file.with_suffix("").parts).removesuffix(".__init__")
        if file.suffix == ".py" and name in known:
            found.add(name)
        elif file.parts[0] in ("verifex", "tests"):
            package = next((".".join(up.parts) for up in file.parents if ".".join(up.parts) in known), "")
            found |= {module for module in known if module == package or module.rpartition(".")[0] == package}
    return found


def distances(graph: ImportGraph, changed: set[str]) -> dict[str, int]:
    """By test module, over how many imports it reaches something that was changed."""
    reached = dict.fromkeys(changed, 0)
    border = list(changed)
    while border:
        following = []
        for module in border:
            for importer in graph.find_modules_that_directly_import(module):
                if importer not in reached:
                    reached[importer] = reached[module] + 1
                    following.append(importer)
        border = following
    return {module: far for module, far in reached.items() if module.rpartition(".")[2].startswith("test_")}


def chosen(far: Mapping[str, int], seconds: Mapping[str, float], budget_s: float = BUDGET_S) -> list[str]:
    """The nearest tests that fit into the budget together, of equally near ones the shortest."""
    takes = {module: seconds.get(module, UNKNOWN_S.get(module.split(".")[1], 15.0)) for module in far}
    left, taken = budget_s, []
    for module in sorted(far, key=lambda one: (far[one], takes[one], one)):
        if takes[module] <= left:
            taken.append(module)
            left -= takes[module]
    return taken


def main(since: str = "HEAD") -> int:
    files = changed_files(since)
    graph = build_graph("verifex", "tests")
    for importer, imported in BY_ADDRESS.items():
        graph.add_import(importer=importer, imported=imported)
    far = distances(graph, modules_of(files, graph.modules))
    taken = chosen(far, seconds_by_module())
    print(
        f"{len(files)} files changed since {since}; {len(taken)} of the {len(far)} test files that they reach are run."
    )
    if left := sorted(far.keys() - set(taken)):
        print(f"Left to `make test`: {', '.join(left)}")
    failed = 0
    if any(file.suffix == ".py" for file in files):
        failed |= subprocess.run([sys.executable, "-m", "mypy", "verifex", "tests", "benchmarks"], cwd=ROOT).returncode
    if taken:
        failed |= subprocess.run([sys.executable, "-m", "tests.run", *taken], cwd=ROOT).returncode
    if screens := [str(file.relative_to("web")) for file in files if file.parts[0] == "web" and (ROOT / file).exists()]:
        failed |= subprocess.run(["npx", "vitest", "related", "--run", *screens], cwd=ROOT / "web").returncode
        print("Tests in the browser are left to `make test`.")
    return 1 if failed else 0


if __name__ == "__main__":
    sys.exit(main(*sys.argv[1:]))
