"""The serial line: begin, print, read."""

import math
from typing import Any

from verifex.core.program.calls.memory import read_bytes, write_to
from verifex.core.program.calls.registry import At, Machine, call
from verifex.core.program.calls.writing import formatted
from verifex.core.program.runtime.serial_line import BUFFER_BYTES
from verifex.core.program.types import BOOL, CHAR, FLOAT, LONG, TEXT, ULONG, VOID, Int, Type, as_float32

INT, WORD = Int(16, True), Int(16, False)


@call("Serial.begin", (ULONG, "any"), VOID, least=1)
def begin(m: Machine, at: At, _: Any, baud: int, frame: int = 0) -> None:
    """`frame` is how a byte is framed: the twin's line carries eight bits whatever it is."""
    m.baud = baud or None


def as_printed(kind: Type, value: Any, form: int | None = None) -> str:
    """What `print` sends for a value; `form` is the decimals of a float or the base of an integer."""
    if kind == TEXT:
        return str(value)
    if kind == FLOAT:
        return float_printed(float(value), 2 if form is None else max(0, min(20, form)))
    if kind == CHAR and form is None:
        return chr(value & 0xFF)
    if kind == BOOL:
        return str(int(value))
    base = form or 10
    if base == 10 or not 2 <= base <= 36:
        return str(value)
    if value < 0:
        value &= 0xFFFFFFFF  # other bases print the bits of a long
    digits = ""
    while True:
        digits = "0123456789ABCDEFGHIJKLMNOPQRSTUVWXYZ"[value % base] + digits
        value //= base
        if value == 0:
            return digits


def float_printed(value: float, decimals: int) -> str:
    """A float as the small boards print it: rounded by adding half a last digit, then cut, all in 32 bits."""
    if math.isnan(value):
        return "nan"
    if math.isinf(value):
        return "inf"
    if abs(value) > 4294967040.0:
        return "ovf"
    sign, value = ("-", -value) if value < 0 else ("", value)
    rounding = 0.5
    for _ in range(decimals):
        rounding = as_float32(rounding / 10)
    value = as_float32(value + rounding)
    whole = int(value)
    rest = as_float32(value - whole)
    digits = []
    for _ in range(decimals):
        rest = as_float32(rest * 10)
        digits.append(str(int(rest)))
        rest = as_float32(rest - int(rest))
    return sign + str(whole) + ("." + "".join(digits) if decimals else "")


def _send(m: Machine, at: At, kinds: tuple[Type, ...], args: tuple[Any, ...], end: str) -> None:
    if m.baud is None:
        m.runtime_faults[("printed-before-begin", at)] += 1
    text = as_printed(kinds[0], args[0], args[1] if len(args) > 1 else None) if args else ""
    m.emit(text + end, at)


@call("Serial.print", ("any", INT), VOID, least=1)
def print_(m: Machine, at: At, kinds: tuple[Type, ...], *args: Any) -> None:
    _send(m, at, kinds, args, "")


@call("Serial.println", ("any", INT), VOID, least=0)
def println(m: Machine, at: At, kinds: tuple[Type, ...], *args: Any) -> None:
    _send(m, at, kinds, args, "\r\n")


@call("Serial.printf", (TEXT, "any"), INT, least=1, open_ended=True, int_bits=32)
def printf(m: Machine, at: At, kinds: tuple[Type, ...], pattern: str, *values: Any) -> int:
    text = formatted(pattern, kinds[1:], values, m.board.int_bits)
    _send(m, at, (TEXT,), (text,), "")
    return len(text)


@call("Serial.available", (), INT)
def available(m: Machine, at: At, _: Any) -> int:
    return len(m.line.waiting(m))


@call("Serial.peek", (), INT)
def peek(m: Machine, at: At, _: Any) -> int:
    waiting = m.line.waiting(m)
    return ord(waiting[0]) & 0xFF if waiting else -1


@call("Serial.read", (), INT)
def read(m: Machine, at: At, _: Any) -> int:
    letter = m.line.read(m) if m.line.waiting(m) else None
    return -1 if letter is None else ord(letter) & 0xFF


def _until(m: Machine, last: str) -> str:
    """What comes in until a letter, or until nothing has come for the time-out."""
    out: list[str] = []
    while (letter := m.line.read_timed(m)) is not None and letter != last:
        out.append(letter)
    return "".join(out)


def _written(m: Machine, at: At, text: str) -> int:
    if m.baud is None:
        m.runtime_faults[("printed-before-begin", at)] += 1
    m.emit(text, at)
    return len(text)


