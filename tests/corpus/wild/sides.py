"""Two lights for two sides, a button, light bands with times in front."""

from tests.corpus.wild import Fault, Wild

_SLOPE = """
id: stand-slope
title: Stand slope
summary: A six-axis module on the hive stand; one light for each side it leans to, the tilt in degrees.
board: mcu-5v
minutes: 70
recipe:
  - {ref: U1, part: motion-6, title: stand module}
  - {ref: D1, part: led, title: left light, settings: {colour: red}}
  - {ref: D2, part: led, title: right light, settings: {colour: green}}
  - {ref: R1, part: resistor, title: left resistor, settings: {value: "330"}}
  - {ref: R2, part: resistor, title: right resistor, settings: {value: "330"}}
readings:
  - {name: tilt, ref: U1, quantity: gx, print: degree}
steps:
  - {name: Left, ref: U1, quantity: gx, value: -0.5, dwell_seconds: 6, also: [{ref: U1, quantity: gz, value: 0.866}]}
  - {name: Level, ref: U1, quantity: gx, value: 0, dwell_seconds: 6, also: [{ref: U1, quantity: gz, value: 1}]}
  - {name: Right, ref: U1, quantity: gx, value: 0.5, dwell_seconds: 6, also: [{ref: U1, quantity: gz, value: 0.866}]}
behaviour:
  - {when: U1.gx over 0.25, then: {D2: on}, otherwise: {D2: off}}
  - {when: U1.gx under -0.25, then: {D1: on}, otherwise: {D1: off}}
"""
_SLOPE_WIRING = """\
board B1 mcu-5v
base full
wire B1.5V +L
wire B1.GND -L
part U1 motion-6 c5 c6 c7 c8 c9 c10 c11 c12
wire a5 +L5
wire a6 -L6
wire a7 B1.A5
wire a8 B1.A4
wire a12 B1.D2
part R1 resistor b30 b34 value=330
part D1 led anode=c34 cathode=c35 colour=red
wire a30 B1.D8
wire a35 -L35
part R2 resistor b40 b44 value=330
part D2 led anode=c44 cathode=c45 colour=green
wire a40 B1.D9
wire a45 -L45
"""
_SLOPE_PROGRAM = """\
#include <Wire.h>
#define ADDR 0x68

int16_t word16() { int16_t high = Wire.read(); return high << 8 | Wire.read(); }

void setup() {
  Serial.begin(9600);
  Wire.begin();
  Wire.beginTransmission(ADDR);
  Wire.write(0x6B);
  Wire.write(0);
  Wire.endTransmission();
  pinMode(8, OUTPUT);
  pinMode(9, OUTPUT);
}

void loop() {
  Wire.beginTransmission(ADDR);
  Wire.write(0x3B);
  Wire.endTransmission(false);
  Wire.requestFrom(ADDR, 6, true);
  float x = word16() / 16384.0;
  float y = word16() / 16384.0;
  float z = word16() / 16384.0;
  float tilt = atan2(x, z) * 180 / PI;
  Serial.print("tilt ");
  Serial.print(tilt, 0);
  Serial.println(" deg");
  digitalWrite(8, x < -0.25);
  digitalWrite(9, x > 0.25);
  delay(200);
}
"""
SLOPE = Wild("two sides and six legs to spare", _SLOPE, _SLOPE_WIRING, _SLOPE_PROGRAM, "Left\n" + "tilt -30 deg\ntilt -29 deg\n" * 6 + "Level\n" + "tilt 0 deg\ntilt -1 deg\n" * 6 + "Right\n" + "tilt 30 deg\ntilt 31 deg\n" * 6, (
    Fault("the sides exchanged", "program", {"digitalWrite(8, x < -0.25)": "digitalWrite(8, x > 0.25)", "digitalWrite(9, x > 0.25)": "digitalWrite(9, x < -0.25)"}, ("alarm-inverted", "alarm-at-wrong-value")),
    Fault("another address", "program", {"#define ADDR 0x68": "#define ADDR 0x53"}, ("library-told-another-address", "bus-address-silent", "printed-value-out", "nothing-answers")),
    Fault("another scale", "program", {"float x = word16() / 16384.0": "float x = word16() / 8192.0"}, ("printed-value-out", "alarm-at-wrong-value")),
    Fault("in radians", "program", {"atan2(x, z) * 180 / PI": "atan2(x, z)"}, ("printed-value-out",)),
    Fault("the wrong register", "program", {"Wire.write(0x3B)": "Wire.write(0x3D)"}, ("printed-value-out", "alarm-never-on")),
    Fault("bus legs exchanged", "wiring", {"wire a7 B1.A5": "wire a7 B1.A4", "wire a8 B1.A4": "wire a8 B1.A5"}, ("bus-swapped",)),
    Fault("a limit ten times too small", "program", {"x > 0.25": "x > 0.025"}, ("alarm-at-wrong-value",)),
    Fault("leaning the other way in the log", "log", {"Left\n": "Left\n" + "tilt 30 deg\n" * 40}, ("out",)),
))  # fmt: skip

