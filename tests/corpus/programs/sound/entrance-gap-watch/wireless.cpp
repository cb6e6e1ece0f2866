int gap = 33;
int light = 23;
void setup() {
  Serial.begin(115200);
  pinMode(gap, INPUT);
  pinMode(light, OUTPUT);
}
void loop() {
  static int last = -1;
  int level = digitalRead(gap);
  if (level != last) {
    Serial.printf("gap %d at %lu ms\n", level, millis());
    last = level;
  }
  digitalWrite(light, !level);
  delay(20);
}
