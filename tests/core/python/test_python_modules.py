"""What Python programs import besides pins by number: part objects, pins as objects, timers, buses, clocks, switched pins."""

from unittest import TestCase

from tests.core.python.test_python_boards import HEAD, WIRELESS, lines, run, scripted
from verifex.core.program import RunResult

PARTS = "from part_objects import LED, PWMLED, Button, Buzzer, MotionSensor, DistanceSensor\nimport time\n"
SMALL = "from machine_pins import Pin, ADC, PWM, Timer, I2C, SMBus, time_pulse_us\nimport time\n"


def levels(result: RunResult, pin: str) -> list[str]:
    return [value for _, name, value in result.events if name == pin]


def on_small(text: str, seconds: float = 3, **pins: list[tuple[float, float]]) -> RunResult:
    return run(SMALL + text, seconds, scripted(**pins), WIRELESS)


def with_parts(text: str, pins: dict[str, list[tuple[float, float]]] | None = None) -> RunResult:
    return run(PARTS + text, 3, scripted(**(pins or {})))


class LampObjectsTest(TestCase):
    def test_a_lamp_is_switched_toggled_and_asked(self):
        result = with_parts(
            "led = LED(17)\nled.on()\nprint(led.value, led.is_lit)\nled.toggle()\nprint(led.value, led.is_lit)\n"
            "led.toggle()\nled.value = 0\nprint(led.is_active)\nled.close()"
        )
        self.assertEqual(lines(result), ["1 True", "0 False", "False"])
        self.assertEqual(levels(result, "GPIO17")[-4:], ["1", "0", "1", "0"])

    def test_one_that_is_on_when_its_pin_is_low(self):
        result = with_parts("led = LED(17, active_high=False)\nled.on()\ntime.sleep(1)\nled.off()\ntime.sleep(1)")
        self.assertEqual(levels(result, "GPIO17")[-2:], ["0", "1"])

    def test_a_dimmed_lamp_takes_shares_from_0_to_1_and_nothing_else(self):
        result = with_parts("led = PWMLED(18)\nled.value = 0.5\ntime.sleep(1)\nled.value = 1\ntime.sleep(1)")
        self.assertEqual(levels(result, "GPIO18")[-2:], ["pwm:128", "1"])
        refused = with_parts("led = PWMLED(18)\nled.value = 1.5")
        self.assertEqual((refused.ended, refused.ended_with.split(":")[0]), ("raised", "ValueError"))

    def test_blinking_a_number_of_times_then_rest_also_in_the_foreground(self):
        times = with_parts("led = LED(17)\nled.blink(0.2, 0.2, n=2)\ntime.sleep(2.5)")
        self.assertEqual(levels(times, "GPIO17"), ["0", "1", "0", "1", "0"])
        beside = with_parts(
            "b = Buzzer(17)\nb.beep(0.2, 0.3, n=2, background=False)\nprint(round(time.monotonic(), 1))"
        )
        self.assertEqual(lines(beside), ["1.0"])

    def test_another_word_ends_the_blinking(self):
        result = with_parts("led = LED(17)\nled.blink(0.5, 0.5)\ntime.sleep(0.7)\nled.on()\ntime.sleep(2)")
        self.assertEqual([(round(ms), v) for ms, _, v in result.events if ms > 100], [(500, "0"), (700, "1")])


class InputObjectsTest(TestCase):
    PRESSED = {"GPIO4": [(0.0, 1.0), (500.0, 0.0), (900.0, 1.0)]}

    def test_waiting_for_a_press_and_for_its_end(self):
        text = "b = Button(4)\nprint(b.is_pressed)\nb.wait_for_press()\nprint(round(time.monotonic(), 1), b.value)\nb.wait_for_release()\nprint(round(time.monotonic(), 1))"
        self.assertEqual(lines(with_parts(text, self.PRESSED)), ["False", "0.5 1", "0.9"])

    def test_a_wait_that_ends_by_its_time(self):
        self.assertEqual(
            lines(with_parts("b = Button(4)\nprint(b.wait_for_press(timeout=0.3), round(time.monotonic(), 1))")),
            ["False 0.3"],
        )

    def test_what_is_called_is_given_the_object_where_it_takes_one(self):
        text = "b = Button(4)\ndef told(which):\n    print(which is b)\nb.when_pressed = told\nb.when_released = lambda: print('up')\ntime.sleep(2)"
        self.assertEqual(lines(with_parts(text, self.PRESSED)), ["True", "up"])

    def test_another_function_takes_the_place_of_the_first_and_none_takes_it_away(self):
        text = "b = Button(4)\nb.when_pressed = lambda: print('old')\nb.when_released = lambda: print('up')\nb.when_pressed = {0}\ntime.sleep(2)"
        self.assertEqual(lines(with_parts(text.format("lambda: print('new')"), self.PRESSED)), ["new", "up"])
        self.assertEqual(lines(with_parts(text.format("None"), self.PRESSED)), ["up"])

    def test_a_motion_module_drives_its_pin_high(self):
        text = "m = MotionSensor(4)\nm.wait_for_motion()\nprint(m.motion_detected, round(time.monotonic(), 1))"
        self.assertEqual(lines(with_parts(text, {"GPIO4": [(0, 0), (700, 1)]})), ["True 0.7"])

    def test_a_range_module_that_hears_nothing_says_its_farthest(self):
        self.assertEqual(
            lines(with_parts("d = DistanceSensor(24, 23, max_distance=2)\nprint(d.distance, d.value)")), ["2 1.0"]
        )


