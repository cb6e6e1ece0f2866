"""Thermometers: a bar of lights, two units of one temperature, a display beside the log."""

from tests.corpus.wild import Fault, Wild

_BAR = """
id: wax-melter-bar
title: Wax melter bar
summary: A bar of lights shows how warm the wax is.
board: mcu-5v
minutes: 60
recipe:
  - {ref: U1, part: thermo-steep, title: wax thermometer}
  - {ref: D1, part: led, title: first light, settings: {colour: green}}
  - {ref: D2, part: led, title: second light, settings: {colour: yellow}}
  - {ref: D3, part: led, title: third light, settings: {colour: yellow}}
  - {ref: D4, part: led, title: fourth light, settings: {colour: red}}
  - {ref: R1, part: resistor, title: first resistor, settings: {value: "220"}}
  - {ref: R2, part: resistor, title: second resistor, settings: {value: "220"}}
  - {ref: R3, part: resistor, title: third resistor, settings: {value: "220"}}
  - {ref: R4, part: resistor, title: fourth resistor, settings: {value: "220"}}
steps:
  - {name: Cold wax, ref: U1, quantity: celsius, value: 20, dwell_seconds: 10}
  - {name: Warm wax, ref: U1, quantity: celsius, value: 28.5, dwell_seconds: 10}
  - {name: Melting, ref: U1, quantity: celsius, value: 36, dwell_seconds: 10}
behaviour:
  - {when: U1.celsius over 24, then: {D1: on}, otherwise: {D1: off}}
  - {when: U1.celsius over 27, then: {D2: on}, otherwise: {D2: off}}
  - {when: U1.celsius over 30, then: {D3: on}, otherwise: {D3: off}}
  - {when: U1.celsius over 33, then: {D4: on}, otherwise: {D4: off}}
"""
_BAR_WIRING = """\
board B1 mcu-5v
base full
part U1 thermo-steep c5 c6 c7
part R1 resistor b12 b16 value=220 tolerance=5
part D1 led anode=c16 cathode=c17 colour=green
part R2 resistor b22 b26 value=220 tolerance=5
part D2 led anode=c26 cathode=c27 colour=yellow
part R3 resistor b32 b36 value=220 tolerance=5
part D3 led anode=c36 cathode=c37 colour=yellow
part R4 resistor b42 b46 value=220 tolerance=5
part D4 led anode=c46 cathode=c47 colour=red
wire B1.5V +L red
wire B1.GND -L black
wire a5 +L5 red
wire a6 B1.A0 yellow
wire a7 -L7 black
wire a12 B1.D4 green
wire a17 -L17 black
wire a22 B1.D5 green
wire a27 -L27 black
wire a32 B1.D6 green
wire a37 -L37 black
wire a42 B1.D7 green
wire a47 -L47 black
"""
_BAR_PROGRAM = """\
// lights in a row
int bar[] = {4, 5, 6, 7};
int limits[] = {24, 27, 30, 33};

void setup() {
  Serial.begin(9600);
  for (int i = 0; i < 4; i++) {
    pinMode(bar[i], OUTPUT);
  }
}

void loop() {
  int reading = analogRead(A0);
  float volts = reading * 5.0 / 1024.0;
  float temp = volts / 0.02;
  Serial.print(reading);
  Serial.print(" ADC, ");
  Serial.print(volts);
  Serial.print(" volts, ");
  Serial.print(temp);
  Serial.println(" degrees C");
  for (int i = 0; i < 4; i++) {
    if (temp > limits[i]) digitalWrite(bar[i], HIGH);
    else digitalWrite(bar[i], LOW);
  }
  delay(250);
}
"""


def _bar_log(*celsius: float) -> str:
    lines = []
    for name, value in zip(("Cold wax", "Warm wax", "Melting"), celsius, strict=True):
        lines.append(f"*** {name} ***")
        for wobble in (0, 1, 0, 0, -1, 0, 1, 0, 0, 0):
            count = round(value * 0.02 / 5 * 1024) + wobble
            lines.append(f"{count} ADC, {count * 5 / 1024:.2f} volts, {count * 5 / 1024 / 0.02:.2f} degrees C")
    return "\n".join(lines)


BAR = Wild("a bar of lights", _BAR, _BAR_WIRING, _BAR_PROGRAM, _bar_log(20.2, 28.4, 36.1), (
    Fault("one threshold far off", "program", {"{24, 27, 30, 33}": "{24, 27, 38, 33}"}, ("alarm-at-wrong-value", "alarm-never-on")),
    Fault("all thresholds 5 too high", "program", {"{24, 27, 30, 33}": "{29, 32, 35, 38}"}, ("alarm-at-wrong-value", "alarm-never-on")),
    Fault("one threshold two off", "program", {"{24, 27, 30, 33}": "{24, 27, 30, 35.5}"}, ("alarm-at-wrong-value", "number-cut-off", "alarm-never-on")),
    Fault("the slope of another thermometer", "program", {"volts / 0.02": "volts / 0.01"}, ("printed-value-out",)),
    Fault("two lights exchanged", "program", {"bar[] = {4, 5, 6, 7}": "bar[] = {5, 4, 6, 7}"}, ("alarm-at-wrong-value", "pin-differs-from-wiring")),
    Fault("a light without its resistor", "wiring", {"part R3 resistor b32 b36 value=220 tolerance=5\n": "wire b32 b36\n"}, ("led-no-series-resistor",)),
    Fault("a light turned round", "wiring", {"part D2 led anode=c26 cathode=c27": "part D2 led anode=c27 cathode=c26"}, ("light-reversed",)),
    Fault("thermometer fed backwards", "wiring", {"wire a5 +L5 red\n": "wire a5 -L5 black\n", "wire a7 -L7 black\n": "wire a7 +L7 red\n"}, ("supply-reversed",)),
    Fault("whole numbers lost", "program", {"reading * 5.0 / 1024.0": "reading * 5 / 1024"}, ("integer-division", "printed-value-out")),
    Fault("read twice as warm", "log", {"*** Melting ***": "*** Melting ***\n" + "300 ADC, 1.46 volts, 73.24 degrees C\n" * 30}, ("out",)),
    Fault("a step left out", "log", {"*** Warm wax ***": "*** Cold wax ***"}, ("incomplete", "out")),
))  # fmt: skip

