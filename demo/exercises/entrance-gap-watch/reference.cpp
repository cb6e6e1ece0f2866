#define GAP 5
#define LIGHT 12
void setup() { Serial.begin(9600); pinMode(GAP, INPUT); pinMode(LIGHT, OUTPUT); }
void loop() { int level = digitalRead(GAP); Serial.println(level); if (level == LOW) digitalWrite(LIGHT, HIGH); else digitalWrite(LIGHT, LOW); delay(100); }
