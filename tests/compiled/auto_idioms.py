"""Variables whose type is that of their value: `auto`, alone, in loops over lists, as another name."""

AUTOS: dict[str, str] = {}

AUTOS["auto"] = """
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
