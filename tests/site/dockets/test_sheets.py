"""Sheets over the API: tried with other values, predicted, measured, printed; exercises brought in and released."""

from datetime import timedelta
from typing import Any

from tests.samples import EXERCISE_TEXT
from tests.site.base import DemoCase
from verifex.acts import clock
from verifex.dockets.models import Docket
from verifex.exercises.models import ExerciseVersion
from verifex.papers.sheets import sheet_html
from verifex.people.models import User
from verifex.work import queue
from verifex.work.long_work import run_now, start
from verifex.work.models import Queued, State, Work

PREDICTION = "step,reading,value\nRoom air,U1.celsius,21.5\nWarm pack,U1.celsius,60\n"


class SheetTest(DemoCase):
    def version(self, slug: str) -> int:
        return ExerciseVersion.objects.get(exercise__slug=slug).pk

    def test_values_tried_move_the_sheet_and_nothing_is_kept(self):
        path = f"/api/dockets/{self.docket(1).pk}"
        usual = self.instructor.ask(f"{path}/sheets").json()["built"]
        tried = self.instructor.ask(f"{path}/sheet", measured={"rail": 4.5}).json()
        self.assertGreater(tried["steps"][0]["value"]["expected"], usual["steps"][0]["value"]["expected"])
        self.assertEqual(self.instructor.ask(f"{path}/sheets").json()["built"], usual)
        refused = self.instructor.ask(f"/api/exercises/{self.version('lid-open-watch')}/sheet", measured={"R1": 0})
        self.assertEqual((refused.status_code, "2.35 kΩ to 9.4 kΩ is" in refused.json()["message"]), (422, True))

    def test_sliders_are_dense_tables_for_what_can_be_measured(self):
        version = self.version("lid-open-watch")
        found = self.instructor.ask(f"/api/exercises/{version}/sliders?reading=LC1.lux", board="mcu-5v").json()
        self.assertEqual([s["measures"] for s in found["sliders"]], ["LC1.r10", "LC1.gamma", "rail", "R1"])
        for slider in found["sliders"]:
            self.assertEqual(len(slider["table"]), len(slider["positions"]))
            self.assertEqual({len(rows) for rows in slider["table"]}, {len(found["stimuli"])})
        wrong = self.instructor.ask(f"/api/exercises/{version}/sliders?reading=U9.celsius", board="mcu-5v")
        self.assertEqual(wrong.status_code, 422)

    def test_every_exercise_answers_on_each_of_its_boards(self):
        for exercise in self.instructor.ask("/api/exercises").json():
            for board in (one["id"] for one in exercise["boards"]):
                sheet = self.instructor.ask(f"/api/exercises/{exercise['id']}/sheet", board=board).json()
                self.assertEqual((sheet["reason"], len(sheet["steps"])), ("", len(exercise["steps"])))

    def test_what_a_meter_reads_is_held_against_the_bench_and_told_to_each_in_their_words(self):
        docket, pair = self.docket(6), self.member(6)

        def shown(speaker, path: str) -> dict[str, Any]:
            found = speaker.ask(path).json()["measurables"]
            return next(m for m in found if m["name"] == "probe:U1.out")

        mine, theirs = f"/api/my/dockets/{docket.pk}", f"/api/dockets/{docket.pk}"
        self.assertRegex(shown(self.instructor, theirs)["said"], r"Should read 0\.6\d to 0\.7\d V")
        self.assertEqual(shown(pair, mine)["agrees"], None)
        self.assertRegex(shown(pair, mine)["said"], r"^Red probe on the out leg of U1")
        for volts, agrees, said in ((0.71, True, "is what your bench"), (4.9, False, "follow its leads")):
            pair.ask(f"{mine}/measure", name="probe:U1.out", value=volts)
            self.assertEqual(shown(pair, mine)["agrees"], agrees)
            self.assertIn(said, shown(pair, mine)["said"])

    def test_what_can_be_measured_is_offered_and_what_is_implausible_refused(self):
        docket = self.docket(6)
        offered = self.instructor.ask(f"/api/dockets/{docket.pk}").json()["measurables"]
        self.assertEqual([m["name"] for m in offered][:2], ["rail", "internal"])
        room = next(m for m in offered if m["name"] == "step:Room air")
        self.assertIn("plan 21.5 °C", room["label"])
        mine = {m["name"]: m for m in self.member(6).ask(f"/api/my/dockets/{docket.pk}").json()["measurables"]}
        self.assertNotIn("plan", mine["step:Room air"]["label"])  # a pair is not told the plan's values
        for name, value, said in (("R1", 0, "165 Ω to 660 Ω is"), ("U9.r10", 5, "nothing this exercise measures"), ("step:Room air", 200, "-40 to 125 °C is")):  # fmt: skip
            refused = self.member(6).ask(f"/api/my/dockets/{docket.pk}/measure", name=name, value=value)
            self.assertIn(said, refused.json()["message"])
        kept = self.member(6).ask(f"/api/my/dockets/{docket.pk}/measure", name="R1", value=327.4)
        self.assertEqual(kept.status_code, 200)


