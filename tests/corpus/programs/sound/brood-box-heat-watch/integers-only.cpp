// No floats: tenths of a degree in a long.
const uint8_t kSensor = A2;
const uint8_t kLight = 7;
const uint8_t kSounder = 4;
const int kLimitTenths = 330;

static int tenthsOfDegree() {
  long millivolts = (long) analogRead(kSensor) * 5000L / 1024L;
  return (int) (millivolts - 500L);
}

void setup() {
  Serial.begin(9600);
  pinMode(kLight, OUTPUT);
  pinMode(kSounder, OUTPUT);
}

void loop() {
  const int tenths = tenthsOfDegree();
  Serial.print(tenths / 10);
  Serial.print('.');
  Serial.println(abs(tenths % 10));
  const bool hot = tenths > kLimitTenths;
  digitalWrite(kLight, hot ? HIGH : LOW);
  digitalWrite(kSounder, hot ? HIGH : LOW);
  delay(1000);
}
