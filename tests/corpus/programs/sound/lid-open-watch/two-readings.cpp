// Threshold from two readings of our own bench: closed 115, open 828.
const int cellPin = A1;
const int lightPin = 9;
const int closedCount = 115;
const int openCount = 828;
const int threshold = (closedCount + openCount) / 2;

void setup() {
  Serial.begin(9600);
  pinMode(lightPin, OUTPUT);
}

void loop() {
  int count = analogRead(cellPin);
  Serial.println(count);
  if (count > threshold) {
    digitalWrite(lightPin, HIGH);
  } else {
    digitalWrite(lightPin, LOW);
  }
  delay(200);
}
