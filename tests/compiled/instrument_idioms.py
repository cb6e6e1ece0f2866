"""Programs of measuring instruments as students write them: conversions, calibration, alarms, frames, histories."""

INSTRUMENTS: dict[str, str] = {}

INSTRUMENTS["a thermometer with two points"] = """
struct Point { int counts; float degrees; };
const Point POINTS[2] = { {102, 0.0}, {307, 100.0} };
float slope, offset;
void calibrate(const Point *p) {
  slope = (p[1].degrees - p[0].degrees) / (p[1].counts - p[0].counts);
  offset = p[0].degrees - slope * p[0].counts;
}
float degreesOf(int counts) { return slope * counts + offset; }
float fahrenheit(float c) { return c * 9 / 5 + 32; }
int wrongFahrenheit(int c) { return 9 / 5 * c + 32; }
enum Zone { COLD, MILD = 5, WARM, HOT = 10 };
Zone zoneOf(float c) { return c < 10 ? COLD : c < 25 ? MILD : c < 35 ? WARM : HOT; }
void setup() {
  Serial.begin(9600);
  calibrate(POINTS);
  Serial.println(slope, 4);
  Serial.println(offset, 3);
  for (int counts = 90; counts < 320; counts += 37) {
    float c = degreesOf(counts);
    Serial.print(c); Serial.print(" "); Serial.print(fahrenheit(c), 1); Serial.print(" ");
    Serial.print(wrongFahrenheit(c)); Serial.print(" ");
    Serial.print((int)c); Serial.print(" "); Serial.print(int(c + 0.5)); Serial.print(" ");
    Serial.println(zoneOf(c));
  }
  Serial.println(constrain(degreesOf(400), -10, 110));
  Serial.println(map(512, 0, 1023, 0, 180));
  Serial.println(map(-5, 0, 10, 100, 0));
  Serial.println(map(7, 0, 10, 0, 3));
}
void loop() { }
"""

INSTRUMENTS["an alarm that waits"] = """
enum State { QUIET, WAITING, RINGING };
struct Alarm {
  float limit, gap;
  unsigned long hold;
  State state;
  unsigned long since;
};
const char *NAMES[] = {"quiet", "waiting", "ringing"};
void change(Alarm &a, State to, unsigned long now) {
  if (a.state == to) return;
  Serial.print(now);
  Serial.print(": ");
  Serial.print(NAMES[a.state]);
  Serial.print(" -> ");
  Serial.println(NAMES[to]);
  a.state = to;
  a.since = now;
}
void step(Alarm *a, unsigned long now, float value) {
  switch (a->state) {
    case QUIET:
      if (value > a->limit) change(*a, WAITING, now);
      break;
    case WAITING:
      if (value <= a->limit) { change(*a, QUIET, now); break; }
      if (now - a->since < a->hold) break;
      // falls through: the wait is over
    case RINGING:
      change(*a, value < a->limit - a->gap ? QUIET : RINGING, now);
  }
}
void setup() {
  Serial.begin(9600);
  Alarm alarm = {28.0, 1.5, 2000, QUIET, 0};
  float values[] = {27, 28.5, 27.9, 29, 29, 29, 30, 27, 26.4, 26, 31};
  unsigned long now = 4294965296UL;  // the clock goes over while it waits
  for (byte i = 0; i < 11; i++, now += 1000) step(&alarm, now, values[i]);
  Serial.println(alarm.state);
  Serial.println(now);
  Serial.println((long)(now - 4294965296UL));
}
void loop() { }
"""

INSTRUMENTS["frames on a wire"] = """
const byte START = 0x7E;
byte checkOf(const byte data[], byte length) {
  byte sum = 0;
  for (byte i = 0; i < length; i++) sum += data[i];
  return ~sum;
}
byte frame[12];
byte build(byte kind, const char *text) {
  byte n = 0;
  frame[n++] = START;
  frame[n++] = kind;
  byte at = n++;
  while (*text) frame[n++] = *text++;
  frame[at] = n - at - 1;
  byte sum = checkOf(frame + 1, n - 1);
  frame[n++] = sum;
  return n;
}
bool holds(const byte *f, byte length) {
  return length > 3 && f[0] == START && f[2] == length - 4 && checkOf(&f[1], length - 2) == f[length - 1];
}
int state = 0, wanted = 0, got = 0;
void feed(byte b) {
  switch (state) {
    case 0: if (b == START) state = 1; break;
    case 1: state = 2; Serial.print("kind "); Serial.println(b); break;
    case 2: wanted = b; got = 0; state = wanted ? 3 : 4; break;
    case 3:
      Serial.write(b);
      if (++got == wanted) { state = 4; Serial.println(); }
      break;
    default: Serial.print("check "); Serial.println(b, HEX); state = 0;
  }
}
void setup() {
  Serial.begin(9600);
  byte length = build(3, "21.5");
  for (byte i = 0; i < length; i++) {
    if (frame[i] < 16) Serial.print('0');
    Serial.print(frame[i], HEX);
    Serial.print(i < length - 1 ? ' ' : '\\n');
  }
  Serial.println(holds(frame, length) ? "holds" : "broken");
  frame[4] ^= 0x01;
  Serial.println(holds(frame, length) ? "holds" : "broken");
  for (byte i = 0; i < length; i++) feed(frame[i]);
  unsigned int raw = (unsigned int)0x66 << 8 | 0x5A;
  Serial.println(raw);
  Serial.println(-45 + 175 * (raw / 65535.0), 2);
  int high = 0xFF, low = 0x38;
  int both = (high << 8) | low;
  Serial.println(both);
  Serial.println((both >> 4) * 0.0625, 3);
  Serial.println(lowByte(both), BIN);
  Serial.println(highByte(both));
  Serial.println(bitRead(low, 3) + bitRead(low, 2) * 10);
  bitSet(low, 0); bitClear(low, 5); bitWrite(low, 7, 1);
  Serial.println(low);
}
void loop() { }
"""

