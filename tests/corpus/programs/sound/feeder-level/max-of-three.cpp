int feed = 4; int strip = A3; int led = 10;
int once() { digitalWrite(feed,1); delay(5); int c = analogRead(strip); digitalWrite(feed,0); return c; }
void setup() {
  Serial.begin(9600); pinMode(feed,OUTPUT); pinMode(led,OUTPUT);
}
void loop() {
  int a = once(); delay(50);
  int b = once(); delay(50);
  int c = once();
  int m = max(a, max(b, c));
  Serial.println(m);
  if (m > 180) digitalWrite(led,1); else digitalWrite(led,0);
  delay(500);
}
