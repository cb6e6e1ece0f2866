// The four-wire bus as students' programs call it: declarations only.
#pragma once
struct FourWire { void begin(); void end(); unsigned char transfer(unsigned char); };
extern FourWire SPI;
