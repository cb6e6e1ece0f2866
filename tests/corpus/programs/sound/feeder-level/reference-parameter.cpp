#define FEED 4
#define STRIP A3
#define GREEN 10

void readStrip(int &count) {
	digitalWrite(FEED, HIGH);
	delayMicroseconds(500);
	count = analogRead(STRIP);
	digitalWrite(FEED, LOW);
}

void setup() {
	Serial.begin(9600);
	pinMode(FEED, OUTPUT);
	pinMode(GREEN, OUTPUT);
}

void loop() {
	int level;
	readStrip(level);
	Serial.println(level);
	digitalWrite(GREEN, level >= 180);
	delay(700);
}
