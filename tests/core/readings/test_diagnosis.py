"""Which fault explains a log: seeded faults are named, ties are reported as ties, and so is a log that no fault explains."""

from dataclasses import replace
from unittest import TestCase

import numpy as np
from hypothesis import given, settings
from hypothesis import strategies as st

from tests.corpus.logs.cases import faulty_cases, sound_cases
from tests.corpus.logs.report import judged, named
from tests.samples import EXERCISE, WIRING, exercise, hand_in
from verifex.core.assess import Case, ReadingsRecord, Workbench, assess_station
from verifex.core.diagnosis import Suspects, bench_case, diagnose
from verifex.core.diagnosis.faults import faults_of
from verifex.core.diagnosis.rank import candidates
from verifex.core.diagnosis.raw import FaultBench
from verifex.core.diagnosis.simulate import predict
from verifex.core.diagnosis.walk import meter_walk, readings_of
from verifex.core.exercise import read_exercise
from verifex.core.expected import Measured
from verifex.core.readings import read_log

BENCH = Case(EXERCISE, wiring=WIRING, measured=Measured(rail_volts=4.93))
SHEET = Workbench(BENCH).built
EXPECTED = [step.value.nominal for step in SHEET.steps]
WOBBLE = (0, 0.49, 0, -0.49, 0, 0, 0.49, 0, 0, 0)


def log_of(*centres: float, names: list[str] | None = None) -> str:
    names = names or [step.name for step in EXERCISE.steps]
    return "\n".join(
        line
        for name, centre in zip(names, centres, strict=False)
        for line in [f"# {name}", *[f"{centre + w:.2f}" for w in WOBBLE]]
    )


def explained(case: Case) -> ReadingsRecord:
    record = assess_station(case, "readings")
    assert isinstance(record, ReadingsRecord)
    return record


def sound_case(name: str):
    bench = Workbench(Case(exercise(name), wiring=exercise(name).reference_wiring() or None))
    view = bench.wiring.view if bench.wiring else None
    return bench_case(exercise(name), bench.board, bench.built, view, Measured())


class NamedFirstTest(TestCase):
    def test_single_faults_of_the_formula(self):
        volts = [step.volts.nominal for step in SHEET.steps]
        table = {
            "offset-forgotten": [v + 50 for v in EXPECTED],
            "fahrenheit": [v * 1.8 + 32 for v in EXPECTED],
            "count-printed": [float(step.count[1]) for step in SHEET.steps],
            "millivolts-printed": [1000 * v for v in volts],
        }
        for fault, centres in table.items():
            first = explained(replace(BENCH, log=log_of(*centres))).diagnosis[0]
            self.assertEqual((first.fault, first.likelihood), (fault, "fits best"))
            self.assertIn("all 3 steps", first.evidence)

    def test_a_pin_at_ground_is_one_of_the_leads_and_those_are_told_as_ties(self):
        first = explained(replace(BENCH, log=log_of(-50.0, -50.0, -50.0))).diagnosis[0]
        self.assertIn("row-off", {first.fault, *(tie.fault for tie in first.ties)})
        self.assertGreaterEqual(len(first.ties), 1)
        self.assertTrue(all(p["value"] == -50.0 for p in first.printed))

    def test_every_fault_that_prints_the_same_is_told_however_many_there_are(self):
        probe = exercise("syrup-tank-probe")
        log = "".join(f"# {step.name}\n" + "-127.00\n" * 8 for step in probe.steps)
        first = explained(Case(probe, wiring=probe.reference_wiring(), log=log)).diagnosis[0]
        told = [first.title, *(tie.title for tie in first.ties)]
        self.assertGreater(len(told), 10)
        self.assertTrue(any("B1.GND" in title for title in told), told)

    def test_readings_that_stand_still_are_a_look_alike_part_or_one_step_read_thrice(self):
        still = explained(replace(BENCH, log=log_of(61.0, 61.4, 60.8)))
        self.assertEqual(still.diagnosis[0].fault, "look-alike-part")
        moving = explained(replace(BENCH, log=log_of(12.0, 19.0, 28.0)))
        self.assertNotIn("look-alike-part", [one.fault for one in moving.diagnosis])

    def test_what_nothing_explains_is_said_to_be_so(self):
        self.assertEqual(explained(replace(BENCH, log=log_of(61.0, 3.0, 140.0))).diagnosis[0].fault, "none")

    def test_two_faults_at_once_are_found_where_one_explains_too_little(self):
        steep = [(0.02 * (t + 0.0) - 0.5) * 100 * 1.8 + 32 for t in (21.5, 28.0, 38.0)]
        first = explained(replace(BENCH, log=log_of(*steep))).diagnosis[0]
        self.assertEqual(first.fault, "fahrenheit+another-kind")
        self.assertIn("and besides: analogue thermometer, 20 mV a degree is fitted", first.title)

    def test_a_log_in_limits_has_nothing_to_explain(self):
        self.assertEqual(explained(replace(BENCH, log=log_of(*EXPECTED))).diagnosis, ())

    def test_the_evidence_says_what_does_not_fit(self):
        off = explained(replace(BENCH, log=log_of(EXPECTED[0] + 50, EXPECTED[1] + 50, EXPECTED[2] + 56)))
        less = next(one for one in off.diagnosis if one.fault == "offset-forgotten")
        self.assertIn("At “Warm pack” it would print 88.87 °C, and 94.87 was read", less.against)
        self.assertIn("would print 88.87 °C at “Warm pack”", off.diagnosis[0].evidence)

    def test_the_program_handed_in_decides_between_formula_and_bench(self):
        bench = replace(BENCH, log=hand_in("offset-forgotten.txt"))
        own = explained(replace(bench, program=hand_in("offset-forgotten.cpp"))).diagnosis[0]
        self.assertEqual((own.fault, own.where), ("offset-forgotten", "program"))
        shares = [
            explained(replace(bench, program=p and hand_in(p))).diagnosis[0].share
            for p in ("offset-forgotten.cpp", "sound-a.cpp")
        ]
        self.assertGreaterEqual(shares[0], shares[1])


