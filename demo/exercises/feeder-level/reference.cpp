const int FEED = 4, LEVEL = A3, LIGHT = 10;
int level() { digitalWrite(FEED, HIGH); delay(10); int count = analogRead(LEVEL); digitalWrite(FEED, LOW); return count; }
void setup() { Serial.begin(9600); pinMode(FEED, OUTPUT); pinMode(LIGHT, OUTPUT); }
void loop() { int now = level(); Serial.println(now); digitalWrite(LIGHT, now > 180 ? HIGH : LOW); delay(500); }
