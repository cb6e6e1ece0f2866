"""Programs that decide: states, cases, times, menus, alarms."""

PROGRAMS: dict[str, str] = {}

PROGRAMS["a machine of states"] = """
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

PROGRAMS["cases that run on"] = """
int score(char grade, int bonus) {
  int points = 0;
  switch (grade) {
    case 'a': points += 1;
    case 'b': points += 2;
    case 'c':
      points += 4;
      break;
    case 'd': {
      int half = bonus / 2;
      points = half;
      break;
    }
    default:
      points = -1;
    case 'e':
      switch (bonus) {
        case 0: return points;
        case 1 ... 5: points *= 10; break;
        default: points *= 100;
      }
      points++;
  }
  return points;
}
enum Level { LOW_LEVEL, MIDDLE = 5, HIGH_LEVEL };
const char *named(Level level) {
  switch (level) {
    case LOW_LEVEL: return "low";
    case MIDDLE: return "middle";
    case HIGH_LEVEL: return "high";
  }
  return "none";
}
void setup() {
  Serial.begin(9600);
  for (char grade = 'a'; grade <= 'f'; grade++)
    for (int bonus = 0; bonus <= 9; bonus += 3) {
      Serial.print(score(grade, bonus));
      Serial.print(bonus == 9 ? '\\n' : ' ');
    }
  Serial.println(named(LOW_LEVEL));
  Serial.println(named((Level)(MIDDLE + 1)));
  Serial.println(named((Level)2));
  Serial.println(HIGH_LEVEL - LOW_LEVEL);
  int rounds = 0;
  for (int i = 0; i < 10; i++) {
    switch (i % 4) {
      case 0: continue;
      case 1: rounds += 1; break;
      case 2: rounds += 10; break;
    }
    if (rounds > 25) break;
    rounds += 100 * (i == 3);
  }
  Serial.println(rounds);
}
void loop() { }
"""

PROGRAMS["control of a heater"] = """
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

PROGRAMS["times of day"] = """
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

PROGRAMS["a menu with a knob"] = """
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

PROGRAMS["a thermometer with two points"] = """
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

PROGRAMS["an alarm that waits"] = """
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

PROGRAMS["flags, aliases and points"] = """
using Time = unsigned long;
enum Flag { LIT = 1 << 0, WARM = 1 << 1, BOTH = LIT | WARM, NONE = ~BOTH & 0, LATE = -(3 + 4) % 4 };
static_assert(sizeof(Time) == 4, "wide enough");
const int SIZE = 1 << 3 >> 1;
extern "C" { int doubled(int a) { return a * 2; } }
struct Point { int x, y; };
Point middle(Point a, Point b) { return Point{(a.x + b.x) / 2, (a.y + b.y) / 2}; }
byte flags = NONE;
Time then = 70000;
int list[SIZE];
void setup() {
  Serial.begin(9600);
  flags |= LIT;
  flags ^= BOTH;
  Serial.println(flags);
  Serial.println(BOTH + LATE);
  Serial.println(flags & WARM ? 1 : 0);
  Time now = then + 5;
  Serial.println(now - then);
  Serial.println((int)(sizeof(list) / sizeof(list[0])));
  Point p{3, 9};
  Point q = Point{1, -4};
  p = middle(p, q);
  Serial.print(p.x); Serial.print(' '); Serial.println(p.y);
  p = {7, 8};
  Serial.println(p.x * doubled(p.y));
}
void loop() { }
"""
