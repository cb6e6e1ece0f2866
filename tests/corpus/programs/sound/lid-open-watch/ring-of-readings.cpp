// mean of the last four readings in a ring
const byte N = 4;
int ring[N];
byte at = 0;
long total = 0;

const byte CELL = A1, LIGHT = 9;

void setup() {
  Serial.begin(9600);
  pinMode(LIGHT, OUTPUT);
  for (byte i = 0; i < N; i++) ring[i] = 0;
}

void loop() {
  total -= ring[at];
  ring[at] = analogRead(CELL);
  total += ring[at];
  at = (at + 1) % N;
  int mean = total / N;
  Serial.println(mean);
  digitalWrite(LIGHT, mean > 472 ? HIGH : LOW);
  delay(100);
}
