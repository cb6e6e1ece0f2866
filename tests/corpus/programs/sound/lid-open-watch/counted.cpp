#define CELL A1
#define LAMP 9
int bright = 0;   // how many bright readings in a row

void setup()
{
    Serial.begin(9600);
    pinMode(LAMP, OUTPUT);
}

void loop()
{
    int x = analogRead(CELL);
    Serial.print("light ");
    Serial.println(x);
    if (x > 470)
    {
        bright++;
    }
    else
    {
        bright = 0;
    }
    if (bright >= 4)
        digitalWrite(LAMP, HIGH);
    else
        digitalWrite(LAMP, LOW);
    delay(100);
}
