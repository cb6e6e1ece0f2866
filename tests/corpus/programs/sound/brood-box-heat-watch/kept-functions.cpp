// What is done in each state stands in a table; the reading is a lambda.
typedef void (*Act)();
enum State : byte { CALM, HOT };

void quiet() { digitalWrite(7, LOW); digitalWrite(4, LOW); }
void loud() { digitalWrite(7, HIGH); digitalWrite(4, HIGH); }

Act acts[] = {quiet, loud};
struct Channel { const char *name; byte pin; float (*convert)(float); };
float asCelsius(float volts) { return (volts - 0.5) * 100; }
Channel channels[] = {{"brood", A2, asCelsius}};

void setup() {
  Serial.begin(9600);
  pinMode(7, OUTPUT);
  pinMode(4, OUTPUT);
}

void loop() {
  auto volts = [](byte pin) { return analogRead(pin) * 5.0f / 1024; };
  for (const Channel &c : channels) {
    float celsius = c.convert(volts(c.pin));
    Serial.println(celsius);
    acts[celsius > 33 ? HOT : CALM]();
  }
  delay(1000);
}
