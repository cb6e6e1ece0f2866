"""What a run meets, may use, and gives."""

from dataclasses import dataclass, field
from typing import Protocol

from verifex.core.parts import Board
from verifex.core.program.tree import At


class Running(Protocol):
    """A run as those see it who answer its pins, keep its agenda, or carry its serial line."""

    board: Board
    surroundings: "Surroundings"
    budget: "Budget"
    result: "RunResult"
    now_us: float
    end_us: float
    modes: dict[str, str]
    levels: dict[str, int]
    pwm: dict[str, int]
    tones: dict[str, int]
    reference: str
    baud: int | None
    serial_blocks: bool
    stopping: bool
    activity: int
    changes: int
    unsteady: int
    written_registers: dict[tuple[int, int], int]

    def spend_us(self, us: float) -> None:
        """Time runs on by `us`."""

    def next_change_us(self, since_us: float) -> float:
        """When anything a program can read first changes after `since_us`."""


class Surroundings(Protocol):
    """What the pins meet: a script, or the twin of a bench. `typed` is what comes in on the serial line (ms, text)."""

    typed: list[tuple[float, str]]

    def analogue_count(self, machine: "Running", pin: str) -> int:
        """The converter's count on `pin` now."""

    def level(self, machine: "Running", pin: str) -> bool:
        """The logic level on an input pin now."""

    def pulse_us(self, machine: "Running", pin: str) -> int:
        """The length in µs of the next pulse on `pin`; 0 for none."""

    def measured(
        self, machine: "Running", pins: list[str], quantity: str, *, in_order: bool = False, read_as: str = ""
    ) -> float:
        """What the module on these pins (without any, the one on the bus) measures now; nan when none answers. `read_as` is
        the kind of module that a library was configured to expect."""

    def conversion_us(self, machine: "Running", pins: list[str], quantity: str) -> float:
        """How long a module on these pins takes to measure when it is asked to."""

    def registers(self, machine: "Running", address: int, register: int, count: int) -> list[int] | None:
        """So many bytes from a register on, of the module with this address on the bus; None when none answers."""

    def is_on_bus(self, machine: "Running", address: int) -> bool:
        """Whether a module with this address answers on the bus."""

    def tag(self, machine: "Running", pins: list[str], *, in_order: bool = False) -> str:
        """The id of the tag at the reader on these pins; empty for none."""

    def next_change_us(self, since_us: float) -> float:
        """When something a program can read first changes after `since_us` (µs of the run); infinity for never."""

    def pins_changed(self, machine: "Running") -> None:
        """Called after a mode or an output level has changed."""


@dataclass(frozen=True, slots=True)
class Budget:
    """What one run may use before it is ended with a finding."""

    steps: int = 3_000_000
    output_bytes: int = 400_000
    depth: int = 60
    cells: int = 20_000_000
    cells_at_once: int = 200_000


class Ended(Exception):
    """The run is over: `reason` is 'time', 'steps', 'memory', 'output', 'depth', 'raised' (the error
    `what`), 'unsupported' (`what`) or 'failed' (an error of ours)."""

    def __init__(self, reason: str, at: At | None = None, what: str = "") -> None:
        super().__init__(reason)
        self.reason, self.at, self.what = reason, at, what


@dataclass(slots=True)
class PinUse:
    """What a program did with one pin, with the place of the first time of each."""

    mode: str | None = None
    mode_at: At | None = None
    written_at: At | None = None
    read_at: At | None = None
    measured_at: At | None = None


@dataclass(frozen=True, slots=True)
class BusAddress:
    """An address on the two-wire bus that a library spoke to, and where."""

    address: int
    at: At


@dataclass(slots=True)
class RunResult:
    """A finished run. Times in ms; `serial` is all that was printed, `lines` each line with its time.

    `overflows`, `divisions`, `runtime_faults` are observations by place: how often a value did not fit, how an
    integer division came out (runs, results that were not 0, remainders lost), other runtime_faults by kind.
    """

    serial: str = ""
    lines: list[tuple[float, str]] = field(default_factory=list)
    events: list[tuple[float, str, str]] = field(default_factory=list)
    ended: str = "time"
    ended_at: At | None = None
    ended_with: str = ""  # the error it ended with, or what of it is not supported yet
    ended_ms: float = 0.0
    pins: dict[str, PinUse] = field(default_factory=dict)
    overflows: dict[At, int] = field(default_factory=dict)
    divisions: dict[At, tuple[int, int, int]] = field(default_factory=dict)
    runtime_faults: dict[tuple[str, At], int] = field(default_factory=dict)
    #: By place when the first of these observations was made there, in ms.
    first_ms: dict[At, float] = field(default_factory=dict)
    baud: int | None = None
    reference: str = "rail"
    longest_wait: tuple[float, At | None] = (0.0, None)  # in ms, and where
    #: Whether pins that were set up were released when it was stopped; None: none to release.
    released: bool | None = None
    stopped_with: tuple[str, At] | None = None  # the error it made when it was stopped from outside, and where
    passes: int = 0  # of `loop()`; repeated ones that were passed over do not count
    #: What displays show: (ms, name, rows) whenever that changes.
    displays: list[tuple[float, str, list[str]]] = field(default_factory=list)
    #: By display the numbers its object was made with, and where it was first written on.
    screens: dict[str, tuple[tuple[int, ...], At]] = field(default_factory=dict)
    #: Objects of libraries that were asked without any pin: on the bus, and where first.
    asked_on_bus: dict[str, At] = field(default_factory=dict)
    silent_addresses: list["BusAddress"] = field(default_factory=list)  # on the bus, that nothing answered to
    unknown_methods: list[str] = field(default_factory=list)  # of libraries, as `Class.method`
    begun: set[str] = field(default_factory=set)  # objects of libraries that were made ready
