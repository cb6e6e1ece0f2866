// prints the count; the percentage is only for us
const byte FEED_PIN = 4, STRIP_PIN = A3, LIGHT_PIN = 10;
const int DRY = 0, FULL = 700;

unsigned long nextRead = 0;

void setup() {
  Serial.begin(9600);
  pinMode(FEED_PIN, OUTPUT);
  pinMode(LIGHT_PIN, OUTPUT);
}

void loop() {
  if (millis() < nextRead) return;
  nextRead = millis() + 500;
  digitalWrite(FEED_PIN, HIGH);
  delay(2);
  const int count = analogRead(STRIP_PIN);
  digitalWrite(FEED_PIN, LOW);
  const int percent = constrain(map(count, DRY, FULL, 0, 100), 0, 100);
  Serial.print(count);
  Serial.print(" about ");
  Serial.print(percent);
  Serial.println(" %");
  digitalWrite(LIGHT_PIN, count > 180 ? HIGH : LOW);
}