class PredictionTest(DemoCase):
    def test_a_prediction_is_kept_before_the_readings_and_judged_after_them(self):
        docket = self.docket(3)
        self.assertEqual(self.hand_in(3, "prediction", PREDICTION).status_code, 200)
        mine = self.member(3).ask(f"/api/my/dockets/{docket.pk}").json()
        self.assertEqual([p["verdict"] for p in mine["prediction"]["predictions"]], [None, None])
        self.assertNotEqual(self.state(3, "readings"), "asks")
        staff = self.instructor.ask(f"/api/dockets/{docket.pk}").json()
        self.assertEqual([p["verdict"] for p in staff["prediction"]["predictions"]], ["unjudged", "unjudged"])
        for step, value in (("Room air", 21.5), ("Warm pack", 38.0)):  # judged at what the pair measured there
            self.member(3).ask(f"/api/my/dockets/{docket.pk}/measure", name=f"step:{step}", value=value)
        staff = self.instructor.ask(f"/api/dockets/{docket.pk}").json()
        self.assertEqual([p["verdict"] for p in staff["prediction"]["predictions"]], ["likely", "out"])
        log = "# Room air\n22.3\n22.3\n# Held in the hand\n28.5\n# Warm pack\n38.9\n"
        self.assertEqual(self.hand_in(3, "readings", log, token="t2").status_code, 200)
        mine = self.member(3).ask(f"/api/my/dockets/{docket.pk}").json()
        self.assertEqual([p["verdict"] for p in mine["prediction"]["predictions"]], ["likely", "out"])
        late = self.hand_in(3, "prediction", PREDICTION, token="t3")
        self.assertIn("comes before the readings", late.json()["message"])

    def test_what_is_no_prediction_is_refused_at_its_cell(self):
        for text, said in (
            ("step,reading,value\n", "Nothing is predicted"),
            ("step,reading,value\nRoom air,U1.celsius,warm\n", "Room air: 'warm' is no number"),
            ("step,reading,value\nRoom air,U1.celsius,1000\n", "Room air: 1000 cannot be; -40 to 125 can"),
            ("step,reading,value\nRoom air,U1.celsius,-400\n", "Room air: -400 cannot be"),
            ("step,reading,value\nAttic,U1.celsius,3\n", "A step of the plan"),
            ("a,b\n", "The first line must read"),
        ):
            refused = self.hand_in(3, "prediction", text).json()
            self.assertTrue(refused["message"].startswith(said), refused)


