int s=A2,l=7,b=4;
void setup(){Serial.begin(9600);pinMode(l,OUTPUT);pinMode(b,OUTPUT);}
void loop(){
float v=analogRead(s)*5.0/1024;
float t=(v-0.5)*100;
Serial.println(t);
if(t>33){digitalWrite(l,1);digitalWrite(b,1);}
else{digitalWrite(l,0);digitalWrite(b,0);}
delay(1000);}
