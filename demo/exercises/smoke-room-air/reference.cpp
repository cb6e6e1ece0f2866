#define AIR A4
#define SOUNDER 11
int limit = 290;
void setup() { Serial.begin(9600); pinMode(SOUNDER, OUTPUT); }
void loop() { int air = analogRead(AIR); Serial.println(air); if (air > limit) { digitalWrite(SOUNDER, HIGH); } else { digitalWrite(SOUNDER, LOW); } delay(500); }
