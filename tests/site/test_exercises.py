from tests.samples import EXERCISE_TEXT
from tests.site.base import DemoCase
from verifex.exercises.models import ExerciseVersion, Frozen
from verifex.exercises.services import add_version, release
from verifex.people.access import Refused


class VersionsTest(DemoCase):
    def test_a_released_version_never_changes(self):
        version = ExerciseVersion.objects.get(exercise__slug="brood-box-heat-watch")
        version.text += "# later\n"
        with self.assertRaises(Frozen):
            version.save()

    def test_a_new_version_leaves_open_dockets_where_they_are(self):
        new = add_version(None, EXERCISE_TEXT.replace("minutes: 50", "minutes: 60"))
        release(None, new)
        self.assertEqual((new.number, self.docket(2).version.number), (2, 1))

    def test_an_exercise_that_cannot_be_judged_is_not_released(self):
        draft = add_version(None, EXERCISE_TEXT.replace("value: 38", "value: 33.2"))
        with self.assertRaisesRegex(Refused, "no step clear"):
            release(None, draft)

    def test_staff_see_the_sheet_of_each_variant(self):
        listed = self.instructor.ask("/api/exercises").json()
        for variant, per_count in (("rail", 0.488), ("internal", 0.107)):
            sheet = self.instructor.ask(f"/api/exercises/{listed[0]['id']}/sheet", variant=variant).json()
            self.assertAlmostEqual(sheet["per_count"], per_count, places=3)
        self.assertIn("warning light D1 and sounder BZ1 on", listed[0]["behaviour"][0])
