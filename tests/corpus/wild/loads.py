"""Relays, a display with four data lines, ids of tags."""

from tests.corpus.wild import Fault, Wild

_SHED = """
id: shed-lamp
title: Shed lamp
summary: A motion module switches a low-voltage lamp over a transistor and a relay; no print is asked for.
board: mcu-5v
minutes: 80
recipe:
  - {ref: U1, part: motion, title: shed module}
  - {ref: Q1, part: npn, title: relay transistor}
  - {ref: R1, part: resistor, title: base resistor, settings: {value: 1k}}
  - {ref: D1, part: diode, title: coil diode}
  - {ref: K1, part: relay, title: lamp relay}
conventions: {prints: false}
steps:
  - {name: Nobody, ref: U1, quantity: motion, value: 0, dwell_seconds: 15}
  - {name: Somebody, ref: U1, quantity: motion, value: 1, dwell_seconds: 15}
behaviour:
  - {when: U1.motion over 0.5, then: {K1: on}, otherwise: {K1: off}}
"""
_SHED_WIRING = """\
board B1 mcu-5v
base full
wire B1.5V +L
wire B1.GND -L
part U1 motion c3 c4 c5
wire a3 +L3
wire a4 B1.D8
wire a5 -L5
part Q1 npn collector=c20 base=c21 emitter=c22
part R1 resistor b21 b26 value=1k
wire a26 B1.D6
wire a22 -L22
part K1 relay coil1=h30 coil2=h32
wire j30 +L30
wire j32 a20
part D1 diode anode=g32 cathode=g30
"""
_SHED_PROGRAM = """\
int pir = 8, relay = 6;
void setup() {
  pinMode(pir, INPUT);
  pinMode(relay, OUTPUT);
}
void loop() {
  digitalWrite(relay, digitalRead(pir) == HIGH ? HIGH : LOW);
  delay(50);
}
"""
SHED = Wild("a relay over a transistor", _SHED, _SHED_WIRING, _SHED_PROGRAM, "Nobody\noff\noff\nSomebody\non\non\n", (
    Fault("no diode across the coil", "wiring", {"part D1 diode anode=g32 cathode=g30\n": ""}, ("coil-without-diode", "part-missing")),
    Fault("the diode turned round", "wiring", {"anode=g32 cathode=g30": "anode=g30 cathode=g32"}, ("coil-diode-reversed",)),
    Fault("no base resistor", "wiring", {"part R1 resistor b21 b26 value=1k\n": "wire b21 b26\n"}, ("base-without-resistor",)),
    Fault("far too great a base resistor", "wiring", {"value=1k": "value=220k"}, ("transistor-never-on", "transistor-not-saturated", "load-never-works")),
    Fault("the coil straight on the pin", "wiring", {"wire j32 a20": "wire j32 a26"}, ("heavy-load-on-pin", "pin-over-current")),
    Fault("collector and emitter exchanged", "wiring", {"collector=c20 base=c21 emitter=c22": "collector=c22 base=c21 emitter=c20"}, ("transistor-legs-swapped", "load-never-works", "transistor-never-on")),
    Fault("the other way round", "program", {"? HIGH : LOW": "? LOW : HIGH"}, ("alarm-inverted",)),
    Fault("another pin", "program", {"relay = 6": "relay = 7"}, ("pin-differs-from-wiring",)),
    Fault("on where nobody was", "log", {"Nobody\noff\noff\n": "Nobody\non\non\n"}, ("out",)),
))  # fmt: skip

