"""The simulated board, meter and badge reader, and the helper that listens to a port."""

import io
import json
import os
from random import Random
from unittest import TestCase

from hypothesis import given
from hypothesis import strategies as st

from tests.samples import EXERCISE, PROGRAM, WIRING
from verifex.core.assess import Case
from verifex.core.circuit.text.parse import parse_bench
from verifex.core.printed.baud import received
from verifex.core.readings.log import read_log
from verifex.listen.lines import Lines
from verifex.listen.sender import NobodyListens, Sender
from verifex.standins.badges import hand_out, type_codes
from verifex.standins.board import NoSuchFault, printed, stream, with_marks
from verifex.standins.meter import Multimeter
from verifex.standins.serial_port import SerialPort

CASE = Case(EXERCISE, wiring=WIRING, program=PROGRAM)


class BoardTest(TestCase):
    def test_it_prints_what_the_twin_prints_with_a_mark_before_each_step(self):
        text = "\n".join(line for _, line in with_marks(printed(CASE), EXERCISE))
        log = read_log(text, EXERCISE)
        self.assertEqual([step.name for step in log.steps], [step.name for step in EXERCISE.steps])
        self.assertAlmostEqual(log.steps[0].values[-1], 21.3, delta=0.5)

    def test_a_fault_changes_what_it_prints_and_an_unknown_one_is_named(self):
        sound = [line for _, line in printed(CASE)]
        faulty = [line for _, line in printed(CASE, "lead-missing", named="B1.A2")]
        self.assertNotEqual(sound, faulty)
        with self.assertRaisesRegex(NoSuchFault, "row-off"):
            printed(CASE, "gremlin")

    def test_it_streams_in_its_own_time_over_a_port(self):
        port = SerialPort.opened()
        waits: list[float] = []
        self.addCleanup(port.close)
        other = os.open(port.path, os.O_RDWR | os.O_NOCTTY)
        self.addCleanup(os.close, other)
        for _ in stream(port, [(0, "21.29"), (1000, "21.78"), (3000, "21.29")], speed=2, sleep=waits.append):
            pass
        self.assertEqual(waits, [0.5, 1.0])
        self.assertEqual(os.read(other, 100), b"21.29\r\n21.78\r\n21.29\r\n")

    def test_another_rate_gives_garbage_and_the_same_rate_the_text(self):
        self.assertEqual(received(b"21.47\r\n", 9600, 9600), b"21.47\r\n")
        self.assertNotIn(b"21.47", received(b"21.47\r\n" * 5, 9600, 19200))


class MeterTest(TestCase):
    def test_it_reads_the_bench_within_its_own_error(self):
        for sample in range(1, 6):
            meter = Multimeter(parse_bench(WIRING), sample)
            self.assertAlmostEqual(meter.volts("e8", "B1.GND"), 5.0, delta=0.05)
            self.assertLess(meter.ohms("e8", "B1.5V"), 1.0)
            self.assertAlmostEqual(meter.ohms("c16", "c20"), 330, delta=5)
            self.assertAlmostEqual(meter.volts("c16", "c20", driven={"D7": 5.0}), 5 - 2.0, delta=0.5)

    def test_its_burden_lowers_what_a_weak_source_gives(self):
        weak = "board B1 mcu-5v\nbase half\npart R1 resistor a1 a5 value=4M7\nwire B1.5V b1\n"
        self.assertAlmostEqual(Multimeter(parse_bench(weak)).volts("a5", "B1.GND"), 5 * 10 / 14.7, delta=0.05)

    def test_amps_in_a_lead(self):
        bench = parse_bench(WIRING)
        wire = next(i for i, w in enumerate(bench.wires) if "B1.D7" in map(str, w.ends))
        self.assertAlmostEqual(abs(Multimeter(bench).amps(wire, driven={"D7": 5.0})) * 1000, 8.6, delta=1.5)

    def test_a_place_where_nothing_is_is_named(self):
        with self.assertRaisesRegex(ValueError, "nothing is at a30"):
            Multimeter(parse_bench(WIRING)).ohms("a30", "B1.GND")


class BadgesTest(TestCase):
    def test_a_class_of_twelve_is_twenty_four_scans(self):
        codes = list(hand_out([f"HB-{n:02}" for n in range(1, 13)], [f"P-{n:02}" for n in range(1, 13)]))
        self.assertEqual((len(codes), codes[:4]), (24, ["P-01", "HB-01", "HB-02", "P-02"]))
        out = io.StringIO()
        type_codes(codes[:2], out, seconds_between=0)
        self.assertEqual(out.getvalue(), "P-01\nHB-01\n")


class LinesTest(TestCase):
    @given(
        st.lists(st.text("0123456789. C#é", max_size=12), max_size=12), st.sampled_from(["\n", "\r\n"]), st.integers()
    )
    def test_lines_come_whole_however_the_bytes_are_cut(self, texts: list[str], ending: str, seed: int):
        data, rng, lines = "".join(text + ending for text in texts).encode(), Random(seed), Lines()
        found = []
        while data:
            cut = rng.randint(1, 5)
            found += lines.feed(data[:cut])
            data = data[cut:]
        self.assertEqual(found + lines.rest(), texts)


class SenderTest(TestCase):
    def test_each_line_is_sent_once_and_kept_while_the_server_is_away(self):
        got: list[str] = []
        away = [True]

        def post(url: str, body: bytes) -> tuple[int, bytes]:
            if away[0]:
                raise OSError("no route")
            said = json.loads(body)
            self.assertEqual((url, said["first"]), ("http://lab:8000/api/live/abc/lines", len(got)))
            got.extend(said["lines"])
            return 200, b"{}"

        sender = Sender("http://lab:8000/", "abc", post)
        sender.take("21.3")
        self.assertFalse(sender.send())
        away[0] = False
        for n in range(900):
            sender.take(str(n))
        self.assertTrue(sender.send())
        self.assertEqual((len(got), got[0], sender.kept), (901, "21.3", []))

    def test_a_code_that_is_none_any_more_is_said(self):
        sender = Sender("http://lab:8000", "old", lambda url, body: (422, b'{"message": "Nobody listens."}'))
        sender.take("1")
        with self.assertRaisesRegex(NobodyListens, "Nobody listens"):
            sender.send()
