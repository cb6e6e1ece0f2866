"""Damp, light, water, gas and tilt: libraries with a type, feed pins, dividers, axes on a scale."""

from tests.corpus.wild import Fault, Wild

_CELLAR = """
id: cellar-climate
title: Cellar climate
summary: Humidity and temperature of the honey cellar in one line; a light above 60 percent.
board: mcu-5v
minutes: 60
recipe:
  - {ref: U1, part: climate-coarse, title: cellar module}
  - {ref: R1, part: resistor, title: pull-up, settings: {value: 10k}}
  - {ref: D1, part: led, title: damp light, settings: {colour: yellow}}
  - {ref: R2, part: resistor, title: light resistor, settings: {value: "330"}}
readings:
  - {name: humidity, ref: U1, quantity: percent}
  - {name: temperature, ref: U1, quantity: celsius}
steps:
  - {name: As found, ref: U1, quantity: percent, value: 45, dwell_seconds: 20, also: [{ref: U1, quantity: celsius, value: 21}]}
  - {name: Damp cloth, ref: U1, quantity: percent, value: 80, dwell_seconds: 20, also: [{ref: U1, quantity: celsius, value: 21}]}
behaviour:
  - {when: U1.percent over 60, then: {D1: on}, otherwise: {D1: off}}
"""
_CELLAR_WIRING = """\
board B1 mcu-5v
base half
wire B1.5V +L
wire B1.GND -L
part U1 climate-coarse supply=c3 data=c4 ground=c6
wire a3 +L3
wire a6 -L6
part R1 resistor d4 d10 value=10k
wire a10 +L10
wire a4 B1.D2
part R2 resistor b15 b19 value=330
part D1 led anode=c19 cathode=c20 colour=yellow
wire a15 B1.D6
wire a20 -L20
"""
_CELLAR_PROGRAM = """\
#include "SomeClimate.h"
#define CLIMATEPIN 2
#define CLIMATETYPE CLIMATE11
SomeClimate climate(CLIMATEPIN, CLIMATETYPE);

void setup() {
  Serial.begin(9600);
  Serial.println("climate test");
  climate.begin();
  pinMode(6, OUTPUT);
}

void loop() {
  delay(2000);
  float h = climate.readHumidity();
  float t = climate.readTemperature();
  if (isnan(h) || isnan(t)) {
    Serial.println("Failed to read from the sensor!");
    return;
  }
  Serial.print("Humidity: ");
  Serial.print(h);
  Serial.print(" %\\t");
  Serial.print("Temperature: ");
  Serial.print(t);
  Serial.println(" *C ");
  if (h > 60) digitalWrite(6, HIGH);
  else digitalWrite(6, LOW);
}
"""
_CELLAR_LOG = (
    "climate test\n>>> As found\n" + "Humidity: 45.00 %\tTemperature: 21.00 *C \n" * 6 + "Humidity: 46.00 %\tTemperature: 21.00 *C \n" * 4
    + ">>> Damp cloth\n" + "Humidity: 79.00 %\tTemperature: 21.00 *C \n" * 5 + "Humidity: 81.00 %\tTemperature: 21.00 *C \n" * 5
)  # fmt: skip
CELLAR = Wild("a library with a type", _CELLAR, _CELLAR_WIRING, _CELLAR_PROGRAM, _CELLAR_LOG, (
    Fault("the library on another pin", "program", {"#define CLIMATEPIN 2": "#define CLIMATEPIN 3"}, ("library-on-another-pin",)),
    Fault("a far too high threshold", "program", {"h > 60": "h > 85"}, ("alarm-never-on", "alarm-at-wrong-value")),
    Fault("the temperature compared", "program", {"h > 60": "t > 60"}, ("alarm-never-on",)),
    Fault("read far too often", "program", {"delay(2000);": "delay(50);"}, ("module-read-too-often", "prints-without-pause")),
    Fault("the object in the wrong case", "program", {"climate.readHumidity()": "Climate.readHumidity()"}, ("name-miscased", "name-undeclared")),
    Fault("data and ground exchanged", "wiring", {"data=c4 ground=c6": "data=c6 ground=c4"}, ("supply-reversed", "ground-missing", "dangling-lead", "supply-missing", "function-not-built", "pin-differs-from-wiring", "output-tied-to-ground")),
    Fault("no pull-up", "wiring", {"part R1 resistor d4 d10 value=10k\nwire a10 +L10\n": ""}, ("data-without-pull-up", "part-missing")),
    Fault("supply lead forgotten", "wiring", {"wire a3 +L3\n": ""}, ("supply-missing", "dangling-lead")),
    Fault("humidity wrong in the log", "log", {">>> Damp cloth\n": ">>> Damp cloth\n" + "Humidity: 20.00 %\tTemperature: 21.00 *C \n" * 40}, ("out",)),
    Fault("temperature wrong in the log", "log", {">>> Damp cloth\n": ">>> Damp cloth\n" + "Humidity: 80.00 %\tTemperature: 69.80 *C \n" * 40}, ("out",)),
))  # fmt: skip

