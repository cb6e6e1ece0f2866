int yard = 2, lamp = 8;
void setup() {
  pinMode(yard, INPUT); pinMode(lamp, OUTPUT); Serial.begin(9600);
}
void loop() {
  switch (digitalRead(yard)) {
    case HIGH:
      digitalWrite(lamp, HIGH);
      Serial.println(1);
      break;
    default:
      digitalWrite(lamp, LOW);
      Serial.println(0);
  }
  delay(300);
}