class TagsTest(TestCase):
    """Ids are texts: what a fault prints of them is another text, or none."""

    TAGS = exercise("hive-tag-check-in")

    def told_of(self, *ids: str):
        log = "".join(f"# {s.name}\n" + f"{one}\n" * 4 * bool(one) for s, one in zip(self.TAGS.steps, ids, strict=True))
        return explained(Case(self.TAGS, wiring=self.TAGS.reference_wiring(), log=log))

    def test_ids_are_the_same_in_any_way_of_writing_their_bytes(self):
        for ids in (("04 A2 19 7C", "8B 30 D4 51"), ("4 162 25 124", "139 48 212 81"), ("4:a2:19:7c", "0x8B30D451")):
            self.assertEqual(self.told_of("", *ids).verdict, "in-limits", ids)

    def test_each_fault_of_a_tag_reader_is_named_first(self):
        table = {
            "stale-id": ("04 A2 19 7C", "04 A2 19 7C"),
            "bytes-turned": ("7C 19 A2 04", "51 D4 30 8B"),
            "zeros-left-out": ("4A2197C", "8B30D451"),
            "steps-exchanged": ("8B 30 D4 51", "04 A2 19 7C"),
            "not-answering": ("", ""),
            "none": ("11 22 33 44", "55 66 77 88"),
        }
        for fault, ids in table.items():
            self.assertEqual(self.told_of("", *ids).diagnosis[0].fault, fault, ids)

    def test_a_reader_that_is_silent_is_asked_for_its_leads_and_its_supply(self):
        acts = {act.kind for act in self.told_of("", "", "").acts}
        self.assertLessEqual({"leads", "volts"}, acts)


HALL = read_exercise("""
id: magnet-watch
title: Magnet watch
summary: A magnet is told by a switch that lets its lead go.
board: mcu-5v
minutes: 40
recipe:
  - {ref: U1, part: hall}
readings:
  - {name: magnet, ref: U1, quantity: field}
steps:
  - {name: No magnet, ref: U1, quantity: field, value: 0, dwell_seconds: 5}
  - {name: Magnet near, ref: U1, quantity: field, value: 1, dwell_seconds: 5}
criteria:
  - {name: readings, title: Readings, of: 4}
references:
  mcu-5v: |
    board B1 mcu-5v
    base half
    part U1 hall supply=c10 ground=c11 out=c12 analogue=c13
    wire B1.5V a10 red
    wire B1.GND a11 black
    wire a12 B1.D2 yellow
""")


class PullUpTest(TestCase):
    def test_a_released_pin_without_its_pull_up_wanders_and_is_named(self):
        log = "# No magnet\n" + "1\n0\n0\n1\n0\n1\n1\n0\n" + "# Magnet near\n" + "0\n" * 8
        found = explained(Case(HALL, wiring=HALL.reference_wiring(), log=log)).diagnosis
        self.assertIn("pull-up-unset", [one.fault for one in found] + [t.fault for one in found for t in one.ties])


