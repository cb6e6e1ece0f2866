#include "RoofClimate.h"

RoofClimate climate(7);
const int dampLight = 8;
int dampReadings = 0;

void setup() {
  Serial.begin(9600);
  climate.begin();
  pinMode(dampLight, OUTPUT);
  digitalWrite(dampLight, LOW);
}

void loop() {
  delay(2000);
  float h = climate.getHumidity();
  float t = climate.getTemperature();

  if (isnan(h) || isnan(t)) {
    Serial.println("no reading from the module!");
    return;
  }

  Serial.print("T ");
  Serial.print(t);
  Serial.print("  H ");
  Serial.println(h);

  if (h > 70.0) dampReadings++;
  else dampReadings = 0;
  digitalWrite(dampLight, dampReadings >= 3 ? HIGH : LOW);
}
