struct Reading { float volts; float celsius; };

const byte PIN_SENSOR = A2;
const byte PINS_OUT[2] = {7, 4};

void measure(Reading *r) {
  r->volts = analogRead(PIN_SENSOR) * 5.0 / 1024;
  r->celsius = (r->volts - 0.5) * 100;
}

void drive(byte pin, bool on) { digitalWrite(pin, on ? HIGH : LOW); }
void prepare(byte pin, bool) { pinMode(pin, OUTPUT); }

void setup() {
  for (byte pin : PINS_OUT) prepare(pin, true);
  Serial.begin(9600);
}

void loop() {
  Reading now;
  measure(&now);
  Serial.print(now.celsius);
  Serial.print(" C at ");
  Serial.print(now.volts, 3);
  Serial.println(" V");
  for (byte pin : PINS_OUT) drive(pin, now.celsius > 33);
  delay(1000);
}
