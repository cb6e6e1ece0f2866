// counts how often the hole was blocked with an interrupt on pin 2? no: module sits on 5, so we look often
byte gap = 5;
byte light = 12;
unsigned int blockedCount = 0;
bool before = false;

void setup() {
  Serial.begin(9600);
  pinMode(gap, INPUT);
  pinMode(light, OUTPUT);
}

void loop() {
  bool now = digitalRead(gap) == LOW;
  if (now && !before) {
    blockedCount++;
    Serial.print("blocked ");
    Serial.print(blockedCount);
    Serial.println(" times");
  }
  before = now;
  digitalWrite(light, now ? HIGH : LOW);
  delay(10);
}
