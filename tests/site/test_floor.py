from tests.site.base import DemoCase


class FloorTest(DemoCase):
    def floor(self):
        return self.instructor.ask(f"/api/sessions/{self.session.pk}/floor").json()

    def test_twelve_benches_each_with_pair_and_six_stations(self):
        benches = self.floor()["benches"]
        self.assertEqual([b["bench"] for b in benches], list(range(1, 13)))
        self.assertTrue(all(len(b["stations"]) == 6 and b["pair"] for b in benches))

    def test_the_round_puts_stops_first_then_the_longest_wait_and_says_why(self):
        visits = self.floor()["round"]
        self.assertEqual([v["bench"] for v in visits[:2]], [2, 9])
        self.assertTrue(all(v["severity"] == "stop" for v in visits[:2]))
        waits = [v["since"] for v in visits[2:]]
        self.assertEqual(waits, sorted(waits))
        reasons = {v["bench"]: v["reason"] for v in visits}
        self.assertIn("The offset of the thermometer, 0.5 V, is not taken off", reasons[7])
        self.assertIn("Ready to mark", reasons[4])
        self.assertNotIn(3, reasons)  # at work, asks for nobody

    def test_the_hatch_tells_of_substitutions_and_held_kits(self):
        said = " ".join(self.floor()["hatch"])
        for words in ("R1 is 390 Ω", "HB-13 lacks sounder", "HB-14 is in repair"):
            self.assertIn(words, said)

    def test_a_visit_can_be_claimed_so_that_two_do_not_meet(self):
        docket = self.docket(2)
        self.assertEqual(self.assistant.ask(f"/api/dockets/{docket.pk}/claim", release=False).status_code, 200)
        taken = self.instructor.ask(f"/api/dockets/{docket.pk}/claim", release=False)
        self.assertEqual((taken.status_code, taken.json()["message"]), (422, "Tomas Reed is on the way there already."))
        self.assertEqual(self.floor()["round"][-1]["bench"], 2)  # for the others it moves to the end
