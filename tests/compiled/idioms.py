"""Programs as students write them, each around one habit of the language; every line printed is compared with real compiled code."""

IDIOMS: dict[str, str] = {}

IDIOMS["preprocessor"] = """
#define DEBUG
#define LEVEL 2
#define LOW_LIMIT 18
#define HIGH_LIMIT (LOW_LIMIT + 8)
#define IN_RANGE(x) ((x) >= LOW_LIMIT && (x) <= HIGH_LIMIT)
#define NAME "hive" "-" "7"
#ifdef DEBUG
  #define SAY(x) Serial.println(x)
#else
  #define SAY(x)
#endif
#ifndef MISSING
const int fallback = 5;
#endif
#if LEVEL > 1
const int detail = 10 * LEVEL;
#elif LEVEL == 1
const int detail = 1;
#else
const int detail = 0;
#endif
#undef LEVEL
#define LEVEL 7
void setup() {
  Serial.begin(9600);
  SAY(HIGH_LIMIT);
  SAY(IN_RANGE(20));
  SAY(IN_RANGE(17 + 0));
  SAY(NAME);
  SAY(fallback + detail + LEVEL);
#if defined(DEBUG) && !defined(MISSING)
  SAY(1);
#endif
#if 0
  SAY(9);
#elif LEVEL * 2 == 14 || MISSING
  SAY(2);
#else
  SAY(3);
#endif
#define LOCAL 4
#undef DEBUG
#ifdef DEBUG
  SAY(5);
#else
  SAY(LOCAL);
#endif
#if (LOW_LIMIT & 0x10) && -1 < 0 && ~0 == -1 && 'a' == 97 && 7 / 2 == 3 && 010 == 8
  SAY(6);
#endif
}
void loop() { }
"""

IDIOMS["classes"] = """
class Smoother {
 public:
  Smoother(int size) : size_(size), count_(0), sum_(0), next_(0) {
    for (int i = 0; i < 8; i++) values_[i] = 0;
  }
  void add(int value) {
    if (count_ < size_) count_++;
    else sum_ -= values_[next_];
    values_[next_] = value;
    sum_ += value;
    next_ = (next_ + 1) % size_;
  }
  int mean() { return count_ ? sum_ / count_ : 0; }
  int count() const { return count_; }
 private:
  int size_, count_, next_;
  int values_[8];
  long sum_;
};
struct Point {
  int x, y;
  int dot(Point other) { return x * other.x + y * other.y; }
};
Smoother smooth(3);
Point corner = {3, 4};
void setup() {
  Serial.begin(9600);
  int readings[] = {10, 20, 30, 100, 40, -5};
  for (int i = 0; i < 6; i++) {
    smooth.add(readings[i]);
    Serial.println(smooth.mean());
  }
  Serial.println(smooth.count());
  Point other = {1, -2};
  Serial.println(corner.dot(other));
  Point *p = &other;
  p->x = 10;
  Serial.println(p->dot(corner));
}
void loop() { }
"""

IDIOMS["a machine of states"] = """
enum State { IDLE, HEATING, ALARM };
State state = IDLE;
const char *names[] = {"idle", "heating", "alarm"};
int count[3];
State next(State now, int celsius) {
  switch (now) {
    case IDLE:
      if (celsius < 18) return HEATING;
      break;
    case HEATING:
      if (celsius > 26) return ALARM;
      if (celsius >= 21) return IDLE;
      break;
    case ALARM:
      return celsius < 24 ? IDLE : ALARM;
  }
  return now;
}
void setup() {
  Serial.begin(9600);
  int celsius[] = {20, 17, 19, 27, 25, 23, 16, 21};
  for (unsigned int i = 0; i < sizeof(celsius) / sizeof(celsius[0]); i++) {
    state = next(state, celsius[i]);
    count[state]++;
    Serial.println(names[state]);
  }
  for (int i = 0; i < 3; i++) Serial.println(count[i]);
}
void loop() { }
"""

