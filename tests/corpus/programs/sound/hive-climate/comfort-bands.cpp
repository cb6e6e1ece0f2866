#include <Climate.h>
Climate roof(7);
const int LIGHT = 8;
byte dampCount = 0;

const char *wordFor(float h) {
  if (h < 40) return "dry";
  if (h <= 70) return "good";
  return "damp";
}

void setup() {
  Serial.begin(9600);
  roof.begin();
  pinMode(LIGHT, OUTPUT);
}

void loop() {
  float t = roof.readTemperature();
  float h = roof.readHumidity();
  Serial.print(t);
  Serial.print(" C ");
  Serial.print(h);
  Serial.print(" % ");
  Serial.println(wordFor(h));
  dampCount = h > 70 ? dampCount + 1 : 0;
  if (dampCount > 2) digitalWrite(LIGHT, HIGH); else digitalWrite(LIGHT, LOW);
  delay(2000);
}
