// The two-wire bus as students' programs call it: declarations only.
#pragma once
struct TwoWire {
  void begin(); void begin(int); void setClock(unsigned long);
  void beginTransmission(unsigned char); unsigned char endTransmission(bool = true);
  unsigned char requestFrom(unsigned char, unsigned char, unsigned char = 1);
  unsigned int write(unsigned char); unsigned int write(int); unsigned int write(const char *);
  int available(); int read();
};
extern TwoWire Wire;
