"""The value types of the C++ dialect, with the conversions a small-microcontroller compiler makes."""

from dataclasses import dataclass, field
from struct import Struct as Layout
from typing import TypeAlias


@dataclass(frozen=True, slots=True)
class Int:
    """An integer of `bits`; arithmetic wraps around as two's complement does."""

    bits: int
    signed: bool

    @property
    def low(self) -> int:
        return -(1 << (self.bits - 1)) if self.signed else 0

    @property
    def high(self) -> int:
        return (1 << (self.bits - int(self.signed))) - 1

    def wrap(self, value: int) -> int:
        value &= (1 << self.bits) - 1
        return value - (1 << self.bits) if self.signed and value >> (self.bits - 1) else value

    def __str__(self) -> str:
        return f"{self.bits}-bit {'int' if self.signed else 'unsigned int'}"


@dataclass(frozen=True, slots=True)
class Simple:
    """A type without inner structure: float, bool, void, text."""

    name: str

    def __str__(self) -> str:
        return self.name


@dataclass(frozen=True, slots=True)
class Array:
    of: "Type"
    length: int
    fixed: bool = field(default=False, compare=False)  # its items may only be read

    def __str__(self) -> str:
        return f"array of {self.length} {self.of}"


@dataclass(frozen=True, slots=True)
class Pointer:
    """Where values of a type lie: in the machine a list of cells and an index into it, or None."""

    of: "Type"
    fixed: bool = field(default=False, compare=False)  # what lies there may only be read

    def __str__(self) -> str:
        return f"pointer to {self.of}"


KIND_FIELD = ""  # of a record with virtual functions: the name of its kind, so that a call finds its own


@dataclass(frozen=True, slots=True)
class Struct:
    """A record: in the machine a list with a cell for each field, in order."""

    name: str
    fields: tuple[tuple[str, "Type"], ...]
    base: "Struct | None" = field(default=None, compare=False)  # the record it is made from

    @property
    def is_virtual(self) -> bool:
        return self.field(KIND_FIELD) is not None

    @property
    def line(self) -> "list[Struct]":
        """Itself and the records it is made from, the nearest first."""
        return [self, *(self.base.line if self.base else [])]

    def field(self, name: str) -> "tuple[int, Type] | None":
        """Index and type of a field; None when it has none of that name."""
        return next(((i, kind) for i, (own, kind) in enumerate(self.fields) if own == name), None)

    def __str__(self) -> str:
        return self.name


@dataclass(frozen=True, slots=True)
class Described:
    """A record that is not described to its end yet: only a pointer to it can be kept. `Names.whole` finds the record."""

    name: str

    def __str__(self) -> str:
        return self.name


@dataclass(frozen=True, slots=True)
class Union(Struct):
    """A record whose fields lie at the same bytes: in the machine an `Overlay`."""


@dataclass(frozen=True, slots=True)
class Routine:
    """Where a function lies: in the machine the function's key, a `Closure`, or None."""

    takes: tuple["Type", ...]
    result: "Type"

    def __str__(self) -> str:
        return "function"


@dataclass(frozen=True, slots=True)
class Open:
    """A type that a function leaves open under this name: `template <typename T>`."""

    name: str

    def __str__(self) -> str:
        return self.name


@dataclass(frozen=True, slots=True)
class Object:
    """An object of a library's class."""

    class_name: str

    def __str__(self) -> str:
        return self.class_name


Type: TypeAlias = Int | Simple | Array | Pointer | Struct | Object | Routine | Open | Described

OPAQUE = Object("part of a library")  # a field that only the library itself makes sense of
FLOAT = Simple("float")
BOOL = Simple("bool")
VOID = Simple("void")
TEXT = Simple("text")
FUNCTION = Simple("function")
PORT = Simple("port")  # what a serial port is handed on as: `Print &out`
AUTO = Simple("auto")  # the type of the value a variable is given
CHAR = Int(8, True)
BYTE = Int(8, False)
LONG = Int(32, True)
ULONG = Int(32, False)


