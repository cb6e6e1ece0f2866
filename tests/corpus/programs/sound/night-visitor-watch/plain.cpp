int motionPin = 2;      // output of the yard module
int relayPin = 8;       // base resistor of the transistor

void setup() {
  pinMode(motionPin, INPUT);
  pinMode(relayPin, OUTPUT);
  Serial.begin(9600);
}

void loop() {
  int motion = digitalRead(motionPin);
  Serial.println(motion);
  if (motion == HIGH) {
    digitalWrite(relayPin, HIGH);
  } else {
    digitalWrite(relayPin, LOW);
  }
  delay(250);
}
