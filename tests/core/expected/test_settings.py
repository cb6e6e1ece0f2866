"""Settings that a trimmer or a jumper makes on this bench: measured by the pair, followed by sheet and twin."""

from dataclasses import replace
from unittest import TestCase

from tests.corpus.wild.boards import GAP
from verifex.core.assess import Case, assess_station
from verifex.core.assess.records import ProgramRecord, SheetsRecord
from verifex.core.circuit import check_wiring
from verifex.core.exercise import read_exercise
from verifex.core.expected import Measured

CASE = Case(GAP.file, wiring=GAP.wiring, program=GAP.program)


class RangeTest(TestCase):
    def sees(self, centimetres: float | None) -> list[str]:
        """What the sheet expects at the steps (40 cm and 4 cm), with the range measured."""
        measured = Measured(values={"U1.range": centimetres} if centimetres else {})
        record = assess_station(replace(CASE, measured=measured), "sheets")
        assert isinstance(record, SheetsRecord)
        return [step["readings"][0]["value"]["expected"] for step in record.built["steps"]]

    def test_the_sheet_follows_the_measured_range(self):
        self.assertEqual(self.sees(None), [1, 0])
        self.assertEqual(self.sees(2.0), [1, 1])

    def test_so_does_the_twin(self):
        record = assess_station(replace(CASE, measured=Measured(values={"U1.range": 2.0})), "program")
        assert isinstance(record, ProgramRecord) and record.behaviour
        self.assertEqual({o["seen"]["D1"] for o in record.behaviour["outcomes"] if o["kind"] == "step"}, {"off"})

    def test_it_can_be_measured_in_its_unit_and_within_reason(self):
        record = assess_station(CASE, "sheets")
        assert isinstance(record, SheetsRecord)
        (found,) = [m for m in record.measurables if m.name == "U1.range"]
        self.assertEqual((found.unit, found.low, found.high), ("cm", 1.0, 40.0))


class JumperTest(TestCase):
    TEXT = GAP.exercise.replace("part: obstacle", "part: motion, settings: {jumper: repeat}").replace("cm, value: 40", "motion, value: 0").replace("cm, value: 4", "motion, value: 1").replace("U1.cm under 10", "U1.motion over 0.5")  # fmt: skip
    WIRING = "board B1 mcu-5v\nbase half\npart U1 motion B1.5V B1.D5 B1.GND jumper=repeat\npart R1 resistor c12 c16 value=330\npart D1 led anode=b16 cathode=b17\nwire a12 B1.D6\nwire a17 B1.GND\n"

    def test_another_jumper_than_the_recipes_is_told_once_and_stops_nothing(self):
        exercise = read_exercise(self.TEXT + "criteria: [{name: wiring, title: Wiring, of: 4}]\n")
        for jumper, told in (("repeat", []), ("single", ["setting-differs"])):
            report = check_wiring(self.WIRING.replace("jumper=repeat", f"jumper={jumper}"), exercise=exercise)
            self.assertEqual([f.rule for f in report.findings if str(f.severity) in ("stop", "fix", "check")], told)
