"""Classes and what is built of functions: records made from others, virtual functions, templates, functions that are kept."""

PROGRAMS: dict[str, str] = {}

PROGRAMS["made from another"] = """
class Pin {
  protected: byte number; int used = 1;
  public:
    Pin(byte n) : number(n) { used += n; }
    int twice() { return 2 * number; }
    static int made;
};
int Pin::made = 4;
class Lamp : public Pin {
  bool lit = false;
  public:
    Lamp(byte n, int step) : Pin(n + 1), step(step) { made++; }
    int step;
    Lamp &toggle() { lit = !lit; used += step; return *this; }
    int sum() { return number + used + lit + twice() + made + Pin::twice(); }
};
class Plain : public Pin { public: Plain() : Pin(9) {} };
Lamp lamp(7, 10);
void setup() {
  Serial.begin(9600);
  Plain plain;
  Serial.println(lamp.sum());
  lamp.toggle().toggle().toggle();
  Serial.println(lamp.sum());
  Serial.println(plain.twice());
  Serial.println(Pin::made);
  Lamp copy = lamp;
  copy.toggle();
  Serial.println(copy.sum() - lamp.sum());
}
void loop() {}
"""

PROGRAMS["virtual"] = """
class Sensor {
  public:
    int base = 5;
    virtual int read() = 0;
    virtual const char *unit() { return "?"; }
    virtual ~Sensor() {}
    int twice() { return 2 * read() + base; }
};
class Warm : public Sensor {
  int pin;
  public:
    Warm(int p) : pin(p) {}
    int read() override { return pin * 10; }
    const char *unit() override { return "C"; }
};
class Still : public Sensor { public: int read() { return base; } };
class Hot : public Warm { public: Hot() : Warm(9) {} int read() override { return Warm::read() + 1; } };
Warm warm(3);
Still still;
Hot hot;
Sensor *all[] = {&warm, &still, &hot};
void show(Sensor &s) { Serial.print(s.twice()); Serial.println(s.unit()); }
void setup() {
  Serial.begin(9600);
  for (Sensor *s : all) { Serial.print(s->read()); Serial.print(' '); show(*s); }
  still.base = 8;
  show(still);
}
void loop() {}
"""

PROGRAMS["templates"] = """
template <typename T> T larger(T a, T b) { return a > b ? a : b; }
template <class T> void exchange(T &a, T &b) { T kept = a; a = b; b = kept; }
template <typename T> T sum(const T *values, int n) { T total = 0; for (int i = 0; i < n; i++) total += values[i]; return total; }
template <typename T, int N> class Ring {
  T values[N]; int at = 0, held = 0;
  public:
    void push(T v) { values[at] = v; at = (at + 1) % N; if (held < N) held++; }
    T mean() const { T total = 0; for (int i = 0; i < held; i++) total += values[i]; return held ? total / held : 0; }
    int size() { return held; }
    static const int MOST = N;
};
template <typename T> struct Pair { T one, other; };
Ring<float, 3> warm;
Ring<int, 2> counts;
void setup() {
  Serial.begin(9600);
  Serial.println(larger(3, 7));
  Serial.println(larger<long>(100000L, 7));
  Serial.println(larger(2.5f, 1.25f));
  int a = 1, b = 2;
  exchange(a, b);
  Serial.println(a * 10 + b);
  float list[] = {1.5, 2.5, 3.0};
  int whole[] = {30000, 30000};
  Serial.println(sum(list, 3));
  Serial.println(sum(whole, 2));
  for (int i = 0; i < 5; i++) { warm.push(i * 1.5); counts.push(i * i); Serial.print(warm.mean()); Serial.print(' '); Serial.println(counts.mean()); }
  Serial.println(warm.size() * 10 + counts.size());
  Pair<byte> p = {200, 60};
  p.one += p.other;
  Serial.println(p.one);
}
void loop() {}
"""

