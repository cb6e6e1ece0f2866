"""A course taken out as a zip and put in again: the same comes out; what is broken is refused whole, with its place."""

import base64
import io
import re
import tempfile
import zipfile
from pathlib import Path

from django.core.management import call_command
from django.test import TransactionTestCase

from tests.demo_data import put_demo
from tests.site.base import DemoCase
from verifex.acts.refusals import Refused
from verifex.core.problems import UnusableInput
from verifex.exercises.models import Exercise
from verifex.marks.models import ClosedMark
from verifex.people.models import Course, Student, User
from verifex.set_up.course_file.bring_in import put_in
from verifex.set_up.course_file.export import as_zip, course_files
from verifex.set_up.course_file.unpack import unpack


class RoundTripTest(TransactionTestCase):
    def test_what_is_put_into_an_empty_installation_comes_out_the_same(self):
        session = put_demo()
        course = session.section.course
        user = session.section.pairs.first().members.first().user
        Student.objects.filter(user=user).update(number="20311")
        session.absences.create(user=user)
        before = course_files(course, people=True)
        with tempfile.TemporaryDirectory() as folder:
            file = Path(folder) / "course.zip"
            call_command("course", "export", course.title, str(file), verbosity=0, stdout=io.StringIO())
            call_command("flush", interactive=False, verbosity=0)
            call_command("course", "import", str(file), stdout=io.StringIO())
        after = course_files(Course.objects.get(), people=True)
        self.assertEqual(list(after), list(before))
        for name, text in before.items():
            self.assertEqual(after[name], text, name)
        self.assertEqual(as_zip(after), as_zip(before))
        self.assertEqual(ClosedMark.objects.count(), 1)
        self.assertFalse(User.objects.filter(password__startswith="md5").exists(), "no password travels")


