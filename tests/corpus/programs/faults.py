"""Mistakes of the field, each in a sound program of the corpus: what is changed, and which rule is to name it."""

from dataclasses import dataclass
from pathlib import Path

from tests.corpus.programs.exercises import (
    CLIMATE,
    FEED,
    GAP,
    HEAT,
    HEIGHT,
    LID,
    SMOKE,
    SYRUP,
    TAG,
    TOPPLED,
    WALL,
    YARD,
)
from tests.corpus.programs.warnings import WARNINGS
from tests.samples import DEMO

SOUND = Path(__file__).parent / "sound"

#: Rules that stand for what a compiler or interpreter refuses.
REFUSALS = (
    "syntax",
    "missing-function",
    "name-miscased",
    "name-undeclared",
    "refused-use",
    "include-missing",
    "memory-full",
)


@dataclass(frozen=True, slots=True)
class Fault:
    """One slip: in `program`, `old` became `new`; any of `rules` names it."""

    rules: tuple[str, ...]
    program: str
    old: str
    new: str

    @property
    def exercise(self) -> str:
        return self.program.split("/")[0]

    @property
    def sound(self) -> str:
        """The program without it; `reference.…` is the instructor's own of the exercise."""
        folder = DEMO / "exercises" if "/reference." in self.program else SOUND
        return (folder / self.program).read_text("utf-8")

    @property
    def text(self) -> str:
        """The program with the slip. Raises AssertionError when the place is not there, or there twice."""
        sound = self.sound
        assert sound.count(self.old) == 1, f"{self.program}: {self.old!r} stands {sound.count(self.old)} times"
        return sound.replace(self.old, self.new)

    @property
    def lines(self) -> range:
        """The lines that the slip touches, from 1 on."""
        first = self.sound[: self.sound.index(self.old)].count("\n") + 1
        return range(first, first + max(self.old.count("\n"), self.new.count("\n")) + 1)


