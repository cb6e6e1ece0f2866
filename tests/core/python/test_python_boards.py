"""Python programs and pins: by functions, as parts, as objects of a small board; events, errors, what is released."""

from unittest import TestCase
from unittest.mock import patch

from verifex.core.parts import catalogue
from verifex.core.program import Machine, Running, RunResult, ScriptedPins, check_program

COMPUTER, WIRELESS = catalogue().boards["sbc-3v3"], catalogue().boards["mcu-3v3-wireless"]
HEAD = "import board_pins as GPIO\nimport time\nGPIO.setmode(GPIO.BCM)\n"


def run(text: str, seconds: float = 3, pins: ScriptedPins | None = None, board=COMPUTER) -> RunResult:
    report = check_program(text, board)
    assert report.runnable, [f.seen for f in report.findings]
    result = report.run(pins or ScriptedPins(), seconds)
    assert result.ended != "unsupported", result.ended_with
    return result


def scripted(**values: list[tuple[float, float]]) -> ScriptedPins:
    """Pin → (ms, volts or level) …"""
    return ScriptedPins({pin: ([ms for ms, _ in steps], [v for _, v in steps]) for pin, steps in values.items()})


def lines(result: RunResult) -> list[str]:
    return [text for _, text in result.lines]


class OwnFaultTest(TestCase):
    def test_a_fault_of_the_machine_is_no_error_of_the_program(self):
        class Broken(ScriptedPins):
            def level(self, machine: Running, pin: str) -> bool:
                return int(None) > 0  # type: ignore[call-overload,no-any-return]

        text = HEAD + "GPIO.setup(4, GPIO.IN)\ntry:\n    print(GPIO.input(4))\nexcept TypeError:\n    print('caught')\n"
        with patch.dict("os.environ", {"VERIFEX_STRICT": "0"}), self.assertLogs("verifex", "ERROR"):
            result = check_program(text, COMPUTER).run(Broken(), 1)
        self.assertEqual((result.ended, lines(result)), ("failed", []))
        own = check_program(HEAD + "print(1 + '1')\n", COMPUTER).run(ScriptedPins(), 1)
        self.assertEqual(own.ended, "raised")


class PinFunctionsTest(TestCase):
    def test_outputs_and_inputs_by_number_position_and_list(self):
        by_number = run(
            HEAD + "GPIO.setup([17, 27], GPIO.OUT)\nGPIO.output(17, 1)\nGPIO.output([17, 27], (0, 1))\ntime.sleep(1)"
        )
        self.assertEqual([(p, v) for _, p, v in by_number.events], [("GPIO17", "1"), ("GPIO17", "0"), ("GPIO27", "1")])
        by_position = HEAD.replace("BCM", "BOARD") + "GPIO.setup(11, GPIO.OUT, initial=GPIO.HIGH)\ntime.sleep(1)"
        self.assertEqual([(p, v) for _, p, v in run(by_position).events], [("GPIO17", "1")])
        reads = HEAD + "GPIO.setup(4, GPIO.IN)\nfor i in range(3):\n    print(GPIO.input(4))\n    time.sleep(1)"
        self.assertEqual(lines(run(reads, 4, scripted(GPIO4=[(0, 0), (500, 1), (1500, 0)]))), ["0", "1", "0"])

    def test_pull_ups_and_pulse_width(self):
        text = (
            HEAD
            + "GPIO.setup(4, GPIO.IN, pull_up_down=GPIO.PUD_UP)\nprint(GPIO.input(4))\nGPIO.setup(18, GPIO.OUT)\np = GPIO.PWM(18, 100)\np.start(50)\ntime.sleep(1)\np.ChangeDutyCycle(100)\ntime.sleep(1)\np.stop()"
        )
        result = run(text)
        self.assertEqual(lines(result), ["1"])
        self.assertEqual([v for _, pin, v in result.events if pin == "GPIO18"][:2], ["pwm:128", "1"])

    def test_events_call_back_with_the_channel_and_bounces_are_passed_over(self):
        text = (
            HEAD
            + "def told(channel):\n    print(channel, GPIO.input(channel), round(time.time() - begun, 1))\nbegun = time.time()\nGPIO.setup(4, GPIO.IN)\nGPIO.add_event_detect(4, GPIO.FALLING, callback=told, bouncetime=200)\nwhile True:\n    time.sleep(1)"
        )
        presses = scripted(GPIO4=[(0, 1), (1000, 0), (1050, 1), (1100, 0), (2000, 1), (2500, 0)])
        self.assertEqual(lines(run(text, 4, presses)), ["4 0 1.0", "4 0 2.5"])

    def test_what_the_library_refuses_is_an_error_of_the_program(self):
        for slip, kind in (
            ("GPIO.output(17, 1)", "RuntimeError"),
            ("GPIO.setup(99, GPIO.OUT)", "ValueError"),
            ("GPIO.setup(17, GPIO.OUT)\nGPIO.setmode(7)", "ValueError"),
        ):
            result = run(HEAD + slip)
            self.assertEqual((result.ended, result.ended_with.split(":")[0]), ("raised", kind), slip)

    def test_a_program_that_is_stopped_clears_up_where_it_says_so(self):
        loop = HEAD + "GPIO.setup(17, GPIO.OUT)\n{0}while True:\n    {1}GPIO.output(17, 1)\n    {1}time.sleep(1)\n{2}"
        plain = run(loop.format("", "", ""))
        tidy = run(loop.format("try:\n  ", "  ", "finally:\n  GPIO.cleanup()"))
        asked = run(loop.format("try:\n  ", "  ", "except KeyboardInterrupt:\n  print('bye')\n  GPIO.cleanup()"))
        self.assertEqual([plain.released, tidy.released, asked.released], [False, True, True])
        self.assertEqual(lines(asked), [])  # clearing up is no part of the run
        self.assertEqual(plain.ended_ms, 3000)


