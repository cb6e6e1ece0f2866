#define SENSOR A2
#define LED 7
#define BUZZER 4

void setup() {
  Serial.begin(9600);
  while (!Serial) {
    ;
  }
  pinMode(LED, OUTPUT);
  pinMode(BUZZER, OUTPUT);
  Serial.println(F("heat watch ready"));
}

void loop() {
  float t = (analogRead(SENSOR) * 5.0 / 1024.0 - 0.5) * 100;
  char digits[10];
  char line[40];
  dtostrf(t, 0, 1, digits);
  snprintf(line, sizeof line, "T=%s C %s", digits, t > 33.0 ? "ALARM" : "ok");
  Serial.println(line);
  if (t > 33.0) {
    digitalWrite(LED, HIGH);
    digitalWrite(BUZZER, HIGH);
  } else {
    digitalWrite(LED, LOW);
    digitalWrite(BUZZER, LOW);
  }
  delay(1000);
}
