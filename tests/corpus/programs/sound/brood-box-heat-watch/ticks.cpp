// a tick counter instead of delay; prints every tenth tick
unsigned int tick = 0;
float warmest = -100, coldest = 200;
int t_pin = 16, l_pin = 7, b_pin = 4;

void setup() { Serial.begin(9600); pinMode(l_pin, OUTPUT); pinMode(b_pin, OUTPUT); Serial.println("start"); }

float degC(int n) { return n * 0.48828125 - 50; }

void loop() {
  float t = degC(analogRead(t_pin));
  warmest = max(warmest, t);
  coldest = min(coldest, t);
  digitalWrite(l_pin, t > 33.0);
  digitalWrite(b_pin, t > 33.0);
  if (tick % 10 == 0) {
    Serial.print("now "); Serial.print(t); Serial.print(" min "); Serial.print(coldest); Serial.print(" max "); Serial.println(warmest);
  }
  tick++;
  delay(100);
}
