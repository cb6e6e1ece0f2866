"""Twenty thousand programs that nobody wrote, each judged in a worker under its limits: all must come to a record.

`python -m benchmarks.generated [--programs 20000]`. They are the corpus' sound programs, cut, stirred, doubled, nested and
with numbers and words exchanged; what comes of each is counted.
"""

import argparse
import random
import time
from collections import Counter
from concurrent.futures import ThreadPoolExecutor
from dataclasses import replace
from pathlib import Path

from verifex.core.assess import Case, assess_station
from verifex.core.exercise import Exercise, read_exercise

ROOT = Path(__file__).parent.parent
SOUND = ROOT / "tests" / "corpus" / "programs" / "sound"
HUGE = ("1e400", "99999999999", "-2147483648", "0", "65536", "3.4e38", "'\\\\0'", '"a" * 100000', "10 ** 60")
SNIPPETS = (
    *(
        "while (1) {}",
        "for (;;) { delay(0); }",
        "String s; while (true) s += s;",
        "int a[30000];",
        "return",
        "#define A A A\n",
    ),
    *("while True:\n    pass\n", "x = [0] * 10**6\n", "{", "}", "(", '"', "/*", "*" * 200, "[" * 200),
)


def main() -> None:
    parser = argparse.ArgumentParser()
    parser.add_argument("--programs", type=int, default=20_000)
    wanted = parser.parse_args().programs
    from django.conf import settings

    settings.configure(CHECKS_IN_WORKERS=True)
    from verifex.work import pool

    cases = _cases()
    came: Counter[str] = Counter()
    slowest = 0.0

    def judge(number: int) -> None:
        nonlocal slowest
        chance = random.Random(number)
        case = chance.choice(cases)
        case = replace(case, program=_stirred(case.program or "", chance))
        begun = time.perf_counter()
        try:
            record = pool.compute(assess_station, case, "program", limit=pool.Limit(12))
            judged = "judged, with findings" if record.findings else "judged, nothing found"
            came[judged if record.compiles else "refused as a compiler would"] += 1
        except pool.OverLimit as over:
            came[f"over the limit of {over.reason}" if over.reason != "failed" else "lost"] += 1
        except Exception as wrong:
            came[f"an error of ours: {type(wrong).__name__}: {wrong}"[:120]] += 1
        slowest = max(slowest, time.perf_counter() - begun)

    begun = time.perf_counter()
    with ThreadPoolExecutor(pool.WORKERS["judging"]) as threads:
        list(threads.map(judge, range(wanted)))
    print(f"{wanted} programs in {time.perf_counter() - begun:.0f} s, the slowest {slowest:.1f} s")
    for name, count in came.most_common():
        print(f"{count:7}  {name}")
    pool.stop()


def _cases() -> list[Case]:
    """A case for each sound program of the corpus, on its exercise's bench."""
    found = []
    for folder in sorted(SOUND.iterdir()):
        exercise: Exercise = read_exercise(
            (ROOT / "demo" / "exercises" / folder.name / "exercise.yaml").read_text("utf-8")
        )
        for file in sorted(folder.iterdir()):
            board = "sbc-3v3" if file.suffix == ".py" and "sbc-3v3" in exercise.boards else exercise.board
            found.append(
                Case(
                    exercise,
                    wiring=exercise.reference_wiring(board) or None,
                    program=file.read_text("utf-8"),
                    board=board,
                )
            )
    return found


def _stirred(text: str, chance: random.Random) -> str:
    for _ in range(chance.randint(1, 6)):
        lines = text.split("\n")
        at, other = chance.randrange(len(lines)), chance.randrange(len(lines))
        match chance.randrange(8):
            case 0:
                del lines[at]
            case 1:
                lines[at], lines[other] = lines[other], lines[at]
            case 2:
                lines.insert(at, chance.choice(SNIPPETS))
            case 3:
                lines[at:at] = lines[other : other + chance.randint(1, 30)]
            case 4:
                words = lines[at].split(" ")
                words[chance.randrange(len(words))] = chance.choice(HUGE)
                lines[at] = " ".join(words)
            case 5:
                lines[at] = lines[at][: chance.randint(0, len(lines[at]))]
            case 6:
                lines[at] = "(" * 40 + lines[at] + ")" * 40
            case _:
                lines[at] = lines[at].replace("<", chance.choice(">=!")).replace("+", chance.choice("-*/%"))
        text = "\n".join(lines)[:60_000]
    return text


if __name__ == "__main__":
    main()
