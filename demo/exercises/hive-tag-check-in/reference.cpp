// Tag check-in: a light for hives of the trail.
#include <SPI.h>
#include <TagReader.h>

const int SELECT = 21;
const int RESET = 27;
const int KNOWN_LIGHT = 26;
const byte TRAIL[4] = {0x04, 0xA2, 0x19, 0x7C};

TagReader reader(SELECT, RESET);

void setup() {
  Serial.begin(115200);
  SPI.begin();
  reader.begin();
  pinMode(KNOWN_LIGHT, OUTPUT);
}

bool belongsToTrail() {
  if (reader.uid.size != 4) return false;
  for (byte i = 0; i < 4; i++) {
    if (reader.uid.bytes[i] != TRAIL[i]) return false;
  }
  return true;
}

void loop() {
  bool known = false;
  if (reader.isTagPresent() && reader.readTagSerial()) {
    for (byte i = 0; i < reader.uid.size; i++) {
      if (reader.uid.bytes[i] < 16) Serial.print('0');
      Serial.print(reader.uid.bytes[i], HEX);
      Serial.print(' ');
    }
    Serial.println();
    known = belongsToTrail();
  }
  digitalWrite(KNOWN_LIGHT, known ? HIGH : LOW);
  delay(250);
}
