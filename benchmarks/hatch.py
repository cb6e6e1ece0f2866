"""A scan at the hatch against the clock: what a code is, a refusal, a kit out and back, and the list of all kits."""

from collections.abc import Callable
from statistics import median
from time import perf_counter
from typing import Any

from tests.own_database import own_database

RUNS = 12


def hatch() -> None:
    """With the demo's stores (78 kits, 105 modules), through the API, in a database of its own."""
    with own_database():
        from django.test import Client

        from tests.demo_data import put_demo
        from verifex.people.models import User

        session = put_demo().pk
        client = Client()
        client.force_login(User.objects.get(username="tomas.reed"))

        def post(path: str, status: int = 200, **body: Any) -> None:
            answer = client.post(path, body, content_type="application/json")
            assert answer.status_code == status, answer.content

        def out() -> None:
            post("/api/hatch/hand-out", session=session, tag="HB-15", badge="P-02")

        def back() -> None:
            post("/api/hatch/take-back", tag="HB-15")

        _tell("scan of a kit", lambda: post("/api/hatch/read", session=session, code="HB-15"))
        _tell("scan that is refused", lambda: post("/api/hatch/read", 422, session=session, code="HB-14"))
        post("/api/hatch/take-back", tag="HB-02")  # a pair has one kit for an exercise at a time
        _tell("kit comes back", back, before=out)
        out()
        _tell("kit goes out", out, before=back)
        _tell("list of all kits", lambda: client.get("/api/kits"))
        _tell("list of all modules", lambda: client.get("/api/modules"))


def _tell(name: str, act: Callable[[], object], before: Callable[[], object] = lambda: None) -> None:
    times = []
    for _ in range(RUNS):
        before()
        start = perf_counter()
        act()
        times.append((perf_counter() - start) * 1000)
    print(f"{name:24} {min(times):8.1f} ms {median(times):8.1f} ms   (best and median of {RUNS})")


if __name__ == "__main__":
    hatch()
