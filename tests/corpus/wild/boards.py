"""The other boards and the other dialect: 12 bits at 3.3 V, a single-board computer, a gas module, a wet probe in °F."""

from tests.corpus.wild import Fault, Wild

_GREENHOUSE = """
id: wax-room-wireless
title: Wax room, wireless
summary: A thermometer without offset on the 3.3 V board; a light above 26 °C.
board: mcu-3v3-wireless
minutes: 45
recipe:
  - {ref: U1, part: thermo-zero, title: room thermometer}
  - {ref: D1, part: led, title: room light, settings: {colour: red}}
  - {ref: R1, part: resistor, title: light resistor, settings: {value: "220"}}
variants:
  - {id: rail, title: "5 V supply", supply_volts: 5, reference: rail}
steps:
  - {name: Room, ref: U1, quantity: celsius, value: 21, dwell_seconds: 10}
  - {name: Hand, ref: U1, quantity: celsius, value: 31, dwell_seconds: 10}
behaviour:
  - {when: U1.celsius over 26, then: {D1: on}, otherwise: {D1: off}}
"""
_GREENHOUSE_WIRING = """\
board B1 mcu-3v3-wireless
base half
wire B1.5V +L
wire B1.GND -L
part U1 thermo-zero c5 c6 c7
wire a5 +L5
wire a6 B1.GPIO34
wire a7 -L7
part R1 resistor b15 b19 value=220
part D1 led anode=c19 cathode=c20 colour=red
wire a15 B1.GPIO25
wire a20 -L20
"""
_GREENHOUSE_PROGRAM = """\
const int TEMP_PIN = 34;
const int LED = 25;
void setup() {
  Serial.begin(115200);
  pinMode(LED, OUTPUT);
}
void loop() {
  int adc = analogRead(TEMP_PIN);
  float milliVolt = adc * (3300.0 / 4095.0);
  float tempC = milliVolt / 10;
  Serial.printf("Temperature: %.1f C\\n", tempC);
  digitalWrite(LED, tempC > 26);
  delay(1000);
}
"""
WAX_ROOM = Wild("twelve bits at 3.3 V", _GREENHOUSE, _GREENHOUSE_WIRING, _GREENHOUSE_PROGRAM, "Room\n" + "Temperature: 20.9 C\nTemperature: 21.0 C\nTemperature: 21.1 C\n" * 4 + "Hand\n" + "Temperature: 30.9 C\nTemperature: 31.1 C\n" * 6, (
    Fault("ten bits assumed", "program", {"4095.0": "1023.0"}, ("printed-value-out", "alarm-stays-on")),
    Fault("5 V assumed", "program", {"3300.0": "5000.0"}, ("printed-value-out", "reference-not-set", "alarm-stays-on", "alarm-at-wrong-value")),
    Fault("a pin without a converter", "program", {"TEMP_PIN = 34": "TEMP_PIN = 23"}, ("no-converter", "pin-differs-from-wiring")),
    Fault("far too high", "program", {"tempC > 26": "tempC > 36"}, ("alarm-never-on", "alarm-at-wrong-value")),
    Fault("a pin that only reads drives the light", "wiring", {"wire a15 B1.GPIO25": "wire a15 B1.GPIO35"}, ("input-only-driven", "pin-differs-from-wiring", "light-never-lit")),
    Fault("fed backwards", "wiring", {"wire a5 +L5": "wire a5 -L5", "wire a7 -L7": "wire a7 +L7"}, ("supply-reversed",)),
    Fault("ten times too warm", "log", {"Hand\n": "Hand\n" + "Temperature: 310.0 C\n" * 40}, ("out",)),
))  # fmt: skip

