"""Benches nobody means: every part anywhere, wires between anything. Whatever they are, they have an answer."""

from random import Random

from verifex.core.parts import catalogue

BOARDS = ["mcu-5v", "mcu-5v-compact", "mcu-3v3-wireless", "sbc-3v3"]


def absurd_bench(seed: int) -> str:
    """A bench of 1 to 14 parts and 0 to 20 wires with places drawn by chance from a few rows, rails, pins and legs."""
    rng = Random(seed)
    part_types = catalogue()
    board = part_types.boards[rng.choice(BOARDS)]
    rows = rng.choice([3, 6, 12, 30])
    pins = [f"B1.{name}" for name in board.pin_names()]

    def place() -> str:
        kind = rng.random()
        if kind < 0.65:
            return f"{rng.choice('abcdefghij')}{rng.randint(1, rows)}"
        return (
            rng.choice(["+L", "-L", "+R", "-R"])
            if kind < 0.85
            else rng.choice([*pins, "B1.GND", f"B1.{board.rail_pin}"])
        )

    lines = [f"board B1 {board.id}", f"base {rng.choice(['half', 'full', 'full-split'])}"]
    for number in range(rng.randint(1, 14)):
        kind = rng.choice(list(part_types.parts.values()))
        legs = [f"{leg}={place()}" for leg in kind.legs if rng.random() < 0.9]
        settings = {
            "resistor": f"value={rng.choice(['1', '47', '330', '10k', '1M'])}",
            "battery": f"volts={rng.choice([1.5, 5, 9, 12, 48])}",
        }
        lines.append(" ".join([f"part X{number} {kind.id}", *legs, settings.get(kind.id, "")]).strip())
    for _ in range(rng.randint(0, 20)):
        lines.append(f"wire {place()} {place()}")
    return "\n".join(lines) + "\n"
