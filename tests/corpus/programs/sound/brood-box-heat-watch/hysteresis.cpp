#define SENSOR_PIN A2
#define LED_PIN    7
#define BUZZ_PIN   4

bool alarm = false;

void setup() {
  Serial.begin(9600);
  pinMode(LED_PIN, OUTPUT);
  pinMode(BUZZ_PIN, OUTPUT);
}

void loop() {
  float t = (analogRead(SENSOR_PIN) / 1024.0 * 5.0 - 0.5) / 0.01;
  Serial.println(t, 1);

  // on above 33, off again below 32.5, so it does not chatter
  if (!alarm && t > 33.0)  alarm = true;
  if (alarm && t < 32.5)   alarm = false;

  digitalWrite(LED_PIN, alarm);
  digitalWrite(BUZZ_PIN, alarm);
  delay(1000);
}
