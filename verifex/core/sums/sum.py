"""What a bench sum is: what it asks for, what it answers, by which formula.

A sum takes text as people write it (4k7, 20 mA) and answers rows of values in SI units; what makes no sense is
refused in words.
"""

from collections.abc import Callable, Mapping
from dataclasses import dataclass, field
from typing import Any

from verifex.core.quantity import in_words, parse_quantity


@dataclass(frozen=True, slots=True)
class Field:
    """One thing a sum asks for. `unit` is a key of `quantity.UNIT_WORDS`; `default` is text; an optional one may be empty."""

    name: str
    label: str
    unit: str
    default: str
    optional: bool = False
    signed: bool = False  # 0 and less are values too
    least: float | None = None  # in the unit; what is below cannot be


@dataclass(frozen=True, slots=True)
class Row:
    """One thing a sum answers: `value` in SI (`unit` for people: Ω, V, A, W, s)."""

    name: str
    label: str
    value: float
    unit: str
    text: str = ""  # where a prefix would be no help: counts, degrees

    def as_json(self) -> dict[str, Any]:
        return {
            "name": self.name,
            "label": self.label,
            "value": self.value,
            "unit": self.unit,
            "said": self.text or in_words(self.value, self.unit),
        }


@dataclass(frozen=True, slots=True)
class Answer:
    """Rows, the first of them the one that was asked for, and what to know besides."""

    rows: list[Row]
    notes: list[str] = field(default_factory=list)

    def as_json(self) -> dict[str, Any]:
        return {"rows": [row.as_json() for row in self.rows], "notes": self.notes}


@dataclass(frozen=True, slots=True)
class Sum:
    """A bench sum by name, with its formula in one line."""

    name: str
    title: str
    formula: str
    fields: tuple[Field, ...]
    compute: Callable[[Mapping[str, float]], Answer]

    def answer(self, given: Mapping[str, str]) -> Answer:
        """The answer for inputs as text. Raises ValueError naming the field that cannot be."""
        values: dict[str, float] = {}
        for one in self.fields:
            text = str(given.get(one.name, one.default)).strip()
            if not text and one.optional:
                continue
            try:
                values[one.name] = parse_quantity(text, one.unit)
            except ValueError as wrong:
                raise ValueError(f"{one.label}: {wrong}") from None
            if values[one.name] <= 0 and not one.signed:
                raise ValueError(f"{one.label}: {text} is not above 0")
            if one.least is not None and values[one.name] < one.least:
                raise ValueError(f"{one.label}: {text} cannot be; {one.least:g} is the least there is")
        return self.compute(values)
