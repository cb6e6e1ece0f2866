"""Measurements before power, and after a log: what is asked for is kept, judged, and moves what follows."""

from tests.site.base import DemoCase

NAMES = ("Room air", "Held in the hand", "Warm pack")


class MeterWalkTest(DemoCase):
    def require(self) -> None:
        version = self.docket(6).version
        type(version).objects.filter(pk=version.pk).update(text=version.text + "\nmeter_walk: required\n")

    def ask(self, act: str, **body):
        return self.instructor.ask(f"/api/dockets/{self.docket(6).pk}/{act}", **body)

    def walk(self):
        return self.instructor.ask(f"/api/dockets/{self.docket(6).pk}").json()["wiring"]["walk"]

    def clear(self, **more):
        return self.ask("clear", wiring_attempt=1, compared=True, **more)

    def test_it_is_offered_and_says_what_each_measurement_should_read(self):
        walk = self.walk()
        self.assertFalse(walk["required"])
        self.assertEqual((walk["harm_shown"], walk["harmful"]), (4, 4))
        self.assertTrue(3 <= len(walk["steps"]) <= 6)
        self.assertEqual({step["fits"] for step in walk["steps"]}, {None})
        self.ask("measure", name=walk["steps"][0]["name"], value=0.4)
        self.ask("measure", name=walk["steps"][1]["name"], value=1000)
        self.assertEqual([step["fits"] for step in self.walk()["steps"]][:3], [True, False, None])

    def test_where_the_exercise_asks_for_it_power_waits_for_it(self):
        self.require()
        self.assertIn("measurements of it are not entered yet", self.clear().json()["message"])
        for step in self.walk()["steps"]:
            self.ask("measure", name=step["name"], value=0.3)
        last = self.walk()["steps"][-1]["name"]
        self.ask("measure", name=last, value=2e6)
        self.assertIn("Find that lead first", self.clear().json()["message"])
        self.ask("measure", name=last, value=0.3)
        self.assertEqual(self.clear().status_code, 200)

    def test_an_instructor_may_pass_it_over_with_a_reason(self):
        self.require()
        self.assertEqual(self.clear(overrule_reason="No meter is left; I looked at every lead.").status_code, 200)
        self.assertEqual(self.docket(6).clearances.latest("id").overruled, ["meter-walk"])

    def test_a_measurement_of_another_wiring_is_nothing_to_enter(self):
        answer = self.ask("measure", name="walk:00000000:ohms:5V~GND", value=1)
        self.assertEqual(answer.status_code, 422)


class ColumnTest(DemoCase):
    def test_a_column_that_a_person_took_stands_for_later_logs_too(self):
        log = "".join(
            f"# {name}\n" + f"{raw} {value}\n" * 8
            for name, raw, value in zip(NAMES, (22, 29, 39), (72, 79, 89), strict=True)
        )
        self.hand_in(7, "readings", log)
        path = f"/api/dockets/{self.docket(7).pk}"
        before = self.instructor.ask(path).json()["readings"]
        self.assertEqual((before["verdict"], [c["taken_for"] for c in before["columns"]]), ("in-limits", [0, None]))
        other = before["columns"][1]
        self.instructor.ask(f"{path}/measure", name="column:0", value=other["key"])
        after = self.instructor.ask(path).json()["readings"]
        self.assertEqual((after["verdict"], after["columns"][1]["because"]), ("out", "somebody chose it"))
        self.hand_in(7, "readings", log + "# the end\n", token="t2")
        self.assertEqual(self.instructor.ask(path).json()["readings"]["verdict"], "out")
        self.assertEqual(self.instructor.ask(f"{path}/measure", name="column:9", value=1).status_code, 422)


class ResultsOfActsTest(DemoCase):
    def test_a_result_moves_the_ranking_and_counts_for_its_own_log_only(self):
        log = "".join(f"# {name}\n" + "0.00\n" * 10 for name in NAMES)
        self.hand_in(7, "readings", log)
        path = f"/api/dockets/{self.docket(7).pk}"
        before = self.instructor.ask(path).json()["readings"]
        self.assertEqual(len(before["diagnosis"][0]["ties"]), 3)
        act = next(act for act in before["acts"] if act["unit"] == "V")
        self.instructor.ask(f"{path}/measure", name=act["name"], value=4.9)
        after = self.instructor.ask(path).json()["readings"]
        self.assertIn("exchanged", after["diagnosis"][0]["title"])
        self.assertEqual([a["result"] for a in after["acts"] if a["name"] == act["name"]], [4.9])
        self.hand_in(7, "readings", log + "0.00\n", token="t2")
        again = self.instructor.ask(path).json()["readings"]
        self.assertEqual({a["result"] for a in again["acts"]}, {None})
