"""Answers of the server to its own pages, recorded from the demo, for the tests of the screens.

`python -m tests.site.interface.answers` writes them anew; `test_recorded_answers` holds that they are still what the server says.
"""

import json
import sys
from pathlib import Path
from typing import TYPE_CHECKING, Any

from tests.own_database import own_database

if TYPE_CHECKING:
    from verifex.plan.models import Session

WRITTEN = Path(__file__).parents[3] / "web" / "tests" / "screens" / "answers"
#: What each person's screens ask for: `{session}` and so on stand for numbers of the demo at hand.
ASKED = {
    "ines.marlow": (
        "/api/me", "/api/sessions", "/api/sessions/{session}/floor", "/api/sessions/{session}/pairs", "/api/sessions/{session}/marks",
        "/api/dockets/{stopped}", "/api/dockets/{stopped}/history", "/api/dockets/{stopped}/wiring/study", "/api/dockets/{stopped}/sheets",
        "/api/dockets/{stopped}/marks",
        "/api/dockets/{marked}", "/api/dockets/{marked}/sheets", "/api/dockets/{marked}/marks", "/api/dockets/{marked}/wiring/study",
        "/api/dockets/{marked}/history", "/api/dockets/{marked}/program/flow",
        "/api/exercises", "/api/exercises/{version}/file", "/api/exercises/{version}/derived", "/api/exercises/{version}/obstacles",
        "/api/names", "/api/sums",
        "/api/set-up/courses", "/api/set-up/courses/{course}", "/api/set-up/courses/{course}/samples",
        "/api/set-up/courses/{course}/sessions", "/api/set-up/courses/{course}/events?word=&before=0",
        "/api/set-up/sections/{section}/people", "/api/set-up/sessions/{session}",
    ),
    "tomas.reed": (
        "/api/me", "/api/sessions", "/api/sessions/{session}/floor", "/api/kits", "/api/modules", "/api/modules/{module}", "/api/batches",
        "/api/stock", "/api/faults", "/api/stores/coming", "/api/stores/orders", "/api/stores/kinds", "/api/stores/tables",
        "/api/stores/label-sheets", "/api/hatch/settings?tag=HB-05", "/api/hatch/advice?tag=HB-05", "/api/hatch/parts?tag=HB-05",
        "/api/hatch/inspection?tag=HB-02",
    ),
    "leo.castell": ("/api/me", "/api/my/dockets", "/api/my/dockets/{stopped}", "/api/names"),
}  # fmt: skip
SHORTENED = {"/api/modules": "T-", "/api/kits": "HB-"}  # rows enough for a screen, by their tags


def numbers(running: "Session") -> dict[str, int]:
    """The numbers of what the demo has, in the database at hand."""
    from verifex.dockets.models import Docket
    from verifex.stores.models import Module

    docket = Docket.objects.filter(session=running)
    stopped = docket.get(pair__seat__bench=2)
    return {
        "session": running.pk,
        "stopped": stopped.pk,
        "marked": docket.get(pair__seat__bench=10).pk,
        "version": stopped.version_id,
        "course": running.section.course_id,
        "section": running.section_id,
        "module": Module.objects.get(tag="T-06").pk,
    }


def answers_of(username: str, known: dict[str, int]) -> dict[str, Any]:
    """By path what the server answers this person now."""
    from django.test import Client

    from verifex.people.models import User

    client = Client()
    client.force_login(User.objects.get(username=username))
    found: dict[str, Any] = {}
    for pattern in ASKED[username]:
        path = pattern.format(**known)
        answer = client.get(path)
        assert answer.status_code == 200, f"{path}: {answer.status_code}"
        said = answer.json()
        begins = SHORTENED.get(pattern)
        found[path] = [row for row in said if row["tag"].startswith(begins)] if begins else said
    return found


def main() -> int:
    with own_database():
        from tests.demo_data import put_demo
        from verifex.acts import clock

        known = numbers(put_demo())
        WRITTEN.mkdir(parents=True, exist_ok=True)
        for username in ASKED:
            found = {"at": clock.now().isoformat(), "numbers": known, "answers": answers_of(username, known)}
            (WRITTEN / f"{username}.json").write_text(json.dumps(found, ensure_ascii=False, indent=1) + "\n", "utf-8")
    return 0


if __name__ == "__main__":
    sys.exit(main())
