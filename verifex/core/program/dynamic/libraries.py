"""What can be imported: the language's own modules by name, the libraries of boards and parts by the words they offer.

A library of a board or a part is known by no name of its own; which of its functions is intended is reported by what it is called.
"""

import re
from collections.abc import Mapping
from typing import Any

from verifex.core.program.devices import LibraryConstant
from verifex.core.program.dynamic.modules import (
    calculating,
    clock,
    containers,
    data,
    files,
    lamps,
    library,
    micro,
    pin_functions,
    streams,
    together,
)
from verifex.core.program.dynamic.values import UNSET, Builtin, LibraryName, Thing, error
from verifex.core.program.runtime.machine import Machine
from verifex.core.program.runtime.run_result import Ended
from verifex.core.program.tree import At

#: The language's own modules; those that the small boards write with a `u` in front are the same.
OWN: dict[str, dict[str, Any]] = {
    "time": clock.TIME,
    "datetime": clock.DATES,
    "math": calculating.MATHS,
    "random": calculating.CHANCE,
    "statistics": calculating.MEANS,
    "sys": calculating.SYSTEM,
    "struct": data.PACKED,
    "json": data.WRITTEN,
    "gc": data.COLLECTED,
    "signal": clock.SIGNALS,
    "collections": containers.COLLECTIONS,
    "dataclasses": containers.DATA_CLASSES,
    "enum": containers.ENUMS,
    "typing": containers.HINTS,
    "functools": containers.FUNCTIONS,
    "abc": containers.ABSTRACT,
    "itertools": streams.STREAMS,
    "contextlib": streams.CONTEXTS,
    "threading": together.THREADS,
    "_thread": together.SMALL_THREADS,
    "queue": together.QUEUES,
    "asyncio": together.LOOP,
    "csv": files.TABLES,
    "pathlib": files.FILES,
    "logging": files.LOGS,
    "os": files.COMPUTER,
    "argparse": files.ARGUMENTS,
    "copy": containers.COPIES,
}
#: Modules of the language that are not supported yet.
_MISSING = """
multiprocessing re string socket subprocess shutil io decimal fractions array network urllib requests
"""
MISSING = frozenset(_MISSING.split())
#: What libraries of boards offer, by word.
OFFERED: dict[str, Any] = {**pin_functions.OFFERED, **lamps.OFFERED, **micro.OFFERED}
_PIN_NAME = re.compile(r"(?:D|GP|GPIO|IO)(\d+)$")
_CLASS_NAME = re.compile(r"[A-Z]\w*$")


class Module(Thing):
    """A module of the language: what it has, and nothing else."""

    def __init__(self, name: str, members: dict[str, Any]) -> None:
        self.name, self.members = name, members

    def get(self, m: Machine, name: str, at: At) -> Any:
        found = self.members.get(name, UNSET)
        if found is UNSET:
            raise Ended("unsupported", at, f"`{self.name}.{name}`")
        return found


class Library(Thing):
    """A library of a board or a part."""

    def __init__(self, name: str) -> None:
        self.name = name

    def get(self, m: Machine, name: str, at: At) -> Any:
        return offered(self.name, name, at, m.declared.constants)

    def called(self, m: Machine, at: At, *args: Any, **named: Any) -> Any:
        raise Ended("unsupported", at, f"`{self.name}`")


def offered(library_name: str, name: str, at: At, constants: Mapping[str, float | str]) -> Any:
    """What a library offers under a name; `constants` are those the exercise explains."""
    if name in constants:
        known = constants[name]
        return LibraryConstant.of_module(known) if isinstance(known, str) else known
    if name in OFFERED:
        return OFFERED[name]
    cased = next((known for known in OFFERED if known.lower() == name.lower()), None)
    if cased is not None:
        raise error("AttributeError", f"module '{library_name}' has no attribute '{name}'; did you mean '{cased}'?", at)
    if match := _PIN_NAME.match(name):
        return int(match.group(1))
    if name.isupper() or name[:1] == "_":
        return LibraryName(name)
    if _CLASS_NAME.match(name):
        return Builtin(name, library.maker(name))
    if (act := library.reading(name)) is not None:
        return Builtin(name, act)
    return Library(f"{library_name}.{name}")


def imported(module: str, what: str | None, at: At, constants: Mapping[str, float | str]) -> Any:
    """What an import gives. Raises Ended where that is not supported yet."""
    plain = module.split(".")[0]
    own = OWN.get(plain, OWN.get(plain.removeprefix("u")) if plain.startswith("u") else None)
    if own is not None:
        if what is None:
            return Module(plain, own)
        if what in own:
            return own[what]
        raise Ended("unsupported", at, f"`{what}` of `{plain}`")
    if plain in MISSING or plain.removeprefix("u") in MISSING:
        raise Ended("unsupported", at, f"the module `{plain}`")
    if plain == "__future__":
        return None
    if what is None:
        return Library(module)
    if what == "*":
        raise error("ImportError", "what a `*` brings is not known", at)
    return offered(module, what, at, constants)
