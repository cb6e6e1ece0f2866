// temperature in brood box
const int sensorPin = A0;
const int ledPin = 8;
const int buzzerPin = 9;

void setup() {
  Serial.begin(9600);
  pinMode(ledPin, OUTPUT);
  pinMode(buzzerPin, OUTPUT);
}

void loop() {
  int reading = analogRead(sensorPin);
  int millivolts = reading * 5000 / 1024;
  int degrees = (millivolts - 500) / 10;
  Serial.println(degrees);
  if (degrees > 33) {
    digitalWrite(ledPin, HIGH);
    digitalWrite(buzzerPin, HIGH);
  } else {
    digitalWrite(ledPin, LOW);
    digitalWrite(buzzerPin, LOW);
  }
  delay(1000);
}
