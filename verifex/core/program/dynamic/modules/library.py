"""Parts' libraries, matched by words: a reading by what a method or property is called for, a display by what is written to it."""

import re
from dataclasses import replace
from math import isnan
from typing import Any

from verifex.core.program.calls.devices import READ_US, SHOW_US, in_unit, note_leftover, tag_bytes
from verifex.core.program.devices import BUS_ADDRESSES, SHOWS, LibraryConstant, Meaning, Screen, meaning_of
from verifex.core.program.dynamic.modules import pins
from verifex.core.program.dynamic.showing import shown
from verifex.core.program.dynamic.values import Builtin, Thing, error
from verifex.core.program.runtime.machine import Machine
from verifex.core.program.runtime.run_result import BusAddress, Ended
from verifex.core.program.tree import At

_BOTH = re.compile(r"read(_retry)?$")
_TEXTS = re.compile(r"(write|put|print|show|display)(_?(string|str|text|line))?$|(lcd|display)_string$|^text$")


TAG_US = 25_000.0


class Part(Thing):
    """An object of a part's library, with what it was made with."""

    def __init__(self, class_name: str, args: list[Any]) -> None:
        self.name, self.args = class_name, args
        self.screen: Screen | None = None

    def _pins(self, m: Machine) -> list[str]:
        found = []
        for arg in self.args:
            if isinstance(arg, Part):
                found += arg._pins(m)  # the bus it was made with
            elif isinstance(arg, Thing) and hasattr(arg, "pin"):
                found.append(str(arg.pin))
            elif (
                isinstance(arg, int)
                and not isinstance(arg, bool | LibraryConstant)
                and f"GPIO{arg}" in m.numbers.values()
            ):
                found.append(f"GPIO{arg}")
        return found

    def _measured(self, m: Machine, quantity: str, unit: str, at: At) -> float:
        m.activity += 1
        self._speak(m, at)
        m.spend_us(READ_US + m.surroundings.conversion_us(m, self._pins(m), quantity))
        told = next((arg.module for arg in self.args if isinstance(arg, LibraryConstant)), "")
        value = in_unit(m.surroundings.measured(m, self._pins(m), quantity, read_as=told), unit)
        if value != value:
            raise error("RuntimeError" if quantity != "cm" else "OSError", f"{self.name} does not answer", at)
        return value

    def _speak(self, m: Machine, at: At) -> None:
        """Where it was given an address on the bus, something has to answer there."""
        for arg in self.args:
            is_pin = f"GPIO{arg}" in m.numbers.values()
            if isinstance(arg, int) and arg in BUS_ADDRESSES and not is_pin and not m.surroundings.is_on_bus(m, arg):
                m.result.silent_addresses.append(BusAddress(arg, at))
                raise error("OSError", f"no device answers at 0x{arg:02X}", at)

    def _meaning(self, m: Machine, name: str, at: At) -> Meaning | None:
        """What a name is for: as the exercise declares its class, else by its words."""
        declared = m.declared.classes.get(self.name)
        if declared is None:
            return m.declared.methods.get(f"{self.name}.{name}") or _meaning_of(name)
        if name not in declared.methods:
            raise error("AttributeError", f"'{self.name}' has no '{name}'", at)
        return declared.methods[name]

    def get(self, m: Machine, name: str, at: At) -> Any:
        """A property: of a reading, the reading itself."""
        meaning = self._meaning(m, name, at)
        if meaning is not None and meaning.does == "measures":
            return self._measured(m, meaning.quantity, meaning.unit, at)
        return self.method(m, name, at)

    def method(self, m: Machine, name: str, at: At) -> Any:
        if self.name in m.declared.classes:
            return self._declared_method(m, name, at)
        if name in ("read", "read_id", "read_no_block", "read_id_no_block"):
            return Builtin(name, lambda m_, at_: self._tag(m_, at_, name))
        if _TEXTS.match(name):
            return Builtin(name, self._show)
        if name in ("cursor_pos",):
            return (0, 0)
        said = m.declared.methods.get(f"{self.name}.{name}")
        meaning = said or _meaning_of(name)
        if meaning is None or meaning.does == "fills" or (meaning.does == "shows" and name not in SHOWS):
            if name == "scan":
                return Builtin(name, lambda m_, at_, *_: [self])
            if name in ("measure", "update", "convert_temp"):
                return Builtin(name, lambda m_, at_, *_: m_.spend_us(READ_US))
            m.result.unknown_methods.append(f"{self.name}.{name}")
            raise Ended("unsupported", at, f"`{name}` of a library")
        if meaning.does == "measures":
            return Builtin(name, lambda m_, at_, *_: self._measured(m_, meaning.quantity, meaning.unit, at_))
        if name in ("clear", "lcd_clear", "fill"):
            return Builtin(name, self._clear)
        return Builtin(name, lambda m_, at_, *_: None)

    def _declared_method(self, m: Machine, name: str, at: At) -> Any:
        meaning = self._meaning(m, name, at)
        assert meaning is not None
        if meaning.does == "measures":
            return Builtin(name, lambda m_, at_, *_: self._measured(m_, meaning.quantity, meaning.unit, at_))
        if meaning.does == "identifies":
            return Builtin(name, lambda m_, at_: self._tag(m_, at_, "read_id_no_block"))
        shows = {"print": self._show, "clear": self._clear}.get(meaning.quantity)
        return Builtin(name, shows or (lambda m_, at_, *_: None))

    def _tag(self, m: Machine, at: At, name: str) -> Any:
        """The id of the tag at the reader as a whole number; waits for one, unless its name says that it does not."""
        m.activity += 1
        m.unsteady += 1
        while not (code := tag_bytes(m.surroundings.tag(m, self._pins(m)))) and "no_block" not in name:
            m.step(at)
            m.spend_us(max(TAG_US, min(m.next_change_us(m.now_us), m.end_us) - m.now_us))
        m.spend_us(TAG_US)
        number = int.from_bytes(code, "big") if code else None
        return number if "id" in name else (number, "" if code else None)

    def _show(self, m: Machine, at: At, text: Any = "", *where: Any) -> None:
        m.activity += 1
        numbers = (arg for arg in self.args if isinstance(arg, int) and not isinstance(arg, bool))
        m.result.screens.setdefault(self.name, (tuple(numbers), at))
        m.result.begun.add(self.name)
        m.spend_us(SHOW_US)
        self.screen = self.screen or Screen()
        note_leftover(m, self.screen)
        self.screen.shown_us = m.now_us
        places = [int(w) for w in where if isinstance(w, int | float)]
        if places:
            self.screen.move(0, max(0, places[0] - 1))
        for row, line in enumerate(shown(m, text, at).split("\n")):
            if row:
                self.screen.move(0, self.screen.row + 1)
            self.screen.write(line, at)
        m.displayed(self.name, self.screen.shown())

    def _clear(self, m: Machine, at: At, *_: Any) -> None:
        self.screen = self.screen or Screen()
        m.runtime_faults[("display-cleared", at)] += 1
        self.screen.clear()
        m.displayed(self.name, self.screen.shown())


