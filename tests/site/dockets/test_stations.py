"""The docket's way through its stations: who may do what, and what voids what."""

from unittest.mock import patch

from tests.samples import PROGRAM, hand_in
from tests.site.base import DemoCase
from verifex.acts.models import Event
from verifex.dockets.models import Attempt, Clearance

SWAPPED, SOUND = hand_in("supply-swapped.bench"), hand_in("one-half.bench")


class HandInTest(DemoCase):
    def test_an_attempt_never_changes_and_the_next_has_its_own_number(self):
        before = self.docket(2).attempts.get(kind="wiring", number=2)
        self.assertEqual(self.hand_in(2, "wiring", SOUND).status_code, 200)
        self.assertEqual(Attempt.objects.get(pk=before.pk).text, before.text)
        self.assertEqual((self.docket(2).attempts.filter(kind="wiring").count(), self.state(2, "wiring")), (3, "asks"))

    def test_sent_twice_stored_once(self):
        self.hand_in(2, "wiring", SOUND, token="same")
        self.hand_in(2, "wiring", SOUND, token="same", based_on=2)
        self.assertEqual(self.docket(2).attempts.filter(kind="wiring").count(), 3)

    def test_the_same_text_handed_in_again_is_judged_as_the_new_attempt(self):
        for bench, kind in ((7, "readings"), (2, "wiring")):
            docket, text = self.docket(bench), self.last(bench, kind).text
            for turn in range(3):
                self.assertEqual(self.hand_in(bench, kind, text, token=f"again {turn}").status_code, 200)
                seen = self.instructor.ask(f"/api/dockets/{docket.pk}").json()[kind]
                self.assertEqual((seen["number"], seen["judged"]), (self.last(bench, kind).number, True), kind)
            with patch("verifex.dockets.judging.compute") as computed:
                self.hand_in(bench, kind, text, token="once more")
                self.assertTrue(self.instructor.ask(f"/api/dockets/{docket.pk}").json()[kind]["judged"])
            computed.assert_not_called()  # what was judged with the very same is not worked out again

    def test_two_at_once_never_lose_one_silently(self):
        self.hand_in(2, "wiring", SOUND, token="one", based_on=2)
        late = self.hand_in(2, "wiring", SWAPPED, token="other", based_on=2)
        self.assertEqual(
            (late.status_code, late.json()["changes"]), (409, ["Leo Castell handed in attempt 3 of the wiring"])
        )

    def test_a_stale_decision_is_refused_with_what_changed(self):
        docket = self.docket(2)
        seen = docket.revision
        self.hand_in(2, "wiring", SOUND)
        answer = self.instructor.ask(f"/api/dockets/{docket.pk}/pass", station="wiring", based_on=seen)
        self.assertEqual(answer.status_code, 409)
        self.assertEqual(answer.json()["changes"], ["Leo Castell: handed in attempt 3 of the wiring"])

    def test_bad_text_is_located_and_nothing_is_stored(self):
        table = [
            ("wiring", "board B1 mcu-5v\nnonsense here\n", "Line 2: 'nonsense' begins no statement"),
            ("wiring", "  \n", "the wiring is empty"),
            ("wiring", "x" * 70_000, "larger than 64 kB"),
            ("program", "int a;\0", "this is no text"),
        ]
        for kind, text, said in table:
            answer = self.hand_in(8, kind, text, token=said)
            self.assertEqual(answer.status_code, 422, said)
            self.assertIn(said, answer.json()["message"])
        self.assertEqual(self.docket(8).attempts.count(), 2)

    def test_a_body_that_is_too_large_is_refused_by_its_length(self):
        docket = self.docket(2)
        answer = self.member(2).post(
            f"/api/my/dockets/{docket.pk}/hand-in",
            b"x",
            content_type="application/json",
            CONTENT_LENGTH=str(99_000_000),
        )
        self.assertEqual(answer.status_code, 413)

    def test_an_endless_program_becomes_a_finding(self):
        self.hand_in(8, "program", PROGRAM.replace("delay(1000);", "while (true) {}"))
        judged = self.last(8, "program").judgements.latest("id")
        self.assertIn("run-ended", [f["rule"] for f in judged.record["findings"]])

    def test_readings_come_after_power(self):
        answer = self.hand_in(2, "readings", "# Room air\n22.1\n")
        self.assertIn("not cleared", answer.json()["message"])

    def test_asking_and_withdrawing(self):
        docket, member = self.docket(2), self.member(2)
        member.ask(f"/api/my/dockets/{docket.pk}/withdraw", station="wiring")
        self.assertEqual(self.state(2, "wiring"), "working")
        member.ask(f"/api/my/dockets/{docket.pk}/ask", station="wiring")
        self.assertEqual(self.state(2, "wiring"), "asks")
        self.assertEqual(member.ask(f"/api/my/dockets/{docket.pk}/ask", station="mark").status_code, 422)


