"""What the command line prints for people: every command once in words, with the values worked out beside it by hand."""

import math
import re
from pathlib import Path
from unittest import TestCase

from tests.core.command_line.test_cli import EXERCISE, HANDS, PROGRAM, WIRING, as_json, verifex


def said(*arguments: str) -> str:
    """What a command prints, its spaces single."""
    code, out, err = verifex(*arguments)
    assert code in (0, 1), err
    return re.sub(r" +", " ", out)


class ResistorTextTest(TestCase):
    def test_bands_with_their_limits_and_what_a_meter_says_to_them(self):
        bands = ("resistor", "bands", "yellow-violet-red-gold")
        self.assertIn("4.7 kΩ ± 5 % (4.465 kΩ … 4.935 kΩ)", said(*bands))
        self.assertIn("4.68 kΩ measured: it fits.", said(*bands, "--measured", "4k68"))
        self.assertIn("10 kΩ measured: it does not fit.", said(*bands, "--measured", "10k"))
        self.assertIn("10 kΩ ± 1 %", said("resistor", "bands", "brown", "black", "black", "red", "brown"))

    def test_a_value_with_its_neighbours_and_its_bands(self):
        self.assertIn("down 470 Ω, nearest 510 Ω, up 510 Ω; nearest has green brown brown brown",
                      said("resistor", "value", "500", "--series", "E24", "--tolerance", "1"))  # fmt: skip

    def test_a_light_in_series(self):
        text = said("resistor", "led", "--supply", "5", "--vf", "2", "--ma", "10")
        self.assertIn("330 Ω next preferred value up", text)
        self.assertIn("300 Ω exactly", text)
        self.assertIn(f"{1000 * 3 / 330:.3g} mA current it then gives", text)


class SumTextTest(TestCase):
    #: A sum with what is given, and a line of its answer worked out here.
    SUMS = {
        ("divider", "--supply", "5", "--upper", "10k", "--lower", "20k"): f"{5 * 20 / 30:.3g} V",
        ("parallel", "--one", "100", "--two", "100"): "50 Ω",
        ("series", "--one", "100", "--two", "220"): "320 Ω",
        ("converter", "--volts", "2.5"): "512 count",
        ("echo", "--distance", "25cm", "--air", "20"): f"{2 * 0.25 / (331.3 + 0.606 * 20) * 1e6:.0f} µs echo pulse",
        ("tilt", "--gx", "0", "--gy", "1", "--gz", "1"): "45",
    }

    def test_each_gives_its_formula_and_its_answer(self):
        for (name, *given), answer in self.SUMS.items():
            with self.subTest(name):
                command = "sum" if name in ("converter", "echo", "tilt") else "resistor"
                text = said(command, name, *given)
                self.assertIn("=", text.splitlines()[0])
                self.assertIn(answer, text)

    def test_a_light_cell_follows_its_power_law(self):
        found = as_json("sum", "light-cell", "--dark", "2", "--bright", "300", "--r10", "12k", "--gamma", "0.7")
        self.assertAlmostEqual(found["dark_ohms"], 12e3 * math.pow(10 / 2, 0.7), delta=1)
        self.assertAlmostEqual(found["bright_ohms"], 12e3 * math.pow(10 / 300, 0.7), delta=1)
        self.assertAlmostEqual(found["best_ohms"], math.sqrt(found["dark_ohms"] * found["bright_ohms"]), delta=1)

    def test_a_threshold_lies_between_the_states_and_says_how_sure_it_is(self):
        text = said("threshold", "--off", "10", "12", "14", "--on", "80", "90", "85")
        middle = (12 + 85) // 2
        self.assertIn(f"Threshold {middle}: on at 54, off again at 42.", text)
        found = as_json("threshold", "--off", "10", "12", "14", "--on", "80", "90", "85")
        self.assertEqual(found["threshold"], middle)

    def test_two_states_that_cannot_be_told_apart_say_what_to_do(self):
        code, out, err = verifex("threshold", "--off", "10", "90", "--on", "80", "20")
        self.assertIn("Make the two states differ more", out + err)
        self.assertNotEqual(code, 0)


