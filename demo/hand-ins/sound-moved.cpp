#define SENSOR A5
#define LIGHT 2
#define BUZZER 8
const float LIMIT_C = 33.0;

float readCelsius() {
  int count = analogRead(SENSOR);
  float volts = count * 5.0 / 1024.0;
  return (volts - 0.5) / 0.01;
}

void alarm(bool on) {
  digitalWrite(LIGHT, on ? HIGH : LOW);
  digitalWrite(BUZZER, on ? HIGH : LOW);
}

void setup() {
  Serial.begin(9600);
  pinMode(LIGHT, OUTPUT);
  pinMode(BUZZER, OUTPUT);
}

void loop() {
  float c = readCelsius();
  Serial.print("brood box: ");
  Serial.print(c);
  Serial.println(" C");
  alarm(c > LIMIT_C);
  delay(1000);
}