IDIOMS["sorting and searching"] = """
int values[] = {42, 7, 19, -3, 88, 7, 0};
const int n = sizeof(values) / sizeof(int);
void sortUp(int *a, int size) {
  for (int i = 0; i < size - 1; i++) {
    for (int j = 0; j < size - 1 - i; j++) {
      if (a[j] > a[j + 1]) {
        int held = a[j];
        a[j] = a[j + 1];
        a[j + 1] = held;
      }
    }
  }
}
int find(const int *a, int size, int wanted) {
  int low = 0, high = size - 1;
  while (low <= high) {
    int middle = (low + high) / 2;
    if (a[middle] == wanted) return middle;
    if (a[middle] < wanted) low = middle + 1;
    else high = middle - 1;
  }
  return -1;
}
float median(int *a, int size) {
  return size % 2 ? a[size / 2] : (a[size / 2 - 1] + a[size / 2]) / 2.0;
}
void setup() {
  Serial.begin(9600);
  sortUp(values, n);
  for (int i = 0; i < n; i++) Serial.println(values[i]);
  Serial.println(find(values, n, 19));
  Serial.println(find(values, n, 20));
  Serial.println(median(values, n), 1);
  Serial.println(median(values, n - 1), 1);
}
void loop() { }
"""

IDIOMS["letters and numbers in a text"] = """
char line[] = "T=21.5;H=48;ALARM";
int parsed(const char *text) {
  int value = 0;
  while (*text >= '0' && *text <= '9') value = value * 10 + (*text++ - '0');
  return value;
}
void shout(char *text) {
  for (; *text; text++)
    if (*text >= 'a' && *text <= 'z') *text -= 'a' - 'A';
}
void setup() {
  Serial.begin(9600);
  Serial.println(parsed(line + 2));
  int fields = 1;
  for (int i = 0; line[i] != '\\0'; i++)
    if (line[i] == ';') fields++;
  Serial.println(fields);
  char word[8];
  int k = 0;
  for (char *p = line + 12; *p; p++) word[k++] = *p + 32;
  word[k] = 0;
  Serial.println(word);
  shout(word);
  Serial.println(word);
  byte sum = 0;
  for (unsigned int i = 0; i < strlen(line); i++) sum ^= line[i];
  Serial.println(sum);
  char grade = 'A';
  grade += 2;
  Serial.println(grade);
  Serial.println('z' - 'a');
  const char *p = "count me";
  int letters = 0;
  while (*p) {
    if (*p++ != ' ') letters++;
  }
  Serial.println(letters);
  const char *tail = "Brood box" + 6;
  Serial.println(tail);
  tail = line;
  Serial.println(tail[2]);
  char hex[] = "0123456789ABCDEF";
  Serial.println(hex[0x2B >> 4]);
  Serial.println(hex[0x2B & 0xF]);
}
void loop() { }
"""

IDIOMS["widths and signs"] = """
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

IDIOMS["pointers and references"] = """
void both(int &low, int &high) {
  if (low > high) {
    int held = low;
    low = high;
    high = held;
  }
}
int total(const int *from, const int *to) {
  int sum = 0;
  while (from < to) sum += *from++;
  return sum;
}
void setup() {
  Serial.begin(9600);
  int a = 8, b = 3;
  both(a, b);
  Serial.println(a * 10 + b);
  int data[] = {1, 2, 3, 4, 5};
  Serial.println(total(data, data + 5));
  Serial.println(total(&data[1], &data[3]));
  int *p = data;
  *p++ = 10;
  *(p + 1) = 30;
  Serial.println(data[0] + data[2]);
  int &alias = data[4];
  alias *= 7;
  Serial.println(data[4]);
}
void loop() { }
"""

IDIOMS["tables and fixed point"] = """
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

