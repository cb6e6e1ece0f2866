"""What the language itself means: names, classes, pointers, preprocessor, types that follow from a value."""

PROGRAMS: dict[str, str] = {}

PROGRAMS["preprocessor"] = """
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

PROGRAMS["classes"] = """
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

PROGRAMS["pointers and references"] = """
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

PROGRAMS["what a name means where"] = """
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

PROGRAMS["auto"] = """
struct Reading { int counts; float volts; };
Reading take(int counts) {
  Reading r = {counts, counts * 5.0f / 1024};
  return r;
}
long many = 70000;
auto table = 3UL;
void show(const char *text) { Serial.println(text); }
void setup() {
  Serial.begin(9600);
  auto whole = 7;
  Serial.println(whole / 2);
  auto wide = 40000;
  Serial.println(wide + wide);
  auto narrow = (byte)250;
  narrow += 10;
  Serial.println(narrow);
  auto part = 7 / 2.0;
  Serial.println(part);
  auto sum = whole + many;
  Serial.println(sum * 10);
  auto letter = 'a';
  letter++;
  Serial.println(letter);
  auto yes = whole > 3;
  Serial.println(yes);
  auto taken = take(512);
  Serial.println(taken.volts);
  auto &same = taken.counts;
  same = 100;
  Serial.println(taken.counts);
  const auto fixed = taken;
  Serial.println(fixed.counts + 1);
  int values[] = {3, 1, 2};
  for (auto value : values) { value *= 10; Serial.println(value); }
  for (auto &value : values) value *= 2;
  for (const auto &value : values) Serial.println(value);
  auto first = values;
  first[1] = 50;
  Serial.println(*(first + 1) + values[1]);
  auto text = "as it stands";
  show(text);
  Serial.println(text[3]);
  Reading several[] = {take(1), take(1023)};
  for (auto &one : several) Serial.println(one.volts, 3);
  for (auto i = 0; i < 3; i++) Serial.print(i);
  Serial.println();
  table *= 1000000000;
  Serial.println(table);
  auto shifted = 1 << 15;
  Serial.println(shifted);
  auto size = sizeof(values) / sizeof(values[0]);
  Serial.println(size);
}
void loop() { }
"""

PROGRAMS["functions that call themselves"] = """
unsigned long calls = 0;
long power(int base, int exponent) {
  calls++;
  if (exponent == 0) return 1;
  long half = power(base, exponent / 2);
  return exponent % 2 ? half * half * base : half * half;
}
int ackermann(int m, int n) {
  calls++;
  if (m == 0) return n + 1;
  if (n == 0) return ackermann(m - 1, 1);
  return ackermann(m - 1, ackermann(m, n - 1));
}
int depth(int n) {
  static int deepest = 0;
  if (n > deepest) deepest = n;
  if (n < 5) depth(n + 1);
  return deepest;
}
void digits(unsigned int n, int base) {
  if (n >= (unsigned)base) digits(n / base, base);
  Serial.print("0123456789abcdef"[n % base]);
}
bool isOdd(int n);
bool isEven(int n) { return n == 0 ? true : isOdd(n - 1); }
bool isOdd(int n) { return n == 0 ? false : isEven(n - 1); }
int counted() { static int times; return ++times; }
void setup() {
  Serial.begin(9600);
  Serial.println(power(3, 13));
  Serial.println(calls);
  calls = 0;
  Serial.println(ackermann(2, 3));
  Serial.println(calls);
  Serial.println(depth(1));
  Serial.println(depth(3));
  digits(60000U, 10); Serial.println();
  digits(60000U, 16); Serial.println();
  digits(5, 2); Serial.println();
  Serial.println(isEven(10));
  Serial.println(isOdd(10));
  int sum = counted() + 10 * counted();
  Serial.println(sum);
  Serial.println(counted());
}
void loop() { }
"""

