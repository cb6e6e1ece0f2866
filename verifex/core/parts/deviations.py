"""Figures in which a batch deviates from its kind in the catalogue: its own supply window and its own transfer figures."""

from collections.abc import Mapping
from typing import TypeVar

from pydantic import BaseModel

from verifex.core.parts.part import PartType

Held = TypeVar("Held", bound=BaseModel)
SUPPLY = ("low_volts", "high_volts", "absolute_volts")


def deviating(kind: PartType) -> dict[str, float]:
    """The figures that a batch of this kind may have otherwise, each with the catalogue's value: `low_volts` of the supply,
    `volts_at_zero` of the output."""
    found: dict[str, float] = {}
    for part, names in ((kind.supply, SUPPLY), (kind.output, ())):
        if part is None:
            continue
        for name in names or type(part).model_fields:
            value = getattr(part, name)
            if isinstance(value, float):
                found[name] = value
    return found


def with_figures(kind: PartType, figures: Mapping[str, float]) -> PartType:
    """The kind with these figures instead of the catalogue's. Raises ValueError for a figure it does not have, or one that cannot be."""
    can = deviating(kind)
    if unknown := [name for name in figures if name not in can]:
        raise ValueError(f"{kind.title} has no figure “{unknown[0]}”; it has {', '.join(can)}")
    changed = {name: value for name, value in figures.items() if value != can[name]}
    if not changed:
        return kind
    supply = _changed(kind.supply, {n: v for n, v in changed.items() if n in SUPPLY})
    output = _changed(kind.output, {n: v for n, v in changed.items() if n not in SUPPLY})
    if supply is not None and not 0 < supply.low_volts <= supply.high_volts <= supply.absolute_volts:
        raise ValueError(f"a supply window rises: {', '.join(SUPPLY)}")
    return kind.model_copy(update={"supply": supply, "output": output})


def _changed(held: Held | None, figures: Mapping[str, float]) -> Held | None:
    """Checked as the catalogue's own figures are."""
    return type(held).model_validate({**held.model_dump(), **figures}) if held is not None and figures else held
