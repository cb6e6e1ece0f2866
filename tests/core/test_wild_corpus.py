"""Exercises nobody fitted the checks to: sound hand-ins without a word too many, faults named."""

from unittest import TestCase

from tests.corpus.wild import CRITERIA, judge
from tests.corpus.wild.alone import RELAY
from tests.corpus.wild.presence import SWITCH
from tests.corpus.wild.report import exercises
from tests.corpus.wild.surroundings import CELLAR, TANK, TILT
from tests.corpus.wild.thermometers import BAR, TWO_UNITS
from tests.profile import sample
from verifex.core.assess import Case, assess_station
from verifex.core.assess.records import SheetsRecord, WiringRecord
from verifex.core.exercise import read_exercise


class WildTest(TestCase):
    def test_a_sound_hand_in_has_no_stop_no_fix_and_every_step_in_limits(self):
        for wild in sample(exercises(), 2):
            with self.subTest(wild.title):
                verdict = judge(wild.file, wild.texts())
                self.assertEqual((verdict.serious, verdict.readings, verdict.not_run), ([], "in-limits", ""))

    def test_a_faulty_one_is_named(self):
        faults = [(wild, fault) for wild in exercises() for fault in wild.faults]
        for wild, fault in sample(faults, 9):
            with self.subTest(f"{wild.title}: {fault.title}"):
                verdict = judge(wild.file, wild.with_fault(fault))
                self.assertTrue(verdict.tells(fault), verdict)


class ThresholdTest(TestCase):
    """Several thresholds on one quantity, in either unit: each is judged at its own."""

    def program(self, limits: str) -> dict[str, str]:
        verdict = judge(BAR.file, {"wiring": BAR.wiring, "program": BAR.program.replace("{24, 27, 30, 33}", limits)})
        return verdict.rules["program"]

    def test_each_statement_at_its_own_threshold(self):
        self.assertEqual(self.program("{24, 27, 30, 33}"), {})
        for limits in (
            "{24, 27, 30, 35}",
            "{24, 27, 32, 33}",
            "{22, 27, 30, 33}",
            "{24, 25, 30, 33}",
            "{18, 27, 30, 33}",
        ):
            self.assertEqual(self.program(limits), {"alarm-at-wrong-value": "fix"}, limits)

    def test_the_value_at_which_it_really_changes_is_named_in_the_unit_of_the_exercise(self):
        case = Case(TWO_UNITS.file, wiring=TWO_UNITS.wiring, program=TWO_UNITS.program.replace("f > 91", "f > 99"))
        record = assess_station(case, "program")
        assert record is not None
        (found,) = [f for f in record.findings if f.rule == "alarm-at-wrong-value"]
        self.assertRegex(found.seen, r"changes at (9\d|10\d)\.\d °F on the way up .* asked is 91 °F\.$")


class LibraryTest(TestCase):
    """An include nobody here knows brings names; what is the program's own is still held to its declaration."""

    def rules(self, *edits: tuple[str, str]) -> set[str]:
        program = CELLAR.program
        for old, new in edits:
            program = program.replace(old, new)
        return set(judge(CELLAR.file, {"wiring": CELLAR.wiring, "program": program}).rules["program"]) - {
            "pin-without-name"
        }

    def test_constants_and_members_of_a_library_are_no_mistake(self):
        for name in ("CLIMATE22", "SomeClimate::FINE", "TYPE_COARSE"):
            self.assertEqual(self.rules(("CLIMATETYPE CLIMATE11", f"CLIMATETYPE {name}")), set(), name)

    def test_a_value_only_the_library_knows_is_ours_to_ask_for(self):
        self.assertEqual(
            self.rules(("climate.readHumidity();", "climate.readHumidity() / SCALE_FACTOR;")), {"not-supported-yet"}
        )

    def test_a_name_of_the_programs_own_is_still_held_to_its_declaration(self):
        self.assertEqual(self.rules(("(CLIMATEPIN, ", "(CLIMATEPIM, ")), {"name-undeclared"})
        self.assertEqual(self.rules(("pinMode(6, OUTPUT)", "pinMode(6, OUTPU)")), {"name-undeclared"})

    def test_getters_fill_the_variables_they_are_given(self):
        self.assertEqual(self.rules(("float h = climate.readHumidity();", "float h; climate.readHumidity(h);")), set())
        begun = TILT.program.index("  Wire.beginTransmission(MODULE);\n  Wire.write(0x3B);")
        ended = TILT.program.index("  int x = map")
        program = TILT.program[:begun] + "  module.getMotion6(&AcX, &AcY, &AcZ, &r, &r, &r);\n" + TILT.program[ended:]
        program = program.replace("int16_t AcX", "#include <SixAxes.h>\nSixAxes module;\nint16_t r, AcX")
        self.assertEqual(judge(TILT.file, TILT.texts() | {"program": program}).serious, [])
        halved = program.replace("map(AcX, -16384, 16384", "map(AcX, -8192, 8192")
        self.assertEqual(
            judge(TILT.file, TILT.texts() | {"program": halved}).rules["program"], {"printed-value-out": "fix"}
        )

    def test_bytes_beyond_127_in_a_text_are_no_overflow(self):
        program = CELLAR.program.replace("void setup() {", "char degree[] = {223, 'C', 0};\nvoid setup() {").replace(
            '" *C "', "degree"
        )
        found = judge(CELLAR.file, CELLAR.texts() | {"program": program})
        self.assertNotIn("overflow", found.rules["program"])


