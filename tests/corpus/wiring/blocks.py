"""Small sound circuits as lists of parts between named nodes: what the generator builds benches from.

A node is `+5`, `+3` or `GND`, a wish for a pin (`pin:a`, `pin:d`, `pin:pwm`, `pin:=A4`) with a name behind a second
colon where several legs share it, or a name of the block's own.
"""

from dataclasses import dataclass, field
from random import Random

PULL_UPS = ["2k2", "3k3", "4k7", "4.7k", "6k8", "10k"]
LIGHT_OHMS = {"mcu-5v": ["220", "270", "330", "390", "470", "560", "1k"], "mcu-3v3-wireless": ["82", "100", "120", "150", "220"], "sbc-3v3": ["220", "270", "330"]}  # fmt: skip


@dataclass(slots=True)
class Placed:
    """One part: `legs` maps each leg that is used to its node."""

    ref: str
    type: str
    legs: dict[str, str]
    settings: dict[str, str] = field(default_factory=dict)


@dataclass(slots=True)
class Block:
    """A sound small circuit. `kind` is what the mutations look for."""

    kind: str
    parts: list[Placed]


class Maker:
    """Draws blocks that suit a board; numbers its parts."""

    def __init__(self, rng: Random, board: str) -> None:
        self.rng, self.board = rng, board
        self.rail = "+5" if board.startswith("mcu-5v") else "+3"
        self.counts: dict[str, int] = {}

    def ref(self, letter: str) -> str:
        self.counts[letter] = self.counts.get(letter, 0) + self.rng.randint(1, 3)
        return f"{letter}{self.counts[letter]}"

    def ohms(self, values: list[str]) -> dict[str, str]:
        return {"value": self.rng.choice(values)}

    def resistor(self, one: str, other: str, values: list[str]) -> Placed:
        ends = [one, other]
        self.rng.shuffle(ends)
        return Placed(self.ref("R"), "resistor", {"1": ends[0], "2": ends[1]}, self.ohms(values))

    def thermometer(self) -> Block:
        kinds = ["thermo-offset", "thermo-steep"] + (["thermo-zero"] if self.rail == "+5" else [])
        kind = self.rng.choice(kinds)
        supply = self.rng.choice([self.rail, "+3"]) if kind != "thermo-zero" else "+5"
        ref = self.ref("U")
        return Block("thermometer", [Placed(ref, kind, {"supply": supply, "out": f"pin:a:{ref}", "ground": "GND"})])

    def light(self) -> Block:
        led, middle = self.ref("D"), f"n{self.rng.randrange(10**9)}"
        values = LIGHT_OHMS.get(self.board, LIGHT_OHMS["mcu-5v"])
        pin = f"pin:d:{led}"
        feed, back = (pin, "GND") if self.rng.random() < 0.85 or self.rail == "+3" else (self.rail, pin)
        settings = {"colour": self.rng.choice(["red", "yellow"])}
        if self.rng.random() < 0.5:
            legs, resistor = {"anode": middle, "cathode": back}, self.resistor(feed, middle, values)
        else:
            legs, resistor = {"anode": feed, "cathode": middle}, self.resistor(middle, back, values)
        return Block("light", [Placed(led, "led", legs, settings), resistor])

    def buzzer(self) -> Block:
        ref = self.ref("BZ")
        return Block("buzzer", [Placed(ref, "buzzer", {"plus": f"pin:d:{ref}", "minus": "GND"})])

    def climate(self) -> Block:
        ref = self.ref("U")
        part = Placed(
            ref,
            self.rng.choice(["climate-coarse", "climate-fine"]),
            {"supply": self.rail, "data": f"pin:d:{ref}", "ground": "GND"},
        )
        extra = [self.resistor(f"pin:d:{ref}", self.rail, ["4k7", "10k"])] if self.rng.random() < 0.4 else []
        return Block("climate", [part, *extra])

    def probe(self) -> Block:
        ref = self.ref("U")
        part = Placed(
            ref,
            "probe-1w",
            {"supply": self.rail, "data": f"pin:d:{ref}", "ground": "GND"},
            {"lead": f"{self.rng.randint(1, 6)}m"},
        )
        return Block("probe", [part, self.resistor(f"pin:d:{ref}", self.rail, PULL_UPS)])

    def two_wire(self) -> Block:
        kind = self.rng.choice(["baro", "motion-6"])
        supply = "+3" if kind == "baro" else self.rail
        sda, scl = {"mcu-5v": ("A4", "A5"), "mcu-5v-compact": ("A4", "A5"), "mcu-3v3-wireless": ("GPIO21", "GPIO22"), "sbc-3v3": ("GPIO2", "GPIO3")}[self.board]  # fmt: skip
        legs = {"supply": supply, "ground": "GND", "scl": f"pin:={scl}", "sda": f"pin:={sda}"}
        return Block("two-wire", [Placed(self.ref("U"), kind, legs)])

    def motion(self) -> Block:
        ref = self.ref("U")
        return Block("motion", [Placed(ref, "motion", {"supply": "+5", "out": f"pin:d:{ref}", "ground": "GND"})])

    def obstacle(self) -> Block:
        ref = self.ref("U")
        return Block(
            "obstacle", [Placed(ref, "obstacle", {"supply": self.rail, "out": f"pin:d:{ref}", "ground": "GND"})]
        )

    def sonar(self) -> Block:
        ref = self.ref("U")
        echo = f"pin:d:{ref}e"
        legs = {"supply": "+5", "trigger": f"pin:d:{ref}t", "echo": echo, "ground": "GND"}
        if self.rail == "+5":
            return Block("sonar", [Placed(ref, "sonar-4", legs)])
        out = f"{ref}echo"
        upper, lower = self.rng.choice([("10k", "18k"), ("1k", "2k"), ("4k7", "8k2"), ("10k", "20k")])
        divider = [self.resistor(out, echo, [upper]), self.resistor(echo, "GND", [lower])]
        return Block("sonar-divided", [Placed(ref, "sonar-4", {**legs, "echo": out}), *divider])

    def light_cell(self) -> Block:
        ref = self.ref("LC")
        pin = f"pin:a:{ref}"
        cell, fixed = (self.rail, "GND") if self.rng.random() < 0.5 else ("GND", self.rail)
        return Block(
            "light-cell",
            [Placed(ref, "light-cell", {"1": cell, "2": pin}), self.resistor(pin, fixed, ["2k2", "4k7", "10k"])],
        )

    def water(self) -> Block:
        ref = self.ref("U")
        return Block(
            "water", [Placed(ref, "water-strip", {"supply": f"pin:d:{ref}s", "out": f"pin:a:{ref}", "ground": "GND"})]
        )

    def gas(self) -> Block:
        ref = self.ref("U")
        pin = f"pin:a:{ref}"
        if self.rail == "+5":
            return Block("gas", [Placed(ref, "gas-heated", {"supply": "+5", "ground": "GND", "out": pin})])
        divider = [self.resistor(f"{ref}o", pin, ["10k"]), self.resistor(pin, "GND", ["20k", "18k"])]
        return Block(
            "gas-divided", [Placed(ref, "gas-heated", {"supply": "+5", "ground": "GND", "out": f"{ref}o"}), *divider]
        )

    def button(self) -> Block:
        ref = self.ref("S")
        pin = f"pin:d:{ref}"
        to, pull = ("GND", self.rail) if self.rng.random() < 0.6 else (self.rail, "GND")
        if self.rng.random() < 0.4:
            part = Placed(ref, "button-4", {"1": pin, "3": to})
        else:
            part = Placed(ref, self.rng.choice(["button", "vibration"]), {"1": pin, "2": to})
        return Block("button", [part, self.resistor(pin, pull, ["4k7", "10k", "22k"])])

    def knob(self) -> Block:
        ref = self.ref("P")
        ends = [self.rail, "GND"]
        self.rng.shuffle(ends)
        legs = {"end1": ends[0], "wiper": f"pin:a:{ref}", "end2": ends[1]}
        return Block("knob", [Placed(ref, self.rng.choice(["pot", "trimmer"]), legs, self.ohms(["5k", "10k", "20k"]))])

    def hall(self) -> Block:
        ref = self.ref("U")
        pin = f"pin:d:{ref}"
        part = Placed(ref, "hall", {"supply": self.rail, "ground": "GND", "out": pin})
        return Block("hall", [part, self.resistor(pin, self.rail, ["4k7", "10k"])])

    def driver(self) -> Block:
        """A relay or a motor behind a transistor, with its diode; the relay may switch a lamp of its own loop."""
        load, switched, base = (
            self.rng.choice(["relay", "motor"]),
            f"k{self.rng.randrange(10**9)}",
            f"b{self.rng.randrange(10**9)}",
        )
        ref = self.ref("K" if load == "relay" else "M")
        ends = ("coil1", "coil2") if load == "relay" else ("1", "2")
        if self.rng.random() < 0.5:
            ends = ends[::-1]
        parts = [Placed(ref, load, {ends[0]: "+5", ends[1]: switched})]
        if load == "relay" and self.rng.random() < 0.4:
            lamp, battery = self.ref("L"), self.ref("BT")
            parts[0].legs |= {"common": f"{lamp}p", "open": f"{lamp}o"}
            parts += [
                Placed(lamp, "lamp", {"1": f"{lamp}o", "2": f"{lamp}m"}, {"volts": "12", "watts": "3"}),
                Placed(battery, "battery", {"plus": f"{lamp}p", "minus": f"{lamp}m"}, {"volts": "12"}),
            ]
        parts += [
            Placed(self.ref("D"), "diode", {"anode": switched, "cathode": "+5"}),
            Placed(self.ref("Q"), "npn", {"collector": switched, "base": base, "emitter": "GND"}),
            self.resistor(
                base, f"pin:d:{ref}", ["470", "560", "680", "1k"] if self.rail == "+5" else ["330", "390", "470"]
            ),
        ]
        return Block("driver", parts)

    def three_colours(self) -> Block:
        kind = "rgb-cc" if self.rng.random() < 0.6 or self.rail == "+3" else "rgb-ca"
        ref = self.ref("D")
        legs, parts = {"common": "GND" if kind == "rgb-cc" else self.rail}, []
        for colour in ("red", "green", "blue"):
            legs[colour] = f"{ref}{colour}"
            values = ["330", "470"] if self.rail == "+5" else ["82", "100"]
            if colour == "blue" and self.rail == "+3":
                values = ["33", "47"]
            parts.append(self.resistor(f"{ref}{colour}", f"pin:pwm:{ref}{colour}", values))
        return Block("three-colours", [Placed(ref, kind, legs), *parts])

    def tag_reader(self) -> Block:
        lines = {"mcu-3v3-wireless": ("GPIO19", "GPIO23", "GPIO18"), "sbc-3v3": ("GPIO9", "GPIO10", "GPIO11")}.get(
            self.board, ("D12", "D11", "D13")
        )
        ref = self.ref("U")
        legs = {"supply": "+3", "reset": f"pin:d:{ref}r", "ground": "GND", "miso": f"pin:={lines[0]}", "mosi": f"pin:={lines[1]}",
                "sck": f"pin:={lines[2]}", "select": f"pin:d:{ref}s"}  # fmt: skip
        return Block("tag-reader", [Placed(ref, "tag-reader", legs)])

    def capacitor(self) -> Block:
        return Block(
            "capacitor",
            [Placed(self.ref("C"), "capacitor", {"plus": self.rail, "minus": "GND"}, {"value": "100u", "volts": "16"})],
        )

    def blocks(self) -> list[Block]:
        """One to five blocks; each bus and each heavy thing at most once."""
        anywhere = [self.light, self.buzzer, self.climate, self.probe, self.motion, self.obstacle, self.sonar, self.button, self.hall,
                    self.light, self.driver, self.three_colours, self.capacitor]  # fmt: skip
        measuring = (
            [self.thermometer, self.light_cell, self.water, self.knob, self.gas] if self.board != "sbc-3v3" else []
        )
        once = [self.two_wire, self.tag_reader]
        wanted = self.rng.sample(anywhere + measuring + once, self.rng.randint(1, 5))
        if self.board == "sbc-3v3":  # its pins give little: one light or sounder
            wanted = [make for make in wanted if make not in (self.driver, self.three_colours)] or [self.obstacle]
        return [make() for make in wanted]
