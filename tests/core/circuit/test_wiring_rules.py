"""Each rule on the reference bench with one thing changed: what is found, about which part, and nothing besides."""

from unittest import TestCase

from tests.samples import DEMO, EXERCISE, WIRING, hand_in
from verifex.core.circuit import HandedOut, check_wiring
from verifex.core.circuit.rules import WIRING as BOOK
from verifex.core.findings import Finding, Severity


def found_after(*changes: tuple[str, str], text: str = WIRING) -> list[Finding]:
    for old, new in changes:
        assert old in text, old
        text = text.replace(old, new)
    return check_wiring(text, exercise=EXERCISE).findings


class SoundBenchesTest(TestCase):
    def test_electrically_right_layouts_pass(self):
        sound = ["one-half.bench", "both-halves.bench", "tidy.bench", "three-volt.bench", "moved.bench"]
        for name in sound:
            self.assertEqual([f.seen for f in check_wiring(hand_in(name), exercise=EXERCISE).findings], [], name)

    def test_differences_that_do_not_matter(self):
        changes = {
            "resistor on the ground side": [("a16 blue", "a21 blue"), ("a21 black", "a16 black"), ("anode=d20 cathode=d21", "anode=d21 cathode=d20")],
            "another analogue pin": [("B1.A2", "B1.A5")],
            "ground at another socket": [("B1.GND", "B1.GND2")],
            "the right-hand rails": [("+L", "+R"), ("-L", "-R")],
            "fed by flying leads": [("wire +L a8 red", "wire B1.5V U1.supply red")],
            "other values in the window": [("value=330", "value=470")],
            "the compact board": [("mcu-5v", "mcu-5v-compact"), ("B1.A2", "B1.A7")],
        }  # fmt: skip
        for name, change in changes.items():
            self.assertEqual([f.seen for f in found_after(*change)], [], name)


