/*
 * Brood box heat watch, bench 3
 * light on 7, sounder on 4, thermometer on A2
 */
const int THERMOMETER = A2;
const int LIGHT       = 7;
const int SOUNDER     = 4;

const float REFERENCE_VOLTS = 5.0;
const float OFFSET_VOLTS    = 0.5;
const float VOLTS_PER_DEGREE = 0.010;
const float TOO_HOT = 33.0;

void setup()
{
	pinMode(LIGHT, OUTPUT);
	pinMode(SOUNDER, OUTPUT);
	digitalWrite(LIGHT, LOW);
	digitalWrite(SOUNDER, LOW);
	Serial.begin(9600);
}

float readCelsius()
{
	int count = analogRead(THERMOMETER);
	float volts = count * REFERENCE_VOLTS / 1024.0;
	return (volts - OFFSET_VOLTS) / VOLTS_PER_DEGREE;
}

void setAlarm(bool on)
{
	digitalWrite(LIGHT, on);
	digitalWrite(SOUNDER, on);
}

void loop()
{
	float celsius = readCelsius();
	Serial.println(celsius);
	setAlarm(celsius > TOO_HOT);
	delay(1000);
}
