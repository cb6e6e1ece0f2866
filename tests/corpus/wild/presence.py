"""Levels and states: no print at all, words for states, an obstacle module, a magnet switch."""

from tests.corpus.wild import Fault, Wild

_QUIET = """
id: quiet-yard-lamp
title: Quiet yard lamp
summary: A motion module switches a light; nothing is printed.
board: mcu-5v
minutes: 40
recipe:
  - {ref: U1, part: motion, title: yard module}
  - {ref: D1, part: led, title: yard light, settings: {colour: white}}
  - {ref: R1, part: resistor, title: light resistor, settings: {value: "220"}}
readings:
  - {name: motion, ref: U1, quantity: motion}
steps:
  - {name: Nobody, ref: U1, quantity: motion, value: 0, dwell_seconds: 15}
  - {name: Somebody, ref: U1, quantity: motion, value: 1, dwell_seconds: 15}
behaviour:
  - {when: U1.motion over 0.5, then: {D1: on}, otherwise: {D1: off}}
"""
_QUIET_WIRING = """\
board B1 mcu-5v
base half
part U1 motion c3 c4 c5
wire a3 +L3 red
wire a4 B1.D2 yellow
wire a5 -L5 black
wire B1.5V +L1 red
wire B1.GND -L1 black
part R1 resistor d12 d16 value=220 tolerance=5
part D1 led anode=c16 cathode=c18 colour=white
wire B1.D13 a12 orange
wire a18 -L18 black
"""
_QUIET_PROGRAM = """\
int ledPin = 13;
int inputPin = 2;
int pirState = LOW;
int val = 0;

void setup() {
  pinMode(ledPin, OUTPUT);
  pinMode(inputPin, INPUT);
  Serial.begin(9600);
}

void loop() {
  val = digitalRead(inputPin);
  if (val == HIGH) {
    digitalWrite(ledPin, HIGH);
    if (pirState == LOW) {
      Serial.println("Motion detected!");
      pirState = HIGH;
    }
  } else {
    digitalWrite(ledPin, LOW);
    if (pirState == HIGH) {
      Serial.println("Motion ended!");
      pirState = LOW;
    }
  }
}
"""
QUIET = Wild("words for a motion", _QUIET, _QUIET_WIRING, _QUIET_PROGRAM, "# Nobody\n# Somebody\nMotion detected!\n", (
    Fault("exchanged", "program", {"digitalWrite(ledPin, HIGH)": "digitalWrite(ledPin, LOW)", "digitalWrite(ledPin, LOW);\n    if (pirState == HIGH)": "digitalWrite(ledPin, HIGH);\n    if (pirState == HIGH)"}, ("alarm-inverted",)),
    Fault("another pin read", "program", {"inputPin = 2": "inputPin = 3"}, ("pin-differs-from-wiring",)),
    Fault("the light never switched off", "program", {"digitalWrite(ledPin, LOW);": ""}, ("never-switched-off", "alarm-stays-on")),
    Fault("the light's resistor left out", "wiring", {"part R1 resistor d12 d16 value=220 tolerance=5\n": "wire d12 d16\n"}, ("led-no-series-resistor",)),
    Fault("module fed backwards", "wiring", {"wire a3 +L3 red": "wire a3 -L3 red", "wire a5 -L5 black": "wire a5 +L5 black"}, ("supply-reversed",)),
    Fault("motion told where nobody was", "log", {"# Nobody\n": "# Nobody\nMotion detected!\nMotion detected!\nMotion detected!\n"}, ("out",)),
    Fault("a semicolon left out", "program", {"int val = 0;": "int val = 0"}, ("syntax",)),
))  # fmt: skip

_RELAY = """
id: shed-fan
title: Shed fan
summary: A magnet switch on the shed door turns a fan's relay; no print is asked for.
board: mcu-5v
minutes: 60
recipe:
  - {ref: U1, part: hall, title: door switch}
  - {ref: R2, part: resistor, title: pull-up, settings: {value: 10k}}
  - {ref: D1, part: led, title: door light, settings: {colour: green}}
  - {ref: R1, part: resistor, title: light resistor, settings: {value: "330"}}
steps:
  - {name: Door open, ref: U1, quantity: field, value: 0, dwell_seconds: 10}
  - {name: Door shut, ref: U1, quantity: field, value: 1, dwell_seconds: 10}
behaviour:
  - {when: U1.field over 0.5, then: {D1: on}, otherwise: {D1: off}}
"""
_RELAY_WIRING = """\
board B1 mcu-5v
base half
wire B1.5V +L
wire B1.GND -L
part U1 hall supply=b4 ground=b5 out=b6
wire a4 +L4
wire a5 -L5
part R2 resistor d6 d10 value=10k
wire a10 +L10
wire a6 B1.D8
part R1 resistor c15 c19 value=330
part D1 led anode=b19 cathode=b20 colour=green
wire a15 B1.D9
wire a20 -L20
"""
_RELAY_PROGRAM = """\
void setup() {
  pinMode(8, INPUT);
  pinMode(9, OUTPUT);
}
void loop() {
  if (digitalRead(8) == LOW) { digitalWrite(9, HIGH); }
  else { digitalWrite(9, LOW); }
}
"""
SWITCH = Wild("nothing is printed", _RELAY, _RELAY_WIRING, _RELAY_PROGRAM, "Door open\nno magnet\nno magnet\nDoor shut\nmagnet found\nmagnet found\n", (
    Fault("the pull-up left out", "wiring", {"part R2 resistor d6 d10 value=10k\n": ""}, ("floating-input",)),
    Fault("read the wrong way round", "program", {"== LOW": "== HIGH"}, ("alarm-inverted",)),
    Fault("one equals sign", "program", {"digitalRead(8) == LOW": "digitalRead(8) = LOW"}, ("refused-use", "assignment-in-condition")),
    Fault("the light's pin is an input", "program", {"pinMode(9, OUTPUT);": ""}, ("pin-mode-missing",)),
    Fault("light turned round", "wiring", {"anode=b19 cathode=b20": "anode=b20 cathode=b19"}, ("light-reversed",)),
    Fault("another pin written", "program", {"digitalWrite(9, HIGH)": "digitalWrite(10, HIGH)"}, ("pin-differs-from-wiring",)),
))  # fmt: skip

ALL = (QUIET, SWITCH)