INSTRUMENTS["a history with its figures"] = """
int larger(int a, int b) { return a > b ? a : b; }
float larger(float a, float b) { return a > b ? a : b; }
class History {
  public:
    History(int places) : places_(places) { clear(); }
    void clear() { filled_ = 0; next_ = 0; sum_ = 0; }
    void put(int value) {
      if (filled_ == places_) sum_ -= kept_[next_]; else filled_++;
      kept_[next_] = value;
      sum_ += value;
      if (++next_ >= places_) next_ = 0;
    }
    float mean() const { return filled_ ? (float)sum_ / filled_ : 0; }
    float spread() const {
      float m = mean(), squares = 0;
      for (int i = 0; i < filled_; i++) squares += (kept_[i] - m) * (kept_[i] - m);
      return filled_ > 1 ? sqrt(squares / (filled_ - 1)) : 0;
    }
    int middle() const {
      int sorted[8];
      for (int i = 0; i < filled_; i++) {
        int j = i;
        for (; j > 0 && sorted[j - 1] > kept_[i]; j--) sorted[j] = sorted[j - 1];
        sorted[j] = kept_[i];
      }
      return sorted[filled_ / 2];
    }
    int size() const { return filled_; }
  private:
    int kept_[8];
    int places_, filled_, next_;
    long sum_;
};
History history(5);
void setup() {
  Serial.begin(9600);
  int values[] = {503, 501, 640, 502, 500, 499, 1023, 498};
  for (int value : values) {
    history.put(value);
    Serial.print(history.size()); Serial.print(' ');
    Serial.print(history.mean()); Serial.print(' ');
    Serial.print(history.spread(), 1); Serial.print(' ');
    Serial.println(history.middle());
  }
  Serial.println(larger(3, 7));
  Serial.println(larger(2.5f, 1.5f));
  history.clear();
  Serial.println(history.mean());
}
void loop() { }
"""

INSTRUMENTS["bars, columns and a table"] = """
void padded(long value, byte width) {
  long shown = value < 0 ? -value : value;
  byte digits = value < 0 ? 2 : 1;
  while (shown >= 10) { shown /= 10; digits++; }
  while (digits++ < width) Serial.print(' ');
  Serial.print(value);
}
void bar(int value, int most, byte width) {
  byte filled = (long)value * width / most;
  Serial.print('[');
  for (byte i = 0; i < width; i++) Serial.print(i < filled ? '#' : i == filled ? '>' : '.');
  Serial.println(']');
}
int grid[3][4] = {{1, 2}, {3, 4, 5, 6}};
void setup() {
  Serial.begin(9600);
  int values[] = {-5, 0, 42, 1023};
  for (byte i = 0; i < 4; i++) { padded(values[i], 6); Serial.print(' '); bar(max(values[i], 0), 1023, 10); }
  for (byte row = 0; row < 3; row++) {
    int sum = 0;
    for (byte column = 0; column < 4; column++) { sum += grid[row][column]; padded(grid[row][column], 3); }
    padded(sum, 5);
    Serial.println();
  }
  char line[24];
  snprintf(line, sizeof(line), "%02d:%02d:%02d %5u|%-4d|%x", 7, 5, 59, 60000U, 12, 255);
  Serial.println(line);
  sprintf(line, "%c%s%%", 'a', "bc");
  Serial.println(line);
  Serial.println(strlen(line));
  strcpy(line, "hive ");
  strcat(line, "3");
  Serial.println(line);
  Serial.println(strcmp(line, "hive 3") == 0);
  Serial.println(atoi("42x") + atoi("-8"));
  Serial.println(atof("21.5") * 2);
  Serial.println('a' + 1);
  Serial.println((char)('a' + 1));
  Serial.println(1 / 3 * 3.0);
  Serial.println(7 / 2.0);
  Serial.println(true + true);
  Serial.println(3.0f == 3 ? "same" : "other");
}
void loop() { }
"""
