"""The table of states and acts: it is what an act is refused by, and what a screen is told."""

from itertools import product
from unittest import TestCase

from tests.site.base import DemoCase
from verifex.acts.refusals import NotAllowed, Refused
from verifex.dockets.models import State, Station
from verifex.dockets.stations import reach
from verifex.dockets.transitions import TABLE, Who, possible, transition

STATES = [None, *State]


def asked(
    act: str, station: str, state: str | None, *, role: str | None = "instructor", member=False, cleared=True, mark=None
):
    states = {Station.KIT: State.PASSED, Station.MARK: mark, station: state}
    known = {name: value for name, value in states.items() if value is not None}
    return transition(act, station, known, role=role, is_member=member, cleared=cleared)


class TableTest(TestCase):
    def test_an_act_is_possible_in_its_states_and_refused_with_a_reason_in_every_other(self):
        for ((act, station), entry), state in product(TABLE.items(), STATES):
            if state in entry.before:
                self.assertEqual(asked(act, station, state).act, act)
            else:
                with self.assertRaises(Refused) as refused:
                    asked(act, station, state)
                self.assertRegex(str(refused.exception), r"^[A-Z].{10,}\.$")

    def test_nobody_may_more_than_the_table_says(self):
        for (act, station), entry in TABLE.items():
            state = next(iter(entry.before - {None}), None)
            for role, member in ((None, False), (None, True), ("assistant", False), ("instructor", False)):
                rank = 3 if role == "instructor" else 2 if role else 1 if member else 0
                wanted = {Who.PAIR: 1, Who.STAFF: 2, Who.INSTRUCTOR: 3}[entry.who]
                if rank >= wanted:
                    asked(act, station, state, role=role, member=member)
                else:
                    with self.assertRaises(NotAllowed):
                        asked(act, station, state, role=role, member=member)

    def test_what_wants_a_reason_or_power(self):
        with_reason = {key for key, entry in TABLE.items() if entry.needs_reason}
        self.assertEqual(with_reason, {("reopen", s) for s in ("wiring", "program", "readings", "power", "mark")})
        after_power = {key for key, entry in TABLE.items() if entry.needs_power}
        self.assertEqual(after_power, {("hand-in", "readings"), ("listen", "readings")})

    def test_a_closed_marking_lets_nothing_happen_but_its_reopening(self):
        states = {station.value: State.PASSED.value for station in Station}
        found = possible(states, role="instructor", is_member=True, cleared=True)
        self.assertEqual([(t.act, t.station) for t in found], [("reopen", Station.MARK)])

    def test_readings_wait_for_power_and_everything_for_the_kit(self):
        with self.assertRaisesRegex(Refused, "after power"):
            asked("hand-in", Station.READINGS, None, cleared=False)
        with self.assertRaisesRegex(Refused, "No kit"):
            transition("hand-in", "wiring", {}, role=None, is_member=True, cleared=False)

    def test_an_act_that_is_none_is_refused_and_no_error(self):
        for act, station in (("pass", "power"), ("dance", "wiring"), ("ask", "nowhere"), ("pass", "\ud800")):
            with self.assertRaises(Refused):
                asked(act, station, State.ASKS)


class ActsOnScreenTest(DemoCase):
    def test_a_screen_is_told_exactly_what_can_be_done_now(self):
        docket = self.docket(2)
        acts = {(a["act"], a["station"]) for a in self.instructor.ask(f"/api/dockets/{docket.pk}").json()["acts"]}
        self.assertTrue({("pass", "wiring"), ("send-back", "wiring"), ("clear", "power")} <= acts)
        self.assertFalse({("reopen", "wiring"), ("pass", "readings"), ("close", "mark")} & acts)
        helper = {(a["act"], a["station"]) for a in self.assistant.ask(f"/api/dockets/{docket.pk}").json()["acts"]}
        self.assertEqual(acts - helper, {("pass", "wiring"), ("send-back", "wiring"), ("mark", "mark")})