_BELL = """
id: yard-bell
title: Yard bell
summary: A button with four legs to ground and the pin's own pull-up sounds the bell while it is pressed.
board: mcu-5v
minutes: 30
recipe:
  - {ref: S1, part: button-4, title: bell button}
  - {ref: BZ1, part: buzzer, title: bell}
conventions: {prints: false}
steps:
  - {name: Let go, ref: S1, quantity: pressed, value: 0, dwell_seconds: 5}
  - {name: Pressed, ref: S1, quantity: pressed, value: 1, dwell_seconds: 5}
behaviour:
  - {when: S1.pressed over 0.5, then: {BZ1: on}, otherwise: {BZ1: off}}
"""
_BELL_WIRING = """\
board B1 mcu-5v
base half
part S1 button-4 e10 e12 f10 f12
wire a10 B1.D2
wire j12 B1.GND
part BZ1 buzzer plus=c20 minus=c23
wire a20 B1.D3
wire a23 B1.GND
"""
_BELL_PROGRAM = """\
const int button = 2;
const int bell = 3;
void setup() {
  pinMode(button, INPUT_PULLUP);
  pinMode(bell, OUTPUT);
}
void loop() {
  if (digitalRead(button) == LOW) {
    digitalWrite(bell, HIGH);
  } else {
    digitalWrite(bell, LOW);
  }
}
"""
BELL = Wild("a button with the pin's own pull-up", _BELL, _BELL_WIRING, _BELL_PROGRAM, "Let go\nsilent\nPressed\npressed\n", (
    Fault("without the pull-up", "program", {"INPUT_PULLUP": "INPUT"}, ("floating-input", "input-floats", "pull-up-missing")),
    Fault("the wrong way round", "program", {"== LOW": "== HIGH"}, ("alarm-inverted",)),
    Fault("both leads at legs that are joined", "wiring", {"wire j12 B1.GND": "wire a12 B1.GND"}, ("button-across-joined-legs", "button-always-closed", "button-turned", "legs-in-one-row", "button-never-opens")),
    Fault("the button's ground left out", "wiring", {"wire j12 B1.GND\n": ""}, ("dangling-lead", "floating-input", "button-to-nothing")),
    Fault("the bell turned round", "wiring", {"plus=c20 minus=c23": "plus=c23 minus=c20"}, ("sounder-never-sounds", "sounder-reversed")),
    Fault("another pin", "program", {"bell = 3": "bell = 4"}, ("pin-differs-from-wiring",)),
    Fault("an equals sign short", "program", {"digitalRead(button) == LOW": "digitalRead(button) = LOW"}, ("refused-use", "assignment-in-condition")),
))  # fmt: skip

_DUSK = """
id: dusk-lights
title: Dusk lights
summary: Three lights by how dark it is; the thresholds come from the pair's own readings.
board: mcu-5v
minutes: 50
recipe:
  - {ref: U1, part: light-board, title: light module}
  - {ref: D1, part: led, title: day light, settings: {colour: green}}
  - {ref: D2, part: led, title: night light, settings: {colour: blue}}
  - {ref: R1, part: resistor, title: day resistor, settings: {value: "330"}}
  - {ref: R2, part: resistor, title: night resistor, settings: {value: "330"}}
readings:
  - {name: light, ref: U1, quantity: lux, print: count}
conventions: {threshold: two-readings}
steps:
  - {name: Bright, ref: U1, quantity: lux, value: 600, dwell_seconds: 8}
  - {name: Dark, ref: U1, quantity: lux, value: 2, dwell_seconds: 8}
behaviour:
  - {when: U1.lux over 50, then: {D1: on, D2: off}, otherwise: {D1: off, D2: on}}
"""
_DUSK_WIRING = """\
board B1 mcu-5v
base full
wire B1.5V +L
wire B1.GND -L
part U1 light-board supply=c4 ground=c5 digital=c6 out=c7
wire a4 +L4
wire a5 -L5
wire a7 B1.A3
part R1 resistor b20 b24 value=330
part D1 led anode=c24 cathode=c25 colour=green
wire a20 B1.D4
wire a25 -L25
part R2 resistor b30 b34 value=330
part D2 led anode=c34 cathode=c35 colour=blue
wire a30 B1.D5
wire a35 -L35
"""
_DUSK_PROGRAM = """\
void setup() {
  Serial.begin(9600);
  for (int p = 4; p <= 5; p++) pinMode(p, OUTPUT);
}
void loop() {
  int v = analogRead(3);
  Serial.print(millis()); Serial.print(","); Serial.println(v);
  if (v < 400) { digitalWrite(4, HIGH); digitalWrite(5, LOW); }
  else { digitalWrite(4, LOW); digitalWrite(5, HIGH); }
  delay(200);
}
"""
DUSK = Wild("a channel by its number, times in front", _DUSK, _DUSK_WIRING, _DUSK_PROGRAM, "Bright\n" + "".join(f"{200 * i},{79 + i % 3}\n" for i in range(20)) + "Dark\n" + "".join(f"{4000 + 200 * i},{818 + i % 4}\n" for i in range(20)), (
    Fault("inverted", "program", {"v < 400": "v > 400"}, ("alarm-inverted",)),
    Fault("one light of the two forgotten", "program", {"p <= 5": "p < 5"}, ("pin-mode-missing",)),
    Fault("one never switched off", "program", {"digitalWrite(4, LOW); digitalWrite(5, HIGH)": "digitalWrite(5, HIGH)"}, ("never-switched-off", "alarm-stays-on", "alarm-at-wrong-value")),
    Fault("the comparator's leg measured", "wiring", {"wire a7 B1.A3": "wire a6 B1.A3"}, ("dangling-lead", "output-unconnected")),
    Fault("another channel", "program", {"analogRead(3)": "analogRead(2)"}, ("pin-differs-from-wiring",)),
    Fault("no supply", "wiring", {"wire a4 +L4\n": ""}, ("supply-missing", "dangling-lead")),
    Fault("both lights on one resistor less", "wiring", {"part R2 resistor b30 b34 value=330\n": "wire b30 b34\n"}, ("led-no-series-resistor",)),
    Fault("dark as bright", "log", {"Dark\n": "Dark\n" + "".join(f"{4000 + 10 * i},{80 + i % 2}\n" for i in range(60))}, ("out",)),
))  # fmt: skip

ALL = (SLOPE, BELL, DUSK)
