// Two small classes: a thermometer and an alarm.
class Thermometer {
  public:
    Thermometer(int pin) : pin_(pin) {}

    float celsius() {
      float volts = analogRead(pin_) * 5.0 / 1024.0;
      return (volts - 0.5) * 100.0;
    }

  private:
    int pin_;
};

class Alarm {
  public:
    Alarm(int light, int sounder, float limit) {
      light_ = light;
      sounder_ = sounder;
      limit_ = limit;
    }

    void begin() {
      pinMode(light_, OUTPUT);
      pinMode(sounder_, OUTPUT);
    }

    void look(float value) {
      int level = value > limit_ ? HIGH : LOW;
      digitalWrite(light_, level);
      digitalWrite(sounder_, level);
    }

  private:
    int light_;
    int sounder_;
    float limit_;
};

Thermometer broodBox(A2);
Alarm alarm(7, 4, 33.0);

void setup() {
  Serial.begin(9600);
  alarm.begin();
}

void loop() {
  float heat = broodBox.celsius();
  Serial.println(heat);
  alarm.look(heat);
  delay(1000);
}
