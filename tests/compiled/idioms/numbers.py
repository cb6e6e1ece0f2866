"""Numbers: widths and signs, fixed point, bits, curves, what is made by chance."""

PROGRAMS: dict[str, str] = {}

PROGRAMS["widths and signs"] = """
unsigned long before = 4294967290UL, now = 10;
int adc = 1023;
byte small = 200;
void setup() {
  Serial.begin(9600);
  Serial.println(now - before);
  Serial.println((long)adc * 5000 / 1023);
  Serial.println(adc * 50 / 1023);
  Serial.println(small + 100);
  small += 100;
  Serial.println(small);
  unsigned int u = 5;
  Serial.println(u - 6);
  Serial.println((int)(u - 6));
  Serial.println(-7 / 2);
  Serial.println(-7 % 2);
  Serial.println((unsigned int)-1 > 0);
  int wraps = 32767;
  wraps++;
  Serial.println(wraps);
  long wide = 40000;
  Serial.println(wide * 2);
  Serial.println((byte)300);
  Serial.println((int)3.99);
  Serial.println((int)-3.99);
  Serial.println(5 / 2.0, 3);
  Serial.println(1000 * 60 * 60 == 1000L * 60 * 60);
  char c = 200;
  Serial.println((int)c);
  Serial.println(~0x0F & 0xFF);
  Serial.println(1 << 10);
  Serial.println(0x80 >> 3);
}
void loop() { }
"""

PROGRAMS["tables and fixed point"] = """
const int table[][2] = {{100, 90}, {300, 40}, {500, 25}, {800, 10}, {1023, 0}};
const byte rows = sizeof(table) / sizeof(table[0]);
long between(long x, long x0, long x1, long y0, long y1) { return y0 + (x - x0) * (y1 - y0) / (x1 - x0); }
int fromTable(int raw) {
  if (raw <= table[0][0]) return table[0][1];
  for (byte i = 1; i < rows; i++)
    if (raw <= table[i][0]) return between(raw, table[i - 1][0], table[i][0], table[i - 1][1], table[i][1]);
  return table[rows - 1][1];
}
void setup() {
  Serial.begin(9600);
  int asked[] = {0, 100, 200, 301, 512, 799, 1023};
  for (int i = 0; i < 7; i++) Serial.println(fromTable(asked[i]));
  long tenths = 0;
  for (int raw = 100; raw <= 160; raw += 15) {
    tenths = (long)raw * 5000 / 1024 - 500;
    Serial.println(tenths / 10);
    Serial.println(tenths % 10);
  }
  unsigned int root = 0;
  while ((unsigned long)(root + 1) * (root + 1) <= 50000UL) root++;
  Serial.println(root);
}
void loop() { }
"""

PROGRAMS["bits and checks"] = """
byte crc(const byte *data, byte length) {
  byte sum = 0;
  while (length--) {
    sum ^= *data++;
    for (byte i = 0; i < 8; i++) sum = sum & 0x80 ? (sum << 1) ^ 0x07 : sum << 1;
  }
  return sum;
}
int onesIn(unsigned int value) {
  int count = 0;
  for (; value; value >>= 1) count += value & 1;
  return count;
}
unsigned int turned(unsigned int value) {
  unsigned int out = 0;
  for (byte i = 0; i < 16; i++) {
    out = (out << 1) | (value & 1);
    value >>= 1;
  }
  return out;
}
byte toBcd(byte n) { return ((n / 10) << 4) | (n % 10); }
byte fromBcd(byte n) { return (n >> 4) * 10 + (n & 0x0F); }
void setup() {
  Serial.begin(9600);
  byte frame[] = {0x12, 0x34, 0xAB, 0xFF};
  Serial.println(crc(frame, sizeof(frame)));
  Serial.println(onesIn(0xF0F1));
  Serial.println(turned(1));
  Serial.println(turned(0x1234));
  Serial.println(toBcd(59));
  Serial.println(fromBcd(0x59));
  unsigned long packed = ((unsigned long)frame[3] << 24) | ((unsigned long)frame[2] << 16) | (frame[1] << 8) | frame[0];
  Serial.println(packed);
  Serial.println((byte)(packed >> 16));
  byte flags = 0;
  flags |= 1 << 3;
  flags |= (1 << 0);
  flags &= ~(1 << 3);
  flags ^= 0x81;
  Serial.println(flags);
  int raw = (0x1F << 8) | 0xC0;
  if (raw & 0x1000) raw -= 0x2000;
  Serial.println(raw >> 4);
}
void loop() { }
"""

