/* lid watch with two margins */
const uint8_t CELL_PIN  = A1;
const uint8_t LIGHT_PIN = 9;
const int OPEN_OVER  = 480;
const int CLOSED_UNDER = 460;
bool lidOpen;

void setup() { Serial.begin(9600); pinMode(LIGHT_PIN, OUTPUT); lidOpen = false; }

void loop() {
  const int light = analogRead(CELL_PIN);
  if (light > OPEN_OVER) lidOpen = true;
  else if (light < CLOSED_UNDER) lidOpen = false;
  digitalWrite(LIGHT_PIN, lidOpen);
  Serial.println(light);
  delay(250);
}
