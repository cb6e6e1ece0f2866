from unittest import TestCase

from tests.samples import EXERCISE, PROGRAM, WIRING
from verifex.core.circuit import check_wiring
from verifex.core.expected import expected_sheet
from verifex.core.problems import UnusableInput
from verifex.core.twin import BehaviourReport, check_behaviour, check_on_bench, plan_stimulus, read_stimulus, run_twin


def behaviour(*changes: tuple[str, str], wiring: str = WIRING) -> BehaviourReport:
    text = PROGRAM
    for old, new in changes:
        assert old in text, old
        text = text.replace(old, new)
    view = check_wiring(wiring, exercise=EXERCISE).view
    plan = plan_stimulus(EXERCISE)
    trace = run_twin(view, check_on_bench(text, view, EXERCISE), plan, plan.seconds)
    return check_behaviour(view, EXERCISE, plan, trace, expected_sheet(EXERCISE, WIRING))


class BehaviourTest(TestCase):
    def test_the_reference_does_what_is_asked(self):
        report = behaviour()
        self.assertEqual((report.findings, report.first_divergence_ms), ([], None))
        up = next(o for o in report.outcomes if o.window.kind == "up")
        self.assertAlmostEqual(up.switched_at["D1"], 33.0, delta=1.0)

    def test_each_fault_of_the_run_is_told_once_for_all_outputs(self):
        table = {
            "missing else": (
                [("digitalWrite(lightPin, LOW);", ""), ("digitalWrite(sounderPin, LOW);", "")],
                "alarm-stays-on",
            ),
            "sense turned": ([("celsius > threshold", "celsius < threshold")], "alarm-inverted"),
            "threshold out of reach": ([("33.0", "39.0")], "alarm-never-on"),
            "threshold too low": ([("33.0", "25.0")], "alarm-at-wrong-value"),
            "offset forgotten": ([(" - 0.5", "")], "offset-not-taken-off"),
            "another slope": ([("/ 0.01", "/ 0.02")], "printed-value-out"),
        }
        for name, (changes, rule) in table.items():
            with self.subTest(name):
                found = behaviour(*changes).findings
                self.assertEqual([f.rule for f in found], [rule])
                self.assertEqual(set(found[0].where.parts) - {"U1"}, {"D1", "BZ1"})

    def test_one_output_left_out_is_named_alone(self):
        found = behaviour(("digitalWrite(sounderPin, HIGH);", "")).findings
        self.assertEqual([(f.rule, f.where.parts) for f in found], [("alarm-never-on", ("BZ1",))])

    def test_a_lead_one_row_off_reads_noise_as_on_the_bench(self):
        report = behaviour(wiring=WIRING.replace("A2 a9", "A2 a11"))
        printed = [o.printed for o in report.outcomes if o.printed is not None]
        self.assertGreater(max(printed) - min(printed), 3)
        self.assertEqual(behaviour(wiring=WIRING.replace("A2 a9", "A2 a11")).outcomes, report.outcomes)  # seeded

    def test_the_rail_sags_under_load(self):
        view = check_wiring(WIRING, exercise=EXERCISE).view
        program = check_on_bench(PROGRAM, view, EXERCISE)
        stimulus = read_stimulus("time_ms,ref,quantity,value\n0,U1,celsius,60\n")
        counts = [s[3] for s in run_twin(view, program, stimulus, 5).samples]
        self.assertGreaterEqual(counts[-1], counts[0])  # a lower rail, which is the reference, counts higher


class StimulusTest(TestCase):
    def test_steps_and_ramps(self):
        stimulus = read_stimulus("time_ms,ref,quantity,value\n0,U1,celsius,20\n5000,U1,celsius,20->35/10s\n")
        for ms, value in ((0, 20), (5000, 20), (10_000, 27.5), (15_000, 35), (99_000, 35)):
            self.assertAlmostEqual(stimulus.at(ms)[("U1", "celsius")], value)

    def test_bad_lines_are_located(self):
        with self.assertRaisesRegex(UnusableInput, "3:1: a time, a reference"):
            read_stimulus("time_ms,ref,quantity,value\n0,U1,celsius,20\nx,U1,celsius,hot\n")
        with self.assertRaisesRegex(UnusableInput, "1:1: the first line"):
            read_stimulus("0,U1,celsius,20")
