# Classes: state, inheritance, what prints, compares, measures, iterates.
class Sensor:
    unit = "C"
    made = 0

    def __init__(self, name, offset=0.0):
        self.name = name
        self.offset = offset
        self.readings = []
        Sensor.made += 1

    def read(self, raw):
        value = raw * 0.1 + self.offset
        self.readings.append(value)
        return value

    @property
    def last(self):
        return self.readings[-1] if self.readings else None

    @staticmethod
    def in_fahrenheit(celsius):
        return celsius * 9 / 5 + 32

    @classmethod
    def named(cls, name):
        return cls(name.upper())

    def __len__(self):
        return len(self.readings)

    def __repr__(self):
        return f"Sensor({self.name!r})"


class Averaging(Sensor):
    def __init__(self, name, size=3):
        super().__init__(name)
        self.size = size

    def read(self, raw):
        value = super().read(raw)
        recent = self.readings[-self.size :]
        return round(sum(recent) / len(recent), 3) if recent else value


plain, smooth = Sensor("a", 1), Averaging("b")
print(plain.read(200), smooth.read(100), smooth.read(200), smooth.read(300), smooth.read(400))
print(plain, [plain, smooth], len(smooth), plain.last, Sensor("c").last, Sensor.made, Averaging.unit, plain.unit)
print(isinstance(smooth, Sensor), isinstance(plain, Averaging), issubclass(Averaging, Sensor), type(smooth).__name__)
print(Sensor.in_fahrenheit(100), plain.in_fahrenheit(0), Averaging.named("d").name, type(Averaging.named("e")).__name__)
plain.unit = "K"
print(
    plain.unit, Sensor.unit, smooth.unit, hasattr(plain, "name"), hasattr(plain, "nothing"), getattr(plain, "none", 7)
)
Sensor.unit = "F"
print(plain.unit, smooth.unit)


class Vector:
    def __init__(self, x, y):
        self.x, self.y = x, y

    def __add__(self, other):
        return Vector(self.x + other.x, self.y + other.y)

    def __mul__(self, k):
        return Vector(self.x * k, self.y * k)

    def __eq__(self, other):
        return (self.x, self.y) == (other.x, other.y)

    def __gt__(self, other):
        return self.size > other.size

    def __lt__(self, other):
        return self.size < other.size

    @property
    def size(self):
        return (self.x**2 + self.y**2) ** 0.5

    @size.setter
    def size(self, wanted):
        factor = wanted / self.size
        self.x, self.y = self.x * factor, self.y * factor

    def __str__(self):
        return f"<{self.x}, {self.y}>"

    def __getitem__(self, index):
        return (self.x, self.y)[index]

    def __contains__(self, value):
        return value in (self.x, self.y)

    def __bool__(self):
        return bool(self.x or self.y)

    def __call__(self, z):
        return self.x, self.y, z


v = Vector(3, 4)
print(
    v + Vector(1, 1),
    v * 2,
    v == Vector(3, 4),
    v != Vector(0, 0),
    v.size,
    v[0],
    4 in v,
    bool(Vector(0, 0)),
    v(5),
    f"{v}",
)
print(Vector(1, 0) < v, v > Vector(9, 0), str(v), "%s" % v)
v.size = 10
print(v, v.size)
try:
    plain.last = 3
except AttributeError:
    print("last is only read")