_DOOR = """
id: robber-gap
title: Robber gap
summary: An obstacle module at the hive gap; the single-board computer tells free and blocked and lights a light.
board: sbc-3v3
minutes: 45
recipe:
  - {ref: U1, part: obstacle, title: gap module}
  - {ref: D1, part: led, title: gap light, settings: {colour: green}}
  - {ref: R1, part: resistor, title: light resistor, settings: {value: "330"}}
steps:
  - {name: Gap free, ref: U1, quantity: cm, value: 40, dwell_seconds: 6}
  - {name: Gap blocked, ref: U1, quantity: cm, value: 4, dwell_seconds: 6}
behaviour:
  - {when: U1.cm under 10, then: {D1: on}, otherwise: {D1: off}}
"""
_DOOR_WIRING = """\
board B1 sbc-3v3
base half
wire B1.3V3 +L
wire B1.GND -L
part U1 obstacle supply=b4 ground=b5 out=b6 range=10cm
wire a4 +L4
wire a5 -L5
wire a6 B1.GPIO23
part R1 resistor c12 c16 value=330
part D1 led anode=b16 cathode=b17 colour=green
wire a12 B1.GPIO24
wire a17 -L17
"""
_DOOR_PROGRAM = """\
import board_pins as GPIO
import time

SENSOR = 23
LIGHT = 24

GPIO.setmode(GPIO.BCM)
GPIO.setup(SENSOR, GPIO.IN)
GPIO.setup(LIGHT, GPIO.OUT)

try:
    while True:
        if GPIO.input(SENSOR) == 0:
            print("blocked")
            GPIO.output(LIGHT, 1)
        else:
            print("free")
            GPIO.output(LIGHT, 0)
        time.sleep(0.5)
except KeyboardInterrupt:
    pass
finally:
    GPIO.cleanup()
"""
GAP = Wild("words in Python", _DOOR, _DOOR_WIRING, _DOOR_PROGRAM, "Gap free\n" + "free\n" * 10 + "Gap blocked\n" + "blocked\n" * 10, (
    Fault("the numbers of the header", "program", {"GPIO.setmode(GPIO.BCM)": "GPIO.setmode(GPIO.BOARD)"}, ("numbering-mixed-up", "pin-differs-from-wiring")),
    Fault("exchanged", "program", {"GPIO.input(SENSOR) == 0": "GPIO.input(SENSOR) == 1"}, ("alarm-inverted",)),
    Fault("another pin", "program", {"SENSOR = 23": "SENSOR = 22"}, ("pin-differs-from-wiring",)),
    Fault("a name in the wrong case", "program", {"GPIO.setup(SENSOR, GPIO.IN)": "GPIO.setup(SENSOR, GPIO.In)"}, ("name-miscased", "ends-with-error")),
    Fault("it runs once", "program", {"    while True:\n        if": "    for turn in range(1):\n        if"}, ("program-ends",)),
    Fault("module on 5 V", "wiring", {"wire B1.3V3 +L": "wire B1.5V +L"}, ("level-over",)),
    Fault("light without resistor", "wiring", {"part R1 resistor c12 c16 value=330\n": "wire c12 c16\n"}, ("led-no-series-resistor",)),
    Fault("free where it was blocked", "log", {"Gap blocked\n" + "blocked\n" * 10: "Gap blocked\n" + "free\n" * 10}, ("out",)),
))  # fmt: skip

