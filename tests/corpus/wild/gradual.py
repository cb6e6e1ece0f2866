"""Outputs that follow a value, or show it: a pitch, a brightness, words and numbers on a display."""

from tests.corpus.wild import Fault, Wild

_PITCH = """
id: super-pitch
title: Super pitch
summary: The pitch of a sounder falls as the frame comes nearer; the distance is printed.
board: mcu-5v
minutes: 60
recipe:
  - {ref: U1, part: sonar-3, title: frame module}
  - {ref: BZ1, part: piezo, title: frame sounder}
readings:
  - {name: distance, ref: U1, quantity: cm, print: centimetre, decimals: 0}
steps:
  - {name: One span, ref: U1, quantity: cm, value: 20, dwell_seconds: 8}
  - {name: Two spans, ref: U1, quantity: cm, value: 40, dwell_seconds: 8}
  - {name: Three spans, ref: U1, quantity: cm, value: 60, dwell_seconds: 8}
follows:
  - {output: BZ1, of: U1.cm, by: pitch, way: rising}
"""
_PITCH_WIRING = """\
board B1 mcu-5v
base half
part U1 sonar-3 c10 c11 c12
wire a10 -L10
wire a11 B1.5V
wire a12 B1.D7
wire B1.GND -L1
part BZ1 piezo h20 h24
wire j20 B1.D3
wire j24 -L24
"""
_PITCH_PROGRAM = """\
const int sig = 7;
void setup() {
  Serial.begin(9600);
}
void loop() {
  pinMode(sig, OUTPUT);
  digitalWrite(sig, LOW);
  delayMicroseconds(2);
  digitalWrite(sig, HIGH);
  delayMicroseconds(5);
  digitalWrite(sig, LOW);
  pinMode(sig, INPUT);
  unsigned long duration = pulseIn(sig, HIGH);
  int cm = duration / 58;
  Serial.println(cm);
  int pitch = map(cm, 5, 100, 200, 2000);
  tone(3, pitch);
  delay(100);
}
"""
PITCH = Wild("a pitch that rises", _PITCH, _PITCH_WIRING, _PITCH_PROGRAM, "One span\n" + "20\n20\n19\n" * 5 + "Two spans\n" + "40\n39\n40\n" * 5 + "Three spans\n" + "60\n60\n59\n" * 5, (
    Fault("falling", "program", {"200, 2000": "2000, 200"}, ("output-does-not-follow",)),
    Fault("always one tone", "program", {"tone(3, pitch)": "tone(3, 440)"}, ("output-does-not-follow", "unused-value")),
    Fault("another pin", "program", {"tone(3, pitch)": "tone(4, pitch)"}, ("pin-differs-from-wiring",)),
    Fault("inches printed", "program", {"duration / 58": "duration / 148"}, ("printed-in-inches", "printed-value-out")),
    Fault("not halved", "program", {"duration / 58": "duration / 29"}, ("echo-not-halved",)),
    Fault("module at 3.3 V", "wiring", {"wire a11 B1.5V": "wire a11 B1.3V3"}, ("supply-under",)),
    Fault("ground left out", "wiring", {"wire B1.GND -L1\n": ""}, ("ground-missing", "rail-never-fed")),
    Fault("twice as far in the log", "log", {"Two spans\n": "Two spans\n" + "80\n" * 60}, ("out",)),
))  # fmt: skip

_NIGHT = """
id: night-light
title: Night light
summary: A white light grows brighter as it gets darker; the count of the light cell is printed.
board: mcu-5v
minutes: 50
recipe:
  - {ref: LC1, part: light-cell, title: sky cell}
  - {ref: R1, part: resistor, title: lower end of the divider, settings: {value: 10k}}
  - {ref: D1, part: led, title: night light, settings: {colour: white}}
  - {ref: R2, part: resistor, title: light resistor, settings: {value: "220"}}
readings:
  - {name: light, ref: LC1, quantity: lux, print: count}
conventions: {threshold: two-readings}
steps:
  - {name: Covered, ref: LC1, quantity: lux, value: 2, dwell_seconds: 8}
  - {name: Shaded, ref: LC1, quantity: lux, value: 30, dwell_seconds: 8}
  - {name: Lamp, ref: LC1, quantity: lux, value: 500, dwell_seconds: 8}
follows:
  - {output: D1, of: LC1.lux, by: brightness, way: falling}
"""
_NIGHT_WIRING = """\
board B1 mcu-5v
base half
wire B1.5V +L
wire B1.GND -L
part LC1 light-cell c3 c6
wire a3 +L3
part R1 resistor d6 d10 value=10k
wire a10 -L10
wire a6 B1.A0
part R2 resistor b15 b19 value=220
part D1 led anode=c19 cathode=c20 colour=white
wire a15 B1.D6
wire a20 -L20
"""
_NIGHT_PROGRAM = """\
int sensorPin = A0, ledPin = 6;
void setup() {
  Serial.begin(9600);
  pinMode(ledPin, OUTPUT);
}
void loop() {
  int value = analogRead(sensorPin);
  Serial.print("LDR ");
  Serial.println(value);
  int bright = map(value, 150, 1000, 255, 0);
  bright = constrain(bright, 0, 255);
  analogWrite(ledPin, bright);
  delay(100);
}
"""
NIGHT = Wild("a brightness that falls", _NIGHT, _NIGHT_WIRING, _NIGHT_PROGRAM, "Covered\n" + "LDR 212\nLDR 213\n" * 8 + "Shaded\n" + "LDR 657\nLDR 656\n" * 8 + "Lamp\n" + "LDR 950\nLDR 951\n" * 8, (
    Fault("brighter by day", "program", {"255, 0);": "0, 255);"}, ("output-does-not-follow",)),
    Fault("on and off only", "program", {"analogWrite(ledPin, bright)": "digitalWrite(ledPin, bright > 128)"}, ("output-does-not-follow",)),
    Fault("a pin that does not dim", "wiring", {"wire a15 B1.D6": "wire a15 B1.D7"}, ("pin-differs-from-wiring",)),
    Fault("the divider's resistor left out", "wiring", {"part R1 resistor d6 d10 value=10k\n": ""}, ("divider-partner-missing", "part-missing", "light-cell-alone")),
    Fault("the sensor's pin wrong", "program", {"sensorPin = A0": "sensorPin = A3"}, ("pin-differs-from-wiring",)),
    Fault("the light without its resistor", "wiring", {"part R2 resistor b15 b19 value=220\n": "wire b15 b19\n"}, ("led-no-series-resistor",)),
    Fault("dark read as bright", "log", {"Covered\n": "Covered\n" + "LDR 960\n" * 60}, ("out",)),
))  # fmt: skip