#: rule or rules → (program, what stood there, what stands there now)
SLIPS: dict[str, list[tuple[str, str, str]]] = {
    # -- what a compiler refuses ----------------------------------------------------------------
    "syntax": [
        (f"{HEAT}/allman-tabs.cpp", "pinMode(SOUNDER, OUTPUT);", "pinMode(SOUNDER, OUTPUT)"),
        (f"{HEAT}/allman-tabs.cpp", "/ VOLTS_PER_DEGREE;\n", "/ VOLTS_PER_DEGREE\n"),
        (f"{HEAT}/dead-code.cpp", "int buzzer = 4;", "int buzzer = 4"),
        (f"{HEAT}/one-letter.cpp", "delay(1000);}", "delay(1000);"),
        (f"{HEAT}/one-letter.cpp", "if(t>33){", "if(t>33{"),
        (f"{HEAT}/averaged.cpp", "  else\n  {\n", "  else\n"),
        (f"{HEAT}/averaged.cpp", 'Serial.println(" C");', 'Serial.println(" C);'),
        (f"{HEAT}/averaged.cpp", "i < HOW_MANY; i++)", "i < HOW_MANY, i++)"),
        (f"{HEAT}/class.cpp", "    int pin_;\n};", "    int pin_;\n}"),
        (f"{HEAT}/state-machine.cpp", "    case WAITING:", "    case WAITING"),
        (f"{LID}/two-readings.cpp", "digitalWrite(lightPin, LOW);\n  }\n", "digitalWrite(lightPin, LOW);\n"),
        (f"{LID}/bands.cpp", '"dim");', '"dim"));'),
        (f"{LID}/margins.cpp", "else if (light < CLOSED_UNDER)", "else if light < CLOSED_UNDER"),
        (f"{FEED}/fed-while-read.cpp", "const int wetOver = 180;", "const int wetOver 180;"),
        (f"{YARD}/interrupt.cpp", "volatile bool changed = true;", "volatile bool changed = true"),
        (f"{HEIGHT}/median.cpp", "  return c;\n}", "  return c;\n}}"),
        (f"{GAP}/bcm-function.py", "    while True:", "    while True"),
        (f"{GAP}/callback.py", "def changed(pin):", "def changed(pin)"),
        (f"{SYRUP}/tank-class.py", "        return heat\n", "       return heat\n"),
        (f"{HEIGHT}/polled.py", 'print("Distance:", d, "cm")', 'print("Distance:", d, "cm"'),
        (f"{LID}/wireless-objects.py", "    else:\n", "    else\n"),
        (f"{CLIMATE}/logged.py", "    return sum(values) / len(values)", "return sum(values) / len(values)"),
    ],
    "name-miscased": [
        (f"{HEAT}/allman-tabs.cpp", "digitalWrite(SOUNDER, on);", "digitalwrite(SOUNDER, on);"),
        (f"{HEAT}/averaged.cpp", "digitalWrite(buzzerPin, HIGH);", "digitalWrite(buzzerPin, High);"),
        (f"{HEAT}/dead-code.cpp", "pinMode(buzzer, OUTPUT);", "pinMode(buzzer, output);"),
        (f"{YARD}/plain.cpp", "Serial.println(motion);", "serial.println(motion);"),
        (f"{SMOKE}/plain.cpp", "analogRead(airPin)", "analogread(airPin)"),
        (f"{LID}/two-readings.cpp", "  delay(200);", "  Delay(200);"),
        (f"{HEAT}/state-machine.cpp", "millis() - lastPrint >= 1000", "Millis() - lastPrint >= 1000"),
        (f"{GAP}/plain.cpp", "const int lightPin", "const Int lightPin"),
    ],
    "name-undeclared": [
        (f"{HEAT}/allman-tabs.cpp", "setAlarm(celsius > TOO_HOT);", "setAlarm(celcius > TOO_HOT);"),
        (f"{HEAT}/averaged.cpp", "  long sum = 0;\n", ""),
        (f"{FEED}/fed-while-read.cpp", "const int wetOver = 180;\n", ""),
        (f"{HEIGHT}/long-duration.cpp", "  float distance;\n", ""),
        (f"{YARD}/settled-first.cpp", "  lamp(motion);", "  lampe(motion);"),
        (f"{CLIMATE}/since.cpp", "wetStart = millis();", "wetStrat = millis();"),
        (f"{LID}/ring-of-readings.cpp", "  int mean = total / N;", "  if (total > 0) { int mean = total / N; }"),
        (f"{SMOKE}/waits-five-seconds.cpp", "#define LIMIT 290\n", ""),
        (f"{SYRUP}/three-in-a-row.cpp", "int cold = 0;\n", ""),
        (f"{SYRUP}/tank-class.py", "return heat\n", "return heet\n"),
        (f"{HEIGHT}/polled.py", "import time\n", ""),
    ],
    "refused-use": [
        (f"{HEAT}/dead-code.cpp", "pinMode(led, OUTPUT);", "pinMode(led);"),
        (f"{HEAT}/integers-only.cpp", "delay(1000);", "kLimitTenths = 331; delay(1000);"),
        (f"{LID}/margins.cpp", "lidOpen = false;\n  digitalWrite(LIGHT_PIN, lidOpen);", "lidOpen = false;\n  digitalWrite(LIGHT_PIN);"),
        (f"{HEAT}/allman-tabs.cpp", "float celsius = readCelsius();", "float celsius = readCelsius(THERMOMETER);"),
        (f"{HEAT}/strings.cpp", "text += unit;", "text.append(unit);"),
        (f"{LID}/counted.cpp", "    int x = analogRead(CELL);", "    int x = analogRead();"),
        (f"{FEED}/percent-too.cpp", "constrain(map(count, DRY, FULL, 0, 100), 0, 100)", "constrain(map(count, DRY, FULL, 100), 0, 100)"),
        (f"{GAP}/debounced.cpp", "int lastSeen = HIGH;", "int lastSeen = HIGH;\nint steady = LOW;"),
    ],
    "include-missing": [
        (f"{TOPPLED}/two-bytes.cpp", "#include <Wire.h>\n", ""),
        (f"{TOPPLED}/three-axes.cpp", "#include <Wire.h>\n", ""),
        (f"{CLIMATE}/since.cpp", "#include <ClimateModule.h>\n", ""),
        (f"{WALL}/padded.cpp", "#include <CharacterDisplay.h>\n", ""),
    ],
    "missing-function": [
        (f"{HEAT}/averaged.cpp", "void loop()", "void Loop()"),
        (f"{YARD}/plain.cpp", "void setup()", "void start()"),
    ],
    "memory-full": [
        (f"{LID}/ring-of-readings.cpp", "int ring[N];", "int ring[N];\nlong everySecond[600];"),
        (f"{HEAT}/averaged.cpp", "int buzzerPin = 4;\n", "int buzzerPin = 4;\nfloat history[1000];\n"),
    ],
    # -- pins ------------------------------------------------------------------------------------
    "pin-differs-from-wiring": [
        (f"{HEAT}/allman-tabs.cpp", "LIGHT       = 7", "LIGHT       = 8"),
        (f"{HEAT}/averaged.cpp", "tempPin = A2", "tempPin = A0"),
        (f"{HEAT}/arrays.cpp", "{7, 4}", "{7, 5}"),
        (f"{LID}/two-readings.cpp", "lightPin = 9", "lightPin = 8"),
        (f"{YARD}/edges.cpp", "MOTION = 2", "MOTION = 3"),
        (f"{HEIGHT}/long-duration.cpp", "#define trigPin 9\n#define echoPin 10", "#define trigPin 10\n#define echoPin 9"),
        (f"{GAP}/callback.py", "LIGHT = 25", "LIGHT = 23"),
        (f"{GAP}/bcm-function.py", "gap = 24", "gap = 4"),
        (f"{SYRUP}/named.cpp", "coldLight = 6", "coldLight = 5"),
        (f"{LID}/wireless-objects.py", "Pin(18, Pin.OUT)", "Pin(19, Pin.OUT)"),
    ],
    "pin-mode-missing": [
        (f"{HEAT}/averaged.cpp", "  pinMode(buzzerPin, OUTPUT);\n", ""),
        (f"{LID}/bands.cpp", "  pinMode(led, OUTPUT);\n", ""),
        (f"{SMOKE}/plain.cpp", "  pinMode(sounderPin, OUTPUT);\n", ""),
        (f"{SYRUP}/named.cpp", "  pinMode(coldLight, OUTPUT);\n", ""),
        (f"{FEED}/reference-parameter.cpp", "\tpinMode(FEED, OUTPUT);\n", ""),
    ],
    "pin-mode-wrong": [
        (f"{GAP}/plain.cpp", "pinMode(gapPin, INPUT);", "pinMode(gapPin, OUTPUT);"),
        (f"{YARD}/edges.cpp", "pinMode(MOTION, INPUT);", "pinMode(MOTION, OUTPUT);"),
    ],
    "plain-pin-dimmed": [
        (f"{HEAT}/dead-code.cpp", "    digitalWrite(led, HIGH);", "    analogWrite(led, 120);"),
        (f"{GAP}/plain.cpp", "digitalWrite(lightPin, HIGH);", "analogWrite(lightPin, 90);"),
    ],
    "no-interrupt": [
        (f"{GAP}/plain.cpp", "void setup() {\n  Serial.begin(9600);", "volatile int n = 0;\nvoid count() { n++; }\nvoid setup() {\n  attachInterrupt(digitalPinToInterrupt(gapPin), count, FALLING);\n  Serial.begin(9600);"),
        (f"{YARD}/interrupt.cpp", "digitalPinToInterrupt(MOTION_PIN)", "digitalPinToInterrupt(RELAY_PIN)"),
    ],
    "no-converter": [
        (f"{SMOKE}/beeps.cpp", "int gas = A4;", "int gas = 4 + 8;"),
        (f"{LID}/wireless-functions.py", "CELL_PIN = 34", "CELL_PIN = 23"),
    ],
    "no-such-pin": [
        (f"{LID}/bands.cpp", "int led = 9;", "int led = 99;"),
        (f"{GAP}/callback.py", "LIGHT = 25", "LIGHT = 35"),
    ],
    # -- serial line -----------------------------------------------------------------------------
    "serial-not-begun": [
        (f"{LID}/counted.cpp", "    Serial.begin(9600);\n", ""),
        (f"{HEIGHT}/median.cpp", "  Serial.begin(9600);\n", ""),
    ],
    "baud-differs": [
        (f"{HEAT}/averaged.cpp", "Serial.begin(9600)", "Serial.begin(115200)"),
        (f"{HEAT}/class.cpp", "Serial.begin(9600)", "Serial.begin(4800)"),
    ],
    "nothing-printed": [
        (f"{HEAT}/allman-tabs.cpp", "\tSerial.println(celsius);\n", ""),
        (f"{LID}/wireless-objects.py", "    print(value)\n", ""),
    ],
    "text-plus-number": [
        (f"{LID}/counted.cpp", 'Serial.print("light ");\n    Serial.println(x);', 'Serial.println("light " + x);'),
        (f"{FEED}/fed-while-read.cpp", 'Serial.print("water: ");\n  Serial.println(wet);', 'Serial.println("water: " + wet);'),
    ],
    # -- sums ------------------------------------------------------------------------------------
    "reference-not-set": [
        (f"{HEAT}/allman-tabs.cpp", "REFERENCE_VOLTS = 5.0", "REFERENCE_VOLTS = 1.1"),
        (f"{HEAT}/dead-code.cpp", "  //Serial.begin(115200);", "  analogReference(INTERNAL);"),
    ],
    "integer-division": [
        (f"{HEAT}/dead-code.cpp", "value * (5.0 / 1024.0)", "value * (5 / 1024)"),
        (f"{HEAT}/allman-tabs.cpp", "count * REFERENCE_VOLTS / 1024.0", "count / 1024 * REFERENCE_VOLTS"),
        (f"{LID}/counted.cpp", "    int x = analogRead(CELL);", "    int x = analogRead(CELL) / 1024 * 1024;"),
    ],
    "overflow": [
        (f"{HEAT}/integers-only.cpp", "(long) analogRead(kSensor) * 5000L / 1024L", "analogRead(kSensor) * 5000 / 1024"),
        (f"{HEAT}/strings.cpp", "value /= 4;", "value /= 4; int mv = analogRead(temperaturePin) * 500; value += mv - mv;"),
        (f"{FEED}/percent-too.cpp", "constrain(map(count, DRY, FULL, 0, 100), 0, 100)", "constrain(count * 100 / FULL, 0, 100)"),
    ],
    "division-by-zero": [
        (f"{LID}/ring-of-readings.cpp", "int mean = total / N;", "int mean = total / (at * 0);"),
        (f"{FEED}/percent-too.cpp", "FULL = 700", "FULL = 0"),
    ],
    "outside-array": [
        (f"{SYRUP}/three-in-a-row.cpp", "last[2] = last[1];", "last[3] = last[2];\n  last[2] = last[1];"),
        (f"{LID}/ring-of-readings.cpp", "i < N; i++", "i <= N; i++"),
        (f"{HEIGHT}/median.cpp", "i < 3; i++", "i <= 3; i++"),
    ],
    "assignment-in-condition": [
        (f"{GAP}/plain.cpp", "if (gap == LOW)", "if (gap = LOW)"),
        (f"{YARD}/plain.cpp", "if (motion == HIGH)", "if (motion = HIGH)"),
        (f"{HEIGHT}/warmer-air.cpp", "if (h == 0)", "if (h = 0)"),
    ],
    # -- decisions -------------------------------------------------------------------------------
    "loop-one-short": [
        (f"{HEAT}/arrays.cpp", "for (byte i = 0; i < indicatorCount; i++) {\n    pinMode", "for (byte i = 0; i < indicatorCount - 1; i++) {\n    pinMode"),
        (f"{HEAT}/arrays.cpp", "for (byte i = 0; i < indicatorCount; i++) {\n    digitalWrite", "for (byte i = 1; i < indicatorCount; i++) {\n    digitalWrite"),
        (f"{HEAT}/reference.cpp", "  pinMode(lightPin, OUTPUT);\n  pinMode(sounderPin, OUTPUT);\n", "  int outputs[] = {lightPin, sounderPin};\n  for (int i = 0; i < 1; i++) pinMode(outputs[i], OUTPUT);\n"),
    ],
    "band-misses-limit": [
        (f"{LID}/bands.cpp", "  } else {\n", "  } else if (light > 472) {\n"),
        (f"{HEAT}/dead-code.cpp", "if (tempC <= 33)", "if (tempC < 33)"),
        (f"{LID}/margins.cpp", "  digitalWrite(LIGHT_PIN, lidOpen);", "  if (light < 300) Serial.print(\"low \"); else if (light > 300) Serial.print(\"high \");\n  digitalWrite(LIGHT_PIN, lidOpen);"),
    ],
    "branch-unreachable": [
        (f"{LID}/bands.cpp", "} else if (light < 472) {", "} else if (light < 150) {"),
        (f"{CLIMATE}/comfort-bands.cpp", 'if (h < 40) return "dry";\n  if (h <= 70) return "good";', 'if (h <= 70) return "good";\n  else if (h < 40) return "dry";'),
    ],
    "never-switched-off": [
        (f"{LID}/bands.cpp", '    Serial.println("dark");\n    digitalWrite(led, LOW);\n  } else if (light < 472) {\n    Serial.println("dim");\n    digitalWrite(led, LOW);\n', '    Serial.println("dark");\n  } else if (light < 472) {\n    Serial.println("dim");\n'),
        (f"{YARD}/plain.cpp", " else {\n    digitalWrite(relayPin, LOW);\n  }", ""),
        (f"{SMOKE}/beeps.cpp", "  else\n  {\n    digitalWrite(beep, LOW);\n  }\n", ""),
        (f"{GAP}/bcm-function.py", "        else:\n            GPIO.output(light, GPIO.LOW)\n", ""),
    ],
    "alarm-inverted": [
        (f"{GAP}/plain.cpp", "if (gap == LOW)", "if (gap == HIGH)"),
        (f"{HEAT}/allman-tabs.cpp", "setAlarm(celsius > TOO_HOT);", "setAlarm(celsius < TOO_HOT);"),
        (f"{SYRUP}/named.cpp", "syrup < coldUnder", "syrup > coldUnder"),
        (f"{GAP}/objects.py", "light.value = gap.is_pressed", "light.value = not gap.is_pressed"),
        (f"{YARD}/edges.cpp", "is ? HIGH : LOW", "is ? LOW : HIGH"),
        (f"{HEIGHT}/integers.cpp", "if(cm<20)", "if(cm>20)"),
    ],
    "alarm-never-on": [
        (f"{HEAT}/one-letter.cpp", "if(t>33)", "if(t>330)"),
        (f"{LID}/two-readings.cpp", "(closedCount + openCount) / 2", "closedCount + openCount"),
        (f"{CLIMATE}/library-words.cpp", "h > 70.0", "h > 97.0"),
        (f"{TOPPLED}/wireless-bus.py", "if g > 0.5", "if g > 50"),
    ],
    "alarm-stays-on": [
        (f"{TOPPLED}/two-bytes.cpp", "    tipped = false;\n    digitalWrite(SOUNDER, LOW);", "    tipped = false;"),
        (f"{HEAT}/hysteresis.cpp", "t < 32.5", "t < -32.5"),
        (f"{GAP}/wireless.cpp", "digitalWrite(light, !level);", "digitalWrite(light, !level || last == level);"),
    ],
    "alarm-at-wrong-value": [
        (f"{HEAT}/allman-tabs.cpp", "TOO_HOT = 33.0", "TOO_HOT = 36.5"),
        (f"{HEAT}/state-machine.cpp", "#define LIMIT_C 33.0", "#define LIMIT_C 30.0"),
        (f"{HEIGHT}/sensor-object.py", "cm < 20", "cm < 35"),
        (f"{SYRUP}/no-answer.cpp", "t < 12.0", "t < 18.0"),
    ],
    # -- printed values --------------------------------------------------------------------------
    "echo-not-halved": [
        (f"{HEIGHT}/long-duration.cpp", "duration * 0.0343 / 2", "duration * 0.0343"),
        (f"{HEIGHT}/warmer-air.cpp", "microseconds / 2.0", "microseconds"),
        (f"{HEIGHT}/polled.py", "* 17150", "* 34300"),
        (f"{HEIGHT}/wireless-pulse.py", "us * 0.0343 / 2", "us * 0.0343"),
    ],
    "printed-in-inches": [
        (f"{HEIGHT}/median.cpp", "0.01715", "0.01715 / 2.54"),
        (f"{HEIGHT}/integers.cpp", "us/58", "us/148"),
    ],
    "printed-in-fahrenheit": [
        (f"{HEAT}/averaged.cpp", "float temperature = (milliVolts - 500.0) / 10.0;", "float temperature = (milliVolts - 500.0) / 10.0 * 1.8 + 32;"),
        (f"{SYRUP}/named.cpp", "getTempCByIndex", "getTempFByIndex"),
    ],
    "offset-not-taken-off": [
        (f"{HEAT}/allman-tabs.cpp", "(volts - OFFSET_VOLTS)", "volts"),
        (f"{WALL}/padded.cpp", "/ 1024.0 - 0.5) / 0.01", "/ 1024.0) / 0.01"),
    ],
    "slope-ten-times-too-large": [
        (f"{HEAT}/class.cpp", "(volts - 0.5) * 100.0", "(volts - 0.5) * 10.0"),
        (f"{WALL}/padded.cpp", "/ 1024.0 - 0.5) / 0.01", "/ 1024.0 - 0.5) / 0.1"),
    ],
    "printed-value-out": [
        (f"{HEAT}/every-second.cpp", "raw * 500.0 / 1024.0", "raw * 330.0 / 1024.0"),
        (f"{HEIGHT}/long-duration.cpp", "0.0343 / 2", "0.343 / 2"),
        (f"{TOPPLED}/two-bytes.cpp", "* 57.2958", ""),
    ],
    # -- pace ------------------------------------------------------------------------------------
    "module-read-too-often": [
        (f"{CLIMATE}/since.cpp", "delay(2500);", "delay(250);"),
        (f"{CLIMATE}/library-words.cpp", "delay(2000);", "delay(500);"),
        (f"{CLIMATE}/wireless-climate.py", "    time.sleep(2)", "    time.sleep(0.3)"),
    ],
    "prints-without-pause": [
        (f"{LID}/two-readings.cpp", "  delay(200);\n", ""),
        (f"{SMOKE}/beeps.cpp", "  delay(400);\n", ""),
        (f"{YARD}/plain.cpp", "  delay(250);\n", ""),
    ],
    "display-flickers": [
        (f"{WALL}/once-a-second-cleared.cpp", "if (millis()-before < 1000) return;", "if (millis()-before < 20) return;"),
        (f"{WALL}/formatted.cpp", "  display.setCursor(0, 0);\n  display.print(row);\n  Serial.println(celsius, 1);\n  delay(1000);", "  display.clear();\n  display.print(row);\n  Serial.println(celsius, 1);\n  delay(15);"),
    ],
    "display-leftover": [
        (f"{WALL}/padded.cpp", 'lcd.print(" C     ");', ""),
        (f"{WALL}/two-rows.cpp", "  if (value < 10) lcd.print(' ');\n  lcd.print(value, 1);\n  lcd.print(' ');", "  lcd.print(value, 1);"),
    ],
    "pause-too-long": [
        (f"{HEAT}/averaged.cpp", "delay(800);", "delay(8000);"),
        (f"{GAP}/plain.cpp", "delay(100);", "delay(6000);"),
        (f"{LID}/wireless-objects.py", "utime.sleep(0.15)", "utime.sleep(12)"),
    ],
    "flickers-at-threshold": [
        (f"{LID}/counted.cpp", "    if (x > 470)", "    x = x + millis() / 100 % 2 * 200;\n    bright = 3;\n    if (x > 470)"),
        (f"{HEAT}/arrays.cpp", "  showAlarm(celsius > 33.0f);\n  delay(1000);", "  showAlarm(celsius + random(-8, 8) / 10.0f > 33.0f);\n  delay(150);"),
    ],
    "id-in-base-10": [
        (f"{TAG}/text-id.cpp", "String s = String(b, HEX);", "String s = String(b);"),
        (f"{TAG}/bytes.cpp", "id += String(tags.uid.bytes[i], HEX);\n    if (same && tags.uid.bytes[i] != known[i]) same = false;\n  }\n  id.toUpperCase();", "id += String(tags.uid.bytes[i]);\n  }\n  same = id == \"04A2197C\";"),
    ],
    "id-wrong-base": [
        (f"{TAG}/bytes.cpp", "{0x04, 0xA2, 0x19, 0x7C}", "{04, 0xA2, 19, 0x7C}"),
        (f"{TAG}/reference.cpp", "{0x04, 0xA2, 0x19, 0x7C}", "{0x04, 0xA2, 19, 0x7C}"),
    ],
    # -- Python ----------------------------------------------------------------------------------
    "pins-not-released": [
        (f"{GAP}/callback.py", "try:\n    while True:\n        sleep(1)\nfinally:\n    GPIO.cleanup()", "while True:\n    sleep(1)"),
        (f"{CLIMATE}/tuple-read.py", "finally:\n    GPIO.cleanup()\n", ""),
    ],
    "program-ends": [
        (f"{GAP}/objects.py", "while True:", "if True:"),
        (f"{TOPPLED}/wireless-bus.py", "while True:", "for turn in range(5):"),
    ],
    "numbering-mixed-up": [
        (f"{GAP}/callback.py", "GPIO.setmode(GPIO.BCM)", "GPIO.setmode(GPIO.BOARD)"),
        (f"{HEIGHT}/polled.py", "GPIO.setmode(GPIO.BCM)", "GPIO.setmode(GPIO.BOARD)"),
    ],
    "ends-with-error": [
        (f"{GAP}/bcm-function.py", "print(blocked)", "print('blocked ' + blocked)"),
        (f"{LID}/wireless-objects.py", "LIMIT = 2600", "LIMIT = '2600'"),
        (f"{HEIGHT}/polled.py", "GPIO.setup(LED, GPIO.OUT)\n", ""),
        (f"{LID}/wireless-functions.py", "last[-1])", "last[3])"),
        (f"{CLIMATE}/logged.py", 'last["h"] <= 70', 'last["hum"] <= 70'),
    ],
    # -- the run ---------------------------------------------------------------------------------
    "run-ended": [
        (f"{HEAT}/averaged.cpp", "  delay(800);\n", "  while (true) ;\n"),
        (f"{LID}/counted.cpp", "    delay(100);\n", "    for (byte i = 0; i < 300; i++) delay(0);\n"),
        (f"{HEAT}/state-machine.cpp", "void enter(State next) {\n", "void enter(State next) {\n  if (next == CALM) enter(next);\n"),
    ],
    # -- tidiness --------------------------------------------------------------------------------
    "value-unused": [
        (f"{HEAT}/one-letter.cpp", "int s=A2,l=7,b=4;", "int s=A2,l=7,b=4;int fan=9;"),
        (f"{SMOKE}/plain.cpp", "  int air = analogRead(airPin);", "  int air = analogRead(airPin);\n  float volts = air * 5.0 / 1024.0;"),
    ],
    "pin-without-name": [
        (f"{GAP}/inverted-at-once.cpp", "#define LIGHT 12\nvoid setup() { pinMode(5, INPUT); pinMode(LIGHT, OUTPUT); Serial.begin(9600); }\nvoid loop() {\n  bool b = BLOCKED;\n  digitalWrite(LIGHT, b);", "void setup() { pinMode(5, INPUT); pinMode(12, OUTPUT); digitalWrite(12, LOW); Serial.begin(9600); }\nvoid loop() {\n  bool b = BLOCKED;\n  digitalWrite(12, b);"),
        (f"{YARD}/switch-case.cpp", "int yard = 2, lamp = 8;\nvoid setup() {\n  pinMode(yard, INPUT); pinMode(lamp, OUTPUT); Serial.begin(9600);\n}", "int yard = 2;\n#define lamp 8\nvoid setup() {\n  pinMode(yard, INPUT); pinMode(8, OUTPUT); digitalWrite(8, LOW); digitalWrite(8, LOW); Serial.begin(9600);\n}"),
    ],
}  # fmt: skip

#: Where more than one rule says the same in truth.
ALSO = {
    "alarm-stays-on": ("never-switched-off",),
    "never-switched-off": ("alarm-stays-on",),
    "integer-division": ("printed-value-out",),
    "name-miscased": ("name-undeclared",),
    "no-converter": ("pin-differs-from-wiring",),
}

FAULTS = [
    Fault((rule, *ALSO.get(rule, ())), program, old, new)
    for rule, slips in [*SLIPS.items(), *WARNINGS.items()]
    for program, old, new in slips
]