class OverruleAndUndoTest(DemoCase):
    def test_passing_with_a_stop_open_is_an_overrule_with_its_reason(self):
        path = f"/api/dockets/{self.docket(2).pk}"
        refused = self.instructor.ask(f"{path}/pass", station="wiring")
        self.assertEqual((refused.status_code, "give the reason" in refused.json()["message"]), (422, True))
        self.assertEqual(self.state(2, "wiring"), "asks")
        self.instructor.ask(f"{path}/pass", station="wiring", overrule_reason="a stand-in of mine")
        decision = self.docket(2).decisions.latest("id")
        self.assertEqual((decision.act, decision.overruled), ("pass", ["supply-reversed"]))
        mine = self.member(2).ask(f"/api/my/dockets/{self.docket(2).pk}").json()
        self.assertEqual(mine["passed_over_stop"], ["wiring"])
        self.assertNotIn("stand-in", str(mine))

    def test_a_fresh_decision_can_be_taken_back_and_all_is_as_before(self):
        path = f"/api/dockets/{self.docket(1).pk}"
        before = dict(self.docket(1).stations.values_list("station", "state"))
        self.instructor.ask(f"{path}/pass", station="readings")
        self.assertEqual(self.instructor.ask(path).json()["undo"]["station"], "readings")
        self.assertEqual(self.instructor.post(f"{path}/undo", {}, content_type="application/json").status_code, 200)
        self.assertEqual(dict(self.docket(1).stations.values_list("station", "state")), before)
        self.assertIsNone(self.instructor.ask(path).json()["undo"])
        again = self.instructor.post(f"{path}/undo", {}, content_type="application/json")
        self.assertIn("no decision left", again.json()["message"])

    def test_a_clearance_taken_back_is_void_and_what_followed_cannot_be_undone(self):
        path = f"/api/dockets/{self.docket(6).pk}"
        self.instructor.ask(f"{path}/clear", wiring_attempt=1, compared=True)
        self.instructor.post(f"{path}/undo", {}, content_type="application/json")
        self.assertFalse(self.docket(6).clearances.filter(voided_at=None).exists())
        self.instructor.ask(f"{path}/clear", wiring_attempt=1, compared=True)
        self.hand_in(6, "program", "void setup() {}\nvoid loop() {}\n")  # something followed
        self.assertIsNone(self.instructor.ask(path).json()["undo"])

    def test_clean_hand_ins_are_passed_together_and_what_changed_is_left_and_told(self):
        floor = f"/api/sessions/{self.session.pk}"
        cards = {c["bench"]: c for c in self.instructor.ask(f"{floor}/floor").json()["benches"]}
        self.assertEqual([b for b, card in cards.items() if card["clean"]], [1])  # 11 has a copied log, 7 is out
        body = {"dockets": {str(cards[b]["docket"]): cards[b]["revision"] for b in (1, 7)}}
        self.assertEqual(self.assistant.ask(f"{floor}/pass-clean", **body).status_code, 403)
        done = self.instructor.ask(f"{floor}/pass-clean", **body).json()
        self.assertEqual((done["passed"], len(done["changed"])), (["Halvorsen · Idris"], 1))
        self.assertEqual((self.state(1, "readings"), self.state(7, "readings")), ("passed", "asks"))

    def test_the_history_tells_who_did_what(self):
        docket = self.docket(2)
        self.instructor.ask(f"/api/dockets/{docket.pk}/send-back", station="wiring", reason="look at U1")
        told = self.instructor.ask(f"/api/dockets/{docket.pk}/history").json()
        self.assertEqual((told[0]["by"], told[0]["what"]), ("Ines Marlow", "sent back wiring: look at U1"))


class NoProgramTest(DemoCase):
    """An exercise whose bench works by itself has five stations."""

    def setUp(self):
        super().setUp()
        version = self.docket(2).version
        text = version.text.replace("\nboard: ", "\nprogram: false\nboard: ", 1)
        type(version).objects.filter(pk=version.pk).update(text=text)

    def test_clearance_leads_to_the_readings_and_a_program_is_refused(self):
        docket = self.docket(2)
        self.assertTrue(docket.version.text.count("program: false"))
        reach(docket, Station.PROGRAM)
        self.assertEqual(self.state(2, "readings"), State.WORKING)
        shown = self.instructor.ask(f"/api/dockets/{docket.pk}").json()
        self.assertEqual([row["station"] for row in shown["stations"]], ["kit", "wiring", "power", "readings", "mark"])
        answer = self.hand_in(2, "program", "void loop() {}")
        self.assertIn("has no program", str(answer.json()))
