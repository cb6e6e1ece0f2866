"""Motors, coils, lamps, speakers, sounders: straight on a pin, without their diode, never at work."""

from collections.abc import Iterator

from verifex.core.circuit.bench import Part
from verifex.core.circuit.nets import Net
from verifex.core.circuit.remedies import Add, Exchange
from verifex.core.circuit.rules.book import DEAD_LOADS, OVER_CURRENTS, WIRING
from verifex.core.circuit.view import BenchView
from verifex.core.findings import Finding, Remedy, Severity
from verifex.core.quantity import in_words
from verifex.core.rulebook import FindingFactory


def _heavy_legs(view: BenchView) -> Iterator[tuple[Part, str, Net]]:
    """The legs through which a heavy load takes its current."""
    for part in view.bench.parts.values():
        load = part.type.load
        if load and load.heavy:
            for leg in part.ends:
                if net := view.net(part, leg):
                    yield part, leg, net
        elif part.type.heavy and part.type.supply_leg and (net := view.net(part, part.type.supply_leg)):
            yield part, part.type.supply_leg, net


@WIRING.rule(
    "heavy-load-on-pin",
    Severity.STOP,
    title="A heavy load straight on a pin",
    why="It draws many times what a pin can give, and a coil kicks back when it is switched off: the pin and the board are spoilt.",
    hint="How much current does this part need, and how much may a pin give?",
    criterion="safety",
    source="the board's pin limits; typical of the family",
    explains=("coil-without-diode", "level-over", "supply-under", "supply-missing", "supply-inexact", "output-unconnected", "function-not-built",
              *OVER_CURRENTS, *DEAD_LOADS),
)  # fmt: skip
def heavy_load_on_pin(view: BenchView, finding: FindingFactory) -> Iterator[Finding]:
    board = view.bench.board
    if board is None or view.shorted:
        return
    reported: set[str] = set()
    for part, leg, net in _heavy_legs(view):
        pins = view.nets.signal_pins(net)
        if not pins or part.ref in reported or view.nets.supplies(net) or view.nets.is_ground(net):
            continue
        reported.add(part.ref)
        load = part.type.load
        amps = part.type.draws_amps
        if load:
            from verifex.core.circuit.models.loads import load_ohms

            amps = board.rail_volts / load_ohms(part)
        remedy = (
            "Feed it from the 5V pin or a supply of its own, never from a pin."
            if load is None
            else "Switch it with a transistor (a resistor of about 1 kΩ to its base"
            + (", a diode across the coil)" if load.coil else ")")
            + " from a supply of its own."
        )
        yield finding(
            f"{part.ref} ({part.type.title}) hangs straight on {pins[0].name}; it wants about {in_words(amps, 'A', 2)}.",
            remedy,
            parts=[part.ref],
            places=[view.pin_place(pins[0].name), view.place(part, leg)],
            nets=[net.name],
            line=part.line,
            value=amps,
            limit=board.pin_usual_amps,
            unit="A",
            affects=_around(view, part),
        )


def _switched_coils(view: BenchView) -> Iterator[tuple[Part, str, str]]:
    """(part, plus end, switched end) of every coil that a transistor switches.

    A collector pulls its end down; where an emitter sits, the end on a supply is plus.
    """
    for part in view.bench.parts.values():
        load = part.type.load
        if load is None or not load.coil:
            continue
        one, other = part.ends
        nets = [view.net(part, leg) for leg in (one, other)]
        if nets[0] is None or nets[1] is None or nets[0].id == nets[1].id:
            continue
        for switched, rest, net in ((other, one, nets[1]), (one, other, nets[0])):
            legs = {
                leg.leg
                for leg in view.nets.part_legs(net)
                if view.bench.parts[leg.ref].type.model == "transistor" and leg.leg != "base"
            }
            if legs:
                far = view.net(part, rest)
                plus_is_far = "collector" in legs or (far is not None and view.nets.is_source(far))
                yield (part, rest, switched) if plus_is_far else (part, switched, rest)
                break


def _diodes_across(view: BenchView, part: Part, plus: str, switched: str) -> Iterator[tuple[Part, bool]]:
    """Diodes between the two ends of a coil; True when the band (cathode) faces plus."""
    one, other = view.net(part, plus), view.net(part, switched)
    assert one is not None and other is not None
    for diode in view.bench.parts_of("diode"):
        anode, cathode = view.net(diode, "anode"), view.net(diode, "cathode")
        if anode is None or cathode is None or {anode.id, cathode.id} != {one.id, other.id}:
            continue
        yield diode, cathode.id == one.id


@WIRING.rule(
    "coil-diode-reversed",
    Severity.STOP,
    title="The coil's diode the wrong way round",
    why="This way it conducts whenever the transistor does: it joins the supply to ground past the coil.",
    hint="A diode has a band. Which end of the coil must it face?",
    criterion="safety",
    source="a flyback diode's band faces plus",
    explains=(
        "transistor-not-saturated",
        "short-in-one-position",
        "transistor-legs-swapped",
        *OVER_CURRENTS,
        *DEAD_LOADS,
    ),
)
def coil_diode_reversed(view: BenchView, finding: FindingFactory) -> Iterator[Finding]:
    if view.shorted:
        return
    for part, plus, switched in _switched_coils(view):
        across = list(_diodes_across(view, part, plus, switched))
        for diode, rightly in across:
            if not rightly:
                places = [view.place(diode, "anode"), view.place(diode, "cathode")]
                yield finding(
                    f"The diode {diode.ref} across {part.ref} conducts from plus to the transistor.",
                    [
                        Remedy(
                            f"Turn {diode.ref}: its band (cathode) to {places[0]}, where plus is.",
                            (Exchange(diode.ref, "anode", "cathode"),),
                        )
                    ],
                    parts=[diode.ref, part.ref],
                    places=places,
                    line=diode.line,
                    affects=_around(view, part),
                )


