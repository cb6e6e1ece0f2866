int sensor = A0;
int led = 8;
int buzz = 9;

void setup() {
  Serial.begin(9600);
  pinMode(led, OUTPUT);
  pinMode(buzz, OUTPUT)
}

void loop() {
  float volts = analogRead(sensor) * 5.0 / 1024.0;
  float temp = (volts - 0.5) * 100.0;
  Serial.println(temp);
  if (temp > 33) {
    digitalWrite(led, HIGH);
    digitalwrite(buzz, HIGH);
  } else {
    digitalWrite(led, LOW);
    digitalWrite(buzz, LOW);
  }
  delay(1000);
}
