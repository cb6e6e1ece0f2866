#include <HeightPing.h>
HeightPing sonar(9, 10, 300);
const int LED = 5;
void setup() {
  Serial.begin(9600);
  pinMode(LED, OUTPUT);
}
void loop() {
  delay(100);
  unsigned int cm = sonar.ping_cm();
  Serial.println(cm);
  digitalWrite(LED, cm > 0 && cm < 20 ? HIGH : LOW);
}
