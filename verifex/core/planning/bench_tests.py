"""How a part is tested in half a minute, and what reading says that it is well: worked out from the catalogue's own figures."""

from dataclasses import dataclass

import numpy as np

from verifex.core.parts import OUTPUT_ROLES, Board, PartType
from verifex.core.parts.outputs import Output
from verifex.core.quantity import in_words, parse_quantity

ROOM = {
    "celsius": (18.0, 26.0),
    "percent": (25.0, 75.0),
    "lux": (200.0, 500.0),
    "hpa": (950.0, 1050.0),
}  # usual in a lab
WALL_CM = 20.0
RESISTOR_FIVE_PERCENT = 5.0


@dataclass(frozen=True, slots=True)
class BenchTest:
    """`how` to test, and what says that the part is `well`."""

    how: str
    well: str


def test_of_board(board: Board, pin: str) -> BenchTest:
    """One pin of a board after too much current, or after it was driven against something."""
    half = board.rail_volts / 2
    return BenchTest(
        f"Write {pin} high, then low, and measure it to GND each time with nothing else on it.",
        f"high: above {board.rail_volts - 0.3:.1f} V; low: below 0.2 V; anything near {half:.1f} V is a dead pin",
    )


def test_of(part: PartType, settings: dict[str, str], board: Board) -> BenchTest:
    """The test of one part; a look where nothing can be measured in half a minute."""
    if part.diode is not None:
        low, _, high = part.diode.forward_volts.get(
            settings.get("colour", ""), next(iter(part.diode.forward_volts.values()))
        )
        lights = " and a faint glow" if part.model in ("led", "led-three") else ""
        return BenchTest(
            "Meter on its diode range, red to the anode.", f"{low:.1f} to {high:.1f} V{lights}; turned round: nothing"
        )
    if part.model == "resistor":
        return _of_a_resistor(settings)
    if part.transistor is not None:
        return BenchTest(
            "Meter on its diode range, red to the base.", "0.6 to 0.8 V to emitter and collector; turned round: nothing"
        )
    if part.load is not None:
        works = "sounds" if "sounder" in part.title or "buzzer" in part.title else "works"
        return BenchTest(
            f"Feed it {part.load.at_volts:g} V for a second, at arm’s length.",
            f"it {works}, and draws about {part.load.amps * 1000:.0f} mA",
        )
    if part.output is not None:
        return _of_a_sensor(part, part.output, board)
    return BenchTest("Look at it closely: legs, glue, smell, colour.", "nothing is bent, loose or brown")


def _of_a_resistor(settings: dict[str, str]) -> BenchTest:

    try:
        ohms = parse_quantity(settings.get("value", ""), "ohm")
    except ValueError:
        return BenchTest("Measure its ohms out of the circuit.", "what its bands say")
    try:
        percent = float(settings.get("tolerance", "") or RESISTOR_FIVE_PERCENT)
    except ValueError:
        percent = RESISTOR_FIVE_PERCENT
    low, high = ohms * (1 - percent / 100), ohms * (1 + percent / 100)
    return BenchTest("Measure its ohms out of the circuit.", f"{in_words(low, 'Ω')} to {in_words(high, 'Ω')}")


def _of_a_sensor(part: PartType, output: Output, board: Board) -> BenchTest:
    feed = f"Feed it {_feed_volts(part, board):g} V" if part.supply_leg else "Lay it on a breadboard"
    leg = next(iter(part.legs_with(*OUTPUT_ROLES)), "out")
    low, high = ROOM.get(output.quantity, (output.rest, output.rest))
    match output.carries:
        case "volts":
            ends = sorted(float(output.state(np.asarray(at), {}, {})) for at in (low, high))
            return BenchTest(
                f"{feed} and measure {leg} to GND at room air.", f"{ends[0]:.2f} to {ends[1]:.2f} V; it must stay cool"
            )
        case "share":
            ends = sorted(float(output.state(np.asarray(at), {}, {})) * _feed_volts(part, board) for at in (low, high))
            return BenchTest(f"{feed} and measure {leg} to GND.", f"{ends[0]:.1f} to {ends[1]:.1f} V as it lies there")
        case "ohms":
            ends = sorted(float(output.state(np.asarray(at), {}, {})) for at in (low, high))
            return BenchTest(
                "Measure its ohms in the light of the room, then covered.",
                f"{in_words(ends[0], 'Ω')} to {in_words(ends[1], 'Ω')}; covered many times more",
            )
        case "level":
            return BenchTest(
                f"{feed}, and let it see what it watches for, then nothing.",
                f"{leg} changes between 0 V and its supply",
            )
        case "pulse":
            return BenchTest(
                f"{feed} with a bench’s program, {WALL_CM:g} cm before a wall.",
                f"{WALL_CM - 1:g} to {WALL_CM + 1:g} cm, steady",
            )
    return BenchTest(f"{feed} with a bench’s program, in room air.", "it answers, with what the room has")


def _feed_volts(part: PartType, board: Board) -> float:
    """The board's supply where the part lives on it, else the middle of its window."""
    window = part.supply
    if window is None or window.low_volts <= board.rail_volts <= window.high_volts:
        return board.rail_volts
    return round((window.low_volts + window.high_volts) / 2, 1)