PROGRAMS["chance that is made"] = """
unsigned long seed = 12345;
unsigned int chance(unsigned int most) {
  seed = seed * 1103515245UL + 12345UL;
  return (seed >> 16) % most;
}
void setup() {
  Serial.begin(9600);
  int counts[6] = {0};
  for (int i = 0; i < 600; i++) counts[chance(6)]++;
  for (int i = 0; i < 6; i++) Serial.println(counts[i]);
  float x = 0.5;
  for (int i = 0; i < 10; i++) x = 3.7 * x * (1 - x);
  Serial.println((long)(x * 1000));
  long walk = 0, farthest = 0;
  for (int i = 0; i < 200; i++) {
    walk += chance(2) ? 1 : -1;
    if (labs(walk) > farthest) farthest = labs(walk);
  }
  Serial.println(walk);
  Serial.println(farthest);
  int order[8];
  for (int i = 0; i < 8; i++) order[i] = i;
  for (int i = 7; i > 0; i--) {
    int j = chance(i + 1);
    int held = order[i];
    order[i] = order[j];
    order[j] = held;
  }
  for (int i = 0; i < 8; i++) Serial.println(order[i]);
}
void loop() { }
"""

PROGRAMS["curves of a sensor"] = """
const int POINTS = 5;
const int counts[POINTS] = {100, 300, 512, 700, 900};
const float shown[POINTS] = {-10.0, 8.5, 25.0, 41.25, 60.0};
float between(int count) {
  if (count <= counts[0]) return shown[0];
  if (count >= counts[POINTS - 1]) return shown[POINTS - 1];
  int i = 1;
  while (counts[i] < count) i++;
  float part = (float)(count - counts[i - 1]) / (counts[i] - counts[i - 1]);
  return shown[i - 1] + part * (shown[i] - shown[i - 1]);
}
float thermistor(int count) {
  float ohms = 10000.0 * count / (1023.0 - count);
  float kelvin = 1.0 / (1.0 / 298.15 + log(ohms / 10000.0) / 3950.0);
  return kelvin - 273.15;
}
float dew(float celsius, float humidity) {
  float gamma = log(humidity / 100.0) + 17.62 * celsius / (243.12 + celsius);
  return 243.12 * gamma / (17.62 - gamma);
}
void setup() {
  Serial.begin(9600);
  for (int count = 0; count <= 1000; count += 125) { Serial.print(between(count), 2); Serial.print(' '); }
  Serial.println();
  for (int count = 200; count < 1000; count += 200) { Serial.print(thermistor(count), 1); Serial.print(' '); }
  Serial.println();
  Serial.println(dew(21.5, 55), 1);
  Serial.println(atan2(3.0, 4.0) * 180 / M_PI, 2);
  Serial.println(sin(0.5) * sin(0.5) + cos(0.5) * cos(0.5), 4);
  Serial.println(pow(2, 0.5), 4);
  Serial.println(exp(1), 4);
  Serial.println(floor(-2.5));
  Serial.println(ceil(2.1));
  Serial.println(fabs(-7.25));
  Serial.println(map(512, 0, 1023, 0, 255));
  Serial.println(map(5, 10, 0, 0, 100));
  Serial.println(constrain(130, 0, 100) + constrain(-5, 0, 100));
  Serial.println(512 * 5 / 1023);
  Serial.println(512 * 5.0 / 1023, 3);
  Serial.println((long)512 * 5000 / 1023);
  Serial.println(fmod(725.5, 360), 1);
}
void loop() { }
"""

PROGRAMS["times that run over"] = """
unsigned long then = 4294967290UL;
unsigned int shortThen = 65530U;
byte small = 250;
void setup() {
  Serial.begin(9600);
  unsigned long now = then + 10;
  Serial.println(now);
  Serial.println(now - then);
  Serial.println(now - then >= 10);
  Serial.println(now >= then + 10);
  Serial.println((long)(now - then));
  Serial.println(now < then);
  unsigned int shortNow = shortThen + 10;
  Serial.println(shortNow);
  Serial.println((unsigned int)(shortNow - shortThen));
  Serial.println(shortNow - shortThen);
  byte tiny = small + 10;
  Serial.println(tiny);
  Serial.println(tiny - small);
  Serial.println((byte)(tiny - small));
  long wide = 40000L * 60;
  Serial.println(wide);
  unsigned long minutes = 3 * 60 * 1000UL;
  Serial.println(minutes);
  unsigned long days = 50UL * 24 * 60 * 60 * 1000;
  Serial.println(days);
  int hours = 3600000UL / 1000 / 60;
  Serial.println(hours);
  unsigned long total = 3725;
  Serial.print(total / 3600); Serial.print(':');
  Serial.print(total % 3600 / 60); Serial.print(':');
  Serial.println(total % 60);
  for (byte i = 253; i > 2; i++) { Serial.print(i); Serial.print(' '); }
  Serial.println();
  for (unsigned int n = 2; n < 3; n--) Serial.println(n);
}
void loop() { }
"""

