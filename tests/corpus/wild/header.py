"""The single-board computer and Python on the wireless board: files of a bus, callbacks, dividers, converters."""

from tests.corpus.wild import Fault, Wild

_MIST = """
id: header-climate
title: Climate at the header
summary: The coarse module at a single-board computer; a light above 24 °C.
board: sbc-3v3
minutes: 50
recipe:
  - {ref: U1, part: climate-coarse, title: climate module}
  - {ref: D1, part: led, title: warm light, settings: {colour: red}}
  - {ref: R1, part: resistor, title: light resistor, settings: {value: "330"}}
readings:
  - {name: temperature, ref: U1, quantity: celsius, decimals: 1}
  - {name: humidity, ref: U1, quantity: percent, decimals: 1}
steps:
  - {name: Window, ref: U1, quantity: celsius, value: 17, dwell_seconds: 20, also: [{ref: U1, quantity: percent, value: 55}]}
  - {name: Hand, ref: U1, quantity: celsius, value: 30, dwell_seconds: 20, also: [{ref: U1, quantity: percent, value: 70}]}
behaviour:
  - {when: U1.celsius over 24, then: {D1: on}, otherwise: {D1: off}}
"""
_MIST_WIRING = """\
board B1 sbc-3v3
base half
wire B1.P1 +L
wire B1.P6 -L
part U1 climate-coarse supply=c4 data=c5 ground=c7
wire a4 +L4
wire a5 B1.P7
wire a7 -L7
part R1 resistor b12 b16 value=330
part D1 led anode=c16 cathode=c17 colour=red
wire a12 B1.P11
wire a17 -L17
"""
_MIST_PROGRAM = """\
import board_pins as GPIO
import climate_lib
import time

GPIO.setmode(GPIO.BOARD)
GPIO.setup(11, GPIO.OUT)
SENSOR = climate_lib.COARSE
PIN = 4          # the library counts by GPIO number

try:
    while True:
        humidity, temperature = climate_lib.read_retry(SENSOR, PIN)
        if humidity is not None and temperature is not None:
            print("Temp={0:0.1f}*C  Humidity={1:0.1f}%".format(temperature, humidity))
            GPIO.output(11, temperature > 24)
        else:
            print("Failed to get reading. Try again!")
        time.sleep(2)
except KeyboardInterrupt:
    GPIO.cleanup()
"""
MIST = Wild("both numberings in one program", _MIST, _MIST_WIRING, _MIST_PROGRAM, "Window:\n" + "Temp=17.0*C  Humidity=55.0%\n" * 8 + "Hand:\n" + "Temp=30.0*C  Humidity=71.0%\nTemp=31.0*C  Humidity=70.0%\n" * 4, (
    Fault("humidity compared", "program", {"GPIO.output(11, temperature > 24)": "GPIO.output(11, humidity > 24)"}, ("alarm-stays-on", "alarm-at-wrong-value")),
    Fault("far too high", "program", {"temperature > 24": "temperature > 40"}, ("alarm-never-on", "alarm-at-wrong-value")),
    Fault("set up as an input", "program", {"GPIO.setup(11, GPIO.OUT)": "GPIO.setup(11, GPIO.IN)"}, ("pin-mode-missing", "pin-mode-wrong", "stops-on-bench", "ends-with-error")),
    Fault("the other numbering", "program", {"GPIO.setmode(GPIO.BOARD)": "GPIO.setmode(GPIO.BCM)"}, ("numbering-mixed-up", "pin-differs-from-wiring")),
    Fault("a wrong name", "program", {"GPIO.cleanup()": "GPIO.cleanUp()"}, ("error-when-stopped",)),
    Fault("data on another pin", "wiring", {"wire a5 B1.P7": "wire a5 B1.P13"}, ("pin-differs-from-wiring", "library-on-another-pin", "stops-on-bench", "nothing-printed", "alarm-never-on")),
    Fault("fed from 5 V", "wiring", {"wire B1.P1 +L": "wire B1.P2 +L"}, ("level-over",)),
    Fault("the light's ground forgotten", "wiring", {"wire a17 -L17\n": ""}, ("dangling-lead",)),
    Fault("cold in the hand", "log", {"Hand:\n": "Hand:\n" + "Temp=12.0*C  Humidity=70.0%\n" * 40}, ("out",)),
))  # fmt: skip

