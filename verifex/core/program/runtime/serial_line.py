"""The serial line of a run: what is printed, with its time, and what is typed at the other end."""

from dataclasses import dataclass, field

from verifex.core.program.runtime.run_result import Ended, Running
from verifex.core.program.tree import At

BUFFER_BYTES = 64  # each way
BITS_A_BYTE = 10e6  # ten bits on the line, in µs at one baud


@dataclass(slots=True)
class Line:
    """What has been sent; `typed` are (ms, text) still to come in, `inbox` the letters that wait to be read."""

    typed: list[tuple[float, str]] = field(default_factory=list)
    inbox: list[str] = field(default_factory=list)
    time_out_ms: float = 1000.0
    bytes_sent: int = 0
    pieces: list[str] = field(default_factory=list)
    begun: list[str] = field(default_factory=list)
    free_us: float = 0.0  # when the line has sent all that was handed to it

    def emit(self, machine: Running, text: str, at: At) -> None:
        """Send a text; blocks at the baud rate once the buffer is full, where the run says so."""
        if machine.baud is None or machine.stopping:
            return  # nothing leaves the board before the line is begun
        self.bytes_sent += len(text)
        if self.bytes_sent > machine.budget.output_bytes:
            raise Ended("output", at)
        self.pieces.append(text)
        for piece in text.splitlines(keepends=True):
            self.begun.append(piece.rstrip("\r\n"))
            if piece.endswith("\n"):
                machine.result.lines.append((round(machine.now_us / 1000, 3), "".join(self.begun)))
                self.begun = []
        if machine.serial_blocks:
            byte_us = BITS_A_BYTE / machine.baud
            self.free_us = max(self.free_us, machine.now_us) + len(text) * byte_us
            waiting = self.free_us - machine.now_us - BUFFER_BYTES * byte_us
            if waiting > 0:
                machine.spend_us(waiting)

    def flush(self, machine: Running) -> None:
        if machine.serial_blocks and self.free_us > machine.now_us:
            machine.spend_us(self.free_us - machine.now_us)

    def next_typed_us(self, since_us: float) -> float:
        return next((ms * 1000 for ms, _ in self.typed if ms * 1000 > since_us), float("inf"))

    def waiting(self, machine: Running) -> list[str]:
        """Letters that have come in and were not read; what the buffer cannot hold is lost, as on the board."""
        now_ms = machine.now_us / 1000
        while self.typed and self.typed[0][0] <= now_ms:
            self.inbox += self.typed.pop(0)[1]
            del self.inbox[BUFFER_BYTES:]
        return self.inbox

    def read(self, machine: Running) -> str | None:
        """The next letter, or None."""
        machine.unsteady += 1
        inbox = self.waiting(machine)
        return inbox.pop(0) if inbox else None

    def read_timed(self, machine: Running) -> str | None:
        """The next letter, waited for until the time-out."""
        letter = self.read(machine)
        if letter is not None:
            return letter
        until = machine.now_us + self.time_out_ms * 1000
        come = self.next_typed_us(machine.now_us)
        machine.spend_us(min(come, until) - machine.now_us)
        return self.read(machine) if come <= until else None
