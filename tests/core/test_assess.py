"""One assessment: what goes in decides all that comes out, on the command line and anywhere else."""

import io
import json
from contextlib import redirect_stdout
from dataclasses import fields, replace
from pathlib import Path
from tempfile import TemporaryDirectory
from unittest import TestCase

from hypothesis import given
from hypothesis import strategies as st

from tests.samples import DEMO, EXERCISE, PROGRAM, WIRING, hand_in
from verifex.core.assess import (
    STATIONS,
    Case,
    FindingRecord,
    ReadingsRecord,
    SheetsRecord,
    WiringRecord,
    assess,
    assess_station,
    digest_of,
    evidence_of,
    judged_with,
    judged_with_digests,
    overrun_record,
    read_record,
    summary_of,
)
from verifex.core.circuit import HandedOut
from verifex.core.cli import main
from verifex.core.exercise import read_exercise
from verifex.core.expected import Measured
from verifex.core.findings import Severity
from verifex.core.hand_ins import HAND_INS, HandIn
from verifex.core.marking import propose
from verifex.core.problems import UnusableInput
from verifex.core.readings.honesty import SHARED_RUN, OtherLog, shared_runs

LOG = hand_in("in-limits.txt")
WHOLE = Case(EXERCISE, wiring=WIRING, program=PROGRAM, log=LOG)
LIGHT = read_exercise((DEMO / "exercises/lid-open-watch/exercise.yaml").read_text("utf-8"))


class AssessmentTest(TestCase):
    def test_every_station_has_its_record_and_nothing_is_made_up_for_what_is_not_handed_in(self):
        found = assess(WHOLE)
        self.assertEqual((found.wiring.findings, found.program.findings), ((), ()))
        self.assertEqual((found.readings.verdict, found.prediction), ("in-limits", None))
        bare = assess(Case(EXERCISE))
        self.assertEqual((bare.wiring, bare.program, bare.readings), (None, None, None))
        self.assertEqual(len(bare.sheets.built["steps"]), len(EXERCISE.steps))

    def test_one_station_alone_says_the_same_as_all_together(self):
        together = assess(WHOLE)
        for station in STATIONS:
            self.assertEqual(assess_station(WHOLE, station), getattr(together, station), station)

    def test_a_value_given_instead_moves_circuit_and_sheets_and_a_measured_one_wins_over_it(self):
        def count(case: Case, sheet: str) -> float:
            return float(getattr(assess(case).sheets, sheet)["steps"][0]["count"]["expected"])

        usual = Case(LIGHT)
        given = replace(usual, handed_out=HandedOut(given_ohms={"R1": 15e3}))
        for sheet in ("built", "intended"):
            self.assertNotEqual(count(usual, sheet), count(given, sheet), sheet)
        wiring = LIGHT.reference_wiring()
        built = replace(given, wiring=wiring)
        self.assertNotEqual(count(replace(usual, wiring=wiring), "built"), count(built, "built"))
        measured = replace(built, measured=Measured(values={"R1": 14e3}))
        self.assertNotEqual(count(built, "built"), count(measured, "built"))

    def test_what_was_measured_at_a_step_is_what_the_step_is_judged_by(self):
        warmer = replace(WHOLE, measured=Measured(stimulus={"Room air": 30.0}))
        verdicts = [assess(case).readings.steps[0].verdict for case in (WHOLE, warmer)]
        self.assertEqual(verdicts, ["likely", "out"])

    def test_a_circuit_without_an_answer_is_told_and_escapes_nowhere(self):
        absurd = WIRING + "part BAT1 battery plus=j1 minus=j2 volts=9\npart BAT2 battery plus=j1 minus=j2 volts=1.5\n"
        found = assess(replace(WHOLE, wiring=absurd))
        self.assertTrue(found.wiring.findings)
        self.assertTrue(found.program.not_run)

    def test_a_log_that_cannot_be_judged_says_what_it_is_and_stops_no_mark(self):
        for log, said in (("no number here\n", "o number"), ("\x90\x81\x8d\x8f" * 20, "garbage characters")):
            found = assess(replace(WHOLE, log=log))
            self.assertEqual((found.readings.verdict, found.readings.steps), ("not-judged", ()))
            self.assertIn(said, found.readings.log_notes[0])
            self.assertGreater(propose(EXERCISE.criteria, evidence_of(EXERCISE, found, final=True)).total, 0)
        unmarked = assess(replace(WHOLE, log="21.2\n21.3\n")).readings
        self.assertEqual(unmarked.verdict, "not-judged")  # nothing is in limits of which no step was found

    def test_the_program_says_where_it_has_the_fault_that_explains_the_readings(self):
        bench = replace(WHOLE, wiring=hand_in("one-half.bench"), log=hand_in("offset-forgotten.txt"))
        found = assess(replace(bench, program=hand_in("offset-forgotten.cpp"))).readings
        best = found.diagnosis[0]
        self.assertEqual((best.fault, "every step is off" in best.program_says), ("offset-forgotten", True))
        without = assess(replace(bench, program=hand_in("sound-a.cpp"))).readings.diagnosis[0]
        self.assertEqual(without.program_says, "")

    def test_a_program_that_makes_a_stop_is_told_apart_from_one_that_does_not(self):
        wired = replace(WHOLE, wiring=WIRING + "wire B1.D2 +L\n")
        sound = hand_in("sound-a.cpp")
        driving = sound.replace("pinMode(ledPin", "pinMode(2, OUTPUT);\n  pinMode(ledPin")
        self.assertEqual(assess(replace(wired, program=sound)).program.new_stops, ())
        self.assertIn("sinks 200 mA", assess(replace(wired, program=driving)).program.new_stops[0].seen)