class SupplyTest(TestCase):
    REGULATOR = "part BT1 battery plus=j20 minus=j22 volts=9\npart U9 regulator-5v in=h20 ground=h22 out=h24\nwire i22 B1.GND\nwire i24 B1.5V\n"

    def rules(self, board: str) -> dict[str, str]:
        wiring = SWITCH.wiring.replace("board B1 mcu-5v", board) + self.REGULATOR
        return judge(SWITCH.file, {"wiring": wiring}).rules["wiring"]

    def test_a_regulator_feeds_the_board_where_the_computers_lead_is_out(self):
        self.assertEqual(self.rules("board B1 mcu-5v usb=no"), {"board-fed-from-outside": "check"})

    def test_with_the_lead_in_two_supplies_push_against_each_other(self):
        self.assertEqual(self.rules("board B1 mcu-5v")["supply-shorted"], "stop")

    def test_another_word_at_the_board_is_told(self):
        self.assertIn("cannot-be", self.rules("board B1 mcu-5v usb=perhaps"))


class OwnPartsTest(TestCase):
    def test_the_boards_own_light_is_no_pin_without_a_part(self):
        for pin in ("13", "LED_BUILTIN"):
            program = TANK.program.replace("delay(1000);", f"digitalWrite({pin}, HIGH); delay(1000);").replace(
                "pinMode(3, OUTPUT);", f"pinMode(3, OUTPUT); pinMode({pin}, OUTPUT);"
            )
            verdict = judge(TANK.file, {"wiring": TANK.wiring, "program": program})
            self.assertEqual(verdict.serious, [], pin)

    def test_nothing_printed_is_right_where_nothing_is_asked(self):
        self.assertEqual(judge(SWITCH.file, {"program": SWITCH.program}).rules["program"].get("nothing-printed"), None)
        silent = TANK.program.replace('Serial.print("Water level: ");', "").replace("Serial.println(level);", "")
        self.assertIn("nothing-printed", judge(TANK.file, {"program": silent}).rules["program"])


class LateTest(TestCase):
    """A program that looks seldom answers late and rightly; one that looks too seldom misses what happens."""

    def rules(self, pause_ms: int) -> dict[str, str]:
        slow = BAR.program.replace("delay(250)", f"delay({pause_ms})")
        return judge(BAR.file, {"wiring": BAR.wiring, "program": slow}).rules["program"]

    def test_a_pause_of_its_own_is_a_note_and_no_wrong_threshold(self):
        self.assertEqual(self.rules(500), {})
        self.assertEqual(self.rules(2500), {})
        self.assertEqual(self.rules(6000), {"answers-late": "note"})

    def test_a_pause_as_long_as_a_step_is_a_fix(self):
        self.assertEqual(self.rules(30000), {"pause-too-long": "fix"})


class ByItselfTest(TestCase):
    """A bench without a program is run through the plan, and what it does is kept for the person who passes it."""

    def record(self, exercise: str = RELAY.exercise, wiring: str = RELAY.wiring) -> WiringRecord:
        record = assess_station(Case(read_exercise(exercise + CRITERIA), wiring=wiring), "wiring")
        assert isinstance(record, WiringRecord)
        return record

    def test_each_step_says_what_is_asked_and_done(self):
        rows = [(row.step, row.asked, row.seen, row.agrees) for row in self.record().by_itself]
        self.assertEqual(
            rows, [("Nobody", {"K1": "off"}, {"K1": "off"}, True), ("Somebody", {"K1": "on"}, {"K1": "on"}, True)]
        )

    def test_what_it_does_otherwise_than_asked_is_a_fix_of_the_wiring(self):
        turned = self.record(RELAY.exercise.replace("{K1: on}, otherwise: {K1: off}", "{K1: off}, otherwise: {K1: on}"))
        fixes = [(f.rule, f.criterion) for f in turned.findings if str(f.severity) == "fix"]
        self.assertEqual(
            (fixes, [row.agrees for row in turned.by_itself]), ([("alarm-inverted", "wiring")], [False, False])
        )

    def test_nothing_is_run_on_a_bench_that_is_wrong_anyway(self):
        weak = self.record(wiring=RELAY.wiring.replace("value=1k", "value=3k3"))
        self.assertEqual(([f.rule for f in weak.findings][:1], weak.by_itself), (["transistor-not-saturated"], ()))

    def test_without_a_board_there_is_nothing_of_a_board_to_measure(self):
        record = assess_station(Case(RELAY.file, wiring=RELAY.wiring), "sheets")
        assert isinstance(record, SheetsRecord)
        self.assertEqual({m.name for m in record.measurables} & {"rail", "internal", "aref"}, set())