_SIGN = """
id: gate-sign
title: Gate sign
summary: A display with four data lines shows the distance in inches; the word Stop stands below 12 inches.
board: mcu-5v
minutes: 90
recipe:
  - {ref: U1, part: sonar-4, title: gate module}
  - {ref: U2, part: display-16x2, title: gate display}
  - {ref: P1, part: trimmer, title: contrast, settings: {value: 10k}}
  - {ref: R1, part: resistor, title: backlight resistor, settings: {value: "220"}}
readings:
  - {name: distance, ref: U1, quantity: cm, print: inch, decimals: 1}
conventions: {prints: false}
steps:
  - {name: Far, ref: U1, quantity: cm, value: 76.2, dwell_seconds: 8}
  - {name: Near, ref: U1, quantity: cm, value: 17.78, dwell_seconds: 8}
behaviour:
  - {when: U1.inch under 12, then: {U2: Stop}, otherwise: {U2: Go}}
"""
_SIGN_WIRING = """\
board B1 mcu-5v
base full
wire B1.5V +L
wire B1.GND -L
part U1 sonar-4 c3 c4 c5 c6
wire a3 +L3
wire a4 B1.D8
wire a5 B1.D9
wire a6 -L6
part U2 display-16x2 ground=e30 supply=e31 contrast=e32 rs=e33 rw=e34 enable=e35 d4=e40 d5=e41 d6=e42 d7=e43 lightplus=e44 lightminus=e45
part P1 trimmer end1=g20 wiper=g21 end2=g22 value=10k
wire j20 -L20
wire j22 +L22
wire j21 a32
wire a30 -L30
wire a31 +L31
wire a33 B1.D7
wire a34 -L34
wire a35 B1.D6
wire a40 B1.D5
wire a41 B1.D4
wire a42 B1.D3
wire a43 B1.D2
part R1 resistor b44 b50 value=220
wire a50 +L50
wire a45 -L45
"""
_SIGN_PROGRAM = """\
#include <FourLines.h>
FourLines lcd(7, 6, 5, 4, 3, 2);
#define TRIG 8
#define ECHO 9

void setup() {
  lcd.begin(16, 2);
  pinMode(TRIG, OUTPUT);
  pinMode(ECHO, INPUT);
  lcd.print("Distance:");
}

void loop() {
  digitalWrite(TRIG, LOW);
  delayMicroseconds(2);
  digitalWrite(TRIG, HIGH);
  delayMicroseconds(10);
  digitalWrite(TRIG, LOW);
  float inches = pulseIn(ECHO, HIGH) / 148.0;
  lcd.setCursor(0, 1);
  lcd.print("                ");
  lcd.setCursor(0, 1);
  lcd.print(inches, 1);
  lcd.print(" in");
  lcd.setCursor(11, 1);
  if (inches < 12) {
    lcd.print("Stop");
  } else {
    lcd.print("Go");
  }
  delay(250);
}
"""
SIGN = Wild("inches on a display of four lines", _SIGN, _SIGN_WIRING, _SIGN_PROGRAM, "Far\n30.0 in\n29.9 in\nNear\n7.0 in\n7.1 in\n", (
    Fault("the library's pins in another order", "program", {"lcd(7, 6, 5, 4, 3, 2)": "lcd(7, 6, 2, 3, 4, 5)"}, ("display-told-otherwise",)),
    Fault("never begun", "program", {"  lcd.begin(16, 2);\n": ""}, ("display-not-begun",)),
    Fault("two data leads exchanged", "wiring", {"wire a40 B1.D5": "wire a40 B1.D4", "wire a41 B1.D4": "wire a41 B1.D5"}, ("display-told-otherwise",)),
    Fault("centimetres", "program", {"148.0": "58.0"}, ("printed-value-out", "alarm-at-wrong-value", "output-in-another-state", "printed-in-centimetres")),
    Fault("not halved", "program", {"148.0": "74.0"}, ("echo-not-halved",)),
    Fault("another threshold", "program", {"inches < 12": "inches < 20"}, ("alarm-at-wrong-value",)),
    Fault("words exchanged", "program", {"inches < 12": "inches > 12"}, ("output-in-another-state",)),
    Fault("rw at the supply", "wiring", {"wire a34 -L34": "wire a34 +L34"}, ("strap-at-wrong-level",)),
    Fault("backlight without resistor", "wiring", {"part R1 resistor b44 b50 value=220\n": "wire b44 b50\n"}, ("led-no-series-resistor", "light-over-current")),
    Fault("far away told as near", "log", {"Far\n": "Far\n" + "7.0 in\n" * 20}, ("out",)),
))  # fmt: skip

