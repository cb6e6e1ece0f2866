"""Good habits, and what the check leaves to the eye."""

from collections.abc import Iterator

from verifex.core.circuit.rules.book import WIRING
from verifex.core.circuit.view import BenchView
from verifex.core.findings import Finding, Severity
from verifex.core.rulebook import Found


@WIRING.rule(
    "left-to-the-eye",
    Severity.CHECK,
    title="A part the check cannot work out yet",
    why="The currents through it are not computed, so a person has to look at it.",
    hint="Your instructor looks at this part with you.",
    criterion="wiring",
    source="the catalogue: parts without a model",
)
def left_to_the_eye(view: BenchView, found: Found) -> Iterator[Finding]:
    for part in view.bench.parts.values():
        if part.type.model == "not-yet":
            yield found(
                f"{part.ref} ({part.type.title}) is placed but not worked out.",
                "Compare its legs with the printing and the exercise by eye.",
                parts=[part.ref],
                line=part.line,
            )


@WIRING.rule(
    "wire-colour",
    Severity.NOTE,
    title="Colours that mislead",
    why="Red for plus and black for ground let a second pair of eyes find a slip at once.",
    hint="Which colours would help a friend to read your board?",
    criterion="care",
    source="good practice",
)
def wire_colour(view: BenchView, found: Found) -> Iterator[Finding]:
    if view.shorted:
        return
    for wire in view.bench.wires:
        net = view.nets.at(wire.ends[0])
        if net is None or wire.colour is None:
            continue
        grounded, fed = view.nets.is_ground(net), bool(view.nets.supplies(net))
        wrong = (wire.colour == "red" and not fed) or (wire.colour == "black" and not grounded)
        # A net that reaches no pin is another rule's matter: its colour may be right and its end wrong.
        if wrong and view.nets.board_pins(net):
            carries = "ground" if grounded else "the supply" if fed else "a signal"
            yield found(
                f"The {wire.colour} wire {wire.ends[0]}–{wire.ends[1]} carries {carries}.",
                "Next time: red for plus, black for ground, other colours for signals.",
                places=[str(end) for end in wire.ends],
                nets=[net.name],
                line=wire.line,
            )
