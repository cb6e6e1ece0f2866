"""Ten exercises that were written when the checks were done, and first run then."""

from tests.corpus.wild import Fault, Wild

_LED = """\
part R1 resistor b30 b34 value=330
part D1 led anode=c34 cathode=c35 colour=red
wire a30 B1.{pin}
wire a35 -L35
"""

_JSON = """
id: candle-store
title: Candle store
summary: A thermometer without offset on the internal reference; one line of names and values, °F, a light above 86 °F.
board: mcu-5v
minutes: 50
recipe:
  - {ref: U1, part: thermo-zero, title: store thermometer}
  - {ref: D1, part: led, title: store light, settings: {colour: red}}
  - {ref: R1, part: resistor, title: light resistor, settings: {value: "330"}}
variants:
  - {id: internal, title: internal reference, supply_volts: 5, reference: internal}
readings:
  - {name: store, ref: U1, quantity: celsius, print: fahrenheit, decimals: 1}
steps:
  - {name: Store as is, ref: U1, quantity: celsius, value: 19, dwell_seconds: 10}
  - {name: Between the palms, ref: U1, quantity: celsius, value: 33, dwell_seconds: 10}
behaviour:
  - {when: U1.fahrenheit over 86, then: {D1: on}, otherwise: {D1: off}}
"""
_JSON_WIRING = """\
board B1 mcu-5v
base full
wire B1.5V +L
wire B1.GND -L
part U1 thermo-zero c3 c4 c5
wire a3 +L3
wire a4 B1.A4
wire a5 -L5
""" + _LED.format(pin="D12")
_JSON_PROGRAM = """\
#define LIMIT_F 86.0
void setup() {
  analogReference(INTERNAL);
  Serial.begin(57600);
  pinMode(12, OUTPUT);
}
void loop() {
  long sum = 0;
  for (byte i = 0; i < 8; i++) {
    sum += analogRead(A4);
    delay(2);
  }
  float c = sum / 8.0 * 1.1 / 1024.0 * 100.0;
  float f = 1.8 * c + 32;
  Serial.print("{\\"tempF\\": ");
  Serial.print(f, 1);
  Serial.println("}");
  digitalWrite(12, f > LIMIT_F ? HIGH : LOW);
  delay(400);
}
"""
JSON = Wild("a mean of eight in braces", _JSON, _JSON_WIRING, _JSON_PROGRAM, "// Store as is\n" + '{"tempF": 66.2}\n{"tempF": 66.0}\n' * 8 + "// Between the palms\n" + '{"tempF": 91.4}\n{"tempF": 91.2}\n' * 8, (
    Fault("reference left at the supply", "program", {"  analogReference(INTERNAL);\n": ""}, ("reference-not-set", "printed-value-out")),
    Fault("divided by seven", "program", {"sum / 8.0": "sum / 7.0"}, ("printed-value-out", "alarm-at-wrong-value", "mean-of-wrong-number")),
    Fault("32 forgotten", "program", {"1.8 * c + 32": "1.8 * c"}, ("printed-value-out",)),
    Fault("limit in Celsius", "program", {"#define LIMIT_F 86.0": "#define LIMIT_F 30.0"}, ("alarm-stays-on", "alarm-at-wrong-value")),
    Fault("another pin", "program", {"analogRead(A4)": "analogRead(A5)"}, ("pin-differs-from-wiring",)),
    Fault("from 3.3 V", "wiring", {"wire B1.5V +L": "wire B1.3V3 +L"}, ("supply-under",)),
    Fault("in Celsius in the log", "log", {"// Between the palms\n": "// Between the palms\n" + '{"tempF": 33.0}\n' * 60}, ("out",)),
))  # fmt: skip