PROGRAMS["functions that are kept"] = """
typedef int (*Step)(int);
int up(int v) { return v + 1; }
int down(int v) { return v - 1; }
Step steps[] = {up, down, up};
void (*acts[])() = {[]() { Serial.println("first"); }, []() { Serial.println("second"); }};
struct Channel { const char *name; float (*convert)(float); };
float asC(float v) { return (v - 0.5) * 100; }
Channel channels[] = {{"warm", asC}, {"plain", nullptr}};
int apply(Step f, int v) { return f ? f(v) : -1; }
int twice(int (*f)(int), int v) { return f(f(v)); }
int calls = 0;
int &counter() { return calls; }
void setup() {
  Serial.begin(9600);
  int v = 10;
  for (Step s : steps) v = s(v) * 2;
  Serial.println(v);
  acts[0](); acts[1]();
  for (int i = 0; i < 2; i++) { Serial.print(channels[i].name); Serial.println(channels[i].convert ? channels[i].convert(0.75) : -1.0); }
  Serial.println(apply(down, 5));
  Serial.println(apply(nullptr, 5));
  Serial.println(twice(&up, 5));
  Step now = up;
  now = (*now)(1) == 2 ? down : up;
  Serial.println(now(7));
  int base = 3;
  auto add = [base](int x) { return x + base; };
  auto bump = [&](int by) { base += by; counter()++; return base; };
  Serial.println(add(4));
  Serial.println(bump(5));
  Serial.println(bump(1));
  Serial.println(add(4));
  Serial.println(base);
  counter() += 40;
  Serial.println(calls);
  auto half = [](float x) -> int { return x / 2; };
  Serial.println(half(7.9));
}
void loop() {}
"""

PROGRAMS["bytes of a union"] = """
union Word { uint16_t whole; uint8_t part[2]; };
union Number { float f; uint32_t bits; struct { uint16_t low, high; } words; };
struct Frame { byte kind; Word word; };
void setup() {
  Serial.begin(9600);
  Word w;
  w.whole = 0x1234;
  Serial.println(w.part[0], HEX);
  w.part[1] = 0xAB;
  Serial.println(w.whole, HEX);
  Number n;
  n.f = -21.5;
  Serial.println(n.bits);
  Serial.println(n.words.high, HEX);
  n.bits += 0x00800000;
  Serial.println(n.f);
  Frame f = {1, {500}};
  Frame g = f;
  g.word.part[0]++;
  Serial.println(f.word.whole);
  Serial.println(g.word.whole);
  Serial.println(sizeof(Number));
}
void loop() {}
"""

PROGRAMS["memory and order"] = """
struct Cfg { byte pin; float limit; int list[2]; };
const Cfg cfg = {.pin = 8, .limit = 33.5, .list = {4, 5}};
struct Node { int value; Node *next; };
Node third = {3, nullptr}, second = {2, &third}, first = {1, &second};
int up(const void *a, const void *b) { return *(const int *)a - *(const int *)b; }
int down(const void *a, const void *b) { return *(const int *)b - *(const int *)a; }
#define SHOW(x) do { Serial.print(#x); Serial.print('='); Serial.println(x); } while (0)
#define FIELD(n) value_##n
#define ON_OFF(pin) { \\
  digitalWrite(pin, HIGH); \\
  Serial.println(digitalRead(pin)); \\
}
int value_one = 11;
void setup() {
  Serial.begin(9600);
  Serial.println(cfg.pin + cfg.list[1]);
  Serial.println(cfg.limit);
  int total = 0;
  for (Node *n = &first; n; n = n->next) total = total * 10 + n->value;
  SHOW(total);
  SHOW(FIELD(one) + 1);
  int v[] = {5, -3, 9, 0};
  qsort(v, 4, sizeof(int), up);
  for (int x : v) { Serial.print(x); Serial.print(' '); }
  qsort(v, 3, sizeof(v[0]), down);
  for (int x : v) { Serial.print(x); Serial.print(' '); }
  Serial.println();
  int *made = new int[3];
  for (int i = 0; i < 3; i++) made[i] = i * i;
  SHOW(made[2]);
  delete[] made;
  byte *bytes = (byte *)malloc(4);
  bytes[3] = 250; bytes[3] += 10;
  SHOW(bytes[3]);
  free(bytes);
  if (total > 5) SHOW(1); else SHOW(2);
}
void loop() {}
"""

PROGRAMS["templates by number, nested names, overloads"] = """
namespace cfg { namespace volts { constexpr float ref = 5.0f; } const int steps = 1024; }
template <byte N> int middle(const int *values) {
  int v[N];
  for (byte i = 0; i < N; i++) { byte j = i; while (j > 0 && v[j - 1] > values[i]) { v[j] = v[j - 1]; j--; } v[j] = values[i]; }
  return v[N / 2];
}
void say(float v, int digits = 1) { Serial.println(v, digits); }
void say(const char *s) { Serial.println(s); }
int values[] = {7, 3, 9, 1, 5};
void setup() {
  Serial.begin(9600);
  Serial.println(middle<5>(values));
  Serial.println(middle<3>(values));
  say("text");
  say(2.25);
  say(2.25, 2);
  say(cfg::volts::ref / cfg::steps * 100, 3);
}
void loop() {}
"""
