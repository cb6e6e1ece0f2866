"""A step is judged once module and program can have settled; a plan that leaves no such moment is reported at release."""

from unittest import TestCase

from tests.samples import DEMO, exercise
from verifex.core.assess import Case, assess_station
from verifex.core.exercise import Exercise
from verifex.core.exercise.settling import settle_seconds
from verifex.core.expected.release import release_obstacles
from verifex.core.twin import plan_stimulus

NIGHT = exercise("night-visitor-watch")
REFERENCE = (DEMO / "exercises" / "night-visitor-watch" / "reference.cpp").read_text("utf-8")


def held(dwell_seconds: float) -> Exercise:
    """The exercise with each step held so long, and nobody there again at the end: its module holds 8 s."""
    steps = [step.model_copy(update={"dwell_seconds": dwell_seconds}) for step in NIGHT.steps]
    again = steps[0].model_copy(update={"name": "Gone again"})
    return NIGHT.model_copy(update={"steps": [*steps, again]})


class SettlingTest(TestCase):
    def test_only_what_ends_is_held_on_to(self):
        plan = held(10.0)
        self.assertEqual([settle_seconds(plan, n) for n in range(3)], [0.0, 0.0, 9.0])

    def test_a_right_program_is_right_however_short_the_plan(self):
        for dwell_seconds in (3.0, 10.0, 60.0):
            plan = held(dwell_seconds)
            record = assess_station(Case(plan, wiring=plan.reference_wiring(), program=REFERENCE), "program")
            assert record is not None
            self.assertEqual([f.rule for f in record.findings if f.severity in ("stop", "fix")], [], dwell_seconds)

    def test_what_was_before_is_over_when_a_step_is_judged(self):
        for dwell_seconds in (3.0, 10.0, 60.0):
            window = plan_stimulus(held(dwell_seconds)).windows[2]
            self.assertGreaterEqual(window.judged_ms - window.start_ms, 9000)
            self.assertGreaterEqual(window.end_ms - window.judged_ms, 1000)

    def test_release_says_which_step_is_too_short(self):
        for dwell_seconds, blocks in ((8.0, [True]), (12.0, [False]), (20.0, [])):
            found = [o for o in release_obstacles(held(dwell_seconds)) if "Gone again" in o.message]
            self.assertEqual([not o.warns for o in found], blocks, dwell_seconds)
