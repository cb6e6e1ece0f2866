"""Settings of modules written down at the hatch, and constants of libraries explained once for an exercise."""

from tests.site.base import DemoCase
from verifex.dockets.inputs import DocketInputs
from verifex.exercises.models import Exercise
from verifex.people.models import Pair, PairMember, User
from verifex.plan.models import Seat
from verifex.stores.models import Kit


class SettingsTest(DemoCase):
    """A motion module whose jumper stands otherwise than the exercise says."""

    def setUp(self):
        super().setUp()
        self.pair = Pair.objects.create(section=self.session.section, name="New · Comers", badge="P-13")
        PairMember.objects.create(pair=self.pair, user=User.objects.create(username="new.one"))
        Seat.objects.create(session=self.session, pair=self.pair, bench=13)
        self.exercise = Exercise.objects.get(slug="night-visitor-watch")
        self.session.planned.create(exercise=self.exercise)
        self.assistant.ask("/api/hatch/hand-out", session=self.session.pk, tag="NV-01", badge="P-13")

    def set(self, ref: str, setting: str, value: str):
        return self.assistant.ask("/api/hatch/setting", tag="nv-01", ref=ref, setting=setting, value=value)

    def findings(self):
        docket = self.docket(13)
        text = docket.version.file.reference_wiring()
        return {
            f["rule"]: f["seen"]
            for f in self.instructor.ask(f"/api/dockets/{docket.pk}/check-wiring", text=text).json()["findings"]
        }

    def test_what_is_found_at_the_hatch_is_what_the_checks_use(self):
        self.assertNotIn("setting-differs", self.findings())
        self.assertEqual(self.set("u1", "jumper", "single").json()["message"], "NV-01, U1: jumper single.")
        history = self.instructor.ask(f"/api/dockets/{self.docket(13).pk}/history").json()
        self.assertIn("U1 is set to jumper single", [entry["what"] for entry in history])
        self.assertIn("setting-differs", self.findings())
        self.set("U1", "jumper", "")
        self.assertNotIn("setting-differs", self.findings())

    def test_it_stays_with_the_kit(self):
        self.set("U1", "hold", "12s")
        rows = self.assistant.ask("/api/hatch/settings?tag=nv-01").json()
        self.assertEqual(
            [(row["setting"], row["takes"], row["usual"], row["now"]) for row in rows if row["ref"] == "U1"],
            [
                ("range", "centimetre", "", ""),
                ("hold", "second", "8s", "12s"),
                ("jumper", "single or repeat", "repeat", ""),
            ],
        )
        self.assistant.ask("/api/hatch/take-back", tag="NV-01", faults=[])
        self.assistant.ask("/api/hatch/hand-out", session=self.session.pk, tag="NV-01", badge="P-13")
        self.assertEqual(Kit.objects.get(tag="NV-01").issues.latest("id").settings, {"U1": {"hold": "12s"}})

    def test_what_cannot_be_set_is_refused_with_what_can(self):
        table = {
            ("U1", "jumper", "both"): "“jumper” is single or repeat",
            ("U1", "hold", "long"): "no second value above 0",
            ("U1", "colour", "red"): "It has range, hold, jumper.",
            ("R1", "jumper", "single"): "It has measured.",
            ("U9", "jumper", "single"): "has no U9",
        }
        for (ref, setting, value), said in table.items():
            answer = self.set(ref, setting, value)
            self.assertEqual(answer.status_code, 422, (ref, setting))
            self.assertIn(said, answer.json()["message"])
        body = {"tag": "NV-01", "ref": "U1", "setting": "jumper", "value": "single"}
        self.assertEqual(self.speaker("new.one").ask("/api/hatch/setting", **body).status_code, 403)