PROGRAMS["records that reckon"] = """
struct Vector {
  int x, y;
  Vector operator+(const Vector &other) const { return {x + other.x, y + other.y}; }
  Vector operator*(int by) const { Vector made = *this; made.x *= by; made.y *= by; return made; }
  bool operator==(const Vector &other) const { return x == other.x && y == other.y; }
};
Vector operator-(const Vector &a, const Vector &b) { return {a.x - b.x, a.y - b.y}; }
bool operator<(const Vector &a, const Vector &b) { return a.x * a.x + a.y * a.y < b.x * b.x + b.y * b.y; }
struct Span { float low, high; };
Span around(float middle, float width) { return {middle - width, middle + width}; }
bool inside(Span span, float value) { return value >= span.low && value <= span.high; }
void show(const Vector &v) { Serial.print(v.x); Serial.print(' '); Serial.println(v.y); }
void setup() {
  Serial.begin(9600);
  Vector a = {3, -4}, b = {1, 2};
  show(a + b);
  show(a - b * 3);
  show(a + b + b);
  Serial.println(a == b);
  Serial.println(a + b == b + a);
  Serial.println(b < a);
  a = {7, 8};
  show(a);
  show({5, 6});
  Vector list[3] = {a, b, a - b};
  Vector sum = {0, 0};
  for (const Vector &one : list) sum = sum + one;
  show(sum);
  Span span = around(20, 2.5);
  Serial.println(span.low);
  Serial.println(inside(span, 22.5) + inside({1, 2}, 1.5) + inside(around(0, 1), 3));
}
void loop() { }
"""

PROGRAMS["lists of names apart"] = """
enum class Mode : byte { Off, Warm = 5, Hot };
enum Colour { RED, GREEN, BLUE };
enum class Tone { RED = 440, GREEN = 880 };
#define MELODY_LENGTH 4
Mode mode = Mode::Off;
int tones[MELODY_LENGTH] = {(int)Tone::RED, (int)Tone::GREEN, 0, 262};
extern int later;
const char *named(Mode of) {
  switch (of) {
    case Mode::Off: return "off";
    case Mode::Warm: return "warm";
    default: return "hot";
  }
}
Mode next(Mode of) { return of == Mode::Off ? Mode::Warm : of == Mode::Warm ? Mode::Hot : Mode::Off; }
void setup() {
  Serial.begin(9600);
  for (int i = 0; i < 4; i++) { Serial.print(named(mode)); Serial.print(' '); mode = next(mode); }
  Serial.println((int)mode);
  Colour colour = Colour::BLUE;
  Serial.println(colour + GREEN);
  Serial.println(tones[0] + tones[1]);
  Serial.println(sizeof(mode));
  later += 3;
  Serial.println(later);
  Serial.println(mode == Mode::Warm && colour != RED);
  Serial.println(__LINE__);
}
int later = 4;
void loop() { }
"""

PROGRAMS["tables in the program’s memory"] = """
const byte steps[] PROGMEM = {0x01, 0x03, 0x02, 0x06};
const PROGMEM int curve[] = {-300, 0, 512, 30000};
const float factors[3] PROGMEM = {0.5, 1.25, -2.0};
const unsigned long times[] PROGMEM = {70000UL, 4000000000UL};
const char greeting[] PROGMEM = "good morning";
void setup() {
  Serial.begin(9600);
  for (byte i = 0; i < sizeof(steps); i++) { Serial.print(pgm_read_byte(&steps[i])); Serial.print(' '); }
  Serial.println();
  for (int i = 0; i < 4; i++) { Serial.print((int)pgm_read_word(&curve[i])); Serial.print(' '); }
  Serial.println();
  Serial.println(pgm_read_float(factors + 1));
  Serial.println(pgm_read_dword(&times[1]));
  char text[20];
  strcpy_P(text, greeting);
  Serial.println(text);
  Serial.println((int)strlen_P(greeting));
  Serial.println(strcmp_P("good", PSTR("good")));
  Serial.println((char)pgm_read_byte(greeting + 5));
  sprintf_P(text, PSTR("%d/%s"), 7, "x");
  Serial.println(text);
}
void loop() { }
"""
