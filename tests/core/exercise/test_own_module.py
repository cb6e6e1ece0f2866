"""An ordinary new module is a data file and nothing else; `docs/own-module.yaml` is the example."""

from pathlib import Path
from unittest import TestCase

from verifex.core.circuit import Conditions, check_wiring, operating_point
from verifex.core.circuit.nets import Nets
from verifex.core.circuit.text.parse import parse_bench
from verifex.core.parts import catalogue, with_entries
from verifex.core.problems import UnusableInput

EXAMPLE = (Path(__file__).parents[3] / "docs" / "own-module.yaml").read_text("utf-8")
SHELF = with_entries(EXAMPLE)
BENCH = """\
board B1 mcu-5v
part U1 scale-bridge e4 e5 e6
wire B1.5V a4 red
wire B1.GND a5 black
wire B1.A1 a6 yellow
"""


def findings(text: str) -> list[tuple[str, str]]:
    return [(f.rule, str(f.severity)) for f in check_wiring(text, part_types=SHELF).findings]


class OwnModuleTest(TestCase):
    def test_a_sound_bench_with_it_passes_and_its_output_is_solved(self):
        self.assertEqual(findings(BENCH), [])
        nets = Nets(parse_bench(BENCH, SHELF))
        pin = nets.of_pin("A1")
        assert pin is not None
        for kilograms, volts in ((0, 0.5), (10, 0.9), (50, 2.5), (80, 2.5)):
            point = operating_point(nets, Conditions(stimulus={("U1", "kilogram"): kilograms}))
            self.assertAlmostEqual(point.volts[pin.id], volts, places=3)
        self.assertAlmostEqual(point.pin_amps["5V"], 0.0015, places=4)

    def test_every_general_rule_knows_it(self):
        for change, rule in (
            (("B1.5V a4", "B1.5V c5"), "supply-shorted"),
            (("B1.5V a4 red\nwire B1.GND a5", "B1.GND a4 red\nwire B1.5V a5"), "supply-reversed"),
            (("B1.A1 a6", "B1.D4 a6"), "output-on-digital-pin"),
            (("B1.A1 a6", "B1.A1 a7"), "dangling-lead"),
            (("B1.5V a4", "B1.D6 a3"), "dangling-lead"),
            (("wire B1.GND a5 black\n", ""), "ground-missing"),
        ):
            text = BENCH.replace(*change)
            self.assertNotEqual(text, BENCH)
            found = [f for f, _ in findings(text)]
            self.assertTrue(rule in found or (rule == "ground-missing" and found), f"{change}: {found}")

    def test_the_shipped_catalogue_does_not_know_it_and_says_so(self):
        self.assertNotIn("scale-bridge", catalogue().parts)
        (found, *_) = check_wiring(BENCH).findings
        self.assertEqual((found.rule, found.where.line), ("cannot-be", 2))

    def test_a_mistake_in_the_file_is_told_at_its_entry_and_field(self):
        for change, words in (
            (("model: module", "model: mystery"), "model"),
            (("low_volts: 2.7", "low_volts: little"), "supply.low_volts"),
            (("draws_amps", "draws_amperes"), "draws_amperes"),
        ):
            with self.assertRaises(UnusableInput) as caught:
                with_entries(EXAMPLE.replace(*change))
            problem = caught.exception.problems[0]
            self.assertEqual(problem.line, 3)
            self.assertIn("scale-bridge", problem.message)
            self.assertIn(words, problem.message)
        with self.assertRaisesRegex(UnusableInput, "no YAML"):
            with_entries("a: {b")


class ShippedCatalogueTest(TestCase):
    def test_every_part_of_the_contract_is_there_with_its_legs_in_order(self):
        contract = {
            "supply out ground": "thermo-offset thermo-zero thermo-steep motion obstacle water-strip",
            "supply data ground": "climate-coarse climate-fine probe-1w",
            "supply ground scl sda": "baro motion-6",
            "supply trigger echo ground": "sonar-4",
            "ground supply signal": "sonar-3",
            "1 2": "light-cell resistor button vibration piezo speaker motor lamp capacitor",
            "1 2 3 4": "button-4",
            "supply ground out": "gas-heated hall mic",
            "supply reset ground irq miso mosi sck select": "tag-reader",
            "end1 wiper end2": "pot trimmer",
            "anode cathode": "led diode",
            "red common green blue": "rgb-cc rgb-ca",
            "plus minus": "buzzer battery",
            "collector base emitter": "npn",
            "coil1 coil2 common open closed": "relay",
            "ground supply contrast rs rw enable d0 d1 d2 d3 d4 d5 d6 d7 lightplus lightminus": "display-16x2",
            "ground supply sda scl": "display-bus",
            "in ground out": "regulator-5v",
        }
        for legs, ids in contract.items():
            for id_ in ids.split():
                part = catalogue().parts[id_]
                own = list(part.legs)[: len(legs.split())]
                self.assertEqual(" ".join(own), legs, id_)
                # What some makers add stands behind, and may stay open.
                self.assertTrue(all(part.legs[leg].optional for leg in list(part.legs)[len(own) :]), id_)
        self.assertEqual(set(catalogue().boards), {"mcu-5v", "mcu-5v-compact", "mcu-3v3-wireless", "sbc-3v3"})

    def test_windows_are_ordered_and_what_can_hurt_has_its_caution(self):
        for part in catalogue().parts.values():
            self.assertTrue(part.title and part.source, part.id)
            if part.supply:
                self.assertLess(part.supply.low_volts, part.supply.high_volts, part.id)
                self.assertLessEqual(part.supply.high_volts, part.supply.absolute_volts, part.id)
            if part.supply_leg:
                self.assertTrue(part.ground_leg, part.id)
            if part.model == "led" and part.diode:
                self.assertLess(part.diode.usual_amps, part.diode.absolute_amps)
        for id_ in ("gas-heated", "probe-1w", "battery", "relay", "lamp", "speaker", "motor", "thermo-offset"):
            self.assertTrue(catalogue().parts[id_].cautions, id_)