class OneCauseOneFindingTest(TestCase):
    #: change → (rule, severity, part named, words in what is seen or in the remedy)
    TABLE = {
        "supply legs exchanged": ([("+L a8", "+L a10"), ("-L a10", "-L a8")], "supply-reversed", Severity.STOP, "U1", "e8 and e10"),
        "ground lead in the supply row": ([("-L a10", "-L c8")], "supply-shorted", Severity.STOP, "U1", "c8 of the wire"),
        "plus tied to the output": ([("+L a8", "+L b9"), ("B1.A2 a9", "B1.A2 b8")], "output-tied-to-supply", Severity.STOP, "U1", "U1.out"),
        "output tied to ground": ([("B1.A2 a9", "B1.GND b9")], "output-tied-to-ground", Severity.FIX, "U1", "e9"),
        "no wire to the supply leg": ([("wire +L a8 red\n", "")], "dangling-lead", Severity.FIX, "U1", "row 8 left"),
        "signal lead one row off": ([("A2 a9", "A2 a11")], "dangling-lead", Severity.FIX, "U1", "row 9 left"),
        "ground lead one row off": ([("-L a10", "-L a11")], "dangling-lead", Severity.FIX, "U1", "row 10 left"),
        "light's lead one row off": ([("D7 a16", "D7 a15")], "dangling-lead", Severity.FIX, "R1", "row 16 left"),
        "both supply legs on plus": ([("-L a10", "+L a10")], "ground-missing", Severity.FIX, "U1", "e10"),
        "both supply legs on ground": ([("+L a8", "-L a8")], "supply-missing", Severity.FIX, "U1", "e8"),
        "output on a digital pin": ([("B1.A2", "B1.D8")], "output-on-digital-pin", Severity.FIX, "U1", "A0–A5"),
        "light turned": ([("anode=d20 cathode=d21", "anode=d21 cathode=d20")], "light-reversed", Severity.FIX, "D1", "anode (long leg)"),
        "sounder turned": ([("plus=d25 minus=d27", "plus=d27 minus=d25")], "sounder-reversed", Severity.FIX, "BZ1", "Turn BZ1"),
        "resistor bridged in one row": ([("c16 c20", "c16 d16")], "legs-in-one-row", Severity.FIX, "R1", "row 20 left"),
        "light bridged in one row": ([("cathode=d21", "cathode=e20")], "legs-in-one-row", Severity.FIX, "D1", "row 21 left"),
        "no series resistor": ([("part R1 resistor c16 c20 value=330 tolerance=5\n", ""), ("D7 a16", "D7 a20")], "led-no-series-resistor", Severity.STOP, "D1", "89 mA"),
        "resistor far too small": ([("value=330", "value=33")], "light-over-current", Severity.STOP, "D1", "larger series resistor"),
        "resistor too small": ([("value=330", "value=100")], "light-over-current", Severity.CHECK, "D1", "usual most"),
        "resistor too large": ([("value=330", "value=33k")], "light-too-dim", Severity.CHECK, "D1", "about 1 mA"),
        "minus rail never fed": ([("wire B1.GND -L black\n", "")], "rail-never-fed", Severity.FIX, "U1", "Link -L to B1.GND"),
        "plus rail never fed": ([("wire B1.5V +L red\n", "")], "rail-never-fed", Severity.FIX, "U1", "Link +L to B1.5V"),
        "second rail not linked": ([("-L a21", "-R a21")], "rail-never-fed", Severity.FIX, "D1", "-L"),
        "bands against meter": ([("value=330 tolerance=5", "bands=orange-orange-brown-gold measured=2190")], "bands-against-measured", Severity.CHECK, "R1", "2.19 kΩ"),
        "bands that are none": ([("value=330 tolerance=5", "bands=gold-orange-brown-gold")], "value-unreadable", Severity.FIX, "R1", "band 1 is gold"),
        "no value": ([("value=330 tolerance=5", "")], "value-missing", Severity.FIX, "R1", "neither a value"),
        "a lead on the serial pins": ([("B1.D4", "B1.D1")], "serial-pin-used", Severity.FIX, "BZ1", "D1"),
        "light always on": ([("B1.D7 a16", "+L a16")], "function-not-built", Severity.FIX, "D1", "not switched"),
        "no sounder": ([("part BZ1 buzzer plus=d25 minus=d27\n", ""), ("wire B1.D4 a25 white\n", ""), ("wire -L a27 black\n", "")], "part-missing", Severity.FIX, "BZ1", "sounder"),
        "wrong thermometer for 3.3 V": ([("thermo-offset", "thermo-zero"), ("+L a8", "B1.3V3 a8")], "supply-under", Severity.FIX, "U1", "3.30 V"),
    }  # fmt: skip

    def test_each_mistake_is_found_named_and_told_once(self):
        for name, (changes, rule, severity, part, words) in self.TABLE.items():
            with self.subTest(name):
                found = [f for f in found_after(*changes) if f.rule != "wire-colour"]
                if name == "wrong thermometer for 3.3 V":  # it is also not the part of the recipe
                    found = [f for f in found if f.rule != "part-missing"]
                self.assertEqual([f.rule for f in found], [rule])
                self.assertEqual(found[0].severity, severity)
                self.assertIn(part, found[0].where.parts)
                self.assertIn(words, f"{found[0].seen} {found[0].remedy}")

    def test_a_battery_without_a_common_ground(self):
        text = "board B1 mcu-5v\npart BT1 battery plus=a1 minus=a3 volts=5\npart U1 thermo-offset e1 e2 e3\nwire B1.A0 a2\n"
        apart = [f.rule for f in check_wiring(text).findings if f.rule != "left-to-the-eye"]
        joined = [f.rule for f in check_wiring(text + "wire B1.GND b3 black").findings if f.rule != "left-to-the-eye"]
        self.assertEqual((apart, joined), (["no-common-ground"], []))

    def test_too_much_supply_is_a_stop(self):
        text = (
            "board B1 mcu-5v\npart U1 baro e1 e2 e3 e4\nwire B1.5V a1\nwire B1.GND a2\nwire B1.A5 a3\nwire B1.A4 a4\n"
        )
        self.assertIn(("supply-over", Severity.STOP), [(f.rule, f.severity) for f in check_wiring(text).findings])

    def test_a_substitute_counts_from_then_on(self):
        report = check_wiring(WIRING, exercise=EXERCISE, handed_out=HandedOut(given_ohms={"R1": 1000.0}))
        self.assertEqual([f.rule for f in report.findings], ["not-as-handed-out"])

    def test_a_pair_cannot_talk_a_stop_away(self):
        text = WIRING.replace("e8 e9 e10", "e8 e9 e10 order=supply-out-ground")
        found = check_wiring(
            text, exercise=EXERCISE, handed_out=HandedOut(leg_orders={"thermo-offset": "ground-out-supply"})
        ).findings
        self.assertEqual(
            {f.rule for f in found if f.severity is Severity.STOP}, {"leg-order-differs", "supply-reversed"}
        )

    def test_a_measured_supply_moves_the_numbers(self):
        report = check_wiring(WIRING, exercise=EXERCISE, rail_volts=4.6)
        volts = {n["name"]: n["volts"] for n in report.nets_json()}
        self.assertEqual(f"{volts['B1.5V']:.3f}", "4.600")


class RuleBookTest(TestCase):
    def test_every_rule_says_all_it_must(self):
        for rule in BOOK.rules.values():
            for words in (rule.title, rule.why, rule.hint, rule.source, rule.criterion):
                self.assertTrue(words, rule.slug)
            for other in rule.explains:
                self.assertIn(other, BOOK.rules, f"{rule.slug} explains what does not exist")

    def test_every_hand_in_of_the_demo_says_where(self):
        for file in sorted((DEMO / "hand-ins").glob("*.bench")):
            for found in check_wiring(file.read_text("utf-8"), exercise=EXERCISE).findings:
                self.assertTrue(found.where.parts or found.where.places, f"{file.name}: {found.rule}")
