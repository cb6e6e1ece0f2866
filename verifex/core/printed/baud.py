"""Text that was read at another baud rate than it was sent at: what it looks like, and which rates it probably was.

A byte goes as a start bit (0), eight data bits with the lowest first, and a stop bit (1); a receiver waits for the fall of the
start bit and samples the middle of each bit at its own rate (the usual asynchronous framing, 8N1).
"""

from collections import Counter
from collections.abc import Iterable
from functools import lru_cache
from math import sqrt

RATES = (1200, 2400, 4800, 9600, 19200, 38400, 57600, 74880, 115200)
USUAL = "21.47\r\n1023\r\nTemperature: 24.3 C\r\n0.72 V\r\n"  # what programs of a course print
LEAST_BYTES = 12
LEAST_LIKENESS = 0.55


def received(data: bytes, sent_at: int, read_at: int) -> bytes:
    """What arrives of `data` when it is sent at one rate (baud) and read at another."""
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


def probable_rate(garbage: Iterable[str], sent_at: int) -> int | None:
    """The rate at which a port was probably read when these characters came of a program that prints at `sent_at`; None where
    nothing is like enough. Characters that a decoder already replaced tell nothing."""
    seen = Counter(b for text in garbage for c in text if c != "\ufffd" for b in c.encode("latin-1", "ignore"))
    for end in b"\r\n":
        seen.pop(end, None)
    if seen.total() < LEAST_BYTES:
        return None
    likeness = {rate: _alike(seen, _usual(sent_at, rate)) for rate in RATES if rate != sent_at}
    best = max(likeness, key=likeness.__getitem__)
    return best if likeness[best] >= LEAST_LIKENESS else None


@lru_cache(maxsize=64)
def _usual(sent_at: int, read_at: int) -> Counter[int]:
    found = Counter(received(USUAL.encode() * 3, sent_at, read_at))
    for end in b"\r\n":
        found.pop(end, None)
    return found


def _alike(one: Counter[int], other: Counter[int]) -> float:
    """The cosine between two histograms of bytes."""
    dot = sum(count * other[byte] for byte, count in one.items())
    lengths = sqrt(sum(n * n for n in one.values()) * sum(n * n for n in other.values()))
    return dot / lengths if lengths else 0.0
