// Toppled-hive alarm: the tilt of the floor module, read straight from the bus.
#include <Wire.h>

#define MODULE 0x68
#define FIRST_AXIS 0x3B
#define POWER 0x6B  // it sleeps from power-on
#define SOUNDER 6

unsigned long overSince = 0;

float axis() {
  int counts = Wire.read() << 8;
  counts |= Wire.read();
  return counts / 16384.0;
}

void setup() {
  Serial.begin(9600);
  pinMode(SOUNDER, OUTPUT);
  Wire.begin();
  Wire.beginTransmission(MODULE);
  Wire.write(POWER);
  Wire.write(0);
  Wire.endTransmission();
}

void loop() {
  Wire.beginTransmission(MODULE);
  Wire.write(FIRST_AXIS);
  Wire.endTransmission(false);
  Wire.requestFrom(MODULE, 6, true);
  float gx = axis();
  float tilt = asin(constrain(gx, -1.0, 1.0)) * 180.0 / PI;
  Serial.println(tilt, 1);
  if (gx > 0.5) {
    if (overSince == 0) overSince = millis();
    if (millis() - overSince >= 1000) digitalWrite(SOUNDER, HIGH);
  } else {
    overSince = 0;
    digitalWrite(SOUNDER, LOW);
  }
  delay(200);
}
