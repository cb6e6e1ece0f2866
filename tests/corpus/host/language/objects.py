# Objects that do what the language asks of them: signs, sums, order, texts, places, turns.
class Vector:
    def __init__(self, x, y):
        self.x, self.y = x, y

    def __add__(self, other):
        return Vector(self.x + other.x, self.y + other.y)

    def __radd__(self, other):
        return self

    def __sub__(self, other):
        return Vector(self.x - other.x, self.y - other.y)

    def __mul__(self, factor):
        return Vector(self.x * factor, self.y * factor)

    def __rmul__(self, factor):
        return self * factor

    def __iadd__(self, other):
        self.x += other.x
        self.y += other.y
        return self

    def __neg__(self):
        return Vector(-self.x, -self.y)

    def __abs__(self):
        return (self.x**2 + self.y**2) ** 0.5

    def __int__(self):
        return int(abs(self))

    def __float__(self):
        return float(abs(self))

    def __round__(self, digits=0):
        return Vector(round(self.x, digits), round(self.y, digits))

    def __lt__(self, other):
        return abs(self) < abs(other)

    def __eq__(self, other):
        return (self.x, self.y) == (other.x, other.y)

    def __str__(self):
        return f"({self.x}, {self.y})"

    def __repr__(self):
        return f"Vector{self.x, self.y}"

    def __format__(self, form):
        return f"{self.x:{form}}/{self.y:{form}}" if form else str(self)


a, b = Vector(3, 4), Vector(1.25, -2)
print(a + b, a - b, a * 2, 3 * b, -a, abs(a), int(b), float(a), round(b, 1))
print([a, b], (a,), {"a": a}, str(a), repr(b), f"{b} {b:.1f} {a!r}", "{:.2f} {}".format(b, a), "%s" % a)
print(sum([a, b, a]), sorted([a, b, Vector(0, 1)]), min(a, b), max([b, a]), sorted([a, b], key=lambda v: -v.x))
print(a == Vector(3, 4), a != b, a < b, b > a, a in [b, Vector(3, 4)], [b, a].index(a))
same = a
a += b
print(a, same is a)
several = [Vector(5, 0), Vector(-1, 0), Vector(2, 2)]
several.sort()
print(several)
several.sort(key=lambda v: v.x, reverse=True)
print(several)


class Registers:
    """Values by their place; more are there than were written."""

    def __init__(self, count):
        self.count, self.kept = count, {}

    def __getitem__(self, at):
        if not 0 <= at < self.count:
            raise IndexError("no such register")
        return self.kept.get(at, 0)

    def __setitem__(self, at, value):
        self.kept[at] = value & 0xFF

    def __delitem__(self, at):
        del self.kept[at]

    def __len__(self):
        return self.count

    def __contains__(self, value):
        return value in self.kept.values()

    def __getattr__(self, name):
        if name.startswith("r") and name[1:].isdigit():
            return self[int(name[1:])]
        raise AttributeError(name)

    def __call__(self, *values):
        for at, value in enumerate(values):
            self[at] = value
        return self


registers = Registers(4)
registers(7, 300, 12)
registers[3] = -1
print(list(registers), registers[1], registers.r2, len(registers), 44 in registers, 300 in registers)
del registers[0]
print([value for value in registers], tuple(registers), sum(registers), max(registers), callable(registers))
first, *rest = registers
print(first, rest, hasattr(registers, "r1"), hasattr(registers, "other"), getattr(registers, "size", "none"))


class Countdown:
    def __init__(self, start):
        self.now = start

    def __iter__(self):
        return self

    def __next__(self):
        if self.now == 0:
            raise StopIteration
        self.now -= 1
        return self.now


class Rows:
    def __iter__(self):
        return Countdown(2)


print([n for n in Countdown(3)], list(Rows()), sum(Rows()), dict(zip("ab", Countdown(2))), 5 if Countdown(1) else 6)
for one in Rows():
    print("turn", one)
