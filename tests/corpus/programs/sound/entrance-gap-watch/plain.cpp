// The gap module pulls its output low when a bee blocks the hole.
const int gapPin = 5;
const int lightPin = 12;

void setup() {
  Serial.begin(9600);
  pinMode(gapPin, INPUT);
  pinMode(lightPin, OUTPUT);
}

void loop() {
  int gap = digitalRead(gapPin);
  if (gap == LOW) {
    digitalWrite(lightPin, HIGH);
    Serial.println("blocked");
  } else {
    digitalWrite(lightPin, LOW);
    Serial.println("free");
  }
  delay(100);
}