_PROBE = """
id: feeder-probe-fahrenheit
title: Feeder probe in Fahrenheit
summary: A wet probe prints °C and °F; two lights above 78 °F and above 95 °F.
board: mcu-5v
minutes: 60
recipe:
  - {ref: U1, part: probe-1w, title: feeder probe}
  - {ref: R1, part: resistor, title: pull-up, settings: {value: 4k7}}
  - {ref: D1, part: led, title: warm light, settings: {colour: yellow}}
  - {ref: D2, part: led, title: hot light, settings: {colour: red}}
  - {ref: R2, part: resistor, title: warm resistor, settings: {value: "220"}}
  - {ref: R3, part: resistor, title: hot resistor, settings: {value: "220"}}
readings:
  - {name: in Celsius, ref: U1, quantity: celsius, print: celsius, decimals: 2}
  - {name: in Fahrenheit, ref: U1, quantity: celsius, print: fahrenheit, decimals: 2}
steps:
  - {name: Cellar water, ref: U1, quantity: celsius, value: 12, dwell_seconds: 12}
  - {name: Lukewarm, ref: U1, quantity: celsius, value: 30, dwell_seconds: 12}
  - {name: Hot, ref: U1, quantity: celsius, value: 42, dwell_seconds: 12}
behaviour:
  - {when: U1.fahrenheit over 78, then: {D1: on}, otherwise: {D1: off}}
  - {when: U1.fahrenheit over 95, then: {D2: on}, otherwise: {D2: off}}
"""
_PROBE_WIRING = """\
board B1 mcu-5v
base full
wire B1.5V +L
wire B1.GND -L
part U1 probe-1w supply=c5 data=c6 ground=c7
wire a5 +L5
wire a7 -L7
part R1 resistor d5 d6 value=4k7
wire a6 B1.D2
part R2 resistor b15 b19 value=220
part D1 led anode=c19 cathode=c20 colour=yellow
wire a15 B1.D8
wire a20 -L20
part R3 resistor b25 b29 value=220
part D2 led anode=c29 cathode=c30 colour=red
wire a25 B1.D9
wire a30 -L30
"""
_PROBE_PROGRAM = """\
#include <SingleWire.h>
#include <WetProbes.h>
#define WIRE_BUS 2
SingleWire wire(WIRE_BUS);
WetProbes probes(&wire);
void setup() {
  Serial.begin(9600);
  probes.begin();
  pinMode(8, OUTPUT);
  pinMode(9, OUTPUT);
}
void loop() {
  Serial.print("Requesting temperatures...");
  probes.requestTemperatures();
  Serial.println("DONE");
  float c = probes.getTempCByIndex(0);
  float f = c * 1.8 + 32;
  Serial.print("Temp C: "); Serial.print(c);
  Serial.print("  Temp F: "); Serial.println(f);
  if (f > 78) digitalWrite(8, HIGH); else digitalWrite(8, LOW);
  if (f > 95) digitalWrite(9, HIGH); else digitalWrite(9, LOW);
  delay(1000);
}
"""
_TALK = "Requesting temperatures...DONE\n"
_PROBE_LOG = "".join(
    f"{n}) {name}\n" + "".join(f"{_TALK}Temp C: {c + w:.2f}  Temp F: {(c + w) * 1.8 + 32:.2f}\n" for w in (0, 0.06, 0, -0.06, 0, 0, 0.06, 0))
    for n, (name, c) in enumerate((("Cellar water", 12.06), ("Lukewarm", 29.94), ("Hot", 42.06)), start=1)
)  # fmt: skip
PROBE = Wild("a wet probe in two units", _PROBE, _PROBE_WIRING, _PROBE_PROGRAM, _PROBE_LOG, (
    Fault("no pull-up", "wiring", {"part R1 resistor d5 d6 value=4k7\n": ""}, ("data-without-pull-up", "part-missing")),
    Fault("a far too weak pull-up", "wiring", {"d5 d6 value=4k7": "d5 d6 value=470k"}, ("pull-up-outside-window", "data-without-pull-up")),
    Fault("the library on another pin", "program", {"#define WIRE_BUS 2": "#define WIRE_BUS 3"}, ("library-on-another-pin",)),
    Fault("Celsius compared", "program", {"f > 95": "c > 95"}, ("alarm-never-on",)),
    Fault("the two lights exchanged", "program", {"if (f > 78) digitalWrite(8, HIGH); else digitalWrite(8, LOW);": "if (f > 78) digitalWrite(9, HIGH); else digitalWrite(9, LOW);", "if (f > 95) digitalWrite(9, HIGH); else digitalWrite(9, LOW);": "if (f > 95) digitalWrite(8, HIGH); else digitalWrite(8, LOW);"}, ("alarm-at-wrong-value",)),
    Fault("32 forgotten", "program", {"c * 1.8 + 32": "c * 1.8"}, ("alarm-at-wrong-value", "alarm-never-on", "printed-value-out")),
    Fault("a light turned round", "wiring", {"anode=c29 cathode=c30": "anode=c30 cathode=c29"}, ("light-reversed",)),
    Fault("a failed read for a value", "log", {"3) Hot\n": "3) Hot\n" + f"{_TALK}Temp C: -127.00  Temp F: -196.60\n" * 30}, ("out",)),
))  # fmt: skip

