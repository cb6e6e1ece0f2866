"""Rails that are used but never linked to a supply or to ground."""

from collections.abc import Iterator

from verifex.core.circuit.connections.paths import Link
from verifex.core.circuit.nets import Net
from verifex.core.circuit.places import Rail
from verifex.core.circuit.remedies import Join
from verifex.core.circuit.rules.book import OPEN_CIRCUIT, WIRING
from verifex.core.circuit.view import BenchView
from verifex.core.findings import Finding, Remedy, Severity
from verifex.core.rulebook import FindingFactory

BEHIND_A_DEAD_RAIL = (
    "dangling-lead",
    "supply-reversed",
    "light-reversed",
    "sounder-reversed",
    "coil-diode-reversed",
    *OPEN_CIRCUIT,
)


def _dead_rails(view: BenchView) -> Iterator[tuple[Net, list[tuple[str, ...]]]]:
    """Nets with a rail on them that nothing feeds and nothing grounds, with the rails' strips."""
    for net in view.nets.nets:
        strips = [key for key in net.strips if key[0] == "rail"]
        if not strips or _is_live_net(view, net):
            continue
        if view.nets.board_pins(net) or not view.nets.part_legs(net):
            continue
        yield net, strips


def _sibling_is_live(view: BenchView, key: tuple[str, ...]) -> bool:
    """Whether the other half of a split rail is fed or grounded."""
    if view.bench.base != "full-split":
        return False
    other = Rail(key[1][0], key[1][1], 1 if key[2] == "lower" else 60)
    net = view.nets.at(other)
    return net is not None and _is_live_net(view, net)


def _is_live_net(view: BenchView, net: Net) -> bool:
    """Whether a rail is linked to a supply or a return: by wire, or over a switch or a diode that feeds it."""

    def is_root(n: Net) -> bool:
        return view.nets.is_rail(n) or view.drives(n)

    return view.paths.leads_to(net, is_root, (Link.CONTACT, Link.DIODE)) is not None


@WIRING.rule(
    "rail-half-unfed",
    Severity.FIX,
    title="A split rail that is fed on one half only",
    why="On this board every rail is broken in the middle: what hangs on the other half is dead.",
    hint="Look at the rail in the middle of the board: is it one piece?",
    criterion="wiring",
    source="the base: long boards often have their rails split",
    explains=("rail-never-fed", *BEHIND_A_DEAD_RAIL),
)
def rail_half_unfed(view: BenchView, finding: FindingFactory) -> Iterator[Finding]:
    for net, strips in _dead_rails(view):
        key = next((key for key in strips if _sibling_is_live(view, key)), None)
        if key is None:
            continue
        half, other = ("lower", "upper") if key[2] == "lower" else ("upper", "lower")
        served = list(dict.fromkeys(leg.ref for leg in view.nets.part_legs(net)))
        yield finding(
            f"The {half} half of rail {key[1]} feeds {', '.join(served)}, but only its {other} half is linked.",
            [
                Remedy(
                    f"Bridge the two halves of {key[1]}, such as {key[1]}31 to {key[1]}32.",
                    (Join(Rail(key[1][0], key[1][1], 31), Rail(key[1][0], key[1][1], 32)),),
                )
            ],
            parts=served,
            places=[place for place in net.places if place.startswith(key[1])],
            nets=[net.name],
            affects=view.parts_behind(net),
        )


@WIRING.rule(
    "rail-never-fed",
    Severity.FIX,
    title="A rail that is never fed",
    why="A rail is only metal: until a wire links it to the supply or to ground, all that hangs on it is dead.",
    hint="Where does this rail get its supply or its ground from?",
    criterion="wiring",
    source="the base: the rails are not joined to each other",
    explains=BEHIND_A_DEAD_RAIL,
)
def rail_never_fed(view: BenchView, finding: FindingFactory) -> Iterator[Finding]:
    for net, strips in _dead_rails(view):
        if any(_sibling_is_live(view, key) for key in strips):
            continue
        rail = strips[0][1]
        served = list(dict.fromkeys(leg.ref for leg in view.nets.part_legs(net)))
        source = "the supply" if rail[0] == "+" else "ground"
        yield finding(
            f"Rail {rail} feeds {', '.join(served)}, but no wire links it to {source}.",
            _links(view, strips[0]),
            parts=served,
            places=[place for place in net.places if place.startswith(rail)][:1],
            nets=[net.name],
            affects=view.parts_behind(net),
        )


def _links(view: BenchView, strip: tuple[str, ...]) -> list[Remedy]:
    """A rail linked as its sign says, else the other way: some use a rail against its sign."""
    name, lower = strip[1], strip[2] == "lower"
    here = Rail(name[0], name[1], 60 if lower else 1)
    found = []
    for sign in (name[0], "-" if name[0] == "+" else "+"):
        words = f"Link {name} to {_link_target(view, sign)}."
        if sign != name[0]:
            words += f" What hangs on it wants {'the supply' if sign == '+' else 'ground'}, against its sign."
        ways = view.supply_places if sign == "+" else view.ground_places
        found.append(Remedy(words, tuple(Join(here, to) for to in ways[:1])))
    return found


def _link_target(view: BenchView, sign: str) -> str:
    board = view.bench.board
    pin = "GND" if sign == "-" else board.rail_pin if board else "5V"
    twin = next(
        (
            str(end)
            for wire in view.bench.wires
            for end in wire.ends
            if isinstance(end, Rail) and end.sign == sign and _is_live(view, end)
        ),
        None,
    )
    return f"the other rail {twin} or to {pin}" if twin else f"{view.bench.board_ref}.{pin}"


def _is_live(view: BenchView, rail: Rail) -> bool:
    net = view.nets.at(rail)
    return net is not None and _is_live_net(view, net)
