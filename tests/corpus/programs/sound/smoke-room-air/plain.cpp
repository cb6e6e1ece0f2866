// Smoke room: a trend for the class, never a safety device.
const int airPin = A4;
const int sounderPin = 11;
const int smokeOver = 290;

void setup() {
  Serial.begin(9600);
  pinMode(sounderPin, OUTPUT);
}

void loop() {
  int air = analogRead(airPin);
  Serial.println(air);
  digitalWrite(sounderPin, air > smokeOver ? HIGH : LOW);
  delay(1000);
}
