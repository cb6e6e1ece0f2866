"""A class at work against a server of its own: 60 clients for a minute, with hand-ins, a class PDF and a 10 MB log.

`python -m benchmarks.load [--seconds 60] [--clients 60]`. The server runs as in `make demo`, on a port and with data of
its own; the clients run in threads of this process, which takes its share of the two cores too.
"""

import argparse
import json
import os
import random
import subprocess
import sys
import tempfile
import threading
import time
from collections import Counter, defaultdict
from http.client import HTTPConnection, HTTPException
from http.cookies import SimpleCookie
from pathlib import Path
from typing import Any

ROOT = Path(__file__).parent.parent
PORT = int(os.environ.get("BENCHMARK_PORT", "8765"))  # another one for each that runs at once
PASSWORD = "a demo pass phrase"
HAND_INS = ROOT / "demo" / "hand-ins"
STAFF = 6  # of the clients; the others are pairs
POLL_SECONDS = 4.0


class Client:
    """A browser: one connection, its cookies, and the tags of what it has already."""

    def __init__(self, username: str) -> None:
        self.username, self.cookies, self.tags = username, SimpleCookie(), dict[str, str]()
        self.connection = HTTPConnection("127.0.0.1", PORT, timeout=60)
        self.call("GET", "/log-in")
        self.call("POST", "/api/log-in", {"username": username, "password": PASSWORD})

    def call(self, method: str, path: str, body: dict[str, Any] | None = None) -> tuple[int, bytes]:
        headers = {"Cookie": "; ".join(f"{m.key}={m.value}" for m in self.cookies.values())}
        data = None if body is None else json.dumps(body).encode()
        if data is not None:
            headers |= {"Content-Type": "application/json", "X-CSRFToken": self.cookies["csrftoken"].value}
        elif path in self.tags:
            headers["If-None-Match"] = self.tags[path]
        try:
            self.connection.request(method, path, data, headers)
            answer = self.connection.getresponse()
        except (ConnectionError, HTTPException):
            # The server closes what was idle for a minute; a browser opens another one.
            self.connection.close()
            self.connection.request(method, path, data, headers)
            answer = self.connection.getresponse()
        content = answer.read()
        for cookie in answer.headers.get_all("Set-Cookie") or []:
            self.cookies.load(cookie)
        if tag := answer.headers.get("ETag"):
            self.tags[path] = tag
        return answer.status, content


class Figures:
    """Times by kind of request, and what went wrong."""

    def __init__(self) -> None:
        self.times_ms: dict[str, list[float]] = defaultdict(list)
        self.answers: Counter[str] = Counter()
        self.lock = threading.Lock()

    def timed(self, kind: str, client: Client, method: str, path: str, body: dict[str, Any] | None = None) -> bytes:
        begun = time.perf_counter()
        try:
            status, content = client.call(method, path, body)
        except (OSError, HTTPException) as wrong:
            status, content = 0, str(wrong).encode()
            client.connection.close()
        with self.lock:
            self.times_ms[kind].append(1000 * (time.perf_counter() - begun))
            self.answers[f"{kind} {status}"] += 1
        return content

    def report(self) -> None:
        every = [ms for times in self.times_ms.values() for ms in times]
        for kind, times in [*sorted(self.times_ms.items()), ("all", every)]:
            times = sorted(times)
            at = [times[min(len(times) - 1, int(len(times) * share))] for share in (0.5, 0.95, 0.99)]
            print(
                f"{kind:24} {len(times):6}   p50 {at[0]:7.1f}   p95 {at[1]:7.1f}   p99 {at[2]:7.1f}   worst {times[-1]:8.1f} ms"
            )
        print("answers:", ", ".join(f"{name}: {n}" for name, n in sorted(self.answers.items())))


def pair(client: Client, figures: Figures, ends: float, chance: random.Random) -> None:
    """Polls its bench, types, measures and hands in now and then."""
    time.sleep(chance.uniform(0, POLL_SECONDS))
    listed = json.loads(figures.timed("my dockets", client, "GET", "/api/my/dockets"))
    path = f"/api/my/dockets/{listed[0]['id']}"
    wiring = (HAND_INS / "one-half.bench").read_text("utf-8")
    program = (HAND_INS / "sound-a.cpp").read_text("utf-8")
    while time.perf_counter() < ends:
        content = figures.timed("my bench", client, "GET", path)
        act = chance.random()
        if act < 0.25:
            for n in range(3):
                figures.timed("live check", client, "POST", f"{path}/check-wiring", {"text": f"{wiring}# {n}\n"})
                time.sleep(0.15)
        elif act < 0.33 and content:
            kind, text = chance.choice((("wiring", wiring), ("program", program)))
            docket = json.loads(content)
            last = docket[kind]["number"] if docket.get(kind) else 0
            body = {
                "kind": kind,
                "text": f"{text}\n",
                "token": f"{client.username}-{time.time()}",
                "based_on_attempt": last,
            }
            figures.timed("hand-in", client, "POST", f"{path}/hand-in", body)
        elif act < 0.37:
            figures.timed(
                "measure",
                client,
                "POST",
                f"{path}/measure",
                {"name": "rail", "value": round(chance.uniform(4.8, 5.1), 2)},
            )
        time.sleep(chance.uniform(0.7, 1.3) * POLL_SECONDS)


