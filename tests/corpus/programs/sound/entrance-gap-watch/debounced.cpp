const uint8_t GAP_PIN = 5;
const uint8_t LED_PIN = 12;
const unsigned long STEADY_MS = 150;

int steady = HIGH;
int lastSeen = HIGH;
unsigned long changedAt = 0;

void setup() {
  pinMode(GAP_PIN, INPUT_PULLUP);
  pinMode(LED_PIN, OUTPUT);
  Serial.begin(9600);
}

void loop() {
  const int seen = digitalRead(GAP_PIN);
  if (seen != lastSeen) {
    lastSeen = seen;
    changedAt = millis();
  }
  if (millis() - changedAt >= STEADY_MS && steady != seen) {
    steady = seen;
    Serial.println(steady == LOW ? "hole blocked" : "hole free");
  }
  digitalWrite(LED_PIN, steady == LOW);
  delay(5);
}
