"""Modules on the twin as time passes: motion that is held, echoes, a clock of its own, a display, noise that is the same each time."""

from unittest import TestCase

from tests.core.exercise.test_exercises import EXERCISES
from tests.core.program.test_course_programs import PROGRAMS, on_bench
from verifex.core.circuit import check_wiring
from verifex.core.twin import TwinTrace, check_on_bench, read_stimulus, run_twin

HEAD = "time_ms,ref,quantity,value\n"
READS = "void setup() { Serial.begin(9600); pinMode(2, INPUT); } void loop() { Serial.println(digitalRead(2)); delay(500); }"


def run(name: str, program: str, plan: str, seconds: float, wiring: str = "") -> TwinTrace:
    exercise = EXERCISES[name]
    view = check_wiring(wiring or exercise.reference_wiring(), exercise=exercise).view
    report = check_on_bench(program, view, exercise)
    assert report.runnable, [finding.seen for finding in report.findings]
    return run_twin(view, report, read_stimulus(HEAD + plan), seconds)


def lines(trace: TwinTrace) -> list[str]:
    return [text for _, text in trace.run.lines]


def on_for(trace: TwinTrace, pin: str) -> list[tuple[float, float]]:
    """Spans in seconds for which a pin was high."""
    spans, since = [], None
    for ms, name, level in trace.run.events:
        if name != pin:
            continue
        if level == "1" and since is None:
            since = ms
        elif level == "0" and since is not None:
            spans.append((round(since / 1000, 1), round(ms / 1000, 1)))
            since = None
    return spans


class MotionTest(TestCase):
    LAMP = "D7"

    def lamp(self, plan: str, wiring: str = "") -> list[tuple[float, float]]:
        trace = run("night-visitor-watch", PROGRAMS["night-visitor-watch"], plan, 60, wiring)
        pins = {name for _, name, level in trace.run.events if level == "1"}
        self.assertLessEqual(len(pins), 1, pins)
        return on_for(trace, next(iter(pins), self.LAMP))

    def test_it_holds_after_the_last_motion_and_then_lets_go(self):
        [(first, last)] = self.lamp("0,U1,motion,0\n10000,U1,motion,1\n12000,U1,motion,0\n")
        self.assertAlmostEqual(first, 10, delta=1)
        self.assertAlmostEqual(last, 20, delta=1.5)  # 8 s of hold after 12 s

    def test_motion_that_goes_on_holds_it_on(self):
        [(first, last)] = self.lamp("0,U1,motion,0\n10000,U1,motion,1\n30000,U1,motion,0\n")
        self.assertAlmostEqual(last - first, 28, delta=2)

    def test_a_longer_hold_lasts_longer(self):
        wiring = EXERCISES["night-visitor-watch"].reference_wiring().replace("hold=8s", "hold=20s")
        [(_, last)] = self.lamp("0,U1,motion,0\n10000,U1,motion,1\n12000,U1,motion,0\n", wiring)
        self.assertAlmostEqual(last, 32, delta=1.5)

    def test_nobody_there_lights_nothing(self):
        self.assertEqual(self.lamp("0,U1,motion,0\n"), [])


class EchoTest(TestCase):
    NAME = "super-height-gauge"

    def heights(self, plan: str, seconds: float = 4) -> list[float]:
        trace = run(self.NAME, PROGRAMS[self.NAME], plan, seconds)
        return [float(word) for text in lines(trace) for word in text.replace("cm", " ").split() if _is_number(word)]

    def test_the_printed_distance_follows_the_plan(self):
        found = self.heights("0,U1,cm,20\n4000,U1,cm,60\n", 8)
        self.assertAlmostEqual(found[1], 20, delta=1)
        self.assertAlmostEqual(found[-1], 60, delta=1.5)
        self.assertEqual(sorted(found), found)

    def test_a_ramp_is_printed_as_a_ramp(self):
        found = self.heights("0,U1,cm,10->40/6s\n", 6)
        self.assertEqual(sorted(found), found)
        self.assertGreater(len(set(found)), 4)


class SteadyTest(TestCase):
    def test_a_run_is_the_same_each_time_and_another_seed_is_no_other_verdict(self):
        name = "brood-box-heat-watch"
        one, other = (on_bench(name, PROGRAMS[name])[1] for _ in range(2))
        self.assertEqual((one.run.lines, one.run.events), (other.run.lines, other.run.events))

    def test_what_is_printed_never_leaves_the_converter_s_grid(self):
        trace = run("brood-box-heat-watch", PROGRAMS["brood-box-heat-watch"], "0,U1,celsius,20->40/20s\n", 20)
        step = 5.0 / 1024 / 0.01
        for text in lines(trace):
            value = float(text)
            count = (value + 50) / step
            self.assertAlmostEqual(count, round(count), delta=0.02, msg=text)

    def test_a_lead_that_is_not_there_leaves_the_output_alone(self):
        name = "brood-box-heat-watch"
        without = EXERCISES[name].reference_wiring().replace("wire B1.D7 a16 blue\n", "")
        trace = run(name, PROGRAMS[name], "0,U1,celsius,40\n", 4, without)
        lit = {level for _, pin, level in trace.run.events if pin == "D7"}
        self.assertIn("1", lit)  # the program switches its pin; nothing hangs on it


class LevelTest(TestCase):
    def test_an_obstacle_is_told_low_and_its_absence_high(self):
        exercise = EXERCISES["entrance-gap-watch"]
        reading = exercise.readings[0]
        pin = next(
            pin.name
            for pin, net in check_wiring(exercise.reference_wiring(), exercise=exercise).view.wired_pins()
            if any(place.endswith(".out") for place in map(str, net.places))
        )
        program = READS.replace("pinMode(2,", f"pinMode({pin.removeprefix('D')},").replace(
            "digitalRead(2)", f"digitalRead({pin.removeprefix('D')})"
        )
        values = [step.value for step in exercise.steps][:2]
        plan = f"0,{reading.ref},{reading.quantity},{values[0]}\n2000,{reading.ref},{reading.quantity},{values[1]}\n"
        said = lines(run("entrance-gap-watch", program, plan, 4))
        self.assertEqual(len(set(said[:3])), 1)
        self.assertNotEqual(said[1], said[-1])


def _is_number(word: str) -> bool:
    try:
        float(word)
    except ValueError:
        return False
    return True
