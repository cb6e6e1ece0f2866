"""Texts: letters one by one, commands in a line, patterns, frames on a wire."""

PROGRAMS: dict[str, str] = {}

PROGRAMS["letters and numbers in a text"] = """
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

PROGRAMS["commands in a line of letters"] = """
char line[32];
int setting = 20;
bool is(const char *word, int from, int length) {
  if ((int)strlen(word) != length) return false;
  return strncmp(line + from, word, length) == 0;
}
int split(int starts[], int lengths[], int most) {
  int found = 0;
  bool inside = false;
  for (int i = 0; line[i] != '\\0'; i++) {
    bool gap = line[i] == ' ' || line[i] == '=';
    if (!gap && !inside && found < most) { starts[found] = i; lengths[found] = 0; found++; }
    if (!gap) lengths[found - 1]++;
    inside = !gap;
  }
  return found;
}
void obey(const char *text) {
  strcpy(line, text);
  int starts[4], lengths[4];
  int words = split(starts, lengths, 4);
  if (words == 2 && is("set", starts[0], lengths[0])) setting = atoi(line + starts[1]);
  else if (words == 2 && is("add", starts[0], lengths[0])) setting += atoi(&line[starts[1]]);
  else if (words == 1 && is("zero", starts[0], lengths[0])) setting = 0;
  else { Serial.print("? "); Serial.println(line); }
  Serial.print(words);
  Serial.print(' ');
  Serial.println(setting);
}
void setup() {
  Serial.begin(9600);
  obey("set 42");
  obey("set=-7");
  obey("add   15");
  obey("sets 9");
  obey("zero");
  obey("");
  obey("set 12x");
  char copy[12] = "hive";
  strcat(copy, "-");
  strcat(copy, "7");
  Serial.println(copy);
  Serial.println(strcmp(copy, "hive-7") == 0);
  Serial.println(strcmp("a", "b") < 0);
  Serial.println(strchr(copy, '-') - copy);
  Serial.println((int)strlen(copy));
}
void loop() { }
"""

PROGRAMS["a text made by a pattern"] = """
void setup() {
  Serial.begin(9600);
  char text[40];
  sprintf(text, "%d|%5d|%-5d|%05d", 42, 42, 42, 42);
  Serial.println(text);
  sprintf(text, "%x %X %o %c %s", 255, 255, 8, 'q', "word");
  Serial.println(text);
  sprintf(text, "%u %ld %lu", 60000U, -70000L, 3000000000UL);
  Serial.println(text);
  sprintf(text, "%02d:%02d:%02d", 7, 5, 59);
  Serial.println(text);
  sprintf(text, "%+d %+d % d", 5, -5, 5);
  Serial.println(text);
  sprintf(text, "%8s|%-8s|%.3s", "left", "right", "cut off");
  Serial.println(text);
  int length = snprintf(text, 6, "%d", 1234567L > 0 ? 12345 : 0);
  Serial.println(text);
  Serial.println(length);
  length = snprintf(text, 4, "abcdef");
  Serial.println(text);
  Serial.println(length);
  sprintf(text, "100%% %d%%", 50);
  Serial.println(text);
  char number[12];
  dtostrf(3.14159, 8, 3, number);
  Serial.println(number);
  dtostrf(-0.5, 0, 1, number);
  Serial.println(number);
  itoa(-305, number, 10);
  Serial.println(number);
  itoa(255, number, 2);
  Serial.println(number);
}
void loop() { }
"""

PROGRAMS["frames on a wire"] = """
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

PROGRAMS["bars, columns and a table"] = """
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

PROGRAMS["letters of every kind"] = """
unsigned int sum = 0;
void add(bool is, int code) { if (is) sum = sum * 31 + code; }
void told(const char *what) { Serial.print(what); Serial.print(' '); Serial.println(sum); sum = 0; }
void setup() {
  Serial.begin(9600);
  for (int c = 0; c < 128; c++) add(isalpha(c), c); told("alpha");
  for (int c = 0; c < 128; c++) add(isdigit(c), c); told("digit");
  for (int c = 0; c < 128; c++) add(isalnum(c), c); told("alnum");
  for (int c = 0; c < 128; c++) add(isxdigit(c), c); told("xdigit");
  for (int c = 0; c < 128; c++) add(isupper(c), c); told("upper");
  for (int c = 0; c < 128; c++) add(islower(c), c); told("lower");
  for (int c = 0; c < 128; c++) add(ispunct(c), c); told("punct");
  for (int c = 0; c < 128; c++) add(isspace(c), c); told("space");
  for (int c = 0; c < 128; c++) add(isblank(c), c); told("blank");
  for (int c = 0; c < 128; c++) add(isprint(c), c); told("print");
  for (int c = 0; c < 128; c++) add(isgraph(c), c); told("graph");
  for (int c = 0; c < 128; c++) add(iscntrl(c), c); told("cntrl");
  for (int c = 0; c < 128; c++) { add(true, toupper(c)); add(true, tolower(c)); } told("cases");
  char word[] = "Hive-7 west";
  for (int i = 0; word[i]; i++) word[i] = i % 2 ? toupper(word[i]) : tolower(word[i]);
  Serial.println(word);
}
void loop() { }
"""

PROGRAMS["pieces between separators"] = r"""
char line[48];
void cut(const char *text, const char *apart) {
  strcpy(line, text);
  for (char *piece = strtok(line, apart); piece != NULL; piece = strtok(NULL, apart)) {
    Serial.print('<');
    Serial.print(piece);
    Serial.print('>');
  }
  Serial.println();
}
void setup() {
  Serial.begin(9600);
  cut("21.5;48;1013", ";");
  cut(";;a,,b;", ",;");
  cut("alone", ";");
  cut(";;;", ";");
  cut("name = west , 7", " =,");
  strcpy(line, "t=21.5&h=48&t=9");
  char *value = strstr(line, "h=");
  Serial.println(value ? value + 2 : "none");
  Serial.println(strstr(line, "x=") == NULL);
  Serial.println(strrchr(line, 't') - line);
  Serial.println(strchr(line, '\0') - line);
  char *first = strchr(line, '&');
  if (first) *first = '\0';
  Serial.println(line);
  Serial.println((int)strspn("00217", "0"));
  Serial.println((int)strcspn("west-7", "0123456789"));
  Serial.println(strcasecmp("West", "wEST") == 0);
  Serial.println(strncasecmp("westward", "WESTERN", 4) == 0);
  char both[12] = "ab";
  strncat(both, "cdefgh", 3);
  Serial.println(both);
  strncpy(both, "xyz", 2);
  Serial.println(both);
  srand(7);
  int one = rand(), two = rand();
  srand(7);
  Serial.println(rand() == one && rand() == two);
  Serial.println(one);
}
void loop() { }
"""
