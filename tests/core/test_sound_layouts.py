"""Generated layouts: electrically right ones raise no Stop or Fix; one thing changed is found with the right part."""

from collections.abc import Callable
from random import Random
from unittest import TestCase

from hypothesis import given
from hypothesis import strategies as st

from tests.samples import EXERCISE
from verifex.core.circuit import check_wiring
from verifex.core.findings import Finding, Severity, will_not_do

LEFT, RIGHT = "abcde", "fghij"


class Layout:
    """A sound bench drawn by chance: sides, rows, pins, rails, order of statements, equivalent values."""

    def __init__(self, seed: int) -> None:
        rng = self.rng = Random(seed)
        self.rails = rng.choice(["L", "R"])
        rows = self._rows([3, 5 if rng.random() < 0.5 else 6, 4])
        self.sensor, self.light, self.sounder = rows
        self.side = {name: rng.choice([LEFT, RIGHT]) for name in ("sensor", "light", "sounder")}
        pins = rng.sample([f"D{n}" for n in range(2, 14)], 2)
        self.pins = {"analogue": f"A{rng.randrange(6)}", "light": pins[0], "sounder": pins[1]}
        self.ohms = rng.choice(["220", "270", "330", "390", "470", "680", "1k"])
        self.resistor_first = rng.random() < 0.5
        self.supply = rng.choice(["5V", "3V3"])
        self.lines = self._lines()

    def _rows(self, heights: list[int]) -> list[int]:
        """First rows of three blocks that do not touch."""
        slack = 30 - sum(heights) - 3
        cuts = sorted(self.rng.randrange(slack + 1) for _ in heights)
        starts, used = [], 0
        for cut, height in zip(cuts, heights, strict=True):
            starts.append(1 + cut + used)
            used += height + 1
        return starts

    def _hole(self, block: str, row: int, used: set[str]) -> str:
        free = [f"{letter}{row}" for letter in self.side[block] if f"{letter}{row}" not in used]
        hole = self.rng.choice(free)
        used.add(hole)
        return hole

    def _lines(self) -> dict[str, str]:
        used: set[str] = set()
        s, light, b, plus, minus = self.sensor, self.light, self.sounder, f"+{self.rails}", f"-{self.rails}"

        def hole(block: str, row: int) -> str:
            return self._hole(block, row, used)

        top, middle, bottom = light, light + 2, light + 4
        first, second = ("resistor", "led") if self.resistor_first else ("led", "resistor")
        ends = {
            "first": (hole("light", top), hole("light", middle)),
            "second": (hole("light", middle), hole("light", bottom)),
        }
        where = {first: ends["first"], second: ends["second"]}
        lines = {
            "board": "board B1 mcu-5v",
            "base": "base half",
            "U1": f"part U1 thermo-offset {hole('sensor', s)} {hole('sensor', s + 1)} {hole('sensor', s + 2)}",
            "R1": f"part R1 resistor {where['resistor'][0]} {where['resistor'][1]} value={self.ohms}",
            "D1": f"part D1 led anode={where['led'][0]} cathode={where['led'][1]} colour=red",
            "BZ1": f"part BZ1 buzzer plus={hole('sounder', b)} minus={hole('sounder', b + 2)}",
            "feed": f"wire B1.5V {plus} red",
            "return": f"wire B1.GND {minus} black",
            "supply": f"wire {plus if self.supply == '5V' else 'B1.3V3'} {hole('sensor', s)}",
            "signal": f"wire B1.{self.pins['analogue']} {hole('sensor', s + 1)} yellow",
            "ground": f"wire {minus} {hole('sensor', s + 2)} black",
            "light": f"wire B1.{self.pins['light']} {hole('light', top)} green",
            "light-return": f"wire {minus} {hole('light', bottom)} black",
            "sound": f"wire B1.{self.pins['sounder']} {hole('sounder', b)} blue",
            "sound-return": f"wire {minus} {hole('sounder', b + 2)} black",
        }
        return lines

    def text(self, **changed: str | None) -> str:
        """The bench with some lines changed, or left out (None)."""
        lines = [changed.get(name, line) for name, line in self.lines.items()]
        kept = [line for line in lines if line is not None]
        self.rng.shuffle(kept)
        return "\n".join(kept)


def check(text: str) -> list[Finding]:
    return check_wiring(text, exercise=EXERCISE).findings


def ends(line: str) -> tuple[str, str]:
    """The two places of a wire's line."""
    _, one, other, *_ = line.split()
    return one, other


def swap_supply(lay: Layout) -> str:
    plus, minus = ends(lay.lines["supply"]), ends(lay.lines["ground"])
    return lay.text(supply=f"wire {plus[0]} {minus[1]}", ground=f"wire {minus[0]} {plus[1]}")


def turn_light(lay: Layout) -> str:
    line = lay.lines["D1"].replace("anode", "x").replace("cathode", "anode").replace("x=", "cathode=")
    return lay.text(D1=line)


def short_supply(lay: Layout) -> str:
    return lay.text(feed=f"wire B1.5V -{lay.rails}")


def no_resistor(lay: Layout) -> str:
    _, _, _, one, other, _ = lay.lines["R1"].split()
    return lay.text(R1=f"wire {one} {other}")


MUTATIONS: dict[str, tuple[Callable[[Layout], str], set[str], Severity, str]] = {
    "supply legs exchanged": (swap_supply, {"supply-reversed"}, Severity.STOP, "U1"),
    "plus rail on ground": (short_supply, {"rail-never-fed", "supply-missing", "supply-shorted"}, Severity.STOP, "U1"),
    "light without resistor": (no_resistor, {"led-no-series-resistor"}, Severity.STOP, "D1"),
    "light turned": (turn_light, {"light-reversed"}, Severity.FIX, "D1"),
    "signal lead left out": (lambda lay: lay.text(signal=None), {"dangling-lead", "output-unconnected"}, Severity.FIX, "U1"),
    "signal on a digital pin": (lambda lay: lay.text(signal=lay.lines["signal"].replace(lay.pins["analogue"], "D0").replace("D0", "D1")), {"output-on-digital-pin"}, Severity.FIX, "U1"),
    "ground lead left out": (lambda lay: lay.text(ground=None), {"dangling-lead", "ground-missing"}, Severity.FIX, "U1"),
    "minus rail not fed": (lambda lay: lay.text(**{"return": None}), {"rail-never-fed"}, Severity.FIX, "BZ1"),
    "resistor of another decade": (lambda lay: lay.text(R1=lay.lines["R1"].replace(f"value={lay.ohms}", "value=47k")), {"light-too-dim"}, Severity.CHECK, "D1"),
}  # fmt: skip


class SoundLayoutTest(TestCase):
    @given(st.integers(0, 10**9))
    def test_no_false_alarm_on_a_sound_layout(self, seed: int):
        text = Layout(seed).text()
        found = check(text)
        self.assertFalse(will_not_do(found), f"{[f.seen for f in found]}\n{text}")

    @given(st.integers(0, 10**9), st.sampled_from(sorted(MUTATIONS)))
    def test_one_mutation_is_found_with_its_part(self, seed: int, name: str):
        mutate, rules, severity, part = MUTATIONS[name]
        text = mutate(Layout(seed))
        hits = [f for f in check(text) if f.rule in rules and part in f.where.parts]
        if name == "plus rail on ground":  # a supply pin on the ground rail: a Stop whatever else follows
            hits = [f for f in check(text) if f.rule == "supply-shorted"]
        self.assertTrue(hits, f"{name}\n{text}")
        self.assertEqual(hits[0].severity, severity, name)
