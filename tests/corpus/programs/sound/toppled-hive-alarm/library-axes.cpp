#include <Wire.h>
#define ADDR 0x68
#define HORN 6
uint8_t buffer[6];
uint32_t tippedSince = 0;
bool tipped = false;

bool readBytes(uint8_t reg, uint8_t count) {
  Wire.beginTransmission(ADDR);
  Wire.write(reg);
  if (Wire.endTransmission(false) != 0) return false;
  if (Wire.requestFrom(ADDR, (int)count) < count) return false;
  for (uint8_t i = 0; i < count && Wire.available(); i++) buffer[i] = Wire.read();
  return true;
}

void setup() {
  Serial.begin(9600);
  Wire.begin();
  pinMode(HORN, OUTPUT);
  Wire.beginTransmission(ADDR);
  Wire.write(0x6B);
  Wire.write(0);
  Wire.endTransmission(true);
}

void loop() {
  if (!readBytes(0x3B, 6)) {
    Serial.println("module does not answer");
    delay(500);
    return;
  }
  int16_t x = (int16_t)((buffer[0] << 8) | buffer[1]);
  float g = constrain(x / 16384.0f, -1.0f, 1.0f);
  Serial.println(asin(g) * 180 / PI, 1);
  if (g > 0.5f) {
    if (!tipped) { tipped = true; tippedSince = millis(); }
  } else {
    tipped = false;
  }
  digitalWrite(HORN, tipped && millis() - tippedSince >= 950 ? HIGH : LOW);
  delay(50);
}
