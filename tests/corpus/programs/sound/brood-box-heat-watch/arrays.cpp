const byte indicators[] = {7, 4};
const byte indicatorCount = sizeof(indicators) / sizeof(indicators[0]);
const byte probe = A2;

void setup() {
  Serial.begin(9600);
  for (byte i = 0; i < indicatorCount; i++) {
    pinMode(indicators[i], OUTPUT);
  }
}

void showAlarm(const bool on) {
  for (byte i = 0; i < indicatorCount; i++) {
    digitalWrite(indicators[i], on ? HIGH : LOW);
  }
}

void loop() {
  const float volts = 5.0f * analogRead(probe) / 1024.0f;
  const float celsius = 100.0f * (volts - 0.5f);
  Serial.println(celsius, 2);
  showAlarm(celsius > 33.0f);
  delay(1000);
}
