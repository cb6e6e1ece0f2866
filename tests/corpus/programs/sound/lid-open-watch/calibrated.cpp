/* The threshold can be changed by typing t and a number; it starts at our own. */
int cell = A1;
int lamp = 9;
int threshold = 470;

void setup()
{
  Serial.begin(9600);
  pinMode(lamp, OUTPUT);
  Serial.println("type t500 to set the threshold");
}

void loop()
{
  if (Serial.available() > 0)
  {
    char c = Serial.read();
    if (c == 't')
    {
      threshold = Serial.parseInt();
      Serial.print("threshold is now ");
      Serial.println(threshold);
    }
  }
  int v = analogRead(cell);
  Serial.println(v);
  digitalWrite(lamp, v > threshold ? HIGH : LOW);
  delay(250);
}
