#include <CharacterDisplay.h>
CharacterDisplay wall(12, 11, 5, 4, 3, 2);
const int SENSOR = A0;
void setup() { Serial.begin(9600); wall.begin(16, 2); wall.print("Brood heat"); }
void loop() {
  float t = (analogRead(SENSOR) * 5.0 / 1024.0 - 0.5) * 100.0;
  Serial.println(t, 1);
  wall.setCursor(0, 1); wall.print("                "); wall.setCursor(0, 1);
  wall.print(t, 1); wall.print(" C");
  delay(1000);
}