_TWO_UNITS = """
id: honey-store-units
title: Honey store in two units
summary: A thermometer in the honey store prints both units; above 91 °F a light comes on.
board: mcu-5v
minutes: 45
recipe:
  - {ref: U1, part: thermo-offset, title: store thermometer}
  - {ref: D1, part: led, title: store light, settings: {colour: red}}
  - {ref: R1, part: resistor, title: light resistor, settings: {value: "470"}}
readings:
  - {name: in Celsius, ref: U1, quantity: celsius, print: celsius, decimals: 2}
  - {name: in Fahrenheit, ref: U1, quantity: celsius, print: fahrenheit, decimals: 2}
steps:
  - {name: Shelf, ref: U1, quantity: celsius, value: 21, dwell_seconds: 10}
  - {name: In the fist, ref: U1, quantity: celsius, value: 29, dwell_seconds: 10}
  - {name: Warm bottle, ref: U1, quantity: celsius, value: 40, dwell_seconds: 10}
behaviour:
  - {when: U1.fahrenheit over 91, then: {D1: on}, otherwise: {D1: off}}
"""
_TWO_UNITS_WIRING = """\
board B1 mcu-5v
base half
wire B1.5V +R
wire B1.GND -R
part U1 thermo-offset g10 g11 g12
wire j10 +R10
wire j11 B1.A3
wire j12 -R12
part D1 led anode=g20 cathode=g18 colour=red
part R1 resistor h20 h24 value=470 tolerance=5
wire j24 B1.D12
wire j18 -R18
"""
_TWO_UNITS_PROGRAM = """\
#define SENSOR A3
#define LAMP 12
float readCelsius() { return (analogRead(SENSOR) * 4.8828125 - 500) / 10; }
void setup() { pinMode(LAMP, OUTPUT); Serial.begin(9600); }
void loop() {
  float c = readCelsius();
  float f = c * 9.0 / 5.0 + 32.0;
  Serial.print("Temp C: "); Serial.print(c); Serial.print(" Temp F: "); Serial.println(f);
  digitalWrite(LAMP, f > 91 ? HIGH : LOW);
  delay(500);
}
"""


def _two_units_log(*celsius: float) -> str:
    lines = []
    for name, value in zip(("Shelf", "In the fist", "Warm bottle"), celsius, strict=True):
        lines += ["=" * 20, name, "=" * 20]
        for wobble in (0, 0, 1, 0, -1, 0, 0, 1):
            c = ((round((value * 10 + 500) / 4.8828125) + wobble) * 4.8828125 - 500) / 10
            lines.append(f"Temp C: {c:.2f} Temp F: {c * 1.8 + 32:.2f}")
    return "\n".join(lines)


TWO_UNITS = Wild("two units of one temperature", _TWO_UNITS, _TWO_UNITS_WIRING, _TWO_UNITS_PROGRAM, _two_units_log(21.1, 28.9, 39.7), (
    Fault("the threshold taken for Celsius", "program", {"f > 91": "c > 91"}, ("alarm-never-on", "alarm-at-wrong-value")),
    Fault("a threshold in the other unit", "program", {"f > 91": "f > 33"}, ("alarm-at-wrong-value", "alarm-stays-on", "alarm-inverted", "condition-always-so")),
    Fault("the offset forgotten", "program", {"4.8828125 - 500)": "4.8828125)"}, ("offset-not-taken-off",)),
    Fault("five ninths", "program", {"c * 9.0 / 5.0 + 32.0": "c * 5.0 / 9.0 + 32.0"}, ("printed-value-out", "alarm-never-on", "alarm-at-wrong-value", "fahrenheit-formula")),
    Fault("nine fifths in whole numbers", "program", {"c * 9.0 / 5.0 + 32.0": "c * (9 / 5) + 32.0"}, ("integer-division", "alarm-never-on", "alarm-at-wrong-value", "printed-value-out")),
    Fault("Fahrenheit wrong in the log", "log", {"=" * 20 + "\nShelf": "=" * 20 + "\nShelf\n" + "Temp C: 21.00 Temp F: 43.67\n" * 40}, ("out",)),
    Fault("signal one row off", "wiring", {"wire j11 B1.A3": "wire j13 B1.A3"}, ("dangling-lead",)),
    Fault("signal on another pin", "wiring", {"wire j11 B1.A3": "wire j11 B1.A2"}, ("pin-differs-from-wiring",)),
))  # fmt: skip

ALL = (BAR, TWO_UNITS)
