from tests.samples import EXERCISE_TEXT
from tests.site.base import DemoCase
from verifex.acts.refusals import NotAllowed, Refused
from verifex.exercises.models import ExerciseVersion, Frozen
from verifex.exercises.services import add_version, release
from verifex.people.models import Course, Section, Staff, User


class VersionsTest(DemoCase):
    def setUp(self):
        super().setUp()
        self.ines = User.objects.get(username="ines.marlow")
        self.course = self.session.section.course

    def test_a_released_version_never_changes(self):
        version = ExerciseVersion.objects.get(exercise__slug="brood-box-heat-watch")
        version.text += "# later\n"
        with self.assertRaises(Frozen):
            version.save()

    def test_a_new_version_leaves_open_dockets_where_they_are(self):
        new = add_version(self.ines, self.course, EXERCISE_TEXT.replace("minutes: 50", "minutes: 60"))
        release(self.ines, new)
        self.assertEqual((new.number, self.docket(2).version.number), (2, 1))

    def test_an_exercise_that_cannot_be_judged_is_not_released(self):
        draft = add_version(self.ines, self.course, EXERCISE_TEXT.replace("value: 38", "value: 33.2"))
        with self.assertRaisesRegex(Refused, "no step clear"):
            release(self.ines, draft)

    def test_an_instructor_of_another_course_neither_sees_nor_changes_it(self):
        stranger = User.objects.create(username="an.other")
        section = Section.objects.create(course=Course.objects.create(title="Greenhouses"), name="A")
        Staff.objects.create(section=section, user=stranger, role="instructor")
        with self.assertRaises(NotAllowed):
            add_version(stranger, self.course, EXERCISE_TEXT)
        speaker = self.speaker("an.other")
        self.assertEqual(speaker.ask("/api/exercises").json(), [])
        made = speaker.ask("/api/exercises", text=EXERCISE_TEXT).json()  # their own, beside ours
        self.assertEqual((made["slug"], made["version"]), ("brood-box-heat-watch", 1))
        self.assertEqual([v.number for v in ExerciseVersion.objects.filter(exercise__slug=made["slug"])], [1, 1])
        ours = ExerciseVersion.objects.get(exercise__course=self.course, exercise__slug=made["slug"])
        for path in ("file", "derived", "obstacles"):
            self.assertEqual(speaker.ask(f"/api/exercises/{ours.pk}/{path}").status_code, 404, path)
        self.assertEqual(speaker.ask("/api/kits").json(), [])

    def test_staff_see_the_sheet_of_each_variant(self):
        listed = self.instructor.ask("/api/exercises").json()
        for variant, per_count in (("rail", 0.488), ("internal", 0.107)):
            sheet = self.instructor.ask(f"/api/exercises/{listed[0]['id']}/sheet", variant=variant).json()
            self.assertAlmostEqual(sheet["per_count"], per_count, places=3)
        self.assertIn("warning light D1 and sounder BZ1 on", listed[0]["behaviour"][0])
