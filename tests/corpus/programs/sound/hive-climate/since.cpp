#include <ClimateModule.h>
#define PIN_DATA 7
#define PIN_LIGHT 8
#define LIMIT 70

ClimateModule module(PIN_DATA, 22);
unsigned long wetStart;
bool wet = false;

void setup()
{
    Serial.begin(9600);
    pinMode(PIN_LIGHT, OUTPUT);
    module.begin();
}

void loop()
{
    float humidity = module.readHumidity();
    float temperature = module.readTemperature();
    Serial.print(temperature, 1);
    Serial.print('\t');
    Serial.println(humidity, 1);

    if (humidity > LIMIT)
    {
        if (!wet)
        {
            wet = true;
            wetStart = millis();
        }
    }
    else
    {
        wet = false;
    }

    if (wet && (millis() - wetStart > 3500UL))
    {
        digitalWrite(PIN_LIGHT, HIGH);
    }
    else
    {
        digitalWrite(PIN_LIGHT, LOW);
    }
    delay(2500);
}
