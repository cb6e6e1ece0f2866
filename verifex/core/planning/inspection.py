"""What to look at when a kit comes back: from what happened to it on the bench, and from what its parts are."""

from collections.abc import Sequence
from dataclasses import dataclass

from verifex.core.circuit.rules.book import OVER_CURRENTS
from verifex.core.exercise import Exercise
from verifex.core.parts import Board, catalogue
from verifex.core.planning.bench_tests import test_of, test_of_board

#: Findings that may have harmed what they name, once power was on, with the words for it.
HARMFUL = {
    "supply-reversed": "its supply was reversed",
    "supply-over": "its supply was too high",
    "level-over": "a leg got more volts than it bears",
    "battery-reversed": "a battery was in the wrong way round",
    "capacitor-reversed": "it was in the wrong way round",
    "capacitor-over-volts": "it got more volts than it bears",
    "light-over-current": "it got too much current",
    "led-no-series-resistor": "it had no series resistor",
    "transistor-over-current": "it carried too much current",
    "base-without-resistor": "its base had no resistor",
    "coil-without-diode": "a coil was switched without its diode",
    "coil-diode-reversed": "the diode of its coil was the wrong way round",
    "resistor-over-watts": "it got hotter than it may",
    "regulator-hot": "it got hotter than it may",
    "output-tied-to-supply": "an output was tied to the supply",
    "output-tied-to-ground": "an output was tied to ground",
    "outputs-tied-together": "two outputs drove against each other",
    "heavy-load-on-pin": "a heavy load hung on a pin",
    **dict.fromkeys(OVER_CURRENTS, "too much current flowed"),
}
OF_PINS = (
    "pin-over-current",
    "output-tied-to-supply",
    "output-tied-to-ground",
    "outputs-tied-together",
    "heavy-load-on-pin",
)
RESETS = {
    "trimmer": "Turn the trimmer back to its mark, gently; its end stops are weak.",
    "jumper": "Put the jumper back to where the recipe has it.",
}


@dataclass(frozen=True, slots=True)
class Happened:
    """A finding on a wiring that was handed in: its rule and parts, and whether power was on with it; `said` is when and where."""

    rule: str
    parts: tuple[str, ...]
    powered: bool
    said: str = ""
    pin: str = ""


@dataclass(frozen=True, slots=True)
class Look:
    """One line of the list: what it is about, why, how to test it, and what says that it is well. `must` is a test that stands before
    the kit goes out again; the others are looks."""

    ref: str
    title: str
    because: str
    how: str
    well: str
    must: bool


def inspection_list(exercise: Exercise, board: Board, happened: Sequence[Happened]) -> list[Look]:
    """What must be tested first, then what to reset, cool and dry. Each part is reported once, by the worst that happened to it."""
    recipe = {part.ref: part for part in exercise.recipe}
    kinds = catalogue().parts
    found: dict[str, Look] = {}
    for one in sorted(happened, key=lambda h: not h.powered):
        if one.rule not in HARMFUL or not one.powered:
            continue
        because = f"{HARMFUL[one.rule]}{f' {one.said}' if one.said else ''}"
        for ref in one.parts:
            part = recipe.get(ref)
            if part is None or ref in found or part.part not in kinds:
                continue
            test = test_of(kinds[part.part], dict(part.settings), board)
            found[ref] = Look(ref, part.title or kinds[part.part].title, because, test.how, test.well, True)
        if one.rule in OF_PINS and one.pin and f"pin {one.pin}" not in found:
            test = test_of_board(board, one.pin)
            found[f"pin {one.pin}"] = Look(
                f"pin {one.pin}", f"pin {one.pin} of the board", because, test.how, test.well, True
            )
    return [*found.values(), *_resets(exercise)]


def _resets(exercise: Exercise) -> list[Look]:
    looks = []
    for part in exercise.recipe:
        kind = catalogue().parts.get(part.part)
        if kind is None:
            continue
        title = part.title or kind.title
        for setting, act in RESETS.items():
            if setting in kind.settings or (setting == "trimmer" and "trip" in kind.settings):
                looks.append(Look(part.ref, title, "it may have been turned", act, "", False))
        if kind.heavy and kind.timing.warm_up_seconds[1]:
            looks.append(
                Look(part.ref, title, "it is hot in use", "Let it cool before it is packed.", "hand-warm", False)
            )
        if kind.corrodes_when_fed:
            looks.append(
                Look(
                    part.ref,
                    title,
                    "it was wet",
                    "Rinse it with clean water, dry it, look for dark tracks.",
                    "dry, tracks bright",
                    False,
                )
            )
    return looks
