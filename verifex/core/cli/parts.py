"""`verifex parts`, `verifex rules`, `verifex resistor …`, `verifex exercise …`."""

from argparse import ArgumentParser, Namespace
from typing import Any

from verifex.core.cli.files import CannotUse, exercise_of, print_json
from verifex.core.exercise import exercise_json_schema
from verifex.core.parts import PartType, catalogue
from verifex.core.parts.figures import Frozen
from verifex.core.quantity import in_words, parse_quantity
from verifex.core.resistors.bands import bands_for, read_bands
from verifex.core.resistors.series import neighbours
from verifex.core.resistors.sums import divider, led_series


def add_commands(commands: Any) -> None:
    parts = commands.add_parser("parts", help="the catalogue: legs, limits, models, sources")
    parts.add_argument("id", nargs="?")
    _finish(parts, show_parts)

    rules = commands.add_parser("rules", help="every rule, as the page docs/rules.md shows them")
    _finish(rules, show_rules)

    exercise = commands.add_parser("exercise", help="check an exercise file, or print its schema").add_subparsers(
        dest="what", required=True
    )
    check = exercise.add_parser("check")
    check.add_argument("file")
    _finish(check, check_exercise)
    _finish(exercise.add_parser("schema"), show_schema)

    resistor = commands.add_parser("resistor", help="bands, preferred values, LED series, divider").add_subparsers(
        dest="what", required=True
    )
    bands = resistor.add_parser("bands", help="what bands say")
    bands.add_argument("colours", nargs="+")
    _finish(bands, show_bands)
    value = resistor.add_parser("value", help="the bands and preferred neighbours of a value")
    value.add_argument("value")
    value.add_argument("--series", default="E12")
    _finish(value, show_value)
    led = resistor.add_parser("led", help="the series resistor of a light")
    for name in ("supply", "vf", "ma"):
        led.add_argument(f"--{name}", type=float, required=True)
    _finish(led, show_led)
    div = resistor.add_parser("divider", help="the output of a divider")
    for name, needed in (("supply", True), ("upper", True), ("lower", True), ("load", False)):
        div.add_argument(f"--{name}", required=needed)
    _finish(div, show_divider)


def _finish(parser: ArgumentParser, act: Any) -> None:
    parser.add_argument("--json", action="store_true")
    parser.set_defaults(act=act)


def show_parts(arguments: Namespace) -> int:
    shelf = catalogue()
    everything = {**shelf.boards, **shelf.parts}
    if arguments.id and arguments.id not in everything:
        near = shelf.near(arguments.id)
        raise CannotUse(
            f"parts:1:1: no part is called '{arguments.id}'" + (f"; did you mean {' or '.join(near)}?" if near else "")
        )
    chosen = {arguments.id: everything[arguments.id]} if arguments.id else everything
    if arguments.json:
        print_json({key: _as_json(part) for key, part in chosen.items()})
        return 0
    for key, part in chosen.items():
        legs = " ".join(getattr(part, "legs", ()))
        print(f"{key:20} {getattr(part, 'title', '')}" + (f"   legs: {legs}" if legs else ""))
        for caution in getattr(part, "cautions", ()):
            print(f"{'':20} Caution: {caution}")
    return 0


def _as_json(entry: Frozen) -> dict[str, Any]:
    """A catalogue entry; a part's legs are a list in its own order, their figures beside it."""
    out: dict[str, Any] = entry.model_dump(mode="json", exclude_none=True, exclude_defaults=True)
    if isinstance(entry, PartType):
        out |= {"legs": list(entry.legs), "leg_figures": out["legs"], "source": entry.source}
    return out


def show_rules(arguments: Namespace) -> int:
    from verifex.core.cli.rule_pages import all_books, rules_page

    if arguments.json:
        print_json(
            [
                {
                    "book": b.title,
                    "rule": r.slug,
                    "severity": r.severity.value,
                    "title": r.title,
                    "source": r.source,
                }
                for b in all_books()
                for r in b.rules.values()
            ]
        )
    else:
        print(rules_page(), end="")
    return 0


