#include <SPI.h>
#include <TagReader.h>
TagReader reader(21, 27);
const int knownLight = 26;
const String TRAIL = "04A2197C";

String hex(byte b) {
  String s = String(b, HEX);
  if (b < 16) s = "0" + s;
  s.toUpperCase();
  return s;
}

void setup() {
  Serial.begin(115200);
  SPI.begin();
  reader.begin();
  pinMode(knownLight, OUTPUT);
}

void loop() {
  String id;
  if (reader.isTagPresent() && reader.readTagSerial())
    for (byte i = 0; i < reader.uid.size; ++i)
      id += hex(reader.uid.bytes[i]);
  if (id.length() > 0) Serial.println(id);
  digitalWrite(knownLight, id == TRAIL);
  delay(300);
}
