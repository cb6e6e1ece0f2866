const int sensor = A0;
const int led = 8;
const int buzzer = 9;

void setup() {
  Serial.begin(9600);
  pinMode(led, OUTPUT);
  pinMode(buzzer, OUTPUT);
}

void loop() {
  int raw = analogRead(sensor);
  float volts = raw * 5.0 / 1024.0;
  float degrees = volts * 100.0;   // 10 mV per degree
  Serial.println(degrees);
  if (degrees > 33.0) {
    digitalWrite(led, HIGH);
    digitalWrite(buzzer, HIGH);
  } else {
    digitalWrite(led, LOW);
    digitalWrite(buzzer, LOW);
  }
  delay(1000);
}
