#include <ClimateSensor.h>
#define DATA 7
#define LIGHT 8
ClimateSensor roof(DATA, 22);
unsigned long dampSince = 0;
void setup() {
  Serial.begin(9600);
  pinMode(LIGHT, OUTPUT);
  roof.begin();
}
void loop() {
  float heat = roof.readTemperature();
  float damp = roof.readHumidity();
  Serial.print(heat, 1); Serial.print(" "); Serial.println(damp, 1);
  if (damp > 70) {
    if (dampSince == 0) dampSince = millis();
    if (millis() - dampSince >= 4000) digitalWrite(LIGHT, HIGH);
  } else {
    dampSince = 0;
    digitalWrite(LIGHT, LOW);
  }
  delay(2000);
}
