"""What outlives a reset: the small store of bytes, and constants kept in the program's own memory."""

from struct import pack, unpack
from typing import Any

from verifex.core.program.calls.registry import At, Machine, call
from verifex.core.program.types import BYTE, FLOAT, VOID, Array, Int, Pointer, Struct, Type, size_of

WORD = Int(16, False)
BYTES = 1024
EMPTY = 255
WRITE_US = 3300.0


def _address(m: Machine, at: At, address: int) -> int | None:
    if 0 <= address < BYTES:
        return address
    m.runtime_faults[("outside-array", at)] += 1
    return None


@call("EEPROM.read", (Int(16, True),), BYTE)
def read(m: Machine, at: At, _: Any, address: int) -> int:
    found = _address(m, at, address)
    return EMPTY if found is None else m.storage.get(found, EMPTY)


@call("EEPROM.write", (Int(16, True), BYTE), VOID)
def write(m: Machine, at: At, _: Any, address: int, value: int) -> None:
    if (found := _address(m, at, address)) is not None:
        m.storage[found] = value
        m.changes += 1
        m.spend_us(WRITE_US)


@call("EEPROM.update", (Int(16, True), BYTE), VOID)
def update(m: Machine, at: At, _: Any, address: int, value: int) -> None:
    if read(m, at, _, address) != value:
        write(m, at, _, address, value)


@call("EEPROM.length", (), WORD)
def length(m: Machine, at: At, _: Any) -> int:
    return BYTES


for _name in ("EEPROM.begin", "EEPROM.commit", "EEPROM.end"):

    @call(_name, ("any",), VOID, least=0)
    def nothing(m: Machine, at: At, _: Any, *size: Any) -> None:
        return None


def _as_bytes(kind: Type, value: Any) -> bytes:
    if isinstance(value, str):
        return value.encode("latin-1", "replace") + b"\0"
    if isinstance(kind, Array):
        return b"".join(_as_bytes(kind.of, one) for one in value)
    if isinstance(kind, Struct):
        return b"".join(_as_bytes(own, one) for (_, own), one in zip(kind.fields, value, strict=True))
    if kind == FLOAT:
        return pack("<f", value)
    size = size_of(kind)
    return (int(value) & ((1 << 8 * size) - 1)).to_bytes(size, "little")


@call("EEPROM.put", (Int(16, True), "any"), VOID)
def put(m: Machine, at: At, kinds: tuple[Type, ...], address: int, value: Any) -> None:
    for offset, byte in enumerate(_as_bytes(kinds[1], value)):
        update(m, at, kinds, address + offset, byte)


@call("EEPROM.get", (Int(16, True), "place"), VOID)
def get(m: Machine, at: At, kinds: tuple[Type, ...], address: int, place: tuple[list[Any], int]) -> None:
    raw = bytes(read(m, at, kinds, address + offset) for offset in range(size_of(kinds[1])))
    cells, index = place
    _put_back(kinds[1], cells, index, raw)


def _put_back(kind: Type, cells: Any, index: int, raw: bytes) -> None:
    """Bytes as the value they were; records and arrays part by part."""
    if isinstance(kind, Array | Struct):
        kinds = [kind.of] * kind.length if isinstance(kind, Array) else [own for _, own in kind.fields]
        for position, own in enumerate(kinds):
            _put_back(own, cells[index], position, raw[: size_of(own)])
            raw = raw[size_of(own) :]
    elif kind == FLOAT:
        cells[index] = unpack("<f", raw)[0]
    else:
        number = int.from_bytes(raw, "little")
        cells[index] = kind.wrap(number) if isinstance(kind, Int) else number


def _kept(name: str, gives: Type) -> None:
    @call(name, (Pointer(gives),), gives)
    def fetch(m: Machine, at: At, _: Any, where: Any) -> Any:
        if where is None or not 0 <= where[1] < len(where[0]):
            m.runtime_faults[("outside-array", at)] += 1
            return 0
        return where[0][where[1]]


_kept("pgm_read_byte", BYTE)
_kept("pgm_read_word", WORD)
_kept("pgm_read_dword", Int(32, False))
_kept("pgm_read_float", FLOAT)
