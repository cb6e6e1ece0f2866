"""Reading constants that lie in the program's own memory: on the twin they lie where all others do."""

from dataclasses import replace
from struct import unpack
from typing import Any

from verifex.core.program.calls import chars, memory  # noqa: F401  # what is entered under further names has to be known
from verifex.core.program.calls.memory import read_bytes
from verifex.core.program.calls.registry import CALLS, At, Machine, call
from verifex.core.program.runtime.run_result import Ended
from verifex.core.program.types import BYTE, FLOAT, TEXT, ULONG, Array, Int, Pointer, Type

WORD = Int(16, False)


def _bytes(m: Machine, at: At, kind: Type, where: Any, count: int) -> bytes:
    if isinstance(kind, Array | Pointer) and isinstance(kind.of, Pointer):
        raise Ended("unsupported", at, "reading an address from the program's memory")
    found = read_bytes(where, kind, count)
    if len(found) < count:
        m.runtime_faults[("outside-array", at)] += 1
    return found.ljust(count, b"\0")


def _enter(name: str, gives: Int) -> None:
    @call(name, ("where",), gives)
    def act(m: Machine, at: At, kinds: tuple[Type, ...], where: Any) -> int:
        return int.from_bytes(_bytes(m, at, kinds[0], where, gives.bits // 8), "little")


for _name, _gives in {"byte": BYTE, "word": WORD, "dword": ULONG}.items():
    for _spelled in (f"pgm_read_{_name}", f"pgm_read_{_name}_near"):
        _enter(_spelled, _gives)


@call("pgm_read_float", ("where",), FLOAT)
def pgm_read_float(m: Machine, at: At, kinds: tuple[Type, ...], where: Any) -> float:
    value: float = unpack("<f", _bytes(m, at, kinds[0], where, 4))[0]
    return value


@call("PSTR", (TEXT,), TEXT)
def pstr(m: Machine, at: At, _: Any, text: str) -> str:
    return text


for _name in (
    "strlen",
    "strcpy",
    "strncpy",
    "strcat",
    "strcmp",
    "strncmp",
    "strstr",
    "memcpy",
    "memcmp",
    "sprintf",
    "snprintf",
):
    CALLS[f"{_name}_P"] = replace(CALLS[_name], name=f"{_name}_P")