_TAPE = """
id: header-range
title: Range at the header
summary: Four legs at a 3.3 V computer, the echo through a divider; a light nearer than 20 cm.
board: sbc-3v3
minutes: 60
recipe:
  - {ref: U1, part: sonar-4, title: range module}
  - {ref: R1, part: resistor, title: upper end, settings: {value: 1k}}
  - {ref: R2, part: resistor, title: lower end, settings: {value: 2k}}
  - {ref: D1, part: led, title: near light, settings: {colour: yellow}}
  - {ref: R3, part: resistor, title: light resistor, settings: {value: "470"}}
readings:
  - {name: distance, ref: U1, quantity: cm, print: centimetre, decimals: 2}
steps:
  - {name: Shelf, ref: U1, quantity: cm, value: 75, dwell_seconds: 10}
  - {name: Book, ref: U1, quantity: cm, value: 10, dwell_seconds: 10}
behaviour:
  - {when: U1.cm under 20, then: {D1: on}, otherwise: {D1: off}}
"""
_TAPE_WIRING = """\
board B1 sbc-3v3
base full
wire B1.5V +L
wire B1.GND -L
part U1 sonar-4 c10 c11 c12 c13
wire a10 +L10
wire a11 B1.GPIO18
wire a13 -L13
part R1 resistor d12 d20 value=1k
part R2 resistor e20 e25 value=2k
wire a20 B1.GPIO24
wire a25 -L25
part R3 resistor b40 b44 value=470
part D1 led anode=c44 cathode=c45 colour=yellow
wire a40 B1.GPIO25
wire a45 -L45
"""
_TAPE_PROGRAM = """\
import board_pins as GPIO
import time

GPIO.setmode(GPIO.BCM)
TRIG = 18
ECHO = 24
LED = 25
GPIO.setup(TRIG, GPIO.OUT)
GPIO.setup(ECHO, GPIO.IN)
GPIO.setup(LED, GPIO.OUT)

def distance():
    GPIO.output(TRIG, True)
    time.sleep(0.00001)
    GPIO.output(TRIG, False)
    start = time.time()
    stop = time.time()
    while GPIO.input(ECHO) == 0:
        start = time.time()
    while GPIO.input(ECHO) == 1:
        stop = time.time()
    return (stop - start) * 34300 / 2

try:
    while True:
        dist = distance()
        print("Measured Distance = %.1f cm" % dist)
        if dist < 20:
            GPIO.output(LED, True)
        else:
            GPIO.output(LED, False)
        time.sleep(1)
except KeyboardInterrupt:
    print("stopped")
    GPIO.cleanup()
"""
TAPE = Wild("an echo through a divider", _TAPE, _TAPE_WIRING, _TAPE_PROGRAM, "--- Shelf\n" + "Measured Distance = 75.1 cm\nMeasured Distance = 74.9 cm\n" * 5 + "--- Book\n" + "Measured Distance = 10.0 cm\nMeasured Distance = 10.2 cm\n" * 5 + "stopped\n", (
    Fault("not halved", "program", {"34300 / 2": "34300"}, ("echo-not-halved",)),
    Fault("metres", "program", {"34300 / 2": "343 / 2"}, ("printed-value-out", "alarm-stays-on")),
    Fault("trigger and echo exchanged", "program", {"TRIG = 18": "TRIG = 24", "ECHO = 24": "ECHO = 18"}, ("pin-differs-from-wiring",)),
    Fault("echo without its divider", "wiring", {"part R1 resistor d12 d20 value=1k\n": "wire d12 d20\n", "part R2 resistor e20 e25 value=2k\n": ""}, ("level-over",)),
    Fault("the divider turned round", "wiring", {"d20 value=1k": "d20 value=2k", "e25 value=2k": "e25 value=1k"}, ("level-too-low", "resistor-outside-window", "resistor-value-outside", "value-outside-window")),
    Fault("module at 3.3 V", "wiring", {"wire B1.5V +L": "wire B1.3V3 +L"}, ("supply-under",)),
    Fault("the light the wrong way", "program", {"dist < 20": "dist > 20"}, ("alarm-inverted",)),
    Fault("it never pauses and never tidies up", "program", {"    print(\"stopped\")\n    GPIO.cleanup()": "    print(\"stopped\")"}, ("pins-not-released",)),
    Fault("half the distance in the log", "log", {"--- Shelf\n": "--- Shelf\n" + "Measured Distance = 37.5 cm\n" * 40}, ("out",)),
))  # fmt: skip

