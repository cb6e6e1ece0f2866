"""Library objects of a program, matched by what they are given and what they are called for; no library is known by name.

An object has the pins it was constructed with. A method is reported by its words: temperature, humidity, pressure, distance ask a
module; read, measure and such take what the module has; getMotion and such fill variables with its axes; print, cursor, clear write on
a display; available, status and such say that all is well; begin, init, request and such do nothing that shows.
"""

import re
from collections.abc import Mapping
from dataclasses import dataclass, field
from typing import Any, Literal

COLUMNS, ROWS = 16, 2  # a character display, unless the program says otherwise
MOST_COLUMNS, MOST_ROWS = 40, 4
MOST_FRESH = 16
MOST_PINS = 2  # of a module that is asked by a method; displays have more
BUS_ADDRESSES = range(0x20, 0x78)  # that modules of the field have
BUS_ADDRESSES_FROM = 0x20  # a first number from here on is an address, the next two are columns and rows

Does = Literal["measures", "takes", "both", "shows", "identifies", "fills", "says", "works-out", "nothing"]


@dataclass(frozen=True, slots=True)
class Meaning:
    """What a method is called for; `quantity` and `unit` for one that measures."""

    does: Does
    quantity: str = ""
    unit: str = ""
    whole: bool = False  # it gives whole numbers, and 0 for what it cannot measure


MEASURES: tuple[tuple[str, str, str], ...] = (
    (r"temp.*(f|fahrenheit)$|tempf|fahrenheit", "celsius", "fahrenheit"),
    (r"temp|celsius", "celsius", "celsius"),
    (r"hum|feucht|moist", "percent", "percent"),
    (r"press|druck|presion", "hpa", "pascal"),
    (r"(dist|ping|read|measure|get|rang).*(inch|_in$)", "cm", "inch"),
    (r"(dist|ping|read|measure|get|rang).*(milli|mm$|_mm)", "cm", "millimetre"),
    (
        r"(ping|read|measure|get|dist|rang).*(cm|centi)|dist|abstand|entfern|^rang(e|ing)$|getrange|readrange",
        "cm",
        "centimetre",
    ),
    (r"^ping(_median)?$", "cm", "microsecond"),
)
#: Words that a method is given for the unit it is to answer in.
UNIT_WORDS = {"CM": "centimetre", "MM": "millimetre", "INC": "inch", "INCH": "inch", "IN": "inch"}
#: Methods that take whatever the module measures, by whole words.
TAKES = re.compile(
    r"read(11|12|21|22|2|all|sensor|data)?|measure|sample|poll|refresh|fetch|capture|getdata|lee|leer|lies|lesen"
)
#: Methods that only report something: that all is well, that one is there, and how it is configured.
SAYS: tuple[tuple[str, str], ...] = (
    (r"(get)?(status|error|lasterror)(string|text|msg|message)", "OK"),
    (r"(get)?(last)?(status|error)(code)?", "0"),
    (
        r"(get)?(device|sensor)s?count|(is)?(available|ready|connected|valid|detected|found)|has(reading|data)|search|getaddress|validaddress",
        "1",
    ),
)
#: Numbers that libraries work out of others: the heat index and the dew point, and echo times turned into lengths.
WORKS_OUT = re.compile(
    r"(compute|get|calc\w*)?(heatindex|dewpoint)|convert_?(cm|in|inch)|(microseconds|us)to(cm|centimeters|inches)"
)
#: What libraries call a value that stands for none, where they have one of their own for it.
NO_READING = re.compile(r"[A-Z0-9]+_?(DISCONNECT|ERROR|INVALID|TIMEOUT|NO_ECHO|FAIL|NAN|OUT_OF_RANGE)[A-Z0-9_]*")
_DISCONNECTED = {"C": -127.0, "F": -196.6, "RAW": -7040.0}
#: What a tag reader is called for: whether a tag is near, and to read its id.
IDENTIFIES: tuple[tuple[str, str], ...] = (
    (r"present|(card|tag).*available", "near"),
    (r"(read|select|get).*(serial|card|tag|uid)|^(read|get)_?id$", "read"),
)
TAG_BYTES = 10
#: Methods that put the axes of a module into the variables they are given.
FILLS = re.compile(r"get(motion6|motion9|motion|acceleration|accel)")
AXES = ("gx", "gy", "gz")
_SHOWS = """
print println write setCursor clear home cursor noCursor blink noBlink display noDisplay backlight noBacklight
setBacklight createChar leftToRight autoscroll noAutoscroll
"""
SHOWS = frozenset(_SHOWS.split())
_PREFIX = re.compile(r"^[A-Z0-9]+_(?=[A-Z][a-z])")  # of a chip's own name: CHIP_Init is called for what Init is
NOTHING = re.compile(
    r"(begin|init(ialize|ialise)?|setup|attach|connect|config(ure)?|start|end|stop|request|update|set[A-Z].*|enable.*|disable.*|wait.*|on|off|reset|halt\w*|stop\w*|end\w*|sleep|wake\w*|close|flush)",
    re.IGNORECASE,
)


