// the lamp follows the module; at the end of a visit its length is printed
#define MODULE 2
#define COIL 8

unsigned long came = 0;
bool here = false;

void setup() {
  pinMode(MODULE, INPUT);
  pinMode(COIL, OUTPUT);
  digitalWrite(COIL, LOW);
  Serial.begin(9600);
}

void loop() {
  if (digitalRead(MODULE) == HIGH) {
    if (!here) {
      here = true;
      came = millis();
      digitalWrite(COIL, HIGH);
      Serial.println("visitor");
    }
  } else if (here) {
    here = false;
    digitalWrite(COIL, LOW);
    Serial.print("stayed ");
    Serial.print((millis() - came) / 1000.0, 1);
    Serial.println(" s");
  }
}
