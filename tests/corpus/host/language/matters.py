"""Small things people get wrong, and what becomes of them: names, truth, order, copies, defaults."""

a = b = []
a.append(1)
print(b, a is b, a == [1], a is [1])
c = a[:]
c.append(2)
print(a, c)
grid = [[0] * 3] * 2
grid[0][1] = 5
print(grid)
own = [[0] * 3 for _ in range(2)]
own[0][1] = 5
print(own)


def collect(value, into=[]):
    into.append(value)
    return into


print(collect(1), collect(2), collect(3, []))


def fresh(value, into=None):
    into = into or []
    into.append(value)
    return into


print(fresh(1), fresh(2))
print(0.1 + 0.2 == 0.3, round(0.1 + 0.2, 2) == 0.3, abs(0.1 + 0.2 - 0.3) < 1e-9)
print(1 == True, 1 is not None, "" or "empty", 0 or None, [] and 1, "x" and 2)
print(not 0, not "", not [0], bool("False"), bool(0.0), bool(()))
print(3 > 2 > 1, 1 < 3 > 2, 1 == 1.0 == True, not 1 == 2)
print(-7 // 2, -7 % 3, 7 % -3, int(-3.7), round(2.5), round(3.5), round(-0.5), 2**-1)
print(5 & 3 == 1, (5 & 3) == 1, 1 + 2 << 1, 10 - 2 - 3, 2**3**2, -(2**2))
x = 5
x += 1 if x > 4 else -1
print(x, x if x else "none", (x, "y")[x > 5])
low, high = 3, 9
low, high = high, low
print(low, high)
numbers = [5, 3, 8]
print(numbers.sort(), numbers, sorted([2, 1]), numbers.reverse(), numbers)
for number in numbers[:]:
    if number > 4:
        numbers.remove(number)
print(numbers)
text = "21.5C"
print(text[:-1], text[-1], text[::-1], float(text[:-1]) + 1, text.replace("C", " °C"), text)
print("5" + "3", "5" * 3, int("5") + 3, str(5) + "3", "%s%d" % ("5", 3))
try:
    print("reading: " + 5)
except TypeError:
    print("a text and a number do not add")
try:
    print([1, 2][2])
except IndexError as problem:
    print(problem)
try:
    print(int("21.5"))
except ValueError as problem:
    print(problem)
for i in range(3):
    pass
print(i)
while x > 0:
    x -= 4
else:
    print("ended", x)
for n in (4, 6, 9):
    if n % 3 == 0 and n % 2:
        print("found", n)
        break
else:
    print("none")
total = 0


def add(value):
    global total
    total += value
    return total


print(add(2), add(3), total)
print([f() for f in [lambda: k for k in range(3)]], [f() for f in [lambda k=k: k for k in range(3)]])
if (n := len("four")) > 3:
    print("walrus", n)
first, *rest = "abc"
print(first, rest, *rest, sep="-")
print(1, 2, sep="", end=";")
print("a\tb\\n", r"a\n", 'it"s', "it's", "two" "parts", """three
lines""")
