"""Sound, knocks, a sounder on a little board, a knob: modules with an analogue and a digital leg."""

from tests.corpus.wild import Fault, Wild

_CLAP = """
id: clap-lamp
title: Clap lamp
summary: A microphone module hears a clap and a light goes on; the level is printed as a word.
board: mcu-5v
minutes: 40
recipe:
  - {ref: U1, part: mic, title: yard microphone}
  - {ref: D1, part: led, title: clap light, settings: {colour: green}}
  - {ref: R1, part: resistor, title: light resistor, settings: {value: "330"}}
steps:
  - {name: Silence, ref: U1, quantity: sound, value: 0, dwell_seconds: 6}
  - {name: Clapping, ref: U1, quantity: sound, value: 1, dwell_seconds: 6}
behaviour:
  - {when: U1.sound over 0.5, then: {D1: on}, otherwise: {D1: off}}
"""
_CLAP_WIRING = """\
board B1 mcu-5v
base half
part U1 mic supply=c4 ground=c5 out=c6 analogue=c7
wire a4 B1.5V red
wire a5 B1.GND black
wire a6 B1.D12 green
part R1 resistor h20 h24 value=330
part D1 led anode=i24 cathode=i25 colour=green
wire j20 B1.D13
wire j25 B1.GND
"""
_CLAP_PROGRAM = """\
#define MIC 12
#define LIGHT 13

void setup()
{
  Serial.begin(9600);
  pinMode(MIC, INPUT);
  pinMode(LIGHT, OUTPUT);
}

void loop()
{
  int heard = digitalRead(MIC);
  if (heard == 1)
  {
    Serial.println("sound!");
    digitalWrite(LIGHT, HIGH);
  }
  else
  {
    Serial.println("quiet");
    digitalWrite(LIGHT, LOW);
  }
  delay(100);
}
"""
CLAP = Wild("a second leg that stays open", _CLAP, _CLAP_WIRING, _CLAP_PROGRAM, "Silence\n" + "quiet\n" * 20 + "Clapping\n" + "sound!\n" * 20, (
    Fault("read the wrong way round", "program", {"heard == 1": "heard == 0"}, ("alarm-inverted",)),
    Fault("one equals sign", "program", {"heard == 1": "heard = 1"}, ("assignment-in-condition",)),
    Fault("the raw leg read as a level", "wiring", {"wire a6 B1.D12 green": "wire a7 B1.D12 green"}, ("dangling-lead", "output-unconnected", "function-not-built", "output-to-no-pin", "output-not-read")),
    Fault("pins exchanged", "program", {"#define MIC 12": "#define MIC 13", "#define LIGHT 13": "#define LIGHT 12"}, ("pin-differs-from-wiring",)),
    Fault("fed backwards", "wiring", {"wire a4 B1.5V red": "wire a4 B1.GND black", "wire a5 B1.GND black": "wire a5 B1.5V red"}, ("supply-reversed",)),
    Fault("brace left out", "program", {"    digitalWrite(LIGHT, LOW);\n  }": "    digitalWrite(LIGHT, LOW);"}, ("syntax",)),
    Fault("the light forgotten at the end", "program", {"    digitalWrite(LIGHT, LOW);\n": ""}, ("never-switched-off", "alarm-stays-on")),
    Fault("sound where it was silent", "log", {"Silence\n" + "quiet\n" * 20: "Silence\n" + "sound!\n" * 20}, ("out",)),
))  # fmt: skip