_DOOR = """
id: honey-room-door
title: Honey room door
summary: Two known tags, two lights; the id is printed.
board: mcu-3v3-wireless
minutes: 80
recipe:
  - {ref: U1, part: tag-reader, title: door reader}
  - {ref: D1, part: led, title: first light, settings: {colour: green}}
  - {ref: D2, part: led, title: second light, settings: {colour: yellow}}
  - {ref: R1, part: resistor, title: first resistor, settings: {value: "150"}}
  - {ref: R2, part: resistor, title: second resistor, settings: {value: "150"}}
readings:
  - {name: id, ref: U1, quantity: tag}
steps:
  - {name: First tag, ref: U1, quantity: tag, text: 3C 91 0A F4, dwell_seconds: 6}
  - {name: Second tag, ref: U1, quantity: tag, text: 77 1E B0 02, dwell_seconds: 6}
behaviour:
  - {when: U1.tag is 3C 91 0A F4, then: {D1: on}, otherwise: {D1: off}}
  - {when: U1.tag is 77 1E B0 02, then: {D2: on}, otherwise: {D2: off}}
"""
_DOOR_WIRING = """\
board B1 mcu-3v3-wireless
base full
wire B1.3V3 +L
wire B1.GND -L
part U1 tag-reader supply=c10 reset=c11 ground=c12 miso=c14 mosi=c15 sck=c16 select=c17
wire a10 +L10
wire a11 B1.GPIO22
wire a12 -L12
wire a14 B1.GPIO19
wire a15 B1.GPIO23
wire a16 B1.GPIO18
wire a17 B1.GPIO5
part R1 resistor b30 b34 value=150
part D1 led anode=c34 cathode=c35 colour=green
wire a30 B1.GPIO26
wire a35 -L35
part R2 resistor b40 b44 value=150
part D2 led anode=c44 cathode=c45 colour=yellow
wire a40 B1.GPIO27
wire a45 -L45
"""
_DOOR_PROGRAM = """\
#include <SPI.h>
#include <TagReader.h>
#define SS_PIN 5
#define RST_PIN 22
TagReader reader(SS_PIN, RST_PIN);

void setup() {
  Serial.begin(115200);
  SPI.begin();
  reader.CHIP_Init();
  pinMode(26, OUTPUT);
  pinMode(27, OUTPUT);
}

void loop() {
  if (!reader.TAG_IsNewCardPresent()) return;
  if (!reader.TAG_ReadCardSerial()) return;
  String id = "";
  for (byte i = 0; i < reader.uid.size; i++) {
    if (reader.uid.uidByte[i] < 0x10) id += "0";
    id += String(reader.uid.uidByte[i], HEX);
    if (i < reader.uid.size - 1) id += " ";
  }
  id.toUpperCase();
  Serial.println(id);
  digitalWrite(26, id == "3C 91 0A F4");
  digitalWrite(27, id == "77 1E B0 02");
  delay(500);
}
"""
DOOR = Wild("two tags, two lights", _DOOR, _DOOR_WIRING, _DOOR_PROGRAM, "First tag\n" + "3C 91 0A F4\n" * 5 + "Second tag\n" + "77 1E B0 02\n" * 5, (
    Fault("compared in small letters", "program", {'"3C 91 0A F4"': '"3c 91 0a f4"'}, ("alarm-never-on",)),
    Fault("no zero in front", "program", {'    if (reader.uid.uidByte[i] < 0x10) id += "0";\n': ""}, ("alarm-never-on",)),
    Fault("put together in base 10", "program", {", HEX)": ", DEC)"}, ("id-in-base-10", "alarm-never-on")),
    Fault("the lights exchanged", "program", {'digitalWrite(26, id == "3C': 'digitalWrite(27, id == "3C', 'digitalWrite(27, id == "77': 'digitalWrite(26, id == "77'}, ("alarm-inverted", "alarm-at-wrong-value", "alarm-never-on")),
    Fault("fed with 5 V", "wiring", {"wire B1.3V3 +L": "wire B1.5V +L"}, ("supply-over-maximum", "supply-over", "level-over")),
    Fault("data lines exchanged", "wiring", {"wire a14 B1.GPIO19": "wire a14 B1.GPIO23", "wire a15 B1.GPIO23": "wire a15 B1.GPIO19"}, ("bus-swapped",)),
    Fault("another select pin", "program", {"SS_PIN 5": "SS_PIN 15"}, ("library-on-another-pin", "pin-differs-from-wiring", "alarm-never-on")),
    Fault("another tag in the log", "log", {"Second tag\n": "Second tag\n" + "11 22 33 44\n" * 20}, ("out",)),
))  # fmt: skip

ALL = (SHED, SIGN, DOOR)