_TWO = """
id: in-and-out
title: Inside and outside
summary: Two thermometers, both printed; the light goes on when the inner one is above 30 °C.
board: mcu-5v
minutes: 60
recipe:
  - {ref: U1, part: thermo-offset, title: inner thermometer}
  - {ref: U2, part: thermo-offset, title: outer thermometer}
  - {ref: D1, part: led, title: inner light, settings: {colour: red}}
  - {ref: R1, part: resistor, title: light resistor, settings: {value: "330"}}
readings:
  - {name: inside, ref: U1, quantity: celsius, decimals: 1}
  - {name: outside, ref: U2, quantity: celsius, decimals: 1}
steps:
  - {name: Both in the room, ref: U1, quantity: celsius, value: 22, dwell_seconds: 10, also: [{ref: U2, quantity: celsius, value: 22}]}
  - {name: Inner one in the hand, ref: U1, quantity: celsius, value: 34, dwell_seconds: 10, also: [{ref: U2, quantity: celsius, value: 22}]}
behaviour:
  - {when: U1.celsius over 30, then: {D1: on}, otherwise: {D1: off}}
"""
_TWO_WIRING = """\
board B1 mcu-5v
base full
wire B1.5V +L
wire B1.GND -L
part U1 thermo-offset c3 c4 c5
wire a3 +L3
wire a4 B1.A0
wire a5 -L5
part U2 thermo-offset c10 c11 c12
wire a10 +L10
wire a11 B1.A1
wire a12 -L12
""" + _LED.format(pin="D7")
_TWO_PROGRAM = """\
float celsius(int pin) {
  int raw = analogRead(pin);
  return (raw * (5000 / 1024.0) - 500) / 10;
}
void setup() {
  pinMode(7, OUTPUT);
  Serial.begin(9600);
}
void loop() {
  float in = celsius(A0), out = celsius(A1);
  Serial.print("in: "); Serial.print(in, 1);
  Serial.print(" C, out: "); Serial.print(out, 1); Serial.println(" C");
  digitalWrite(7, in > 30);
  delay(500);
}
"""
TWO = Wild("two of one kind", _TWO, _TWO_WIRING, _TWO_PROGRAM, "a) Both in the room\n" + "in: 22.0 C, out: 21.8 C\nin: 22.3 C, out: 22.3 C\n" * 6 + "b) Inner one in the hand\n" + "in: 33.9 C, out: 22.3 C\nin: 34.4 C, out: 21.8 C\n" * 6, (
    Fault("inner and outer exchanged in the program", "program", {"in = celsius(A0), out = celsius(A1)": "in = celsius(A1), out = celsius(A0)"}, ("printed-value-out", "alarm-never-on", "alarm-at-wrong-value")),
    Fault("inner and outer exchanged on the bench", "wiring", {"wire a4 B1.A0": "wire a4 B1.A1", "wire a11 B1.A1": "wire a11 B1.A0"}, ("printed-value-out", "alarm-never-on")),
    Fault("the outer one compared", "program", {"in > 30": "out > 30"}, ("alarm-never-on",)),
    Fault("offset of 0.4 V", "program", {"- 500": "- 400"}, ("printed-value-out",)),
    Fault("outer one without ground", "wiring", {"wire a12 -L12\n": ""}, ("ground-missing", "dangling-lead")),
    Fault("outer one fed backwards", "wiring", {"wire a10 +L10": "wire a10 -L10", "wire a12 -L12": "wire a12 +L12"}, ("supply-reversed",)),
    Fault("whole numbers divided", "program", {"(5000 / 1024.0)": "(5000 / 1024)"}, ("integer-division", "printed-value-out")),
    Fault("the outer one wrong in the log", "log", {"b) Inner one in the hand\n": "b) Inner one in the hand\n" + "in: 34.0 C, out: 40.0 C\n" * 60}, ("out",)),
))  # fmt: skip

