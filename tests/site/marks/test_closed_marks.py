"""A closed marking is a snapshot: nothing that happens later changes it, and reopening keeps it."""

from tests.samples import hand_in
from tests.site.base import DemoCase
from verifex.dockets.models import Judgement, Station
from verifex.dockets.stations import set_state
from verifex.marks.models import ClosedMark

UNCHECKED = {
    "rule": "not-supported-yet", "severity": "check", "seen": "`malloc` is not supported yet.", "why": "w", "remedy": "r",
    "hint": "h", "unchecked": True,
}  # fmt: skip


class ClosedMarkTest(DemoCase):
    """Bench 10 of the demo is closed."""

    def setUp(self):
        super().setUp()
        self.path = f"/api/dockets/{self.docket(10).pk}"

    def marks(self):
        found = self.instructor.ask(f"{self.path}/marks").json()
        return {key: found[key] for key in ("criteria", "total", "of", "closed", "students")}

    def refused(self, client, path: str, **body) -> str:
        answer = client.ask(path, **body)
        self.assertEqual(answer.status_code, 422, path)
        return str(answer.json()["message"])

    def test_nothing_that_would_change_it_is_taken(self):
        before, mine = self.marks(), f"/api/my/dockets/{self.docket(10).pk}"
        member = self.member(10)
        attempts = (
            (member, f"{mine}/measure", {"name": "rail", "value": 4.5}),
            (self.instructor, f"{self.path}/measure", {"name": "rail", "value": 4.5}),
            (self.instructor, f"{self.path}/marks", {"criterion": "care", "marks": "0", "reason": "r"}),
            (self.instructor, f"{self.path}/students", {"user": before["students"][0]["id"], "absent": True, "reason": "r"}),
            (self.instructor, f"{self.path}/close-marking", {"station": "mark"}),
            (self.instructor, f"{self.path}/pass", {"station": "readings"}),
            (self.instructor, f"{self.path}/send-back", {"station": "wiring"}),
            (self.instructor, f"{self.path}/reopen", {"station": "wiring", "reason": "r"}),
            (self.assistant, f"{self.path}/clear", {"wiring_attempt": 1, "compared": True}),
            (self.assistant, "/api/hatch/substitute", {"tag": "HB-10", "ref": "R1", "value": "1k", "reason": "r"}),
        )  # fmt: skip
        for client, path, body in attempts:
            self.assertIn("closed", self.refused(client, path, **body), path)
        for kind in ("wiring", "program", "readings", "prediction"):
            self.assertIn("Reopen it first", self.hand_in(10, kind, "# a\n1\n", token=kind).json()["message"])
        self.assertEqual(self.marks(), before)

    def test_a_kit_that_comes_back_broken_changes_the_kit_and_not_the_mark(self):
        before = self.marks()
        answer = self.assistant.ask("/api/hatch/take-back", tag="HB-10", faults=["sounder broken"])
        self.assertEqual(answer.status_code, 200)
        self.assertEqual(self.marks(), before)

    def test_the_snapshot_names_what_it_was_made_with(self):
        closed = ClosedMark.objects.get(docket=self.docket(10))
        self.assertTrue(closed.rules_version and closed.catalogue)
        self.assertEqual(set(closed.judged_with), {"wiring", "program", "readings"})
        self.assertEqual(set(closed.judged_with["readings"]["texts"]), {"wiring", "program", "log"})
        self.assertEqual([s["total"] for s in closed.students], ["29.5", "29.5"])

    def test_reopening_wants_a_reason_keeps_the_old_one_and_lets_go_on(self):
        path = f"{self.path}/reopen-marking"
        self.assertIn("Say why", self.refused(self.instructor, path, station="mark", reason=" "))
        self.assertEqual(self.assistant.ask(path, station="mark", reason="r").status_code, 403)
        self.assertEqual(self.instructor.ask(path, station="mark", reason="a mistake").status_code, 200)
        self.assertEqual(self.member(10).ask(f"/api/my{self.path[4:]}/marks").status_code, 404)
        self.instructor.ask(f"{self.path}/marks", criterion="care", marks="1", reason="a leg was bent")
        self.assertEqual(self.instructor.ask(f"{self.path}/close-marking", station="mark").status_code, 200)
        found = self.instructor.ask(f"{self.path}/marks").json()
        self.assertEqual((found["total"], found["earlier"][0]["total"]), ("29", "29.5"))
        self.assertEqual(found["earlier"][0]["because"], "a mistake")
        self.assertEqual(self.member(10).ask(f"/api/my{self.path[4:]}/marks").json()["mine"], "29")

    def test_a_mark_is_closed_and_not_passed_so_every_student_has_one(self):
        path = f"/api/dockets/{self.docket(4).pk}"
        self.assertIn("closed, not passed", self.refused(self.instructor, f"{path}/pass", station="mark"))
        self.instructor.ask(f"{path}/close-marking", second_look="Both pairs showed a step live.")
        self.assertEqual(self.docket(4).student_marks.count(), 2)

    def test_a_log_worth_a_second_look_wants_a_decision_before_it_is_closed(self):
        """Benches 4 and 11 have the same noise: at the mark of either, and never a word of it to a pair."""
        for bench in (4, 11):
            path = f"/api/dockets/{self.docket(bench).pk}"
            self.assertTrue(self.instructor.ask(f"{path}/marks").json()["second_look"])
        shown = self.instructor.ask(f"{path}/marks").json()["to_look_at"]
        self.assertEqual([look["rule"] for look in shown], ["same-noise"])
        path = f"/api/dockets/{self.docket(4).pk}"
        self.assertIn("worth a second look", self.refused(self.instructor, f"{path}/close-marking", based_on=None))
        self.instructor.ask(f"{path}/close-marking", second_look="Both pairs showed a step live.")
        self.assertEqual(self.instructor.ask(f"{path}/marks").json()["decided"], "Both pairs showed a step live.")
        self.assertNotIn("live", str(self.member(4).ask(f"/api/my{path[4:]}/marks").json()))

    def test_what_nobody_judged_is_closed_only_with_a_persons_mark(self):
        docket = self.docket(8)
        judged = Judgement.objects.filter(docket=docket, kind="program").latest("id")
        judged.record["findings"].append({**UNCHECKED, "criterion": "program"})
        judged.save()
        path = f"/api/dockets/{docket.pk}"
        set_state(docket, Station.MARK, "asks")
        row = next(r for r in self.instructor.ask(f"{path}/marks").json()["criteria"] if r["name"] == "program")
        self.assertEqual((row["proposed"], row["counts"], row["to_decide"]), (None, None, True))
        self.assertIn(
            "Nobody has judged Program", self.refused(self.instructor, f"{path}/close-marking", based_on=None)
        )
        step = self.refused(self.instructor, f"{path}/marks", criterion="program", marks="5.3", reason="read by eye")
        self.assertIn("steps of 0.5", step)
        self.instructor.ask(f"{path}/marks", criterion="program", marks="5.5", reason="read by eye")
        self.assertEqual(self.instructor.ask(f"{path}/close-marking", based_on=None).status_code, 200)

    def test_what_is_missing_counts_nothing_once_it_is_closed_and_a_dash_before(self):
        path = f"/api/dockets/{self.docket(12).pk}"
        open_ = self.instructor.ask(f"{path}/marks").json()
        readings = next(row for row in open_["criteria"] if row["name"] == "readings")
        self.assertEqual((open_["so_far"], readings["proposed"], readings["counts"]), (True, None, None))
        rows = self.instructor.ask(f"/api/sessions/{self.session.pk}/marks").json()["rows"]
        row = next(r for r in rows if r["bench"] == 12)
        self.assertEqual((row["so_far"], row["criteria"]["Readings"]), (True, "–"))
        self.assertIn("nothing to mark yet", self.refused(self.instructor, f"{path}/close-marking", station="mark"))

    def test_a_copied_log_is_told_on_both_benches_and_to_no_pair(self):
        for bench in (11, 4):  # 11 was copied from 4
            marks = self.instructor.ask(f"/api/dockets/{self.docket(bench).pk}/marks").json()
            self.assertTrue(marks["second_look"], bench)
            staff = self.instructor.ask(f"/api/dockets/{self.docket(bench).pk}").json()["readings"]
            self.assertIn("same as in the log of bench", staff["findings"][0]["seen"])
            mine = self.member(bench).ask(f"/api/my/dockets/{self.docket(bench).pk}").json()
            self.assertNotIn("same as in", str(mine))
        visits = self.instructor.ask(f"/api/sessions/{self.session.pk}/floor").json()["round"]
        told = {v["bench"] for v in visits if "second look" in v["reason"]}
        self.assertEqual(told, {4, 11})
        for kept in (self.docket(7), self.docket(1)):
            self.assertFalse(self.instructor.ask(f"/api/dockets/{kept.pk}/marks").json()["second_look"])

    def test_a_bench_without_its_resistor_is_not_given_full_marks_for_values(self):
        text = hand_in("no-resistor.bench")
        self.hand_in(5, "wiring", text)
        rows = self.instructor.ask(f"/api/dockets/{self.docket(5).pk}/marks").json()["criteria"]
        values = next(row for row in rows if row["name"] == "resistors")
        self.assertEqual((values["proposed"], "Not on the bench: R1" in values["evidence"][0]), ("0", True))
