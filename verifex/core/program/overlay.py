"""A union: its fields lie at the same bytes, so a value that is put into one is read anew through each other."""

from struct import pack, unpack_from
from typing import Any

from verifex.core.program.types import FLOAT, Array, Int, Struct, Type, Union, size_of


class Overlay:
    """The fields of a record, or the items of an array, as views of bytes from `start` on; used in place of a list of cells."""

    __slots__ = ("kinds", "memory", "starts")

    def __init__(self, kind: Type, memory: bytearray, start: int = 0) -> None:
        self.memory = memory
        if isinstance(kind, Array):
            self.kinds: list[Type] = [kind.of] * kind.length
            self.starts = [start + i * size_of(kind.of) for i in range(kind.length)]
        else:
            assert isinstance(kind, Struct)
            self.kinds = [own for _, own in kind.fields]
            self.starts = []
            at = start
            for own in self.kinds:
                self.starts.append(at)
                at += 0 if isinstance(kind, Union) else size_of(own)

    @staticmethod
    def of(kind: Union) -> "Overlay":
        return Overlay(kind, bytearray(size_of(kind)))

    def __len__(self) -> int:
        return len(self.kinds)

    def __getitem__(self, index: int) -> Any:
        kind, start = self.kinds[index], self.starts[index]
        if isinstance(kind, Array | Struct):
            return Overlay(kind, self.memory, start)
        if kind == FLOAT:
            return float(unpack_from("<f", self.memory, start)[0])
        signed = isinstance(kind, Int) and kind.signed
        return int.from_bytes(self.memory[start : start + size_of(kind)], "little", signed=signed)

    def __setitem__(self, index: int, value: Any) -> None:
        kind, start = self.kinds[index], self.starts[index]
        if isinstance(kind, Array | Struct):
            inner = Overlay(kind, self.memory, start)
            for position in range(len(inner)):
                inner[position] = value[position]
            return
        size = size_of(kind)
        new = pack("<f", value) if kind == FLOAT else (int(value) & ((1 << 8 * size) - 1)).to_bytes(size, "little")
        self.memory[start : start + size] = new

    def copied(self) -> "Overlay":
        """The same views of bytes of its own."""
        made = Overlay.__new__(Overlay)
        made.kinds, made.starts, made.memory = self.kinds, self.starts, bytearray(self.memory)
        return made
