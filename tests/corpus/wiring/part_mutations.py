"""Things done wrong to single parts of a sound layout: buses, loads, transistors, buttons, cells."""

from random import Random

from tests.corpus.wiring.layout import Layout
from tests.corpus.wiring.mutation import (
    Wrong,
    bridge,
    fed_from,
    mutation,
    partner,
    parts_of,
    swap_legs,
    take_out,
)


@mutation
def bus_lines_exchanged(layout: Layout, rng: Random) -> Wrong | None:
    parts = parts_of(layout, "baro", "motion-6")
    if not parts:
        return None
    swap_legs(layout, parts[0], "sda", "scl")
    return Wrong("bus lines exchanged", ("bus-swapped",), "fix", (parts[0].ref,))


@mutation
def pull_up_left_out(layout: Layout, rng: Random) -> Wrong | None:
    parts = parts_of(layout, "probe-1w")
    if not parts:
        return None
    take_out(layout, partner(layout, parts[0].ref, "resistor"))
    return Wrong("pull-up left out", ("data-without-pull-up",), "fix", (parts[0].ref,))


@mutation
def divider_left_out(layout: Layout, rng: Random) -> Wrong | None:
    """The lower resistor of a level divider is gone: the whole level reaches the pin."""
    blocks = [b for b in layout.blocks if b.kind in ("sonar-divided", "gas-divided")]
    if not blocks:
        return None
    block = rng.choice(blocks)
    lower = next(p for p in block.parts if "GND" in p.legs.values() and p.type == "resistor")
    take_out(layout, lower)
    return Wrong("divider left out", ("level-over",), "stop", (block.parts[0].ref,))


@mutation
def obstacle_on_five_volts(layout: Layout, rng: Random) -> Wrong | None:
    if layout.board.startswith("mcu-5v"):
        return None
    parts = parts_of(layout, "obstacle")
    return fed_from(layout, rng, parts, "B1.3V3", "B1.5V", "obstacle on five volts", ("level-over",), "stop")


@mutation
def heater_on_a_pin(layout: Layout, rng: Random) -> Wrong | None:
    pin = {"mcu-5v": "B1.D8", "mcu-5v-compact": "B1.D8", "mcu-3v3-wireless": "B1.GPIO18"}.get(layout.board)
    if pin is None or pin[3:] in layout.pins.values():
        return None
    return fed_from(
        layout, rng, parts_of(layout, "gas-heated"), "B1.5V", pin, "heater on a pin", ("heavy-load-on-pin",), "stop"
    )


@mutation
def coil_diode_left_out(layout: Layout, rng: Random) -> Wrong | None:
    parts = parts_of(layout, "relay", "motor")
    if not parts:
        return None
    take_out(layout, partner(layout, parts[0].ref, "diode"))
    return Wrong("coil diode left out", ("coil-without-diode",), "stop", (parts[0].ref,))


@mutation
def coil_diode_turned(layout: Layout, rng: Random) -> Wrong | None:
    parts = parts_of(layout, "relay", "motor")
    if not parts:
        return None
    diode = partner(layout, parts[0].ref, "diode")
    assert diode is not None
    swap_legs(layout, diode, "anode", "cathode")
    return Wrong("coil diode turned", ("coil-diode-reversed",), "stop", (diode.ref,))


@mutation
def transistor_legs_exchanged(layout: Layout, rng: Random) -> Wrong | None:
    parts = parts_of(layout, "npn")
    if not parts:
        return None
    one, other = rng.choice([("collector", "emitter"), ("collector", "base"), ("base", "emitter")])
    swap_legs(layout, parts[0], one, other)
    return Wrong(f"{one} and {other} exchanged", ("transistor-legs-swapped",), "", (parts[0].ref,))


@mutation
def base_without_resistor(layout: Layout, rng: Random) -> Wrong | None:
    parts = parts_of(layout, "npn")
    if not parts:
        return None
    resistor = partner(layout, parts[0].ref, "resistor")
    assert resistor is not None
    bridge(layout, resistor)
    return Wrong("base without resistor", ("base-without-resistor",), "stop", (parts[0].ref,))


@mutation
def base_resistor_too_large(layout: Layout, rng: Random) -> Wrong | None:
    parts = parts_of(layout, "npn")
    if not parts:
        return None
    resistor = partner(layout, parts[0].ref, "resistor")
    assert resistor is not None
    resistor.settings["value"] = "100k"
    return Wrong("base resistor too large", ("transistor-not-saturated",), "fix", (parts[0].ref, resistor.ref))


@mutation
def button_without_its_resistor(layout: Layout, rng: Random) -> Wrong | None:
    parts = parts_of(layout, "button", "button-4", "vibration")
    if not parts:
        return None
    part = rng.choice(parts)
    resistor = partner(layout, part.ref, "resistor")
    assert resistor is not None
    # A pull-down that is missing can be made good by a program only on a board that has one inside.
    hopeless = "GND" in resistor.legs.values() and layout.board.startswith("mcu-5v")
    take_out(layout, resistor)
    return Wrong("button without its resistor", ("floating-input",), "fix" if hopeless else "check", (part.ref,))


@mutation
def knob_ends_confused(layout: Layout, rng: Random) -> Wrong | None:
    parts = parts_of(layout, "pot", "trimmer")
    if not parts:
        return None
    swap_legs(layout, parts[0], "wiper", rng.choice(["end1", "end2"]))
    return Wrong("knob ends confused", ("short-in-one-position",), "stop", (parts[0].ref,))


@mutation
def cell_without_partner(layout: Layout, rng: Random) -> Wrong | None:
    parts = parts_of(layout, "light-cell")
    if not parts:
        return None
    take_out(layout, partner(layout, parts[0].ref, "resistor"))
    return Wrong("cell without partner", ("divider-partner-missing",), "fix", (parts[0].ref,))


@mutation
def common_leg_on_the_wrong_pole(layout: Layout, rng: Random) -> Wrong | None:
    parts = [p for p in parts_of(layout, "rgb-cc", "rgb-ca") if layout.board.startswith("mcu-5v")]
    if not parts:
        return None
    parts[0].type = "rgb-ca" if parts[0].type == "rgb-cc" else "rgb-cc"
    return Wrong("three-colour light of the other kind", ("light-reversed",), "fix", (parts[0].ref,))


@mutation
def capacitor_turned(layout: Layout, rng: Random) -> Wrong | None:
    parts = parts_of(layout, "capacitor")
    if not parts:
        return None
    swap_legs(layout, parts[0], "plus", "minus")
    return Wrong("capacitor turned", ("capacitor-reversed",), "stop", (parts[0].ref,))


@mutation
def water_strip_fed_for_ever(layout: Layout, rng: Random) -> Wrong | None:
    parts = parts_of(layout, "water-strip")
    pins = [layout.pins.get(p.legs["supply"]) for p in parts]
    if not parts or pins[0] is None:
        return None
    supply = "B1.5V" if layout.board.startswith("mcu-5v") else "B1.3V3"
    for wire in layout.wires:
        wire.text = " ".join(supply if word == f"B1.{pins[0]}" else word for word in wire.text.split(" "))
    return Wrong("water strip fed for ever", ("water-strip-fed",), "check", (parts[0].ref,))
