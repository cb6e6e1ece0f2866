const int CELL = A1, LIGHT = 9, THRESHOLD = 472;
void setup() { Serial.begin(9600); pinMode(LIGHT, OUTPUT); }
void loop() { int light = analogRead(CELL); Serial.println(light); digitalWrite(LIGHT, light > THRESHOLD); delay(250); }
