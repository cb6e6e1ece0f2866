#include <DataWire.h>
#include <ProbeLibrary.h>
#define DATA_PIN 3
DataWire dataWire(DATA_PIN);
ProbeLibrary sensors(&dataWire);
int led = 6;
int cold = 0;
float last[3];

void setup() { Serial.begin(9600); sensors.begin(); pinMode(led, OUTPUT); }

void loop() {
  last[2] = last[1];
  last[1] = last[0];
  sensors.requestTemperatures();
  last[0] = sensors.getTempCByIndex(0);
  Serial.println(last[0], 2);
  if (last[0] < 12) cold++; else cold = 0;
  digitalWrite(led, cold > 1 ? HIGH : LOW);
  delay(500);
}
