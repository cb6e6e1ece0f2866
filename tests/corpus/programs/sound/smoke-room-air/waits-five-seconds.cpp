#define AIR A4
#define BUZZ 11
#define LIMIT 290
unsigned long badSince = 0;

void setup() {
  Serial.begin(9600);
  pinMode(BUZZ, OUTPUT);
}

void loop() {
  int a = analogRead(AIR);
  Serial.print("air=");
  Serial.println(a);
  if (a <= LIMIT) {
    badSince = 0;
    digitalWrite(BUZZ, LOW);
  } else {
    if (badSince == 0) badSince = millis();
    if (millis() - badSince > 4000) digitalWrite(BUZZ, HIGH);
  }
  delay(500);
}