class PinObjectsTest(TestCase):
    def test_a_pin_is_written_read_toggled_and_set_anew(self):
        text = (
            "p = Pin(18, Pin.OUT, value=1)\nprint(p.value(), p())\np.off()\nprint(p.value())\np.toggle()\nprint(p.value())\n"
            "p.init(Pin.IN, Pin.PULL_UP)\nprint(p.value())"
        )
        self.assertEqual(lines(on_small(text)), ["1 1", "0", "1", "1"])

    def test_a_converter_counts_12_bits_and_says_16(self):
        text = "a = ADC(Pin(34))\na.atten(ADC.ATTN_11DB)\nprint(a.read(), a.read_u16(), round(a.read_uv() / 1e6, 2))"
        [said] = lines(on_small(text, GPIO34=[(0, 1.65)]))
        count, wide, volts = said.split()
        self.assertAlmostEqual(int(count), 2047, delta=140)
        self.assertAlmostEqual(int(wide) / 16, int(count), delta=1)
        self.assertAlmostEqual(float(volts), 1.65, delta=0.12)

    def test_a_pin_switched_fast_is_told_its_share_in_either_count(self):
        text = "p = PWM(Pin(18), freq=1000)\np.duty(512)\nprint(p.duty(), p.freq())\np.duty_u16(16384)\nprint(p.duty_u16())\np.freq(50)\nprint(p.freq())\np.deinit()"
        result = on_small(text)
        self.assertEqual(lines(result), ["512 1000", "16384", "50"])
        self.assertEqual(levels(result, "GPIO18"), ["pwm:128", "pwm:64", "0"])
        refused = on_small("PWM(Pin(18)).freq(0)")
        self.assertEqual(refused.ended_with.split(":")[0], "ValueError")

    def test_a_timer_calls_once_or_again_until_it_is_stopped(self):
        once = (
            "t = Timer(0)\nt.init(period=300, mode=Timer.ONE_SHOT, callback=lambda t: print('once'))\ntime.sleep(1.5)"
        )
        self.assertEqual(lines(on_small(once)), ["once"])
        again = "n = 0\ndef tick(t):\n    global n\n    n += 1\n    if n == 3:\n        t.deinit()\nt = Timer(0, period=100, callback=tick)\ntime.sleep(2)\nprint(n)"
        self.assertEqual(lines(on_small(again)), ["3"])
        fast = "n = []\nt = Timer(1)\nt.init(freq=10, callback=lambda t: n.append(1))\ntime.sleep(1.05)\nprint(len(n))"
        self.assertEqual(lines(on_small(fast)), ["10"])

    def test_nobody_sends_a_pulse(self):
        self.assertEqual(lines(on_small("print(time_pulse_us(Pin(5, Pin.IN), 1, 30000))")), ["-1"])

    def test_a_pin_that_the_board_does_not_have_is_an_error_of_the_program(self):
        result = on_small("Pin(77, Pin.OUT)")
        self.assertEqual(result.ended_with.split(":")[0], "ValueError")

    def test_nobody_answers_on_an_empty_bus_whatever_is_asked(self):
        asked = (
            "bus.writeto(0x76, b'\\x01')", "bus.readfrom(0x76, 2)", "bus.writeto_mem(0x76, 1, b'\\x02')", "bus.readfrom_mem(0x76, 1, 2)",
        )  # fmt: skip
        for act in asked:
            text = f"bus = I2C(0, scl=Pin(22), sda=Pin(21), freq=100000)\ntry:\n    {act}\nexcept OSError:\n    print('nobody')"
            self.assertEqual(lines(on_small(text)), ["nobody"], act)
        numbered = (
            "read_byte_data(0x76, 1)",
            "read_word_data(0x76, 1)",
            "read_i2c_block_data(0x76, 1, 2)",
            "write_byte_data(0x76, 1, 2)",
        )
        for act in numbered:
            text = f"bus = SMBus(1)\ntry:\n    bus.{act}\nexcept OSError:\n    print('nobody')\nbus.close()"
            self.assertEqual(lines(run(SMALL + text)), ["nobody"], act)


