"""What values are in a run of the Python dialect.

Numbers, texts, lists, tuples, dictionaries and sets are the host's own; everything that can be called, imported or has
names of its own is one of the kinds here. A program gets at nothing of a value but what is listed for its kind.
"""

from collections.abc import Callable
from dataclasses import dataclass, field
from enum import StrEnum
from pathlib import Path
from typing import Any

from verifex.core.program.runtime.machine import Machine
from verifex.core.program.runtime.run_result import Ended
from verifex.core.program.tree import At

Frame = list[Any]
Act = Callable[..., Any]  # act(machine, at, *args, **keywords)


class FunctionKind(StrEnum):
    """What a call of a function of the program gives: its value, or something that runs it later."""

    PLAIN = "plain"
    GENERATOR = "generator"
    COROUTINE = "coroutine"


class Unset:
    """What a name holds before it is given anything."""


UNSET = Unset()


@dataclass(slots=True, eq=False)
class Builtin:
    """Something of the language or of a library that can be called; `kind` is the type it makes, if it makes one."""

    name: str
    act: Act
    kind: type | tuple[type, ...] | None = None


@dataclass(slots=True, eq=False)
class Function:
    """A function of the program, with the frame it was made in."""

    name: str
    names: tuple[str, ...]  # of its parameters; those behind `positional` are given by name only
    positional: int
    required: int
    defaults: tuple[Any, ...]
    rest: str | None  # the parameter that takes further values
    rest_named: str | None
    action: Callable[[Frame], object]
    slots: Callable[[], int]
    outer: Frame | None
    at: At
    kind: FunctionKind = FunctionKind.PLAIN


@dataclass(slots=True, eq=False)
class Class:
    """A class; `annotated` are its fields with a type and what they begin with. `begin` is what makes its objects instead of an
    `__init__`, `made` what is done with a class that is built on it."""

    name: str
    base: "Class | None"
    members: dict[str, Any]
    annotated: tuple[tuple[str, Any], ...] = ()
    begin: Act | None = None
    made: Callable[..., Any] | None = None
    others: "tuple[Class, ...]" = ()

    def find(self, name: str) -> Any:
        """A member of the class or of one it is built on; UNSET when there is none."""
        return next((one.members[name] for one in self.line() if name in one.members), UNSET)

    def line(self) -> "list[Class]":
        """Itself and the classes it is built on, in the order in which they are asked; each once, where it comes last."""
        found: list[Class] = [self]
        for base in [one for one in (self.base, *self.others) if one is not None]:
            found = [one for one in found if one not in base.line()] + base.line()
        return found

    def is_a(self, other: "Class") -> bool:
        return any(one is other for one in self.line())


@dataclass(slots=True, eq=False)
class Instance:
    of: Class
    fields: dict[str, Any] = field(default_factory=dict)


@dataclass(slots=True, eq=False)
class Bound:
    """A function with the object it is called on."""

    function: Function
    owner: Any


@dataclass(slots=True, eq=False)
class Member:
    """A function of a class that is not called on an object as it is; kind is property, staticmethod or classmethod."""

    kind: str
    function: Function
    setter: Function | None = None


@dataclass(slots=True, eq=False)
class Above:
    """An object, looked at from above the class `of`: what `super()` gives."""

    of: Class
    owner: Instance


class Thing:
    """An object of a library as it is simulated here. `do_x` is its method x, `get_x` and `set_x` its property x."""

    name = "object"

    def get(self, m: Machine, name: str, at: At) -> Any:
        if (act := getattr(self, f"do_{name}", None)) is not None:
            return Builtin(name, act)
        if (read := getattr(self, f"get_{name}", None)) is not None:
            return read(m, at)
        constant = getattr(type(self), f"is_{name}", UNSET)
        if constant is not UNSET:
            return constant
        raise Ended("unsupported", at, f"`{name}` of {self.name}")

    def method(self, m: Machine, name: str, at: At) -> Any:
        """What is called when `name` is called on it."""
        return self.get(m, name, at)

    def set(self, m: Machine, name: str, value: Any, at: At) -> None:
        write = getattr(self, f"set_{name}", None)
        if write is None:
            raise Ended("unsupported", at, f"setting `{name}` of {self.name}")
        write(m, at, value)

    def state(self) -> Any:
        """What of it may change from pass to pass, for telling whether anything did."""
        return None