_DARK = """
id: path-lamp
title: Path lamp
summary: A light goes on when somebody comes; the count of the sky's light cell is printed beside it.
board: mcu-5v
minutes: 60
recipe:
  - {ref: U1, part: motion, title: path module}
  - {ref: LC1, part: light-cell, title: sky cell}
  - {ref: R2, part: resistor, title: lower end, settings: {value: 10k}}
  - {ref: D1, part: led, title: path light, settings: {colour: red}}
  - {ref: R1, part: resistor, title: light resistor, settings: {value: "330"}}
readings:
  - {name: sky, ref: LC1, quantity: lux, print: count}
conventions: {threshold: two-readings}
steps:
  - {name: Night and nobody, ref: LC1, quantity: lux, value: 2, dwell_seconds: 15, also: [{ref: U1, quantity: motion, value: 0}]}
  - {name: Night and somebody, ref: LC1, quantity: lux, value: 2, dwell_seconds: 15, also: [{ref: U1, quantity: motion, value: 1}]}
behaviour:
  - {when: U1.motion over 0.5, then: {D1: on}, otherwise: {D1: off}}
"""
_DARK_WIRING = """\
board B1 mcu-5v
base full
wire B1.5V +L
wire B1.GND -L
part U1 motion c3 c4 c5
wire a3 +L3
wire a4 B1.D2
wire a5 -L5
part LC1 light-cell d10 d14
wire a10 +L10
part R2 resistor e14 e18 value=10k
wire a18 -L18
wire a14 B1.A5
""" + _LED.format(pin="D9")
_DARK_PROGRAM = """\
const int PIR = 2, LDR = A5, LAMP = 9;
const int DARK = 400;
void setup() {
  Serial.begin(9600);
  pinMode(PIR, INPUT);
  pinMode(LAMP, OUTPUT);
}
void loop() {
  int sky = analogRead(LDR);
  bool someone = digitalRead(PIR);
  bool night = sky < DARK;
  Serial.print("sky=");
  Serial.print(sky);
  Serial.print(" someone=");
  Serial.println(someone);
  if (night && someone) {
    digitalWrite(LAMP, HIGH);
  } else {
    digitalWrite(LAMP, LOW);
  }
  delay(300);
}
"""
DARK = Wild("two conditions at once", _DARK, _DARK_WIRING, _DARK_PROGRAM, "Night and nobody\n" + "sky=213 someone=0\nsky=214 someone=0\n" * 8 + "Night and somebody\n" + "sky=213 someone=1\nsky=212 someone=1\n" * 8, (
    Fault("or in place of and", "program", {"night && someone": "night || someone"}, ("alarm-stays-on", "alarm-at-wrong-value")),
    Fault("not", "program", {"night && someone": "night && !someone"}, ("alarm-inverted",)),
    Fault("by day only", "program", {"sky < DARK": "sky > DARK"}, ("alarm-never-on",)),
    Fault("the sky's pin", "program", {"LDR = A5": "LDR = A4"}, ("pin-differs-from-wiring",)),
    Fault("the module's pin", "program", {"PIR = 2": "PIR = 3"}, ("pin-differs-from-wiring",)),
    Fault("the divider's lower end left out", "wiring", {"part R2 resistor e14 e18 value=10k\n": ""}, ("divider-partner-missing", "part-missing")),
    Fault("a bright night in the log", "log", {"Night and somebody\n": "Night and somebody\n" + "sky=940 someone=1\n" * 60}, ("out",)),
))  # fmt: skip

_WEATHER = """
id: header-weather
title: Weather at the header
summary: Three values of the pressure module in a table under a head line.
board: sbc-3v3
minutes: 60
recipe:
  - {ref: U1, part: baro, title: weather module}
readings:
  - {name: temperature, ref: U1, quantity: celsius, decimals: 1}
  - {name: humidity, ref: U1, quantity: percent, decimals: 1}
  - {name: pressure, ref: U1, quantity: hpa, decimals: 1}
steps:
  - {name: Desk, ref: U1, quantity: celsius, value: 21, dwell_seconds: 10, also: [{ref: U1, quantity: percent, value: 40}, {ref: U1, quantity: hpa, value: 1008}]}
  - {name: Breath, ref: U1, quantity: celsius, value: 26, dwell_seconds: 10, also: [{ref: U1, quantity: percent, value: 80}, {ref: U1, quantity: hpa, value: 1008}]}
"""
_WEATHER_WIRING = """\
board B1 sbc-3v3
base none
part U1 baro supply=B1.P1 ground=B1.P9 scl=B1.P5 sda=B1.P3
"""
_WEATHER_PROGRAM = """\
import time
import board
import weather_module

i2c = board.I2C()
sensor = weather_module.Weather_I2C(i2c, address=0x76)

print("temp  humid  press")
while True:
    print(f"{sensor.temperature:5.1f} {sensor.relative_humidity:6.1f} {sensor.pressure:7.1f}")
    time.sleep(1)
"""
WEATHER = Wild("a table without units", _WEATHER, _WEATHER_WIRING, _WEATHER_PROGRAM, "temp  humid  press\n> Desk\n" + " 21.0   40.1  1008.0\n 21.1   40.0  1008.1\n" * 5 + "> Breath\n" + " 26.0   80.2  1008.0\n 26.1   79.8  1008.0\n" * 5, (
    Fault("clock and data exchanged", "wiring", {"scl=B1.P5 sda=B1.P3": "scl=B1.P3 sda=B1.P5"}, ("bus-swapped",)),
    Fault("fed from 5 V", "wiring", {"supply=B1.P1": "supply=B1.P2"}, ("supply-over-maximum", "supply-over", "level-over")),
    Fault("no ground", "wiring", {"ground=B1.P9 ": ""}, ("ground-missing",)),
    Fault("another address", "program", {"address=0x76": "address=0x5A"}, ("library-told-another-address",)),
    Fault("a name that is none", "program", {"sensor.pressure": "sensor.presure"}, ("ends-with-error", "name-miscased", "not-supported-yet")),
    Fault("the colon forgotten", "program", {"while True:": "while True"}, ("syntax",)),
    Fault("a dry breath in the log", "log", {"> Breath\n": "> Breath\n" + " 26.0   20.0  1008.0\n" * 40}, ("out",)),
))  # fmt: skip

