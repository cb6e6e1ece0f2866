const uint8_t AIR_PIN = A4;
const uint8_t SOUND_PIN = 11;
const int ALARM_OVER = 290;
float smooth = -1;

void setup() { Serial.begin(9600); pinMode(SOUND_PIN, OUTPUT); digitalWrite(SOUND_PIN, LOW); }

void loop() {
  int raw = analogRead(AIR_PIN);
  if (smooth < 0) smooth = raw;
  smooth = 0.7 * smooth + 0.3 * raw;
  Serial.println((int)(smooth + 0.5));
  digitalWrite(SOUND_PIN, smooth > ALARM_OVER);
  delay(500);
}
