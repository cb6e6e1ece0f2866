"""The command line as CONTRACT promises it: what it prints, its JSON, its exit codes, one line for bad input."""

import argparse
import io
import json
import subprocess
import sys
import tempfile
from contextlib import redirect_stderr, redirect_stdout
from importlib import import_module
from pathlib import Path
from typing import Any
from unittest import TestCase

from tests.samples import DEMO, FOLDER, exercise
from tests.samples import WIRING as BENCH
from verifex.core.cli import main
from verifex.core.cli.main import COMMANDS

_FILES = tempfile.TemporaryDirectory()
WIRING, PROGRAM, EXERCISE = str(Path(_FILES.name) / "reference.bench"), str(FOLDER / "reference.cpp"), str(FOLDER)
Path(WIRING).write_text(BENCH, "utf-8")
HANDS = DEMO / "hand-ins"


def verifex(*arguments: str) -> tuple[int, str, str]:
    out, err = io.StringIO(), io.StringIO()
    with redirect_stdout(out), redirect_stderr(err):
        try:
            code = main(arguments)
        except SystemExit as end:
            code = int(end.code or 0)
    return code, out.getvalue(), err.getvalue()


def as_json(*arguments: str) -> Any:
    return json.loads(verifex(*arguments, "--json")[1])


class CommandsTest(TestCase):
    def test_wiring_check(self):
        self.assertEqual(verifex("wiring", "check", WIRING, "--exercise", EXERCISE)[0], 0)
        self.assertEqual(verifex("wiring", "check", WIRING, "--exercise", EXERCISE, "--program", PROGRAM)[0], 0)
        code, out, _ = verifex("wiring", "check", str(HANDS / "supply-swapped.bench"), "--exercise", EXERCISE)
        self.assertEqual(code, 1)
        self.assertIn("STOP   supply-reversed  [U1]", out)
        found = as_json("wiring", "check", str(HANDS / "supply-swapped.bench"))["findings"][0]
        self.assertTrue({"rule", "severity", "where", "seen", "why", "remedy", "hint", "criterion"} <= set(found))
        self.assertNotIn(None, found.values())

    def test_wiring_solve_counts_current_positive_into_the_leg(self):
        result = as_json("wiring", "solve", WIRING, "--set", "B1.D7=high", "--at", "U1.celsius=31", "--rail", "4.9")
        volts = {net["name"]: net["volts"] for net in result["nets"]}
        self.assertAlmostEqual(volts["B1.A2"], 0.81, places=4)
        self.assertAlmostEqual(volts["B1.5V"], 4.9, places=3)
        led = next(part for part in result["parts"] if part["ref"] == "D1")
        self.assertGreater(led["amps"]["anode"], 0.005)
        self.assertAlmostEqual(led["amps"]["anode"], -led["amps"]["cathode"])

    def test_the_same_circuit_as_a_netlist(self):
        netlist = as_json("wiring", "spice", WIRING, "--set", "B1.D7=high")
        self.assertIn(".op", netlist["netlist"])
        self.assertIn(".end", netlist["netlist"].lower())
        self.assertEqual(netlist["nodes"]["B1.GND"], "0")
        self.assertIn(f"* node {netlist['nodes']['B1.A2']} = B1.A2", netlist["netlist"])

    def test_windows_and_comparison(self):
        (job,) = as_json("wiring", "windows", WIRING)
        self.assertEqual((job["ref"], job["job"], job["about"], job["fits"]), ("R1", "led-series", "D1", True))
        self.assertIn("led-series", verifex("wiring", "windows", WIRING)[1])
        moved, off = str(HANDS / "moved.bench"), str(HANDS / "one-row-off.bench")
        self.assertEqual(verifex("wiring", "compare", moved, WIRING, "--exercise", EXERCISE)[0], 0)
        code, out, _ = verifex("wiring", "compare", off, WIRING, "--exercise", EXERCISE)
        self.assertEqual((code, out.count("DIFFERS")), (1, 1))

    def test_a_table_is_a_bench_wherever_a_bench_is_wanted(self):
        table = verifex("wiring", "csv", WIRING)[1]
        with tempfile.TemporaryDirectory() as folder:
            file = Path(folder) / "mine.csv"
            file.write_text(table, "utf-8")
            self.assertEqual(verifex("wiring", "check", str(file), "--exercise", EXERCISE)[0], 0)
            back = verifex("wiring", "csv", str(file))[1]
        self.assertEqual(
            [line.split() for line in back.splitlines()],
            [line.split() for line in Path(WIRING).read_text("utf-8").splitlines()],
        )

    def test_a_module_of_ones_own_comes_in_as_a_data_file(self):
        bench = "board B1 mcu-5v\npart U1 scale-bridge e4 e5 e6\nwire B1.5V a4\nwire B1.GND a5\nwire B1.A1 a6\n"
        own = str(DEMO.parent / "docs" / "own-module.yaml")
        with tempfile.TemporaryDirectory() as folder:
            file = Path(folder) / "scale.bench"
            file.write_text(bench, "utf-8")
            self.assertEqual(verifex("wiring", "check", str(file))[0], 1)
            self.assertEqual(verifex("wiring", "check", str(file), "--parts", own)[0], 0)
            solved = as_json("wiring", "solve", str(file), "--parts", own, "--at", "U1.kilogram=10")
        volts = {net["name"]: net["volts"] for net in solved["nets"]}
        self.assertAlmostEqual(volts["B1.A1"], 0.9, places=3)

    def test_legs_of_modules_can_be_set(self):
        bench = "board B1 mcu-5v\npart U3 sonar-4 a1 a2 a3 a4\nwire B1.5V b1\nwire B1.D3 b2\nwire B1.D4 b3\nwire B1.GND b4\n"
        with tempfile.TemporaryDirectory() as folder:
            file = Path(folder) / "sonar.bench"
            file.write_text(bench, "utf-8")
            for level, low, high in (("high", 4.5, 5.01), ("low", -0.01, 0.1), ("2.5V", 2.4, 2.51)):
                solved = as_json("wiring", "solve", str(file), "--set", f"U3.echo={level}")
                volts = next(net["volts"] for net in solved["nets"] if net["name"] == "B1.D4")
                self.assertTrue(low <= volts <= high, f"{level}: {volts}")

    def test_expected_readings_and_mark(self):
        sheet = as_json("expected", EXERCISE, "--wiring", WIRING, "--measured", "vref=4.93")
        self.assertEqual(sheet["steps"][0]["count"]["expected"], 148)
        self.assertEqual(len(sheet["budget"]["contributions"]), 5)
        log = str(HANDS / "in-limits.txt")
        bench = str(HANDS / "one-half.bench")
        report = as_json(
            "readings",
            "check",
            log,
            "--exercise",
            EXERCISE,
            "--wiring",
            bench,
            "--program",
            str(HANDS / "sound-a.cpp"),
            "--measured",
            "vref=4.93",
        )
        self.assertEqual((report["verdict"], report["honesty"]), ("in-limits", []))
        with tempfile.TemporaryDirectory() as folder:
            for name, source in (
                ("wiring.bench", bench),
                ("program.cpp", str(HANDS / "sound-a.cpp")),
                ("log.txt", log),
            ):
                (Path(folder) / name).write_text(Path(source).read_text("utf-8"), "utf-8")
            mark = as_json("mark", folder, "--exercise", EXERCISE, "--measured", "vref=4.93")
        self.assertEqual((mark["total"], mark["of"]), ("30", "30"))

    def test_program_and_twin(self):
        run = as_json("program", "run", PROGRAM, "--seconds", "2.5")
        self.assertEqual((run["compiles"], run["serial"].split("\r\n")[0]), (True, "-50.00"))
        self.assertEqual([event[1:] for event in run["events"][:2]], [["D7", "0"], ["D4", "0"]])
        refused = as_json("program", "run", str(HANDS / "no-semicolon.cpp"), "--seconds", "1")
        self.assertEqual((refused["compiles"], refused["findings"][0]["where"]["line"]), (False, 8))
        trace = as_json("twin", "run", WIRING, PROGRAM, "--seconds", "2.5")
        self.assertEqual(trace["lines"][0][1], "24.71")
        self.assertEqual(verifex("program", "check", PROGRAM, "--wiring", WIRING, "--exercise", EXERCISE)[0], 0)

    def test_a_twin_runs_the_plan_of_an_exercise_and_shows_lights_and_displays(self):
        shown = verifex("twin", "run", WIRING, PROGRAM, "--exercise", EXERCISE)
        self.assertEqual(shown[0], 0)
        self.assertRegex(shown[1], r"\d s  D1 on")
        self.assertIn("No findings", shown[1])
        display = DEMO / "exercises" / "hive-display"
        with tempfile.TemporaryDirectory() as folder:
            wiring = Path(folder) / "display.bench"
            wiring.write_text(exercise("hive-display").reference_wiring())
            told = verifex("twin", "run", str(wiring), str(display / "reference.cpp"), "--exercise", str(display))[1]
        self.assertIn("│Brood heat      │", told)
        self.assertIn("how long to run is needed", verifex("twin", "run", WIRING, PROGRAM)[2])

    def test_a_program_is_run_through_the_plan_where_exercise_and_wiring_are_given(self):
        with tempfile.TemporaryDirectory() as folder:
            inverted = Path(folder) / "inverted.cpp"
            inverted.write_text((HANDS / "sound-a.cpp").read_text("utf-8").replace("tempC > 33", "tempC < 33"))
            given = ("--exercise", EXERCISE, "--wiring", str(HANDS / "one-half.bench"))
            self.assertEqual(verifex("program", "check", str(inverted), *given)[0], 1)
            found = as_json("program", "check", str(inverted), *given)
            self.assertIn("alarm-inverted", [one["rule"] for one in found["findings"]])
            self.assertEqual(found["not_run"], "")
            self.assertEqual(as_json("program", "check", str(inverted), *given[2:])["findings"], [])

    def test_parts_rules_exercise_and_resistors(self):
        self.assertEqual(as_json("parts", "led")["led"]["legs"], ["anode", "cathode"])
        self.assertIn("thermo-offset", verifex("parts")[1])
        self.assertIn("### `supply-reversed`", verifex("rules")[1])
        self.assertEqual(verifex("exercise", "check", EXERCISE)[0], 0)
        self.assertEqual(as_json("resistor", "bands", "orange", "orange", "brown", "gold")["ohms"], 330)
        self.assertEqual(as_json("resistor", "value", "500")["nearest"], 470)
        self.assertEqual(as_json("resistor", "led", "--supply", "5", "--vf", "2", "--ma", "10")["preferred_ohms"], 330)
        self.assertAlmostEqual(
            as_json("resistor", "divider", "--supply", "5", "--upper", "10k", "--lower", "10k")["volts"], 2.5
        )