class ExerciseFileTest(DemoCase):
    def test_a_file_becomes_a_draft_that_an_instructor_releases(self):
        text = EXERCISE_TEXT.replace("minutes: 50", "minutes: 55")
        made = self.instructor.ask("/api/exercises", text=text).json()
        self.assertEqual((made["version"], made["released"], made["minutes"]), (2, False, 55))
        self.assertEqual(self.instructor.ask(f"/api/exercises/{made['id']}/file").json()["text"], text)
        self.assertEqual(self.instructor.ask(f"/api/exercises/{made['id']}/obstacles").json(), [])
        self.assertEqual(self.assistant.post(f"/api/exercises/{made['id']}/release").status_code, 403)
        self.assertTrue(self.instructor.post(f"/api/exercises/{made['id']}/release").json()["released"])

    def test_a_file_that_cannot_be_is_refused_at_its_lines(self):
        refused = self.instructor.ask("/api/exercises", text=EXERCISE_TEXT.replace("part: buzzer", "part: buzer"))
        problem = refused.json()["problems"][0]
        self.assertIn("did you mean buzzer", problem["message"])
        self.assertIn("BZ1", EXERCISE_TEXT.splitlines()[problem["line"] - 1])
        self.assertEqual(self.assistant.ask("/api/exercises", text=EXERCISE_TEXT).status_code, 403)

    def test_a_draft_says_what_keeps_it_from_release(self):
        made = self.instructor.ask("/api/exercises", text=EXERCISE_TEXT.replace("value: 38", "value: 33.2")).json()
        self.assertIn(
            "no step clear", self.instructor.ask(f"/api/exercises/{made['id']}/obstacles").json()[0]["message"]
        )
        self.assertEqual(self.instructor.post(f"/api/exercises/{made['id']}/release").status_code, 422)


class PapersTest(DemoCase):
    def begun(self, **detail: Any) -> Work:
        return Work.objects.create(kind="class-sheets", by=User.objects.get(username="ines.marlow"), detail=detail)

    def test_one_page_a_pair_and_no_answers_for_pairs(self):
        docket = self.docket(2)
        key = self.instructor.ask(f"/api/dockets/{docket.pk}/sheet.pdf")
        self.assertEqual((key["Content-Type"], key.content[:5]), ("application/pdf", b"%PDF-"))
        own = self.member(2).ask(f"/api/my/dockets/{docket.pk}/prediction.pdf")
        self.assertEqual(own.content[:5], b"%PDF-")
        self.assertEqual(self.member(2).ask(f"/api/dockets/{docket.pk}/sheet.pdf").status_code, 403)

    def test_a_prediction_page_has_nothing_of_the_sheet_in_it(self):
        docket = Docket.objects.get(pk=self.docket(1).pk)
        self.assertIn("22.8 °C", sheet_html(docket, answers=True))
        self.assertNotRegex(sheet_html(docket, answers=False), r"22\.8|Answer|limits")

    def test_the_class_as_one_file_with_progress(self):
        work = self.begun(session=self.session.pk, answers=False)
        run_now(work)
        work.refresh_from_db()
        dockets = Docket.objects.filter(session=self.session).count()
        self.assertEqual(
            (work.state, work.done, work.total, bytes(work.file or b"")[:5]), (State.DONE, dockets, dockets, b"%PDF-")
        )
        saved = self.instructor.ask(f"/api/work/{work.pk}/file")
        self.assertIn("predictions-session", saved["Content-Disposition"])
        self.assertEqual(self.assistant.ask(f"/api/work/{work.pk}").status_code, 404)  # everyone sees their own

    def test_work_is_cancelled_at_its_next_step_and_fails_in_words(self):
        work = self.begun(session=self.session.pk, answers=False)
        self.instructor.post(f"/api/work/{work.pk}/cancel")
        run_now(work)
        work.refresh_from_db()
        self.assertEqual((work.state, work.file), (State.CANCELLED, None))
        wrong = self.begun(answers=False)
        with self.assertLogs("verifex.work.long_work", "ERROR"):
            run_now(wrong)
        wrong.refresh_from_db()
        self.assertEqual(
            (wrong.state, wrong.message), (State.FAILED, "It could not be finished. Nothing was changed; try again.")
        )

    def test_work_that_a_restart_cut_off_is_taken_up_again(self):
        work = start(
            "class-sheets", User.objects.get(username="ines.marlow"), {"session": self.session.pk, "answers": False}
        )
        Work.objects.filter(pk=work.pk).update(state=State.RUNNING)
        past = clock.now() - timedelta(seconds=1)
        Queued.objects.filter(kind="work", key=work.pk).update(owner="a run that is gone", leased_until=past)
        queue.work_through()
        work.refresh_from_db()
        self.assertEqual((work.state, Queued.objects.count()), (State.DONE, 0))
