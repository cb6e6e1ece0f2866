# Classes that the language makes half of: data classes, lists of names, records, dictionaries that fill themselves.
import functools
from collections import Counter, OrderedDict, defaultdict, deque, namedtuple
from dataclasses import dataclass, field
from enum import Enum, IntEnum, auto
from typing import Dict, List, Optional


@dataclass
class Reading:
    celsius: float
    humid: Optional[float] = None
    notes: List[str] = field(default_factory=list)

    def fahrenheit(self) -> float:
        return self.celsius * 1.8 + 32


@dataclass
class Stamped(Reading):
    at: int = 0

    def __post_init__(self):
        self.notes.append("made")


class State(Enum):
    IDLE = auto()
    ALARM = auto()
    OFF = "off"


class Level(IntEnum):
    LOW = 1
    HIGH = 3


r, s = Reading(21.5), Stamped(30, notes=["a"], at=5)
print(r, s, r.fahrenheit(), Reading(1, 2).notes is Reading(1, 2).notes)
state = State.IDLE
print(state is State.IDLE, state == State.ALARM, State.OFF.value, State.ALARM.name, State.ALARM.value, State("off").name, [s.name for s in State], len(State))
print(Level.HIGH > Level.LOW, Level.HIGH + 1)
names: Dict[State, str] = {State.IDLE: "idle", State.ALARM: "alarm"}
print(names[state])
Point = namedtuple("Point", "x y")
p = Point(1, y=2)
x, y = p
print(p, p.x + p[1], x, y, p == (1, 2), p._replace(x=9), p._asdict())
d = deque([1, 2, 3], maxlen=3)
d.append(4)
d.appendleft(0)
print(list(d), d[0], len(d), sum(d), d.pop(), d.popleft(), 3 in d)
groups = defaultdict(list)
for word in ("hive", "heat", "gas"):
    groups[word[0]].append(word)
counts = Counter("banana")
counts["z"] += 2
print(dict(groups), counts["a"], counts["q"], counts.most_common(2), OrderedDict([("a", 1)])["a"])


def shouted(times):
    def decorate(f):
        @functools.wraps(f)
        def inner(*args, **named):
            return (f(*args, **named) + "!") * times

        return inner

    return decorate


@shouted(2)
def greet(name, end=""):
    return f"hi {name}{end}"


print(greet("ann"), greet("bo", end="?"), functools.reduce(lambda a, b: a * b, [1, 2, 3, 4]), functools.partial(greet, "cy")())


@functools.lru_cache(maxsize=None)
def fib(n):
    return n if n < 2 else fib(n - 1) + fib(n - 2)


print(fib(12))
for value in (0, 2, "x", [1, 2], (3, 9), None, 77):
    match value:
        case 0 | 1:
            print("small")
        case "x" | "y":
            print("letter")
        case [a, b] if a < b and b < 5:
            print("list", a, b)
        case (3, other):
            print("three", other)
        case None:
            print("none")
        case n if isinstance(n, int) and n > 50:
            print("large", n)
        case _:
            print("other", value)


class Sized:
    size = 2

    def describe(self):
        return f"size {self.size}"


class Coloured:
    colour = "red"

    def describe(self):
        return f"colour {self.colour}"

    def paint(self):
        return self.colour.upper()


class Both(Sized, Coloured):
    pass


b = Both()
print(b.describe(), b.paint(), isinstance(b, Coloured), issubclass(Both, Sized))
