// wireless board, the pins of one strip kept together
struct Strip {
  int feed;
  int out;
};

Strip feeder = {27, 35};
const int levelLight = 19;

int level(const Strip &s) {
  digitalWrite(s.feed, HIGH);
  delay(10);
  int n = analogRead(s.out);
  digitalWrite(s.feed, LOW);
  return n;
}

void setup() {
  Serial.begin(115200);
  pinMode(feeder.feed, OUTPUT);
  pinMode(levelLight, OUTPUT);
}

void loop() {
  int n = level(feeder);
  Serial.println(n);
  digitalWrite(levelLight, n > 900 ? HIGH : LOW);
  delay(500);
}