_EVENT = """
id: wax-cellar
title: Wax cellar
summary: The fine module asked in the style of events; a light above 70 percent.
board: mcu-5v
minutes: 50
recipe:
  - {ref: U1, part: climate-fine, title: cellar module}
  - {ref: D1, part: led, title: damp light, settings: {colour: red}}
  - {ref: R1, part: resistor, title: light resistor, settings: {value: "330"}}
readings:
  - {name: damp, ref: U1, quantity: percent, decimals: 1}
steps:
  - {name: Air, ref: U1, quantity: percent, value: 50, dwell_seconds: 20}
  - {name: Wet cloth, ref: U1, quantity: percent, value: 90, dwell_seconds: 20}
behaviour:
  - {when: U1.percent over 70, then: {D1: on}, otherwise: {D1: off}}
"""
_EVENT_WIRING = """\
board B1 mcu-5v
base full
wire B1.5V +L
wire B1.GND -L
part U1 climate-fine c3 c4 c5
wire a3 +L3
wire a4 B1.D2
wire a5 -L5
""" + _LED.format(pin="D8")
_EVENT_PROGRAM = """\
#include <UnifiedSensors.h>
#include <Climate_U.h>
Climate_Unified air(2, CLIMATE_FINE);
uint32_t delayMS;

void setup() {
  Serial.begin(9600);
  air.begin();
  pinMode(8, OUTPUT);
  delayMS = 2000;
}

void loop() {
  delay(delayMS);
  sensors_event_t event;
  air.humidity().getEvent(&event);
  if (isnan(event.relative_humidity)) {
    Serial.println("Error reading humidity!");
  } else {
    Serial.print("Humidity: ");
    Serial.print(event.relative_humidity);
    Serial.println("%");
    digitalWrite(8, event.relative_humidity > 70);
  }
}
"""
EVENT = Wild("events", _EVENT, _EVENT_WIRING, _EVENT_PROGRAM, "Air\n" + "Humidity: 50.10%\nHumidity: 49.90%\n" * 5 + "Wet cloth\n" + "Humidity: 90.20%\nHumidity: 89.70%\n" * 5, (
    Fault("another threshold", "program", {"relative_humidity > 70": "relative_humidity > 85"}, ("alarm-at-wrong-value",)),
    Fault("inverted", "program", {"relative_humidity > 70": "relative_humidity < 70"}, ("alarm-inverted",)),
    Fault("asked far too often", "program", {"delayMS = 2000": "delayMS = 200"}, ("module-read-too-often",)),
    Fault("another pin", "program", {"air(2, ": "air(3, "}, ("library-on-another-pin", "pin-differs-from-wiring")),
    Fault("mode forgotten", "program", {"  pinMode(8, OUTPUT);\n": ""}, ("pin-mode-missing",)),
    Fault("supply and ground exchanged", "wiring", {"wire a3 +L3": "wire a3 -L3", "wire a5 -L5": "wire a5 +L5"}, ("supply-reversed",)),
    Fault("dry in the log", "log", {"Wet cloth\n": "Wet cloth\n" + "Humidity: 30.00%\n" * 40}, ("out",)),
))  # fmt: skip

