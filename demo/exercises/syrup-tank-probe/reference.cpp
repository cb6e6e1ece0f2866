#include <DataWire.h>
#include <ProbeLibrary.h>
#define DATA 3
#define COLD 6
DataWire wire(DATA);
ProbeLibrary probes(&wire);
void setup() { Serial.begin(9600); pinMode(COLD, OUTPUT); probes.begin(); }
void loop() {
  probes.requestTemperatures();
  float t = probes.getTempCByIndex(0);
  Serial.println(t);
  digitalWrite(COLD, t < 12 ? HIGH : LOW);
  delay(800);
}
