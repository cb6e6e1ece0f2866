#include <CharacterDisplay.h>
CharacterDisplay panel(12, 11, 5, 4, 3, 2);

void wipe(byte row) {
  panel.setCursor(0, row);
  for (byte i = 0; i < 16; i++) panel.print(' ');
  panel.setCursor(0, row);
}

void setup() {
  Serial.begin(9600);
  panel.begin(16, 2);
  panel.print("Hive 4");
}

float heat() { return (analogRead(A0) / 1024.0 * 5.0 - 0.5) * 100.0; }

void loop() {
  float now = heat();
  wipe(1);
  panel.print(String(now, 1) + " deg C");
  Serial.println(now, 1);
  delay(1000);
}