_KNOCK = """
id: hive-tap
title: Hive tap
summary: A vibration switch calls an interrupt; a light stays on while it shakes.
board: mcu-5v
minutes: 40
recipe:
  - {ref: S1, part: vibration, title: tap switch}
  - {ref: D1, part: led, title: tap light, settings: {colour: red}}
  - {ref: R1, part: resistor, title: light resistor, settings: {value: "330"}}
conventions: {prints: false}
steps:
  - {name: Still, ref: S1, quantity: knock, value: 0, dwell_seconds: 5}
  - {name: Shaken, ref: S1, quantity: knock, value: 1, dwell_seconds: 5}
behaviour:
  - {when: S1.knock over 0.5, then: {D1: on}, otherwise: {D1: off}}
"""
_KNOCK_WIRING = """\
board B1 mcu-5v
base full
wire B1.GND -L
part S1 vibration c10 c14
wire a10 B1.D3
wire a14 -L14
""" + _LED.format(pin="D6")
_KNOCK_PROGRAM = """\
const byte tapPin = 3, lightPin = 6;
volatile bool shaken = false;

void tapped() { shaken = digitalRead(tapPin) == LOW; }

void setup() {
  pinMode(tapPin, INPUT_PULLUP);
  pinMode(lightPin, OUTPUT);
  attachInterrupt(digitalPinToInterrupt(tapPin), tapped, CHANGE);
}

void loop() {
  digitalWrite(lightPin, shaken);
}
"""
KNOCK = Wild("an interrupt", _KNOCK, _KNOCK_WIRING, _KNOCK_PROGRAM, "Still\nnothing\nShaken\nknock\n", (
    Fault("only when it begins", "program", {"tapped, CHANGE)": "tapped, FALLING)"}, ("alarm-stays-on", "alarm-at-wrong-value")),
    Fault("without pull-up", "program", {"INPUT_PULLUP": "INPUT"}, ("floating-input", "alarm-inverted", "alarm-at-wrong-value", "input-floats", "alarm-never-on", "alarm-stays-on")),
    Fault("the wrong sense", "program", {"digitalRead(tapPin) == LOW": "digitalRead(tapPin) == HIGH"}, ("alarm-inverted", "alarm-never-on")),
    Fault("a pin without an interrupt", "program", {"tapPin = 3": "tapPin = 4"}, ("pin-differs-from-wiring", "no-interrupt")),
    Fault("a call in place of a name", "program", {"tapped, CHANGE)": "tapped(), CHANGE)"}, ("refused-use", "syntax")),
    Fault("the light turned round", "wiring", {"anode=c34 cathode=c35": "anode=c35 cathode=c34"}, ("light-reversed",)),
    Fault("knocks while it is still", "log", {"Still\nnothing\n": "Still\nknock\nknock\nknock\n"}, ("out",)),
))  # fmt: skip

