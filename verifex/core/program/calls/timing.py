"""Waiting and telling the time."""

from typing import Any

from verifex.core.program.calls.registry import At, Machine, call
from verifex.core.program.types import BYTE, ULONG, VOID, Int


@call("wdt_enable", (BYTE,), VOID)
def watch_over(m: Machine, at: At, _: Any, span: int) -> None:
    """A board that starts anew when its program hangs: ours is seen to hang anyway."""


@call("wdt_reset", (), VOID)
@call("wdt_disable", (), VOID)
def still_alive(m: Machine, at: At, _: Any) -> None: ...


@call("delay", (ULONG,), VOID, us=0.0)
def delay(m: Machine, at: At, _: Any, ms: int) -> None:
    m.wait(ms * 1000.0, at)


@call("yield", (), VOID)
def give_way(m: Machine, at: At, _: Any) -> None:
    """Lets what runs beside the program have its turn; nothing does here."""


@call("delayMicroseconds", (Int(16, False),), VOID, us=0.0)
def delay_us(m: Machine, at: At, _: Any, us: int) -> None:
    m.spend_us(float(us))


@call("millis", (), ULONG)
def millis(m: Machine, at: At, _: Any) -> int:
    m.time_asked += 1
    return int(m.now_us // 1000) & 0xFFFFFFFF


@call("micros", (), ULONG)
def micros(m: Machine, at: At, _: Any) -> int:
    m.unsteady += 1
    return int(m.now_us // 4 * 4) & 0xFFFFFFFF  # the clock of the 5 V boards ticks every 4 µs