_TANK = """
id: tank-strip
title: Tank strip
summary: A water strip that is fed only while it is read; two lights for low and full.
board: mcu-5v
minutes: 60
recipe:
  - {ref: U1, part: water-strip, title: tank strip}
  - {ref: D1, part: led, title: full light, settings: {colour: blue}}
  - {ref: R1, part: resistor, title: light resistor, settings: {value: "220"}}
readings:
  - {name: level, ref: U1, quantity: percent, print: count}
conventions: {threshold: two-readings}
steps:
  - {name: Dry, ref: U1, quantity: percent, value: 0, dwell_seconds: 10}
  - {name: Half in, ref: U1, quantity: percent, value: 50, dwell_seconds: 10}
behaviour:
  - {when: U1.percent over 20, then: {D1: on}, otherwise: {D1: off}}
"""
_TANK_WIRING = """\
board B1 mcu-5v
base half
part U1 water-strip supply=b3 out=b4 ground=b5
wire a3 B1.D7
wire a4 B1.A0
wire a5 -L5
wire B1.GND -L1
part R1 resistor c12 c16 value=220
part D1 led anode=b16 cathode=b17 colour=blue
wire a12 B1.D3
wire a17 -L17
"""
_TANK_PROGRAM = """\
#define sensorPower 7
#define sensorPin A0
int val = 0;

void setup() {
  pinMode(sensorPower, OUTPUT);
  digitalWrite(sensorPower, LOW);
  pinMode(3, OUTPUT);
  Serial.begin(9600);
}

void loop() {
  int level = readSensor();
  Serial.print("Water level: ");
  Serial.println(level);
  if (level > 240) digitalWrite(3, HIGH); else digitalWrite(3, LOW);
  delay(1000);
}

int readSensor() {
  digitalWrite(sensorPower, HIGH);
  delay(10);
  val = analogRead(sensorPin);
  digitalWrite(sensorPower, LOW);
  return val;
}
"""
TANK = Wild("a strip with a feed pin", _TANK, _TANK_WIRING, _TANK_PROGRAM, "Dry\n" + "Water level: 0\n" * 9 + "Half in\n" + "Water level: 595\nWater level: 597\nWater level: 596\n" * 4, (
    Fault("the strip fed all the time", "wiring", {"wire a3 B1.D7": "wire a3 B1.5V"}, ("water-strip-fed", "pin-differs-from-wiring")),
    Fault("the feed never switched off", "program", {"val = analogRead(sensorPin);\n  digitalWrite(sensorPower, LOW);": "val = analogRead(sensorPin);"}, ("strip-fed-all-the-time",)),
    Fault("never fed", "program", {"digitalWrite(sensorPower, HIGH);": "digitalWrite(sensorPower, LOW);"}, ("alarm-never-on", "printed-value-out")),
    Fault("another input read", "program", {"#define sensorPin A0": "#define sensorPin A1"}, ("pin-differs-from-wiring",)),
    Fault("a threshold that is never met", "program", {"level > 240": "level > 900"}, ("alarm-never-on",)),
    Fault("the ground lead left out", "wiring", {"wire a5 -L5\n": ""}, ("ground-missing", "dangling-lead")),
    Fault("dry where it is wet", "log", {"Half in\n": "Half in\n" + "Water level: 3\n" * 40}, ("out",)),
))  # fmt: skip

_TILT = """
id: smoker-tilt
title: Smoker tilt
summary: A six-axis module on the smoker prints its axes on a scale of 0 to 255.
board: mcu-5v
minutes: 60
recipe:
  - {ref: U1, part: motion-6, title: smoker module}
readings:
  - {name: x, ref: U1, quantity: gx, print: scaled}
  - {name: y, ref: U1, quantity: gy, print: scaled}
  - {name: z, ref: U1, quantity: gz, print: scaled}
steps:
  - {name: Standing, ref: U1, quantity: gx, value: 0, dwell_seconds: 5, also: [{ref: U1, quantity: gy, value: 0}, {ref: U1, quantity: gz, value: 1}]}
  - {name: On its side, ref: U1, quantity: gx, value: 1, dwell_seconds: 5, also: [{ref: U1, quantity: gy, value: 0}, {ref: U1, quantity: gz, value: 0}]}
"""
_TILT_WIRING = """\
board B1 mcu-5v
base half
part U1 motion-6 supply=c3 ground=c4 scl=c5 sda=c6
wire a3 B1.5V red
wire a4 B1.GND black
wire a5 B1.A5 yellow
wire a6 B1.A4 green
"""
_TILT_PROGRAM = """\
#include <Wire.h>
const int MODULE = 0x68;
int16_t AcX, AcY, AcZ;
void setup() {
  Wire.begin();
  Wire.beginTransmission(MODULE);
  Wire.write(0x6B);
  Wire.write(0);
  Wire.endTransmission(true);
  Serial.begin(9600);
}
void loop() {
  Wire.beginTransmission(MODULE);
  Wire.write(0x3B);
  Wire.endTransmission(false);
  Wire.requestFrom(MODULE, 6, true);
  AcX = Wire.read() << 8 | Wire.read();
  AcY = Wire.read() << 8 | Wire.read();
  AcZ = Wire.read() << 8 | Wire.read();
  int x = map(AcX, -16384, 16384, 0, 255);
  int y = map(AcY, -16384, 16384, 0, 255);
  int z = map(AcZ, -16384, 16384, 0, 255);
  Serial.print("X = "); Serial.print(x);
  Serial.print(" Y = "); Serial.print(y);
  Serial.print(" Z = "); Serial.println(z);
  delay(333);
}
"""
TILT = Wild("three axes on a scale", _TILT, _TILT_WIRING, _TILT_PROGRAM, "[Standing]\n" + "X = 127 Y = 127 Z = 250\nX = 126 Y = 128 Z = 252\n" * 5 + "[On its side]\n" + "X = 251 Y = 127 Z = 129\nX = 253 Y = 126 Z = 126\n" * 5, (
    Fault("another address", "program", {"MODULE = 0x68": "MODULE = 0x69"}, ("address-differs", "pin-differs-from-wiring", "printed-value-out", "no-answer-on-bus", "bus-address-differs")),
    Fault("the bus crossed", "wiring", {"wire a5 B1.A5 yellow": "wire a5 B1.A4 yellow", "wire a6 B1.A4 green": "wire a6 B1.A5 green"}, ("bus-swapped",)),
    Fault("bus on two other pins", "wiring", {"wire a5 B1.A5 yellow": "wire a5 B1.D5 yellow", "wire a6 B1.A4 green": "wire a6 B1.D4 green"}, ("bus-elsewhere",)),
    Fault("no supply", "wiring", {"wire a3 B1.5V red\n": ""}, ("supply-missing", "dangling-lead")),
    Fault("the include left out", "program", {"#include <Wire.h>\n": ""}, ("include-missing",)),
    Fault("y wrong in the log", "log", {"[On its side]\n": "[On its side]\n" + "X = 252 Y = 20 Z = 127\n" * 30}, ("out",)),
))  # fmt: skip