def _around(view: BenchView, part: Part) -> list[str]:
    return [ref for end in part.ends if (net := view.net(part, end)) for ref in [part.ref, *view.parts_behind(net)]]


@WIRING.rule(
    "coil-without-diode",
    Severity.STOP,
    title="A coil without its diode",
    why="When the transistor lets go, the coil drives its end to a high voltage; the transistor dies of it, now or after a while.",
    hint="What happens to the current in a coil when it is switched off at once?",
    criterion="safety",
    source="flyback: a coil keeps its current flowing",
)
def coil_without_diode(view: BenchView, finding: FindingFactory) -> Iterator[Finding]:
    if view.shorted:
        return
    for part, plus, switched in _switched_coils(view):
        if not list(_diodes_across(view, part, plus, switched)):
            places = [view.place(part, plus), view.place(part, switched)]
            yield finding(
                f"No diode lies across {part.ref} ({part.type.title}).",
                [
                    Remedy(
                        f"Put a diode across it: band (cathode) to {places[0]}, anode to {places[1]}.",
                        (Add("diode", part.legs[switched], part.legs[plus]),),
                    )
                ],
                parts=[part.ref],
                places=places,
                line=part.line,
            )


@WIRING.rule(
    "sounder-reversed",
    Severity.FIX,
    title="Sounder the wrong way round",
    why="An active sounder works one way only; this way it stays silent.",
    hint="This part has a plus. Where is it?",
    criterion="wiring",
    source="typical of the family",
    explains=("sounder-never-sounds", "function-not-built"),
)
def sounder_reversed(view: BenchView, finding: FindingFactory) -> Iterator[Finding]:
    if view.shorted:
        return
    for part in view.bench.parts_of("load"):
        if part.type.load is None or not part.type.load.one_way:
            continue
        volts = [v for s in view.points if (v := view.across(s, part, *part.ends)) is not None]
        if volts and min(volts) < -1.5 and max(volts) < 1.0:
            places = [view.place(part, leg) for leg in part.ends]
            yield finding(
                f"{part.ref} gets its plus at {places[1]}, where its minus leg is.",
                [Remedy(f"Turn {part.ref}, or exchange its leads.", (Exchange(part.ref, *part.ends),))],
                parts=[part.ref],
                places=places,
                line=part.line,
            )


def _never_works(view: BenchView, part: Part) -> tuple[float, float] | None:
    """(most volts it gets, volts it works from) when a load never does its work."""
    load = part.type.load
    if load is None or view.shorted or not view.points:
        return None
    volts = [abs(v) for s in view.points if (v := view.across(s, part, *part.ends)) is not None]
    rated = part.quantity("volts", "volt")
    needed = load.works_from_volts * (rated / load.at_volts if rated else 1)
    most = max(volts, default=0.0)
    # A floating piece of metal shows volts and carries nothing.
    amps = max((abs(view.amps(s, part)) for s in view.points), default=0.0)
    works = most >= needed and amps > 1e-7
    return None if works else (most if amps > 1e-7 else 0.0, needed)


@WIRING.rule(
    "sounder-never-sounds",
    Severity.FIX,
    title="A sounder that never sounds",
    why="Its circuit is not closed, so the program cannot sound it.",
    hint="Follow the circuit of this sounder with a finger, from the pin and back to ground.",
    criterion="wiring",
    source="solved circuit",
    explains=("function-not-built",),
)
def sounder_never_sounds(view: BenchView, finding: FindingFactory) -> Iterator[Finding]:
    for part in view.bench.parts_of("load"):
        if part.type.load and not part.type.load.heavy and (seen := _never_works(view, part)):
            yield _dead(view, finding, part, *seen)


@WIRING.rule(
    "load-never-works",
    Severity.FIX,
    title="A load that never works",
    why="In no state of the pins does it get what it needs, so the program cannot switch it.",
    hint="Follow the circuit of this part with a finger, from its supply and back again.",
    criterion="wiring",
    source="solved circuit",
    explains=("function-not-built", "light-never-lit", "sounder-never-sounds", "load-never-works"),
)
def load_never_works(view: BenchView, finding: FindingFactory) -> Iterator[Finding]:
    for part in view.bench.parts_of("relay", "load"):
        if part.type.load and part.type.load.heavy and (seen := _never_works(view, part)):
            yield _dead(view, finding, part, *seen)


def _dead(view: BenchView, finding: FindingFactory, part: Part, most: float, needed: float) -> Finding:
    if most < 0.1:
        seen = f"No current flows through {part.ref} in any state of the pins."
        remedy = f"Follow the circuit of {part.ref} from its supply to ground; one link is missing."
    else:
        seen = f"{part.ref} gets {most:.1f} V at most; it works from about {needed:.1f} V."
        remedy = "Give it a supply of its own voltage, or take away what lies in its way."
    return finding(
        seen,
        remedy,
        parts=[part.ref],
        places=[view.place(part, leg) for leg in part.ends],
        line=part.line,
        value=most,
        limit=needed,
        unit="V",
        affects=view.behind_contacts(part),
    )
