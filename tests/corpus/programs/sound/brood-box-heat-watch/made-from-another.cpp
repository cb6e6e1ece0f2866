// Sensors and outputs as classes made from others; each kind reads in its own way.
class Sensor {
  public:
    virtual float read() = 0;
    virtual ~Sensor() {}
};

class Thermometer : public Sensor {
    byte pin;
  public:
    Thermometer(byte pin) : pin(pin) {}
    static float toCelsius(int count) { return (count * 5.0 / 1024 - 0.5) * 100; }
    float read() override { return toCelsius(analogRead(pin)); }
};

class Output {
  protected:
    byte pin;
  public:
    Output(byte pin) : pin(pin) {}
    void begin() { pinMode(pin, OUTPUT); }
    Output &set(bool on) { digitalWrite(pin, on ? HIGH : LOW); return *this; }
};

class Light : public Output { public: Light() : Output(7) {} };

Thermometer brood(A2);
Sensor *watched = &brood;
Light light;
Output sounder(4);

void setup() {
  Serial.begin(9600);
  light.begin();
  sounder.begin();
}

void loop() {
  float celsius = watched->read();
  Serial.println(celsius);
  light.set(celsius > 33);
  sounder.set(celsius > 33);
  delay(1000);
}
