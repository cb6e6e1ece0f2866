"""The closer look at a wiring: changes, resistors with what the store offers, comparison, states, bench sums."""

from typing import Any

from tests.samples import hand_in
from tests.site.base import DemoCase
from verifex.stores.models import StockItem


class StudyTest(DemoCase):
    def study(self, bench: int) -> Any:
        answer = self.instructor.ask(f"/api/dockets/{self.docket(bench).pk}/wiring/study")
        self.assertEqual(answer.status_code, 200)
        return answer.json()

    def solve(self, bench: int, **settings: str) -> Any:
        return self.instructor.ask(f"/api/dockets/{self.docket(bench).pk}/wiring/solve", settings=settings)

    def test_what_changed_since_the_attempt_before_is_told_to_staff_and_pair(self):
        changes = self.instructor.ask(f"/api/dockets/{self.docket(2).pk}").json()["wiring"]["changes"]
        self.assertTrue(changes)
        mine = self.member(2).ask(f"/api/my/dockets/{self.docket(2).pk}").json()["wiring"]["changes"]
        self.assertEqual(mine, changes)
        first = self.instructor.ask(f"/api/dockets/{self.docket(1).pk}").json()["wiring"]["changes"]
        self.assertIsNone(first)  # there was none before

    def test_each_resistor_has_its_job_its_window_and_its_heat(self):
        (job,) = self.study(1)["resistors"]
        self.assertEqual((job["job"], job["about"], job["fits"]), ("led-series", "D1", True))
        self.assertEqual((job["low_ohms"], job["high_ohms"], job["nominal_ohms"]), (150, 2200, 330))
        self.assertLess(job["watts"], job["rated_watts"])
        self.assertEqual(job["offers"], [])  # what fits needs no substitute

    def test_a_resistor_outside_its_window_comes_with_what_the_drawers_hold(self):
        wrong = hand_in("one-half.bench").replace("bands=orange-orange-brown-gold measured=327", "value=33k")
        self.hand_in(1, "wiring", wrong)
        (job,) = self.study(1)["resistors"]
        self.assertFalse(job["fits"])
        best = job["offers"][0]
        self.assertEqual((best["said"], best["drawers"]), ("390 Ω", ["C3"]))

    def test_the_comparison_is_by_function_not_hole_for_hole(self):
        rows = self.study(10)["comparison"]  # other pins and rows than the reference
        self.assertTrue(rows)
        self.assertTrue(all(row["agrees"] for row in rows), [row for row in rows if not row["agrees"]])
        wrong = [row for row in self.study(5)["comparison"] if not row["agrees"]]
        self.assertIn("U1", {row["ref"] for row in wrong})

    def test_any_state_of_the_outputs_can_be_looked_at(self):
        names = [handle["name"] for handle in self.study(1)["handles"]]
        self.assertIn("D8", names)
        low, high = self.solve(1).json(), self.solve(1, D8="high").json()
        amps = [next(p for p in s["parts"] if p["ref"] == "D1")["amps"]["anode"] for s in (low, high)]
        self.assertAlmostEqual(amps[0], 0, places=5)
        self.assertGreater(amps[1], 5e-3)
        self.assertGreater(high["pins"]["D8"], 5e-3)

    def test_a_handle_that_is_none_is_refused_in_words(self):
        self.assertIn("nothing that can be set", self.solve(1, X9="high").json()["message"])
        self.assertIn("low, high", self.solve(1, D8="sideways").json()["message"])

    def test_findings_say_what_follows_from_them(self):
        findings = self.instructor.ask(f"/api/dockets/{self.docket(2).pk}").json()["wiring"]["findings"]
        self.assertEqual(findings[0]["rule"], "supply-reversed")
        self.assertIsInstance(findings[0]["also"], list)


class DrawerTest(DemoCase):
    def test_the_hatch_offers_what_lies_in_the_window(self):
        (advice,) = self.assistant.ask("/api/hatch/advice?tag=hb-15").json()
        self.assertEqual((advice["ref"], advice["window"]), ("R1", "150 Ω to 2.2 kΩ"))
        said = [offer["said"] for offer in advice["offers"]]
        self.assertEqual(said[0], "390 Ω")
        self.assertNotIn("330 Ω", said)  # the drawer is empty

    def test_a_substitute_leaves_its_drawer_and_an_empty_drawer_is_said(self):
        body = {"tag": "HB-02", "ref": "r1", "value": "390", "reason": "no 330 Ω left"}
        before = StockItem.objects.get(ohms=390).count
        self.assertEqual(self.assistant.ask("/api/hatch/substitute", **body).status_code, 200)
        self.assertEqual(StockItem.objects.get(ohms=390).count, before - 1)
        answer = self.assistant.ask("/api/hatch/substitute", **{**body, "value": "330"})
        self.assertIn("hold no 330 Ω any more", answer.json()["message"])
        answer = self.assistant.ask("/api/hatch/substitute", **{**body, "value": "100"})
        self.assertIn("outside the window of R1: 150 Ω to 2.2 kΩ", answer.json()["message"])

    def test_the_drawers_are_listed_for_staff(self):
        rows = self.assistant.ask("/api/stock").json()
        self.assertEqual((rows[0]["title"], rows[0]["drawer"]), ("100 Ω resistor", "C1"))


class SumsTest(DemoCase):
    def test_every_sum_answers_its_own_defaults(self):
        offered = self.instructor.ask("/api/sums").json()
        self.assertGreaterEqual(len(offered["sums"]), 7)
        for sum_ in offered["sums"]:
            answer = self.member(1).ask(f"/api/sums/of/{sum_['name']}", given={"_": ""})
            self.assertEqual(answer.status_code, 200, sum_["name"])
            self.assertTrue(answer.json()["rows"][0]["said"])

    def test_bands_both_ways(self):
        read = (
            self.member(1).ask("/api/sums/bands", colours=["orange", "orange", "brown", "gold"], measured="3k3").json()
        )
        self.assertEqual((read["ohms"], read["measured_fits"]), (330, False))
        self.assertEqual(read["misreadings"][0]["bands"], ["orange", "orange", "red", "gold"])
        back = self.member(1).ask("/api/sums/value", value="325", series="E24").json()
        self.assertEqual((back["nearest"], back["bands"]), (330, ["orange", "orange", "brown", "gold"]))

    def test_what_makes_no_sense_is_refused_naming_the_field(self):
        answer = self.member(1).ask("/api/sums/of/led", given={"supply": "1.5", "vf": "2"})
        self.assertEqual(answer.status_code, 422)
        answer = self.member(1).ask("/api/sums/of/led", given={"supply": "five"})
        self.assertIn("supply", answer.json()["message"])
        self.assertIn("no digit", self.member(1).ask("/api/sums/bands", colours=["gold"] * 4).json()["message"])
