"""Waiting and telling the time. A run begins at a fixed moment, so that two runs print the same."""

from datetime import UTC, datetime, timedelta
from typing import Any

from verifex.core.program.dynamic.strands import sleeps
from verifex.core.program.dynamic.values import Builtin, Thing, error
from verifex.core.program.runtime.machine import Machine
from verifex.core.program.tree import At

BEGIN = datetime(2026, 5, 4, 8, 0, tzinfo=UTC)
BEGIN_SECONDS = BEGIN.timestamp()
MOST_FORM = 200
WRAP = 1 << 30


def _wait(m: Machine, us: float, at: At) -> None:
    m.activity += 1
    if us < 0:
        raise error("ValueError", "a time to sleep cannot be negative", at)
    sleeps(m, max(1.0, float(us)), at)


def _waits(scale: float) -> Any:
    return lambda m, at, duration: _wait(m, duration * scale, at)


def _tells(scale: float, begin: float = 0.0, *, whole: bool = False) -> Any:
    def tell(m: Machine, at: At) -> float:
        m.time_asked += 1
        m.now_us += 1.0  # asking takes a moment, and two moments are never the same
        now = begin + m.now_us * scale
        return int(now) % WRAP if whole else now

    return tell


def _difference(m: Machine, at: At, later: int, earlier: int) -> int:
    return (later - earlier + WRAP // 2) % WRAP - WRAP // 2


class Moment(Thing):
    """A date with a time of day."""

    name = "datetime"

    def __init__(self, when: datetime) -> None:
        self.when = when

    def do_strftime(self, m: Machine, at: At, form: str) -> str:
        if not isinstance(form, str) or len(form) > MOST_FORM:
            raise error("ValueError", "a form for a date is a short text", at)
        return self.when.strftime(form)

    def do_isoformat(self, m: Machine, at: At, *_: Any) -> str:
        return self.when.replace(tzinfo=None).isoformat()

    def do_timestamp(self, m: Machine, at: At) -> float:
        return self.when.timestamp()

    def get_hour(self, m: Machine, at: At) -> int:
        return self.when.hour

    def get_minute(self, m: Machine, at: At) -> int:
        return self.when.minute

    def get_second(self, m: Machine, at: At) -> int:
        return self.when.second

    def shown(self) -> str:
        return str(self.when.replace(tzinfo=None))


def _moment(m: Machine) -> Moment:
    m.unsteady += 1
    return Moment(BEGIN + timedelta(microseconds=m.now_us))


class Dates(Thing):
    """`datetime`: the class that tells the time of day."""

    name = "datetime"

    def do_now(self, m: Machine, at: At, *_: Any) -> Moment:
        return _moment(m)

    def do_today(self, m: Machine, at: At) -> Moment:
        return _moment(m)

    def do_utcnow(self, m: Machine, at: At) -> Moment:
        return _moment(m)


def _written(m: Machine, at: At, form: str = "%c", *_: Any) -> str:
    return _moment(m).do_strftime(m, at, form)


def _pause(m: Machine, at: At) -> None:
    m.activity += 1
    m.spend_us(m.end_us - m.now_us)


def _members(table: dict[str, Any]) -> dict[str, Any]:
    return {name: Builtin(name, act) for name, act in table.items()}


TIME = _members(
    {
        "sleep": _waits(1e6), "sleep_ms": _waits(1e3), "sleep_us": _waits(1.0), "time": _tells(1e-6, BEGIN_SECONDS), "monotonic": _tells(1e-6),
        "perf_counter": _tells(1e-6), "ticks_ms": _tells(1e-3, whole=True), "ticks_us": _tells(1.0, whole=True), "time_ns": _tells(1e3),
        "monotonic_ns": _tells(1e3), "ticks_diff": _difference, "ticks_add": lambda m, at, ticks, more: (ticks + more) % WRAP,
        "strftime": _written, "ctime": lambda m, at: _written(m, at), "localtime": lambda m, at, *_: _moment(m),
    }
)  # fmt: skip
DATES: dict[str, Any] = {"datetime": Dates(), "date": Dates()}
SIGNALS: dict[str, Any] = {
    **_members({"pause": _pause, "signal": lambda m, at, number, act: None, "alarm": lambda m, at, seconds: None}),
    **{name: number for number, name in ((2, "SIGINT"), (15, "SIGTERM"), (1, "SIGHUP"), (14, "SIGALRM"))},
}
PAUSE = Builtin("pause", _pause)
