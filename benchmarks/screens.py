"""What somebody at a screen waits for: a station's first view, a finding after a key, a phone's first load, a long log.

`make waits`. The server runs as in `make demo`, on a port and with data of its own; a browser stands in front of
it. Each figure is the median of several, in a browser that has the application's files already unless said otherwise.
"""

import gzip
import json
import os
import re
import tempfile
import threading
import time
from collections.abc import Callable
from functools import partial
from statistics import median
from typing import Any

from playwright.sync_api import Browser, BrowserContext, Page, Response, sync_playwright

from benchmarks.load import HAND_INS, PASSWORD, PORT, Client, begin_server

ADDRESS = f"http://127.0.0.1:{PORT}"
FLAGS = ["--no-sandbox", "--disable-gpu"]
RUNS = 7
#: By station what stands on the screen once its first view is whole.
SHOWN = {
    "kit": "text=Take care",
    "wiring": "section[aria-label=Findings]",
    "power": "text=Power",
    "program": ".cm-content .cm-line",
    "readings": "table.steps tbody tr, table tbody tr",
    "mark": "text=scheme",
}


def main() -> None:
    with tempfile.TemporaryDirectory() as data:
        server = begin_server(data, times=1)
        try:
            with sync_playwright() as playwright:
                browser = playwright.chromium.launch(executable_path="/usr/bin/chromium", args=FLAGS)
                stations(browser)
                finding_after_a_key(browser)
                keys_on_a_slow_machine(browser)
                phone(browser)
                browser.close()
            polling()
            for lines in (200_000, 1_000_000):
                long_log(lines)
        finally:
            server.terminate()
            server.wait(20)


def said(name: str, milliseconds: list[float], more: str = "") -> None:
    print(f"{name:44} {median(milliseconds):8.0f} ms median {max(milliseconds):8.0f} ms worst   {more}", flush=True)


def page_of(browser: Browser, username: str, **size: Any) -> Page:
    context: BrowserContext = browser.new_context(**{"viewport": {"width": 1280, "height": 800}, **size})
    page = context.new_page()
    page.goto(f"{ADDRESS}/log-in")
    page.get_by_label("Log-in").fill(username)
    page.get_by_label("Password").fill(PASSWORD)
    page.get_by_role("button", name="Log in").click()
    page.wait_for_url(lambda url: "log-in" not in url)
    return page


def seated() -> dict[int, int]:
    """The dockets of the session that is running, by bench."""
    client = Client("ines.marlow")
    session = json.loads(client.call("GET", "/api/sessions")[1])[0]["id"]
    floor = json.loads(client.call("GET", f"/api/sessions/{session}/floor")[1])
    return {card["bench"]: card["docket"] for card in floor["benches"] if card["docket"]}


def timed(act: Callable[[], object]) -> float:
    begun = time.perf_counter()
    act()
    return 1000 * (time.perf_counter() - begun)


def stations(browser: Browser) -> None:
    """From the press on a station's tab to its whole first view, bench 10, which has all of them."""
    page = page_of(browser, "ines.marlow")
    docket = seated()[10]
    for station, shown in SHOWN.items():
        times = []
        for _ in range(RUNS):
            page.goto(f"{ADDRESS}/dockets/{docket}/{'kit' if station != 'kit' else 'mark'}")
            page.locator("h1").first.wait_for()
            page.wait_for_load_state("networkidle")

            def show(station: str = station, shown: str = shown) -> None:
                page.locator(f'a[href$="/{station}"]').first.click()
                page.locator(shown).first.wait_for()

            times.append(timed(show))
        said(f"instructor: {station}", times)
    page.context.close()


def finding_after_a_key(browser: Browser) -> None:
    """From the last key of a wrong lead to the finding about it beside the wiring."""
    page = page_of(browser, "leo.castell")
    page.goto(f"{ADDRESS}/my-bench")
    page.get_by_role("button", name="Write attempt 3").click()
    page.get_by_role("button", name="Text", exact=True).click()
    editor = page.locator(".cm-content[contenteditable=true]")
    live = page.get_by_label("Check while typing")
    times = []
    for n in range(RUNS):
        editor.click()
        page.keyboard.press("Control+a")
        page.keyboard.insert_text(f"wi{'r' * (n + 1)} B1.A3 a2\n")
        said_of_it = live.get_by_text(f"'wi{'r' * (n + 1)}' begins no")
        times.append(timed(said_of_it.wait_for))
    said("pair: a finding after the last key", times)
    page.context.close()


#: Where a key is pressed as somebody works: the name of it, who, the address ({n} is the docket of bench n), what is
#: pressed or clicked first, and the keys.
KEYED: list[tuple[str, str, str, list[str], str]] = [
    ("the next finding of a wiring", "ines.marlow", "/dockets/{2}/wiring", [], "ArrowDown ArrowUp ArrowDown ArrowUp"),
    ("the line for a lead", "leo.castell", "/my-bench", ["role=button[name='Write attempt 3']", "#entry-line"], ". 8 Space a 1 2 Space y"),
    ("the scan line of the hatch", "tomas.reed", "/hatch", ["#code"], "H B - 1 5"),
    ("a value of a sum", "ines.marlow", "/sums/divider", ["role=textbox[name=/supply/]"], "Backspace 9 Backspace 1 2"),
    ("a stimulus moved on the sheet", "ines.marlow", "/exercises", ["role=slider >> nth=0"], "ArrowRight ArrowRight ArrowLeft"),
    ("the program's text", "mila.petrov", "/my-bench", ["role=button[name=/^Write attempt/]", ".cm-content[contenteditable=true]"], "x y z Backspace"),
]  # fmt: skip