class FaultsTest(TestCase):
    def test_each_fault_changes_a_case_and_leaves_the_sound_one_as_it_was(self):
        for name in ("brood-box-heat-watch", "lid-open-watch", "super-height-gauge", "entrance-gap-watch"):
            case = sound_case(name)
            before = predict(case, FaultBench(case))
            faults = list(faults_of(case))
            for fault in faults:
                self.assertIsNot(fault.apply(case), case)
            self.assertEqual(predict(case, FaultBench(case)), before)
            self.assertGreater(len(faults), 20, name)

    def test_every_exercise_that_measures_has_candidates_of_more_than_one_kind(self):
        for name in ("feeder-level", "hive-climate", "hive-display", "night-visitor-watch", "smoke-room-air",
                     "syrup-tank-probe", "toppled-hive-alarm"):  # fmt: skip
            case = sound_case(name)
            self.assertGreaterEqual(len({one.fault.where for one in candidates(case, FaultBench(case))}), 3, name)

    def test_each_single_mistake_of_the_wiring_is_made_from_the_hand_in(self):
        case = sound_case("lid-open-watch")
        titles = [fault.title for fault in faults_of(case) if fault.where == "wiring"]
        self.assertIn("The yellow lead a10–B1.A1 sits one row off, in a11", titles)
        self.assertIn("The red lead a6–+L makes no contact", titles)
        self.assertIn("The yellow lead a10–B1.A1 goes to A2, not to A1", titles)

    @settings(max_examples=40, deadline=None)
    @given(st.lists(st.floats(-60, 400, allow_nan=False), min_size=3, max_size=3))
    def test_shares_are_shares_whatever_was_read(self, centres: list[float]):
        case = bench_case(EXERCISE, Workbench(BENCH).board, SHEET, None, Measured())
        found = diagnose(Suspects.of(case), read_log(log_of(*centres), EXERCISE, SHEET))
        assert found is not None
        shares = [group.share for group in found.ranking.groups]
        self.assertTrue(np.all(np.diff(shares) <= 1e-12))
        self.assertLessEqual(sum(shares) + found.ranking.nothing, 1 + 1e-9)


class MeterWalkTest(TestCase):
    def test_a_few_measurements_show_most_mistakes_and_every_harmful_one_with_the_power_off(self):
        for name in ("brood-box-heat-watch", "entrance-gap-watch", "smoke-room-air", "super-height-gauge"):
            walk = meter_walk(sound_case(name))
            assert walk is not None
            self.assertTrue(3 <= len(walk.steps) <= 6)
            self.assertGreater(walk.shown / walk.mistakes, 0.85, name)
            self.assertEqual(walk.harm_shown, walk.harmful, name)
            self.assertEqual(sum(step.catches for step in walk.steps), walk.shown)

    def test_it_reads_right_on_the_sound_bench_and_wrong_where_it_shows_a_mistake(self):
        case = sound_case("brood-box-heat-watch")
        walk, fault_bench = meter_walk(case), FaultBench(case)
        assert walk is not None and case.view is not None
        readings = {reading.slug: reading for reading in readings_of(case.view)}
        for step in walk.steps:
            value = readings[step.slug].value(case.view)
            assert value is not None
            self.assertTrue(step.fits(value), step.text)
        shown = 0
        for fault in faults_of(case):
            view = fault_bench.view(fault.apply(case))
            if fault.where == "wiring" and view is not None and not view.shorted:
                values = [readings[step.slug].value(view) for step in walk.steps]
                shown += any(v is None or not s.fits(v) for s, v in zip(walk.steps, values, strict=True))
        self.assertGreaterEqual(shown, walk.shown - walk.harmful)

    def test_resistors_in_parallel_paths_read_what_a_meter_reads_there(self):
        case = sound_case("lid-open-watch")
        assert case.view is not None
        across = next(r for r in readings_of(case.view) if r.slug == "ohms:R1")
        value = across.value(case.view)
        assert value is not None
        self.assertTrue(4000 <= value <= 4700, value)  # the cell is no path to ground with the power off


class OtherBoardsTest(TestCase):
    def test_what_a_fault_prints_on_another_board_names_that_fault(self):
        for name, board in (("super-height-gauge", "mcu-3v3-wireless"), ("lid-open-watch", "mcu-3v3-wireless")):
            told = exercise(name)
            wiring = told.reference_wiring(board)
            bench = Workbench(Case(told, wiring=wiring))
            assert bench.wiring is not None
            case = bench_case(told, bench.board, bench.built, bench.wiring.view, Measured())
            fault_bench = FaultBench(case)
            tried = 0
            for one in candidates(case, fault_bench):
                values = [one.prediction[(index, 0)] for index, _ in enumerate(told.steps)]
                blurred = any(
                    cause.split()[0] in ("an", "anything", "bent") for said in values for cause in said.effects
                )
                if one.case.states or one.case.shaky or blurred:
                    continue
                lines = ["nan" if said.value is None else f"{said.value:.3f}" for said in values]
                log = "".join(f"# {s.name}\n" + f"{line}\n" * 8 for s, line in zip(told.steps, lines, strict=True))
                found = explained(Case(told, wiring=wiring, log=log)).diagnosis
                if found:
                    tried += 1
                    best = [t for d in found[:2] for t in (d.title, *(tie.title for tie in d.ties))]
                    self.assertIn(one.fault.title, best, (name, lines))
            self.assertGreater(tried, 8, name)


class CorpusSampleTest(TestCase):
    """A sample of the made-up logs that `make corpus` goes through whole."""

    def test_sound_logs_are_in_limits_and_honest(self):
        for case in sound_cases(2):
            record = judged(case)
            self.assertEqual((case.name, record.verdict, record.findings), (case.name, "in-limits", ()))

    def test_seeded_faults_are_among_the_first_two(self):
        missed = []
        for case in faulty_cases(1):
            ranked = named(judged(case))
            if not any(set(case.names) & faults for faults in ranked[:2]):
                missed.append(case.name)
        self.assertEqual(missed, [])
