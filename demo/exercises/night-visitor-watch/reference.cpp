const byte YARD = 2, LAMP = 8;
void setup() { Serial.begin(9600); pinMode(YARD, INPUT); pinMode(LAMP, OUTPUT); }
void loop() { bool seen = digitalRead(YARD); Serial.println(seen); digitalWrite(LAMP, seen); delay(200); }
