"""More programs as students write them: buffers, bits, times of day, menus, simulations; compared with real compiled code."""

MORE: dict[str, str] = {}

MORE["a ring of values"] = """
const byte SIZE = 5;
int ring[SIZE];
byte head = 0, filled = 0;
void put(int value) {
  ring[head] = value;
  head = (head + 1) % SIZE;
  if (filled < SIZE) filled++;
}
int back(byte n) { return ring[(head + SIZE - 1 - n) % SIZE]; }
int least() {
  int found = back(0);
  for (byte i = 1; i < filled; i++)
    if (back(i) < found) found = back(i);
  return found;
}
void setup() {
  Serial.begin(9600);
  int values[] = {5, 3, 8, 1, 9, 2, 7};
  for (byte i = 0; i < sizeof(values) / sizeof(int); i++) {
    put(values[i]);
    Serial.println(least());
  }
  for (byte i = 0; i < filled; i++) Serial.println(back(i));
}
void loop() { }
"""

MORE["bits and checks"] = """
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
  flags |= _BV(0);
  flags &= ~(1 << 3);
  flags ^= 0x81;
  Serial.println(flags);
  int raw = (0x1F << 8) | 0xC0;
  if (raw & 0x1000) raw -= 0x2000;
  Serial.println(raw >> 4);
}
void loop() { }
""".replace("_BV(0)", "(1 << 0)")

MORE["times of day"] = """
struct Time {
  int hours, minutes, seconds;
};
Time timeOf(unsigned long ms) {
  Time t;
  unsigned long s = ms / 1000;
  t.seconds = s % 60;
  t.minutes = s / 60 % 60;
  t.hours = s / 3600;
  return t;
}
void two(int n) {
  if (n < 10) Serial.print('0');
  Serial.print(n);
}
void show(const Time &t) {
  two(t.hours);
  Serial.print(':');
  two(t.minutes);
  Serial.print(':');
  two(t.seconds);
  Serial.println();
}
bool due(unsigned long now, unsigned long since, unsigned long every) { return now - since >= every; }
void setup() {
  Serial.begin(9600);
  unsigned long moments[] = {0, 59999, 60000, 3599000, 3600000, 45296789UL};
  for (int i = 0; i < 6; i++) show(timeOf(moments[i]));
  Serial.println(due(1000, 0, 1000));
  Serial.println(due(500, 4294967000UL, 700));
  Serial.println(due(500, 4294967000UL, 900));
  int year = 2031;
  bool leap = (year % 4 == 0 && year % 100 != 0) || year % 400 == 0;
  Serial.println(leap);
  const byte days[] = {31, 28, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31};
  int day = 14;
  for (byte m = 0; m < 2; m++) day += days[m];
  Serial.println(day);
}
void loop() { }
"""

MORE["a menu with a knob"] = """
const char *items[] = {"limits", "unit", "sound", "back"};
const byte count = sizeof(items) / sizeof(items[0]);
int place = 0;
bool inside = false;
int limits[2] = {18, 26};
int last = 0;
int turnOf(int now) {
  static const int steps[] = {0, -1, 1, 0, 1, 0, 0, -1, -1, 0, 0, 1, 0, 1, -1, 0};
  int found = steps[(last << 2) | now];
  last = now;
  return found;
}
void turn(int by) {
  if (!inside) {
    place = (place + by + count) % count;
    Serial.println(items[place]);
    return;
  }
  limits[1] = constrain(limits[1] + by, limits[0] + 1, 40);
  Serial.println(limits[1]);
}
void press() {
  if (place == 3) {
    place = 0;
    inside = false;
  } else {
    inside = !inside;
  }
  Serial.println(inside ? "in" : "out");
}
void setup() {
  Serial.begin(9600);
  int states[] = {1, 3, 2, 0, 2, 3, 1, 0, 1, 3};
  for (int i = 0; i < 10; i++) {
    int by = turnOf(states[i]);
    if (by) turn(by);
  }
  press();
  for (int i = 0; i < 20; i++) turn(3);
  press();
  turn(-1);
  turn(-1);
  press();
}
void loop() { }
"""

MORE["cells that live"] = """
byte now[8], next_[8];
byte alive(byte *rows, int y, int x) { return (rows[(y + 8) % 8] >> ((x + 8) % 8)) & 1; }
void step() {
  for (int y = 0; y < 8; y++) {
    next_[y] = 0;
    for (int x = 0; x < 8; x++) {
      byte around = 0;
      for (int dy = -1; dy <= 1; dy++)
        for (int dx = -1; dx <= 1; dx++)
          if (dx || dy) around += alive(now, y + dy, x + dx);
      if (around == 3 || (around == 2 && alive(now, y, x))) next_[y] |= 1 << x;
    }
  }
  memcpy(now, next_, sizeof(now));
}
void setup() {
  Serial.begin(9600);
  now[1] = 0b00000100;
  now[2] = 0b00001000;
  now[3] = 0b00001110;
  for (int generation = 0; generation < 6; generation++) {
    unsigned int sum = 0;
    for (byte y = 0; y < 8; y++) sum = sum * 3 + now[y];
    Serial.println(sum);
    step();
  }
}
void loop() { }
""".replace("memcpy(now, next_, sizeof(now));", "for (byte i = 0; i < 8; i++) now[i] = next_[i];")

MORE["chance that is made"] = """
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
""".replace("labs(", "abs(")