PROGRAMS["bytes behind the values"] = """
struct Frame { byte kind; int count; float heat; };
byte packet[8];
int numbers[4] = {1, 2, 3, 4};
long sums[2];
char name[10] = "hive";
void show(const byte *list, int count) {
  for (int i = 0; i < count; i++) { Serial.print(list[i], HEX); Serial.print(' '); }
  Serial.println();
}
void setup() {
  Serial.begin(9600);
  memset(packet, 0xA5, sizeof(packet));
  show(packet, 8);
  memset(packet + 2, 0, 3);
  show(packet, 8);
  memset(numbers, 0, sizeof(numbers) / 2);
  for (int n : numbers) { Serial.print(n); Serial.print(' '); }
  memset(numbers, 0xFF, 4);
  for (int n : numbers) { Serial.print(n); Serial.print(' '); }
  memset(numbers, 1, 8);
  Serial.println(numbers[3]);
  memset(sums, 0x80, sizeof sums);
  Serial.println(sums[1]);
  float heat = 36.75;
  memcpy(packet, &heat, sizeof(heat));
  show(packet, 4);
  packet[3] ^= 0x80;
  float back;
  memcpy(&back, packet, 4);
  Serial.println(back);
  long wide = 0x12345678;
  memcpy(packet + 1, &wide, 4);
  show(packet, 8);
  int half;
  memcpy(&half, packet + 2, 2);
  Serial.println(half, HEX);
  int copy[4];
  memcpy(copy, numbers, sizeof copy);
  copy[0] = 7;
  Serial.println(memcmp(copy, numbers, sizeof copy) > 0);
  Serial.println(memcmp(copy + 1, numbers + 1, 6));
  memmove(packet + 1, packet, 5);
  show(packet, 8);
  memmove(name + 2, name, 5);
  Serial.println(name);
  memcpy(name, "ab", 2);
  Serial.println(name);
  Frame one = {7, -300, 2.5}, two;
  memcpy(&two, &one, sizeof(Frame));
  one.count = 1;
  Serial.println(two.count);
  Serial.println(two.heat);
  memset(&two, 0, sizeof(two));
  Serial.println(two.kind + two.count + two.heat);
  Frame list[2] = {{1, 2, 3}, {4, 5, 6}};
  memcpy(&list[0], &list[1], sizeof(Frame));
  Serial.println(list[0].heat);
  bool flags[3] = {true, true, true};
  memset(flags, false, sizeof flags);
  Serial.println(flags[0] + flags[1] + flags[2]);
}
void loop() { }
"""

PROGRAMS["numbers out of texts"] = """
void both(const char *text, int base) {
  char *end;
  long value = strtol(text, &end, base);
  Serial.print(value);
  Serial.print(' ');
  Serial.print((int)(end - text));
  Serial.print(' ');
  Serial.println(*end ? end : "-");
}
void setup() {
  Serial.begin(9600);
  both("42", 10);
  both("  -17 rest", 10);
  both("+8,9", 10);
  both("ff", 16);
  both("0x1Fg", 16);
  both("0x1F", 0);
  both("017", 0);
  both("19", 8);
  both("1012", 2);
  both("none", 10);
  both("", 10);
  both("zz", 36);
  both("99999999999", 10);
  both("-99999999999", 10);
  Serial.println(strtoul("4000000000", NULL, 10));
  Serial.println(strtoul("FFFFFFFF", 0, 16));
  Serial.println(atoi("12.9"));
  Serial.println(atoi(" 7th"));
  Serial.println(atol("-70000"));
  Serial.println(atof("2.50e1 V"), 2);
  Serial.println(INT_MAX);
  Serial.println(INT_MIN);
  Serial.println(UINT_MAX);
  Serial.println(LONG_MAX);
  Serial.println(UINT8_MAX + INT8_MIN);
  Serial.println(RAND_MAX);
  Serial.println(M_PI, 4);
  Serial.println(labs(-70000L));
  char text[12];
  Serial.println(ultoa(4000000000UL, text, 16));
  Serial.println(utoa(60000U, text, 10));
}
void loop() { }
"""

PROGRAMS["helpers for single bits"] = """
byte state = 0;
void setup() {
  Serial.begin(9600);
  bitSet(state, 3);
  bitToggle(state, 0);
  bitToggle(state, 3);
  bitWrite(state, 7, 1);
  Serial.println(state, BIN);
  Serial.println(bitRead(state, 7) + bitRead(state, 1));
  unsigned int pair = makeWord(0x12, 0x34);
  Serial.println(pair, HEX);
  Serial.println(word(highByte(pair), lowByte(pair)) == pair);
  Serial.println(fmin(2.5, 1) + fmax(2.5, 1));
  Serial.println(lround(-2.5));
  Serial.println(lround(2.49));
  Serial.println(square(1.5));
  Serial.println(copysign(3, -0.5));
  Serial.println(fdim(5, 3) + fdim(3, 5));
  Serial.println(sinh(1), 3);
  Serial.println(tanh(0.5), 4);
  Serial.println(isinf(1.0 / 0.0) != 0);
  Serial.println(isfinite(2.5) != 0);
  Serial.println(isnan(sqrt(-1)) != 0);
  Serial.println(sinf(0.5), 4);
  Serial.println(powf(2, 10));
  Serial.println(fabsf(-2));
  Serial.println(ldexp(0.75, 4));
}
void loop() { }
"""