@call("Serial.write", ("any",), INT)
def write(m: Machine, at: At, kinds: tuple[Type, ...], value: Any) -> int:
    """One byte, or a text, as it is."""
    return _written(m, at, value if kinds[0] == TEXT else chr(int(value) & 0xFF))


@call("Serial.write/2", ("where", WORD), INT)
def write_bytes(m: Machine, at: At, kinds: tuple[Type, ...], where: Any, count: int) -> int:
    """So many bytes from a place on, NULs among them."""
    return _written(m, at, read_bytes(where, kinds[0], count).decode("latin-1"))


@call("Serial.availableForWrite", (), INT)
def available_for_write(m: Machine, at: At, _: Any) -> int:
    return BUFFER_BYTES - 1


def _taken_in(m: Machine, at: At, last: str, where: Any, kind: Type, count: int) -> int:
    """Puts what comes in there, until a letter, a time-out, or so many; no NUL is put behind them."""
    out: list[str] = []
    while len(out) < count and (letter := m.line.read_timed(m)) is not None and letter != last:
        out.append(letter)
    write_to(m, at, where, kind, "".join(out).encode("latin-1", "replace"))
    return len(out)


@call("Serial.readBytes", ("where", WORD), WORD)
def read_some(m: Machine, at: At, kinds: tuple[Type, ...], where: Any, count: int) -> int:
    return _taken_in(m, at, "", where, kinds[0], count)


@call("Serial.readBytesUntil", (CHAR, "where", WORD), WORD)
def read_some_until(m: Machine, at: At, kinds: tuple[Type, ...], last: int, where: Any, count: int) -> int:
    return _taken_in(m, at, chr(last & 0xFF), where, kinds[1], count)


@call("Serial.find", (TEXT,), BOOL)
def find(m: Machine, at: At, _: Any, wanted: str) -> int:
    """Passes over what comes in until the text has come, or nothing comes any more."""
    come = ""
    while wanted and not come.endswith(wanted):
        letter = m.line.read_timed(m)
        if letter is None:
            return 0
        come += letter
    return 1


@call("Serial.readString", (), TEXT)
def read_string(m: Machine, at: At, _: Any) -> str:
    return _until(m, "")


@call("Serial.readStringUntil", (CHAR,), TEXT)
def read_string_until(m: Machine, at: At, _: Any, last: int) -> str:
    return _until(m, chr(last & 0xFF))


def _number(m: Machine, letters: str) -> str:
    """The next number that comes in; what stands before it is passed over, what stands behind it stays."""
    out = ""
    while True:
        waiting = m.line.waiting(m)
        letter = waiting[0] if waiting else m.line.read_timed(m)
        if letter is None:
            return out
        fits = letter in letters and (letter != "-" or not out) and not (letter == "." and "." in out)
        if out and not fits:
            if not waiting:
                m.line.inbox.insert(0, letter)
            return out
        if waiting:
            m.line.read(m)
        if fits:
            out += letter


@call("Serial.parseInt", (), LONG)
def parse_int(m: Machine, at: At, _: Any) -> int:
    said = _number(m, "-0123456789")
    return LONG.wrap(int(said)) if said.strip("-") else 0


@call("Serial.parseFloat", (), FLOAT)
def parse_float(m: Machine, at: At, _: Any) -> float:
    said = _number(m, "-.0123456789")
    return as_float32(float(said)) if said.strip("-.") else 0.0


@call("Serial.setTimeout", (ULONG,), VOID)
def set_timeout(m: Machine, at: At, _: Any, ms: int) -> None:
    m.line.time_out_ms = float(ms)


@call("Serial.end", (), VOID)
def end(m: Machine, at: At, _: Any) -> None:
    m.baud = None


@call("Serial.flush", (), VOID)
def flush(m: Machine, at: At, _: Any) -> None:
    m.line.flush(m)


@call("String", ("any", INT), TEXT, least=0)
def string(m: Machine, at: At, kinds: tuple[Type, ...], *args: Any) -> str:
    """A text of a value, or an empty one. In another base it has small letters, and of a negative number the bits of its own kind: unlike `print`."""
    if not args:
        return ""
    kind, value, form = kinds[0], args[0], args[1] if len(args) > 1 else None
    if form in (None, 10) or not isinstance(kind, Int):
        return as_printed(kind, value, form)
    return as_printed(kind, value & ((1 << kind.bits) - 1), form).lower()
