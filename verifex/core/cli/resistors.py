"""`verifex resistor …`: bands both ways, preferred values, and the bench sums."""

from argparse import ArgumentParser, Namespace
from typing import Any

from verifex.core.cli.output import print_json
from verifex.core.cli.unusable import CannotUse
from verifex.core.quantity import in_words, parse_quantity
from verifex.core.resistors.lookup import look_up_bands, look_up_value
from verifex.core.sums import ALL_SUMS, OF_READINGS, OF_RESISTORS, Answer, Sum


def add_commands(commands: Any) -> None:
    resistor = commands.add_parser("resistor", help="bands, preferred values, bench sums").add_subparsers(
        dest="what", required=True
    )
    bands = resistor.add_parser("bands", help="what bands say, and whether a meter agrees")
    bands.add_argument("colours", nargs="+")
    bands.add_argument("--measured", metavar="OHMS")
    _finish(bands, show_bands)
    value = resistor.add_parser("value", help="the bands and preferred neighbours of a value")
    value.add_argument("value")
    value.add_argument("--series", default="E12")
    value.add_argument("--tolerance", type=float, default=5.0)
    _finish(value, show_value)
    for sum_ in OF_RESISTORS.values():
        _add_sum(resistor, sum_)
    sums = commands.add_parser("sum", help="bench sums about readings").add_subparsers(dest="what", required=True)
    for sum_ in OF_READINGS.values():
        _add_sum(sums, sum_)


def _add_sum(commands: Any, sum_: Sum) -> None:
    parser = commands.add_parser(sum_.name, help=f"{sum_.title}: {sum_.formula}".replace("%", "%%"))
    for field in sum_.fields:
        parser.add_argument(f"--{field.name}", metavar=field.default or "…", help=field.label)
    parser.set_defaults(sum=sum_.name)
    _finish(parser, show_sum)


def _finish(parser: ArgumentParser, act: Any) -> None:
    parser.add_argument("--json", action="store_true")
    parser.set_defaults(act=act)


def show_bands(arguments: Namespace) -> int:
    names = [c for text in arguments.colours for c in text.split("-")]
    try:
        measured = parse_quantity(arguments.measured, "ohm") if arguments.measured else None
        found = look_up_bands(names, measured)
    except ValueError as wrong:
        raise CannotUse(f"bands:1:1: {wrong}") from None
    if arguments.json:
        print_json(found.as_json())
        return 0
    low, high = found.reading.limits_ohms
    print(
        f"{in_words(found.reading.ohms, 'Ω')} ± {found.reading.tolerance_percent:g} %"
        f"  ({in_words(low, 'Ω', 4)} … {in_words(high, 'Ω', 4)})"
    )
    if found.doubt:
        print(f"Read from the other end? {found.doubt}.")
    if measured is not None:
        print(f"{in_words(measured, 'Ω')} measured: " + ("it fits." if found.measured_fits else "it does not fit."))
    for other in found.others:
        print(f"  perhaps {'-'.join(other.colours)}: {in_words(other.ohms, 'Ω')}")
    return 0


def show_value(arguments: Namespace) -> int:
    try:
        found = look_up_value(parse_quantity(arguments.value, "ohm"), arguments.series, arguments.tolerance)
    except ValueError as wrong:
        raise CannotUse(f"value:1:1: {wrong}") from None
    if arguments.json:
        print_json(found.as_json())
    else:
        words = (("down", found.down_ohms), ("nearest", found.nearest_ohms), ("up", found.up_ohms))
        around = ", ".join(f"{word} {in_words(v, 'Ω')}" for word, v in words)
        print(f"{in_words(found.ohms, 'Ω')} in {found.series}: {around}; nearest has {' '.join(found.bands)}")
    return 0


def show_sum(arguments: Namespace) -> int:
    sum_ = ALL_SUMS[arguments.sum]
    given = {f.name: str(v) for f in sum_.fields if (v := getattr(arguments, f.name.replace("-", "_"))) is not None}
    if sum_.name == "led" and given.get("ma", "").replace(".", "", 1).isdigit():
        given["ma"] += "mA"  # `--ma 10` names its unit already
    try:
        answer = sum_.answer(given)
    except ValueError as wrong:
        raise CannotUse(f"{sum_.name}:1:1: {wrong}") from None
    if arguments.json:
        print_json(_as_json(answer) | {"formula": sum_.formula})
        return 0
    print(sum_.formula)
    for row in answer.rows:
        print(f"  {row.as_json()['said']:>12}  {row.label}")
    for note in answer.notes:
        print(f"  {note}")
    return 0


def _as_json(answer: Answer) -> dict[str, Any]:
    """Each row under its own name; values in ohms, volts, amps, watts and seconds."""
    suffix = {"Ω": "_ohms"}
    return {
        (row.name if row.name.endswith("_ohms") else row.name + suffix.get(row.unit, "")): row.value
        for row in answer.rows
    } | {"notes": answer.notes}
