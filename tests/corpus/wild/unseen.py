"""Five of the ten exercises that were written when the checks were done, and first run then: values."""

from tests.corpus.wild import Fault, Wild

LED = """\
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
""" + LED.format(pin="D12")
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
    Fault("divided by seven", "program", {"sum / 8.0": "sum / 7.0"}, ("printed-value-out", "alarm-at-wrong-value", "average-of-another-count")),
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
""" + LED.format(pin="D7")
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
""" + LED.format(pin="D9")
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
""" + LED.format(pin="D8")
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

ALL = (JSON, TWO, DARK, WEATHER, EVENT)