class HandInTableTest(TestCase):
    def test_each_kind_is_a_text_of_the_case_and_is_read_by_its_own_check(self):
        for hand_in_, facts in HAND_INS.items():
            self.assertIn(facts.name, {field.name for field in fields(Case)})
            self.assertIn(hand_in_, facts.check_reads)
            self.assertIn(hand_in_, STATIONS)

    def test_a_text_of_the_very_limit_is_taken_and_one_byte_more_is_not(self):
        facts = HandIn.PREDICTION.facts
        facts.refuse_larger("é" * (facts.most_bytes // 2))
        with self.assertRaisesRegex(UnusableInput, "the prediction is larger than 16 kB"):
            facts.refuse_larger("é" * (facts.most_bytes // 2) + "x")


class NoContradictionTest(TestCase):
    def rows(self, text: str):
        return {(row["ref"], row["aspect"]): row for row in assess(replace(WHOLE, wiring=text)).wiring.comparison}

    def test_what_a_stop_is_open_for_is_never_told_to_be_as_intended(self):
        fed = self.rows(hand_in("supply-swapped.bench"))[("U1", "fed")]
        self.assertEqual((fed["agrees"], fed["handed_in"].startswith("-5.00 V")), (False, True))
        bare = self.rows(hand_in("no-resistor.bench"))[("D1", "switched")]
        self.assertEqual((bare["agrees"], "89 mA" in bare["handed_in"]), (False, True))

    def test_a_sound_bench_agrees_however_it_is_laid_out(self):
        for name in ("tidy.bench", "one-half.bench", "both-halves.bench", "moved.bench", "three-volt.bench"):
            self.assertTrue(all(row["agrees"] for row in self.rows(hand_in(name)).values()), name)


class CommandLineTest(TestCase):
    """The command line goes through the same assessment: what it prints is what the record says."""

    def run_json(self, *arguments: str):
        out = io.StringIO()
        with redirect_stdout(out):
            code = main([*arguments, "--json"])
        return code, json.loads(out.getvalue())

    def test_readings_follow_measured_steps_given_values_and_the_program(self):
        exercise = str(DEMO / "exercises/brood-box-heat-watch")
        log = str(DEMO / "hand-ins/in-limits.txt")
        wiring = str(DEMO / "hand-ins/one-half.bench")
        code, found = self.run_json("readings", "check", log, "--exercise", exercise, "--wiring", wiring)
        self.assertEqual((code, found["verdict"]), (0, "in-limits"))
        code, found = self.run_json("readings", "check", log, "--exercise", exercise, "--step", "Room air=30")
        self.assertEqual((code, found["steps"][0]["verdict"]), (1, "out"))
        program = str(DEMO / "hand-ins/offset-forgotten.cpp")
        wrong = str(DEMO / "hand-ins/offset-forgotten.txt")
        arguments = ("--exercise", exercise, "--wiring", wiring, "--program", program)
        code, found = self.run_json("readings", "check", wrong, *arguments)
        self.assertEqual(found["follows_program"], [step.name for step in EXERCISE.steps])

    def test_other_pairs_logs_are_looked_through(self):
        exercise = str(DEMO / "exercises/brood-box-heat-watch")
        with TemporaryDirectory() as folder:
            Path(folder, "bench-4.txt").write_text(hand_in("tidy.txt"))
            Path(folder, "a-photo.png").write_bytes(b"\x89PNG\x00\xff")
            log = str(DEMO / "hand-ins/same-again.txt")
            _, found = self.run_json("readings", "check", log, "--exercise", exercise, "--others", folder)
        self.assertEqual([shared["other"] for shared in found["shared"]], ["bench-4.txt"])
        self.assertIn("same-noise", [finding["rule"] for finding in found["honesty"]])

    def test_a_folder_is_marked_with_follow_through_and_a_circuit_without_an_answer_is_no_error(self):
        exercise = str(DEMO / "exercises/brood-box-heat-watch")
        with TemporaryDirectory() as folder:
            wiring = hand_in("one-half.bench")
            Path(folder, "wiring.bench").write_text(wiring)
            Path(folder, "program.cpp").write_text(hand_in("offset-forgotten.cpp"))
            Path(folder, "log.txt").write_text(hand_in("offset-forgotten.txt"))
            _, found = self.run_json("mark", folder, "--exercise", exercise)
            self.assertIn("just what the program handed in prints", str(found["criteria"]))
            Path(folder, "wiring.bench").write_text(
                WIRING + "part BAT1 battery plus=j1 minus=j2 volts=9\npart BAT2 battery plus=j1 minus=j2 volts=1.5\n"
            )
            code, _ = self.run_json("mark", folder, "--exercise", exercise)
            self.assertEqual(code, 1)


class RecordTest(TestCase):
    def test_a_record_is_read_back_as_it_was_kept(self):
        for station in STATIONS:
            record = assess_station(WHOLE, station)
            if record is not None:
                self.assertEqual(read_record(json.loads(record.model_dump_json())), record, station)

    def test_a_record_of_the_first_format_is_upgraded_on_reading(self):
        finding = {
            "rule": "r",
            "severity": "fix",
            "seen": "s",
            "why": "w",
            "remedy": "m",
            "hint": "h",
            "criterion": "wiring",
        }
        old = {
            "format": 1,
            "kind": "wiring",
            "findings": [finding],
            "result": {"bench": {"board": "mcu-5v"}, "nets": []},
        }
        found = read_record(old)
        self.assertIsInstance(found, WiringRecord)
        self.assertEqual((found.board, found.findings[0].severity), ("mcu-5v", Severity.FIX))
        steps = [
            {
                "name": "a",
                "readings": 1,
                "centre": 2.0,
                "spread": 0.0,
                "drift": 0.0,
                "verdict": "likely",
                "values": [2.0],
            }
        ]
        readings = read_record({"kind": "readings", "findings": [], "result": {"steps": steps, "verdict": "in-limits"}})
        self.assertEqual(readings.steps[0].centre, 2.0)

    def test_a_newer_format_is_refused_in_words(self):
        with self.assertRaisesRegex(ValueError, "format 99"):
            read_record({"format": 99, "kind": "wiring"})

    def test_over_a_limit_there_is_a_finding_that_a_pair_may_be_shown(self):
        for station in STATIONS:
            record = overrun_record(station, "time")
            self.assertEqual(record.overrun, "time")
            self.assertTrue(record.findings[0].hint and record.findings[0].remedy)
            self.assertFalse(summary_of(record).is_clean)

    def test_findings_go_through_a_record_unchanged(self):
        for finding in assess(replace(WHOLE, wiring=hand_in("supply-swapped.bench"))).wiring.findings:
            self.assertEqual(FindingRecord.of(finding.finding()), finding)


class JudgedWithTest(TestCase):
    def digests(self, case: Case) -> dict[str, str]:
        return {station: judged_with(case, station).digest for station in STATIONS}

    def test_what_a_station_depends_on_changes_its_digest_and_nothing_else_does(self):
        before = self.digests(WHOLE)
        table = [
            (replace(WHOLE, log=LOG + "\n"), {"readings"}),
            (replace(WHOLE, program=PROGRAM + "\n"), {"program", "readings"}),
            (replace(WHOLE, measured=Measured(stimulus={"Room air": 22.0})), {"sheets", "program", "readings", "prediction"}),
            (replace(WHOLE, measured=Measured(rail_volts=4.9)), set(STATIONS)),
            (replace(WHOLE, handed_out=HandedOut(given_ohms={"R1": 390.0})), set(STATIONS)),
            (replace(WHOLE, wiring=WIRING + "\n"), set(STATIONS)),
            (replace(WHOLE, others=(OtherLog("x", frozenset({1}), 20),)), set()),
        ]  # fmt: skip
        for changed, stations in table:
            after = self.digests(changed)
            self.assertEqual({s for s in STATIONS if after[s] != before[s]}, stations)

    def test_digests_of_texts_that_are_known_give_the_same(self):
        known = {name: digest_of(text) for name, text in (("wiring", WIRING), ("program", PROGRAM), ("log", LOG))}
        for station in STATIONS:
            bare = Case(EXERCISE)
            self.assertEqual(judged_with_digests(bare, station, known), judged_with(WHOLE, station))


class SharedRunsTest(TestCase):
    @given(st.lists(st.integers(0, 600), min_size=25, max_size=120, unique=True), st.integers(0, 30))
    def test_a_copied_log_is_always_found_whatever_stands_before_it(self, values, lead):
        copied = [1000.0 + n for n in range(lead)] + [float(v) for v in values]
        other = OtherLog.of("other", [float(v) for v in values])
        found = shared_runs(copied, [other])
        self.assertEqual(found, [("other", len(values))])

    def test_a_flat_run_and_a_short_one_say_nothing(self):
        flat = [22.4] * 60
        self.assertEqual(shared_runs(flat, [OtherLog.of("flat", flat)]), [])
        short = [float(n) for n in range(SHARED_RUN - 1)]
        self.assertEqual(shared_runs(short, [OtherLog.of("short", short)]), [])


class SheetsTest(TestCase):
    def test_what_can_be_measured_has_a_plausible_range_and_names_the_boards_own_pin(self):
        sheets = assess(Case(EXERCISE, wiring=WIRING)).sheets
        self.assertIsInstance(sheets, SheetsRecord)
        by_name = {m.name: m for m in sheets.measurables}
        self.assertEqual((by_name["rail"].low, by_name["rail"].high), (4.25, 5.5))
        self.assertIn("between 5V and GND", by_name["rail"].label)
        self.assertEqual((by_name["R1"].low, by_name["R1"].high), (165.0, 660.0))
        # The range of a step is the sensor's: neither it nor its middle tells the plan's value.
        self.assertEqual((by_name["step:Room air"].low, by_name["step:Room air"].high), (-40.0, 125.0))

    def test_the_readings_station_of_a_bench_without_a_sheet_is_not_judged(self):
        found = assess(replace(WHOLE, wiring=WIRING.replace("wire B1.A2 a9 yellow\n", "")))
        self.assertTrue(found.sheets.built["reason"])
        self.assertIsInstance(found.readings, ReadingsRecord)
        self.assertEqual(found.readings.verdict, "not-judged")
