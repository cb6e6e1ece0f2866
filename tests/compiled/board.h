// The board's call set as a compiler sees it: declarations only, enough to accept or refuse a program.
#include <avr/pgmspace.h>
#include <ctype.h>
#include <math.h>
#include <stdint.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>
typedef uint8_t byte;
typedef bool boolean;
typedef unsigned int word;
#define HIGH 1
#define LOW 0
#define INPUT 0
#define OUTPUT 1
#define INPUT_PULLUP 2
#define CHANGE 1
#define FALLING 2
#define RISING 3
#define DEFAULT 1
#define INTERNAL 3
#define EXTERNAL 0
#define DEC 10
#define HEX 16
#define OCT 8
#define BIN 2
#define PI 3.1415926535897932384626433832795
#define RAD_TO_DEG 57.295779513082320876798154814105
#define DEG_TO_RAD 0.017453292519943295769236907684886
#define LED_BUILTIN 13
#define min(a, b) ((a) < (b) ? (a) : (b))
#define max(a, b) ((a) > (b) ? (a) : (b))
#define abs(x) ((x) > 0 ? (x) : -(x))
#define constrain(x, a, b) ((x) < (a) ? (a) : ((x) > (b) ? (b) : (x)))
#define sq(x) ((x) * (x))
#define round(x) ((x) >= 0 ? (long)((x) + 0.5) : (long)((x) - 0.5))
#define bitRead(v, b) (((v) >> (b)) & 1)
#define digitalPinToInterrupt(p) ((p) == 2 ? 0 : ((p) == 3 ? 1 : -1))
static const uint8_t A0 = 14, A1 = 15, A2 = 16, A3 = 17, A4 = 18, A5 = 19;
void pinMode(uint8_t, uint8_t); void digitalWrite(uint8_t, uint8_t); int digitalRead(uint8_t);
int analogRead(uint8_t); void analogWrite(uint8_t, int); void analogReference(uint8_t);
void yield(); unsigned long millis(); unsigned long micros(); void delay(unsigned long); void delayMicroseconds(unsigned int);
unsigned long pulseIn(uint8_t, uint8_t, unsigned long = 1000000L);
void tone(uint8_t, unsigned int, unsigned long = 0); void noTone(uint8_t);
void attachInterrupt(uint8_t, void (*)(void), int); void detachInterrupt(uint8_t);
long random(long); long random(long, long); void randomSeed(unsigned long);
long map(long, long, long, long, long);
class Flash;
#define F(text) (reinterpret_cast<const Flash *>(text))
class String {
 public:
  String(const char * = ""); String(const Flash *); String(char); String(unsigned char, unsigned char = 10);
  String(int, unsigned char = 10); String(unsigned int, unsigned char = 10); String(long, unsigned char = 10);
  String(unsigned long, unsigned char = 10); String(float, unsigned char = 2); String(double, unsigned char = 2);
  unsigned int length() const; char charAt(unsigned int) const; int indexOf(char) const; int indexOf(const String &) const;
  String substring(unsigned int) const; String substring(unsigned int, unsigned int) const;
  long toInt() const; float toFloat() const; void toUpperCase(); void toLowerCase(); void trim();
  bool equals(const String &) const; bool startsWith(const String &) const; const char *c_str() const;
  template <class T> String &operator+=(const T &); char &operator[](unsigned int);
};
template <class T> String operator+(const String &, const T &);
String operator+(const char *, const String &);
bool operator==(const String &, const String &); bool operator!=(const String &, const String &);
struct Line {
  void begin(unsigned long); void end(); int available(); int read(); int peek(); void flush(); operator bool();
  String readString(); String readStringUntil(char); long parseInt(); float parseFloat(); unsigned int write(uint8_t);
  template <class T> unsigned int print(const T &); template <class T> unsigned int print(const T &, int);
  template <class T> unsigned int println(const T &); template <class T> unsigned int println(const T &, int);
  unsigned int println();
};
extern Line Serial;
