"""How programs number a board's pins, and the names the dialect gives them."""

import math
import re

from verifex.core.parts import Board
from verifex.core.program.types import BOOL, BYTE, CHAR, FLOAT, LONG, ULONG, Int, Type, as_float32


def pin_numbers(board: Board) -> dict[int, str]:
    """Number in a program → the board's pin name. A0 follows the last D pin; a GPIO has its own number."""
    names = [*board.pins.digital, *board.pins.input_only, *board.pins.analogue_only]
    digital = [name for name in names if name.startswith("D")]
    numbers: dict[int, str] = {}
    for name in names:
        match = re.match(r"([A-Z]+)(\d+)$", name)
        if match:
            kind, number = match.group(1), int(match.group(2))
            numbers[number + len(digital) if kind == "A" else number] = name
    return numbers


def constants(board: Board) -> dict[str, tuple[int | float, Type]]:
    """The names every program of the dialect may use, with value and type; besides them those in `BINARY`."""
    whole = Int(board.int_bits, True)
    table: dict[str, tuple[int | float, Type]] = {
        "HIGH": (1, whole), "LOW": (0, whole), "INPUT": (0, whole), "OUTPUT": (1, whole), "INPUT_PULLUP": (2, whole),
        "true": (1, BOOL), "false": (0, BOOL), "LED_BUILTIN": (int("".join(c for c in board.pins.own_light if c.isdigit()) or 13), whole),
        "EXTERNAL": (0, whole), "DEFAULT": (1, whole), "INTERNAL": (3, whole),
        "PI": (3.1415927410125732, FLOAT), "DEC": (10, whole), "HEX": (16, whole), "OCT": (8, whole), "BIN": (2, whole),
        "TWO_PI": (6.2831854820251465, FLOAT), "HALF_PI": (1.5707963705062866, FLOAT), "LSBFIRST": (0, whole), "MSBFIRST": (1, whole),
        "RAD_TO_DEG": (57.295780181884766, FLOAT), "DEG_TO_RAD": (0.01745329238474369, FLOAT),
        "EULER": (2.7182817459106445, FLOAT), "Serial": (1, BOOL), "INTERNAL1V1": (3, whole), "CHANGE": (1, whole), "FALLING": (2, whole), "RISING": (3, whole),
    }  # fmt: skip
    table |= {f"SPI_MODE{n}": (4 * n, BYTE) for n in range(4)}
    table |= {
        f"SPI_CLOCK_DIV{by}": (code, BYTE) for by, code in {2: 4, 4: 0, 8: 5, 16: 1, 32: 6, 64: 2, 128: 3}.items()
    }
    table |= {
        f"SERIAL_{bits}{parity}{stop}": (bits, whole) for bits in range(5, 9) for parity in "NEO" for stop in (1, 2)
    }
    table |= _limits(board.int_bits) | {name: (as_float32(value), FLOAT) for name, value in _OF_MATHS.items()}
    table |= {f"WDTO_{name}": (code, whole) for code, name in enumerate(_WATCHDOG_SPANS)}
    for number, name in pin_numbers(board).items():
        if name.startswith("A"):
            table[name] = (number, Int(8, False))
    return table


#: How long a board may hang before it starts anew.
_WATCHDOG_SPANS = ["15MS", "30MS", "60MS", "120MS", "250MS", "500MS", "1S", "2S", "4S", "8S"]
#: Constants of C's mathematics.
_OF_MATHS = {
    "M_PI": math.pi, "M_PI_2": math.pi / 2, "M_PI_4": math.pi / 4, "M_E": math.e, "M_SQRT2": math.sqrt(2), "M_LN2": math.log(2),
    "M_LN10": math.log(10), "FLT_MAX": 3.4028234663852886e38, "FLT_MIN": 1.1754943508222875e-38, "FLT_EPSILON": 2.0**-23,
}  # fmt: skip


def _limits(int_bits: int) -> dict[str, tuple[int | float, Type]]:
    """The least and greatest numbers of each kind, by C's names for them."""
    kinds = {
        "INT": Int(int_bits, True), "UINT": Int(int_bits, False), "LONG": LONG, "ULONG": ULONG, "SHRT": Int(16, True),
        "USHRT": Int(16, False), "CHAR": CHAR, "SCHAR": CHAR, "UCHAR": BYTE, "INT8": CHAR, "UINT8": BYTE,
        "INT16": Int(16, True), "UINT16": Int(16, False), "INT32": LONG, "UINT32": ULONG, "SIZE": Int(int_bits, False),
    }  # fmt: skip
    table: dict[str, tuple[int | float, Type]] = {f"{name}_MAX": (kind.high, kind) for name, kind in kinds.items()}
    table |= {f"{name}_MIN": (kind.low, kind) for name, kind in kinds.items() if kind.signed}
    table["RAND_MAX"] = (0x7FFF if int_bits == 16 else 0x7FFFFFFF, kinds["INT"])
    table["CHAR_BIT"] = (8, kinds["INT"])
    return table


#: Whole numbers written in binary: B0 to B11111111, with or without zeros in front.
BINARY = {f"B{number:0{digits}b}": number for digits in range(1, 9) for number in range(1 << digits)}

#: What the board's own tools bring: the object, and its header.
OWN_HEADERS = {"Wire": "Wire.h", "SPI": "SPI.h", "EEPROM": "EEPROM.h"}
_OF_C = """
assert ctype errno float inttypes limits math setjmp signal stdarg stdbool stddef stdint stdio stdlib string time
"""
#: Headers that come with every compiler: those of C, also as C++ names them, and those of the small boards' chips.
_OF_COMPILER = frozenset(f"{name}.h" for name in _OF_C.split()) | frozenset(f"c{name}" for name in _OF_C.split())
_OF_CHIP = ("avr/", "util/")


def is_library(header: str) -> bool:
    """Whether a header is of a library that has to be installed: neither the compiler nor the board's own tools bring it."""
    return header not in _OF_COMPILER and not header.startswith(_OF_CHIP) and header not in OWN_HEADERS.values()


REFERENCES = {0: "external", 1: "rail", 3: "internal"}
MODES = {0: "input", 1: "output", 2: "pull-up"}
