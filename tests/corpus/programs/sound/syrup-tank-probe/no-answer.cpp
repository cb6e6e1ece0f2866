#include <DataWire.h>
#include <TankProbe.h>
DataWire line(3);
TankProbe probe(&line);
#define COLD_LIGHT 6

void setup() {
  pinMode(COLD_LIGHT, OUTPUT);
  Serial.begin(9600);
  probe.begin();
}

void loop() {
  probe.requestTemperatures();
  float t = probe.getTempCByIndex(0);
  if (t < -100) {
    Serial.println("probe does not answer");
    digitalWrite(COLD_LIGHT, LOW);
    delay(1000);
    return;
  }
  Serial.println(t);
  digitalWrite(COLD_LIGHT, t < 12.0);
  delay(1000);
}
