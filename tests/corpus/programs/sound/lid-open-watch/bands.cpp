int cell = A1;
int led = 9;

void setup() {
  pinMode(led, OUTPUT);
  Serial.begin(9600);
}

void loop() {
  int light = analogRead(cell);
  Serial.print(light);
  Serial.print(" ");
  if (light < 200) {
    Serial.println("dark");
    digitalWrite(led, LOW);
  } else if (light < 472) {
    Serial.println("dim");
    digitalWrite(led, LOW);
  } else {
    Serial.println("open!");
    digitalWrite(led, HIGH);
  }
  delay(300);
}
