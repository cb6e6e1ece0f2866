"""What a person can set on a bench that is looked at: output pins, buttons, knobs, modules; and what flows then."""

from collections.abc import Mapping
from dataclasses import dataclass

from verifex.core.circuit.states import State, positions_of
from verifex.core.circuit.view import BenchView


@dataclass(frozen=True, slots=True)
class Handle:
    """One thing to set: a pin (`low`, `high`) or a part (`at rest`, and its positions by name)."""

    name: str
    about: str
    positions: tuple[str, ...]

    def as_json(self) -> dict[str, object]:
        return {"name": self.name, "about": self.about, "positions": list(self.positions)}


REST = "at rest"


def handles(view: BenchView) -> list[Handle]:
    """Every handle of a bench: its outputs first, then what can be moved."""
    found = [
        Handle(pin, ", ".join(view.parts_behind(net)) if (net := view.nets.of_pin(pin)) else "", ("low", "high"))
        for pin in view.outputs
    ]
    for part in view.bench.parts.values():
        names = [
            name.removeprefix(f"{part.ref} ").removeprefix(f"{part.ref}.")
            for name, _, _ in positions_of(view.nets, part)
        ]
        if names:
            found.append(Handle(part.ref, part.type.title, (REST, *names)))
    return found


def solve_as_set(view: BenchView, settings: Mapping[str, str]) -> dict[str, object] | None:
    """Nets with volts, parts with amps and watts, pins with amps, for handles set by name; None when nothing is solved.

    A pin that is not named drives low, a part that is not named is at rest. Raises ValueError for a handle or a
    position that is none.
    """
    known = {handle.name: handle for handle in handles(view)}
    for name, position in settings.items():
        if name not in known:
            raise ValueError(f"'{name}' is nothing that can be set on this bench")
        if position not in known[name].positions:
            raise ValueError(f"{name} can be {', '.join(known[name].positions)}, not '{position}'")
    driven = {pin: settings.get(pin) == "high" for pin in view.outputs}
    held: dict[tuple[str, str], float | None] = {}
    stimulus: dict[tuple[str, str], float] = {}
    for part in view.bench.parts.values():
        for name, also_held, also_stimulus in positions_of(view.nets, part):
            if settings.get(part.ref) in (name.removeprefix(f"{part.ref} "), name.removeprefix(f"{part.ref}.")):
                held |= also_held
                stimulus |= also_stimulus
    solved = view.solve(State("as set", driven, held, stimulus)) if view.points else None
    if solved is None:
        return None
    point = solved.point
    return {
        "nets": [
            {
                "name": net.name,
                "places": list(net.places),
                "volts": round(point.volts[net.id], 4),
                "floats": net.id in point.floating,
            }
            for net in view.nets.nets
        ],
        "parts": [
            {
                "ref": part.ref,
                "title": part.type.title,
                "amps": {
                    leg: point.amps[(part.ref, leg)] for leg in part.type.leg_names() if (part.ref, leg) in point.amps
                },
                "watts": point.watts_in(part.ref),
            }
            for part in view.bench.parts.values()
        ],
        "pins": dict(sorted(point.pin_amps.items())),
        "oscillating": sorted(point.oscillating),
    }
