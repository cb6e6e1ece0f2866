"""Who may do what to what: every address of the application, for every role, at what is theirs and at what is not."""

from pathlib import Path
from unittest import mock

from django.db import transaction
from django.test import Client, override_settings

from tests.site.base import DemoCase, Speaker
from tests.site.interface.addresses import addresses, reach
from verifex.exercises.models import ExerciseVersion
from verifex.people.models import Course, Invitation, Section, Staff, User
from verifex.site.who_may import WHO_MAY, Who
from verifex.stores.models import Calibration, Fault, FaultPhoto, Kit, KitIssue, PartTest, StockItem
from verifex.work.models import Work

REFUSED = (401, 403, 404)
#: What answers for everybody alike, or ends the session that is tried with; each has tests of its own.
APART = {
    ("post", "/api/log-in"),
    ("post", "/api/first-start"),
    ("post", "/api/log-out"),
    ("post", "/api/set-up/sections/{section_id}/password"),  # depends on whose account it is: test_accounts
    ("get", "/api/my/dockets/{docket_id}/marks"),  # nothing is there until the marking is closed: test_closed_marks
}
#: Who each kind of right includes, of the people that the test speaks as.
INCLUDES: dict[Who, set[str]] = {
    Who.ANYBODY: {"nobody"},
    Who.LOGGED_IN: {"stranger"},
    Who.MEMBER: {"member"},
    Who.STORE_STAFF: {"assistant elsewhere"},
    Who.FOUNDER: {"instructor elsewhere"},
    Who.COURSE_STAFF: {"assistant of another section"},
    Who.COURSE_INSTRUCTOR: {"instructor of another section"},
    Who.SECTION_STAFF: {"assistant"},
    Who.SECTION_INSTRUCTOR: {"instructor"},
    Who.ALL_SECTIONS: {"instructor of all"},
    Who.OWNER: {"instructor of all"},
}
#: The people, each with those whose rights they have as well.
ALSO = {
    "nobody": (),
    "stranger": ("nobody",),
    "member": ("stranger",),
    "assistant elsewhere": ("stranger",),
    "instructor elsewhere": ("assistant elsewhere",),
    "assistant of another section": ("assistant elsewhere",),
    "instructor of another section": ("assistant of another section", "instructor elsewhere"),
    "assistant": ("assistant of another section",),
    "instructor": ("assistant", "instructor of another section"),
    "instructor of all": ("instructor",),
}


def rights(person: str) -> set[str]:
    return {person}.union(*(rights(other) for other in ALSO[person]))


@override_settings(THROTTLED_LOG_INS="1000/m")
class WhoMayTest(DemoCase):
    def ids(self) -> dict[str, int]:
        """Everything of bench 1: what is in its kit, its docket, its course. Drawers and batches are the whole store's."""
        docket = self.docket(1)
        fault = Fault.objects.filter(module__place__isnull=False).earliest("id")
        calibration = Calibration.objects.earliest("id")
        owner = User.objects.get(username="owner")
        work = Work.objects.create(kind="class-sheets", by=owner)
        section = self.session.section
        invitation = Invitation.objects.create(section=section, user=owner, role="assistant", by=owner)
        issue = KitIssue.objects.get(pair=docket.pair, session=self.session)
        spare = Kit.objects.filter(exercise__course=section.course_id, issues=None).earliest("id")
        return {
            "docket_id": docket.pk, "session_id": self.session.pk, "section_id": section.pk, "pair_id": docket.pair_id,
            "course_id": section.course_id, "user_id": docket.pair.members.earliest("id").user_id,
            "room_id": self.session.room_id, "version_id": ExerciseVersion.objects.earliest("id").pk,
            "exercise_id": docket.version.exercise_id, "kit_id": issue.kit_id, "work_id": work.pk,
            "test_id": PartTest.objects.create(kit=spare, issue=issue, ref="R1").pk,
            "module_id": calibration.module_id, "calibration_id": calibration.pk, "fault_id": fault.pk,
            "photo_id": FaultPhoto.objects.create(fault=fault, jpeg=b"").pk, "item_id": StockItem.objects.earliest("id").pk,
            "batch_id": 1, "move_id": 1, "invitation_id": invitation.pk,
        }  # fmt: skip

    def staff(self, username: str, role: str, *sections: Section) -> Speaker:
        user = User.objects.create(username=username)
        for section in sections:
            Staff.objects.create(section=section, user=user, role=role)
        client = Speaker()
        client.force_login(user)
        return client

    def people(self) -> dict[str, Client]:
        course = self.session.section.course
        beside = Section.objects.create(course=course, name="Beside")
        away = Section.objects.create(course=Course.objects.create(title="Another course"), name="Away")
        return {
            "nobody": Client(),
            "stranger": self.member(2),
            "member": self.member(1),
            "assistant elsewhere": self.staff("away.a", "assistant", away),
            "instructor elsewhere": self.staff("away.i", "instructor", away),
            "assistant of another section": self.staff("beside.a", "assistant", beside),
            "instructor of another section": self.staff("beside.i", "instructor", beside),
            "assistant": self.assistant,
            "instructor": self.instructor,
            "instructor of all": self.staff("owner", "instructor", self.session.section, beside),
        }

    def test_every_address_is_in_the_table_once(self):
        self.assertEqual(set(WHO_MAY), set(addresses()))

    def test_each_role_reaches_what_the_table_says_and_nothing_else(self):
        people = self.people()
        ids = self.ids()
        wrong = []
        copied = Path(__file__)  # a copy would wait for the write that each try is rolled back in
        with mock.patch("verifex.set_up.api.course_file.backup", return_value=copied):
            for address in addresses():
                if address in APART:
                    continue
                statuses = {}
                for name, client in people.items():
                    with transaction.atomic():
                        statuses[name] = reach(client, *address, ids)
                        transaction.set_rollback(True)
                for name, status in statuses.items():
                    may = bool(INCLUDES[WHO_MAY[address]] & rights(name))
                    if may == (status in REFUSED):
                        wrong.append(f"{' '.join(address)}: {name} got {status}")
        self.assertFalse(wrong, "\n".join(wrong))