#: The time from each key to the next picture on the screen, as the browser reports it (rounded to 8 ms; under 16 ms it
#: reports nothing).
WATCH_KEYS = """() => { window.keyed = []; new PerformanceObserver((list) => { for (const entry of list.getEntries())
if (entry.name === 'keydown') window.keyed.push(entry.duration) }).observe({ type: 'event', durationThreshold: 16 }) }"""


def keys_on_a_slow_machine(browser: Browser) -> None:
    """From a key to the next picture, on a processor a quarter as fast."""
    seats = seated()
    for name, who, path, clicks, keys in KEYED:
        page = page_of(browser, who)
        page.goto(ADDRESS + re.sub(r"{(\d+)}", lambda bench: str(seats[int(bench[1])]), path))
        page.wait_for_load_state("networkidle")
        for click in clicks:
            page.locator(click).first.click()
        page.context.new_cdp_session(page).send("Emulation.setCPUThrottlingRate", {"rate": 4})
        page.evaluate(WATCH_KEYS)
        pressed = keys.split() * 3
        for key in pressed:
            page.keyboard.press(key)
            page.wait_for_timeout(150)
        page.wait_for_timeout(400)
        late: list[float] = page.evaluate("window.keyed")
        said(f"a key at 4 x slower: {name}", late + [16.0] * (len(pressed) - len(late)))
        page.context.close()


def phone(browser: Browser) -> None:
    """A pair's first load on a phone, nothing in the browser's cache."""
    page = page_of(browser, "leo.castell", viewport={"width": 390, "height": 844})
    state = page.context.storage_state()
    times, weights = [], []
    for _ in range(RUNS):
        context = browser.new_context(viewport={"width": 390, "height": 844}, storage_state=state)
        fresh = context.new_page()
        scripts: list[bytes] = []
        fresh.on("response", partial(_keep_script, scripts))

        def load(fresh: Page = fresh) -> None:
            fresh.goto(f"{ADDRESS}/my-bench")
            fresh.locator("h1").first.wait_for()

        times.append(timed(load))
        fresh.wait_for_load_state("networkidle")
        weights.append(sum(len(gzip.compress(body, 6)) for body in scripts) / 1000)
        context.close()
    said("pair: My bench on a phone, cold", times, f"{median(weights):.0f} kB of script, compressed")
    page.context.close()


def _keep_script(scripts: list[bytes], answer: Response) -> None:
    if answer.request.resource_type == "script":
        scripts.append(answer.body())


def polling() -> None:
    """What one answer to polling weighs on the wire, the first and one with nothing new."""
    import urllib.request

    client = Client("ines.marlow")
    cookies = "; ".join(f"{m.key}={m.value}" for m in client.cookies.values())
    session = json.loads(client.call("GET", "/api/sessions")[1])[0]["id"]
    for name, path in (("the Floor", f"/api/sessions/{session}/floor"), ("a docket", f"/api/dockets/{seated()[10]}")):
        request = urllib.request.Request(f"{ADDRESS}{path}", headers={"Cookie": cookies, "Accept-Encoding": "gzip"})
        with urllib.request.urlopen(request) as answer:
            packed, coding = answer.read(), answer.headers.get("Content-Encoding", "none")
        plain = gzip.decompress(packed) if coding == "gzip" else packed
        first = client.call("GET", path)[0]
        status = client.call("GET", path)[0]
        print(
            f"polling {name:36} {len(packed) / 1000:8.1f} kB sent ({coding}) of {len(plain) / 1000:.1f} kB; unchanged: {status}, "
            f"after {first}",
            flush=True,
        )


def long_log(lines: int) -> None:
    """From the hand-in of a long log to its judgement, and what somebody else waits for the Floor meanwhile."""
    client, other = Client("ines.marlow"), Client("tomas.reed")
    session = json.loads(client.call("GET", "/api/sessions")[1])[0]["id"]
    docket = seated()[11]
    held = json.loads(client.call("GET", f"/api/dockets/{docket}")[1])["readings"]
    sound = (HAND_INS / "in-limits.txt").read_text("utf-8").splitlines()
    values = [line for line in sound if line and not line.startswith("#")]
    log = "\n".join(values[n % len(values)] for n in range(lines))[:9_900_000]
    body = {
        "kind": "readings", "text": log, "token": f"long-{lines}", "based_on_attempt": held["number"] if held else 0,
    }  # fmt: skip
    waits: list[float] = []
    ended = threading.Event()

    def poll() -> None:
        while not ended.is_set():
            waits.append(timed(lambda: other.call("GET", f"/api/sessions/{session}/floor")))
            time.sleep(0.3)

    watcher = threading.Thread(target=poll)
    watcher.start()
    begun = time.perf_counter()
    status, _ = client.call("POST", f"/api/dockets/{docket}/hand-in", body)
    sent = time.perf_counter() - begun
    judged = False
    while not judged and time.perf_counter() - begun < 180:
        time.sleep(0.25)
        readings = json.loads(client.call("GET", f"/api/dockets/{docket}")[1] or b'{"readings": null}')["readings"]
        judged = bool(readings and readings["judged"] and readings["number"] > (held["number"] if held else 0))
    ended.set()
    watcher.join()
    took = time.perf_counter() - begun
    said(
        f"a log of {lines} lines ({len(log) / 1e6:.1f} MB)", [1000 * took],
        f"answered {status} after {sent:.1f} s; the Floor meanwhile: median {median(waits):.0f} ms, worst {max(waits):.0f} ms",
    )  # fmt: skip


if __name__ == "__main__":
    os.environ.setdefault("DJANGO_ALLOW_ASYNC_UNSAFE", "true")
    main()