LONGEST = Int(64, True)


@dataclass(frozen=True, slots=True)
class Widths:
    """How wide `int` is on the board; everything else follows."""

    int_bits: int

    @property
    def int(self) -> Int:
        return Int(self.int_bits, True)

    @property
    def unsigned(self) -> Int:
        return Int(self.int_bits, False)

    def named(self, name: str) -> Type | None:
        """The type a specifier such as `unsigned long` or `uint8_t` names; None when it is not read."""
        words = " ".join(sorted(name.split()))
        table: dict[str, Type] = {
            "int": self.int, "signed": self.int, "int signed": self.int, "unsigned": self.unsigned,
            "int unsigned": self.unsigned, "word": self.unsigned, "size_t": self.unsigned,
            "short": Int(16, True), "int short": Int(16, True), "short unsigned": Int(16, False), "int short unsigned": Int(16, False),
            "long": LONG, "int long": LONG, "long unsigned": ULONG, "int long unsigned": ULONG, "long signed": LONG,
            "char": CHAR, "char signed": CHAR, "char unsigned": BYTE, "byte": BYTE, "boolean": BOOL, "bool": BOOL,
            "Print": PORT, "Stream": PORT, "HardwareSerial": PORT, "__FlashStringHelper": CHAR, "float": FLOAT, "double": FLOAT, "void": VOID, "String": TEXT,
            "long long": LONGEST, "int long long": LONGEST, "long long signed": LONGEST, "int64_t": LONGEST,
            "long long unsigned": Int(64, False), "int long long unsigned": Int(64, False), "uint64_t": Int(64, False),
            "int8_t": CHAR, "uint8_t": BYTE, "int16_t": Int(16, True), "uint16_t": Int(16, False), "int32_t": LONG, "uint32_t": ULONG,
        }  # fmt: skip
        return table.get(words)

    def promoted(self, kind: Type) -> Type:
        """Integer promotion: anything narrower than int becomes int."""
        if kind == BOOL:
            return self.int
        if isinstance(kind, Int) and kind.bits < self.int_bits:
            return self.int
        return kind

    def common(self, one: Type, other: Type) -> Type:
        """The usual arithmetic conversions (C++17, 8 [expr] 11.5)."""
        if FLOAT in (one, other):
            return FLOAT
        one, other = self.promoted(one), self.promoted(other)
        if not isinstance(one, Int) or not isinstance(other, Int):
            return one
        if one.bits == other.bits:
            return one if not one.signed else other
        return one if one.bits > other.bits else other


def size_of(kind: Type) -> int:
    """Bytes a value takes, as `sizeof` tells them on the small boards."""
    match kind:
        case Int():
            return kind.bits // 8
        case Array():
            return kind.length * size_of(kind.of)
        case Union():
            return max((size_of(own) for _, own in kind.fields), default=0)
        case Struct():
            return sum(size_of(own) for _, own in kind.fields)
        case Pointer() | Object() | Routine() | Open() | Described():
            return 2
    return {"float": 4, "bool": 1, "void": 1, "text": 6, "function": 2, "port": 2}[kind.name]


def decayed(kind: Type) -> Type:
    """An array as it is passed on: a pointer to its first item."""
    return Pointer(kind.of, kind.fixed) if isinstance(kind, Array) else kind


def is_chars(kind: Type) -> bool:
    """Whether it is a C string: an array of char, or a pointer to one."""
    return isinstance(kind, Array | Pointer) and kind.of in (CHAR, BYTE)


_LAYOUT = Layout("f")
_PACK, _UNPACK = _LAYOUT.pack, _LAYOUT.unpack


def as_float32(value: float) -> float:
    """`value` rounded to 32 bits, as `float` and `double` are on the small boards; overflow gives infinity."""
    try:
        rounded: float = _UNPACK(_PACK(value))[0]
    except OverflowError:
        return float("inf") if value > 0 else float("-inf")
    return rounded
