//int sensor = A0;   // first try
int sensor = A2;
int led = 7;
int buzzer = 4;
//int fan = 9;
float tempC;
float tempF;

void setup() {
  Serial.begin(9600);
  //Serial.begin(115200);
  pinMode(led, OUTPUT);
  pinMode(buzzer, OUTPUT);
  //pinMode(fan, OUTPUT);
}

/* old version, did not work
float getTemp() {
  return analogRead(sensor) / 1024 * 5;
}
*/

float toFahrenheit(float c) {   // not needed any more
  return c * 9.0 / 5.0 + 32.0;
}

void loop() {
  int value = analogRead(sensor);
  float volt = value * (5.0 / 1024.0);
  tempC = (volt - 0.5) * 100.0;
  //tempF = toFahrenheit(tempC);
  Serial.println(tempC);
  //Serial.println(tempF);
  if (tempC > 33) {
    digitalWrite(led, HIGH);
    digitalWrite(buzzer, HIGH);
    //tone(buzzer, 1000);
  }
  if (tempC <= 33) {
    digitalWrite(led, LOW);
    digitalWrite(buzzer, LOW);
    //noTone(buzzer);
  }
  delay(1000);
}
