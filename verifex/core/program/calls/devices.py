"""What methods of a library's object do: ask a module, write on a display, or get ready."""

import math
from typing import Any

from verifex.core.program.calls.serial import as_printed
from verifex.core.program.devices import AXES, BUS_ADDRESSES, TAG_BYTES, Device, Meaning, Screen
from verifex.core.program.runtime.machine import Machine
from verifex.core.program.runtime.run_result import BusAddress
from verifex.core.program.tree import At
from verifex.core.program.types import Type, as_float32

CM_PER_INCH = 2.54
US_PER_CM = 58.2  # there and back, at 20 °C
READ_US, SHOW_US = 4000.0, 40.0
SEEN_US = 15_000.0
EVENT_QUANTITIES = ("celsius", "percent", "hpa", "cm")
USUAL_LARGEST_CM = 500  # of range libraries that are given none
MOST_SILENT = 20  # different places that are kept


def in_unit(value: float, unit: str) -> float:
    match unit:
        case "fahrenheit":
            return value * 1.8 + 32
        case "pascal":
            return value * 100
        case "inch":
            return value / CM_PER_INCH
        case "millimetre":
            return value * 10
        case "microsecond":
            return value * US_PER_CM
    return value


def measure(
    m: Machine, at: At, device: Device, meaning: Meaning, name: str, kinds: tuple[Type, ...], args: list[Any]
) -> float:
    """What the module on the object's pins gives now; nan when none answers."""
    m.spend_us(READ_US)
    pins = _pins_read(m, at, device)
    if not answers(m, device, at):
        return math.nan
    value = m.surroundings.measured(m, pins, meaning.quantity, in_order=True, read_as=device.kind_of_module)
    unit = meaning.unit
    if meaning.whole:
        return _in_whole_numbers(device, value, unit)
    if unit == "celsius" and args and kinds[0].__class__.__name__ == "Simple" and args[0]:
        unit = "fahrenheit"  # readTemperature(true) asks for °F
    return as_float32(in_unit(value, unit))


def _in_whole_numbers(device: Device, cm: float, unit: str) -> int:
    """What a library gives that answers in whole numbers: 0 without an echo, and beyond the largest range it was given."""
    numbers = device.numbers()
    largest_cm = numbers[2] if len(numbers) > 2 else USUAL_LARGEST_CM
    return 0 if math.isnan(cm) or cm > largest_cm else int(in_unit(cm, unit))


def _pins_read(m: Machine, at: At, device: Device) -> list[str]:
    """The pins an object was made with, noted as read; without any it asks on the bus."""
    pins = device.pins(m.numbers)
    for pin in pins:
        m.use(pin).read_at = m.use(pin).read_at or at
    if not pins:
        m.result.asked_on_bus.setdefault(device.name, at)
    return pins


def answers(m: Machine, device: Device, at: At) -> bool:
    """Whether anything on the bus has the address that an object speaks to; true where it was given none."""
    address = device.bus_address(m.numbers)
    if address is None or m.surroundings.is_on_bus(m, address):
        return True
    spoken = BusAddress(address, at)
    if spoken not in m.result.silent_addresses and len(m.result.silent_addresses) < MOST_SILENT:
        m.result.silent_addresses.append(spoken)
    return False


def fill(
    m: Machine, at: At, device: Device, meaning: Meaning, name: str, kinds: tuple[Type, ...], args: list[Any]
) -> int:
    """Puts the axes of the module into the variables given, in counts; those behind them (its turning) are still."""
    m.spend_us(READ_US)
    for position, where in enumerate(args):
        if not isinstance(where, tuple) or len(where) != 2 or not 0 <= where[1] < len(where[0]):
            continue
        value = m.surroundings.measured(m, [], AXES[position]) if position < len(AXES) else 0.0
        where[0][where[1]] = 0 if math.isnan(value) else round(value)
    return 1


