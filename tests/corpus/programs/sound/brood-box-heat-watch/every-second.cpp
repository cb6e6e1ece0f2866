// does not use delay(), so other things could run too
const int sensor_pin = A2;
const int led_pin = 7;
const int buzzer_pin = 4;

unsigned long last_time = 0;
const unsigned long interval = 1000;

void setup() {
  Serial.begin(9600);
  pinMode(led_pin, OUTPUT);
  pinMode(buzzer_pin, OUTPUT);
}

void loop() {
  unsigned long now = millis();
  if (now - last_time >= interval) {
    last_time += interval;
    int raw = analogRead(sensor_pin);
    float celsius = raw * 500.0 / 1024.0 - 50.0;
    Serial.println(celsius);
    digitalWrite(led_pin, celsius > 33 ? HIGH : LOW);
    digitalWrite(buzzer_pin, celsius > 33 ? HIGH : LOW);
  }
}
