"""Whether what an exercise names is there: parts in its recipe and the catalogue, quantities, units, ways."""

from collections.abc import Iterable, Iterator

from verifex.core.exercise.schema import Exercise
from verifex.core.exercise.units import OF_QUANTITY, OF_VOLTAGE, PRINTED
from verifex.core.parts import Catalogue, Output, catalogue
from verifex.core.parts.outputs.identity import IdentityOutput

Path = tuple[str | int, ...]
Complaint = tuple[Path, str]


def complaints(exercise: Exercise) -> list[Complaint]:
    """What the file names and nobody knows, each with the path of the field that says it."""
    part_types = catalogue()
    return [
        *_boards(exercise, part_types),
        *_recipe(exercise, part_types),
        *_refs(exercise),
        *_legs(exercise, part_types),
        *_steps(exercise, part_types),
        *_readings(exercise, part_types),
        *_states(exercise, part_types),
        *_probes(exercise, part_types),
        *_library(exercise, part_types),
    ]


def printable(output: Output) -> tuple[str, ...]:
    """The units that a program can print of an output; the first is the usual one."""
    if output.carries == "level":
        return ("level",)
    own = OF_QUANTITY.get(output.quantity, ())
    if output.kind == "linear":
        return (*own, *OF_VOLTAGE)
    if output.kind == "power-law":
        return (*OF_VOLTAGE, "ratio", "ppm")
    if output.carries in ("share", "ohms", "position"):
        return OF_VOLTAGE
    return own or ("count",)


def asks_for_print(exercise: Exercise) -> bool:
    """Whether the program has to print what it reads: what switches or shows something only need not."""
    if exercise.conventions.prints is not None:
        return exercise.conventions.prints
    if "readings" in exercise.model_fields_set:
        return True
    parts = {part.ref: catalogue().parts[part.part] for part in exercise.recipe}
    if any(part.is_display for part in parts.values()):
        return False
    outputs = [parts[r.ref].sensing(r.quantity) for r in exercise.readings if r.ref in parts]
    return any(output is not None and "level" not in printable(output) for output in outputs)


def _boards(exercise: Exercise, part_types: Catalogue) -> Iterator[Complaint]:
    for path, board in [(("board",), exercise.board), *((("references", b), b) for b in exercise.references)]:
        if board not in part_types.boards:
            yield path, f"there is no board '{board}'; {_list(part_types.boards)} are known"


def _recipe(exercise: Exercise, part_types: Catalogue) -> Iterator[Complaint]:
    seen: set[str] = set()
    for index, part in enumerate(exercise.recipe):
        if part.ref in seen:
            yield ("recipe", index, "ref"), f"{part.ref} stands in the recipe twice"
        seen.add(part.ref)
        if part.part not in part_types.parts:
            near = part_types.near(part.part)
            meant = f"; did you mean {' or '.join(near)}?" if near else ""
            yield ("recipe", index, "part"), f"the catalogue has no '{part.part}'{meant}"


def _library(exercise: Exercise, part_types: Catalogue) -> Iterator[Complaint]:
    for name, stands_for in exercise.library_constants.items():
        if isinstance(stands_for, str) and stands_for not in part_types.parts:
            near = part_types.near(stands_for)
            meant = f"; did you mean {' or '.join(near)}?" if near else ""
            yield ("library_constants", name), f"neither a number nor a part of the catalogue: '{stands_for}'{meant}"


def _refs(exercise: Exercise) -> Iterator[Complaint]:
    known = {part.ref for part in exercise.recipe}
    named: list[tuple[Path, str]] = [
        *((("functions", i, "part" if f.part else "leg"), f.ref) for i, f in enumerate(exercise.functions)),
        *((("resistor_jobs", i, "ref"), job.ref) for i, job in enumerate(exercise.resistor_jobs)),
        *((("readings", i, "ref"), reading.ref) for i, reading in enumerate(exercise.readings)),
    ]
    for i, step in enumerate(exercise.steps):
        named.append((("steps", i, "ref"), step.ref))
        named += [(("steps", i, "also", k, "ref"), value.ref) for k, value in enumerate(step.also)]
    for i, statement in enumerate(exercise.behaviour):
        named.append((("behaviour", i, "when"), statement.when.ref))
        named += [(("behaviour", i, "then", ref), ref) for ref in statement.then]
        named += [(("behaviour", i, "otherwise", ref), ref) for ref in statement.otherwise]
    named += [(("measure", i), probe.ref) for i, probe in enumerate(exercise.measure)]
    for i, follow in enumerate(exercise.follows):
        named += [(("follows", i, "output"), follow.output), (("follows", i, "of"), follow.key[0])]
    for path, ref in named:
        if ref not in known:
            yield path, f"{ref} is not in the recipe ({_list(sorted(known))})"


def _legs(exercise: Exercise, part_types: Catalogue) -> Iterator[Complaint]:
    """Legs that a function names and its part does not have."""
    for index, function in enumerate(exercise.functions):
        recipe = exercise.part_of(function.ref)
        kind = part_types.parts.get(recipe.part) if recipe else None
        if function.leg_name and kind and function.leg_name not in kind.leg_names():
            yield (
                ("functions", index, "leg"),
                f"{function.ref} has no leg '{function.leg_name}'; {_list(kind.leg_names())} are its legs",
            )


