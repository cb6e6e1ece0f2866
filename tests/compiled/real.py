"""Compiles a program with gcc for small 8-bit microcontrollers and runs it in a simulator of their code."""

import re
import shutil
import subprocess
from functools import cache
from pathlib import Path
from tempfile import TemporaryDirectory

COMPILER, SIMULATOR = shutil.which("avr-g++"), shutil.which("simavr")
IS_THERE = bool(COMPILER and SIMULATOR)
MISSING = "gcc for small microcontrollers is missing; Debian has it in gcc-avr, avr-libc and simavr"
PLAIN = frozenset(
    ["void", "int", "long", "short", "char", "byte", "bool", "boolean", "float", "double", "unsigned", "const", "word", "static", "String",
     "uint8_t", "int16_t", "uint16_t", "int32_t", "uint32_t", "inline"]
)  # fmt: skip
RUNTIME = Path(__file__).with_name("runtime.h")  # enough to run
BOARD = Path(__file__).with_name("board.h")  # the whole call set, enough to accept or refuse
FLAGS = ["-DF_CPU=16000000UL", "-Os", "-fwrapv", "-w", "-std=gnu++17"]


@cache
def _chip() -> str:
    """The chip of the 5 V boards, by the name the simulator itself lists it under: 32 kB of program, one serial line."""
    listed = subprocess.run([str(SIMULATOR), "--list-cores"], capture_output=True, text=True)
    found: str = re.findall(r"\b\w+328p\b", listed.stdout + listed.stderr)[0]
    return found


def printed_by_real(source: str) -> list[str]:
    """The lines a program prints in `setup()`, run on the simulated chip. Raises AssertionError when it is refused."""
    assert COMPILER and SIMULATOR
    with TemporaryDirectory() as folder:
        file = Path(folder) / "program.cpp"
        file.write_text(f'#include "{RUNTIME}"\n#line 1 "program"\n{source}\n', "utf-8")
        program = str(Path(folder) / "program.elf")
        built = subprocess.run(
            [COMPILER, f"-mmcu={_chip()}", *FLAGS, str(file), "-o", program, "-lm"], capture_output=True, text=True
        )
        assert built.returncode == 0, built.stderr
        run = subprocess.run([SIMULATOR, "-m", _chip(), "-f", "16000000", program], capture_output=True, timeout=60)
    text = re.sub(r"\x1b\[[0-9;]*m", "", (run.stdout + run.stderr).decode("latin-1"))
    # The simulator shows a line's end as a point, and two lines of its own at the end.
    return [line[:-1] for line in text.splitlines() if line.endswith(".")]


def refused_by_real(source: str, head: Path = RUNTIME) -> str:
    """What the compiler says when it refuses a program; empty when it takes it. `head` is what the program is given."""
    assert COMPILER
    headers = ["-I", str(BOARD.parent / "headers")]
    with TemporaryDirectory() as folder:
        file = Path(folder) / "program.cpp"
        file.write_text(f'#include "{head}"\n#line 1 "program"\n{source}\n', "utf-8")
        built = subprocess.run(
            [COMPILER, f"-mmcu={_chip()}", *FLAGS, *headers, "-fsyntax-only", str(file)], capture_output=True, text=True
        )
    return built.stderr if built.returncode else ""


def with_prototypes(source: str) -> str:
    """The program as the board's own tools hand it to the compiler: functions are announced before their first use."""
    heads = re.findall(
        r"^(?!else\b|return\b)((?:[A-Za-z_]\w*[ *&\t]+)+[A-Za-z_]\w*\s*\([^;{}=]*\))\s*\{", source, re.MULTILINE
    )
    plain = [head for head in heads if set(re.findall(r"[A-Za-z_]\w*(?=[ *&]+\w)", head)) <= PLAIN]
    return "".join(f"{head};" for head in plain)


def refused_line(source: str) -> int | None:
    """The line of a whole program of the dialect that the compiler first complains of; None when it takes it, with its
    functions announced or without."""
    said = refused_by_real(f'{with_prototypes(source)}\n#line 1 "program"\n{source}', BOARD)
    if not said or not refused_by_real(source, BOARD):
        return None
    found = re.search(r"^program:(\d+):\d+: (?:fatal )?error", said, re.MULTILINE)
    return int(found.group(1)) if found else None if not said else 0
