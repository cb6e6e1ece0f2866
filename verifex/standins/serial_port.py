"""A pseudo-terminal that looks like a serial port: what is written here is read by whoever opens its path."""

import os
import tty
from dataclasses import dataclass


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
