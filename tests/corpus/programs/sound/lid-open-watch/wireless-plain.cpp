// wireless board: 12 bits, so counts go to 4095
const int cell = 34;
const int light = 18;

void setup() {
  Serial.begin(9600);
  pinMode(light, OUTPUT);
}

void loop() {
  int count = analogRead(cell);
  Serial.println(count);
  digitalWrite(light, count > 1850 ? HIGH : LOW);
  delay(250);
}
