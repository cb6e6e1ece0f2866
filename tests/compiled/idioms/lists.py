"""Lists and records: sorted, searched, kept in a ring, reckoned with."""

PROGRAMS: dict[str, str] = {}

PROGRAMS["sorting and searching"] = """
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

PROGRAMS["records in lists"] = """
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

PROGRAMS["loops that end early"] = """
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

PROGRAMS["a ring of values"] = """
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

PROGRAMS["cells that live"] = """
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
"""

PROGRAMS["figures of a series"] = """
const int COUNT = 9;
const float values[COUNT] = {21.5, 22.0, 19.5, 80.0, 21.0, 20.5, -3.25, 22.5, 21.5};
float sorted[COUNT];
void sortAll() {
  for (int i = 0; i < COUNT; i++) sorted[i] = values[i];
  for (int gap = COUNT / 2; gap > 0; gap /= 2)
    for (int i = gap; i < COUNT; i++) {
      float one = sorted[i];
      int j = i;
      while (j >= gap && sorted[j - gap] > one) { sorted[j] = sorted[j - gap]; j -= gap; }
      sorted[j] = one;
    }
}
float mean(const float list[], int from, int to) {
  float sum = 0;
  for (int i = from; i < to; i++) sum += list[i];
  return sum / (to - from);
}
void setup() {
  Serial.begin(9600);
  sortAll();
  for (float one : sorted) { Serial.print(one, 1); Serial.print(' '); }
  Serial.println();
  Serial.println(sorted[COUNT / 2]);
  Serial.println(mean(values, 0, COUNT), 3);
  Serial.println(mean(sorted, 1, COUNT - 1), 3);
  float variance = 0, m = mean(values, 0, COUNT);
  for (int i = 0; i < COUNT; i++) variance += (values[i] - m) * (values[i] - m);
  Serial.println(sqrt(variance / (COUNT - 1)), 2);
  float smooth = values[0];
  for (int i = 1; i < COUNT; i++) { smooth += 0.25 * (values[i] - smooth); Serial.print(smooth, 2); Serial.print(' '); }
  Serial.println();
  int rising = 0;
  for (int i = 1; i < COUNT; i++) rising += values[i] > values[i - 1];
  Serial.println(rising);
  float slope = 0, middle = (COUNT - 1) / 2.0, under = 0;
  for (int i = 0; i < COUNT; i++) { slope += (i - middle) * values[i]; under += (i - middle) * (i - middle); }
  Serial.println(slope / under, 4);
  float least = values[0], most = values[0];
  for (float one : values) { least = min(least, one); most = max(most, one); }
  Serial.println(least);
  Serial.println(most);
  Serial.println(round(least));
  Serial.println(round(2.5) + round(-2.5) + round(0.49));
  Serial.println((int)most + (int)least);
}
void loop() { }
"""

PROGRAMS["a history with its figures"] = """
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