_SOUNDER = """
id: hive-knock
title: Hive knock
summary: A knock on the hive sounds the little sounder board for as long as it lasts; the board sounds at a low level.
board: mcu-5v
minutes: 40
recipe:
  - {ref: U1, part: mic, title: knock module}
  - {ref: BZ1, part: sounder-board, title: sounder board}
conventions: {prints: false}
steps:
  - {name: Still, ref: U1, quantity: sound, value: 0, dwell_seconds: 6}
  - {name: Knocking, ref: U1, quantity: sound, value: 1, dwell_seconds: 6}
functions:
  - {part: BZ1, reaches: digital-output}
behaviour:
  - {when: U1.sound over 0.5, then: {BZ1: on}, otherwise: {BZ1: off}}
"""
_SOUNDER_WIRING = """\
board B1 mcu-5v
base half
wire B1.5V +L
wire B1.GND -L
part U1 mic c4 c5 c6
wire a4 +L4
wire a5 -L5
wire a6 B1.D2
part BZ1 sounder-board c20 c21 c22
wire a20 +L20
wire a21 -L21
wire a22 B1.D3
"""
_SOUNDER_PROGRAM = """\
const byte knockPin = 2, sounderPin = 3;
void setup() {
  pinMode(sounderPin, OUTPUT);
  digitalWrite(sounderPin, HIGH);   // silent
}
void loop() {
  digitalWrite(sounderPin, !digitalRead(knockPin));
}
"""
SOUNDER = Wild("a sounder on a little board", _SOUNDER, _SOUNDER_WIRING, _SOUNDER_PROGRAM, "Still\nno sound\nKnocking\nsound\n", (
    Fault("the sounder's sense", "program", {"!digitalRead(knockPin)": "digitalRead(knockPin)"}, ("alarm-inverted",)),
    Fault("signal leg left open", "wiring", {"wire a22 B1.D3\n": ""}, ("input-unconnected", "dangling-lead")),
    Fault("signal at ground", "wiring", {"wire a22 B1.D3": "wire a22 -L22"}, ("input-held",)),
    Fault("sounder without its supply", "wiring", {"wire a20 +L20\n": ""}, ("supply-missing", "dangling-lead")),
    Fault("another pin", "program", {"sounderPin = 3": "sounderPin = 4"}, ("pin-differs-from-wiring",)),
    Fault("mode left out", "program", {"  pinMode(sounderPin, OUTPUT);\n": ""}, ("pin-mode-missing",)),
    Fault("module fed backwards", "wiring", {"wire a4 +L4": "wire a4 -L4", "wire a5 -L5": "wire a5 +L5"}, ("supply-reversed",)),
))  # fmt: skip

_GAS_LEVEL = """
id: smoke-both-legs
title: Smoke on both legs
summary: The gas module's count is printed; a light follows its own comparator's leg.
board: mcu-5v
minutes: 60
recipe:
  - {ref: U1, part: gas-heated, title: smoke module}
  - {ref: D1, part: led, title: smoke light, settings: {colour: red}}
  - {ref: R1, part: resistor, title: light resistor, settings: {value: "220"}}
readings:
  - {name: smoke, ref: U1, quantity: ppm, print: count}
conventions: {threshold: two-readings}
steps:
  - {name: Clean air, ref: U1, quantity: ppm, value: 10, dwell_seconds: 10}
  - {name: Sealed sample, ref: U1, quantity: ppm, value: 1500, dwell_seconds: 10}
behaviour:
  - {when: U1.ppm over 500, then: {D1: on}, otherwise: {D1: off}}
"""
_GAS_LEVEL_WIRING = """\
board B1 mcu-5v
base full
wire B1.5V +L
wire B1.GND -L
part U1 gas-heated supply=c10 ground=c11 digital=c12 out=c13 trip=40%
wire a10 +L10
wire a11 -L11
wire a12 B1.D7
wire a13 B1.A0
part R1 resistor b30 b34 value=220
part D1 led anode=c34 cathode=c35 colour=red
wire a30 B1.D5
wire a35 -L35
"""
_GAS_LEVEL_PROGRAM = """\
int gasA = A0;
int gasD = 7;
void setup() {
  Serial.begin(9600);
  pinMode(gasD, INPUT);
  pinMode(5, OUTPUT);
}
void loop() {
  Serial.print("Gas value: ");
  Serial.println(analogRead(gasA));
  if (digitalRead(gasD) == LOW) digitalWrite(5, HIGH);
  else digitalWrite(5, LOW);
  delay(1000);
}
"""
GAS_LEVEL = Wild("a module read on both of its legs", _GAS_LEVEL, _GAS_LEVEL_WIRING, _GAS_LEVEL_PROGRAM, "== Clean air ==\n" + "Gas value: 101\nGas value: 103\n" * 5 + "== Sealed sample ==\n" + "Gas value: 572\nGas value: 570\n" * 5, (
    Fault("the comparator's sense", "program", {"digitalRead(gasD) == LOW": "digitalRead(gasD) == HIGH"}, ("alarm-inverted",)),
    Fault("legs exchanged at the board", "wiring", {"wire a12 B1.D7": "wire a12 B1.A0", "wire a13 B1.A0": "wire a13 B1.D7"}, ("output-on-digital-pin",)),
    Fault("from the 3.3 V pin", "wiring", {"wire B1.5V +L": "wire B1.3V3 +L"}, ("supply-pin-over-current",)),
    Fault("from a signal pin", "wiring", {"wire a10 +L10": "wire a10 B1.D8"}, ("heavy-load-on-pin",)),
    Fault("the raw value compared the wrong way", "program", {"if (digitalRead(gasD) == LOW)": "if (analogRead(gasA) < 300)"}, ("alarm-inverted",)),
    Fault("another pin", "program", {"int gasD = 7": "int gasD = 8"}, ("pin-differs-from-wiring",)),
    Fault("clean air as bad as the sample", "log", {"== Clean air ==\n": "== Clean air ==\n" + "Gas value: 900\n" * 60}, ("out",)),
))  # fmt: skip

