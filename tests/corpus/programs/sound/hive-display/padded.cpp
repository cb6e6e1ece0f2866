#include <CharacterDisplay.h>

CharacterDisplay lcd(12, 11, 5, 4, 3, 2);
int tempPin = A0;

void setup() {
  lcd.begin(16, 2);
  lcd.setCursor(0, 0);
  lcd.print("Brood heat:");
  Serial.begin(9600);
}

void loop() {
  float t = (analogRead(tempPin) * 5.0 / 1024.0 - 0.5) / 0.01;
  lcd.setCursor(0, 1);
  lcd.print(t, 1);
  lcd.print(" C     ");
  Serial.println(t, 1);
  delay(1000);
}
