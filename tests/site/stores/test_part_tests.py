"""A kit that was powered wrongly is tested before it goes out again; a broken part is missing from then on; two hatches agree."""

from tests.site.base import DemoCase
from verifex.acts import clock
from verifex.stores.models import Kit, KitIssue, Module, PartTest, StockItem
from verifex.stores.services.faults import open_fault


class TestedBeforeItGoesOutTest(DemoCase):
    """Bench 2 has its thermometer's supply and ground exchanged; an instructor overrules that Stop."""

    def setUp(self) -> None:
        super().setUp()
        docket = self.docket(2)
        wiring = self.last(2, "wiring").number
        cleared = self.instructor.ask(
            f"/api/dockets/{docket.pk}/clear", wiring_attempt=wiring, compared=True, overrule_reason="To show the heat."
        )
        self.assertEqual(cleared.status_code, 200)
        self.back = self.assistant.ask("/api/hatch/take-back", tag="HB-02")

    def kit(self):
        return next(kit for kit in self.assistant.ask("/api/kits").json() if kit["tag"] == "HB-02")

    def answer(self, is_well: bool, who=None):
        return (who or self.assistant).ask(f"/api/kits/tests/{self.kit()['tests'][0]['id']}", is_well=is_well)

    def hand_out(self):
        return self.assistant.ask("/api/hatch/hand-out", session=self.session.pk, tag="HB-02", badge="P-02")

    def test_it_says_what_happened_how_to_test_and_what_is_well_and_blocks_until_then(self):
        self.assertIn("before it goes out again", self.back.json()["message"])
        [test] = self.kit()["tests"]
        self.assertEqual((self.kit()["state"], test["ref"]), ("to-test", "U1"))
        self.assertRegex(test["because"], r"^its supply was reversed on bench 2 at \d\d:\d\d$")
        self.assertIn("V; it must stay cool", test["well"])
        self.assertIn("test ", self.hand_out().json()["message"])
        self.assertEqual(self.answer(True).status_code, 200)
        self.assertEqual((self.kit()["state"], self.kit()["tests"]), ("ready", []))
        self.assertEqual(self.hand_out().status_code, 200)

    def test_a_broken_part_is_missing_from_its_kit_and_is_remembered(self):
        self.answer(False)
        kit = self.kit()
        self.assertEqual(kit["state"], "incomplete")
        self.assertEqual([part["ref"] for part in kit["parts"] if not part["present"]], ["U1"])
        issue = KitIssue.objects.get(kit__tag="HB-02")
        PartTest.objects.create(
            kit=issue.kit,
            issue=issue,
            ref="U1",
            title="thermometer",
            because="again",
            how="as before",
            well="as before",
        )
        self.assertEqual(self.kit()["tests"][0]["broken_before"], 1)

    def test_two_answers_do_not_overwrite_each_other_and_students_give_none(self):
        number = self.kit()["tests"][0]["id"]
        self.assertEqual(self.member(2).ask(f"/api/kits/tests/{number}", is_well=True).status_code, 403)
        self.answer(True)
        late = self.instructor.ask(f"/api/kits/tests/{number}", is_well=False)
        self.assertEqual(late.status_code, 422)
        self.assertIn("answered already: well", late.json()["message"])

    def test_a_kit_taken_back_by_mistake_has_nothing_to_test(self):
        self.assertEqual(self.assistant.ask("/api/hatch/undo-take-back", tag="HB-02").status_code, 200)
        self.assertFalse(PartTest.objects.exists())

    def test_a_sound_bench_that_was_powered_needs_no_test(self):
        self.assistant.ask("/api/hatch/take-back", tag="HB-07")
        self.assertFalse(Kit.objects.get(tag="HB-07").tests.exists())


class ComingSessionsTest(DemoCase):
    """Twelve pairs and fifteen kits: one lacks its sounder, one is in repair."""

    def rows(self):
        return self.assistant.ask("/api/stores/coming").json()

    def test_enough_kits_need_nothing_and_those_out_today_count(self):
        row = self.rows()[0]
        self.assertEqual((row["pairs"], row["short"], row["swap"], row["missing"]), (12, 0, [], []))

    def test_too_few_kits_say_what_to_swap_and_what_to_get(self):
        KitIssue.objects.update(returned_at=clock.now())
        for kit in Kit.objects.filter(tag__startswith="HB").exclude(tag__in=["HB-11", "HB-12", "HB-13"]):
            open_fault(None, "mended later", kit=kit)
        Kit.objects.get(tag="HB-12").parts.filter(ref="U1").update(present=False)
        row = self.rows()[0]
        self.assertEqual((row["ready"], row["short"], row["swap"]), (1, 9, []))
        self.assertEqual(
            {one["tag"]: one["what"] for one in row["fill"]}, {"HB-12": ["brood-box thermometer"], "HB-13": ["sounder"]}
        )
        StockItem.objects.filter(part="buzzer").update(count=0)
        Module.objects.filter(place=None).update(retired_at=clock.now())
        row = self.rows()[0]
        self.assertEqual((row["ready"], row["short"], row["fill"]), (1, 10, []))
        [swap] = row["swap"]
        self.assertRegex(swap, r"HB-1[23]: .* out of HB-1[23]")
        table = self.assistant.get("/api/stores/coming.csv")
        self.assertEqual(table["Content-Type"], "text/csv; charset=utf-8")
        self.assertIn("Brood-box heat watch,12,1", table.content.decode())

    def test_no_student_sees_the_stores(self):
        for path in ("/api/stores/coming", "/api/stores/coming.csv"):
            self.assertEqual(self.member(1).get(path).status_code, 403)
