"""`verifex expected` and `verifex threshold`."""

from argparse import Namespace

from verifex.core.cli.files import bench_text, the_exercise
from verifex.core.cli.output import print_json
from verifex.core.cli.unusable import CannotUse
from verifex.core.cli.values import handed_out_of, measured_of
from verifex.core.exercise import Exercise
from verifex.core.expected import Sheet, expected_sheet, sheet_json
from verifex.core.expected.thresholds import suggest_threshold


def show_expected(arguments: Namespace) -> int:
    exercise = the_exercise(arguments.exercise)
    wiring = bench_text(arguments.wiring) if arguments.wiring else None
    if arguments.board and arguments.board not in exercise.boards:
        raise CannotUse(f"--board:1:1: it suits {', '.join(exercise.boards)}, not '{arguments.board}'")
    variant = next((v for v in exercise.variants if v.id == arguments.variant), None)
    if arguments.variant and variant is None:
        raise CannotUse(
            f"--variant:1:1: {', '.join(v.id for v in exercise.variants)} was expected, not '{arguments.variant}'"
        )
    sheet = expected_sheet(
        exercise,
        wiring,
        measured=measured_of(arguments),
        handed_out=handed_out_of(arguments),
        board=arguments.board,
        variant=variant,
    )
    if arguments.json:
        print_json(sheet_json(sheet))
    else:
        _print_sheet(exercise, sheet)
    return 1 if sheet.reason else 0


def _print_sheet(exercise: Exercise, sheet: Sheet) -> None:
    if sheet.reason:
        print(sheet.reason)
        return
    print(f"{exercise.title}, {sheet.variant.title if sheet.variant else ''}")
    for step in sheet.steps:
        states = ", ".join(f"{ref} {state}" for ref, state in step.indicators.items())
        for index, r in enumerate(step.readings):
            volts = f"{r.volts.nominal:6.3f} V" if r.volts else " " * 8
            raw = f"{r.raw_unit} {r.raw[1]:g} ({r.raw[0]:g}–{r.raw[2]:g})" if r.raw_unit in ("count", "µs") else ""
            limits = (
                f"({r.value.low:.{r.decimals}f} … {r.value.high:.{r.decimals}f})" if r.value.low < r.value.high else ""
            )
            print(
                f"{step.name if index == 0 else '':28} {volts}   {raw:22} {r.printed:>12} {limits:18} {states if index == 0 else ''}".rstrip()
            )
    for note in sheet.notes:
        print(note)


def show_threshold(arguments: Namespace) -> int:
    found = suggest_threshold(arguments.off, arguments.on)
    if arguments.json:
        print_json(found.as_json())
    elif found.threshold is None:
        print(found.reason)
    else:
        print(f"Threshold {found.threshold:g}: on at {found.on_at:g}, off again at {found.off_at:g}.")
        print(f"Either reading is {found.margin:.1f} times its noise ({found.noise:g}) away from where it switches.")
    return 0 if found.threshold is not None else 1
