int T=9; int E=10; int L=5;
void setup(){ Serial.begin(9600); pinMode(T,OUTPUT); pinMode(E,INPUT); pinMode(L,OUTPUT); }
void loop(){
  digitalWrite(T,LOW); delayMicroseconds(5);
  digitalWrite(T,HIGH); delayMicroseconds(10);
  digitalWrite(T,LOW);
  unsigned int us = pulseIn(E,HIGH);
  int cm = us/58;
  Serial.println(cm);
  if(cm<20) digitalWrite(L,HIGH); else digitalWrite(L,LOW);
  delay(300);
}
