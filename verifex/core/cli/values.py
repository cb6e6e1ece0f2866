"""Values measured and handed out, as options say them."""

import re
from argparse import Namespace
from collections.abc import Iterator

from verifex.core.circuit import HandedOut
from verifex.core.cli.unusable import CannotUse
from verifex.core.expected import Measured
from verifex.core.expected.measured import INTERNAL, OUTSIDE, RAIL
from verifex.core.parts import catalogue
from verifex.core.quantity import parse_quantity

#: A part, or one of its figures: what was measured of it.
_MEASURABLE = re.compile(r"[A-Z]+[0-9]+(\.[a-z0-9]+)?$")
_REFERENCES = {"vref": RAIL, "internal": INTERNAL, "aref": OUTSIDE}


def measured_of(arguments: Namespace) -> Measured:
    """Raises CannotUse for a value that is none."""
    values: dict[str, float] = {}
    for name, value in _pairs(arguments.measured, "--measured", "vref=4.87"):
        if name not in _REFERENCES and not _MEASURABLE.match(name):
            raise CannotUse(
                f"--measured:1:1: '{name}' is not measured here; vref, internal, aref, a resistor (R1) or a figure of a sensor "
                "(U1.r10) was expected"
            )
        values[_REFERENCES.get(name, name)] = value
    measured = Measured.named(values)
    measured.stimulus.update(_stimuli(arguments))
    return measured


def _stimuli(arguments: Namespace) -> dict[str, float]:
    """`--step "Room air=22.4"` as numbers by step. Raises CannotUse for what is none."""
    found: dict[str, float] = {}
    for text in arguments.step or []:
        name, _, value = text.rpartition("=")
        try:
            found[name] = parse_quantity(value, "none")
        except ValueError:
            raise CannotUse(f"--step:1:1: '{text}' is no value of a step; \"Room air=22.4\" was expected") from None
    return found


def handed_out_of(arguments: Namespace) -> HandedOut:
    """Raises CannotUse for a leg order or a value that is none."""
    orders: dict[str, str] = {}
    for text in arguments.legs or []:
        part, _, order = text.partition("=")
        kind = catalogue().parts.get(part)
        if kind is None or sorted(order.split("-")) != sorted(kind.legs):
            legs = f"each of {', '.join(kind.legs)} once" if kind else "a part's id"
            raise CannotUse(f"--legs:1:1: '{text}' is no leg order; {legs} was expected")
        orders[part] = order
    return HandedOut(orders, given_ohms=dict(_pairs(arguments.given, "--given", "R1=390")))


def _pairs(texts: list[str] | None, option: str, example: str) -> Iterator[tuple[str, float]]:
    """`NAME=VALUE` as names and numbers. Raises CannotUse for a value that is none."""
    for text in texts or []:
        name, _, value = text.partition("=")
        try:
            yield name, parse_quantity(value, "none")
        except ValueError:
            what = "measured value" if option == "--measured" else "value"
            raise CannotUse(f"{option}:1:1: '{text}' is no {what}; {example} was expected") from None