_PAIR = """
id: two-gaps
title: Two gaps
summary: Two obstacle modules, one light each; both states in one line.
board: mcu-5v
minutes: 50
recipe:
  - {ref: U1, part: obstacle, title: left module}
  - {ref: U2, part: obstacle, title: right module}
  - {ref: D1, part: led, title: left light, settings: {colour: red}}
  - {ref: R1, part: resistor, title: left resistor, settings: {value: "330"}}
  - {ref: D2, part: led, title: right light, settings: {colour: green}}
  - {ref: R2, part: resistor, title: right resistor, settings: {value: "330"}}
conventions: {prints: false}
steps:
  - {name: Both free, ref: U1, quantity: cm, value: 60, dwell_seconds: 5, also: [{ref: U2, quantity: cm, value: 60}]}
  - {name: Left closed, ref: U1, quantity: cm, value: 4, dwell_seconds: 5, also: [{ref: U2, quantity: cm, value: 60}]}
  - {name: Right closed, ref: U1, quantity: cm, value: 60, dwell_seconds: 5, also: [{ref: U2, quantity: cm, value: 4}]}
behaviour:
  - {when: U1.cm under 12, then: {D1: on}, otherwise: {D1: off}}
  - {when: U2.cm under 12, then: {D2: on}, otherwise: {D2: off}}
"""
_PAIR_WIRING = """\
board B1 mcu-5v
base full
wire B1.5V +L
wire B1.GND -L
part U1 obstacle supply=c3 ground=c4 out=c5 enable=c6
wire a3 +L3
wire a4 -L4
wire a5 B1.D2
part U2 obstacle supply=c10 ground=c11 out=c12 enable=c13
wire a10 +L10
wire a11 -L11
wire a12 B1.D3
part R2 resistor b40 b44 value=330
part D2 led anode=c44 cathode=c45 colour=green
wire a40 B1.D5
wire a45 -L45
""" + _LED.format(pin="D4")
_PAIR_PROGRAM = """\
const int eyes[] = {2, 3};
const int lamps[] = {4, 5};
void setup() {
  for (int i = 0; i < 2; i++) {
    pinMode(eyes[i], INPUT);
    pinMode(lamps[i], OUTPUT);
  }
}
void loop() {
  for (int i = 0; i < 2; i++) {
    digitalWrite(lamps[i], digitalRead(eyes[i]) ? LOW : HIGH);
  }
}
"""
PAIR = Wild("two of a kind in lists", _PAIR, _PAIR_WIRING, _PAIR_PROGRAM, "Both free\nleft free, right free\nLeft closed\nleft blocked, right free\nRight closed\nleft free, right blocked\n", (
    Fault("one turn short", "program", {"for (int i = 0; i < 2; i++) {\n    digitalWrite": "for (int i = 0; i < 1; i++) {\n    digitalWrite"}, ("alarm-never-on", "loop-one-short")),
    Fault("lamps exchanged", "program", {"lamps[] = {4, 5}": "lamps[] = {5, 4}"}, ("alarm-inverted", "alarm-at-wrong-value", "alarm-never-on")),
    Fault("sense", "program", {"? LOW : HIGH": "? HIGH : LOW"}, ("alarm-inverted",)),
    Fault("one place too far", "program", {"for (int i = 0; i < 2; i++) {\n    pinMode": "for (int i = 0; i <= 2; i++) {\n    pinMode"}, ("index-outside", "outside-array", "place-outside-list", "array-overrun")),
    Fault("modules exchanged on the bench", "wiring", {"wire a5 B1.D2": "wire a5 B1.D3", "wire a12 B1.D3": "wire a12 B1.D2"}, ("alarm-inverted", "alarm-at-wrong-value", "alarm-never-on")),
    Fault("out and ground exchanged", "wiring", {"ground=c4 out=c5": "ground=c5 out=c4"}, ("output-tied-to-ground", "ground-missing", "output-on-rail", "supply-missing", "pin-differs-from-wiring", "output-tied", "ground-leg-elsewhere")),
    Fault("blocked where it was free", "log", {"Both free\nleft free, right free\n": "Both free\nleft blocked, right free\nleft blocked, right free\n"}, ("out",)),
))  # fmt: skip

