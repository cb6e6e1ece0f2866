"""Things done wrong to the leads and the supply of a sound layout."""

from random import Random

from tests.corpus.wiring.layout import Layout
from tests.corpus.wiring.mutation import (
    Wrong,
    bridge,
    fed_from,
    is_alone,
    modules_of,
    mutation,
    partner,
    parts_of,
    swap_legs,
    wires_to,
)
from verifex.core.parts import LegRole, catalogue

OPENING = (
    "dangling-lead",
    "supply-missing",
    "ground-missing",
    "output-unconnected",
    "input-unconnected",
    "rail-never-fed",
)


@mutation
def supply_legs_exchanged(layout: Layout, rng: Random) -> Wrong | None:
    parts = [p for p in modules_of(layout) if p.legs["supply"].startswith("+")]
    if not parts:
        return None
    part = rng.choice(parts)
    swap_legs(layout, part, "supply", "ground")
    return Wrong("supply legs exchanged", ("supply-reversed",), "stop", (part.ref,))


@mutation
def light_turned(layout: Layout, rng: Random) -> Wrong | None:
    parts = parts_of(layout, "led")
    if not parts:
        return None
    part = rng.choice(parts)
    swap_legs(layout, part, "anode", "cathode")
    return Wrong("light turned", ("light-reversed",), "fix", (part.ref,))


@mutation
def light_without_resistor(layout: Layout, rng: Random) -> Wrong | None:
    parts = [p for p in parts_of(layout, "led") if layout.board != "sbc-3v3"]
    if not parts:
        return None
    part = rng.choice(parts)
    resistor = partner(layout, part.ref, "resistor")
    assert resistor is not None
    bridge(layout, resistor)
    return Wrong("light without resistor", ("led-no-series-resistor",), "stop", (part.ref,))


@mutation
def resistor_of_a_tenth(layout: Layout, rng: Random) -> Wrong | None:
    parts = [p for p in parts_of(layout, "led") if layout.board.startswith("mcu-5v")]
    if not parts:
        return None
    part = rng.choice(parts)
    resistor = partner(layout, part.ref, "resistor")
    assert resistor is not None
    resistor.settings["value"] = "27"
    return Wrong("resistor of a tenth", ("light-over-current",), "stop", (part.ref, resistor.ref))


@mutation
def resistor_a_hundredfold(layout: Layout, rng: Random) -> Wrong | None:
    parts = parts_of(layout, "led")
    if not parts:
        return None
    part = rng.choice(parts)
    resistor = partner(layout, part.ref, "resistor")
    assert resistor is not None
    resistor.settings["value"] = "33k"
    return Wrong("resistor a hundredfold", ("light-too-dim",), "check", (part.ref, resistor.ref))


@mutation
def resistor_in_one_row(layout: Layout, rng: Random) -> Wrong | None:
    """Both legs of a resistor in the row of one of them, where that row has a free hole."""
    parts = [p for p in parts_of(layout, "resistor") if layout.places[(p.ref, "1")][0] not in "+-"]
    rng.shuffle(parts)
    for part in parts:
        place = layout.places[(part.ref, "1")]
        side = "abcde" if place[0] in "abcde" else "fghij"
        taken = set(layout.places.values()) | {e for w in layout.wires for e in w.text.split()[1:3]}
        free = [f"{letter}{place[1:]}" for letter in side if f"{letter}{place[1:]}" not in taken]
        if free:
            layout.places[(part.ref, "2")] = free[0]
            return Wrong("resistor in one row", ("legs-in-one-row",), "fix", (part.ref,))
    return None


@mutation
def a_lead_left_out(layout: Layout, rng: Random) -> Wrong | None:
    legs = [
        (p, leg)
        for p in modules_of(layout)
        for leg in p.legs
        if is_alone(layout, p, leg) and not catalogue().parts[p.type].legs[leg].optional
    ]
    if not legs:
        return None
    part, leg = rng.choice(legs)
    layout.wires.remove(wires_to(layout, part, leg)[0])
    return Wrong("a lead left out", OPENING, "fix", (part.ref,))


