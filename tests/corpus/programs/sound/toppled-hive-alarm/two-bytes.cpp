#include <Wire.h>
const int ADDRESS = 0x68;
const int SOUNDER = 6;
unsigned long tippedAt = 0;
bool tipped = false;

int16_t readWord(byte reg) {
  Wire.beginTransmission(ADDRESS);
  Wire.write(reg);
  Wire.endTransmission(false);
  Wire.requestFrom(ADDRESS, 2);
  byte high = Wire.read();
  byte low = Wire.read();
  return (high << 8) | low;
}

void setup() {
  Wire.begin();
  Serial.begin(9600);
  pinMode(SOUNDER, OUTPUT);
  Wire.beginTransmission(ADDRESS);
  Wire.write(0x6B);
  Wire.write(0);
  Wire.endTransmission();
}

void loop() {
  float g = readWord(0x3B) / 16384.0;
  if (g > 1) g = 1;
  if (g < -1) g = -1;
  float degrees = asin(g) * 57.2958;
  Serial.println(degrees, 1);
  if (g > 0.5) {
    if (!tipped) {
      tipped = true;
      tippedAt = millis();
    }
    if (millis() - tippedAt > 900) digitalWrite(SOUNDER, HIGH);
  } else {
    tipped = false;
    digitalWrite(SOUNDER, LOW);
  }
  delay(100);
}
