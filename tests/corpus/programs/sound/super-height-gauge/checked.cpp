// several shots; the ones without echo are left out
const int trig = 9;
const int echo = 10;
const int full = 5;

unsigned long ping() {
  digitalWrite(trig, LOW);
  delayMicroseconds(2);
  digitalWrite(trig, HIGH);
  delayMicroseconds(10);
  digitalWrite(trig, LOW);
  return pulseIn(echo, HIGH, 24000);
}

bool measure(float &cm) {
  unsigned long sum = 0;
  int good = 0;
  for (int i = 0; i < 4; i++) {
    unsigned long us = ping();
    if (us > 0) { sum += us; good++; }
    delay(40);
  }
  if (good == 0) return false;
  cm = sum / good / 58.3;
  return true;
}

void setup() {
  Serial.begin(9600);
  pinMode(trig, OUTPUT); pinMode(echo, INPUT); pinMode(full, OUTPUT);
}

void loop() {
  float cm;
  if (measure(cm)) {
    Serial.println(cm, 1);
    digitalWrite(full, cm < 20);
  } else {
    Serial.println("nothing there");
    digitalWrite(full, LOW);
  }
}
