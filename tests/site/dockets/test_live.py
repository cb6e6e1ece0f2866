"""Live readings: who may listen, what is kept once, and what is said while the board prints."""

import json

from django.db import connection
from django.test import Client
from django.test.utils import CaptureQueriesContext

from tests.site.base import DemoCase
from verifex.live.models import LiveFeed
from verifex.live.window import last_of_each_step


class LiveTest(DemoCase):
    def setUp(self):
        super().setUp()
        self.pair = self.member(7)
        self.path = f"/api/my/dockets/{self.docket(7).pk}/live"
        self.code = self.pair.post(self.path).json()["code"]

    def send(self, *lines: str, first: int = 0, code: str | None = None):
        body = json.dumps({"first": first, "lines": lines})
        return Client().post(f"/api/live/{code or self.code}/lines", body, content_type="application/json")

    def heard(self, last: str = ""):
        answer = self.pair.get(self.path, headers={"Last-Event-ID": last})
        self.assertEqual(answer["Content-Type"], "text/event-stream")
        return json.loads(answer.content.decode().split("data: ")[1])

    def test_lines_come_with_a_code_and_no_log_in_and_twice_the_same_is_kept_once(self):
        self.assertEqual(self.send("21.3", "21.8").json(), {"received": 2})
        self.send("21.8", "22.3", first=1)
        self.assertEqual(self.heard()["lines"], ["21.3", "21.8", "22.3"])
        self.assertEqual(self.heard("2")["lines"], ["22.3"])

    def test_marks_stand_where_they_were_made_and_what_is_off_is_said(self):
        self.pair.ask(f"{self.path}/mark", step="Room air")
        self.send(*["22.3"] * 8)
        self.pair.ask(f"{self.path}/mark", step="Warm pack")
        self.send(*["89.6"] * 8, first=8)
        said = self.pair.get(f"{self.path}/said").json()
        self.assertEqual(
            [(s["name"], s["verdict"]) for s in said["steps"]][0::2], [("Room air", "likely"), ("Warm pack", "out")]
        )
        self.assertEqual(said["notes"], ["“Warm pack” lies outside what this bench should print."])
        self.assertEqual(self.heard()["lines"][0::9], ["# Room air", "# Warm pack"])

    def test_the_code_ends_with_the_listening_and_with_the_next_one(self):
        other = self.instructor.post(f"/api/dockets/{self.docket(7).pk}/live").json()["code"]
        self.assertIn("This code for live readings has expired", self.send("1").json()["message"])
        self.assertEqual(self.send("1", code=other).status_code, 200)
        self.pair.post(f"{self.path}/stop")
        self.assertEqual(self.send("2", first=1, code=other).status_code, 422)
        self.assertEqual(self.heard()["open"], False)

    def test_nobody_listens_to_another_pairs_board_or_before_power(self):
        self.assertEqual(self.member(8).get(self.path).status_code, 404)
        self.assertEqual(self.member(8).post(self.path).status_code, 404)
        early = self.member(2).post(f"/api/my/dockets/{self.docket(2).pk}/live")
        self.assertIn("not cleared", early.json()["message"])

    def test_bad_input_is_refused_and_nothing_is_lost(self):
        self.send("21.3")
        self.assertIn("no step of the plan", self.pair.ask(f"{self.path}/mark", step="Moon").json()["message"])
        sent = self.send(*["x" * 399] * 500, first=1)
        self.assertEqual((sent.status_code, sent.json()), (200, {"received": 501}))
        for n in range(5):
            last = self.send(*["x" * 399] * 500, first=501 + 500 * n)
        self.assertIn("larger than 1 MB", last.json()["message"])
        self.assertEqual(self.send("a\x00b" + "é" * 1000, first=0).status_code, 200)
        self.assertLessEqual(LiveFeed.objects.get(code=self.code).letters, 1_000_000)

    def test_an_hour_costs_as_much_a_second_at_its_end_as_at_its_beginning(self):
        self.pair.ask(f"{self.path}/mark", step="Room air")
        for n in range(8):
            self.send(*["22.3"] * 450, first=450 * n)
        self.pair.ask(f"{self.path}/mark", step="Warm pack")
        self.send(*["89.6"] * 8, first=3600)
        feed = LiveFeed.objects.get(code=self.code)
        judged = last_of_each_step(feed).splitlines()
        self.assertEqual((judged[0], judged[-9]), ("# Room air", "# Warm pack"))
        self.assertEqual(len(judged), 20 + 300 + 9)
        verdicts = [s["verdict"] for s in self.pair.get(f"{self.path}/said").json()["steps"]]
        self.assertEqual(verdicts[0::2], ["likely", "out"])
        with CaptureQueriesContext(connection) as queries:
            self.send("89.6", first=3608)
        self.assertNotIn("22.3", "".join(query["sql"] for query in queries))
        self.assertEqual(self.heard("3609")["lines"], ["89.6", "89.6"])