def take(
    m: Machine, at: At, device: Device, meaning: Meaning, name: str, kinds: tuple[Type, ...], args: list[Any]
) -> float:
    """Takes what the module measures: into the variables that are given, and into the object's own fields. It gives the value
    of a module that measures one thing, and 0, for all is well, of one that measures more."""
    if not device.numbers() and not device.told:
        device.told = [arg for arg in args if isinstance(arg, int)]
    fill_event(m, at, device, ([device], 0))
    known = [q for q in ("celsius", "percent", "cm") if not math.isnan(device.event.get(q, math.nan))]
    places = [arg for arg in args if isinstance(arg, tuple) and len(arg) == 2 and 0 <= arg[1] < len(arg[0])]
    for (cells, index), quantity in zip(places, known, strict=False):
        cells[index] = as_float32(device.event[quantity])
    return as_float32(device.event[known[0]]) if len(known) == 1 and not places else 0.0


def take_both(
    m: Machine, at: At, device: Device, meaning: Meaning, name: str, kinds: tuple[Type, ...], args: list[Any]
) -> Device:
    """A record of all that the module measures."""
    record = Device("record", "", [])
    fill_event(m, at, device, ([record], 0))
    device.event = record.event
    return record


def say(
    m: Machine, at: At, device: Device, meaning: Meaning, name: str, kinds: tuple[Type, ...], args: list[Any]
) -> Any:
    """That all is well: there is one, it is ready, nothing is wrong."""
    return meaning.quantity if meaning.quantity == "OK" else int(meaning.quantity)


def work_out(
    m: Machine, at: At, device: Device, meaning: Meaning, name: str, kinds: tuple[Type, ...], args: list[Any]
) -> float:
    """Turns an echo time into a length, or a temperature and a humidity into the heat index or the dew point."""
    numbers = [float(arg) for arg in args if isinstance(arg, int | float)]
    if not numbers:
        return math.nan
    if "convert" in meaning.quantity or "to" in meaning.quantity:
        cm = numbers[0] / US_PER_CM
        return float(int(cm / CM_PER_INCH if "in" in meaning.quantity.removeprefix("convert") else cm))
    celsius, percent = numbers[0], numbers[1] if len(numbers) > 1 else 50.0
    if "dewpoint" in meaning.quantity:
        return as_float32(dew_point(celsius, percent))
    in_fahrenheit = len(args) < 3 or bool(args[2])
    felt = heat_index(celsius if in_fahrenheit else celsius * 1.8 + 32, percent)
    return as_float32(felt if in_fahrenheit else (felt - 32) / 1.8)


def dew_point(celsius: float, percent: float) -> float:
    """In °C, by the Magnus formula with the constants of Sonntag (1990)."""
    gamma = math.log(max(percent, 0.1) / 100) + 17.62 * celsius / (243.12 + celsius)
    return 243.12 * gamma / (17.62 - gamma)


def heat_index(fahrenheit: float, percent: float) -> float:
    """In °F: Steadman's simple formula below 80 °F, the regression of Rothfusz (1990) above."""
    simple = 0.5 * (fahrenheit + 61 + (fahrenheit - 68) * 1.2 + percent * 0.094)
    if (simple + fahrenheit) / 2 < 80:
        return simple
    t, h = fahrenheit, percent
    return (
        -42.379 + 2.04901523 * t + 10.14333127 * h - 0.22475541 * t * h - 0.00683783 * t * t - 0.05481717 * h * h
        + 0.00122874 * t * t * h + 0.00085282 * t * h * h - 0.00000199 * t * t * h * h
    )  # fmt: skip


def fill_event(m: Machine, at: At, device: Device, where: Any, only: str = "") -> int:
    """Puts what the object's module measures into the record that is pointed at, by quantity; `only` one where a part of the
    object was asked for it."""
    m.spend_us(READ_US)
    pins = _pins_read(m, at, device)
    event = where[0][where[1]] if isinstance(where, tuple) and len(where) == 2 and where[1] < len(where[0]) else None
    if not isinstance(event, Device):
        return 0
    there = answers(m, device, at)
    for quantity in (only,) if only else EVENT_QUANTITIES:
        event.event[quantity] = m.surroundings.measured(m, pins, quantity, in_order=True) if there else math.nan
    return 1