class Deque(list[Any]):
    """A list that keeps its last `maxlen` values, where that is set."""

    maxlen: int | None = None

    def shorten(self, *, at_the_end: bool = False) -> None:
        over = len(self) - self.maxlen if self.maxlen is not None else 0
        if over > 0 and at_the_end:
            del self[-over:]
        elif over > 0:
            del self[:over]


class DefaultDict(dict[Any, Any]):
    """A dictionary that makes what it does not have."""

    factory: Any = None


class Counted(dict[Any, Any]):
    """How often each value came; one that never came counts 0."""


class Named(tuple[Any, ...]):
    """Values that have names besides their places."""

    title = "tuple"
    names: tuple[str, ...] = ()


class Hint(Thing):
    """Something of `typing`: it says what a value is intended to be, and does nothing."""

    name = "type"

    def called(self, m: Machine, at: At, *args: Any, **_: Any) -> Any:
        return args[-1] if args else None


class LibraryName(str, Thing):
    """A constant of a library that only the library itself makes sense of. It may turn out to be a class that nothing here plays."""

    name = "constant"

    def get(self, m: Machine, name: str, at: At) -> Any:
        raise Ended("unsupported", at, f"`{self}.{name}`")

    def called(self, m: Machine, at: At, *args: Any, **named: Any) -> Any:
        raise Ended("unsupported", at, f"`{self}`")


class Raised(Exception):
    """An error under way in the program: `value` an instance of one of its error classes, raised at `at`."""

    def __init__(self, value: Instance, at: At) -> None:
        super().__init__(value.of.name)
        self.value, self.at = value, at


_TREE = """
BaseException
BaseException KeyboardInterrupt SystemExit Exception
Exception ArithmeticError LookupError ValueError TypeError NameError AttributeError RuntimeError OSError AssertionError StopIteration ImportError
ArithmeticError ZeroDivisionError OverflowError
LookupError IndexError KeyError
NameError UnboundLocalError
RuntimeError NotImplementedError RecursionError
ValueError UnicodeError
ImportError ModuleNotFoundError
OSError FileNotFoundError TimeoutError
"""


def _errors() -> dict[str, Class]:
    made: dict[str, Class] = {}
    for line in _TREE.split("\n"):
        base, *names = line.split() or [""]
        for name in names or ([base] if base else []):
            made[name] = Class(name, made.get(base) if names else None, {})
    made["IOError"] = made["OSError"]
    return made


ERRORS = _errors()

#: Errors of the host that are an error of the program where they come from an operation of the program.
OWN_FOLDER = Path(__file__).parent
HOST_ERRORS = (TypeError, ValueError, ArithmeticError, LookupError, AttributeError)


def error(kind: str, message: str, at: At) -> Raised:
    return Raised(Instance(ERRORS[kind], {"args": (message,)}), at)


def _is_of_language(wrong: Exception) -> bool:
    """Whether an error of the host comes from working with the program's own values."""
    trace = wrong.__traceback__
    while trace is not None and trace.tb_next is not None:
        trace = trace.tb_next
    return trace is None or Path(trace.tb_frame.f_code.co_filename).is_relative_to(OWN_FOLDER)


def as_raised(wrong: Exception, at: At) -> Raised:
    """The program's error for one of the host's. One that was made outside the language's own operations, in the machine or the
    circuit, is no fault of the program: it goes on as it is, and is reported as not supported."""
    if not _is_of_language(wrong):
        raise wrong
    kind = next((c.__name__ for c in type(wrong).__mro__ if c.__name__ in ERRORS), "Exception")
    message = wrong.args[0] if wrong.args else ""
    text = str(message) if not isinstance(wrong, KeyError) else repr(message)
    return error(kind, text.replace("do_", "").split(".")[-1] if "do_" in text else text, at)


KIND_NAMES = {
    bool: "bool", int: "int", float: "float", str: "str", list: "list", tuple: "tuple", dict: "dict", set: "set",
    Deque: "deque", DefaultDict: "defaultdict", Counted: "Counter",
    bytes: "bytes", bytearray: "bytearray", range: "range", type(None): "NoneType", Function: "function",
    Bound: "method", Builtin: "function", Class: "type",
}  # fmt: skip


def kind_name(value: Any) -> str:
    if isinstance(value, Instance):
        return value.of.name
    if isinstance(value, Named):
        return value.title
    return KIND_NAMES.get(type(value), getattr(value, "name", "object"))