@dataclass(frozen=True, slots=True)
class DeclaredClass:
    """A class as the exercise declares it: how many values it is made with (None: any), and what each method is for."""

    values: int | None
    methods: Mapping[str, Meaning]


#: The purposes an exercise may give a method.
PURPOSES: dict[str, Meaning] = {
    "celsius": Meaning("measures", "celsius", "celsius"),
    "fahrenheit": Meaning("measures", "celsius", "fahrenheit"),
    "percent": Meaning("measures", "percent", "percent"),
    "hectopascal": Meaning("measures", "hpa", "hectopascal"),
    "pascal": Meaning("measures", "hpa", "pascal"),
    "centimetre": Meaning("measures", "cm", "centimetre"),
    "millimetre": Meaning("measures", "cm", "millimetre"),
    "inch": Meaning("measures", "cm", "inch"),
    "microsecond": Meaning("measures", "cm", "microsecond"),
    "print": Meaning("shows", "print"),
    "clear": Meaning("shows", "clear"),
    "cursor": Meaning("shows", "setCursor"),
    "tag-near": Meaning("identifies", "near"),
    "tag-id": Meaning("identifies", "read"),
    "ready": Meaning("nothing"),
}


@dataclass(frozen=True, slots=True)
class Declared:
    """What the exercise says of its libraries: classes by name, what their constants stand for (a number, or a kind of module by the
    catalogue's name), and what single methods are for."""

    classes: Mapping[str, DeclaredClass] = field(default_factory=dict)
    constants: Mapping[str, float | str] = field(default_factory=dict)
    methods: Mapping[str, Meaning] = field(
        default_factory=dict
    )  # by `Class.method`, of classes that are guessed at otherwise


class LibraryConstant(int):
    """A constant that only its library makes sense of; `module` is the kind of module it names, where that is known."""

    module: str = ""

    @classmethod
    def of_module(cls, part: str) -> "LibraryConstant":
        made = cls(0)
        made.module = part
        return made


def meaning_of(method: str) -> Meaning | None:
    """What a method is called for by its words; None when they say nothing we know."""
    method = _PREFIX.sub("", method)
    if method in SHOWS:
        return Meaning("shows")
    lower = method.lower()
    if NOTHING.fullmatch(method) or lower.startswith(("request", "begin")):
        return Meaning("nothing")
    if FILLS.fullmatch(lower):
        return Meaning("fills", "axes")
    for pattern, what in IDENTIFIES:
        if re.search(pattern, lower):
            return Meaning("identifies", what)
    if TAKES.fullmatch(lower):
        return Meaning("takes")
    if WORKS_OUT.fullmatch(lower):
        return Meaning("works-out", lower)
    for pattern, said in SAYS:
        if re.fullmatch(pattern, lower):
            return Meaning("says", said)
    if "temp" in lower and "hum" in lower:
        return Meaning("both")
    for pattern, quantity, unit in MEASURES:
        if re.search(pattern, lower):
            return Meaning("measures", quantity, unit, whole=lower.startswith("ping"))
    return None


def no_reading(name: str) -> float | None:
    """The number that a library's word for "no reading" stands for, where all that are known use the same."""
    return _DISCONNECTED.get(name.rsplit("_", 1)[-1]) if "DISCONNECT" in name else None


