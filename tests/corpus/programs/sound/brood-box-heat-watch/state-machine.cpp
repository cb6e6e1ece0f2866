// The alarm as a small state machine: calm, waiting, alarm.
enum State { CALM, WAITING, ALARM };

#define SENSOR A2
#define LIGHT 7
#define SOUNDER 4
#define LIMIT_C 33.0
#define WAIT_MS 1500UL

State state = CALM;
unsigned long since = 0;
unsigned long lastPrint = 0;

float celsius() {
  return (analogRead(SENSOR) * (5.0 / 1024.0) - 0.5) * 100.0;
}

void enter(State next) {
  state = next;
  since = millis();
  digitalWrite(LIGHT, state == ALARM ? HIGH : LOW);
  digitalWrite(SOUNDER, state == ALARM ? HIGH : LOW);
}

void setup() {
  Serial.begin(9600);
  pinMode(LIGHT, OUTPUT);
  pinMode(SOUNDER, OUTPUT);
  enter(CALM);
}

void loop() {
  float now = celsius();
  if (millis() - lastPrint >= 1000) {
    lastPrint = millis();
    Serial.println(now);
  }
  switch (state) {
    case CALM:
      if (now > LIMIT_C) enter(WAITING);
      break;
    case WAITING:
      if (now <= LIMIT_C) {
        enter(CALM);
      } else if (millis() - since > WAIT_MS) {
        enter(ALARM);
      }
      break;
    case ALARM:
      if (now <= LIMIT_C) enter(CALM);
      break;
  }
  delay(50);
}