def _sensing(exercise: Exercise, part_types: Catalogue, ref: str, quantity: str) -> Output | str | None:
    """The output that answers, or what is wrong in words; None where another complaint already says it."""
    recipe = exercise.part_of(ref)
    kind = part_types.parts.get(recipe.part) if recipe else None
    if kind is None:
        return None
    output = kind.sensing(quantity)
    if output is None:
        known = f"it knows {_list(kind.quantities)}" if kind.outputs else "it measures nothing"
        return f"{ref} ({kind.title}) does not answer to '{quantity}'; {known}"
    return output


def _steps(exercise: Exercise, part_types: Catalogue) -> Iterator[Complaint]:
    names: set[str] = set()
    for i, step in enumerate(exercise.steps):
        if step.name in names:
            yield ("steps", i, "name"), f"two steps are called '{step.name}'"
        names.add(step.name)
        for k, value in enumerate(step.values()):
            path: Path = ("steps", i) if k == 0 else ("steps", i, "also", k - 1)
            output = _sensing(exercise, part_types, value.ref, value.quantity)
            if isinstance(output, str):
                yield (*path, "quantity"), output
            elif isinstance(output, IdentityOutput):
                try:
                    output.read(value.text)
                except ValueError as wrong:
                    if value.text:
                        yield (*path, "text"), str(wrong)
            elif output is not None and not output.low <= value.value <= output.high:
                yield (
                    (*path, "value"),
                    f"{value.value:g} {output.unit} is outside what {value.ref} measures ({output.low:g} to {output.high:g} {output.unit})",
                )
            if output is not None and not isinstance(output, str) and step.target and k == 0:
                targets = getattr(output, "targets", {})
                if step.target not in targets:
                    yield ("steps", i, "target"), f"'{step.target}' is no target; {_list(targets) or 'none'} are known"
        if step.way:
            way = part_types.ways.get(step.way)
            if way is None:
                yield ("steps", i, "way"), f"there is no way '{step.way}'; {_list(part_types.ways)} are known"
            elif way.quantity != step.quantity:
                yield ("steps", i, "way"), f"'{step.way}' makes {way.quantity}, not {step.quantity}"
            elif not way.low <= step.value <= way.high:
                yield (
                    ("steps", i, "value"),
                    f"{step.value:g} {way.unit} cannot be made by '{way.title}' ({way.low:g} to {way.high:g} {way.unit})",
                )


def _readings(exercise: Exercise, part_types: Catalogue) -> Iterator[Complaint]:
    for i, reading in enumerate(exercise.readings):
        output = _sensing(exercise, part_types, reading.ref, reading.quantity)
        if isinstance(output, str):
            yield ("readings", i, "quantity"), output
        elif output is not None and reading.print:
            allowed = printable(output)
            if reading.print not in PRINTED or reading.print not in allowed:
                yield ("readings", i, "print"), f"'{reading.print}' cannot be printed of it; {_list(allowed)} can"


#: What each kind of state needs a part to be.
_SHOWS_IT: dict[str, tuple[str, ...]] = {
    "colour": ("led-three",),
    "pitch": ("load",),
    "brightness": ("led", "led-three", "load"),
    "blink": ("led", "led-three", "load", "relay"),
}


def _states(exercise: Exercise, part_types: Catalogue) -> Iterator[Complaint]:
    """States that the part they are asked of cannot be in."""
    asked: list[tuple[Path, str, str]] = []
    for i, statement in enumerate(exercise.behaviour):
        for side in ("then", "otherwise"):
            asked += [(("behaviour", i, side, r), r, s.kind) for r, s in getattr(statement, side).items()]
    asked += [(("follows", i, "output"), follow.output, follow.by) for i, follow in enumerate(exercise.follows)]
    for path, ref, kind in asked:
        recipe = exercise.part_of(ref)
        part = part_types.parts.get(recipe.part) if recipe else None
        if part is None or kind == "level":
            continue
        can = part.is_display if kind == "text" else part.model in _SHOWS_IT[kind]
        if not can:
            said = (
                "these words; on, off, a colour (red, yellow, …), blinking, 440 Hz or 40 % are states"
                if kind == "text"
                else f"a {kind}"
            )
            yield path, f"{ref} ({part.title}) cannot show {said}"
    for i, follow in enumerate(exercise.follows):
        output = _sensing(exercise, part_types, *follow.key)
        if isinstance(output, str):
            yield ("follows", i, "of"), output


def _probes(exercise: Exercise, part_types: Catalogue) -> Iterator[Complaint]:
    """Measurements at legs or in steps that are not there."""
    for i, probe in enumerate(exercise.measure):
        recipe = exercise.part_of(probe.ref)
        part = part_types.parts.get(recipe.part) if recipe else None
        if part is not None and probe.volts and probe.volts.split(".")[1] not in part.leg_names():
            yield ("measure", i, "volts"), f"{probe.ref} has no such leg; it has {_list(part.leg_names())}"
        if probe.step and all(step.name != probe.step for step in exercise.steps):
            yield (
                ("measure", i, "step"),
                f"there is no step '{probe.step}'; {_list(s.name for s in exercise.steps)} are",
            )


def _list(names: Iterable[object]) -> str:
    return ", ".join(str(name) for name in names)