_WALL = """
id: extractor-wall
title: Extractor wall display
summary: A display shows °C and °F in two lines and a word below.
board: mcu-5v
minutes: 80
recipe:
  - {ref: U1, part: thermo-offset, title: wall thermometer}
  - {ref: U2, part: display-bus, title: wall display}
conventions: {unit: celsius}
steps:
  - {name: Room, ref: U1, quantity: celsius, value: 22, dwell_seconds: 10}
  - {name: Warmed, ref: U1, quantity: celsius, value: 35, dwell_seconds: 10}
behaviour:
  - {when: U1.celsius over 30, then: {U2: Too warm}, otherwise: {U2: Fine}}
"""
_WALL_WIRING = """\
board B1 mcu-5v
base half
wire B1.5V +L
wire B1.GND -L
part U1 thermo-offset c5 c6 c7
wire a5 +L5
wire a6 B1.A2
wire a7 -L7
part U2 display-bus ground=h20 supply=h21 sda=h22 scl=h23 address=0x27
wire j20 -L20
wire j21 +L21
wire j22 B1.A4
wire j23 B1.A5
"""
_WALL_PROGRAM = """\
#include <Wire.h>
#include <BusDisplay.h>
BusDisplay lcd(0x27, 20, 4);

void setup() {
  lcd.init();
  lcd.backlight();
}

void loop() {
  float t = (analogRead(A2) * 5.0 / 1024.0 - 0.5) * 100.0;
  lcd.setCursor(0, 0);
  lcd.print("Temp ");
  lcd.print(t, 1);
  lcd.print(" C   ");
  lcd.setCursor(0, 2);
  if (t > 30) lcd.print("Too warm");
  else lcd.print("Fine    ");
  delay(500);
}
"""
WALL = Wild("words and a number on a display", _WALL, _WALL_WIRING, _WALL_PROGRAM, "Room\nTemp 21.8 C\nTemp 22.3 C\nWarmed\nTemp 34.9 C\nTemp 35.4 C\n", (
    Fault("exchanged words", "program", {"t > 30": "t < 30"}, ("output-in-another-state",)),
    Fault("another threshold", "program", {"t > 30": "t > 26"}, ("alarm-at-wrong-value",)),
    Fault("a misspelt word", "program", {'"Too warm"': '"To warm "'}, ("output-in-another-state",)),
    Fault("the offset forgotten", "program", {"1024.0 - 0.5) * 100.0": "1024.0) * 100.0"}, ("offset-not-taken-off",)),
    Fault("an end left standing", "program", {'"Fine    "': '"Fine"'}, ("display-leftover", "output-in-another-state")),
    Fault("wiped all the time", "program", {"  delay(500);\n": "  lcd.clear();\n"}, ("display-flickers", "prints-without-pause", "output-in-another-state")),
    Fault("data and clock exchanged", "wiring", {"wire j22 B1.A4": "wire j22 B1.A5", "wire j23 B1.A5": "wire j23 B1.A4"}, ("bus-swapped", "pin-differs-from-wiring", "bus-leg-elsewhere")),
    Fault("another address", "program", {"lcd(0x27": "lcd(0x3F"}, ("library-told-another-address",)),
    Fault("display fed from 3.3 V", "wiring", {"wire j21 +L21": "wire j21 B1.3V3"}, ("supply-under",)),
    Fault("too cold in the log", "log", {"Warmed\n": "Warmed\n" + "Temp 15.0 C\n" * 30}, ("out",)),
))  # fmt: skip

ALL = (PITCH, NIGHT, WALL)