IDIOMS["loops that end early"] = """
int primes(int most) {
  int found = 0;
  for (int n = 2; n <= most; n++) {
    bool isPrime = true;
    for (int d = 2; d * d <= n; d++) {
      if (n % d == 0) {
        isPrime = false;
        break;
      }
    }
    if (!isPrime) continue;
    found++;
  }
  return found;
}
int digits(long n) {
  int count = 0;
  do {
    n /= 10;
    count++;
  } while (n != 0);
  return count;
}
long collatz(long n) {
  long steps = 0;
  for (; n != 1; steps++) n = n % 2 ? 3 * n + 1 : n / 2;
  return steps;
}
long factorial(int n) { return n < 2 ? 1 : n * factorial(n - 1); }
void setup() {
  Serial.begin(9600);
  Serial.println(primes(100));
  Serial.println(digits(0));
  Serial.println(digits(-12345));
  Serial.println(collatz(27));
  Serial.println(factorial(10));
  int i, j;
  for (i = 0, j = 10; i < j; i++, j -= 2);
  Serial.println(i * 100 + j);
  int n = 0;
  while (true) {
    n += 3;
    if (n % 5) continue;
    if (n > 20) break;
  }
  Serial.println(n);
  for (int row = 0; row < 3; row++) {
    for (int column = 0; column <= row; column++) Serial.print('*');
    Serial.println();
  }
}
void loop() { }
"""

IDIOMS["records in lists"] = """
struct Sensor {
  const char *name;
  byte pin;
  float offset;
  int readings[3];
};
Sensor sensors[] = {
  {"lid", 2, 0.5, {1, 2, 3}},
  {"box", 3, -1.25, {10, 20, 30}},
};
const int count = sizeof(sensors) / sizeof(Sensor);
float mean(const Sensor &s) {
  float sum = 0;
  for (int i = 0; i < 3; i++) sum += s.readings[i];
  return sum / 3 + s.offset;
}
Sensor *hottest(Sensor *from, int n) {
  Sensor *best = from;
  for (Sensor *s = from; s < from + n; s++)
    if (mean(*s) > mean(*best)) best = s;
  return best;
}
void setup() {
  Serial.begin(9600);
  for (Sensor &s : sensors) {
    Serial.println(s.name);
    Serial.println(mean(s), 2);
    s.readings[0] = 100;
  }
  Serial.println(hottest(sensors, count)->name);
  Sensor copy = sensors[0];
  copy.readings[1] = -1;
  Serial.println(sensors[0].readings[1]);
  Serial.println(mean(copy), 2);
  Serial.println(count);
}
void loop() { }
"""

IDIOMS["what a name means where"] = """
int level = 1;
int up() {
  static int calls = 0;
  calls++;
  return calls * level;
}
int inner() {
  int level = 5;
  {
    int level = 7;
    level++;
    Serial.println(level);
  }
  return level;
}
const int boxes = 3;
int frames(int each) { return boxes * each; }
constexpr int twice(int x) { return x * 2; }
void setup() {
  Serial.begin(9600);
  Serial.println(up());
  level = 10;
  Serial.println(up());
  Serial.println(inner());
  Serial.println(level);
  for (int level = 0; level < 2; level++) Serial.println(level);
  Serial.println(level);
  Serial.println(frames(4));
  Serial.println(twice(boxes));
  const int local = twice(21);
  Serial.println(local);
  int a = 1, b = a + 1, c = b * 2;
  Serial.println(a + b + c);
  a = b = c = 9;
  Serial.println(a + b + c);
  int x = 5;
  int y = x++ + ++x;
  Serial.println(x);
  Serial.println(y);
  bool on = !0, off = !5;
  Serial.println(on && !off || false);
}
void loop() { }
"""

IDIOMS["control of a heater"] = """
float setPoint = 34.5, integral = 0, last = 0;
float control(float celsius, float seconds) {
  float error = setPoint - celsius;
  integral += error * seconds;
  integral = constrain(integral, -20.0, 20.0);
  float slope = (error - last) / seconds;
  last = error;
  return 8.0 * error + 0.5 * integral + 2.0 * slope;
}
int share(float power) {
  if (power < 0) return 0;
  if (power > 100) return 255;
  return (int)(power * 255 / 100);
}
void setup() {
  Serial.begin(9600);
  float celsius = 20.0;
  for (int step = 0; step < 12; step++) {
    int duty = share(control(celsius, 1.0));
    celsius += duty / 255.0 * 4.0 - (celsius - 18.0) * 0.1;
    Serial.println(duty);
    Serial.println((long)(celsius * 100 + 0.5));
  }
}
void loop() { }
"""
