// Macros that are statements, and a count put together from its bytes.
#define DEBUG 0
#if DEBUG
  #define LOG(x) Serial.println(x)
#else
  #define LOG(x)
#endif
#define SHOW(x) do { Serial.print(#x); Serial.print(" = "); Serial.println(x); } while (0)
#define SWITCH(on) { \
  digitalWrite(LIGHT, on); \
  digitalWrite(SOUNDER, on); \
}
namespace pins { const byte LIGHT = 7, SOUNDER = 4; }
using namespace pins;
union Count { uint16_t whole; uint8_t part[2]; };

void setup() {
  Serial.begin(9600);
  pinMode(LIGHT, OUTPUT);
  pinMode(SOUNDER, OUTPUT);
}

void loop() {
  Count count;
  count.whole = analogRead(A2);
  LOG(count.part[0]);
  uint16_t again = ((uint16_t)count.part[1] << 8) | count.part[0];
  float celsius = (again * 5.0 / 1024 - 0.5) * 100;
  SHOW(celsius);
  SWITCH(celsius > 33);
  unsigned long since = millis();
  while (millis() - since < 1000) yield();
}
