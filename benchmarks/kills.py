"""A thousand kills of workers while programs are judged: every judgement must come all the same.

`python -m benchmarks.kills [--kills 1000]`.
"""

import argparse
import os
import random
import signal
import threading
import time
from pathlib import Path

from verifex.core.assess import Case, ProgramRecord, assess_station
from verifex.core.exercise import read_exercise

ROOT = Path(__file__).parent.parent
THREADS = 4


def main() -> None:
    parser = argparse.ArgumentParser()
    parser.add_argument("--kills", type=int, default=1000)
    wanted = parser.parse_args().kills
    from django.conf import settings

    settings.configure(CHECKS_IN_WORKERS=True)
    from verifex.work import pool

    exercise = read_exercise((ROOT / "demo/exercises/brood-box-heat-watch/exercise.yaml").read_text("utf-8"))
    hand_ins = ROOT / "demo" / "hand-ins"
    case = Case(
        exercise,
        wiring=(hand_ins / "one-half.bench").read_text("utf-8"),
        program=(hand_ins / "sound-a.cpp").read_text("utf-8"),
    )
    ended, lock = threading.Event(), threading.Lock()
    judged = given_up = wrong = 0

    def judge() -> None:
        nonlocal judged, given_up, wrong
        while not ended.is_set():
            record = None
            while record is None:  # asked for again as often as it takes, as the queue does
                try:
                    record = pool.compute(assess_station, case, "program", limit=pool.Limit(12))
                except pool.OverLimit:
                    with lock:
                        given_up += 1
            with lock:
                judged += 1
                wrong += not (isinstance(record, ProgramRecord) and record.compiles and not record.findings)

    pool.warm_up("judging")
    threads = [threading.Thread(target=judge) for _ in range(THREADS)]
    begun = time.perf_counter()
    for thread in threads:
        thread.start()
    killed, chance = 0, random.Random(1)
    while killed < wanted:
        time.sleep(chance.uniform(0.02, 0.3))  # a program takes some 50 ms
        workers = pool.worker_ids()
        if workers:
            try:
                os.kill(chance.choice(workers), signal.SIGKILL)
                killed += 1
            except ProcessLookupError:
                continue
    ended.set()
    for thread in threads:
        thread.join()
    seconds = time.perf_counter() - begun
    print(
        f"{killed} kills in {seconds:.0f} s: {judged} judged, {wrong} of them wrong, {given_up} times begun again by the queue"
    )
    pool.stop()


if __name__ == "__main__":
    main()
