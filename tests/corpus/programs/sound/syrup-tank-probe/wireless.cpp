#include <DataWire.h>
#include <ProbeLibrary.h>
DataWire wire(25);
ProbeLibrary probe(&wire);
const int LIGHT = 32;
void setup() {
  Serial.begin(115200);
  pinMode(LIGHT, OUTPUT);
  probe.begin();
  probe.setResolution(12);
}
void loop() {
  probe.requestTemperatures();
  float heat = probe.getTempCByIndex(0);
  Serial.printf("%.2f\n", heat);
  digitalWrite(LIGHT, heat < 12.0 ? HIGH : LOW);
  delay(1000);
}