_BANDS = """
id: feeder-bands
title: Feeder bands
summary: A water strip; one of three lights tells empty, half and full by the pair's own counts.
board: mcu-5v
minutes: 60
recipe:
  - {ref: U1, part: water-strip, title: feeder strip}
  - {ref: D1, part: led, title: empty light, settings: {colour: red}}
  - {ref: D2, part: led, title: full light, settings: {colour: green}}
  - {ref: R1, part: resistor, title: empty resistor, settings: {value: "330"}}
  - {ref: R2, part: resistor, title: full resistor, settings: {value: "330"}}
readings:
  - {name: feeder, ref: U1, quantity: percent, print: count}
conventions: {threshold: two-readings}
steps:
  - {name: Empty, ref: U1, quantity: percent, value: 0, dwell_seconds: 8}
  - {name: Full, ref: U1, quantity: percent, value: 90, dwell_seconds: 8}
behaviour:
  - {when: U1.percent over 30, then: {D2: on, D1: off}, otherwise: {D2: off, D1: on}}
"""
_BANDS_WIRING = """\
board B1 mcu-5v
base full
wire B1.GND -L
part U1 water-strip supply=c3 out=c4 ground=c5
wire a3 B1.D12
wire a4 B1.A2
wire a5 -L5
part R2 resistor b40 b44 value=330
part D2 led anode=c44 cathode=c45 colour=green
wire a40 B1.D6
wire a45 -L45
""" + _LED.format(pin="D5")
_BANDS_PROGRAM = """\
enum Level { EMPTY, FULL };
const int power = 12, strip = A2;
const int limit = 300;

int measure() {
  digitalWrite(power, HIGH);
  delay(20);
  int v = analogRead(strip);
  digitalWrite(power, LOW);
  return v;
}

void setup() {
  Serial.begin(9600);
  pinMode(power, OUTPUT);
  pinMode(5, OUTPUT);
  pinMode(6, OUTPUT);
}

void loop() {
  int v = measure();
  Level level = v < limit ? EMPTY : FULL;
  Serial.print("v:");
  Serial.println(v);
  switch (level) {
    case EMPTY:
      digitalWrite(5, HIGH);
      digitalWrite(6, LOW);
      break;
    case FULL:
      digitalWrite(5, LOW);
      digitalWrite(6, HIGH);
      break;
  }
  delay(500);
}
"""
BANDS = Wild("a switch over levels", _BANDS, _BANDS_WIRING, _BANDS_PROGRAM, "1. Empty\n" + "v:0\nv:0\nv:1\n" * 5 + "2. Full\n" + "v:668\nv:669\nv:667\n" * 5, (
    Fault("a break forgotten", "program", {"      digitalWrite(6, LOW);\n      break;\n": "      digitalWrite(6, LOW);\n"}, ("break-missing", "alarm-never-on", "alarm-stays-on", "alarm-inverted", "alarm-at-wrong-value")),
    Fault("comparison turned round", "program", {"v < limit": "v > limit"}, ("alarm-inverted",)),
    Fault("fed all the time", "program", {"  digitalWrite(power, LOW);\n": ""}, ("strip-fed-all-the-time",)),
    Fault("never fed", "program", {"  digitalWrite(power, HIGH);\n": ""}, ("printed-value-out", "alarm-never-on", "alarm-stays-on")),
    Fault("the strip's pin", "program", {"strip = A2": "strip = A3"}, ("pin-differs-from-wiring",)),
    Fault("out and supply exchanged", "wiring", {"supply=c3 out=c4": "supply=c4 out=c3"}, ("output-on-digital-pin", "supply-missing", "supply-reversed", "pin-differs-from-wiring", "supply-from-analogue-pin", "output-driven-by-pin")),
    Fault("full as empty in the log", "log", {"2. Full\n": "2. Full\n" + "v:3\n" * 60}, ("out",)),
))  # fmt: skip

_OPEN = """
id: door-left-open
title: Door left open
summary: A Hall switch on the store's door; the sounder comes when the magnet is away for 3 s.
board: mcu-5v
minutes: 50
recipe:
  - {ref: U1, part: hall, title: door switch}
  - {ref: R1, part: resistor, title: pull-up, settings: {value: 10k}}
  - {ref: BZ1, part: buzzer, title: door sounder}
conventions: {prints: false}
steps:
  - {name: Door shut, ref: U1, quantity: field, value: 1, dwell_seconds: 10}
  - {name: Door open, ref: U1, quantity: field, value: 0, dwell_seconds: 14}
behaviour:
  - {when: U1.field under 0.5 for 3 s, then: {BZ1: on}, otherwise: {BZ1: off}}
"""
_OPEN_WIRING = """\
board B1 mcu-5v
base full
wire B1.5V +L
wire B1.GND -L
part U1 hall c3 c4 c5
wire a3 +L3
wire a4 -L4
wire a5 B1.D4
part R1 resistor d5 d9 value=10k
wire a9 +L9
part BZ1 buzzer plus=c20 minus=c23
wire a20 B1.D10
wire a23 -L23
"""
_OPEN_PROGRAM = """\
const int door = 4;
const int sounder = 10;
unsigned long openSince;
bool wasOpen = false;

void setup() {
  pinMode(door, INPUT);
  pinMode(sounder, OUTPUT);
}

void loop() {
  bool open = digitalRead(door) == HIGH;
  if (open && !wasOpen) {
    openSince = millis();
  }
  wasOpen = open;
  if (open && millis() - openSince > 3000) {
    digitalWrite(sounder, HIGH);
  } else {
    digitalWrite(sounder, LOW);
  }
}
"""
OPEN = Wild("a state that has to last", _OPEN, _OPEN_WIRING, _OPEN_PROGRAM, "Door shut\nmagnet\nDoor open\nno magnet\n", (
    Fault("thirty seconds", "program", {"> 3000": "> 30000"}, ("alarm-never-on",)),
    Fault("the sense", "program", {"digitalRead(door) == HIGH": "digitalRead(door) == LOW"}, ("alarm-inverted",)),
    Fault("the time taken anew each turn", "program", {"if (open && !wasOpen) {": "if (open) {"}, ("alarm-never-on",)),
    Fault("never silent again", "program", {"  } else {\n    digitalWrite(sounder, LOW);\n  }": "  }"}, ("never-switched-off", "alarm-stays-on")),
    Fault("no pull-up", "wiring", {"part R1 resistor d5 d9 value=10k\nwire a9 +L9\n": ""}, ("floating-input", "part-missing")),
    Fault("the sounder turned round", "wiring", {"plus=c20 minus=c23": "plus=c23 minus=c20"}, ("sounder-never-sounds", "sounder-reversed")),
    Fault("the magnet away while the door was shut", "log", {"Door shut\nmagnet\n": "Door shut\nno magnet\nno magnet\n"}, ("out",)),
))  # fmt: skip

