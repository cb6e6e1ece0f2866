#include <Display.h>
const int rs = 12, en = 11, d4 = 5, d5 = 4, d6 = 3, d7 = 2;
Display lcd(rs, en, d4, d5, d6, d7);
const int sensor = A0;
float lowest = 1000;
float highest = -1000;

void line(int row, const char *label, float value) {
  lcd.setCursor(0, row);
  lcd.print(label);
  if (value < 10) lcd.print(' ');
  lcd.print(value, 1);
  lcd.print(' ');
}

void setup() {
  Serial.begin(9600);
  lcd.begin(16, 2);
}

void loop() {
  float t = analogRead(sensor) * 500.0 / 1024.0 - 50.0;
  if (t < lowest) lowest = t;
  if (t > highest) highest = t;
  line(0, "now  ", t);
  line(1, "max  ", highest);
  Serial.println(t);
  delay(1000);
}
