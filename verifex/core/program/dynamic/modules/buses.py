"""The two-wire bus as objects: the small boards' `I2C`, and the single-board computer's bus by number."""

from typing import Any

from verifex.core.program.dynamic.values import Thing, error
from verifex.core.program.runtime.machine import Machine
from verifex.core.program.tree import At

BYTE_US = 90.0  # nine bits at 100 kHz
MOST_BYTES = 256
ADDRESSES = range(0x08, 0x78)  # what may stand on a two-wire bus (bus specification, reserved addresses left out)


class TwoWire(Thing):
    """What both ways of speaking share: bytes from and to the registers of whoever answers at an address."""

    name = "I2C"

    def _from(self, m: Machine, at: At, address: int, register: int, count: int) -> list[int]:
        if not 0 <= count <= MOST_BYTES:
            raise error("ValueError", f"{count} bytes at a time is more than the bus gives", at)
        m.activity += 1
        m.spend_us(BYTE_US * (3 + count))
        found = m.surroundings.registers(m, int(address), int(register), int(count))
        if found is None:
            raise error("OSError", f"[Errno 19] nothing answers at address 0x{int(address):02x}", at)
        return found

    def do_scan(self, m: Machine, at: At) -> list[int]:
        m.activity += 1
        m.spend_us(BYTE_US * len(ADDRESSES))
        return [address for address in ADDRESSES if m.surroundings.registers(m, address, 0, 0) is not None]


class SmallBus(TwoWire):
    """`I2C(0, scl=Pin(…), sda=Pin(…))`."""

    def __init__(self, m: Machine, at: At, *_: Any, **named: Any) -> None:
        self.register = 0

    def do_init(self, m: Machine, at: At, *_: Any, **named: Any) -> None:
        return None

    do_deinit = do_init

    def do_writeto(self, m: Machine, at: At, address: int, said: Any, *_: Any) -> int:
        self._from(m, at, address, 0, 0)
        if len(said):
            self.register = int(said[0])
            m.write_registers(int(address), self.register, [int(byte) for byte in said[1:]])
        return len(said)

    def do_readfrom(self, m: Machine, at: At, address: int, count: int, *_: Any) -> bytes:
        return bytes(self._from(m, at, address, self.register, count))

    def do_readfrom_mem(self, m: Machine, at: At, address: int, register: int, count: int, **_: Any) -> bytes:
        return bytes(self._from(m, at, address, register, count))

    def do_writeto_mem(self, m: Machine, at: At, address: int, register: int, said: Any, **_: Any) -> None:
        self._from(m, at, address, register, 0)
        m.write_registers(int(address), int(register), [int(byte) for byte in said])

    def state(self) -> Any:
        return self.register


class NumberedBus(TwoWire):
    """`SMBus(1)`: the bus of the header, byte and word at a time."""

    name = "SMBus"

    def __init__(self, m: Machine, at: At, number: int = 1, *_: Any) -> None:
        self.number = number

    def do_read_byte_data(self, m: Machine, at: At, address: int, register: int, *_: Any) -> int:
        return self._from(m, at, address, register, 1)[0]

    def do_read_word_data(self, m: Machine, at: At, address: int, register: int, *_: Any) -> int:
        low, high = self._from(m, at, address, register, 2)
        return high << 8 | low

    def do_read_i2c_block_data(self, m: Machine, at: At, address: int, register: int, count: int, *_: Any) -> list[int]:
        return self._from(m, at, address, register, count)

    def do_write_byte_data(self, m: Machine, at: At, address: int, register: int, value: int, *_: Any) -> None:
        self._from(m, at, address, register, 0)
        m.write_registers(int(address), int(register), [int(value)])

    def do_close(self, m: Machine, at: At) -> None:
        return None
