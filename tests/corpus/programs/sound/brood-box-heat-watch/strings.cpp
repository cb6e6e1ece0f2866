int temperaturePin = A2;
int warnPins[2] = { 7, 4 };
String unit = " C";

void setup() {
  Serial.begin(9600);
  for (int p : warnPins) pinMode(p, OUTPUT);
}

String nice(float value) {
  String text = String(value, 1);
  text += unit;
  return text;
}

void loop() {
  float value = 0;
  for (int n = 0; n < 4; ++n) value += analogRead(temperaturePin);
  value /= 4;
  value = value * 5.0 / 1024.0;   // volts
  value = (value - 0.5) * 100.0;  // degrees
  Serial.println(nice(value));
  bool warm = (value > 33.0);
  for (int p : warnPins) {
    digitalWrite(p, warm);
  }
  delay(1000);
}
