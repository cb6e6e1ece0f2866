"""Values as bytes and as text: packed records, JSON; and what is known of the memory they take."""

import json
import struct
from collections.abc import Callable
from typing import Any

from verifex.core.program.dynamic.values import Builtin, error
from verifex.core.program.runtime.machine import Machine
from verifex.core.program.tree import At

FREE_BYTES, USED_BYTES = 98_304, 12_288  # of a small board's heap after it has started
MOST_BYTES = 65_536


def _packed(name: str, act: Callable[..., Any]) -> Builtin:
    def run(m: Machine, at: At, *args: Any) -> Any:
        try:
            if args and struct.calcsize(args[0]) > MOST_BYTES:
                raise error("MemoryError", "memory allocation failed", at)
            return act(*args)
        except struct.error as wrong:
            raise error("ValueError", str(wrong), at) from None
        except (TypeError, AttributeError):
            raise error("TypeError", f"{name} wants a pattern, then bytes or values", at) from None

    return Builtin(name, run)


PACKED: dict[str, Any] = {
    act.__name__: _packed(act.__name__, act)
    for act in (struct.pack, struct.unpack, struct.calcsize, struct.pack_into, struct.unpack_from)
}


def _dumps(m: Machine, at: At, value: Any) -> str:
    try:
        return json.dumps(value, default=_refuse)
    except (TypeError, ValueError):
        raise error("TypeError", "this cannot be written as JSON", at) from None
    except RecursionError:
        raise error("RuntimeError", "maximum recursion depth exceeded", at) from None


def _refuse(value: Any) -> Any:
    raise TypeError(type(value).__name__)


def _loads(m: Machine, at: At, text: Any) -> Any:
    try:
        return json.loads(text)
    except ValueError:
        raise error("ValueError", "syntax error in JSON", at) from None
    except TypeError:
        raise error("TypeError", "loads() wants a text", at) from None
    except RecursionError:
        raise error("RuntimeError", "maximum recursion depth exceeded", at) from None


WRITTEN: dict[str, Any] = {"dumps": Builtin("dumps", _dumps), "loads": Builtin("loads", _loads)}
COLLECTED: dict[str, Any] = {
    "collect": Builtin("collect", lambda m, at: 0),
    "enable": Builtin("enable", lambda m, at: None),
    "disable": Builtin("disable", lambda m, at: None),
    "threshold": Builtin("threshold", lambda m, at, *_: None),
    "mem_free": Builtin("mem_free", lambda m, at: FREE_BYTES),
    "mem_alloc": Builtin("mem_alloc", lambda m, at: USED_BYTES),
}
