"""A run that is held at a moment: it is looked at, goes on, and is forked.

A run repeats exactly, so a fork is run anew up to the moment it is made at, with all that was done to its surroundings until then; it then
goes its own way. The program waits in a thread of its own while it is held.
"""

from collections.abc import Callable
from threading import Condition, Thread

from verifex.core.program.check import ProgramReport
from verifex.core.program.runtime.machine import Machine
from verifex.core.program.runtime.run_result import RunResult, Surroundings

Deed = Callable[[Surroundings], None]
NEVER = float("inf")


class Left(BaseException):
    """The run is given up: its thread ends, and nothing is reported."""


class HeldRun:
    """A run of `seconds` at most on surroundings that `made` makes anew for each fork; it is held at its beginning.

    Raises ValueError for a program that is not runnable. A held run has to be finished or left, as with `with`.
    """

    def __init__(self, report: ProgramReport, made: Callable[[], Surroundings], seconds: float) -> None:
        self.report, self.made, self.seconds = report, made, seconds
        self.surroundings = made()
        self.result: RunResult | None = None
        self._deeds: list[tuple[float, Deed]] = []
        self._turn = Condition()
        self._until_us = 0.0  # how far it may run; it waits once it is there
        self._is_held = self._is_left = False
        if not report.runnable:
            raise ValueError("this program cannot be run")
        self._machine = Machine(report.board, self.surroundings, seconds, pause_us=0.0, paused=self._wait)
        self._thread = Thread(target=self._work, daemon=True)
        self._thread.start()
        self._wait_until_held()

    # -- what is asked of it -----------------------------------------------------------------------

    @property
    def ms(self) -> float:
        """The moment it is held at, or ended at."""
        return round(self._machine.now_us / 1000, 3)

    @property
    def has_ended(self) -> bool:
        return self.result is not None

    @property
    def values(self) -> dict[str, object]:
        """The program's own variables that last, by name, as they are now."""
        return self._machine.globals()

    @property
    def printed(self) -> list[str]:
        return [text for _, text in self._machine.result.lines]

    def to(self, ms: float) -> None:
        """Go on up to a moment; one that lies behind changes nothing."""
        if self.has_ended:
            return
        with self._turn:
            self._until_us, self._is_held = max(self._until_us, ms * 1000), False
            self._turn.notify_all()
        self._wait_until_held()

    def do(self, deed: Deed) -> None:
        """Do something to the surroundings now; a fork made later does it at the same moment."""
        self._deeds.append((self.ms, deed))
        deed(self.surroundings)
        self._machine.pins_changed()

    def fork(self) -> "HeldRun":
        """Another run at this very moment; what happens to one from now on touches nothing of the other."""
        other = HeldRun(self.report, self.made, self.seconds)
        for ms, deed in self._deeds:
            other.to(ms)
            other.do(deed)
        other.to(self.ms)
        return other

    def finish(self) -> RunResult:
        """Run to the end."""
        self.to(NEVER)
        assert self.result is not None
        return self.result

    def leave(self) -> None:
        """Give it up where it is."""
        with self._turn:
            self._is_left, self._is_held = True, False
            self._turn.notify_all()
        self._thread.join()

    def __enter__(self) -> "HeldRun":
        return self

    def __exit__(self, *_: object) -> None:
        self.leave()

    # -- its own thread ----------------------------------------------------------------------------

    def _work(self) -> None:
        try:
            self.result = self.report.run_on(self._machine)
        except Left:
            pass
        finally:
            with self._turn:
                self._is_held = True
                self._turn.notify_all()

    def _wait(self, machine: Machine) -> float:
        """Called by the run when it has come as far as it may; gives how far it may go next, in µs."""
        with self._turn:
            if machine.now_us >= self._until_us:
                self._is_held = True
                self._turn.notify_all()
                self._turn.wait_for(lambda: not self._is_held)
            if self._is_left:
                raise Left
            return self._until_us

    def _wait_until_held(self) -> None:
        with self._turn:
            self._turn.wait_for(lambda: self._is_held)
