const int TRIG = 9, ECHO = 10, LIGHT = 5;
float height() {
  digitalWrite(TRIG, LOW); delayMicroseconds(2);
  digitalWrite(TRIG, HIGH); delayMicroseconds(10);
  digitalWrite(TRIG, LOW);
  unsigned long us = pulseIn(ECHO, HIGH, 30000);
  return us / 58.2;
}
void setup() { Serial.begin(9600); pinMode(TRIG, OUTPUT); pinMode(ECHO, INPUT); pinMode(LIGHT, OUTPUT); }
void loop() {
  float cm = height();
  Serial.println(cm, 1);
  digitalWrite(LIGHT, cm > 0 && cm < 20 ? HIGH : LOW);
  delay(200);
}
