"""A pseudo-terminal that looks like a serial port: what is written here is read by whoever opens its path."""

import os
import tty
from dataclasses import dataclass

GARBAGE_EVERY = 7  # of bits, at a wrong baud rate


@dataclass
class SerialPort:
    """An open pseudo-terminal. `path` is what the other side opens; nothing is lost while nobody reads, up to its buffer."""

    master: int
    slave: int

    @classmethod
    def opened(cls) -> "SerialPort":
        master, slave = os.openpty()
        tty.setraw(slave)
        return cls(master, slave)

    @property
    def path(self) -> str:
        return os.ttyname(self.slave)

    def write(self, data: bytes) -> None:
        os.write(self.master, data)

    def close(self) -> None:
        os.close(self.master)
        os.close(self.slave)


def at_wrong_baud(data: bytes, sent_at: int, read_at: int) -> bytes:
    """What arrives when a port is read at another rate than it is sent at.

    Every byte is sent as a start bit, eight data bits with the lowest first, and a stop bit; the other side samples the line at its
    own rate from each falling edge on.
    """
    if sent_at == read_at:
        return data
    line: list[int] = [1] * 4
    for byte in data:
        line += [0, *((byte >> bit) & 1 for bit in range(8)), 1]
    line += [1] * 12
    step = sent_at / read_at
    found = bytearray()
    at = 0.0
    while at < len(line) - 10 * step:
        if line[int(at)] == 1:  # idle: wait for the start bit
            at += min(step, 0.25)
            continue
        bits = [line[min(len(line) - 1, int(at + (n + 1.5) * step))] for n in range(8)]
        found.append(sum(bit << n for n, bit in enumerate(bits)))
        at += 9.5 * step
    return bytes(found)
