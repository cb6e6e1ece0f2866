#define BLOCKED (!digitalRead(5))
#define LIGHT 12
void setup() { pinMode(5, INPUT); pinMode(LIGHT, OUTPUT); Serial.begin(9600); }
void loop() {
  bool b = BLOCKED;
  digitalWrite(LIGHT, b);
  Serial.println(b ? 1 : 0);
  delay(50);
}
