const byte MOTION = 2;
const byte RELAY = 8;
bool was = false;
unsigned int visitors = 0;

void setup()
{
	Serial.begin(9600);
	pinMode(MOTION, INPUT);
	pinMode(RELAY, OUTPUT);
}

void loop()
{
	bool is = digitalRead(MOTION) == HIGH;
	if (is && !was)
	{
		visitors++;
		Serial.print("visitor ");
		Serial.println(visitors);
	}
	else if (!is && was)
	{
		Serial.println("gone");
	}
	was = is;
	digitalWrite(RELAY, is ? HIGH : LOW);
	delay(100);
}
