"""Outputs that show more than on and off: colours, blinking, a tone."""

from tests.corpus.wild import Fault, Wild

_MOOD = """
id: brood-colour
title: Brood colour
summary: A three-colour light is blue below 18 °C, green to 27 °C and red above.
board: mcu-5v
minutes: 60
recipe:
  - {ref: U1, part: thermo-offset, title: thermometer}
  - {ref: D1, part: rgb-cc, title: colour light}
  - {ref: R1, part: resistor, title: red resistor, settings: {value: "330"}}
  - {ref: R2, part: resistor, title: green resistor, settings: {value: "330"}}
  - {ref: R3, part: resistor, title: blue resistor, settings: {value: "330"}}
steps:
  - {name: Ice water, ref: U1, quantity: celsius, value: 8, dwell_seconds: 10}
  - {name: Room, ref: U1, quantity: celsius, value: 22, dwell_seconds: 10}
  - {name: Warm pack, ref: U1, quantity: celsius, value: 36, dwell_seconds: 10}
behaviour:
  - {when: U1.celsius over 18, then: {D1: green}, otherwise: {D1: blue}}
  - {when: U1.celsius over 27, then: {D1: red}}
"""
_MOOD_WIRING = """\
board B1 mcu-5v
base half
wire B1.5V +L
wire B1.GND -L
part U1 thermo-offset c3 c4 c5
wire a3 +L3
wire a4 B1.A1
wire a5 -L5
part D1 rgb-cc red=h20 common=h21 green=h22 blue=h23
wire j21 -L21
part R1 resistor f20 d20 value=330
wire a20 B1.D11
part R2 resistor f22 d22 value=330
wire a22 B1.D10
part R3 resistor f23 d23 value=330
wire a23 B1.D9
"""
_MOOD_PROGRAM = """\
int redPin = 11;
int greenPin = 10;
int bluePin = 9;

void setColor(int r, int g, int b) {
  analogWrite(redPin, r);
  analogWrite(greenPin, g);
  analogWrite(bluePin, b);
}

void setup() {
  Serial.begin(9600);
  pinMode(redPin, OUTPUT);
  pinMode(greenPin, OUTPUT);
  pinMode(bluePin, OUTPUT);
}

void loop() {
  float volts = analogRead(A1) * 5.0 / 1024;
  float t = (volts - 0.5) * 100;
  Serial.print(t);
  Serial.println(" deg");
  if (t > 27) setColor(255, 0, 0);
  else if (t > 18) setColor(0, 255, 0);
  else setColor(0, 0, 200);
  delay(250);
}
"""
_MOOD_LOG = (
    "Ice water\n" + "8.11 deg\n7.62 deg\n8.11 deg\n" * 5 + "Room\n" + "22.27 deg\n21.78 deg\n" * 6
    + "Warm pack\n" + "35.94 deg\n36.43 deg\n" * 6
)  # fmt: skip
MOOD = Wild("a light by its colour", _MOOD, _MOOD_WIRING, _MOOD_PROGRAM, _MOOD_LOG, (
    Fault("red and blue exchanged in the program", "program", {"redPin = 11": "redPin = 9", "bluePin = 9": "bluePin = 11"}, ("output-in-another-state", "pin-differs-from-wiring")),
    Fault("red and green exchanged on the bench", "wiring", {"wire a20 B1.D11": "wire a20 B1.D10", "wire a22 B1.D10": "wire a22 B1.D11"}, ("output-in-another-state", "pin-differs-from-wiring")),
    Fault("the middle colour is white", "program", {"setColor(0, 255, 0)": "setColor(255, 255, 255)"}, ("output-in-another-state",)),
    Fault("another threshold", "program", {"t > 18": "t > 14"}, ("alarm-at-wrong-value",)),
    Fault("another upper threshold", "program", {"t > 27": "t > 33"}, ("alarm-at-wrong-value",)),
    Fault("the red never used", "program", {"setColor(255, 0, 0)": "setColor(0, 255, 0)"}, ("output-in-another-state",)),
    Fault("one resistor in the common leg", "wiring", {"part R1 resistor f20 d20 value=330\n": "wire f20 d20\n", "part R2 resistor f22 d22 value=330\n": "wire f22 d22\n", "part R3 resistor f23 d23 value=330\n": "wire f23 d23\n", "wire j21 -L21": "part R1 resistor j21 j28 value=330\nwire i28 -L28"}, ("one-resistor-for-all-colours", "resistor-shared", "part-missing", "common-resistor")),
    Fault("the common leg open", "wiring", {"wire j21 -L21\n": ""}, ("dangling-lead", "light-never-lit", "ground-missing", "output-in-another-state")),
    Fault("too cold in the log", "log", {"Room\n": "Room\n" + "12.27 deg\n" * 60}, ("out",)),
))  # fmt: skip