class WaitingTest(TestCase):
    LOOPS = (
        "    if time.time() - last >= 0.007:\n        last = time.time()\n        print(GPIO.input(4))",
        "    t0 = time.time()\n    start = t0\n    while GPIO.input(4) == 0 and time.time() < t0 + 0.02:\n        start = time.time()\n    print(round(start - t0, 5), round(time.time(), 4))\n    time.sleep(0.003)",
        "    n = wait()\n    print(n)\n    time.sleep(0.002)",
        "    if GPIO.input(4) and time.time() > last + 0.01:\n        last = time.time()\n        print('high', round(last, 4))",
        "    GPIO.output(17, time.time() - begun < 0.05)\n    if GPIO.input(4):\n        last = last + 1\n        time.sleep(0.001)",
    )

    def test_passing_over_what_only_waits_changes_no_result(self):
        head = (
            HEAD
            + "GPIO.setup(4, GPIO.IN)\nGPIO.setup(17, GPIO.OUT)\nbegun = last = time.time()\ndef wait():\n    since = time.time()\n    while GPIO.input(4) == 0:\n        now = time.time()\n        if now - since > 0.015:\n            return None\n    return round(now - since, 4)\nwhile True:\n"
        )
        pins = scripted(GPIO4=[(0, 0), (23.3, 1), (31, 0), (40, 1), (50.5, 0)])
        for loop in self.LOOPS:
            with self.subTest(loop):
                report = check_program(head + loop, COMPUTER)
                quick = report.run(pins, 0.06)
                with (
                    patch.object(Machine, "skip_repeats", lambda *_, **__: None),
                    patch.object(Machine, "clock_compared", lambda *_, **__: None),
                    patch.object(Machine, "wait_for_next_ms", lambda *_: None),
                ):
                    slow = report.run(pins, 0.06)
                self.assertEqual((quick.serial, quick.events), (slow.serial, slow.events))


class PartObjectsTest(TestCase):
    def test_lamps_buttons_and_their_callbacks(self):
        text = "from part_objects import LED, Button\nfrom signal import pause\nled = LED(17)\nb = Button(4)\nb.when_pressed = led.on\nb.when_released = led.off\npause()"
        result = run(text, 4, scripted(GPIO4=[(0, 1), (1000, 0), (2000, 1)]))
        self.assertEqual([(round(ms), v) for ms, _, v in result.events if ms >= 1000], [(1000, "1"), (2000, "0")])

    def test_blinking_goes_on_by_itself(self):
        result = run(
            "from part_objects import LED\nimport time\nled = LED(17)\nled.blink(0.5, 0.5)\ntime.sleep(2.2)\nled.off()",
            3,
        )
        self.assertEqual([v for _, _, v in result.events], ["0", "1", "0", "1", "0", "1", "0"])


class SmallBoardTest(TestCase):
    def test_pins_converter_and_time(self):
        text = "from machine_pins import Pin, ADC\nimport utime\na = ADC(Pin(34))\nled = Pin(18, Pin.OUT)\nfor i in range(3):\n    n = a.read()\n    led.value(n > 2000)\n    print(n, a.read_u16() // 16 == n, led.value())\n    utime.sleep_ms(500)"
        result = run(text, 3, scripted(GPIO34=[(0, 1.0), (400, 3.0)]), WIRELESS)
        counts = [int(line.split()[0]) for line in lines(result)]
        self.assertTrue(1100 < counts[0] < 1400 and 3500 < counts[1] < 4000, counts)
        self.assertEqual([line.split()[2] for line in lines(result)], ["0", "1", "1"])

    def test_timers_and_edges_call_functions(self):
        text = "from machine_pins import Pin, Timer\nimport time\ndef tick(t):\n    print('tick')\nTimer(0).init(period=400, mode=Timer.PERIODIC, callback=tick)\nb = Pin(4, Pin.IN, Pin.PULL_UP)\nb.irq(trigger=Pin.IRQ_FALLING, handler=lambda p: print('edge', p.value()))\ntime.sleep(1)"
        self.assertEqual(
            lines(run(text, 2, scripted(GPIO4=[(0, 1), (500, 0)]), WIRELESS))[:3], ["tick", "edge 0", "tick"]
        )

    def test_nobody_on_the_bus_is_an_error_that_can_be_caught(self):
        text = "from machine_pins import I2C, Pin\nbus = I2C(0, scl=Pin(22), sda=Pin(21))\nprint(bus.scan())\ntry:\n    bus.readfrom_mem(0x68, 0x3B, 2)\nexcept OSError:\n    print('nobody')"
        self.assertEqual(lines(run(text, board=WIRELESS)), ["[]", "nobody"])
