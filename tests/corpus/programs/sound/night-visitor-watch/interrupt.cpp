// The module calls us: pin 2 can interrupt.
#define MOTION_PIN 2
#define RELAY_PIN 8

volatile bool changed = true;

void onChange() {
  changed = true;
}

void setup() {
  Serial.begin(9600);
  pinMode(MOTION_PIN, INPUT);
  pinMode(RELAY_PIN, OUTPUT);
  attachInterrupt(digitalPinToInterrupt(MOTION_PIN), onChange, CHANGE);
}

void loop() {
  if (changed) {
    changed = false;
    int level = digitalRead(MOTION_PIN);
    digitalWrite(RELAY_PIN, level);
    Serial.println(level ? "somebody" : "nobody");
  }
  delay(50);
}