_DAMP = """
id: cellar-colour
title: Cellar colour
summary: A light with a common anode is green while it is dry and yellow when it is damp; the module speaks over one wire.
board: mcu-5v
minutes: 60
recipe:
  - {ref: U1, part: climate-fine, title: cellar module}
  - {ref: D1, part: rgb-ca, title: colour light}
  - {ref: R1, part: resistor, title: red resistor, settings: {value: "470"}}
  - {ref: R2, part: resistor, title: green resistor, settings: {value: "470"}}
readings:
  - {name: humidity, ref: U1, quantity: percent}
steps:
  - {name: Dry, ref: U1, quantity: percent, value: 40, dwell_seconds: 20}
  - {name: Damp, ref: U1, quantity: percent, value: 85, dwell_seconds: 20}
behaviour:
  - {when: U1.percent over 65, then: {D1: yellow}, otherwise: {D1: green}}
"""
_DAMP_WIRING = """\
board B1 mcu-5v
base half
wire B1.5V +R
wire B1.GND -R
part U1 climate-fine h2 h3 h4
wire j2 +R2
wire j3 B1.D4
wire j4 -R4
part D1 rgb-ca red=c15 common=c16 green=c17 blue=c18
wire a16 +R16
part R1 resistor d15 g15 value=470
wire j15 B1.D5
part R2 resistor d17 g17 value=470
wire j17 B1.D6
"""
_DAMP_PROGRAM = """\
#include <Climate.h>
Climate sensor(4, CLIMATE_FINE);
const byte RED = 5, GREEN = 6;
void setup() {
  Serial.begin(9600);
  sensor.begin();
  pinMode(RED, OUTPUT);
  pinMode(GREEN, OUTPUT);
}
void loop() {
  delay(2500);
  float damp = sensor.readHumidity();
  if (isnan(damp)) return;
  Serial.print("rel. humidity ");
  Serial.print(damp, 1);
  Serial.println("%");
  digitalWrite(GREEN, LOW);
  if (damp > 65) digitalWrite(RED, LOW);
  else digitalWrite(RED, HIGH);
}
"""
DAMP = Wild("a colour mixed of two, common anode", _DAMP, _DAMP_WIRING, _DAMP_PROGRAM, "> Dry\n" + "rel. humidity 40.2%\nrel. humidity 40.3%\n" * 4 + "> Damp\n" + "rel. humidity 84.7%\nrel. humidity 85.1%\n" * 4, (
    Fault("lit the wrong way round", "program", {"digitalWrite(GREEN, LOW);": "digitalWrite(GREEN, HIGH);"}, ("output-in-another-state",)),
    Fault("exchanged", "program", {"damp > 65": "damp < 65"}, ("output-in-another-state",)),
    Fault("far too high", "program", {"damp > 65": "damp > 80"}, ("alarm-at-wrong-value",)),
    Fault("read too often", "program", {"delay(2500)": "delay(300)"}, ("module-read-too-often",)),
    Fault("another pin for the library", "program", {"sensor(4, ": "sensor(7, "}, ("library-on-another-pin",)),
    Fault("the common leg at ground", "wiring", {"wire a16 +R16": "wire a16 -R16"}, ("light-reversed", "light-never-lit", "output-in-another-state", "function-not-built")),
    Fault("the green resistor left out", "wiring", {"part R2 resistor d17 g17 value=470\n": "wire d17 g17\n"}, ("led-no-series-resistor", "part-missing")),
    Fault("damp told as dry", "log", {"> Damp\n": "> Damp\n" + "rel. humidity 44.0%\n" * 40}, ("out",)),
))  # fmt: skip

_BLINK = """
id: gate-blinker
title: Gate blinker
summary: While a motion module tells of somebody a light blinks twice a second; else it is dark.
board: mcu-5v
minutes: 40
recipe:
  - {ref: U1, part: motion, title: gate module}
  - {ref: D1, part: led, title: gate light, settings: {colour: red}}
  - {ref: R1, part: resistor, title: light resistor, settings: {value: "270"}}
conventions: {prints: false}
steps:
  - {name: Nobody, ref: U1, quantity: motion, value: 0, dwell_seconds: 15}
  - {name: Somebody, ref: U1, quantity: motion, value: 1, dwell_seconds: 15}
behaviour:
  - {when: U1.motion over 0.5, then: {D1: blinking at 2 Hz}, otherwise: {D1: off}}
"""
_BLINK_WIRING = """\
board B1 mcu-5v
base half
wire B1.5V +L
wire B1.GND -L
part U1 motion j5 j6 j7
wire f5 +L5
wire f6 B1.D7
wire f7 -L7
part R1 resistor b20 b24 value=270
part D1 led anode=c24 cathode=c25 colour=red
wire a20 B1.D4
wire a25 -L25
"""
_BLINK_PROGRAM = """\
#define PIR 7
#define LAMP 4
unsigned long last = 0;
bool lit = false;

void setup() {
  pinMode(PIR, INPUT);
  pinMode(LAMP, OUTPUT);
}

void loop() {
  if (digitalRead(PIR)) {
    if (millis() - last >= 250) {
      last = millis();
      lit = !lit;
      digitalWrite(LAMP, lit);
    }
  } else {
    lit = false;
    digitalWrite(LAMP, LOW);
  }
}
"""
BLINK = Wild("a light that blinks", _BLINK, _BLINK_WIRING, _BLINK_PROGRAM, "Nobody\nquiet\nquiet\nSomebody\nmotion\nmotion\n", (
    Fault("lit and not blinking", "program", {"lit = !lit": "lit = true"}, ("output-in-another-state",)),
    Fault("four times too slow", "program", {">= 250": ">= 1000"}, ("output-in-another-state",)),
    Fault("it blinks when nobody is there", "program", {"if (digitalRead(PIR)) {": "if (!digitalRead(PIR)) {"}, ("output-in-another-state",)),
    Fault("it stays as it is at the end", "program", {"    lit = false;\n    digitalWrite(LAMP, LOW);": "    lit = false;\n    digitalWrite(LAMP, HIGH);"}, ("output-in-another-state",)),
    Fault("another pin", "program", {"#define PIR 7": "#define PIR 8"}, ("pin-differs-from-wiring",)),
    Fault("fed from 3.3 V", "wiring", {"wire B1.5V +L": "wire B1.3V3 +L"}, ("supply-under",)),
    Fault("light turned round", "wiring", {"anode=c24 cathode=c25": "anode=c25 cathode=c24"}, ("light-reversed",)),
    Fault("motion where nobody was", "log", {"Nobody\nquiet\nquiet\n": "Nobody\nmotion\nmotion\nmotion\n"}, ("out",)),
))  # fmt: skip

