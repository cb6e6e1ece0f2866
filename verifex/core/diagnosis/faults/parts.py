"""Faults of the parts: another kind fitted, a resistor of another decade, a divider turned, a trimmer turned."""

from collections.abc import Iterator
from dataclasses import replace
from operator import methodcaller

from verifex.core.circuit.bench import Bench, Part
from verifex.core.circuit.nets import Net
from verifex.core.circuit.values import resistor_ohms
from verifex.core.diagnosis.case import BenchCase
from verifex.core.diagnosis.faults.priors import PRIORS
from verifex.core.diagnosis.model import Fault, Where
from verifex.core.expected.signal.chain import AdcChain, DigitalChain
from verifex.core.parts import catalogue
from verifex.core.quantity import in_words

DECADES = (0.01, 0.1, 10.0, 100.0)
FAR_POINT, NEAR_POINT = 10.0, 0.1  # of a switching point, for a trimmer turned to an end


def part_faults(case: BenchCase) -> Iterator[Fault]:
    for key in case.keys:
        chain = case.sheet.chains.get(key)
        if isinstance(chain, AdcChain):
            yield from _other_kinds(case, key[0], key[1].partition("/")[0])
        if isinstance(chain, DigitalChain) and chain.contributors:
            yield from _trimmer(chain, key[0])
    bench = case.view.bench if case.view else None
    if bench is not None:
        yield from _decades(case, bench)
        yield from _dividers(case, bench)


def _other_kinds(case: BenchCase, ref: str, quantity: str) -> Iterator[Fault]:
    recipe = case.exercise.part_of(ref)
    own = catalogue().parts[recipe.part] if recipe else None
    if own is None or own.output is None:
        return
    for kind in catalogue().parts.values():
        output = kind.sensing(quantity)
        if kind.id == own.id or output is None or output.carries != own.output.carries:
            continue
        if kind.id.split("-")[0] != own.id.split("-")[0]:
            continue
        yield Fault(
            f"another-kind:{kind.id}", f"{kind.title[:1].upper()}{kind.title[1:]} is fitted, not {own.title}",
            "Read the marking; does it say what the recipe says?", Where.PART, PRIORS["another-kind"],
            methodcaller("with_output", ref, output), (ref,),
        )  # fmt: skip
    if own.output.carries == "volts":
        yield Fault(
            "look-alike-part",
            "A part that looks like the thermometer is in its place: a small transistor comes in the same package",
            "Read the marking on the part itself; it was not read when the kit was handed out.",
            Where.PART, PRIORS["look-alike-part"], methodcaller("in_state", "blind"), (ref,),
        )  # fmt: skip


def _trimmer(chain: DigitalChain, ref: str) -> Iterator[Fault]:
    setting = getattr(chain.output, "setting", None)
    point = chain.settings.get(setting, float(getattr(chain.output, "from_value", 1.0))) if setting else None
    if point is None:
        return
    for factor, said in ((FAR_POINT, "too far"), (NEAR_POINT, "too near")):
        yield Fault(
            f"trimmer:{said.split()[1]}", f"The trimmer sets the switching point {said}",
            "Turn gently until the module's lamp just lights with nothing in front, then a little back.",
            Where.PART, PRIORS["trimmer"], methodcaller("with_point", ref, point * factor), (ref,),
        )  # fmt: skip


def _decades(case: BenchCase, bench: Bench) -> Iterator[Fault]:
    for part in bench.parts_of("resistor"):
        ohms = case.measured.values.get(part.ref) or resistor_ohms(part, "measured")
        for factor in DECADES if ohms else ():
            assert ohms is not None
            yield Fault(
                "resistor-decade", f"{part.ref} is {in_words(ohms * factor, 'Ω')}, not {in_words(ohms, 'Ω')}",
                f"Read the bands of {part.ref}, or measure it out of the circuit.", Where.PART, PRIORS["resistor-decade"],
                methodcaller("with_ohms", part.ref, ohms * factor), (part.ref,),
            )  # fmt: skip


def _dividers(case: BenchCase, bench: Bench) -> Iterator[Fault]:
    """The two far ends of a divider exchanged: what pulled up now pulls down."""
    view = case.view
    assert view is not None
    for cell in bench.parts_of("light-cell"):
        for resistor in bench.parts_of("resistor"):
            for own_leg, other_leg, far, other_far in _shared(case, cell, resistor):
                if not view.nets.is_rail(far) or not view.nets.is_rail(other_far) or far.id == other_far.id:
                    continue
                legs = {**cell.legs, own_leg: resistor.legs[other_leg]}
                others = {**resistor.legs, other_leg: cell.legs[own_leg]}
                changed = replace(
                    bench,
                    parts={
                        **bench.parts,
                        cell.ref: replace(cell, legs=legs),
                        resistor.ref: replace(resistor, legs=others),
                    },
                )
                yield Fault(
                    "divider-turned", f"The divider is upside down: {cell.ref} and {resistor.ref} have changed sides",
                    f"Which of {cell.ref} and {resistor.ref} goes to the supply, and which to ground?", Where.PART,
                    PRIORS["divider-turned"], methodcaller("on_bench", changed), (cell.ref, resistor.ref),
                )  # fmt: skip


def _shared(case: BenchCase, cell: Part, resistor: Part) -> Iterator[tuple[str, str, Net, Net]]:
    """The far legs of two parts that meet on one net, with the nets those are on."""
    view = case.view
    assert view is not None
    for near in cell.ends:
        for other_near in resistor.ends:
            one, other = view.net(cell, near), view.net(resistor, other_near)
            own_leg = next(leg for leg in cell.ends if leg != near)
            other_leg = next(leg for leg in resistor.ends if leg != other_near)
            far, other_far = view.net(cell, own_leg), view.net(resistor, other_leg)
            if (
                one
                and other
                and one.id == other.id
                and far
                and other_far
                and own_leg in cell.legs
                and other_leg in resistor.legs
            ):
                yield own_leg, other_leg, far, other_far