_CALL = """
id: header-callback
title: Called by a movement
summary: A motion module calls a function of the program; a light is on while it tells of somebody.
board: sbc-3v3
minutes: 40
recipe:
  - {ref: U1, part: motion, title: motion module}
  - {ref: D1, part: led, title: light, settings: {colour: green}}
  - {ref: R1, part: resistor, title: light resistor, settings: {value: "220"}}
steps:
  - {name: Empty room, ref: U1, quantity: motion, value: 0, dwell_seconds: 15}
  - {name: Waving, ref: U1, quantity: motion, value: 1, dwell_seconds: 15}
behaviour:
  - {when: U1.motion over 0.5, then: {D1: on}, otherwise: {D1: off}}
"""
_CALL_WIRING = """\
board B1 sbc-3v3
base half
part U1 motion f8 f9 f10
wire j8 B1.5V
wire j9 B1.GPIO17
wire j10 B1.GND
part R1 resistor c20 c24 value=220
part D1 led anode=d24 cathode=d25 colour=green
wire a20 B1.GPIO27
wire a25 B1.GND
"""
_CALL_PROGRAM = """\
from board_pins_easy import MotionSensor, LED
from signal import pause

pir = MotionSensor(17)
led = LED(27)

def seen():
    print("Motion!")
    led.on()

def gone():
    print("No motion")
    led.off()

pir.when_motion = seen
pir.when_no_motion = gone
pause()
"""
CALL = Wild("functions that are called", _CALL, _CALL_WIRING, _CALL_PROGRAM, "[Empty room]\n[Waving]\nMotion!\n", (
    Fault("the two exchanged", "program", {"pir.when_motion = seen": "pir.when_motion = gone", "pir.when_no_motion = gone": "pir.when_no_motion = seen"}, ("alarm-inverted", "alarm-never-on")),
    Fault("called at once", "program", {"pir.when_motion = seen": "pir.when_motion = seen()"}, ("alarm-inverted", "alarm-stays-on", "called-not-named", "handler-called", "alarm-at-wrong-value", "alarm-never-on")),
    Fault("another pin", "program", {"MotionSensor(17)": "MotionSensor(18)"}, ("pin-differs-from-wiring",)),
    Fault("it ends at once", "program", {"pause()\n": ""}, ("program-ends",)),
    Fault("a name in another case", "program", {"led = LED(27)": "led = Led(27)"}, ("name-undeclared", "ends-with-error", "name-miscased")),
    Fault("module at 3.3 V", "wiring", {"wire j8 B1.5V": "wire j8 B1.3V3"}, ("supply-under",)),
    Fault("no resistor at the light", "wiring", {"part R1 resistor c20 c24 value=220\n": "wire c20 c24\n"}, ("led-no-series-resistor",)),
    Fault("motion in the empty room", "log", {"[Empty room]\n": "[Empty room]\nMotion!\nMotion!\nMotion!\n"}, ("out",)),
))  # fmt: skip

_COUNTS = """
id: wireless-python-light
title: Light in Python
summary: A light cell at the wireless board in Python; the count is printed, a light in the dark.
board: mcu-3v3-wireless
minutes: 45
recipe:
  - {ref: LC1, part: light-cell, title: window cell}
  - {ref: R1, part: resistor, title: upper end, settings: {value: 10k}}
  - {ref: D1, part: led, title: dark light, settings: {colour: white}}
  - {ref: R2, part: resistor, title: light resistor, settings: {value: "100"}}
readings:
  - {name: light, ref: LC1, quantity: lux, print: count}
conventions: {threshold: two-readings}
steps:
  - {name: Lamp on, ref: LC1, quantity: lux, value: 300, dwell_seconds: 8}
  - {name: Lamp off, ref: LC1, quantity: lux, value: 5, dwell_seconds: 8}
behaviour:
  - {when: LC1.lux under 50, then: {D1: on}, otherwise: {D1: off}}
"""
_COUNTS_WIRING = """\
board B1 mcu-3v3-wireless
base full
wire B1.3V3 +L
wire B1.GND -L
part R1 resistor b10 b14 value=10k
wire a10 +L10
part LC1 light-cell c14 c18
wire a18 -L18
wire a14 B1.GPIO36
part R2 resistor b40 b44 value=100
part D1 led anode=c44 cathode=c45 colour=white
wire a40 B1.GPIO26
wire a45 -L45
"""
_COUNTS_PROGRAM = """\
from machine import Pin, ADC
from time import sleep

cell = ADC(Pin(36))
cell.atten(ADC.ATTN_11DB)
led = Pin(26, Pin.OUT)

while True:
    value = cell.read()
    print("light:", value)
    if value > 2200:
        led.value(1)
    else:
        led.value(0)
    sleep(0.5)
"""
COUNTS = Wild("dark reads high", _COUNTS, _COUNTS_WIRING, _COUNTS_PROGRAM, "now: Lamp on\n" + "light: 417\nlight: 420\n" * 8 + "now: Lamp off\n" + "light: 2710\nlight: 2706\n" * 8, (
    Fault("inverted", "program", {"value > 2200": "value < 2200"}, ("alarm-inverted",)),
    Fault("a pin without a converter", "program", {"ADC(Pin(36))": "ADC(Pin(22))"}, ("no-converter", "stops-on-bench", "ends-with-error", "pin-differs-from-wiring")),
    Fault("another analogue pin", "program", {"ADC(Pin(36))": "ADC(Pin(39))"}, ("pin-differs-from-wiring",)),
    Fault("never switched off", "program", {"    else:\n        led.value(0)\n": ""}, ("never-switched-off", "alarm-stays-on")),
    Fault("divider fed from 5 V", "wiring", {"wire B1.3V3 +L": "wire B1.5V +L"}, ("level-over",)),
    Fault("the cell left out", "wiring", {"part LC1 light-cell c14 c18\n": ""}, ("part-missing",)),
    Fault("an indent too far", "program", {"    sleep(0.5)": "      sleep(0.5)"}, ("syntax", "indentation")),
    Fault("dark and lit exchanged in the log", "log", {"now: Lamp off\n": "now: Lamp off\n" + "light: 300\n" * 60}, ("out",)),
))  # fmt: skip