def check_exercise(arguments: Namespace) -> int:
    exercise = exercise_of(arguments.file)
    assert exercise is not None
    clear = exercise.is_clear_of_thresholds()
    if arguments.json:
        print_json({"id": exercise.id, "title": exercise.title, "total": str(exercise.total), "releasable": clear})
    else:
        print(f"{exercise.title}: {len(exercise.steps)} steps, {exercise.total} marks, {exercise.minutes} min.")
        if not clear:
            print("It cannot be released: the plan has no step clear of a threshold on each side.")
    return 0 if clear else 1


def show_schema(arguments: Namespace) -> int:
    print_json(exercise_json_schema())
    return 0


def show_bands(arguments: Namespace) -> int:
    try:
        reading = read_bands([c for text in arguments.colours for c in text.split("-")])
    except ValueError as wrong:
        raise CannotUse(f"bands:1:1: {wrong}") from None
    low, high = reading.limits_ohms
    if arguments.json:
        print_json(
            {
                "ohms": reading.ohms,
                "tolerance_percent": reading.tolerance_percent,
                "low_ohms": low,
                "high_ohms": high,
                "ppm_per_kelvin": reading.ppm_per_kelvin,
            }
        )
    else:
        print(
            f"{in_words(reading.ohms, 'Ω')} ± {reading.tolerance_percent:g} %  ({in_words(low, 'Ω', 4)} … {in_words(high, 'Ω', 4)})"
        )
    return 0


def show_value(arguments: Namespace) -> int:
    try:
        ohms = parse_quantity(arguments.value, "ohm")
        down, nearest, up = neighbours(ohms, arguments.series)
    except ValueError as wrong:
        raise CannotUse(f"value:1:1: {wrong}") from None
    bands = bands_for(nearest, 5.0, 2 if arguments.series in ("E3", "E6", "E12", "E24") else 3)
    if arguments.json:
        print_json(
            {
                "ohms": ohms,
                "series": arguments.series,
                "down": down,
                "nearest": nearest,
                "up": up,
                "bands": list(bands),
            }
        )
    else:
        around = ", ".join(
            f"{word} {in_words(v, 'Ω')}" for word, v in (("down", down), ("nearest", nearest), ("up", up))
        )
        print(f"{in_words(ohms, 'Ω')} in {arguments.series}: {around}; nearest has {' '.join(bands)}")
    return 0


def show_led(arguments: Namespace) -> int:
    try:
        led = led_series(arguments.supply, arguments.vf, arguments.ma / 1000)
    except ValueError as wrong:
        raise CannotUse(f"led:1:1: {wrong}") from None
    if arguments.json:
        print_json(
            {
                "exact_ohms": led.exact_ohms,
                "preferred_ohms": led.preferred_ohms,
                "amps": led.amps,
                "watts": led.watts,
                "formula": led.formula,
            }
        )
    else:
        print(
            f"{led.formula} = {in_words(led.exact_ohms, 'Ω')}; take {in_words(led.preferred_ohms, 'Ω')}: {in_words(led.amps, 'A')}, {in_words(led.watts, 'W')}"
        )
    return 0


def show_divider(arguments: Namespace) -> int:
    try:
        supply = parse_quantity(arguments.supply, "volt")
        upper, lower = parse_quantity(arguments.upper), parse_quantity(arguments.lower)
        result = divider(supply, upper, lower, parse_quantity(arguments.load) if arguments.load else None)
    except ValueError as wrong:
        raise CannotUse(f"divider:1:1: {wrong}") from None
    if arguments.json:
        print_json(
            {
                "volts": result.volts,
                "loaded_volts": result.loaded_volts,
                "source_ohms": result.source_ohms,
                "amps": result.amps,
                "formula": result.formula,
            }
        )
    else:
        print(
            f"{result.formula} = {in_words(result.volts, 'V')}; loaded {in_words(result.loaded_volts, 'V')}; source {in_words(result.source_ohms, 'Ω')}"
        )
    return 0
