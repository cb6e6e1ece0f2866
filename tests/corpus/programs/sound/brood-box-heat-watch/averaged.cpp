// takes ten readings and uses the mean so the number is calmer
#define HOW_MANY 10
int tempPin = A2;
int ledPin = 7;
int buzzerPin = 4;

void setup()
{
  Serial.begin(9600);
  pinMode(ledPin, OUTPUT);
  pinMode(buzzerPin, OUTPUT);
}

void loop()
{
  long sum = 0;
  for (int i = 0; i < HOW_MANY; i++)
  {
    sum = sum + analogRead(tempPin);
    delay(20);
  }
  float mean = sum / (float)HOW_MANY;
  float milliVolts = mean * 5000.0 / 1024.0;
  float temperature = (milliVolts - 500.0) / 10.0;

  Serial.print("Temperature: ");
  Serial.print(temperature);
  Serial.println(" C");

  if (temperature > 33.0)
  {
    digitalWrite(ledPin, HIGH);
    digitalWrite(buzzerPin, HIGH);
  }
  else
  {
    digitalWrite(ledPin, LOW);
    digitalWrite(buzzerPin, LOW);
  }
  delay(800);
}