def in_event(event: Device, meaning: Meaning) -> float:
    """What a record holds of a quantity, in the unit that its field is in: pressure comes in hPa there."""
    value = event.event.get(meaning.quantity, math.nan)
    return as_float32(value if meaning.unit == "pascal" else in_unit(value, meaning.unit))


def show(
    m: Machine, at: At, device: Device, meaning: Meaning, name: str, kinds: tuple[Type, ...], args: list[Any]
) -> int:
    """Writes on the object's display."""
    screen = device.screen_of()
    m.result.screens.setdefault(device.name, (tuple(device.numbers()), at))
    if not answers(m, device, at):
        m.spend_us(SHOW_US)
        return 0
    note_leftover(m, screen)
    m.spend_us(SHOW_US)
    screen.shown_us = m.now_us
    match name:
        case "print" | "println" | "write":
            if args:
                form = int(args[1]) if len(args) > 1 else None
                text = chr(int(args[0]) & 0xFF) if name == "write" and not isinstance(args[0], str) else ""
                said = text or as_printed(kinds[0], args[0], form)
                if said[max(0, screen.columns - screen.column) :].strip():
                    m.runtime_faults[("display-cut", at)] += 1
                if screen.is_inside_other_text(at):
                    m.runtime_faults[("display-inside-text", at)] += 1
                screen.write(said, at)
        case "setCursor":
            screen.move(*(int(arg) for arg in [*args, 0, 0][:2]))
        case "clear":
            m.runtime_faults[("display-cleared", at)] += 1
            m.spend_us(1500.0)
            screen.clear()
        case "home":
            screen.move(0, 0)
    m.displayed(device.name, screen.shown())
    return 1


def note_leftover(m: Machine, screen: Screen) -> None:
    """What has stood on a display long enough to be read is looked at for the ends of older numbers."""
    if m.now_us - screen.shown_us > SEEN_US:
        for at in screen.leftovers():
            if isinstance(at, At):
                m.runtime_faults[("display-leftover", at)] += 1


def prepare(
    m: Machine, at: At, device: Device, meaning: Meaning, name: str, kinds: tuple[Type, ...], args: list[Any]
) -> int:
    """Getting ready; a display learns its size from `begin(16, 2)`, and a request waits for the conversion."""
    if name.startswith("request"):
        pins = [pin for number in device.numbers() if (pin := m.numbers.get(number))]
        m.spend_us(max(m.surroundings.conversion_us(m, pins, quantity) for quantity in ("celsius", "percent")))
    m.result.begun.add(device.name)
    if (
        name in ("begin", "init")
        and args
        and isinstance(args[0], int)
        and args[0] in BUS_ADDRESSES
        and not m.numbers.get(args[0])
    ):
        device.address = args[0]
    sizes = [int(arg) for arg in args if isinstance(arg, int)]
    if sizes and not device.numbers() and not device.told and m.numbers.get(sizes[0]):
        device.told = sizes
    if name in ("begin", "init") and len(sizes) == 2 and 8 <= sizes[0] <= 40 and 1 <= sizes[1] <= 4:
        device.screen_of().resize(*sizes)
    return int(answers(m, device, at))


def identify(
    m: Machine, at: At, device: Device, meaning: Meaning, name: str, kinds: tuple[Type, ...], args: list[Any]
) -> int:
    """Whether a tag is near the reader; reading it keeps its id."""
    m.spend_us(READ_US)
    pins = [pin for number in device.numbers() if (pin := m.numbers.get(number))]
    for pin in pins:
        m.use(pin).read_at = m.use(pin).read_at or at
    m.result.asked_on_bus.setdefault(device.name, at)
    code = tag_bytes(m.surroundings.tag(m, pins, in_order=True))
    if code and meaning.quantity == "read":
        device.tag[0] = len(code)
        device.tag[1][:] = [*code, *[0] * (TAG_BYTES - len(code))]
    return int(bool(code))


def tag_bytes(text: str) -> bytes:
    """The bytes of an id that is written in base 16."""
    return bytes.fromhex("".join(c for c in text if c in "0123456789abcdefABCDEF"))[:TAG_BYTES]
