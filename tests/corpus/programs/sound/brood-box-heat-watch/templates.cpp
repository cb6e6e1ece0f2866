// A mean over any number of readings of any kind.
template <typename T, int N> class Mean {
    T values[N];
    int at = 0, held = 0;
  public:
    T add(T value) {
      values[at] = value;
      at = (at + 1) % N;
      if (held < N) held++;
      T total = 0;
      for (int i = 0; i < held; i++) total += values[i];
      return total / held;
    }
};

template <typename T> T limited(T value, T low, T high) {
  return value < low ? low : (value > high ? high : value);
}

const byte OUTPUTS[] = {7, 4};
Mean<float, 4> mean;

void setup() {
  Serial.begin(9600);
  for (byte pin : OUTPUTS) pinMode(pin, OUTPUT);
}

void loop() {
  float celsius = mean.add((analogRead(A2) * 5.0 / 1024 - 0.5) * 100);
  celsius = limited<float>(celsius, -40, 125);
  Serial.println(celsius, 1);
  for (byte pin : OUTPUTS) digitalWrite(pin, celsius > 33);
  delay(250);
}