_PRESS = """
id: wireless-pressure
title: Weather on the wireless board
summary: Pressure and temperature over the two-wire bus in the C++ dialect; one line each second.
board: mcu-3v3-wireless
minutes: 45
recipe:
  - {ref: U1, part: baro, title: weather module}
readings:
  - {name: temperature, ref: U1, quantity: celsius}
  - {name: pressure, ref: U1, quantity: hpa}
conventions: {baud: 115200}
steps:
  - {name: Ground floor, ref: U1, quantity: hpa, value: 1012, dwell_seconds: 10, also: [{ref: U1, quantity: celsius, value: 20}]}
  - {name: Attic, ref: U1, quantity: hpa, value: 1010, dwell_seconds: 10, also: [{ref: U1, quantity: celsius, value: 24}]}
"""
_PRESS_WIRING = """\
board B1 mcu-3v3-wireless
base full
part U1 baro supply=c10 ground=c11 scl=c12 sda=c13 select=c14 pad=c15
wire a10 B1.3V3
wire a11 B1.GND
wire a12 B1.GPIO22
wire a13 B1.GPIO21
"""
_PRESS_PROGRAM = """\
#include <Wire.h>
#include <WeatherModule.h>
WeatherModule bme;

void setup() {
  Serial.begin(115200);
  if (!bme.begin(0x76)) {
    Serial.println("Could not find the module, check wiring!");
    while (1);
  }
}

void loop() {
  Serial.print("Temperature = ");
  Serial.print(bme.readTemperature());
  Serial.println(" *C");
  Serial.print("Pressure = ");
  Serial.print(bme.readPressure() / 100.0F);
  Serial.println(" hPa");
  Serial.println();
  delay(1000);
}
"""
PRESS = Wild("several lines a reading, six legs", _PRESS, _PRESS_WIRING, _PRESS_PROGRAM, "Ground floor\n" + "Temperature = 20.01 *C\nPressure = 1012.10 hPa\n\n" * 8 + "Attic\n" + "Temperature = 24.02 *C\nPressure = 1009.90 hPa\n\n" * 8, (
    Fault("clock and data exchanged", "wiring", {"wire a12 B1.GPIO22": "wire a12 B1.GPIO21", "wire a13 B1.GPIO21": "wire a13 B1.GPIO22"}, ("bus-swapped",)),
    Fault("fed with 5 V", "wiring", {"wire a10 B1.3V3": "wire a10 B1.5V"}, ("supply-over", "level-over", "supply-over-maximum")),
    Fault("pascal printed as hPa", "program", {" / 100.0F": ""}, ("printed-value-out",)),
    Fault("an address of another module", "program", {"begin(0x76)": "begin(0x57)"}, ("library-told-another-address",)),
    Fault("never begun", "program", {"if (!bme.begin(0x76)) {": "if (false) {"}, ("module-not-begun",)),
    Fault("another baud rate", "program", {"115200": "9600"}, ("baud-differs",)),
    Fault("no ground", "wiring", {"wire a11 B1.GND\n": ""}, ("ground-missing", "dangling-lead")),
    Fault("pressure of another place", "log", {"Attic\n": "Attic\n" + "Temperature = 24.02 *C\nPressure = 910.00 hPa\n\n" * 40}, ("out",)),
    Fault("temperature in °F", "log", {"Attic\n": "Attic\n" + "Temperature = 75.20 *C\nPressure = 1010.00 hPa\n\n" * 40}, ("out",)),
))  # fmt: skip

ALL = (MIST, TAPE, CALL, COUNTS, PRESS)
