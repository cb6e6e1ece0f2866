// Heat in both units and the felt heat, all in one turn: the library measures once.
#include <ClimateSensor.h>
ClimateSensor roof(7, 22);
int wet = 0;

void report(Print &out, float heat, float damp) {
  out.print(heat, 1);
  out.print(' ');
  out.println(damp, 1);
}

void setup() {
  Serial.begin(9600);
  pinMode(8, OUTPUT);
  roof.begin();
}

void loop() {
  delay(2000);
  float damp = roof.readHumidity(), heat = roof.readTemperature(), warm = roof.readTemperature(true);
  if (isnan(damp) || isnan(heat) || isnan(warm)) return;
  float felt = roof.computeHeatIndex(warm, damp);
  if (isnan(felt)) return;
  report(Serial, heat, damp);
  wet = damp > 70 ? wet + 1 : 0;
  digitalWrite(8, wet >= 3);
}
