// What a program needs of the dialect to run on the simulated chip: a serial line, texts by number, nothing else.
#include <avr/interrupt.h>
#include <avr/io.h>
#include <avr/pgmspace.h>
#include <avr/sleep.h>
#include <math.h>
#include <ctype.h>
#include <limits.h>
#include <stdint.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>
typedef uint8_t byte;
typedef bool boolean;
typedef unsigned int word;
#define DEC 10
#define HEX 16
#define BIN 2
#define HIGH 1
#define LOW 0
#define min(a, b) ((a) < (b) ? (a) : (b))
#define max(a, b) ((a) > (b) ? (a) : (b))
#define abs(x) ((x) > 0 ? (x) : -(x))
#define constrain(x, a, b) ((x) < (a) ? (a) : ((x) > (b) ? (b) : (x)))
#define sq(x) ((x) * (x))
#define round(x) ((x) >= 0 ? (long)((x) + 0.5) : (long)((x) - 0.5))
#define bitRead(v, b) (((v) >> (b)) & 1)
#define bitSet(v, b) ((v) |= (1UL << (b)))
#define bitClear(v, b) ((v) &= ~(1UL << (b)))
#define bitToggle(v, b) ((v) ^= (1UL << (b)))
#define bitWrite(v, b, one) ((one) ? bitSet(v, b) : bitClear(v, b))
#define lowByte(v) ((uint8_t)((v) & 0xFF))
#define highByte(v) ((uint8_t)((v) >> 8))
static inline word makeWord(byte high, byte low) { return high << 8 | low; }
#define word(high, low) makeWord(high, low)
static inline long map(long x, long a, long b, long c, long d) { return (x - a) * (d - c) / (b - a) + c; }
struct Line {
  void put(char c) { while (!(UCSR0A & (1 << UDRE0))); UDR0 = c; }
  void begin(unsigned long) {}
  void print(const char *s) { while (*s) put(*s++); }
  void print(char c) { put(c); }
  void print(long v) { char b[14]; ltoa(v, b, 10); print(b); }
  void print(unsigned long v) { char b[14]; ultoa(v, b, 10); print(b); }
  void print(long v, int base) { char b[34]; base == 10 ? ltoa(v, b, 10) : ultoa(v, b, base); for (char *c = b; *c; c++) put(*c >= 'a' ? *c - 32 : *c); }
  void print(int v, int base) { print((long)v, base); }
  void print(unsigned char v, int base) { print((long)v, base); }
  void write(unsigned char v) { put(v); }
  void print(int v) { print((long)v); }
  void print(unsigned v) { print((unsigned long)v); }
  void print(unsigned char v) { print((unsigned long)v); }
  void print(bool v) { print((long)v); }
  // As the boards' own library does it: half a last digit is added, then digits are cut off one by one.
  void print(double v, int d = 2) {
    if (isnan(v)) { print("nan"); return; }
    if (isinf(v)) { print("inf"); return; }
    if (v > 4294967040.0 || v < -4294967040.0) { print("ovf"); return; }
    if (v < 0) { put('-'); v = -v; }
    double half = 0.5;
    for (int i = 0; i < d; i++) half /= 10.0;
    v += half;
    unsigned long whole = (unsigned long)v;
    double rest = v - (double)whole;
    print(whole);
    if (d > 0) put('.');
    for (; d > 0; d--) {
      rest *= 10.0;
      unsigned digit = (unsigned)rest;
      put('0' + digit);
      rest -= digit;
    }
  }
  template <class T> void println(T v) { print(v); put('\n'); }
  void println(double v, int d) { print(v, d); put('\n'); }
  void print(unsigned v, int base) { print((long)v, base); }
  void println(unsigned v, int base) { print(v, base); put('\n'); }
  void println(int v, int base) { print(v, base); put('\n'); }
  void println(unsigned char v, int base) { print(v, base); put('\n'); }
  void println() { put('\n'); }
};
static Line Serial;
void setup();
void loop();
int main() { UCSR0B = 1 << TXEN0; setup(); cli(); sleep_enable(); sleep_cpu(); return 0; }

void *operator new(size_t bytes) { return malloc(bytes); }
void *operator new[](size_t bytes) { return malloc(bytes); }
void operator delete(void *) {}
void operator delete(void *, size_t) {}
void operator delete[](void *) {}
