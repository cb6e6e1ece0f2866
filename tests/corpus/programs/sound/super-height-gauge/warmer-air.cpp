/* speed of sound for the room's 20 degrees */
const int trigger = 9, echo = 10, greenLight = 5;
const float roomCelsius = 20.0;
const float metresPerSecond = 331.3 + 0.606 * roomCelsius;

float centimetres()
{
    digitalWrite(trigger, LOW);
    delayMicroseconds(4);
    digitalWrite(trigger, HIGH);
    delayMicroseconds(10);
    digitalWrite(trigger, LOW);
    unsigned long microseconds = pulseIn(echo, HIGH, 30000);
    float oneWay = microseconds / 2.0;
    return oneWay * metresPerSecond / 10000.0;
}

void setup()
{
    Serial.begin(9600);
    pinMode(trigger, OUTPUT);
    pinMode(echo, INPUT);
    pinMode(greenLight, OUTPUT);
}

void loop()
{
    float h = centimetres();
    if (h == 0)
    {
        Serial.println("no echo");
        digitalWrite(greenLight, LOW);
    }
    else
    {
        Serial.println(h, 1);
        digitalWrite(greenLight, h < 20 ? HIGH : LOW);
    }
    delay(250);
}
