"""An empty installation: the first instructor by a one-time code, first passwords, and settings fit for a real lab."""

import os
import subprocess
import sys
import tempfile
from pathlib import Path

from django.conf import settings
from django.test import Client, TestCase, override_settings

from tests.site.base import DemoCase, Speaker
from verifex.people import first_start
from verifex.people.models import Section, Student, User


class FirstStartTest(TestCase):
    def setUp(self):
        folder = tempfile.TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        moved = override_settings(DATA_DIR=Path(folder.name))
        moved.enable()
        self.addCleanup(moved.disable)
        self.client: Speaker = Speaker()

    def begin(self, **other):
        given = {
            "code": first_start.code(),
            "name": "Ada Linden",
            "log_in": "a.linden",
            "password": "warm brood nest 34",
        }
        return self.client.ask("/api/first-start", **{**given, **other})

    def test_the_first_visit_asks_for_the_first_instructor_once(self):
        self.assertTrue(self.client.ask("/api/me").json()["first_start"])
        me = self.begin().json()
        self.assertEqual((me["name"], me["kind"], me["founds"]), ("Ada Linden", "instructor", True))
        self.assertFalse((settings.DATA_DIR / "first-start-code").exists())
        again = Speaker().ask("/api/first-start", code="x", name="B C", log_in="b.c", password="another one 99")
        self.assertEqual(again.status_code, 403)
        self.assertFalse(Client().get("/api/me").json()["first_start"])

    def test_without_the_code_or_with_a_weak_password_nobody_is_made(self):
        table = [
            ({"code": "aaaa-bbbb-cccc"}, 403, "not the code"),
            ({"password": "short"}, 422, "too short"),
            ({"password": "lindenlinden", "log_in": "lindenlinden"}, 422, "too similar"),
            ({"log_in": "Ada Linden"}, 422, "small letters"),
            ({"name": "  "}, 422, "Give a name"),
        ]
        for other, status, said in table:
            answer = self.begin(**other)
            self.assertEqual(answer.status_code, status, other)
            self.assertIn(said, answer.json()["message"])
        self.assertFalse(User.objects.exists())

    def test_a_course_is_founded_and_its_founder_instructs_it(self):
        self.begin()
        made = self.client.ask(
            "/api/set-up/courses", title="Hives", zone="Europe/Dublin", sections=["Monday", "Thursday"]
        )
        course = self.client.ask(f"/api/set-up/courses/{made.json()['id']}").json()
        self.assertEqual([s["name"] for s in course["sections"]], ["Monday", "Thursday"])
        self.assertEqual([step["done"] for step in course["steps"]], [False] * 6)
        wrong = self.client.ask("/api/set-up/courses", title="Hives", zone="Dublin", sections=[])
        self.assertIn("time zone", wrong.json()["message"])


class PasswordsTest(DemoCase):
    def setUp(self):
        super().setUp()
        self.section = Section.objects.get(pk=self.session.section_id)
        self.instructor.ask(f"/api/set-up/sections/{self.section.pk}/students", name="Mira Kessler")
        self.user = Student.objects.get(section=self.section, user__last_name="Kessler").user

    def test_a_first_password_is_changed_before_anything_else(self):
        answer = self.instructor.ask(f"/api/set-up/sections/{self.section.pk}/password", user=self.user.pk).json()
        student = Speaker()
        me = student.ask("/api/log-in", username=answer["log_in"], password=answer["password"]).json()
        self.assertTrue(me["change_password"])
        same = student.ask("/api/me/password", old=answer["password"], new=answer["password"])
        self.assertEqual(same.status_code, 422)
        done = student.ask("/api/me/password", old=answer["password"], new="propolis and wax 8").json()
        self.assertFalse(done["change_password"])

    def test_slips_give_first_passwords_to_who_never_logged_in_and_keep_none_in_clear(self):
        answer = self.instructor.post(f"/api/set-up/sections/{self.section.pk}/slips")
        self.assertEqual((answer.status_code, answer["Content-Type"]), (200, "application/pdf"))
        self.assertEqual(answer["Cache-Control"], "no-store")
        self.user.refresh_from_db()
        self.assertTrue(self.user.has_usable_password() and self.user.must_change_password)
        User.objects.update(last_login=self.user.date_joined)
        self.assertEqual(self.instructor.post(f"/api/set-up/sections/{self.section.pk}/slips").status_code, 422)

    def test_logging_out_ends_every_session_of_the_person(self):
        phone, laptop = self.speaker("ines.marlow"), self.speaker("ines.marlow")
        self.assertEqual(phone.ask("/api/me").json()["kind"], "instructor")
        laptop.post("/api/log-out")
        self.assertEqual(phone.ask("/api/me").json()["kind"], "nobody")
        self.assertEqual(self.speaker("ines.marlow").ask("/api/me").json()["kind"], "instructor")


class DeployTest(TestCase):
    def test_the_settings_of_a_real_lab_have_nothing_to_complain_about(self):
        with tempfile.TemporaryDirectory() as folder:
            # Set by the browser tests for their own process, and nowhere else.
            plain = {name: value for name, value in os.environ.items() if name != "DJANGO_ALLOW_ASYNC_UNSAFE"}
            env = {**plain, "VERIFEX_DATA": folder, "VERIFEX_BEHIND_PROXY": "1", "DJANGO_SETTINGS_MODULE": "verifex.site.settings"}  # fmt: skip
            done = subprocess.run(
                [sys.executable, "manage.py", "check", "--deploy", "--fail-level", "WARNING"],
                env=env, capture_output=True, text=True, check=False, cwd=Path(__file__).parents[3],
            )  # fmt: skip
        self.assertEqual(done.returncode, 0, done.stderr)
        self.assertIn("no issues", done.stdout + done.stderr)