@dataclass(slots=True)
class Device:
    """One library object: its class, the values it was constructed with, and the screen it writes on, if it does. `told` are the
    numbers that its begin or setup was given."""

    class_name: str
    name: str
    args: list[Any]
    screen: "Screen | None" = None
    address: int | None = None  # that its `begin` was given
    told: list[int] = field(default_factory=list)
    event: dict[str, float] = field(default_factory=dict)  # by quantity, of a record that a library fills
    #: The id last read: its length, and its bytes.
    tag: list[Any] = field(default_factory=lambda: [0, [0] * TAG_BYTES])

    def numbers(self) -> list[int]:
        """The whole numbers it was constructed with; those of an object it was given count as its own."""
        found: list[int] = []
        for arg in self.args:
            if isinstance(arg, Device):
                found += arg.numbers()
            elif isinstance(arg, tuple) and arg and isinstance(arg[0], list):  # a pointer to another object
                target = arg[0][arg[1]] if 0 <= arg[1] < len(arg[0]) else None
                found += target.numbers() if isinstance(target, Device) else []
            elif isinstance(arg, int) and not isinstance(arg, LibraryConstant):
                found.append(arg)
        return found

    def pins(self, named: Mapping[int, str]) -> list[str]:
        """The board's pins it was made with. Behind two pins stands no third, but a figure (a largest range)."""
        found = [pin for number in self.numbers() or self.told if (pin := named.get(number))]
        return found[:MOST_PINS]

    @property
    def kind_of_module(self) -> str:
        """The kind of module it was configured to expect, by the catalogue's name; empty where it was not, or nobody knows."""
        return next((arg.module for arg in self.args if isinstance(arg, LibraryConstant) and arg.module), "")

    def bus_address(self, pins: Mapping[int, str]) -> int | None:
        """The address it speaks to, where it was given one; a number that is one of the board's `pins` is taken for that, but
        for a display's, with its columns and rows behind it."""
        numbers = self.numbers()
        if self.address is not None or not numbers or numbers[0] not in BUS_ADDRESSES:
            return self.address
        sized = len(numbers) == 3 and 8 <= numbers[1] <= MOST_COLUMNS and numbers[2] <= MOST_ROWS
        return numbers[0] if sized or numbers[0] not in pins else None

    def screen_of(self) -> "Screen":
        if self.screen is None:
            numbers = self.numbers()
            sized = len(numbers) == 3 and numbers[0] >= BUS_ADDRESSES_FROM
            self.screen = Screen(*(numbers[1:] if sized else (COLUMNS, ROWS)))
        return self.screen


@dataclass(slots=True)
class Screen:
    """A character display's memory: rows of `MOST_COLUMNS` cells of which `columns` are seen."""

    columns: int = COLUMNS
    rows: int = ROWS
    cells: list[list[str]] = field(default_factory=lambda: [[" "] * MOST_COLUMNS for _ in range(MOST_ROWS)])
    column: int = 0
    row: int = 0
    #: Where the writing began that each cell was last written by, and by what.
    begun: dict[tuple[int, int], tuple[int, object]] = field(default_factory=dict)
    shown_us: float = 0.0  # when it was last written
    #: What has been written since somebody could last have read it: row, from, to, by.
    fresh: list[tuple[int, int, int, object]] = field(default_factory=list)

    def resize(self, columns: int, rows: int) -> None:
        self.columns, self.rows = max(1, min(MOST_COLUMNS, columns)), max(1, min(MOST_ROWS, rows))

    def is_inside_other_text(self, by: object) -> bool:
        """Whether the cursor was put into the middle of what another line wrote, where rows are counted, not columns."""
        old = self.begun.get((self.row, self.column))
        inside = self.row == 0 < self.column < self.rows and self.cells[0][self.column] != " "
        return inside and old is not None and old[0] < self.column and old[1] != by

    def write(self, text: str, by: object = None) -> None:
        """From the cursor on; what runs over the end of a row is not seen, and never jumps to the next."""
        begins = self.column
        for letter in text:
            if 0 <= self.column < MOST_COLUMNS:
                self.cells[self.row][self.column] = letter
                self.begun[(self.row, self.column)] = (begins, by)
            self.column += 1
        self.fresh = [*self.fresh, (self.row, begins, self.column, by)][-MOST_FRESH:]

    def leftovers(self) -> list[object]:
        """What wrote lately, where the end of its own earlier and longer writing still stands right behind it."""
        fresh, self.fresh = self.fresh, []
        return [
            by
            for row, begins, ends, by in fresh
            if begins < ends < self.columns
            and self.cells[row][ends] != " "
            and (old := self.begun.get((row, ends))) is not None
            and old[1] == by
            and (old[0] == begins or not any(r == row and b <= ends < e for r, b, e, _ in fresh))
        ]

    def clear(self) -> None:
        self.cells = [[" "] * MOST_COLUMNS for _ in range(MOST_ROWS)]
        self.column = self.row = 0
        self.begun, self.fresh = {}, []

    def move(self, column: int, row: int) -> None:
        self.column, self.row = max(0, column), max(0, min(self.rows - 1, row))

    def shown(self) -> list[str]:
        return ["".join(row[: self.columns]) for row in self.cells[: self.rows]]