_SHADE = """
id: flight-board-shade
title: Flight-board shade
summary: A light cell at the flight board prints raw values; a light when it is dark.
board: mcu-5v-compact
minutes: 45
recipe:
  - {ref: LC1, part: light-cell, title: board cell}
  - {ref: R1, part: resistor, title: divider resistor, settings: {value: 10k}}
  - {ref: D1, part: led, title: dusk light, settings: {colour: white}}
  - {ref: R2, part: resistor, title: light resistor, settings: {value: "220"}}
readings:
  - {name: light, ref: LC1, quantity: lux, print: count}
conventions: {threshold: two-readings}
steps:
  - {name: Covered, ref: LC1, quantity: lux, value: 3, dwell_seconds: 6}
  - {name: Open, ref: LC1, quantity: lux, value: 300, dwell_seconds: 6}
behaviour:
  - {when: LC1.lux under 30, then: {D1: on}, otherwise: {D1: off}}
"""
_SHADE_WIRING = """\
board B1 mcu-5v-compact
base half
wire B1.5V +R
wire B1.GND -R
part LC1 light-cell g5 g8
wire j5 +R5
part R1 resistor h8 h12 value=10k
wire j12 -R12
wire i8 B1.A6
part R2 resistor g18 g22 value=220
part D1 led anode=h22 cathode=h23 colour=white
wire j18 B1.D4
wire j23 -R23
"""
_SHADE_PROGRAM = """\
int ldr = A6;
int led = 4;
void setup() { Serial.begin(9600); pinMode(led, OUTPUT); pinMode(ldr, INPUT); }
void loop() {
  int ldrValue = analogRead(ldr);
  Serial.println(ldrValue);
  if (ldrValue <= 550) { digitalWrite(led, HIGH); }
  else { digitalWrite(led, LOW); }
  delay(200);
}
"""
SHADE = Wild("a light cell on the compact board", _SHADE, _SHADE_WIRING, _SHADE_PROGRAM, "Covered\n" + "282\n283\n281\n" * 5 + "Open\n" + "926\n927\n925\n" * 5, (
    Fault("the divider turned", "wiring", {"wire j5 +R5": "wire j5 -R5", "wire j12 -R12": "wire j12 +R12"}, ("alarm-inverted", "function-not-built", "divider-turned")),
    Fault("the divider's resistor left out", "wiring", {"part R1 resistor h8 h12 value=10k\nwire j12 -R12\n": ""}, ("divider-partner-missing", "part-missing")),
    Fault("inverted", "program", {"ldrValue <= 550": "ldrValue >= 550"}, ("alarm-inverted",)),
    Fault("a threshold out of reach", "program", {"ldrValue <= 550": "ldrValue <= 50"}, ("alarm-never-on",)),
    Fault("light without resistor", "wiring", {"part R2 resistor g18 g22 value=220\n": "wire g18 g22\n"}, ("led-no-series-resistor",)),
    Fault("signal one row off", "wiring", {"wire i8 B1.A6": "wire i9 B1.A6"}, ("dangling-lead",)),
    Fault("volts in the log", "log", {"Open\n": "Open\n" + "4.52\n" * 60}, ("out",)),
))  # fmt: skip

ALL = (CELLAR, TANK, TILT, SHADE)
