#include <CharacterDisplay.h>
CharacterDisplay lcd(12,11,5,4,3,2);
unsigned long before = 0;
void setup(){ Serial.begin(9600); lcd.begin(16,2); }
void loop(){
  if (millis()-before < 1000) return;
  before = millis();
  float celsius = (analogRead(A0)*5.0/1024.0-0.5)*100.0;
  lcd.clear();
  lcd.print("Brood heat");
  lcd.setCursor(0,1);
  lcd.print(celsius);
  lcd.print((char)223);
  lcd.print("C");
  Serial.println(celsius);
}
