from tests.site.base import DemoCase
from verifex.acts.models import Event
from verifex.people.models import Pair, PairMember, User
from verifex.plan.models import Seat
from verifex.stores.models import KitPart


class HatchTest(DemoCase):
    def setUp(self):
        super().setUp()
        self.pair = Pair.objects.create(section=self.session.section, name="New · Comers", badge="P-13")
        PairMember.objects.create(pair=self.pair, user=User.objects.create(username="new.one"))
        Seat.objects.create(session=self.session, pair=self.pair, bench=13)

    def hand_out(self, tag: str, badge: str = "p-13"):
        return self.assistant.ask("/api/hatch/hand-out", session=self.session.pk, tag=tag, badge=badge)

    def test_a_complete_kit_opens_a_docket(self):
        answer = self.hand_out("hb-15")
        self.assertEqual(answer.status_code, 200)
        self.assertEqual((self.state(13, "kit"), self.state(13, "wiring")), ("passed", "working"))

    def test_a_kit_is_refused_with_its_reason(self):
        table = {
            "HB-13": "lacks sounder",
            "HB-14": "in repair: brood-box thermometer T-14: reads 9 °C too high",
            "HB-02": "already out, with Castell",
            "HB-99": "No kit has the tag",
        }
        for tag, said in table.items():
            answer = self.hand_out(tag)
            self.assertEqual(answer.status_code, 422)
            self.assertIn(said, answer.json()["message"])
        self.assertIn("No pair", self.hand_out("HB-15", "P-99").json()["message"])

    def test_a_kit_that_was_held_back_is_put_right_and_can_go_out(self):
        for tag in ("HB-14", "HB-13"):  # in repair; lacks a part
            said = self.assistant.ask("/api/hatch/put-right", tag=tag).json()["message"]
            self.assertEqual(said, f"{tag} is ready.")
        states = {kit["tag"]: kit["state"] for kit in self.instructor.ask("/api/kits").json()}
        self.assertEqual((states["HB-13"], states["HB-14"]), ("ready", "ready"))
        self.assertEqual(Event.objects.latest("id").detail["what"], "filled up: sounder")
        again = self.assistant.ask("/api/hatch/put-right", tag="HB-14")
        self.assertEqual((again.status_code, again.json()["message"]), (422, "HB-14 is not held back."))
        self.assertEqual(self.member(2).ask("/api/hatch/put-right", tag="HB-15").status_code, 403)

    def test_a_kit_without_a_place_for_a_part_of_the_recipe_is_incomplete_until_it_is_filled_up(self):
        KitPart.objects.filter(kit__tag="HB-15", ref="R1").delete()
        self.assertIn("HB-15 lacks series resistor", self.hand_out("HB-15").json()["message"])
        states = {kit["tag"]: kit["state"] for kit in self.instructor.ask("/api/kits").json()}
        self.assertEqual(states["HB-15"], "incomplete")
        self.assistant.ask("/api/hatch/put-right", tag="HB-15")
        self.assertEqual(self.hand_out("HB-15").status_code, 200)

    def test_a_pair_has_one_kit_at_a_time(self):
        self.assertIn("still has HB-02", self.hand_out("HB-15", "P-02").json()["message"])

    def test_another_kit_voids_the_clearance(self):
        self.assistant.ask("/api/hatch/take-back", tag="HB-08", faults=["sounder leg bent"])
        self.assertEqual(self.hand_out("HB-15", "P-08").status_code, 200)
        self.assertEqual(self.state(8, "power"), "voided")
        self.assertIn("in repair: sounder leg bent", self.hand_out("HB-08").json()["message"])

    def test_a_substitution_counts_from_then_on(self):
        answer = self.assistant.ask("/api/hatch/substitute", tag="HB-05", ref="r1", value="1k", reason="no 330 Ω left")
        self.assertEqual(answer.status_code, 200)
        docket = self.docket(5)
        text = docket.attempts.get(kind="wiring").text
        found = self.instructor.ask(f"/api/dockets/{docket.pk}/check-wiring", text=text).json()["findings"]
        self.assertIn("not-as-handed-out", [f["rule"] for f in found])

    def test_a_substitute_outside_the_window_or_without_reason_is_refused(self):
        for value, reason, said in (
            ("10", "none left", "outside the window"),
            ("390", " ", "Say why"),
            ("abc", "x", "is not a value"),
        ):
            answer = self.assistant.ask("/api/hatch/substitute", tag="HB-05", ref="R1", value=value, reason=reason)
            self.assertEqual(answer.status_code, 422)
            self.assertIn(said, answer.json()["message"])
