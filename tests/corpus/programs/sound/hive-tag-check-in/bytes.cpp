#include <SPI.h>
#include <TagReader.h>
#define SELECT_PIN 21
#define RESET_PIN 27
#define LIGHT_PIN 26

TagReader tags(SELECT_PIN, RESET_PIN);
byte known[] = {0x04, 0xA2, 0x19, 0x7C};

void setup() {
  Serial.begin(115200);
  SPI.begin();
  tags.begin();
  pinMode(LIGHT_PIN, OUTPUT);
  Serial.println("hold a tag to the reader");
}

void loop() {
  if (!tags.isTagPresent()) {
    digitalWrite(LIGHT_PIN, LOW);
    delay(200);
    return;
  }
  if (!tags.readTagSerial()) return;

  bool same = tags.uid.size == 4;
  String id = "";
  for (int i = 0; i < tags.uid.size; i++) {
    if (tags.uid.bytes[i] < 0x10) id += "0";
    id += String(tags.uid.bytes[i], HEX);
    if (same && tags.uid.bytes[i] != known[i]) same = false;
  }
  id.toUpperCase();
  Serial.println(id);
  digitalWrite(LIGHT_PIN, same ? HIGH : LOW);
  delay(200);
}