class SwitchedPinsTest(TestCase):
    """Pins by functions and numbers: dimming, edges waited for, clearing up."""

    def test_a_dimmed_pin_begins_changes_and_stops(self):
        text = "GPIO.setup(18, GPIO.OUT)\np = GPIO.PWM(18, 100)\np.start(50)\ntime.sleep(0.1)\np.ChangeDutyCycle(25)\ntime.sleep(0.1)\np.ChangeFrequency(50)\np.stop()"
        self.assertEqual(levels(run(HEAD + text), "GPIO18")[-3:], ["pwm:128", "pwm:64", "0"])
        for slip in ("p.ChangeDutyCycle(101)", "p.ChangeFrequency(0)"):
            result = run(HEAD + f"GPIO.setup(18, GPIO.OUT)\np = GPIO.PWM(18, 100)\np.start(50)\n{slip}")
            self.assertEqual(result.ended_with.split(":")[0], "ValueError", slip)

    def test_an_edge_is_waited_for_at_most_so_long(self):
        text = (
            "GPIO.setup(4, GPIO.IN)\nprint(GPIO.wait_for_edge(4, GPIO.{0}, timeout=1500), round(time.monotonic(), 1))"
        )
        pins = scripted(GPIO4=[(0, 0), (400, 1), (800, 0)])
        for edge, said in (("RISING", "4 0.4"), ("FALLING", "4 0.8"), ("BOTH", "4 0.4")):
            self.assertEqual(lines(run(HEAD + text.format(edge), pins=pins)), [said], edge)
        self.assertEqual(lines(run(HEAD + text.format("RISING"))), ["None 1.5"])

    def test_an_edge_that_was_seen_is_told_once(self):
        text = "GPIO.setup(4, GPIO.IN)\nGPIO.add_event_detect(4, GPIO.RISING)\ntime.sleep(1)\nprint(GPIO.event_detected(4), GPIO.event_detected(4))"
        self.assertEqual(lines(run(HEAD + text, pins=scripted(GPIO4=[(0, 0), (400, 1)]))), ["True False"])

    def test_what_is_not_set_up_cannot_be_read_nor_watched(self):
        for slip in ("GPIO.input(4)", "GPIO.add_event_detect(4, GPIO.RISING)"):
            self.assertEqual(run(HEAD + slip).ended_with.split(":")[0], "RuntimeError", slip)

    def test_clearing_up_one_channel_leaves_the_others(self):
        result = run(
            HEAD
            + "GPIO.setup([17, 27], GPIO.OUT)\nGPIO.output([17, 27], 1)\nGPIO.cleanup(17)\nGPIO.output(27, 0)\ntime.sleep(1)"
        )
        self.assertEqual((result.ended, result.released), ("finished", True))
        self.assertEqual(levels(result, "GPIO27")[-1], "0")


class ClocksTest(TestCase):
    def test_time_goes_on_by_what_is_waited_for(self):
        text = "a = time.monotonic()\ntime.sleep(0.25)\nprint(round(time.monotonic() - a, 2))\na = time.time()\ntime.sleep(0.5)\nprint(round(time.time() - a, 2))"
        self.assertEqual(lines(run("import time\n" + text)), ["0.25", "0.5"])

    def test_ticks_are_whole_and_their_difference_survives_the_wrap(self):
        text = "a = time.ticks_ms()\ntime.sleep_ms(250)\nprint(time.ticks_diff(time.ticks_ms(), a) in (250, 251))\nprint(time.ticks_diff(time.ticks_add(0, -5), 0), time.ticks_diff(3, time.ticks_add(0, -2)))"
        self.assertEqual(lines(on_small(text)), ["True", "-5 5"])

    def test_a_time_to_sleep_is_not_negative(self):
        self.assertEqual(run("import time\ntime.sleep(-1)").ended_with.split(":")[0], "ValueError")

    def test_the_time_of_day_is_written_in_a_form(self):
        text = "from datetime import datetime\nimport time\na = datetime.now()\ntime.sleep(2)\nb = datetime.now()\nprint((b.second - a.second) % 60, len(a.strftime('%H:%M:%S')), 0 <= a.hour < 24, f'{a:%H}' == a.strftime('%H'), len(time.strftime('%Y')))"
        self.assertEqual(lines(run(text, 4)), ["2 8 True True 4"])

    def test_chance_is_the_same_in_every_run(self):
        text = "import random\nprint(random.randint(1, 6), random.choice([1, 2, 3]), round(random.random(), 3), random.uniform(2, 3) < 3)\nx = [1, 2, 3]\nrandom.shuffle(x)\nprint(sorted(x), random.randrange(0, 10, 5) in (0, 5))"
        self.assertEqual(lines(run(text)), lines(run(text)))
        again = "import random\nrandom.seed(3)\na = random.random()\nrandom.seed(3)\nprint(a == random.random())"
        self.assertEqual(lines(run(again)), ["True"])

    def test_a_choice_from_nothing_is_an_error_of_the_program(self):
        self.assertEqual(run("import random\nrandom.choice([])").ended_with.split(":")[0], "IndexError")
