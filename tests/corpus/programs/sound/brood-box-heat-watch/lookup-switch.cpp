// three moods of the brood box, printed as words too
#define THERMO A2
#define LIGHT 7
#define HORN 4

typedef unsigned char uint8;
enum class_of { COLD = 0, FINE, HOT };

const char* const moods[] = {"cold", "fine", "hot"};
static int lastMood = -1;

class_of moodOf(float c)
{
  if (c > 33.0) return HOT;
  else if (c >= 20.0) return FINE;
  return COLD;
}

void setup()
{
  Serial.begin(9600);
  for (uint8 pin = 4; pin <= 7; pin += 3)
    pinMode(pin, OUTPUT);
}

void loop()
{
  const float c = (analogRead(THERMO) * 5.0 / 1023.0 - 0.5) / 0.01;
  const class_of mood = moodOf(c);
  switch (mood)
  {
    case HOT:
      digitalWrite(LIGHT, HIGH);
      digitalWrite(HORN, HIGH);
      break;
    case FINE:
    case COLD:
    default:
      digitalWrite(LIGHT, LOW);
      digitalWrite(HORN, LOW);
      break;
  }
  if (mood != lastMood)
  {
    Serial.println(moods[mood]);
    lastMood = mood;
  }
  Serial.println(c, 1);
  delay(1000);
}
