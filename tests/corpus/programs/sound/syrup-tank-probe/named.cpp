#include <DataWire.h>
#include <ProbeLibrary.h>

const int dataPin = 3;
const int coldLight = 6;
const float coldUnder = 12.0;

DataWire bus(dataPin);
ProbeLibrary tank(&bus);

void setup(void)
{
  Serial.begin(9600);
  tank.begin();
  pinMode(coldLight, OUTPUT);
}

void loop(void)
{
  tank.requestTemperatures();
  float syrup = tank.getTempCByIndex(0);
  Serial.print("Syrup: ");
  Serial.print(syrup);
  Serial.println(" C");
  if (syrup < coldUnder) {
    digitalWrite(coldLight, HIGH);
  } else {
    digitalWrite(coldLight, LOW);
  }
  delay(1000);
}
