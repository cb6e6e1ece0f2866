int gas = A4;
int beep = 11;
int level = 0;
void setup()
{
  pinMode(beep, OUTPUT);
  Serial.begin(9600);
}
void loop()
{
  level = analogRead(gas);
  Serial.println(level);
  if (level > 290)
  {
    digitalWrite(beep, HIGH);
  }
  else
  {
    digitalWrite(beep, LOW);
  }
  delay(400);
}