def _meaning_of(name: str) -> Meaning | None:
    """The same as in the C++ dialect, but that libraries of this one give a pressure in hPa."""
    meaning = meaning_of(name)
    if meaning is not None and meaning.unit == "pascal" and "pascal" not in name.lower():
        return replace(meaning, unit="hectopascal")
    return meaning


def maker(class_name: str) -> Any:
    """What makes objects of a class by the words of its library."""

    def make(m: Machine, at: At, *args: Any, **named: Any) -> Part:
        return Part(class_name, [*args, *named.values()])

    return make


def reading(name: str) -> Any:
    """A function of a library that reads a module: humidity and temperature together, as such functions give them."""
    if not _BOTH.match(name):
        return None

    def read(m: Machine, at: At, *args: Any) -> tuple[Any, Any]:
        part = Part("module", [pins.pin_named(m, args[-1], at)] if args else [])
        part.args = [_Named(part.args[0])] if part.args else []
        m.spend_us(READ_US)
        percent, celsius = (m.surroundings.measured(m, part._pins(m), quantity) for quantity in ("percent", "celsius"))
        m.activity += 1
        return (None if isnan(percent) else percent), (None if isnan(celsius) else celsius)

    return read


class _Named(Thing):
    def __init__(self, pin: str) -> None:
        self.pin = pin
