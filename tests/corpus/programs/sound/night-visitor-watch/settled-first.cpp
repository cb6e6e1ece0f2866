// yard lamp, with a line a second
#define YARD 2
#define LAMP 8
unsigned long lastLine;

void lamp(bool on) { digitalWrite(LAMP, on ? HIGH : LOW); }

void setup() {
  Serial.begin(9600);
  pinMode(YARD, INPUT);
  pinMode(LAMP, OUTPUT);
  lamp(false);
  lastLine = millis();
}

void loop() {
  bool motion = digitalRead(YARD);
  lamp(motion);
  if (millis() - lastLine > 1000) {
    Serial.println(motion);
    lastLine = millis();
  }
}
