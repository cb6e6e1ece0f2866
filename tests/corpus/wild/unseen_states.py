"""The other five of the ten exercises that were written last: states, bands, a time that has to pass."""

from tests.corpus.wild import Fault, Wild
from tests.corpus.wild.unseen import LED

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
""" + LED.format(pin="D6")
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
""" + LED.format(pin="D4")
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
""" + LED.format(pin="D5")
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
    Fault("a break forgotten", "program", {"      digitalWrite(6, LOW);\n      break;\n": "      digitalWrite(6, LOW);\n"}, ("missing-break", "alarm-never-on", "alarm-stays-on", "alarm-inverted", "alarm-at-wrong-value")),
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
""" + LED.format(pin="GPIO16")
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

ALL = (KNOCK, PAIR, BANDS, OPEN, SYRUP)