class ClearanceTest(DemoCase):
    def clear(self, bench: int, *, by=None, attempt: int | None = None, compared: bool = True, reason: str = ""):
        docket = self.docket(bench)
        number = attempt or docket.attempts.filter(kind="wiring").count()
        return (by or self.instructor).ask(
            f"/api/dockets/{docket.pk}/clear", wiring_attempt=number, compared=compared, overrule_reason=reason
        )

    def test_it_names_one_wiring_and_one_kit(self):
        self.assertEqual(self.clear(6, by=self.assistant).status_code, 200)
        clearance = Clearance.objects.get(docket=self.docket(6), voided_at=None)
        self.assertEqual((clearance.wiring.number, clearance.kit_issue.kit.tag, clearance.compared), (1, "HB-06", True))
        self.assertEqual((self.state(6, "power"), self.state(6, "program")), ("passed", "working"))

    def test_the_tick_and_the_last_attempt_are_needed(self):
        self.assertIn("Compare supply", self.clear(6, compared=False).json()["message"])
        self.assertIn("attempt 2 meanwhile", self.clear(2, attempt=1).json()["message"])

    def test_a_stop_blocks_it_and_only_an_instructor_overrules_with_a_reason(self):
        self.assertIn("Only an instructor", self.clear(2, by=self.assistant, reason="looks fine").json()["message"])
        self.assertIn("give the reason", self.clear(2).json()["message"])
        self.assertEqual(self.clear(2, reason="The part is a stand-in of mine.").status_code, 200)
        clearance = Clearance.objects.get(docket=self.docket(2), voided_at=None)
        self.assertEqual(
            (clearance.overruled, clearance.reason), (["supply-reversed"], "The part is a stand-in of mine.")
        )

    def test_new_wiring_voids_it(self):
        self.hand_in(8, "wiring", hand_in("tidy.bench"))
        self.assertEqual(self.state(8, "power"), "voided")
        self.assertIn("new wiring", self.docket(8).clearances.latest("id").void_reason)

    def test_a_program_that_makes_a_stop_voids_it(self):
        # D2 on the plus rail is harmless as an input, and 200 mA once a program makes it an output.
        self.hand_in(8, "wiring", hand_in("one-half.bench") + "wire B1.D2 +L\n")
        self.assertEqual(self.clear(8).status_code, 200)
        self.hand_in(8, "program", hand_in("sound-a.cpp"), token="quiet")
        self.assertEqual(self.state(8, "power"), "passed")
        driving = hand_in("sound-a.cpp").replace("pinMode(ledPin", "pinMode(2, OUTPUT);\n  pinMode(ledPin")
        self.hand_in(8, "program", driving, token="driving")
        self.assertEqual(self.state(8, "power"), "voided")
        self.assertIn("D2 sinks 201 mA", self.docket(8).clearances.latest("id").void_reason)

    def test_the_database_itself_holds_one_standing_clearance_with_its_tick(self):
        from django.db import IntegrityError, transaction

        standing = Clearance.objects.filter(voided_at=None).first()
        assert standing is not None
        for changes in ({"compared": True}, {"compared": False}):
            with self.assertRaises(IntegrityError), transaction.atomic():
                Clearance.objects.create(
                    docket=standing.docket, wiring=standing.wiring, kit_issue=standing.kit_issue, **changes
                )


class DecisionTest(DemoCase):
    def test_only_an_instructor_passes_sends_back_and_reopens(self):
        docket = self.docket(8)
        for path in ("pass", "send-back"):
            self.assertEqual(self.assistant.ask(f"/api/dockets/{docket.pk}/{path}", station="program").status_code, 403)
        self.assertEqual(
            self.instructor.ask(f"/api/dockets/{docket.pk}/send-back", station="program", reason="line 14").status_code,
            200,
        )
        self.assertEqual(self.state(8, "program"), "sent-back")
        self.assertIn(
            "line 14", [m["reason"] for m in self.member(8).ask(f"/api/my/dockets/{docket.pk}").json()["messages"]]
        )

    def test_reopening_wants_a_reason_and_takes_power_back(self):
        docket = self.docket(8)
        self.assertEqual(
            self.instructor.ask(f"/api/dockets/{docket.pk}/reopen", station="power", reason=" ").status_code, 422
        )
        self.assertEqual(
            self.instructor.ask(f"/api/dockets/{docket.pk}/reopen", station="power", reason="smoke").status_code, 200
        )
        self.assertFalse(self.docket(8).clearances.filter(voided_at=None).exists())

    def test_measured_values_are_refused_when_not_plausible_and_move_the_sheet(self):
        docket, member = self.docket(8), self.member(8)
        wrong = member.ask(f"/api/my/dockets/{docket.pk}/measure", name="rail", value=11)
        self.assertIn("4.25 to 5.50 V is", wrong.json()["message"])
        before = self.instructor.ask(f"/api/dockets/{docket.pk}/sheets").json()["built"]["steps"][0]["count"][
            "expected"
        ]
        member.ask(f"/api/my/dockets/{docket.pk}/measure", name="rail", value=4.6)
        after = self.instructor.ask(f"/api/dockets/{docket.pk}/sheets").json()["built"]["steps"][0]["count"]["expected"]
        self.assertGreater(after, before)

    def test_every_act_is_in_the_log_with_its_revision(self):
        docket = self.docket(1)
        events = Event.objects.filter(subject=docket.subject)
        self.assertEqual([e.revision for e in events], list(range(1, docket.revision + 1)))
        self.assertTrue(all(e.actor_id for e in events if not e.verb.startswith(("judged", "worked out"))))
