// hive heat watch
int tempPin = A0;
int ledPin = 8;
int buzzerPin = 9;
float tempC;

void setup()
{
  Serial.begin(9600);
  pinMode(ledPin, OUTPUT);
  pinMode(buzzerPin, OUTPUT);
}

void loop()
{
  int value = analogRead(tempPin);
  float v = value * (5.0 / 1024);
  tempC = (v - 0.5) * 100;
  Serial.println(tempC);
  if (tempC > 33) {
    digitalWrite(ledPin, HIGH);
    digitalWrite(buzzerPin, HIGH);
  }
  else {
    digitalWrite(ledPin, LOW);
    digitalWrite(buzzerPin, LOW);
  }
  delay(1000);
}
