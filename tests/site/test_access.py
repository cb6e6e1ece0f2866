"""Roles: what each may reach. The list of addresses comes from the application itself."""

from django.test import Client

from tests.site.addresses import addresses, reach
from tests.site.base import DemoCase, Speaker
from verifex.exercises.models import ExerciseVersion
from verifex.people.models import Course, Section, Staff, User
from verifex.stores.models import Calibration, Fault, FaultPhoto, Kit, StockItem
from verifex.work.models import Work

OPEN_TO_ALL = {"/api/me", "/api/log-in", "/api/first-start", "/api/join/{code}", "/api/join/{code}/qr.svg",
               "/api/live/{code}/lines"}  # fmt: skip
SUMS = {"/api/sums", "/api/sums/bands", "/api/sums/value", "/api/sums/of/{name}"}
#: What belongs to nobody in particular; each answers with what is the reader's own.
OWN = {"/api/me/password", "/api/log-out", "/api/sessions", "/api/names", "/api/my/dockets"} | SUMS


class AccessTest(DemoCase):
    def ids(self, bench: int = 1) -> dict[str, int]:
        docket = self.docket(bench)
        section = self.session.section
        return {
            "docket_id": docket.pk, "session_id": self.session.pk, "section_id": section.pk, "course_id": section.course_id,
            "pair_id": docket.pair_id, "user_id": docket.pair.members.earliest("id").user_id, "room_id": self.session.room_id,
            "version_id": ExerciseVersion.objects.earliest("id").pk, "exercise_id": docket.version.exercise_id,
            "kit_id": Kit.objects.earliest("id").pk, "work_id": 1, "test_id": 1, **self.store_ids(),
        }  # fmt: skip

    def store_ids(self) -> dict[str, int]:
        """A module in a kit of this course with its calibration and its fault; drawers and batches are the whole store's."""
        fault = Fault.objects.filter(module__place__isnull=False).earliest("id")
        made = FaultPhoto.objects.create(fault=fault, jpeg=b"")
        calibration = Calibration.objects.earliest("id")
        return {
            "module_id": calibration.module_id, "calibration_id": calibration.pk, "fault_id": fault.pk, "photo_id": made.pk,
            "item_id": StockItem.objects.earliest("id").pk, "batch_id": 1, "move_id": 1,
        }  # fmt: skip

    def outsider(self, course: Course) -> Speaker:
        """An instructor of another section, of this course or of another one."""
        user = User.objects.create(username=f"out.sider{course.pk}")
        section = Section.objects.create(course=course, name=f"another {course.pk}")
        Staff.objects.create(section=section, user=user, role="instructor")
        client = Speaker()
        client.force_login(user)
        return client

    def test_nobody_reaches_anything_without_logging_in(self):
        for method, path in addresses():
            if path not in OPEN_TO_ALL:
                self.assertEqual(reach(Client(), method, path, self.ids()), 401, path)

    def test_a_pair_reaches_nothing_of_another_pair_or_of_the_staff(self):
        stranger, other = self.member(2), self.docket(1)
        Work.objects.create(pk=1, kind="class-sheets", by=User.objects.get(username="ines.marlow"))
        before = (other.revision, other.attempts.count())
        tried = 0
        for method, path in addresses():
            if path in OPEN_TO_ALL | OWN or (method, path) == ("get", "/api/set-up/courses"):
                continue
            tried += 1
            self.assertIn(reach(stranger, method, path, self.ids()), (403, 404), f"{method} {path}")
        self.assertGreater(tried, 80)
        self.assertEqual((self.docket(1).revision, self.docket(1).attempts.count()), before)
        self.assertEqual(stranger.ask("/api/set-up/courses").json(), [])

    def test_an_instructor_of_another_section_reaches_nothing_of_this_one(self):
        client = self.outsider(self.session.section.course)
        ours = ("{docket_id}", "{session_id}", "{section_id}", "{pair_id}")
        for method, path in addresses():
            if any(name in path for name in ours):
                self.assertIn(reach(client, method, path, self.ids()), (403, 404), f"{method} {path}")

    def test_an_instructor_of_another_course_reaches_nothing_of_this_one(self):
        client = self.outsider(Course.objects.create(title="Another course"))
        Work.objects.create(pk=1, kind="class-sheets", by=User.objects.get(username="ines.marlow"))
        for method, path in addresses():
            shared = any(name in path for name in ("{item_id}", "{batch_id}", "{move_id}", "/stores/tables/"))
            if "{" in path and path not in OPEN_TO_ALL | OWN and not shared:
                self.assertIn(reach(client, method, path, self.ids()), (403, 404), f"{method} {path}")

    def test_an_assistant_sets_nothing_up(self):
        for method, path in addresses():
            if "/set-up/" in path and method != "get" and not path.endswith(("/seats", "/assign", "/absent", "/join")):
                self.assertEqual(reach(self.assistant, method, path, self.ids()), 403, f"{method} {path}")

    def test_a_pair_sees_hints_only_and_no_expected_values_before_its_readings(self):
        mine = self.member(2).ask(f"/api/my/dockets/{self.docket(2).pk}").json()
        self.assertIsNone(mine["sheet"])
        text = str(mine)
        for secret in ("Exchange the leads", "remedy", "'seen'", "reference_wiring", "low_ohms", "likely", "honesty"):
            self.assertNotIn(secret, text)
        self.assertTrue(mine["wiring"]["hints"][0]["hint"])

    def test_honesty_is_never_shown_to_a_pair(self):
        staff = self.instructor.ask(f"/api/dockets/{self.docket(11).pk}").json()
        self.assertEqual([f["rule"] for f in staff["readings"]["findings"]], ["same-noise"])
        mine = self.member(11).ask(f"/api/my/dockets/{self.docket(11).pk}").json()
        self.assertEqual(mine["readings"]["hints"], [])
        self.assertNotIn("Okoye", str(mine))
        self.assertIsNotNone(mine["sheet"])  # its readings are in

    def test_a_write_without_the_token_is_refused(self):
        strict = Client(enforce_csrf_checks=True)
        strict.force_login(self.session.section.staff.earliest("id").user)
        self.assertEqual(strict.post("/api/log-out").status_code, 403)
        self.assertEqual(
            strict.post("/api/log-in", {"username": "x", "password": "y"}, content_type="application/json").status_code,
            403,
        )

    def test_logging_in_and_out(self):
        client = Speaker()
        wrong = client.ask("/api/log-in", username="ines.marlow", password="guess")
        self.assertEqual(
            (wrong.status_code, wrong.json()["message"]), (403, "This name and password do not go together.")
        )
        self.assertEqual(
            client.ask("/api/log-in", username="ines.marlow", password="a demo pass phrase").json()["kind"],
            "instructor",
        )
        client.post("/api/log-out")
        self.assertEqual(client.ask("/api/me").json()["kind"], "nobody")

    def test_the_page_has_a_strict_policy(self):
        answer = Client().get("/floor")
        policy = answer.headers["Content-Security-Policy"]
        self.assertIn("default-src 'none'", policy)
        self.assertIn("script-src 'self'", policy)
        self.assertNotIn("unsafe", policy)
        self.assertIn("nonce-", policy)
