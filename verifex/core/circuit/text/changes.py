"""What changed from one hand-in to the next: parts, legs, settings and wires, described as a person would."""

from collections import Counter
from collections.abc import Iterable, Mapping
from dataclasses import dataclass

from verifex.core.circuit.bench import Bench, Wire
from verifex.core.circuit.places import Place


@dataclass(frozen=True, slots=True)
class Change:
    """One change. `kind` is added, removed, moved or changed; `line` the line in the newer hand-in, where it is there."""

    kind: str
    what: str
    before: str
    after: str
    line: int | None = None

    def as_json(self) -> dict[str, object]:
        return {"kind": self.kind, "what": self.what, "before": self.before, "after": self.after, "line": self.line}


def changes_between(old: Bench, new: Bench) -> list[Change]:
    """Every difference that is one on the bench; order, comments and spacing are none."""
    found: list[Change] = []
    if (old.board.id if old.board else "") != (new.board.id if new.board else ""):
        found.append(
            Change("changed", "board", old.board.id if old.board else "none", new.board.id if new.board else "none")
        )
    if old.base != new.base:
        found.append(Change("changed", "base", old.base, new.base))
    for ref in dict.fromkeys([*new.parts, *old.parts]):
        before, after = old.parts.get(ref), new.parts.get(ref)
        if before is None and after is not None:
            found.append(Change("added", f"{ref} ({after.type.title})", "", _legs(after.legs), after.line))
        elif after is None and before is not None:
            found.append(Change("removed", f"{ref} ({before.type.title})", _legs(before.legs), ""))
        elif before is not None and after is not None:
            if before.type.id != after.type.id:
                found.append(Change("changed", ref, before.type.title, after.type.title, after.line))
            if before.legs != after.legs:
                legs = [
                    leg
                    for leg in dict.fromkeys([*before.legs, *after.legs])
                    if before.legs.get(leg) != after.legs.get(leg)
                ]
                told = [{leg: place for leg, place in side.legs.items() if leg in legs} for side in (before, after)]
                found.append(Change("moved", ref, _legs(told[0]), _legs(told[1]), after.line))
            if before.settings != after.settings:
                found.append(Change("changed", ref, _settings(before.settings), _settings(after.settings), after.line))
    return found + _wire_changes(old.wires, new.wires)


def _wire_changes(old: list[Wire], new: list[Wire]) -> list[Change]:
    """Wires by their two ends, whichever way round; one gone and one come with an end in common is a move."""
    come = list(_unmatched(new, Counter(_ends(wire) for wire in old)))
    left = list(_unmatched(old, Counter(_ends(wire) for wire in new)))
    found = []
    for wire in come:
        twin = next((other for other in left if set(_ends(other)) & set(_ends(wire))), None)
        if twin:
            left.remove(twin)
            found.append(Change("moved", "wire", _words(twin), _words(wire), wire.line))
        else:
            found.append(Change("added", "wire", "", _words(wire), wire.line))
    return found + [Change("removed", "wire", _words(wire), "") for wire in left]


def _unmatched(wires: Iterable[Wire], others: Counter[tuple[str, ...]]) -> Iterable[Wire]:
    rest = Counter(others)
    for wire in wires:
        if rest[_ends(wire)] > 0:
            rest[_ends(wire)] -= 1
        else:
            yield wire


def _ends(wire: Wire) -> tuple[str, ...]:
    return tuple(sorted(str(end) for end in wire.ends))


def _words(wire: Wire) -> str:
    return f"{wire.ends[0]} – {wire.ends[1]}"


def _legs(legs: Mapping[str, Place]) -> str:
    return ", ".join(f"{leg} {place}" for leg, place in legs.items())


def _settings(settings: dict[str, str]) -> str:
    return ", ".join(f"{key}={value}" for key, value in settings.items()) or "nothing said"
