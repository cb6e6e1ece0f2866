"""What the commands that judge have in common: values measured and handed out, as options, and the case they make."""

import re
from argparse import ArgumentParser, Namespace
from collections.abc import Iterator
from pathlib import Path
from typing import Any

from verifex.core.assess import Case
from verifex.core.circuit import HandedOut
from verifex.core.cli.files import text_of
from verifex.core.cli.unusable import CannotUse
from verifex.core.exercise import Exercise
from verifex.core.expected import Measured
from verifex.core.expected.measured import INTERNAL, OUTSIDE, RAIL
from verifex.core.parts import catalogue
from verifex.core.problems import UnusableInput
from verifex.core.quantity import parse_quantity
from verifex.core.readings import read_log
from verifex.core.readings.honesty import OtherLog

#: A part, or one of its figures: what was measured of it.
_MEASURABLE = re.compile(r"[A-Z]+[0-9]+(\.[a-z0-9]+)?$")
_REFERENCES = {"vref": RAIL, "internal": INTERNAL, "aref": OUTSIDE}


def takes_bench_values(parser: ArgumentParser) -> None:
    """Options for what was measured on the bench and what the hatch handed out."""
    parser.add_argument("--measured", nargs="*", metavar="vref=4.87", help="also internal, aref, R1=9.87k, U1.r10=11k")
    parser.add_argument(
        "--step", action="append", metavar='"Room air=22.4"', help="the value really measured at a step"
    )
    parser.add_argument("--given", nargs="*", metavar="R1=390", help="resistors the hatch gave instead of the recipe's")
    parser.add_argument(
        "--legs", nargs="*", metavar="thermo-offset=ground-out-supply", help="leg orders of the batch handed out"
    )


def case_of(arguments: Namespace, exercise: Exercise, **hand_ins: Any) -> Case:
    """The case of a command's options and hand-ins. Raises CannotUse for a value that is none."""
    return Case(exercise, measured=_measured(arguments), handed_out=_handed_out(arguments), **hand_ins)


def other_logs(folder: str, exercise: Exercise, but: str) -> Iterator[OtherLog]:
    """The logs in a folder, by file name; what is no log is passed over, and so is the one that is judged."""
    path = Path(folder)
    if not path.is_dir():
        raise CannotUse(f"{folder}:1:1: there is no such folder")
    for file in sorted(p for p in path.iterdir() if p.is_file() and p.resolve() != Path(but).resolve()):
        try:
            log = read_log(text_of(str(file)), exercise)
        except (UnusableInput, CannotUse):
            continue
        yield OtherLog.of(file.name, [value for step in log.steps for value in step.values])


def _measured(arguments: Namespace) -> Measured:
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


def _handed_out(arguments: Namespace) -> HandedOut:
    orders: dict[str, str] = {}
    for text in arguments.legs or []:
        part, _, order = text.partition("=")
        kind = catalogue().parts.get(part)
        if kind is None or sorted(order.split("-")) != sorted(kind.legs):
            legs = f"each of {', '.join(kind.legs)} once" if kind else "a part's id"
            raise CannotUse(f"--legs:1:1: '{text}' is no leg order; {legs} was expected")
        orders[part] = order
    return HandedOut(orders, dict(_pairs(arguments.given, "--given", "R1=390")))


def _pairs(texts: list[str] | None, option: str, example: str) -> Iterator[tuple[str, float]]:
    """`NAME=VALUE` as names and numbers. Raises CannotUse for a value that is none."""
    for text in texts or []:
        name, _, value = text.partition("=")
        try:
            yield name, parse_quantity(value, "none")
        except ValueError:
            what = "measured value" if option == "--measured" else "value"
            raise CannotUse(f"{option}:1:1: '{text}' is no {what}; {example} was expected") from None
