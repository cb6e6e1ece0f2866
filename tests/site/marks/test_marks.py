import csv
import io
from unittest import TestCase

from tests.site.base import DemoCase
from verifex.tables.cells import safe


class MarksTest(DemoCase):
    def marks(self, bench: int):
        return self.instructor.ask(f"/api/dockets/{self.docket(bench).pk}/marks").json()

    def give(self, bench: int, marks: str | None, reason: str = "seen at the bench"):
        return self.instructor.ask(
            f"/api/dockets/{self.docket(bench).pk}/marks", criterion="wiring", marks=marks, reason=reason
        )

    def row(self, bench: int):
        return next(r for r in self.marks(bench)["criteria"] if r["name"] == "wiring")

    def test_proposals_come_with_evidence_name_scheme_and_rules(self):
        marks = self.marks(7)
        self.assertEqual((marks["total"], marks["of"], marks["scheme"]), ("27", "30", 1))
        self.assertTrue(marks["rules_version"])
        self.assertTrue(all(row["evidence"] for row in marks["criteria"]))
        self.assertIn("follow-through", str(marks["criteria"]))

    def test_an_instructors_mark_needs_a_reason_and_survives_a_rerun(self):
        self.assertEqual(self.give(5, "7", " ").status_code, 422)
        self.assertEqual(self.give(5, "7").status_code, 200)
        from tests.samples import hand_in

        self.hand_in(5, "wiring", hand_in("tidy.bench"))  # new evidence: the proposal changes
        row = self.row(5)
        self.assertEqual((row["counts"], row["given"], row["reason"]), ("7", "7", "seen at the bench"))
        self.give(5, None)
        self.assertEqual(self.row(5)["counts"], self.row(5)["proposed"].rstrip("0").rstrip("."))

    def test_marks_outside_the_criterion_are_refused(self):
        for marks in ("9", "-1", "many", "NaN", "1e9"):
            self.assertEqual(self.give(5, marks).status_code, 422, marks)

    def test_a_pair_sees_its_mark_when_marking_is_closed(self):
        docket = self.docket(4)
        self.assertEqual(self.member(4).ask(f"/api/my/dockets/{docket.pk}/marks").status_code, 404)
        self.instructor.ask(f"/api/dockets/{docket.pk}/close-marking", second_look="Both showed a step live.")
        self.assertEqual(self.member(4).ask(f"/api/my/dockets/{docket.pk}/marks").json()["mine"], "30")

    def test_marks_are_per_student_and_an_absent_one_gets_none(self):
        docket = self.docket(10)
        user = docket.pair.members.earliest("id").user
        path = f"/api/dockets/{docket.pk}"
        closed = self.instructor.ask(f"{path}/students", user=user.pk, absent=True, reason="ill")
        self.assertIn("Reopen it first", closed.json()["message"])
        self.instructor.ask(f"{path}/reopen-marking", station="mark", reason="one was ill")
        self.assertEqual(self.instructor.ask(f"{path}/students", user=user.pk, absent=True, reason="").status_code, 422)
        self.instructor.ask(f"{path}/students", user=user.pk, absent=True, reason="ill")
        totals = {s["name"]: s["total"] for s in self.marks(10)["students"]}
        self.assertEqual(totals, {"Elio Sorel": "", "Yara Haddad": "29.5"})

    def test_the_class_as_csv(self):
        text = self.instructor.get(f"/api/sessions/{self.session.pk}/marks.csv").content.decode()
        rows = list(csv.reader(io.StringIO(text)))
        self.assertEqual((rows[0][0], rows[0][-3:], len(rows)), ("Student", ["Total", "Of", "State"], 25))
        yara = next(r for r in rows if r[0] == "Yara Haddad")
        self.assertEqual(yara[-3:], ["29.5", "30", "closed"])

    def test_the_class_sheet_shows_what_was_changed(self):
        rows = self.instructor.ask(f"/api/sessions/{self.session.pk}/marks").json()["rows"]
        self.assertEqual([r["bench"] for r in rows if r["changed"]], [10])


class SafeCellTest(TestCase):
    def test_a_cell_is_never_a_formula(self):
        for cell, kept in {"=1+1": "'=1+1", "@x": "'@x", "-3.5": "-3.5", "+a": "'+a", "Ada": "Ada"}.items():
            self.assertEqual(safe(cell), kept)