def staff(client: Client, figures: Figures, ends: float, chance: random.Random, session: int) -> None:
    """Polls the Floor and opens dockets."""
    time.sleep(chance.uniform(0, POLL_SECONDS))
    while time.perf_counter() < ends:
        content = figures.timed("floor", client, "GET", f"/api/sessions/{session}/floor")
        if content and chance.random() < 0.4:
            visits = json.loads(content)["round"]
            if visits:
                figures.timed("docket", client, "GET", f"/api/dockets/{chance.choice(visits)['docket']}")
        if chance.random() < 0.05:
            figures.timed("class marks", client, "GET", f"/api/sessions/{session}/marks")
        time.sleep(chance.uniform(0.7, 1.3) * POLL_SECONDS)


def heavy(client: Client, figures: Figures, session: int, docket: int) -> None:
    """A class PDF and a log of 10 MB, in the middle of it all."""
    time.sleep(10)
    work = json.loads(
        figures.timed("begin papers", client, "POST", f"/api/sessions/{session}/papers", {"answers": True})
    )
    seen = json.loads(figures.timed("docket", client, "GET", f"/api/dockets/{docket}"))
    line = "".join(f"{20 + n % 37 / 10:.2f}\n" for n in range(1000))
    log = "# Room air\n" + line * (9_900_000 // len(line))
    body = {"kind": "readings", "text": log, "token": "a-long-log", "based_on_attempt": seen["readings"]["number"]}
    figures.timed("hand-in of 10 MB", client, "POST", f"/api/dockets/{docket}/hand-in", body)
    begun = time.perf_counter()
    papers_at = judged_at = 0.0
    while not (papers_at and judged_at) and time.perf_counter() - begun < 60:
        time.sleep(0.5)
        now = time.perf_counter() - begun
        if not papers_at and json.loads(client.call("GET", f"/api/work/{work['id']}")[1])["state"] == "done":
            papers_at = now
        content = client.call("GET", f"/api/dockets/{docket}")[1]
        if not judged_at and content and json.loads(content)["readings"]["judged"]:
            judged_at = now
    print(f"after the 10 MB log was sent: papers done after {papers_at:.1f} s, log judged after {judged_at:.1f} s")


def main() -> None:
    parser = argparse.ArgumentParser()
    parser.add_argument("--seconds", type=float, default=60)
    parser.add_argument("--clients", type=int, default=60)
    parser.add_argument("--light", action="store_true", help="without the class PDF and the log of 10 MB")
    arguments = parser.parse_args()
    with tempfile.TemporaryDirectory() as data:
        server = begin_server(data)
        try:
            run(arguments.clients, arguments.seconds, with_heavy_work=not arguments.light)
        finally:
            server.terminate()
            server.wait(20)


def begin_server(data: str, *, times: int = 4) -> "subprocess.Popen[bytes]":
    """A server with the demo so many times over, on its own data."""
    environment = {**os.environ, "VERIFEX_DATA": data, "DJANGO_SETTINGS_MODULE": "verifex.site.settings"}
    load = (
        "import django; django.setup(); from pathlib import Path; from verifex.demo.loader import load; "
        f"load(Path({str(ROOT / 'demo')!r}), {PASSWORD!r}, times={times})"
    )
    for command in (["manage.py", "migrate", "-v0"], ["manage.py", "collectstatic", "--noinput", "-v0"], ["-c", load]):
        subprocess.run([sys.executable, *command], cwd=ROOT, env=environment, check=True)
    command = [sys.executable, "-m", "verifex.site.serve", "--listen", f"127.0.0.1:{PORT}"]
    server = subprocess.Popen(command, cwd=ROOT, env=environment)
    for _ in range(100):
        try:
            connection = HTTPConnection("127.0.0.1", PORT, timeout=2)
            connection.request("GET", "/api/me")
            connection.getresponse().read()
            return server
        except OSError:
            time.sleep(0.2)
    raise SystemExit("the server did not begin")


def run(clients: int, seconds: float, *, with_heavy_work: bool) -> None:
    instructor = Client("ines.marlow")
    session = json.loads(instructor.call("GET", "/api/sessions")[1])[0]["id"]
    floor = json.loads(instructor.call("GET", f"/api/sessions/{session}/floor")[1])
    dockets = [card["docket"] for card in floor["benches"]]
    print(f"{len(dockets)} dockets, {clients} clients, {seconds:g} s")
    names = pair_log_ins()
    figures, chance = Figures(), random.Random(1)
    pairs = [Client(names[n % len(names)]) for n in range(clients - STAFF)]
    watchers = [Client(("ines.marlow", "tomas.reed")[n % 2]) for n in range(STAFF)]
    print("logged in", flush=True)
    ends = time.perf_counter() + seconds
    marked = next(
        card["docket"] for card in floor["benches"] if card["station"] == "readings" and card["state"] == "asks"
    )
    threads = [threading.Thread(target=pair, args=(c, figures, ends, random.Random(chance.random()))) for c in pairs]
    threads += [
        threading.Thread(target=staff, args=(c, figures, ends, random.Random(chance.random()), session))
        for c in watchers
    ]
    if with_heavy_work:
        threads.append(threading.Thread(target=heavy, args=(Client("ines.marlow"), figures, session, marked)))
    for thread in threads:
        thread.start()
    for thread in threads:
        thread.join()
    figures.report()


def pair_log_ins() -> list[str]:
    """A log-in of each pair of the large demo."""
    import yaml

    from verifex.demo.large import several_times

    course = several_times(yaml.safe_load((ROOT / "demo" / "course.yaml").read_text("utf-8")), 4)
    return [p["students"][0].lower().replace(" ", ".") for p in course["pairs"] if p.get("acts")]


if __name__ == "__main__":
    main()
