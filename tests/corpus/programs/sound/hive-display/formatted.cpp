#include <WallDisplay.h>
#define RS 12
#define EN 11
WallDisplay display(RS, EN, 5, 4, 3, 2);

void setup()
{
  Serial.begin(9600);
  display.begin(16, 2);
  display.clear();
}

void loop()
{
  double celsius = (analogRead(A0) * 5.0 / 1024.0 - 0.5) * 100.0;
  char number[8];
  char row[17];
  dtostrf(celsius, 5, 1, number);
  sprintf(row, "Heat %s C    ", number);
  display.setCursor(0, 0);
  display.print(row);
  Serial.println(celsius, 1);
  delay(1000);
}
