"""Whose account it is: nobody is put into a section without being asked, and no part in one gives power over an account."""

from typing import Any

from tests.site.base import DemoCase, Speaker
from verifex.people.models import Course, Invitation, Section, Staff, Student, User
from verifex.set_up.course_file.bring_in import put_in
from verifex.set_up.course_file.shapes import CourseFile


class AccountsTest(DemoCase):
    """Vera instructs another course. She knows the log-ins of this one."""

    def setUp(self):
        super().setUp()
        self.ines = User.objects.get(username="ines.marlow")
        self.course = Course.objects.create(title="Another course")
        self.section = Section.objects.create(course=self.course, name="V")
        self.vera = self.instructor_of(self.section, "vera.stone")

    def instructor_of(self, section: Section, username: str) -> Speaker:
        user = User.objects.create(username=username, first_name="Vera", last_name="Stone")
        Staff.objects.create(section=section, user=user, role="instructor")
        return self.speaker(username)

    def add(self, who: str) -> Any:
        return self.vera.ask(f"/api/set-up/sections/{self.section.pk}/staff", who=who, role="assistant")

    def reset(self, client: Speaker, section: Section, user: User) -> Any:
        return client.ask(f"/api/set-up/sections/{section.pk}/password", user=user.pk)

    def test_somebody_of_another_course_is_invited_and_has_no_part_until_they_accept(self):
        for log_in in ("ines.marlow", self.docket(1).pair.members.earliest("id").user.username):
            answer = self.add(log_in)
            self.assertEqual(
                (answer.json()["invited"], answer.json()["name"]), (True, ""), "the name is theirs to give"
            )
            user = User.objects.get(username=log_in)
            self.assertFalse(Staff.objects.filter(section=self.section, user=user).exists())
            self.assertEqual(self.reset(self.vera, self.section, user).status_code, 422)
        shown = self.instructor.ask("/api/me").json()["invitations"]
        self.assertEqual(
            [(i["section"], i["role"], i["by"]) for i in shown], [("Another course: V", "assistant", "Vera Stone")]
        )
        self.instructor.ask(f"/api/me/invitations/{shown[0]['id']}", accept=True)
        self.assertEqual(Staff.objects.get(section=self.section, user=self.ines).role, "assistant")

    def test_an_invitation_is_answered_by_nobody_else_and_can_be_declined_or_withdrawn(self):
        self.add("ines.marlow")
        invitation = Invitation.objects.get()
        self.assertEqual(self.vera.ask(f"/api/me/invitations/{invitation.pk}", accept=True).status_code, 403)
        self.instructor.ask(f"/api/me/invitations/{invitation.pk}", accept=False)
        self.assertEqual((Invitation.objects.count(), self.section.staff.count()), (0, 1))
        self.add("ines.marlow")
        path = f"/api/set-up/sections/{self.section.pk}/invitations/{Invitation.objects.get().pk}"
        self.assertEqual(self.vera.delete(path).status_code, 200)
        self.assertEqual(self.instructor.ask("/api/me").json()["invitations"], [])

    def test_an_accepted_part_gives_no_power_over_the_account(self):
        Staff.objects.create(section=self.section, user=self.ines, role="assistant")
        answer = self.reset(self.vera, self.section, self.ines)
        self.assertEqual(answer.status_code, 403)
        self.assertIn("not made by you in this course", answer.json()["message"])
        self.assertEqual(self.instructor.ask("/api/kits").status_code, 200, "nobody was logged out")

    def test_the_maker_resets_a_staff_password_and_a_colleague_does_not(self):
        here = self.session.section
        made = self.instructor.ask(f"/api/set-up/sections/{here.pk}/staff", who="Nora Quill", role="instructor").json()
        nora = User.objects.get(username=made["log_in"])
        self.assertEqual(self.reset(self.instructor, here, nora).status_code, 200)
        self.assertEqual(self.reset(self.speaker("n.quill"), here, self.ines).status_code, 403)
        told = self.speaker("n.quill").ask("/api/me").json()
        self.assertEqual((told["change_password"], told["password_reset"]["by"]), (True, "Ines Marlow"))

    def test_an_account_with_a_part_in_another_course_is_reset_by_the_first_instructor_only(self):
        student = self.docket(1).pair.members.earliest("id").user
        here = self.session.section
        self.assertEqual(self.reset(self.instructor, here, student).status_code, 200)
        Staff.objects.create(section=self.section, user=student, role="assistant")
        self.assertEqual(self.reset(self.instructor, here, student).status_code, 403)
        path = f"/api/set-up/sections/{here.pk}/students/{student.pk}"
        renamed = self.instructor.put(path, {"name": "Somebody Else"}, content_type="application/json")
        self.assertEqual(renamed.status_code, 403)
        User.objects.filter(pk=self.ines.pk).update(is_superuser=True)
        self.assertEqual(self.reset(self.instructor, here, student).status_code, 200)

    def test_a_course_file_takes_over_nobody(self):
        """Anybody can write a file that names somebody else's log-in."""
        student = self.docket(1).pair.members.earliest("id").user
        person = {"log_in": student.username, "first": student.first_name, "last": student.last_name}
        file = CourseFile.model_validate({
            "format": 1, "title": "Taken over", "zone": "UTC",
            "sections": [{
                "name": "A",
                "staff": [{"log_in": "ines.marlow", "first": "Ines", "last": "Marlow", "role": "instructor"}],
                "students": [{**person, "since": "2031-01-01T00:00:00Z"}],
            }],
        })  # fmt: skip
        course = put_in(User.objects.get(username="vera.stone"), (file, {}))
        self.assertFalse(Staff.objects.filter(section__course=course, user=self.ines).exists())
        self.assertEqual(self.ines.invitations.count(), 1)
        self.assertNotEqual(Student.objects.get(section__course=course).user, student)

    def test_a_student_is_given_only_what_this_course_keeps(self):
        student = self.docket(1).pair.members.earliest("id").user
        Student.objects.create(section=self.section, user=student)
        found = self.vera.ask(f"/api/set-up/sections/{self.section.pk}/students/{student.pk}/data.json").json()
        self.assertEqual((found["handed_in"], found["marks"], found["pairs"]), ([], [], []))
        forget = self.vera.post(f"/api/set-up/sections/{self.section.pk}/students/{student.pk}/forget")
        self.assertEqual(forget.status_code, 403)

    def test_a_password_nobody_can_type_is_refused(self):
        answer = self.instructor.ask("/api/me/password", old="a demo pass phrase", new="\0" * 12)
        self.assertEqual(answer.status_code, 422)
