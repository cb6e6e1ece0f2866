// What outlives a reset, as students' programs call it: declarations only.
#pragma once
struct Kept {
  unsigned char read(int); void write(int, unsigned char); void update(int, unsigned char);
  template <class T> T &get(int, T &t); template <class T> const T &put(int, const T &t);
};
extern Kept EEPROM;