_SYRUP = """
id: syrup-python
title: Syrup in Python
summary: The wet probe at the wireless board in Python; a light above 28 °C.
board: mcu-3v3-wireless
minutes: 60
recipe:
  - {ref: U1, part: probe-1w, title: syrup probe}
  - {ref: R2, part: resistor, title: pull-up, settings: {value: 4k7}}
  - {ref: D1, part: led, title: warm light, settings: {colour: red}}
  - {ref: R1, part: resistor, title: light resistor, settings: {value: "330"}}
readings:
  - {name: syrup, ref: U1, quantity: celsius, decimals: 2}
steps:
  - {name: Cellar, ref: U1, quantity: celsius, value: 12, dwell_seconds: 15}
  - {name: Pot, ref: U1, quantity: celsius, value: 41, dwell_seconds: 15}
behaviour:
  - {when: U1.celsius over 28, then: {D1: on}, otherwise: {D1: off}}
"""
_SYRUP_WIRING = """\
board B1 mcu-3v3-wireless
base full
wire B1.3V3 +L
wire B1.GND -L
part U1 probe-1w supply=c3 data=c4 ground=c5
wire a3 +L3
wire a4 B1.GPIO4
wire a5 -L5
part R2 resistor d3 d4 value=4k7
""" + _LED.format(pin="GPIO16")
_SYRUP_PROGRAM = """\
import machine, singlewire, time
import wetprobe

bus = singlewire.Bus(machine.Pin(4))
probe = wetprobe.Probe(bus)
roms = probe.scan()
led = machine.Pin(16, machine.Pin.OUT)

while True:
    probe.convert_temp()
    time.sleep_ms(750)
    for rom in roms:
        t = probe.read_temp(rom)
        print("%.2f" % t)
        led.value(1 if t > 28 else 0)
    time.sleep(1)
"""
SYRUP = Wild("a bus of single wires in Python", _SYRUP, _SYRUP_WIRING, _SYRUP_PROGRAM, "# Cellar\n" + "12.06\n12.00\n11.94\n" * 4 + "# Pot\n" + "41.06\n41.00\n" * 6, (
    Fault("another threshold", "program", {"t > 28": "t > 38"}, ("alarm-at-wrong-value",)),
    Fault("inverted", "program", {"1 if t > 28 else 0": "0 if t > 28 else 1"}, ("alarm-inverted",)),
    Fault("another pin", "program", {"machine.Pin(4))": "machine.Pin(5))"}, ("pin-differs-from-wiring", "library-on-another-pin", "stops-on-bench")),
    Fault("no pull-up", "wiring", {"part R2 resistor d3 d4 value=4k7\n": ""}, ("data-without-pull-up", "part-missing")),
    Fault("supply left out", "wiring", {"wire a3 +L3\n": ""}, ("supply-missing", "dangling-lead")),
    Fault("a name in the wrong case", "program", {"machine.Pin.OUT": "machine.pin.OUT"}, ("ends-with-error", "name-miscased")),
    Fault("read before it was converted", "log", {"# Cellar\n": "# Cellar\n" + "85.00\n" * 60}, ("out",)),
))  # fmt: skip

ALL = (JSON, TWO, DARK, WEATHER, EVENT, KNOCK, PAIR, BANDS, OPEN, SYRUP)
