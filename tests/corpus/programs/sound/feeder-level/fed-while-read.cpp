// The strip is fed only while it is read, so it lasts longer.
const int feedPin = 4;
const int stripPin = A3;
const int lightPin = 10;
const int wetOver = 180;

void setup() {
  Serial.begin(9600);
  pinMode(feedPin, OUTPUT);
  pinMode(lightPin, OUTPUT);
  digitalWrite(feedPin, LOW);
}

void loop() {
  digitalWrite(feedPin, HIGH);
  delay(10);
  int wet = analogRead(stripPin);
  digitalWrite(feedPin, LOW);

  Serial.print("water: ");
  Serial.println(wet);

  if (wet > wetOver) {
    digitalWrite(lightPin, HIGH);
  } else {
    digitalWrite(lightPin, LOW);
  }
  delay(1000);
}