class MeasuredResistorTest(DemoCase):
    """HB-05 is out with pair 5; its light has 330 Ω by the recipe."""

    def note(self, value: str):
        return self.assistant.ask("/api/hatch/setting", tag="HB-05", ref="R1", setting="measured", value=value)

    def given(self):
        docket = self.docket(5)
        return DocketInputs(docket).handed_out

    def offered(self):
        rows = self.assistant.ask("/api/hatch/settings?tag=HB-05").json()
        return next((row["takes"], row["usual"], row["now"]) for row in rows if row["ref"] == "R1")

    def test_the_value_reaches_whoever_has_the_kit_and_stays_with_it(self):
        self.assertEqual(self.offered(), ("ohm", "330 Ω", ""))
        self.assertEqual(self.note("0.326k").status_code, 200)
        self.assertEqual(self.given().measured_ohms, {"R1": 326.0})
        self.assertEqual(self.offered(), ("ohm", "330 Ω", "0.326k"))
        self.note("")
        self.assertEqual(self.given().measured_ohms, {})

    def test_another_resistor_than_the_recipes_is_no_measured_value(self):
        for value, said in (("3.3k", "330 Ω belongs here"), ("abc", "no ohm value"), ("-5", "no ohm value")):
            answer = self.note(value)
            self.assertEqual(answer.status_code, 422, value)
            self.assertIn(said, answer.json()["message"])

    def test_a_substitute_is_measured_for_itself(self):
        self.note("326")
        self.assistant.ask("/api/hatch/substitute", tag="HB-05", ref="R1", value="390", reason="none left")
        self.assertEqual((self.given().given_ohms, self.given().measured_ohms), ({"R1": 390.0}, {}))
        self.assertIn("390 Ω was given", self.note("330").json()["message"])
        self.assertEqual(self.offered(), ("ohm", "390 Ω", ""))
        self.note("388")
        self.assertEqual(self.offered(), ("ohm", "390 Ω", "388"))
        self.assertEqual(self.given().measured_ohms, {"R1": 388.0})
        self.assistant.ask("/api/hatch/undo-substitute", tag="HB-05")
        self.assertEqual((self.given().given_ohms, self.given().measured_ohms), ({}, {"R1": 326.0}))

    def test_what_was_noted_of_a_part_goes_with_it(self):
        self.note("326")
        self.assistant.ask("/api/hatch/replace", tag="HB-05", ref="R1", reason="leg broken")
        self.assertEqual(self.given().measured_ohms, {})
        self.assistant.ask("/api/hatch/undo-replace", tag="HB-05")
        self.assertEqual(self.given().measured_ohms, {"R1": 326.0})
        self.assistant.ask("/api/hatch/take-back", tag="HB-05", faults=[])
        self.assistant.ask("/api/hatch/came-back", tag="HB-05", missing=["R1"])
        self.assistant.ask("/api/hatch/put-right", tag="HB-05")
        self.assertEqual(self.offered()[2], "", "another one was put in")


class ConstantsTest(DemoCase):
    BENCH = 6  # at the program

    def hand_in_program(self):
        program = """#include <SomeParts.h>
void setup() { Serial.begin(9600); pinMode(8, OUTPUT); }
void loop() {
  float volts = analogRead(A0) * SomeParts::VOLTS_A_COUNT;
  Serial.println((volts - 0.5) * 100);
  delay(500);
}
"""
        self.assertEqual(self.hand_in(self.BENCH, "program", program).status_code, 200)

    def program(self):
        return self.instructor.ask(f"/api/dockets/{self.docket(self.BENCH).pk}").json()["program"]

    def explain(self, who, stands_for: str):
        path = f"/api/dockets/{self.docket(self.BENCH).pk}/constants"
        return who.ask(path, name="SomeParts::VOLTS_A_COUNT", stands_for=stands_for)

    def test_it_is_asked_once_and_the_program_is_judged_with_it(self):
        self.hand_in_program()
        self.assertEqual(
            self.program()["constants"], [{"name": "SomeParts::VOLTS_A_COUNT", "stands_for": "", "purposes": []}]
        )
        self.assertFalse(self.program()["runnable"])
        self.assertEqual(self.explain(self.instructor, "0.0048828").status_code, 200)
        found = self.program()
        self.assertTrue(found["runnable"])
        self.assertEqual(
            found["constants"], [{"name": "SomeParts::VOLTS_A_COUNT", "stands_for": "0.0048828", "purposes": []}]
        )
        self.explain(self.instructor, "")
        self.assertFalse(self.program()["runnable"], "an empty answer forgets it")

    def test_only_an_instructor_says_it_and_only_what_can_be(self):
        self.hand_in_program()
        self.assertEqual(self.explain(self.assistant, "1").status_code, 403)
        self.assertEqual(self.explain(self.member(self.BENCH), "1").status_code, 403)
        for words in ("nan", "climate-fin", "five"):
            self.assertEqual(self.explain(self.instructor, words).status_code, 422, words)

    def test_a_method_that_nobody_knows_is_asked_once_too(self):
        program = """#include <Thermo.h>
Thermo probe(A0);
void setup() { Serial.begin(9600); }
void loop() { Serial.println(probe.wobble(5)); delay(500); }
"""
        self.hand_in(self.BENCH, "program", program)
        [row] = self.program()["constants"]
        self.assertEqual((row["name"], row["stands_for"]), ("Thermo.wobble", ""))
        self.assertIn("celsius", row["purposes"])
        path = f"/api/dockets/{self.docket(self.BENCH).pk}/constants"
        self.assertEqual(self.instructor.ask(path, name="Thermo.wobble", stands_for="sideways").status_code, 422)
        self.assertEqual(self.instructor.ask(path, name="Thermo.wobble", stands_for="celsius").status_code, 200)
        self.assertTrue(self.program()["runnable"])
