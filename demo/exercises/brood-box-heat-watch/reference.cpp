// Brood-box heat watch: prints the temperature and raises the alarm above 33 degrees.
const int sensorPin = A2;
const int lightPin = 7;
const int sounderPin = 4;
const float threshold = 33.0;

void setup() {
  Serial.begin(9600);
  pinMode(lightPin, OUTPUT);
  pinMode(sounderPin, OUTPUT);
}

void loop() {
  int reading = analogRead(sensorPin);
  float volts = reading * 5.0 / 1024.0;
  float celsius = (volts - 0.5) / 0.01;
  Serial.println(celsius);
  if (celsius > threshold) {
    digitalWrite(lightPin, HIGH);
    digitalWrite(sounderPin, HIGH);
  } else {
    digitalWrite(lightPin, LOW);
    digitalWrite(sounderPin, LOW);
  }
  delay(1000);
}
