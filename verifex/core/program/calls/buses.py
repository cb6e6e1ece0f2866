"""The two-wire bus and the four-wire one, byte by byte."""

from dataclasses import dataclass, field
from typing import Any

from verifex.core.program.calls.memory import read_bytes
from verifex.core.program.calls.registry import At, Machine, call
from verifex.core.program.types import BYTE, TEXT, ULONG, VOID, Int, Type

INT = Int(16, True)
BYTE_US = 90.0  # nine bits at 100 kHz
NOT_ANSWERED = 2
MOST_BYTES = 32  # what the buffer of the small boards takes


@dataclass(slots=True)
class TwoWire:
    """The bus as the program left it: which address it writes to, what it has written, what has come back."""

    address: int = 0
    said: list[int] = field(default_factory=list)
    register: int = 0
    come: list[int] = field(default_factory=list)


def _bus(m: Machine) -> TwoWire:
    found = m.own.setdefault("two-wire", TwoWire())
    assert isinstance(found, TwoWire)
    m.unsteady += 1  # what is on its way is no part of the globals
    return found


@call("Wire.begin", ("any",), VOID, least=0, open_ended=True)
def begin(m: Machine, at: At, _: Any, *pins: Any) -> None:
    m.own["two-wire"] = TwoWire()


@call("Wire.setClock", (ULONG,), VOID)
def set_clock(m: Machine, at: At, _: Any, hertz: int) -> None:
    return None


@call("Wire.beginTransmission", (BYTE,), VOID)
def begin_transmission(m: Machine, at: At, _: Any, address: int) -> None:
    bus = _bus(m)
    bus.address, bus.said = address, []


@call("Wire.write", ("any",), INT)
def write(m: Machine, at: At, kinds: tuple[Type, ...], value: Any) -> int:
    bus = _bus(m)
    given = [ord(c) & 0xFF for c in value] if kinds[0] == TEXT else [int(value) & 0xFF]
    bus.said = (bus.said + given)[:MOST_BYTES]
    return len(given)


@call("Wire.write/2", ("where", Int(16, False)), INT)
def write_bytes(m: Machine, at: At, kinds: tuple[Type, ...], where: Any, count: int) -> int:
    """So many bytes from a place on."""
    bus, given = _bus(m), list(read_bytes(where, kinds[0], count))
    bus.said = (bus.said + given)[:MOST_BYTES]
    return len(given)


@call("Wire.endTransmission", (BYTE,), BYTE, least=0)
def end_transmission(m: Machine, at: At, _: Any, stop: int = 1) -> int:
    bus = _bus(m)
    m.spend_us(BYTE_US * (1 + len(bus.said)))
    if m.surroundings.registers(m, bus.address, 0, 0) is None:
        return NOT_ANSWERED
    if bus.said:
        bus.register = bus.said[0]
        m.write_registers(bus.address, bus.register, bus.said[1:])
    return 0


@call("Wire.requestFrom", (BYTE, BYTE, BYTE), BYTE, least=2)
def request_from(m: Machine, at: At, _: Any, address: int, count: int, stop: int = 1) -> int:
    bus = _bus(m)
    m.spend_us(BYTE_US * (1 + count))
    found = m.surroundings.registers(m, address, bus.register, min(count, MOST_BYTES))
    bus.come = list(found) if found is not None else []
    return len(bus.come)


@call("Wire.available", (), INT)
def available(m: Machine, at: At, _: Any) -> int:
    return len(_bus(m).come)


@call("Wire.read", (), INT)
def read(m: Machine, at: At, _: Any) -> int:
    bus = _bus(m)
    return bus.come.pop(0) if bus.come else -1


for _name in (
    "SPI.begin",
    "SPI.end",
    "SPI.beginTransaction",
    "SPI.endTransaction",
    "SPI.setClockDivider",
    "SPI.setBitOrder",
    "SPI.setDataMode",
):

    @call(_name, ("any",), VOID, least=0, open_ended=True)
    def ready(m: Machine, at: At, _: Any, *settings: Any) -> None:
        return None


@call("SPI.transfer", (BYTE,), BYTE)
def transfer(m: Machine, at: At, _: Any, value: int) -> int:
    """A module that is addressed byte by byte does not answer here: the line reads high."""
    return 0xFF
