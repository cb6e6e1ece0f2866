"""A thousand kills of the server's processes while acts are written: what was acknowledged is there, once.

`python -m benchmarks.server_kills [--kills 1000] [--whole 20]`. Most kills take one process that answers, or the runner; `--whole`
of them take all at once, as a power cut does, and the server is started again.
"""

import argparse
import json
import os
import random
import signal
import sqlite3
import subprocess
import sys
import tempfile
import threading
import time
from collections import Counter
from contextlib import closing
from http.client import HTTPException
from pathlib import Path

from benchmarks.load import HAND_INS, PORT, ROOT, Client, begin_server

WRITERS = ("nora.halvorsen", "bela.quist", "leo.castell", "jule.brandt")
MOST_WAIT_SECONDS = 180.0  # until everything that was handed in is judged, afterwards
PAUSE_SECONDS = (0.0, 0.5)  # between two kills, once a process that was gone is back, which takes a second
PROCESSES = 3  # of the server on two cores: two that answer, and the runner


class Writer(threading.Thread):
    """One pair at work: writes down values nobody wrote before, and hands in a wiring now and then."""

    def __init__(self, name: str, number: int, ended: threading.Event) -> None:
        super().__init__(daemon=True)
        self.name_of_user, self.number, self.ended = name, number, ended
        self.values: list[float] = []
        self.tokens: list[str] = []
        self.unanswered = 0

    def run(self) -> None:
        client, docket, count = None, 0, 0
        while not self.ended.is_set():
            try:
                if client is None:
                    client, docket = Client(self.name_of_user), 0
                docket = docket or self._docket(client)
                count += 1
                self._act(client, docket, count)
            except (OSError, HTTPException, ValueError, KeyError):
                self.unanswered += 1  # it may have been done or not; the pair would look, and try again
                time.sleep(0.05)

    def _docket(self, client: Client) -> int:
        return int(json.loads(client.call("GET", "/api/my/dockets")[1])[0]["id"])

    def _act(self, client: Client, docket: int, count: int) -> None:
        path = f"/api/my/dockets/{docket}"
        if count % 20:
            value = round(4.5 + self.number / 10 + count * 1e-6, 7)
            if client.call("POST", f"{path}/measure", {"name": "rail", "value": value})[0] == 200:
                self.values.append(value)
            return
        client.tags.clear()
        now = json.loads(client.call("GET", path)[1])
        last = now["wiring"]["number"] if now["wiring"] else 0
        token = f"{self.name_of_user}-{count}"
        text = f"{(HAND_INS / 'one-half.bench').read_text('utf-8')}# {token}\n"
        body = {"kind": "wiring", "text": text, "token": token, "based_on_attempt": last}
        if client.call("POST", f"{path}/hand-in", body)[0] == 200:
            self.tokens.append(token)


def children(pid: int) -> list[int]:
    try:
        return [int(child) for child in Path(f"/proc/{pid}/task/{pid}/children").read_text().split()]
    except OSError:
        return []


def kill_again_and_again(
    server: "subprocess.Popen[bytes]", wanted: int, whole: int, environment: dict[str, str]
) -> "subprocess.Popen[bytes]":
    """Kill so often; gives the server that runs then."""
    chance = random.Random(1)
    every = wanted // whole if whole else wanted + 1
    killed = 0
    while killed < wanted:
        time.sleep(chance.uniform(*PAUSE_SECONDS))
        if server.poll() is not None:  # killed below, or its address was not free yet
            server = subprocess.Popen(
                [sys.executable, "-m", "verifex.site.serve", "--listen", f"127.0.0.1:{PORT}"],
                cwd=ROOT, env=environment, stdout=subprocess.DEVNULL, stderr=subprocess.DEVNULL,
            )  # fmt: skip
            time.sleep(1.0)
        running = children(server.pid)
        if len(running) < PROCESSES:
            continue
        killed += 1
        if killed % 100 == 0:
            print(f"{killed} kills", flush=True)
        if killed % every:
            os.kill(chance.choice(running), signal.SIGKILL)
            continue
        server.kill()
        server.wait(20)
    return server


def main() -> None:
    parser = argparse.ArgumentParser()
    parser.add_argument("--kills", type=int, default=1000)
    parser.add_argument("--whole", type=int, default=20)
    arguments = parser.parse_args()
    with tempfile.TemporaryDirectory() as data:
        environment = {**os.environ, "VERIFEX_DATA": data, "DJANGO_SETTINGS_MODULE": "verifex.site.settings"}
        server = begin_server(data, times=1)
        ended = threading.Event()
        writers = [Writer(name, number, ended) for number, name in enumerate(WRITERS)]
        begun = time.perf_counter()
        try:
            for writer in writers:
                writer.start()
            server = kill_again_and_again(server, arguments.kills, arguments.whole, environment)
            ended.set()
            for writer in writers:
                writer.join(90)
            seconds = time.perf_counter() - begun
            waiting = wait_for_queue(Path(data) / "verifex.sqlite3")
        finally:
            server.terminate()
            server.wait(20)
        report(Path(data) / "verifex.sqlite3", writers, arguments.kills, seconds, waiting)


def wait_for_queue(file: Path) -> int:
    """How many entries of the queue are left when there is nothing more to wait for."""
    until = time.monotonic() + MOST_WAIT_SECONDS
    while True:
        with closing(sqlite3.connect(file)) as database:
            left = int(database.execute("select count(*) from work_queued").fetchone()[0])
        if not left or time.monotonic() > until:
            return left
        time.sleep(1)


def report(file: Path, writers: list[Writer], killed: int, seconds: float, waiting: int) -> None:
    with closing(sqlite3.connect(file)) as database:
        values = Counter(value for (value,) in database.execute("select value from dockets_measurement"))
        tokens = Counter(token for (token,) in database.execute("select token from dockets_attempt"))
        unjudged = database.execute("select count(*) from dockets_docket where judging_since is not null").fetchone()[0]
        sound = database.execute("pragma integrity_check").fetchone()[0]
    acknowledged = [value for writer in writers for value in writer.values]
    handed_in = [token for writer in writers for token in writer.tokens]
    lost = sum(not values[value] for value in acknowledged) + sum(not tokens[token] for token in handed_in)
    twice = sum(tokens[token] > 1 for token in handed_in)
    print(
        f"{killed} kills in {seconds:.0f} s: {len(acknowledged) + len(handed_in)} acts acknowledged ({len(handed_in)} hand-ins), "
        f"{lost} lost, {twice} kept twice, {sum(w.unanswered for w in writers)} without an answer; "
        f"{waiting} entries of the queue left, {unjudged} dockets not judged; database: {sound}"
    )


if __name__ == "__main__":
    main()