_TONE = """
id: honey-shelf-tone
title: Honey shelf tone
summary: A passive sounder gives 880 Hz while something is nearer than 25 cm.
board: mcu-5v
minutes: 60
recipe:
  - {ref: U1, part: sonar-4, title: shelf module}
  - {ref: BZ1, part: piezo, title: shelf sounder}
readings:
  - {name: distance, ref: U1, quantity: cm, print: centimetre, decimals: 1}
steps:
  - {name: Far, ref: U1, quantity: cm, value: 60, dwell_seconds: 8}
  - {name: Near, ref: U1, quantity: cm, value: 12, dwell_seconds: 8}
behaviour:
  - {when: U1.cm under 25, then: {BZ1: 880 Hz}, otherwise: {BZ1: off}}
"""
_TONE_WIRING = """\
board B1 mcu-5v
base half
part U1 sonar-4 e5 e6 e7 e8
wire a5 B1.5V
wire a6 B1.D9
wire a7 B1.D10
wire a8 B1.GND
part BZ1 piezo c20 c23
wire a20 B1.D8
wire a23 B1.GND
"""
_TONE_PROGRAM = """\
const int trig = 9;
const int echo = 10;
const int piezo = 8;

float distance() {
  digitalWrite(trig, LOW);
  delayMicroseconds(4);
  digitalWrite(trig, HIGH);
  delayMicroseconds(12);
  digitalWrite(trig, LOW);
  long us = pulseIn(echo, HIGH, 30000);
  return us * 0.0343 / 2;
}

void setup() {
  Serial.begin(9600);
  pinMode(trig, OUTPUT);
  pinMode(echo, INPUT);
}

void loop() {
  float d = distance();
  Serial.print("d = ");
  Serial.print(d, 1);
  Serial.println(" cm");
  if (d > 0 && d < 25) tone(piezo, 880);
  else noTone(piezo);
  delay(150);
}
"""
TONE = Wild("a tone", _TONE, _TONE_WIRING, _TONE_PROGRAM, "1) Far\n" + "d = 60.1 cm\nd = 59.9 cm\nd = 60.3 cm\n" * 5 + "2) Near\n" + "d = 12.1 cm\nd = 11.9 cm\n" * 7, (
    Fault("a level where a tone is wanted", "program", {"tone(piezo, 880)": "digitalWrite(piezo, HIGH)", "noTone(piezo)": "digitalWrite(piezo, LOW)"}, ("output-in-another-state", "pin-mode-missing")),
    Fault("another tone", "program", {"880": "440"}, ("output-in-another-state",)),
    Fault("the tone never ends", "program", {"else noTone(piezo);": ""}, ("output-in-another-state", "alarm-at-wrong-value", "tone-never-ends")),
    Fault("inches", "program", {"us * 0.0343 / 2": "us * 0.0135 / 2"}, ("printed-in-inches", "printed-value-out")),
    Fault("echo not halved", "program", {"us * 0.0343 / 2": "us * 0.0343"}, ("echo-not-halved",)),
    Fault("another threshold", "program", {"d < 25": "d < 35"}, ("alarm-at-wrong-value",)),
    Fault("trigger left an input", "program", {"  pinMode(trig, OUTPUT);\n": ""}, ("pin-mode-missing",)),
    Fault("no ground at the sounder", "wiring", {"wire a23 B1.GND\n": ""}, ("dangling-lead",)),
    Fault("too near in the log", "log", {"1) Far\n": "1) Far\n" + "d = 30.0 cm\n" * 60}, ("out",)),
))  # fmt: skip

ALL = (MOOD, DAMP, BLINK, TONE)