_GAS = """
id: smoker-room-gas
title: Smoker room gas
summary: A heated gas module prints its count; a sounder when the air is bad.
board: mcu-5v
minutes: 90
recipe:
  - {ref: U1, part: gas-heated, title: room module}
  - {ref: BZ1, part: buzzer, title: room sounder}
readings:
  - {name: gas, ref: U1, quantity: ppm, print: count}
conventions: {threshold: two-readings}
steps:
  - {name: Clean, ref: U1, quantity: ppm, value: 0, dwell_seconds: 30}
  - {name: Sample, ref: U1, quantity: ppm, value: 800, dwell_seconds: 30}
behaviour:
  - {when: U1.ppm over 200, then: {BZ1: on}, otherwise: {BZ1: off}}
"""
_GAS_WIRING = """\
board B1 mcu-5v
base half
wire B1.5V +L
wire B1.GND -L
part U1 gas-heated supply=c4 ground=c5 out=c6
wire a4 +L4
wire a5 -L5
wire a6 B1.A0
part BZ1 buzzer plus=c15 minus=c17
wire a15 B1.D8
wire a17 -L17
"""
_GAS_PROGRAM = """\
int smokeA0 = A0;
int buzzer = 8;
int sensorThres = 290;
void setup() {
  pinMode(buzzer, OUTPUT);
  pinMode(smokeA0, INPUT);
  Serial.begin(9600);
}
void loop() {
  int analogSensor = analogRead(smokeA0);
  Serial.print("Pin A0: ");
  Serial.println(analogSensor);
  if (analogSensor > sensorThres) { digitalWrite(buzzer, HIGH); }
  else { digitalWrite(buzzer, LOW); }
  delay(100);
}
"""
GAS = Wild("a gas count with a label that has a figure in it", _GAS, _GAS_WIRING, _GAS_PROGRAM, "-- Clean --\n" + "Pin A0: 102\nPin A0: 103\n" * 8 + "-- Sample --\n" + "Pin A0: 476\nPin A0: 478\n" * 8, (
    Fault("out of reach", "program", {"sensorThres = 290": "sensorThres = 900"}, ("alarm-never-on",)),
    Fault("always on", "program", {"sensorThres = 290": "sensorThres = 20"}, ("alarm-at-wrong-value", "alarm-stays-on")),
    Fault("inverted", "program", {"analogSensor > sensorThres": "analogSensor < sensorThres"}, ("alarm-inverted",)),
    Fault("another input", "program", {"smokeA0 = A0": "smokeA0 = A1"}, ("pin-differs-from-wiring",)),
    Fault("sounder turned round", "wiring", {"plus=c15 minus=c17": "plus=c17 minus=c15"}, ("sounder-reversed",)),
    Fault("no ground", "wiring", {"wire a5 -L5\n": ""}, ("ground-missing", "dangling-lead")),
    Fault("no step marked", "log", {"-- Clean --\n": "", "-- Sample --\n": "Pin A0: 300\nPin A0: 200\nPin A0: 400\n"}, ("not-judged", "incomplete", "in-limits")),
    Fault("the sample reads like clean air", "log", {"-- Sample --\n": "-- Sample --\n" + "Pin A0: 104\n" * 80}, ("out",)),
))  # fmt: skip

ALL = (WAX_ROOM, GAP, PROBE, GAS)