@mutation
def a_lead_one_row_off(layout: Layout, rng: Random) -> Wrong | None:
    """A wire's end in the empty rows behind everything, next to nothing."""
    legs = [(p, leg) for p in modules_of(layout) for leg in p.legs if is_alone(layout, p, leg)]
    if not legs:
        return None
    part, leg = rng.choice(legs)
    wire = wires_to(layout, part, leg)[0]
    place = layout.places[(part.ref, leg)]
    side = "left" if place[0] in "abcde" else "right"
    end = next(
        e for e in wire.text.split()[1:3] if e[0] in ("abcde" if side == "left" else "fghij") and e[1:] == place[1:]
    )
    wire.text = wire.text.replace(f" {end}", f" {end[0]}{rng.choice(layout.free_rows[side])}")
    return Wrong("a lead one row off", ("dangling-lead",), "fix", (part.ref,))


@mutation
def rail_not_fed(layout: Layout, rng: Random) -> Wrong | None:
    feeds = [w for w in layout.wires if w.tag[:1] == ("rail",)]
    rng.shuffle(feeds)
    for feed in feeds:
        rail = next(e for e in feed.text.split()[1:3] if e[0] in "+-")
        users = [ref for (ref, _), place in layout.places.items() if place == rail]
        on_rail = [w for w in layout.wires if w is not feed and f" {rail}" in w.text]
        if users or on_rail:
            layout.wires.remove(feed)
            return Wrong("rail not fed", ("rail-never-fed",), "fix", ())
    return None


@mutation
def supply_on_the_ground_rail(layout: Layout, rng: Random) -> Wrong | None:
    feeds = [w for w in layout.wires if w.tag == ("rail", "GND")]
    others = [w for w in layout.wires if w.tag[:1] == ("rail",) and w.tag[1] != "GND"]
    if not feeds or not others:
        return None
    rail = next(e for e in feeds[0].text.split()[1:3] if e[0] == "-")
    plus = next(e for e in others[0].text.split()[1:3] if e[0] == "+")
    others[0].text = others[0].text.replace(plus, rail)
    return Wrong("supply on the ground rail", ("supply-shorted",), "stop", ())


@mutation
def plus_on_an_output(layout: Layout, rng: Random) -> Wrong | None:
    kinds = catalogue().parts
    found = []
    for part in modules_of(layout):
        for leg in kinds[part.type].legs_with(
            LegRole.ANALOGUE_OUT, LegRole.DIGITAL_OUT, LegRole.OPEN_OUT, LegRole.TWO_WAY
        ):
            for wire in wires_to(layout, part, leg) if leg in part.legs else []:
                pin = next(
                    (
                        e
                        for e in wire.text.split()[1:3]
                        if e.startswith("B1.") and e not in ("B1.GND", "B1.5V", "B1.3V3")
                    ),
                    None,
                )
                if pin:
                    found.append((part, wire, pin))
    if not found:
        return None
    part, wire, pin = rng.choice(found)
    supply = "B1.5V" if layout.board.startswith("mcu-5v") else "B1.3V3"
    wire.text = wire.text.replace(pin, supply, 1) if f"{pin} " in f"{wire.text} " else wire.text
    return Wrong("plus on an output", ("output-tied-to-supply",), "stop", (part.ref,))


@mutation
def output_on_a_digital_pin(layout: Layout, rng: Random) -> Wrong | None:
    target = {"mcu-5v": "D8", "mcu-5v-compact": "D8", "mcu-3v3-wireless": "GPIO18"}.get(layout.board)
    nodes = [n for n in layout.pins if n.startswith("pin:a:")]
    if not nodes or target is None or any(pin == target for pin in layout.pins.values()):
        return None
    node = rng.choice(nodes)
    old = f"B1.{layout.pins[node]}"
    for wire in layout.wires:
        wire.text = " ".join(f"B1.{target}" if word == old else word for word in wire.text.split(" "))
    owners = tuple(
        p.ref for block in layout.blocks if any(node in p.legs.values() for p in block.parts) for p in block.parts
    )
    return Wrong("output on a digital pin", ("output-on-digital-pin",), "fix", owners)


@mutation
def three_volt_module_on_five(layout: Layout, rng: Random) -> Wrong | None:
    parts = parts_of(layout, "baro", "tag-reader")
    return fed_from(layout, rng, parts, "B1.3V3", "B1.5V", "three volt module on five", ("supply-over",), "stop")


@mutation
def five_volt_module_on_three(layout: Layout, rng: Random) -> Wrong | None:
    parts = parts_of(layout, "motion", "sonar-4")
    return fed_from(layout, rng, parts, "B1.5V", "B1.3V3", "five volt module on three", ("supply-under",), "fix")