class BadInputTest(TestCase):
    def test_one_line_with_place_and_what_was_expected_and_exit_code_2(self):
        with tempfile.NamedTemporaryFile("w", suffix=".txt", delete=False) as file:
            file.write("board B1 mcu-5v\nnonsense\n")
        binary = Path(file.name + ".bin")
        binary.write_bytes(b"\xff\xfe\x00")
        table = [
            (["wiring", "check", file.name], ":2:1: 'nonsense' begins no statement"),
            (["wiring", "check", "no-such-file"], "no-such-file:1:1: there is no such file"),
            (["wiring", "check", str(binary)], "no text in UTF-8 or UTF-16"),
            (["wiring", "solve", WIRING, "--set", "B1.D99=high"], "no pin that can drive"),
            (["wiring", "solve", WIRING, "--at", "U1.celsius=warm"], "no stimulus"),
            (["wiring", "solve", WIRING, "--at", "U1.celsius=nan"], "no stimulus"),
            (["wiring", "solve", WIRING, "--at", "U9.celsius=20"], "no part U9"),
            (["wiring", "solve", WIRING, "--at", "U1.lux=20"], "does not answer to 'lux'; celsius was expected"),
            (["wiring", "solve", WIRING, "--set", "U1.supply=high"], "no leg that gives a level"),
            (["wiring", "check", WIRING, "--parts", WIRING], "a parts file is a list"),
            (["wiring", "csv", "no-such.csv"], "there is no such file"),
            (["resistor", "led", "--supply", "five"], "supply"),
            (["resistor", "value", "4k7", "--series", "E7"], "no preferred series"),
            (["expected", WIRING], ":1:1: "),
            (["expected", EXERCISE, "--measured", "vref=11"], "plausible"),
            (["expected", EXERCISE, "--measured", "vref=x"], "no measured value"),
            (["program", "check", PROGRAM, "--board", "nothing"], "no board is called"),
            (["program", "run", PROGRAM, "--seconds", "-1"], "outside 0"),
            (["program", "run", PROGRAM, "--seconds", "1", "--pins", WIRING], ":1:1: the first line must read"),
            (["readings", "check", WIRING, "--exercise", WIRING], ":"),
            (["parts", "ledd"], "did you mean led"),
            (["resistor", "bands", "pink", "red", "red"], "band 1"),
            (["mark", "/no/such", "--exercise", EXERCISE], "no such folder"),
            (["no-such-command"], "--help"),
        ]
        for arguments, said in table:
            code, _, err = verifex(*arguments)
            self.assertEqual(code, 2, arguments)
            self.assertIn(said, err, arguments)
            self.assertNotIn("Traceback", err)


class StartTest(TestCase):
    """The command line imports what its command needs, and no more."""

    def imported(self, *arguments: str) -> set[str]:
        program = "import sys; from verifex.core.cli import main\ntry: main(sys.argv[1:])\nexcept SystemExit: pass\nprint(*sys.modules)"
        done = subprocess.run([sys.executable, "-c", program, *arguments], capture_output=True, text=True, check=True)
        return set(done.stdout.splitlines()[-1].split())

    def test_its_help_imports_nothing_of_the_computation(self):
        self.assertEqual({"numpy", "pydantic", "tree_sitter"} & self.imported("--help"), set())

    def test_a_resistor_needs_no_program(self):
        modules = self.imported("resistor", "value", "330")
        self.assertNotIn("tree_sitter", modules)
        self.assertNotIn("verifex.core.diagnosis", modules)

    def test_each_command_is_where_the_table_says(self):
        for name, (module, _) in COMMANDS.items():
            parser = argparse.ArgumentParser()
            commands = parser.add_subparsers()
            import_module(f"verifex.core.cli.{module}").add_commands(commands)
            self.assertIn(name, commands.choices)
