"""One student's data given and taken away; a closed course forgotten after its time, with its figures kept."""

import json
from datetime import datetime, timedelta

from django.conf import settings

from tests.site.base import DemoCase
from verifex.acts import clock
from verifex.acts.events import record
from verifex.acts.models import Event
from verifex.dockets.models import Attempt, Judgement
from verifex.marks.models import ClosedMark
from verifex.people.models import Course, Pair, User
from verifex.set_up.privacy import forget_what_is_over
from verifex.work.daily import COPIED, INSTALLATION


class PrivacyTest(DemoCase):
    def setUp(self):
        super().setUp()
        self.user = self.docket(10).pair.members.earliest("id").user
        self.path = f"/api/set-up/sections/{self.session.section_id}/students/{self.user.pk}"

    def everything(self) -> str:
        """All that is stored, as one text."""
        rows = [*User.objects.values_list("first_name", "last_name", "username"), *Pair.objects.values_list("name")]
        rows += [*ClosedMark.objects.values_list("students"), *Event.objects.values_list("verb", "detail")]
        rows += [*Judgement.objects.values_list("record", "details"), *Attempt.objects.values_list("text")]
        return json.dumps(rows, default=str)

    def test_a_student_gets_all_that_is_kept_of_them(self):
        found = json.loads(self.instructor.get(f"{self.path}/data.json").content)
        self.assertEqual(found["name"], self.user.get_full_name())
        self.assertEqual({entry["kind"] for entry in found["handed_in"]}, {"wiring", "program", "readings"})
        self.assertEqual(found["marks"][0]["total"], "29.5")
        self.assertIn("board B1", found["handed_in"][0]["text"])

    def test_removal_leaves_figures_and_no_name(self):
        name, family = self.user.get_full_name(), self.user.last_name
        self.assertIn(family, self.everything())
        answer = self.instructor.post(f"{self.path}/forget")
        self.assertIn(f"“Student {self.user.pk}”", answer.json()["message"])
        self.assertNotIn(name, self.everything())
        self.assertNotIn(family, self.everything())
        mark = ClosedMark.objects.get(docket=self.docket(10))
        self.assertEqual([s["total"] for s in mark.students], ["29.5", "29.5"])
        self.assertFalse(Attempt.objects.filter(by=self.user).exclude(text="").exists())
        self.user.refresh_from_db()
        self.assertFalse(self.user.is_active or self.user.has_usable_password())
        self.assertEqual(self.instructor.ask(f"/api/sessions/{self.session.pk}/floor").status_code, 200)
        self.assertEqual(self.instructor.ask(f"/api/dockets/{self.docket(10).pk}").status_code, 200)

    def test_a_closed_course_is_forgotten_after_its_time_and_not_before(self):
        course = self.session.section.course
        self.instructor.ask(f"/api/set-up/courses/{course.pk}/closed", closed=True)
        closed = Course.objects.get(pk=course.pk).closed_at
        assert closed is not None
        self.assertEqual(forget_what_is_over(closed + timedelta(days=settings.KEPT_DAYS - 1)), 0)
        over = closed + timedelta(days=settings.KEPT_DAYS, minutes=1)
        self.run_days(over - timedelta(days=5), over + timedelta(days=1), expected=0)  # announced, and not done yet
        self.run_days(over + timedelta(days=2), over + timedelta(days=2), expected=1)
        self.run_days(over + timedelta(days=3), over + timedelta(days=3), expected=0)  # once is enough
        text = self.everything()
        for family in ("Castell", "Nwosu", "Haddad", "Sorel"):
            self.assertNotIn(family, text)
        self.assertIn("Marlow", text, "staff are no students")
        self.assertEqual(str(ClosedMark.objects.get().total), "29.50")
        self.assertFalse(Attempt.objects.exclude(text="").exists())

    def run_days(self, first: datetime, last: datetime, *, expected: int) -> None:
        """The server runs from day to day: it copies its data and does what is due."""
        done, day = 0, first
        while day <= last:
            with clock.acting_at(day):
                record(None, COPIED, INSTALLATION)
                done += forget_what_is_over(day)
            day += timedelta(days=1)
        self.assertEqual(done, expected)

    def test_a_clock_that_jumped_a_year_ahead_forgets_nothing(self):
        course = self.session.section.course
        self.instructor.ask(f"/api/set-up/courses/{course.pk}/closed", closed=True)
        ahead = clock.now() + timedelta(days=settings.KEPT_DAYS + 30)
        for hours in (0, 1, 47, 49):  # it is put right only after two days
            with clock.acting_at(ahead + timedelta(hours=hours)):
                self.assertEqual(forget_what_is_over(clock.now()), 0)
        self.assertNotIn(f"Student {self.user.pk}", self.everything())

    def test_no_finding_that_is_kept_names_another_pair(self):
        names = [pair.name.split(" · ")[0] for pair in Pair.objects.all()]
        for judged in Judgement.objects.values_list("record", flat=True):
            told = json.dumps(judged.get("findings", []), ensure_ascii=False)
            self.assertFalse([name for name in names if name in told])

    def test_staff_are_not_removed_as_students(self):
        instructor = User.objects.get(username="ines.marlow")
        path = f"/api/set-up/sections/{self.session.section_id}/students/{instructor.pk}/forget"
        self.assertEqual(self.instructor.post(path).status_code, 422)