class CourseFileTest(DemoCase):
    def setUp(self):
        super().setUp()
        self.course = self.session.section.course

    def test_without_people_no_name_is_in_it(self):
        text = "".join(course_files(self.course, people=False).values())
        for name in ("Marlow", "marlow", "Castell", "P-01"):
            self.assertNotIn(name, text)

    def broken(self, old: str, new: str) -> bytes:
        files = course_files(self.course, people=True)
        assert old in files["course.yaml"], old
        files["course.yaml"] = files["course.yaml"].replace(old, new, 1)
        return as_zip(files)

    def test_what_is_broken_is_refused_with_its_place_and_nothing_is_kept(self):
        table = {
            b"no zip": "no zip",
            as_zip({"readme.txt": "x"}): "no course.yaml",
            as_zip({"course.yaml": "a: [1"}): "Line 2",
            self.broken("zone: Europe", "zoen: Europe"): "zone: is missing",
            self.broken("format: 1", "format: 9"): "later version",
            self.broken("slug: feeder-level", "slug: feeder-levels"): "lacks exercises/feeder-levels/1.yaml",
            self.broken("room: Room 3", "room: Attic"): "no room Attic",
        }
        count = Course.objects.count(), Exercise.objects.count()
        for data, said in table.items():
            answer = self.instructor.ask("/api/set-up/import", data=base64.b64encode(data).decode(), without_kits=True)
            self.assertEqual(answer.status_code, 422, said)
            self.assertIn(said, answer.json()["message"])
        self.assertEqual((Course.objects.count(), Exercise.objects.count()), count)

    def mistakes(self, *changes: tuple[str, str]) -> list[str]:
        """What is said of the course's own file with these changes, each with its line."""
        files = course_files(self.course, people=True)
        for old, new in changes:
            self.assertRegex(files["course.yaml"], old)
            files["course.yaml"] = re.sub(old, new, files["course.yaml"], count=1)
        with self.assertRaises(UnusableInput) as caught:
            unpack(as_zip(files))
        self.assertTrue(all(p.line > 0 for p in caught.exception.problems))
        return [problem.message for problem in caught.exception.problems]

    def test_what_cannot_be_is_reported_with_its_path(self):
        for old, new, said in (
            ("zone: Europe/Dublin", "zone: Mars/Base", "zone: there is no time zone “Mars/Base”"),
            ("zone: Europe/Dublin", "zone: ../../etc/passwd", "zone: there is no time zone"),
            ("zone: Europe/Dublin", 'zone: ""', "zone: there is no time zone"),
            ("format: 1", "format: 0", "format: Input should be greater than or equal to 1"),
            ("badge: P-02", "badge: P-01", "the badge P-01 stands there twice"),
            ("number: 2\n", "number: 1\n", "stands there twice"),
            ("columns: \\d+", f"columns: {10**30}", "columns:"),
            ("count: \\d+", f"count: {10**30}", "count:"),
            ("ohms: [\\d.]+", "ohms: .nan", "ohms:"),
            ("(starts_at: '?)20\\d\\d-", r"\g<1>2099-", "the session ends before it begins"),
            ("(since: '?)20\\d\\d-", r"\g<1>1999-", "a date from 2000 to 2100"),
            ("total: '?[\\d.]+'?", "total: abc", "total:"),
            ("evidence:", "evidences:", "is not something this file can say"),
        ):
            told = " ".join(self.mistakes((old, new)))
            self.assertIn(said, told, (old, new))

    def test_every_mistake_is_reported_at_once(self):
        told = self.mistakes(("badge: P-02", "badge: P-01"), ("badge: P-04", "badge: P-03"))
        self.assertGreater(len([message for message in told if "stands there twice" in message]), 1)

    def test_traps_are_found_before_anything_is_built_of_them(self):
        for trap in ("a: " + "[" * 20_000, "a: &x [1]\nb: *x\n", "sections: [" + "{name: A}, " * 20_000 + "]"):
            with self.assertRaises(UnusableInput):
                unpack(as_zip({"course.yaml": trap}))

    def test_a_course_that_is_here_already_is_put_in_once_more_only_on_request(self):
        self.instructor.ask("/api/set-up/courses", title="Two of them", zone="UTC", sections=[])
        files = {"course.yaml": "format: 1\ntitle: Two of them\nzone: UTC\nsections: [{name: A}]\n"}
        data = base64.b64encode(as_zip(files)).decode()
        self.assertEqual(self.instructor.ask("/api/set-up/import", data=data).status_code, 409)
        self.assertEqual(self.instructor.ask("/api/set-up/import", data=data, again=True).status_code, 200)

    def test_a_zip_that_unpacks_without_end_is_not_unpacked(self):
        out = io.BytesIO()
        with zipfile.ZipFile(out, "w", zipfile.ZIP_DEFLATED) as book:
            book.writestr("course.yaml", b"0" * (101 * 1024 * 1024))
        with self.assertRaises(Refused) as caught:
            unpack(out.getvalue())
        self.assertIn("100 MB", str(caught.exception))

    def test_beside_the_same_course_it_is_put_in_under_other_log_ins_where_they_differ(self):
        data = as_zip(course_files(self.course, people=True))
        with self.assertRaises(Refused) as caught:
            put_in(User.objects.get(username="ines.marlow"), unpack(data))
        self.assertIn("Put the course in without its kits", str(caught.exception))
        User.objects.filter(username="leo.castell").update(first_name="Lea")
        put_in(User.objects.get(username="ines.marlow"), unpack(data), kits=False)
        self.assertEqual(User.objects.filter(last_name="Castell").count(), 2)
        self.assertEqual(User.objects.filter(last_name="Marlow").count(), 1)

    def test_a_copy_for_next_year_has_the_structure_and_nobody(self):
        path = f"/api/set-up/courses/{self.course.pk}/copy"
        made = Course.objects.get(pk=self.instructor.ask(path, title="Hive monitoring, next year").json()["id"])
        self.assertEqual(made.exercises.count(), self.course.exercises.count())
        self.assertEqual(made.rooms.get().name, self.course.rooms.get().name)
        section = made.sections.get(name=self.session.section.name)
        self.assertEqual((section.pairs.count(), section.sessions.count()), (0, 0))
        self.assertEqual(section.staff.get().user.username, "ines.marlow")
