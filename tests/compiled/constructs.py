"""What the language offers and students use now and then: each taken by a real compiler, so none of it may be reported as a mistake."""

#: By what it is called: what stands at the top of a program.
CONSTRUCTS: dict[str, str] = {
    "template": "template <class T> T twice(T v) { return v + v; }",
    "lambda": "auto add = [](int a, int b) { return a + b; };",
    "enum class": """enum class Mode : byte { Off, On };
Mode mode = Mode::On;""",
    "namespace": "namespace hive { int count = 3; }",
    "constexpr": "constexpr int N = 5; int list[N];",
    "inherit": """class A { public: virtual int f() { return 1; } int n = 2; };
class B : public A { public: int f() override { return 3; } };
B b;""",
    "op": "struct V { int x; V operator+(const V &o) const { return {x + o.x}; } };",
    "default": "int f(int a, int b = 2) { return a + b; }",
    "overload": "int f(int a) { return a; } float f(float a) { return a; }",
    "union": """union U { float f; byte b[4]; };
U u;""",
    "bitfield": """struct Bits { byte a : 3; byte b : 5; };
Bits bits;""",
    "typedef": "typedef unsigned long Time; Time then = 5;",
    "using": "using Time = unsigned long; Time then = 5;",
    "progmem": "const byte table[] PROGMEM = {1, 2, 3};",
    "2d": "int grid[2][3] = {{1,2,3},{4,5,6}};",
    "strings": 'const char *names[] = {"a", "b" "c"};',
    "static member": """struct S { static int count; };
int S::count = 0;""",
    "extern": "extern int later; int later = 3;",
    "volatile": "volatile bool flag = false;",
    "pragma": """#pragma GCC optimize ("O2")
int x = 1;""",
    "functionptr": "void (*act)(int) = NULL;",
    "fnptr array": """int one() { return 1; } int two() { return 2; }
int (*acts[])() = {one, two};""",
    "struct ctor": """struct P { int x, y; P(int a, int b) : x(a), y(b) {} };
P p(1, 2);""",
    "this": """struct Q { int x = 1; Q &set(int v) { x = v; return *this; } };
Q q;""",
    "destructor": "class D { public: ~D() {} };",
    "friend": """class F { friend void g(); int x = 1; };
void g() {}""",
    "static fn": "static int hidden() { return 1; }",
    "inline": "inline int quick() { return 1; }",
    "attr": """void isr() __attribute__((unused));
void isr() {}""",
    "enum": "enum { RED, GREEN = 5, BLUE };",
    "nested struct": """struct O { struct I { int n; } in; int m; };
O o = {{1}, 2};""",
    "anon struct": "struct { int a; float b; } pair = {1, 2.5};",
    "array of struct": """struct W { const char *n; int p; };
W w[] = {{"a", 1}, {"b", 2}};""",
    "designated": """struct Z { int a; int b; };
Z z = {.a = 1, .b = 2};""",
    "multi decl": "int a = 1, *p = &a, list[3];",
    "hex": "unsigned int x = 0xFFu; long y = 0b1010; int o = 017;",
    "sep": "long big = 1'000'000;",
    "char": r"""char c = '\x41', d = '\n', e = '\'';""",
    "ternary": "int t(int a) { return a > 2 ? 1 : a > 1 ? 2 : 3; }",
    "string obj": """String s = String("a") + 5 + 'c';""",
    "const ref": "int sum(const int (&a)[3]) { return a[0]; }",
    "variadic": "void say(const char *f, ...) {}",
    "goto": "int g2() { int i = 0; again: i++; if (i < 3) goto again; return i; }",
    "switch decl": "int s2(int a) { switch (a) { case 1: { int b = 2; return b; } default: return 0; } }",
    "do": "int d2() { int i = 0; do { i++; } while (i < 3); return i; }",
    "comma": "int c2() { int i, j; for (i = 0, j = 9; i < j; i++, j--); return i; }",
    "sizeof": "int n = sizeof(long) + sizeof(int[3]);",
    "cast": "int k = static_cast<int>(2.5) + (int)3.5 + int(1.5);",
    "reinterpret": "float f = 1; long *l = reinterpret_cast<long *>(&f);",
    "new": "int *made = new int[3];",
    "delete": "void fr() { int *p = new int(3); delete p; }",
    "asm": 'void n() { asm volatile("nop"); }',
    "raw": r"""const char *r = R"(a\b)";""",
    "auto ret": "auto ten() -> int { return 10; }",
    "decltype": "int z1 = 1; decltype(z1) z2 = 2;",
    "static_assert": 'static_assert(sizeof(int) == 2, "x");',
    "struct method out": """struct M { int get(); int v = 3; };
int M::get() { return v; }""",
    "const method": "struct N { int v = 1; int get() const { return v; } };",
    "macros": """#define MAX2(a, b) ((a) > (b) ? (a) : (b))
#define STR(x) #x
#define CAT(a, b) a##b
int CAT(x, 1) = MAX2(1, 2);""",
    "line": "int li = __LINE__;",
    "file": "const char *fi = __FILE__;",
    "date": "const char *da = __DATE__;",
    "arr ptr": "void fill(int *a, int n) { while (n--) *a++ = n; }",
    "ref param": "void sw(int &a, int &b) { int t = a; a = b; b = t; }",
    "ptr ptr": "char *words[3]; char **w2 = words;",
    "bool ops": "bool b1 = true && !false || (1 == 2);",
    "alt tokens": "bool b2 = true and not false;",
    "unsigned loop": "void ul() { for (byte i = 0; i < 255; i++) { } }",
    "long long": "long long ll = 5000000000LL; uint64_t u64 = 1;",
    "float lit": "float f1 = 1.5f, f2 = .5, f3 = 1e-3, f4 = 2.;",
    "implicit int ret": "int noret(int a) { if (a) return 1; return 0; }",
    "empty stmt": "void es() { ;; }",
    "nested fn call": "int nf(int a) { return abs(min(a, max(1, 2))); }",
    "init brace": "int ib{5}; int arr3[]{1, 2, 3};",
    "array class": "#include <Wire.h>",
    "string switch": "char key = 0; void sk() { switch (key) { case 'a': key++; break; } }",
    "conditional include": """#ifdef ON_A_BENCH
#endif""",
    "long names": "int a_very_long_name_for_a_variable_that_counts = 0;",
    "unicode comment": """// Grüße °C
int u1 = 1;""",
    "struct array init": "struct T3 { int v[3]; } t3 = {{1,2,3}};",
    "const struct": "const struct { int lo, hi; } RANGE[] = {{1,2},{3,4}};",
    "global obj": 'String names2[2] = {"a", "b"};',
    "ptr to struct": """struct S { int a; S *next; };
S x = {1, NULL}; S y = {2, &x};
int sum() { int t = 0; for (S *p = &y; p; p = p->next) t += p->a; return t; }""",
    "array of ptr": """int a, b; int *both[] = {&a, &b};
void f() { for (int *p : both) *p = 1; }""",
    "fn returning struct ptr": "struct S { int a; }; S pool[3]; S *take(int i) { return &pool[i]; } void f() { take(1)->a = 5; }",
    "static array in fn": "int next() { static int i = 0; static const int list[] = {1, 2, 3}; return list[i++ % 3]; }",
    "const char array param": "int len(const char s[]) { int n = 0; while (s[n]) n++; return n; }",
    "char arithmetic": "int digit(char c) { return c >= '0' && c <= '9' ? c - '0' : -1; }",
    "nested ternary assign": "int v; void f(int a) { v = (a > 5) ? (a > 8 ? 2 : 1) : 0; }",
    "bit flags enum": """enum Flags { A = 1 << 0, B = 1 << 1, C = A | B };
byte flags = 0; void f() { flags |= A; flags &= ~B; if (flags & C) flags ^= C; }""",
    "struct with fn ptr": """struct Item { const char *name; void (*act)(); };
void on() {}
Item items[] = {{"on", on}};""",
    "callback param": """void each(int n, void (*f)(int)) { for (int i = 0; i < n; i++) f(i); }
void p(int i) { Serial.println(i); }""",
    "default struct values": "struct Cfg { int a = 5; float b = 2.5; bool on = true; } cfg;",
    "class static const": """class T { public: static const int MAX = 5; int list[MAX]; };
T t;""",
    "private": """class L { int pin; bool lit = false; public: L(int p) { pin = p; } void begin() { pinMode(pin, OUTPUT); } void toggle() { lit = !lit; digitalWrite(pin, lit); } bool isLit() { return lit; } };
L lamp(8);""",
    "class array": """class L { public: int pin; L(int p) : pin(p) {} };
L lamps[] = {L(8), L(9)};""",
    "class ptr": """class L { public: int pin = 3; int get() { return pin; } };
L one; L *p = &one; int v = 0; void f() { v = p->get(); }""",
    "operator[]": """struct R { int d[3]; int &operator[](int i) { return d[i]; } };
R r;""",
    "operator++": """struct C { int n; C &operator++() { n++; return *this; } };
C c;""",
    "operator bool": """struct C { int n; operator bool() const { return n > 0; } };
C c;""",
    "operator()": """struct F { int k; int operator()(int a) { return a * k; } };
F f = {2};""",
    "operator=": """struct C { int n; C &operator=(int v) { n = v; return *this; } };
C c;""",
    "operator+=": """struct C { int n; C &operator+=(int v) { n += v; return *this; } };
C c; void f() { c += 5; }""",
    "unary minus": """struct C { int n; C operator-() const { return {-n}; } };
C c; void f() { C d = -c; }""",
    "initializer return": "struct P { int x, y; }; P mid(P a, P b) { return P{(a.x + b.x) / 2, (a.y + b.y) / 2}; }",
    "brace construct": "struct P { int x, y; }; void f() { P p{1, 2}; P q = P{3, 4}; p = q; }",
    "auto struct": "struct P { int x, y; }; P make() { return {1, 2}; } void f() { auto p = make(); p.x++; }",
    "for two vars": "void f() { for (int i = 0, j = 10; i < j; i += 2, j--) { } }",
    "infinite for": "void f() { for (;;) { break; } }",
    "label switch enum": "enum State { IDLE, RUN }; State s = IDLE; void f() { switch (s) { case IDLE: s = RUN; break; case RUN: default: s = IDLE; } }",
    "enum to int": "enum E { X, Y }; int v = Y; E e = (E)1; void f() { e = static_cast<E>(v); }",
    "const expr array size": "const int N = 4; float m[N][N]; byte big[N * 2 + 1];",
    "macro fn multi": """#define SWAP(a, b) do { int t = a; a = b; b = t; } while (0)
void f() { int x = 1, y = 2; SWAP(x, y); }""",
    "macro block": """#define LOOP for (int i = 0; i < 3; i++)
void f() { LOOP { } }""",
    "macro string": """#define VERSION "1.2"
#define HELLO "v" VERSION
void f() { Serial.println(HELLO); }""",
    "macro debug": """#define DEBUG 1
#if DEBUG
#define LOG(x) Serial.println(x)
#else
#define LOG(x)
#endif
void f() { LOG("a"); LOG(5); }""",
    "line continuation": r"""
#define LONG_ONE(a) \
  ((a) * \
   2)
int v = LONG_ONE(3);
""",
    "multi line string": """const char *m = "first "
  "second";""",
    "escape": r"""const char *e = "tab\t quote\" slash\\ unicode\u00b0";""",
    "utf8": 'const char *deg = "°C"; void f() { Serial.print("Grüße °C"); }',
    "char compare string": """String s; bool f() { return s.charAt(0) == 'a' && s == "abc" && s.length() > 0; }""",
    "millis pattern": "unsigned long last = 0; const unsigned long EVERY = 1000UL; void f() { if (millis() - last >= EVERY) { last += EVERY; } }",
    "uint types": "uint8_t a = 255; int16_t b = -5; uint32_t c = 1UL << 20; size_t n = sizeof(a); int8_t d = -1; uintptr_t q = 0;",
    "unsigned suffix": "unsigned long x = 60000UL * 60; long y = 3600L; float z = 1.0F;",
    "modulo neg": "int wrap(int a, int n) { return ((a % n) + n) % n; }",
    "array init partial": """int a[5] = {1}; int b[] = {1, 2, 3,}; char s[] = "hi"; char t[10] = {'a', 'b', 0};""",
    "2d loops": "byte g[3][3]; void f() { for (byte (&row)[3] : g) for (byte &c : row) c = 1; }",
    "const cast ptr": "const int *p; int v = 3; void f() { p = &v; int w = *p; (void)w; }",
    "void cast": "void f(int unused) { (void)unused; }",
    "static cast byte": "byte b(int v) { return static_cast<byte>(v & 0xFF); }",
    "inline if": "void f(int a) { if (a) Serial.print(1); else if (a > 1) Serial.print(2); else Serial.print(3); }",
    "return bool expr": "bool near(float a, float b, float eps = 0.01) { return fabs(a - b) < eps; }",
    "bitmask loop": "void f(byte v) { for (byte m = 0x80; m; m >>= 1) Serial.print(v & m ? 1 : 0); }",
    "string builder": r"""String row(int a, float b) { return String(a) + ";" + String(b, 1) + '\n'; }""",
    "array pass 2d": "int sum(int m[][3], int n) { int t = 0; for (int i = 0; i < n; i++) for (int j = 0; j < 3; j++) t += m[i][j]; return t; }",
    "nested class": """class O { public: struct P { int x; }; P p; };
O o; O::P q;""",
    "global ref": "int v = 1; int &alias = v;",
    "using namespace": "using namespace std;",
    "const method chain": """struct B { String s; B &add(const char *t) { s += t; return *this; } };
B b; void f() { b.add("a").add("b"); }""",
    "typedef struct": "typedef struct { int a; float b; } Pair; Pair pairs[2] = {{1, 2.5}, {3, 4.5}};",
    "typedef enum": "typedef enum { LOWV, HIGHV } Level; Level level = LOWV;",
    "typedef array": "typedef int Row[3]; Row rows[2];",
    "typedef fn": "typedef void (*Act)(); Act act = NULL;",
    "struct in fn": "void f() { struct L { int a; } l = {1}; l.a++; }",
    "extern c": 'extern "C" { int cfun(int a) { return a; } }',
    "goto out": "void f() { for (int i = 0; i < 3; i++) for (int j = 0; j < 3; j++) if (i * j == 2) goto done; done: ; }",
    "conditional op lvalue": "int a, b; void f(bool c) { (c ? a : b) = 5; }",
    "comma decl init": "int a = 1, b = a + 1, c = b * 2;",
    "char ptr walk": "int words(const char *s) { int n = 0; while (*s) { if (*s++ == ' ') n++; } return n; }",
    "do while cond": "byte wait() { byte t = 0; do { delay(1); } while (++t < 5 && digitalRead(2)); return t; }",
    "ptr arithmetic": "int mid(int *a, int *b) { return *(a + (b - a) / 2); }",
    "compare ptr": "int buf[5]; int *w = buf; void f() { if (++w == buf + 5) w = buf; }",
    "memset struct": "struct S { int a; } s; void f() { memset(&s, 0, sizeof s); }",
    "sizeof type": "const int N = sizeof(long) * 2; int k = sizeof(char[4]);",
    "hex float": "float e = 1.5e-3, g = 2E6;",
    "bool arithmetic": "int n = (3 > 2) + (1 == 1);",
    "assert macro": """#include <assert.h>
void f() { assert(1 == 1); }""",
    "include guards": """#ifndef A_H
#define A_H
int once = 1;
#endif""",
    "has include": """#if defined(ON_A_BENCH) || defined(IN_A_HIVE)
int plat = 1;
#else
int plat = 2;
#endif""",
    "version check": """#if REVISION >= 100
int mod = 1;
#endif""",
}