class BenchTextTest(TestCase):
    def test_nets_and_currents_of_a_bench_as_it_is_driven(self):
        text = said("wiring", "solve", WIRING, "--set", "B1.D7=high", "--at", "U1.celsius=31")
        self.assertIn(f"B1.A2 {0.5 + 0.01 * 31:.4f} V", text)
        [light], [resistor] = re.findall(r"D1 anode ([\d.]+) mA", text), re.findall(r"R1 1 ([\d.]+) mA", text)
        self.assertEqual(light, resistor)
        self.assertTrue(5 < float(light) < 10, light)

    def test_findings_in_words_with_what_to_do(self):
        text = said("wiring", "check", str(HANDS / "no-resistor.bench"), "--exercise", EXERCISE)
        self.assertRegex(text, r"STOP .*\[.*D1.*\]")
        for word in ("Why:", "Do:"):
            self.assertIn(word, text)
        self.assertIn("No findings.", said("wiring", "check", WIRING, "--exercise", EXERCISE))

    def test_a_sheet_step_by_step_and_narrower_once_the_supply_is_measured(self):
        def width(text: str) -> float:
            [(low, high)] = re.findall(r"Room air .*?([\d.]+) … ([\d.]+)", text)
            return float(high) - float(low)

        plain, measured = said("expected", EXERCISE), said("expected", EXERCISE, "--measured", "vref=4.93")
        self.assertIn("One count is 0.49 °C.", plain)
        self.assertIn("Measure the supply", plain)
        self.assertNotIn("Measure the supply", measured)
        self.assertLess(width(measured), 0.7 * width(plain))

    def test_a_log_step_by_step_and_what_explains_it(self):
        sound = said("readings", "check", str(HANDS / "in-limits.txt"), "--exercise", EXERCISE)
        self.assertRegex(sound, r"Room air 22\.27 °C 14 readings likely")
        wrong = said("readings", "check", str(HANDS / "offset-forgotten.txt"), "--exercise", EXERCISE)
        self.assertIn("offset", wrong)
        self.assertRegex(wrong, r"readings out")


class ProgramTextTest(TestCase):
    def test_findings_name_their_line(self):
        text = said("program", "check", str(HANDS / "no-semicolon.cpp"))
        self.assertIn("FIX syntax [line 8]", text)
        self.assertIn("Line 8 ends without `;`.", text)

    def test_a_run_prints_the_log_and_the_outputs(self):
        text = said("program", "run", PROGRAM, "--seconds", "2.5")
        self.assertEqual(
            text.count("-50.00"), as_json("program", "run", PROGRAM, "--seconds", "2.5")["serial"].count("-50.00")
        )

    def test_a_flow_chart_is_a_drawing_with_the_words_of_the_program(self):
        drawing = said("program", "flow", PROGRAM)
        self.assertTrue(drawing.startswith("<svg"))
        self.assertIn("log at 9600 baud", drawing)


class CatalogueTextTest(TestCase):
    def test_a_part_with_its_legs_and_its_cautions(self):
        text = said("parts", "thermo-offset")
        self.assertIn("legs: supply out ground", text)
        self.assertIn("Settings: order", text)
        self.assertIn("Caution: Fed backwards it heats", text)

    def test_an_exercise_with_what_its_kit_holds_and_how_long_it_takes(self):
        text = said("exercise", "check", EXERCISE)
        for line in ("3 steps, 30 marks, 50 min.", "It can be released.", "Kit: 1 × thermo-offset", "Take care:"):
            self.assertIn(line, text)
        count = 5000 / 1024 / 10  # millivolts a count, 10 mV a degree
        self.assertIn(f"{count:.3f} °C a count", text)

    def test_a_file_that_is_no_exercise_says_what_was_expected(self):
        code, _, err = verifex("exercise", "check", WIRING)
        self.assertEqual(code, 2)
        self.assertIn(f"{Path(WIRING).name}:1:1: an exercise is a list of", err)
