#include <EEPROM.h>
// remembers how often the feeder was found wet
const int FEED = 4;
const int STRIP = A3;
const int LAMP = 10;
byte times = 0;
bool wasWet = false;

void setup() {
  Serial.begin(9600);
  pinMode(FEED, OUTPUT);
  pinMode(LAMP, OUTPUT);
  times = EEPROM.read(0);
  if (times == 255) times = 0;
}

void loop() {
  digitalWrite(FEED, HIGH);
  delay(20);
  int level = analogRead(STRIP);
  digitalWrite(FEED, LOW);
  bool wet = level >= 180;
  if (wet && !wasWet) {
    times++;
    EEPROM.update(0, times);
  }
  wasWet = wet;
  digitalWrite(LAMP, wet);
  Serial.println(level);
  delay(600);
}
