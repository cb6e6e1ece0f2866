"""Range modules: inches and centimetres, a threshold in inches, a library that measures."""

from tests.corpus.wild import Fault, Wild

_GATE = """
id: gate-clearance
title: Gate clearance
summary: A range module over the apiary gate prints inches and centimetres; under 16 inches a sounder warns.
board: mcu-5v
minutes: 60
recipe:
  - {ref: U1, part: sonar-4, title: gate module}
  - {ref: BZ1, part: buzzer, title: gate sounder}
readings:
  - {name: inches, ref: U1, quantity: cm, print: inch, decimals: 0}
  - {name: centimetres, ref: U1, quantity: cm, print: centimetre, decimals: 0}
steps:
  - {name: Eight inches, ref: U1, quantity: cm, value: 20.32, dwell_seconds: 8}
  - {name: Thirty inches, ref: U1, quantity: cm, value: 76.2, dwell_seconds: 8}
behaviour:
  - {when: U1.inch under 16, then: {BZ1: on}, otherwise: {BZ1: off}}
"""
_GATE_WIRING = """\
board B1 mcu-5v
base half
part U1 sonar-4 b10 b11 b12 b13
part BZ1 buzzer plus=c20 minus=c22
wire B1.5V a10
wire B1.D2 a11
wire B1.D3 a12
wire a13 -L13
wire B1.GND -L1
wire B1.D11 a20
wire a22 -L22
"""
_GATE_PROGRAM = """\
const int pingTrig = 2;
const int pingEcho = 3;
const int horn = 11;

long microsecondsToInches(long us) { return us / 74 / 2; }
long microsecondsToCentimeters(long us) { return us / 29 / 2; }

void setup() {
  Serial.begin(9600);
  pinMode(pingTrig, OUTPUT);
  pinMode(pingEcho, INPUT);
  pinMode(horn, OUTPUT);
}

void loop() {
  long duration, inches, cm;
  digitalWrite(pingTrig, LOW);
  delayMicroseconds(2);
  digitalWrite(pingTrig, HIGH);
  delayMicroseconds(10);
  digitalWrite(pingTrig, LOW);
  duration = pulseIn(pingEcho, HIGH);
  inches = microsecondsToInches(duration);
  cm = microsecondsToCentimeters(duration);
  Serial.print(inches);
  Serial.print("in, ");
  Serial.print(cm);
  Serial.print("cm");
  Serial.println();
  if (inches < 16) {
    digitalWrite(horn, HIGH);
  } else {
    digitalWrite(horn, LOW);
  }
  delay(100);
}
"""
_GATE_LOG = (
    "step 1\n" + "8in, 20cm\n7in, 20cm\n8in, 20cm\n" * 5 + "step 2\n" + "30in, 76cm\n29in, 76cm\n30in, 76cm\n" * 5
)

GATE = Wild("inches and centimetres", _GATE, _GATE_WIRING, _GATE_PROGRAM, _GATE_LOG, (
    Fault("trigger and echo exchanged in the program", "program", {"pingTrig = 2": "pingTrig = 3", "pingEcho = 3": "pingEcho = 2"}, ("pin-differs-from-wiring", "pin-differs-from-wiring")),
    Fault("trigger and echo exchanged on the bench", "wiring", {"wire B1.D2 a11": "wire B1.D2 a12", "wire B1.D3 a12": "wire B1.D3 a11"}, ("pin-differs-from-wiring", "pin-differs-from-wiring")),
    Fault("far too low a threshold", "program", {"inches < 16": "inches < 5"}, ("alarm-at-wrong-value", "alarm-never-on")),
    Fault("the threshold compared in centimetres", "program", {"inches < 16": "cm < 16"}, ("alarm-at-wrong-value", "alarm-never-on")),
    Fault("halving forgotten", "program", {"us / 29 / 2": "us / 29", "us / 74 / 2": "us / 74"}, ("echo-not-halved",)),
    Fault("inverted", "program", {"inches < 16": "inches > 16"}, ("alarm-inverted",)),
    Fault("no ground at the module", "wiring", {"wire a13 -L13\n": ""}, ("ground-missing", "dangling-lead")),
    Fault("centimetres wrong in the log", "log", {"step 2\n": "step 2\n" + "30in, 152cm\n" * 60}, ("out",)),
    Fault("the horn's lead one row off", "wiring", {"wire B1.D11 a20": "wire B1.D11 a21"}, ("dangling-lead",)),
))  # fmt: skip

ALL = (GATE,)
