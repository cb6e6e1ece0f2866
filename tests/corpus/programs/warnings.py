"""What a compiler would warn of, and an instructor notices, each in sound programs of the corpus: by rule (program, what stood
there, what stands there now)."""

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

ISR = "attachInterrupt(digitalPinToInterrupt(MOTION_PIN), onChange, CHANGE);"
WARNINGS: dict[str, list[tuple[str, str, str]]] = {
    # -- statements ------------------------------------------------------------------------------
    "semicolon-ends-it": [
        (f"{HEAT}/one-letter.cpp", "if(t>33){digitalWrite(l,1);digitalWrite(b,1);}\nelse{digitalWrite(l,0);digitalWrite(b,0);}", "digitalWrite(l,0);digitalWrite(b,0);\nif(t>33);\n{digitalWrite(l,1);digitalWrite(b,1);}"),
        (f"{HEAT}/averaged.cpp", "for (int i = 0; i < HOW_MANY; i++)\n", "for (int i = 0; i < HOW_MANY; i++);\n"),
        (f"{HEAT}/hysteresis.cpp", "if (alarm && t < 32.5)   alarm = false;", "if (alarm && t < 32.5);\n    alarm = false;"),
        (f"{LID}/margins.cpp", "if (light > OPEN_OVER) lidOpen = true;\n  else if (light < CLOSED_UNDER) lidOpen = false;", "lidOpen = false;\n  if (light > OPEN_OVER);\n    lidOpen = true;"),
        (f"{HEIGHT}/median.cpp", "for (byte i = 0; i < 3; i++) {\n    values[i] = shot();", "byte i = 0;\n  for (; i < 2; i++); {\n    values[i] = shot();"),
        (f"{YARD}/settled-first.cpp", "if (millis() - lastLine > 1000) {", "if (millis() - lastLine > 1000); {"),
    ],
    "without-effect": [
        (f"{LID}/counted.cpp", "bright = 0;\n    }", "bright == 0;\n    }"),
        (f"{HEAT}/hysteresis.cpp", "if (!alarm && t > 33.0)  alarm = true;", "if (!alarm && t > 33.0)  alarm == true;"),
        (f"{GAP}/debounced.cpp", "lastSeen = seen;", "lastSeen == seen;"),
        (f"{WALL}/wiped-row.cpp", "  wipe(1);", "  wipe;"),
        (f"{TOPPLED}/two-bytes.cpp", "    tipped = false;", "    tipped == false;"),
        (f"{SMOKE}/smoothed.cpp", "smooth = 0.7 * smooth + 0.3 * raw;", "0.7 * smooth + 0.3 * raw;"),
    ],
    "returns-nothing": [
        (f"{HEAT}/allman-tabs.cpp", "\treturn (volts - OFFSET_VOLTS) / VOLTS_PER_DEGREE;", "\tfloat celsius = (volts - OFFSET_VOLTS) / VOLTS_PER_DEGREE;"),
        (f"{HEAT}/state-machine.cpp", "return (analogRead(SENSOR)", "float c = (analogRead(SENSOR)"),
        (f"{FEED}/max-of-three.cpp", "digitalWrite(feed,0); return c; }", "digitalWrite(feed,0); }"),
        (f"{HEIGHT}/checked.cpp", "  cm = sum / good / 58.3;\n  return true;", "  cm = sum / good / 58.3;"),
        (f"{HEAT}/ticks.cpp", "float degC(int n) { return n * 0.48828125 - 50; }", "float degC(int n) { float c = n * 0.48828125 - 50; }"),
    ],
    "missing-break": [
        (f"{HEAT}/lookup-switch.cpp", "      digitalWrite(HORN, HIGH);\n      break;", "      digitalWrite(HORN, HIGH);"),
        (f"{YARD}/switch-case.cpp", "      Serial.println(1);\n      break;", "      Serial.println(1);"),
        (f"{HEAT}/state-machine.cpp", "      if (now > LIMIT_C) enter(WAITING);\n      break;", "      if (now > LIMIT_C) enter(WAITING);"),
        (f"{HEAT}/state-machine.cpp", "        enter(ALARM);\n      }\n      break;", "        enter(ALARM);\n      }"),
    ],
    "repeated-block": [
        (f"{HEIGHT}/median.cpp", "  for (byte i = 0; i < 3; i++) {\n    values[i] = shot();\n    delay(60);\n  }", "  values[0] = shot();\n  delay(60);\n  values[1] = shot();\n  delay(60);\n  values[2] = shot();\n  delay(60);"),
        (f"{LID}/ring-of-readings.cpp", "  for (byte i = 0; i < N; i++) ring[i] = 0;", "  ring[0] = 0;\n  ring[1] = 0;\n  ring[2] = 0;\n  ring[3] = 0;"),
        (f"{HEAT}/strings.cpp", "  for (int n = 0; n < 4; ++n) value += analogRead(temperaturePin);", "  value += analogRead(temperaturePin);\n  delay(5);\n  value += analogRead(temperaturePin);\n  delay(6);\n  value += analogRead(temperaturePin);\n  delay(7);\n  value += analogRead(temperaturePin);\n  delay(8);"),
        (f"{TOPPLED}/library-axes.cpp", "  for (uint8_t i = 0; i < count && Wire.available(); i++) buffer[i] = Wire.read();", "  buffer[0] = Wire.read();\n  buffer[1] = Wire.read();\n  buffer[2] = Wire.read();\n  buffer[3] = Wire.read();\n  buffer[4] = Wire.read();\n  buffer[5] = Wire.read();"),
    ],
    # -- variables -------------------------------------------------------------------------------
    "read-before-set": [
        (f"{HEAT}/averaged.cpp", "long sum = 0;", "long sum;"),
        (f"{HEAT}/strings.cpp", "  float value = 0;\n", "  float value;\n"),
        (f"{HEIGHT}/checked.cpp", "unsigned long sum = 0;", "unsigned long sum;"),
        (f"{HEIGHT}/checked.cpp", "int good = 0;", "int good;"),
        (f"{SMOKE}/beeps.cpp", "  level = analogRead(gas);", "  int level;\n  Serial.print(level > 0 ? \"\" : \"\");\n  level = analogRead(gas);"),
    ],
    "hides-global": [
        (f"{HEAT}/dead-code.cpp", "  tempC = (volt - 0.5) * 100.0;\n  //tempF = toFahrenheit(tempC);\n  Serial.println(tempC);\n  //Serial.println(tempF);\n  if (tempC > 33) {\n    digitalWrite(led, HIGH);\n    digitalWrite(buzzer, HIGH);\n    //tone(buzzer, 1000);\n  }\n  if (tempC <= 33) {\n    digitalWrite(led, LOW);\n    digitalWrite(buzzer, LOW);\n    //noTone(buzzer);\n  }\n  delay(1000);\n}", "  float tempC = (volt - 0.5) * 100.0;\n  Serial.println(tempC);\n  act();\n  delay(1000);\n}\n\nvoid act() {\n  digitalWrite(led, tempC > 33);\n  digitalWrite(buzzer, tempC > 33);\n}"),
        (f"{SMOKE}/beeps.cpp", "  level = analogRead(gas);\n  Serial.println(level);\n  if (level > 290)\n  {\n    digitalWrite(beep, HIGH);\n  }\n  else\n  {\n    digitalWrite(beep, LOW);\n  }\n  delay(400);\n}", "  int level = analogRead(gas);\n  Serial.println(level);\n  sound();\n  delay(400);\n}\nvoid sound()\n{\n  digitalWrite(beep, level > 290);\n}"),
        (f"{LID}/margins.cpp", "lidOpen = false; }\n\nvoid loop() {\n  const int light = analogRead(CELL_PIN);\n  if (light > OPEN_OVER) lidOpen = true;\n  else if (light < CLOSED_UNDER) lidOpen = false;\n  digitalWrite(LIGHT_PIN, lidOpen);", "}\n\nvoid show() { digitalWrite(LIGHT_PIN, lidOpen); }\n\nvoid loop() {\n  const int light = analogRead(CELL_PIN);\n  bool lidOpen = light > OPEN_OVER;\n  Serial.print(lidOpen ? \"\" : \"\");\n  show();"),
        (f"{GAP}/interrupt.cpp", "  before = now;\n  digitalWrite(light, now ? HIGH : LOW);\n  delay(10);\n}", "  bool before = now;\n  keep();\n  delay(10 + before);\n}\n\nvoid keep() { digitalWrite(light, before ? HIGH : LOW); }"),
    ],
    "loop-variable-reused": [
        (f"{HEAT}/averaged.cpp", "    sum = sum + analogRead(tempPin);\n    delay(20);", "    sum = sum + analogRead(tempPin);\n    for (i = 0; i < 3; i++) delay(5);"),
        (f"{HEIGHT}/median.cpp", "    values[i] = shot();\n    delay(60);", "    values[i] = shot();\n    for (i = 0; i < 6; i++) delay(10);"),
        (f"{HEIGHT}/checked.cpp", "    delay(40);\n", "    for (i = 0; i < 4; i++) delay(10);\n"),
        (f"{WALL}/wiped-row.cpp", "for (byte i = 0; i < 16; i++) panel.print(' ');", "for (byte i = 0; i < 16; i++) {\n    panel.print(' ');\n    for (i = 3; i < 18; i += 3) delay(0);\n    for (i = 0; i < 18; i++) delay(0);\n  }"),
    ],
    "not-volatile": [
        (f"{YARD}/interrupt.cpp", "volatile bool changed = true;", "bool changed = true;"),
        (f"{YARD}/interrupt.cpp", "volatile bool changed = true;\n\nvoid onChange() {\n  changed = true;\n}", "bool changed = true;\n\nvoid note() { changed = true; }\n\nvoid onChange() {\n  note();\n}"),
        (f"{YARD}/interrupt.cpp", "volatile bool changed = true;\n\nvoid onChange() {\n  changed = true;\n}", "volatile bool changed = true;\nint times = 0;\n\nvoid onChange() {\n  times++;\n  changed = times > 0;\n}\n\nint heard() { return times; }"),
        (f"{GAP}/interrupt.cpp", "unsigned int blockedCount = 0;\nbool before = false;\n\nvoid setup() {", "unsigned int blockedCount = 0;\nbool before = false;\nint calls = 0;\n\nvoid called() { calls += 1; }\n\nvoid setup() {\n  attachInterrupt(0, called, CHANGE);\n  Serial.println(calls);"),
    ],
    "sum-never-cleared": [
        (f"{HEAT}/averaged.cpp", "void loop()\n{\n  long sum = 0;", "long sum = 0;\nvoid loop()\n{"),
        (f"{HEAT}/averaged.cpp", "  long sum = 0;", "  static long sum = 0;"),
        (f"{HEAT}/strings.cpp", "void loop() {\n  float value = 0;\n  for (int n = 0; n < 4; ++n) value += analogRead(temperaturePin);\n  value /= 4;\n", "long total;\nvoid loop() {\n  for (int n = 0; n < 4; ++n) total += analogRead(temperaturePin);\n  float value = total / 4;\n"),
        (f"{LID}/ring-of-readings.cpp", "  total -= ring[at];\n", ""),
        (f"{SMOKE}/beeps.cpp", "  level = analogRead(gas);", "  static long all;\n  for (int i = 0; i < 5; i++) all += analogRead(gas);\n  level = all / 5;"),
    ],
    "average-of-another-count": [
        (f"{HEAT}/averaged.cpp", "sum / (float)HOW_MANY", "sum / 8.0"),
        (f"{LID}/two-readings.cpp", "  int count = analogRead(cellPin);", "  int sum = 0;\n  for (int i = 0; i < 4; i++) sum += analogRead(cellPin);\n  int count = sum / 5;"),
        (f"{SMOKE}/plain.cpp", "  int air = analogRead(airPin);", "  long sum = 0;\n  for (byte n = 1; n <= 10; n++) sum += analogRead(airPin);\n  int air = sum / 9;"),
        (f"{HEAT}/integers-only.cpp", "  long millivolts = (long) analogRead(kSensor) * 5000L / 1024L;", "  long counts = 0;\n  for (int i = 0; i < 16; i++) {\n    counts += analogRead(kSensor);\n  }\n  long millivolts = counts / 10 * 5000L / 1024L;"),
    ],
    "text-grows": [
        (f"{HEAT}/strings.cpp", "String nice(float value) {\n  String text = String(value, 1);", "String text;\nString nice(float value) {\n  text += String(value, 1);"),
        (f"{TAG}/text-id.cpp", "void loop() {\n  String id;", "String id;\nvoid loop() {"),
        (f"{LID}/counted.cpp", "void loop()\n{", "String logLines = \"\";\nvoid loop()\n{\n    logLines = logLines + \"x\";\n    if (logLines.length() > 30000) Serial.print(logLines);"),
        (f"{GAP}/plain.cpp", "void loop() {\n", "void loop() {\n  static String seen;\n  seen += String(digitalRead(gapPin));\n  if (seen == \"stop\") return;\n"),
    ],
    # -- comparisons -----------------------------------------------------------------------------
    "text-by-address": [
        (f"{HEAT}/text-lines.cpp", "  Serial.println(line);", "  Serial.println(line);\n  if (digits == \"99.9\") return;"),
        (f"{LID}/calibrated.cpp", "int threshold = 470;", "int threshold = 470;\nchar mode[6] = \"AUTO\";\nbool isAuto() { return mode == \"AUTO\"; }"),
        (f"{WALL}/formatted.cpp", "  display.print(row);", "  if (number != \"  0.0\") display.print(row);"),
        (f"{TAG}/text-id.cpp", "  if (id.length() > 0) Serial.println(id);", "  char letters[12];\n  char before[12] = \"\";\n  id.toCharArray(letters, 12);\n  if (letters == before) return;\n  if (id.length() > 0) Serial.println(id);"),
    ],
    "float-equality": [
        (f"{HEAT}/hysteresis.cpp", "if (alarm && t < 32.5)   alarm = false;", "if (alarm && (t == 32.5 || t < 32.0))   alarm = false;"),
        (f"{HEIGHT}/warmer-air.cpp", "if (h == 0)", "if (h == 0.5 || h < 0.1)"),
        (f"{SYRUP}/no-answer.cpp", "if (t < -100) {", "if (t == -127.5 || t < -100) {"),
        (f"{CLIMATE}/comfort-bands.cpp", "if (h < 40) return", "if (h == 40.5) return \"just\";\n  if (h < 40) return"),
        (f"{CLIMATE}/logged.py", "        if len(readings) == 3 and", "        warmth = last['t']\n        if warmth == 20.5:\n            print('as asked')\n        if len(readings) == 3 and"),
    ],
    "unsigned-below-zero": [
        (f"{HEIGHT}/median.cpp", "for (byte i = 0; i < 3; i++) {", "for (byte i = 2; i >= 0; i--) {"),
        (f"{LID}/ring-of-readings.cpp", "for (byte i = 0; i < N; i++) ring[i] = 0;", "for (byte i = N - 1; i >= 0; i--) ring[i] = 0;"),
        (f"{HEIGHT}/checked.cpp", "if (us > 0) {", "if (us < 0) continue;\n    if (us > 0) {"),
        (f"{YARD}/settled-first.cpp", "if (millis() - lastLine > 1000) {", "if (millis() - 1000 > lastLine) {"),
        (f"{HEAT}/state-machine.cpp", "if (millis() - lastPrint >= 1000) {", "if (lastPrint <= millis() - 1000) {"),
    ],
    "binds-otherwise": [
        (f"{HEAT}/ticks.cpp", "if (tick % 10 == 0) {", "if (tick & 7 == 0) {"),
        (f"{LID}/ring-of-readings.cpp", "  delay(100);", "  if (at & 1 == 0) delay(1);\n  delay(100);"),
        (f"{HEAT}/lookup-switch.cpp", "if (mood != lastMood)", "if (!mood == 2)"),
        (f"{TOPPLED}/two-bytes.cpp", "  delay(100);", "  byte state = readWord(0x3B);\n  if (state | 1 != 0) delay(10);\n  delay(90);"),
    ],
    "macro-falls-apart": [
        (f"{HEAT}/averaged.cpp", "#define HOW_MANY 10", "#define HOW_MANY 5 + 5"),
        (f"{HEAT}/state-machine.cpp", "#define LIMIT_C 33.0\n#define WAIT_MS 1500UL", "#define HALF_C 16.0 + 0.5\n#define LIMIT_C (HALF_C * 2)\n#define WAIT_MS 1500UL"),
        (f"{HEAT}/hysteresis.cpp", "#define BUZZ_PIN   4\n", "#define BUZZ_PIN   4\n#define OFFSET 0.4 + 0.1\n#define VOLTS(n) n / 1024.0 * 5.0\nfloat centre() { return VOLTS(100) - OFFSET; }\n"),
        (f"{HEIGHT}/long-duration.cpp", "#define led 5\n", "#define led 5\n#define PER_CM 29 + 29\nlong roughly(long us) { return us / PER_CM; }\n"),
    ],
    "pin-as-value": [
        (f"{GAP}/plain.cpp", "if (gap == LOW) {", "if (gapPin == LOW) {"),
        (f"{YARD}/plain.cpp", "if (motion == HIGH) {", "if (motionPin == HIGH) {"),
        (f"{GAP}/interrupt.cpp", "bool now = digitalRead(gap) == LOW;", "bool now = gap == LOW;\n  digitalRead(gap);"),
        (f"{HEAT}/averaged.cpp", "  delay(800);", "  if (ledPin) delay(1);\n  delay(800);"),
    ],
    "count-against-unit": [
        (f"{HEAT}/dead-code.cpp", "if (tempC > 33) {", "if (value > 33) {"),
        (f"{HEAT}/every-second.cpp", "digitalWrite(led_pin, celsius > 33 ? HIGH : LOW);", "digitalWrite(led_pin, raw > 33 ? HIGH : LOW);"),
        (f"{HEAT}/allman-tabs.cpp", "setAlarm(celsius > TOO_HOT);", "setAlarm(analogRead(THERMOMETER) > TOO_HOT);"),
        (f"{HEAT}/averaged.cpp", "if (temperature > 33.0)", "int now = analogRead(tempPin);\n  if (now > 33.0)"),
    ],
    # -- waiting ---------------------------------------------------------------------------------
    "pause-in-interrupt": [
        (f"{YARD}/interrupt.cpp", "  changed = true;\n}", "  delay(50);\n  changed = true;\n}"),
        (f"{YARD}/interrupt.cpp", "void onChange() {\n  changed = true;\n}", "void settle() { delay(20); }\n\nvoid onChange() {\n  settle();\n  changed = true;\n}"),
        (f"{GAP}/interrupt.cpp", "void setup() {\n", "void hit() {\n  digitalWrite(light, HIGH);\n  delay(200);\n}\n\nvoid setup() {\n  attachInterrupt(1, hit, FALLING);\n"),
        (f"{HEIGHT}/integers.cpp", "void setup(){", "void far(){ pulseIn(E,HIGH); }\nvoid setup(){ attachInterrupt(digitalPinToInterrupt(2), far, RISING);"),
    ],
    "pause-too-long": [
        (f"{HEAT}/averaged.cpp", "  delay(800);\n", "  unsigned long began = millis();\n  while (millis() - began < 9000) { }\n"),
        (f"{GAP}/plain.cpp", "  delay(100);\n", "  unsigned long t0 = millis();\n  while (millis() - t0 < 7000);\n"),
        (f"{LID}/counted.cpp", "    delay(100);\n", "    for (unsigned long t = millis(); millis() - t < 11000; ) { }\n"),
        (f"{FEED}/max-of-three.cpp", "  delay(500);\n", "  unsigned long until = millis() + 12000;\n  while (millis() < until);\n"),
    ],
    "waits-without-end": [
        (f"{HEIGHT}/long-duration.cpp", "duration = pulseIn(echoPin, HIGH);", "while (digitalRead(echoPin) == LOW);\n  unsigned long began = micros();\n  while (digitalRead(echoPin) == HIGH);\n  duration = micros() - began;"),
        (f"{HEIGHT}/integers.cpp", "unsigned int us = pulseIn(E,HIGH);", "while(!digitalRead(E)){}\n  unsigned long t0=micros();\n  while(digitalRead(E)){}\n  unsigned int us = micros()-t0;"),
        (f"{HEIGHT}/polled.py", "    while GPIO.input(ECHO) == 0 and time.time() < timeout:\n        pulse_start = time.time()\n    while GPIO.input(ECHO) == 1 and time.time() < timeout:", "    while GPIO.input(ECHO) == 0:\n        pulse_start = time.time()\n    while GPIO.input(ECHO) == 1:"),
        (f"{HEAT}/dead-code.cpp", "  //Serial.begin(115200);", "  while (!Serial);"),
    ],
    # -- ranges ----------------------------------------------------------------------------------
    "duty-beyond-range": [
        (f"{LID}/bands.cpp", "digitalWrite(led, HIGH);", "analogWrite(led, light);"),
        (f"{SMOKE}/plain.cpp", "digitalWrite(sounderPin, air > smokeOver ? HIGH : LOW);", "analogWrite(sounderPin, air > smokeOver ? 1023 : 0);"),
        (f"{FEED}/fed-while-read.cpp", "digitalWrite(lightPin, HIGH);", "analogWrite(lightPin, wet);"),
        (f"{LID}/margins.cpp", "digitalWrite(LIGHT_PIN, lidOpen);", "analogWrite(LIGHT_PIN, lidOpen ? 1000 : 0);"),
    ],
    "map-in-whole-numbers": [
        (f"{HEAT}/one-letter.cpp", "float v=analogRead(s)*5.0/1024;", "float v=map(analogRead(s),0,1023,0,5);"),
        (f"{HEAT}/averaged.cpp", "float milliVolts = mean * 5000.0 / 1024.0;", "float volts = map(mean, 0, 1023, 0, 5);\n  float milliVolts = volts * 1000;"),
        (f"{FEED}/percent-too.cpp", "map(count, DRY, FULL, 0, 100)", "map(count, DRY, FULL, 0.5, 99.5)"),
        (f"{WALL}/padded.cpp", "float t = (analogRead(tempPin) * 5.0 / 1024.0 - 0.5) / 0.01;", "float v;\n  v = map(analogRead(tempPin), 0, 1023, 0, 5);\n  float t = (v - 0.5) / 0.01;"),
    ],
    "channel-by-number": [
        (f"{HEAT}/one-letter.cpp", "analogRead(s)", "analogRead(2)"),
        (f"{LID}/bands.cpp", "analogRead(cell)", "analogRead(1)"),
        (f"{SMOKE}/beeps.cpp", "analogRead(gas)", "analogRead(4)"),
        (f"{WALL}/wiped-row.cpp", "analogRead(A0)", "analogRead(0)"),
    ],
    "level-of-a-voltage": [
        (f"{HEAT}/averaged.cpp", "analogRead(tempPin)", "digitalRead(tempPin)"),
        (f"{HEAT}/one-letter.cpp", "analogRead(s)", "digitalRead(s)"),
        (f"{SMOKE}/beeps.cpp", "analogRead(gas)", "digitalRead(gas)"),
        (f"{FEED}/fed-while-read.cpp", "analogRead(stripPin)", "digitalRead(stripPin)"),
    ],
    # -- what a reader is told -------------------------------------------------------------------
    "numbers-run-together": [
        (f"{CLIMATE}/comfort-bands.cpp", "  Serial.print(\" C \");\n", ""),
        (f"{CLIMATE}/since.cpp", "    Serial.print('\\t');\n", ""),
        (f"{CLIMATE}/library-words.cpp", "  Serial.print(\"  H \");\n", ""),
        (f"{FEED}/percent-too.cpp", "  Serial.print(\" about \");\n", ""),
        (f"{HEAT}/pointers.cpp", "  Serial.print(now.celsius);\n  Serial.print(\" C at \");\n  Serial.print(now.volts, 3);", "  float c = now.celsius, v = now.volts;\n  Serial.print(c);\n  Serial.print(v, 3);"),
    ],
    "unit-missing": [
        (f"{CLIMATE}/comfort-bands.cpp", "  Serial.print(t);\n  Serial.print(\" C \");\n  Serial.print(h);\n  Serial.print(\" % \");\n  Serial.println(wordFor(h));", "  Serial.println(t);\n  Serial.println(h);"),
        (f"{CLIMATE}/library-words.cpp", "  if (isnan(h) || isnan(t)) {\n    Serial.println(\"no reading from the module!\");\n    return;\n  }\n\n  Serial.print(\"T \");\n  Serial.print(t);\n  Serial.print(\"  H \");\n  Serial.println(h);", "  if (isnan(h) || isnan(t)) return;\n\n  Serial.println(t);\n  Serial.println(h);"),
        (f"{CLIMATE}/since.cpp", "    Serial.print(temperature, 1);\n    Serial.print('\\t');", "    Serial.println(temperature, 1);"),
        (f"{CLIMATE}/reference.cpp", "Serial.print(heat, 1); Serial.print(\" \"); Serial.println(damp, 1);", "Serial.println(damp); Serial.println(heat);"),
    ],
    "misleading-name": [
        (f"{GAP}/plain.cpp", "const int gapPin = 5;\nconst int lightPin = 12;\n\nvoid setup() {\n  Serial.begin(9600);\n  pinMode(gapPin, INPUT);\n  pinMode(lightPin, OUTPUT);\n}\n\nvoid loop() {\n  int gap = digitalRead(gapPin);\n  if (gap == LOW) {\n    digitalWrite(lightPin, HIGH);\n    Serial.println(\"blocked\");\n  } else {\n    digitalWrite(lightPin, LOW);", "const int gapPin = 5;\nconst int buttonPin = 12;\n\nvoid setup() {\n  Serial.begin(9600);\n  pinMode(gapPin, INPUT);\n  pinMode(buttonPin, OUTPUT);\n}\n\nvoid loop() {\n  int gap = digitalRead(gapPin);\n  if (gap == LOW) {\n    digitalWrite(buttonPin, HIGH);\n    Serial.println(\"blocked\");\n  } else {\n    digitalWrite(buttonPin, LOW);"),
        (f"{SMOKE}/beeps.cpp", "int gas = A4;\nint beep = 11;\nint level = 0;\nvoid setup()\n{\n  pinMode(beep, OUTPUT);\n  Serial.begin(9600);\n}\nvoid loop()\n{\n  level = analogRead(gas);", "int led = A4;\nint beep = 11;\nint level = 0;\nvoid setup()\n{\n  pinMode(beep, OUTPUT);\n  Serial.begin(9600);\n}\nvoid loop()\n{\n  level = analogRead(led);"),
(f"{GAP}/inverted-at-once.cpp", "#define LIGHT 12\nvoid setup() { pinMode(5, INPUT); pinMode(LIGHT, OUTPUT); Serial.begin(9600); }\nvoid loop() {\n  bool b = BLOCKED;\n  digitalWrite(LIGHT, b);", "#define BUTTON 12\nvoid setup() { pinMode(5, INPUT); pinMode(BUTTON, OUTPUT); Serial.begin(9600); }\nvoid loop() {\n  bool b = BLOCKED;\n  digitalWrite(BUTTON, b);"),
        (f"{YARD}/plain.cpp", "int motionPin = 2;      // output of the yard module\nint relayPin = 8;       // base resistor of the transistor\n\nvoid setup() {\n  pinMode(motionPin, INPUT);\n  pinMode(relayPin, OUTPUT);\n  Serial.begin(9600);\n}\n\nvoid loop() {\n  int motion = digitalRead(motionPin);", "int buzzerPin = 2;      // output of the yard module\nint relayPin = 8;       // base resistor of the transistor\n\nvoid setup() {\n  pinMode(buzzerPin, INPUT);\n  pinMode(relayPin, OUTPUT);\n  Serial.begin(9600);\n}\n\nvoid loop() {\n  int motion = digitalRead(buzzerPin);"),
    ],
}  # fmt: skip
