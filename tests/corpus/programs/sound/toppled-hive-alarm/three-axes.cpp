// all three axes, tilt from x and the rest
#include <Wire.h>
#define MODULE_ADDRESS 0x68
#define BUZZER 6

struct Axes { float x, y, z; };
byte over = 0;

Axes readAxes() {
  Axes a;
  Wire.beginTransmission(MODULE_ADDRESS);
  Wire.write(0x3B);
  Wire.endTransmission(false);
  Wire.requestFrom(MODULE_ADDRESS, 6, true);
  a.x = (int16_t)(Wire.read() << 8 | Wire.read()) / 16384.0;
  a.y = (int16_t)(Wire.read() << 8 | Wire.read()) / 16384.0;
  a.z = (int16_t)(Wire.read() << 8 | Wire.read()) / 16384.0;
  return a;
}

void setup()
{
  Serial.begin(9600);
  Wire.begin();
  Wire.beginTransmission(MODULE_ADDRESS);
  Wire.write(0x6B);   // wake it up
  Wire.write(0);
  Wire.endTransmission(true);
  pinMode(BUZZER, OUTPUT);
}

void loop()
{
  Axes a = readAxes();
  float tilt = asin(constrain(a.x, -1.0, 1.0)) * RAD_TO_DEG;
  Serial.println(tilt, 1);
  if (a.x > 0.5) over++; else over = 0;
  if (over > 5) {
    over = 6;
    digitalWrite(BUZZER, HIGH);
  } else {
    digitalWrite(BUZZER, LOW);
  }
  delay(200);
}