_KNOB = """
id: fan-knob
title: Fan knob
summary: A knob sets the brightness of a light; the count is printed.
board: mcu-5v-compact
minutes: 30
recipe:
  - {ref: P1, part: pot, title: knob, settings: {value: 10k}}
  - {ref: D1, part: led, title: light, settings: {colour: blue}}
  - {ref: R1, part: resistor, title: light resistor, settings: {value: "150"}}
readings:
  - {name: knob, ref: P1, quantity: position, print: count}
steps:
  - {name: Quarter turn, ref: P1, quantity: position, value: 0.25, dwell_seconds: 5}
  - {name: Half turn, ref: P1, quantity: position, value: 0.5, dwell_seconds: 5}
  - {name: Full turn, ref: P1, quantity: position, value: 1, dwell_seconds: 5}
follows:
  - {output: D1, of: P1.position, by: brightness}
"""
_KNOB_WIRING = """\
board B1 mcu-5v-compact
base full
wire B1.5V +L
wire B1.GND -L
part P1 pot end1=c40 wiper=c41 end2=c42 value=10k
wire a40 -L40
wire a42 +L42
wire a41 B1.A6
part R1 resistor b50 b54 value=150
part D1 led anode=c54 cathode=c55 colour=blue
wire a50 B1.D3
wire a55 -L55
"""
_KNOB_PROGRAM = """\
void setup() {
  Serial.begin(9600);
  pinMode(3, OUTPUT);
}
void loop() {
  int raw = analogRead(A6);
  int pwm = raw / 4;
  analogWrite(3, pwm);
  Serial.print(raw); Serial.print("\\t-> "); Serial.println(pwm);
  delay(200);
}
"""
KNOB = Wild("a knob and a second number behind an arrow", _KNOB, _KNOB_WIRING, _KNOB_PROGRAM, "# Quarter turn\n" + "255\t-> 63\n256\t-> 64\n" * 8 + "# Half turn\n" + "512\t-> 128\n511\t-> 127\n" * 8 + "# Full turn\n" + "1023\t-> 255\n" * 16, (
    Fault("not scaled", "program", {"raw / 4": "raw"}, ("output-does-not-follow", "duty-wraps", "analog-write-too-large", "duty-beyond-range")),
    Fault("the wrong way round", "program", {"raw / 4": "255 - raw / 4"}, ("output-does-not-follow",)),
    Fault("another analogue pin", "program", {"analogRead(A6)": "analogRead(A5)"}, ("pin-differs-from-wiring",)),
    Fault("wiper and end exchanged", "wiring", {"end1=c40 wiper=c41": "end1=c41 wiper=c40"}, ("short-in-one-position",)),
    Fault("both ends at ground", "wiring", {"wire a42 +L42": "wire a42 -L42"}, ("knob-ends-joined",)),
    Fault("a pin that cannot dim", "wiring", {"wire a50 B1.D3": "wire a50 B1.D4"}, ("pin-differs-from-wiring",)),
    Fault("half turn far off", "log", {"# Half turn\n": "# Half turn\n" + "900\t-> 225\n" * 60}, ("out",)),
))  # fmt: skip

ALL = (CLAP, SOUNDER, GAS_LEVEL, KNOB)
