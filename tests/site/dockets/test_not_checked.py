"""What we could not finish is no judgement: it costs nothing, is tried again by itself, and staff can have it done again."""

from datetime import timedelta
from unittest import mock

from tests.samples import hand_in
from tests.site.base import DemoCase
from verifex.acts import clock
from verifex.dockets import judging
from verifex.dockets.models import Docket, Judgement
from verifex.work import queue
from verifex.work.models import Queued
from verifex.work.pool import OverLimit, compute


def out_of_time(function, case, station, *, limit):
    """The check of a wiring does not come to its end; everything else does."""
    if station == "wiring":
        raise OverLimit("time")
    return compute(function, case, station, limit=limit)


class NotCheckedTest(DemoCase):
    def setUp(self):
        super().setUp()
        self.path = f"/api/dockets/{self.docket(5).pk}"
        self.text = hand_in("tidy.bench")
        # How busy the machine of the tests is decides nothing here.
        self.enterContext(mock.patch("verifex.dockets.judging.os.getloadavg", return_value=(0.0, 0.0, 0.0)))

    def hand_in_on_a_busy_machine(self) -> None:
        with mock.patch("verifex.dockets.judging.compute", out_of_time):
            self.hand_in(5, "wiring", self.text, token="busy")
            queue.work_through()

    def newest(self) -> Judgement:
        return Judgement.objects.filter(docket=self.docket(5), kind="wiring").latest("id")

    def test_it_looks_like_no_judgement_to_staff_or_pair(self):
        self.hand_in_on_a_busy_machine()
        (finding,) = self.instructor.ask(self.path).json()["wiring"]["findings"]
        self.assertEqual((finding["rule"], finding["severity"]), ("not-checked-yet", "unchecked"))
        self.assertNotIn("orten", f"{finding['remedy']} {finding['hint']}", "nobody is asked to shorten a right wiring")
        (hint,) = self.member(5).ask(f"/api/my/dockets/{self.docket(5).pk}").json()["wiring"]["hints"]
        self.assertEqual(hint["severity"], "unchecked")
        self.assertIn("nothing is wrong with it", hint["hint"])

    def test_it_holds_power_as_a_stop_would(self):
        self.hand_in_on_a_busy_machine()
        body = {"wiring_attempt": 2, "compared": True}
        with mock.patch("verifex.dockets.judging.compute", out_of_time):
            answer = self.assistant.ask(f"{self.path}/clear", **body)
        self.assertEqual(answer.status_code, 422)
        self.assertIn("not checked yet", answer.json()["message"])

    def test_it_is_tried_again_by_itself_and_costs_nothing_afterwards(self):
        self.hand_in_on_a_busy_machine()
        waiting = Queued.objects.get(kind=judging.RETRY)
        self.assertGreater(waiting.due_at, clock.now())
        with clock.acting_at(waiting.due_at + timedelta(seconds=1)):
            queue.work_through()
        self.assertEqual((self.newest().summary["overrun"], Queued.objects.count()), ("", 0))
        self.hand_in(5, "wiring", self.text + "# the same\n", token="again")
        queue.work_through()
        rows = {r["name"]: r["counts"] for r in self.instructor.ask(f"{self.path}/marks").json()["criteria"]}
        self.assertEqual(
            (rows["wiring"], rows["safety"], rows["resistors"]), ("7", "4", "4"), "the Fix of the attempt before"
        )

    def test_the_same_text_is_checked_anew_and_not_taken_from_what_was_not_finished(self):
        self.hand_in_on_a_busy_machine()
        self.hand_in(5, "wiring", self.text, token="once more")
        queue.work_through()
        self.assertEqual(self.newest().summary["overrun"], "")

    def test_staff_can_have_it_checked_now(self):
        self.hand_in_on_a_busy_machine()
        self.assertEqual(self.assistant.ask(f"{self.path}/check-again", now=True).status_code, 200)
        queue.work_through()
        self.assertEqual(self.newest().summary["overrun"], "")

    def test_a_busy_machine_is_left_alone_for_a_minute_unless_a_person_asks(self):
        self.hand_in_on_a_busy_machine()
        waiting = Queued.objects.get(kind=judging.RETRY)
        load = self.enterContext(mock.patch("verifex.dockets.judging.os.getloadavg", return_value=(9e3, 0.0, 0.0)))
        with clock.acting_at(waiting.due_at + timedelta(seconds=1)):
            queue.work_through()
            self.assertEqual(Queued.objects.get(kind=judging.RETRY).due_at, clock.now() + judging.SOONEST)
        self.assertEqual((load.call_count, self.newest().summary["overrun"]), (1, "time"))
        self.assistant.ask(f"{self.path}/check-again", now=True)
        queue.work_through()
        self.assertEqual(self.newest().summary["overrun"], "")

    def test_judging_that_fails_again_and_again_is_shown_and_can_be_asked_for_anew(self):
        docket = self.docket(5)
        with (
            mock.patch.dict(queue.HANDLERS, {judging.JUDGE: mock.Mock(side_effect=RuntimeError)}),
            self.assertLogs("verifex.work.queue", "ERROR"),
        ):
            self.hand_in(5, "wiring", self.text, token="broken")
            for _ in range(queue.MOST_TRIES):
                queue.work_through()
        shown = self.instructor.ask(self.path).json()
        self.assertEqual((shown["judging"], shown["judging_failed"]), (False, True))
        self.instructor.ask(f"{self.path}/check-again", now=True)
        queue.work_through()
        docket.refresh_from_db()
        self.assertIsNone(docket.judging_failed_at)
        self.assertEqual(self.newest().attempt.number, 2)

    def test_an_entry_belongs_to_a_run_and_not_to_a_process_number(self):
        """After a restart another run can have the number that an earlier one had."""
        with mock.patch("verifex.work.queue.work_through"):
            self.hand_in(5, "wiring", self.text, token="cut off")
        Queued.objects.update(owner="the run before", leased_until=clock.now() + queue.LEASE)
        queue.work_through()
        self.assertEqual(Queued.objects.filter(kind=judging.JUDGE).count(), 1, "its lease still runs")
        with clock.acting_at(clock.now() + queue.LEASE + timedelta(seconds=1)):
            queue.work_through()
        self.assertIsNone(Docket.objects.get(pk=self.docket(5).pk).judging_since)
