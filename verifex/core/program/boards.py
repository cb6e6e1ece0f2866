"""How programs number a board's pins, and the names the dialect gives them."""

import re

from verifex.core.parts import Board
from verifex.core.program.types import BOOL, FLOAT, Int, Type


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
    for number, name in pin_numbers(board).items():
        if name.startswith("A"):
            table[name] = (number, Int(8, False))
    return table


#: Whole numbers written in binary: B0 to B11111111, with or without zeros in front.
BINARY = {f"B{number:0{digits}b}": number for digits in range(1, 9) for number in range(1 << digits)}

#: What the board's own tools bring: the object, and its header.
OWN_HEADERS = {"Wire": "Wire.h", "SPI": "SPI.h", "EEPROM": "EEPROM.h"}
REFERENCES = {0: "external", 1: "rail", 3: "internal"}
MODES = {0: "input", 1: "output", 2: "pull-up"}
