// the middle of three shots, so one bad echo does no harm
const byte TRIG = 9;
const byte ECHO = 10;
const byte FULL = 5;

float shot() {
  digitalWrite(TRIG, HIGH);
  delayMicroseconds(12);
  digitalWrite(TRIG, LOW);
  return pulseIn(ECHO, HIGH, 25000UL) * 0.01715;
}

float median(float a, float b, float c) {
  if ((a <= b && b <= c) || (c <= b && b <= a)) return b;
  if ((b <= a && a <= c) || (c <= a && a <= b)) return a;
  return c;
}

void setup() {
  Serial.begin(9600);
  pinMode(TRIG, OUTPUT);
  pinMode(ECHO, INPUT);
  pinMode(FULL, OUTPUT);
  digitalWrite(TRIG, LOW);
}

void loop() {
  float values[3];
  for (byte i = 0; i < 3; i++) {
    values[i] = shot();
    delay(60);
  }
  float cm = median(values[0], values[1], values[2]);
  Serial.println(cm, 1);
  digitalWrite(FULL, cm > 1.0 && cm < 20.0);
  delay(100);
}
