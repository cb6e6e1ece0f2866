"""A sheet as JSON: the contract's keys of the main reading, and every reading with its plot."""

from typing import Any

from verifex.core.exercise.units import UNITS_OF_QUANTITY
from verifex.core.expected.indicators import threshold_printed
from verifex.core.expected.plot import is_in_decades
from verifex.core.expected.sheet import Key, Sheet
from verifex.core.expected.signal.chain import Chain
from verifex.core.expected.step import spread_json


def sheet_json(sheet: Sheet) -> dict[str, Any]:
    return {
        "unit": sheet.unit,
        "variant": sheet.variant.model_dump() if sheet.variant else None,
        "reference": spread_json(sheet.reference) if sheet.reference else None,
        "steps": [step.as_json() for step in sheet.steps],
        "budget": sheet.steps[-1].budget.as_json() if sheet.steps else None,
        "per_count": round(sheet.per_count, 5),
        "top_value": round(sheet.top_value, 3),
        "plot": _rows(sheet.plot()),
        "readings": [_reading(sheet, key, chain) for key, chain in sheet.chains.items()],
        "reason": sheet.reason,
        "notes": list(sheet.notes),
    }


def _rows(rows: tuple[tuple[float, ...], ...]) -> list[list[float]]:
    return [[round(cell, 3) for cell in row] for row in rows]


def _reading(sheet: Sheet, key: Key, chain: Chain) -> dict[str, Any]:
    reading = sheet.exercise.readings[sheet.exercise.reading_keys.index(key)]
    quantity = key[1].partition("/")[0]
    recipe = sheet.exercise.part_of(reading.ref)
    low, high = sheet.plot_range(key)
    return {
        "key": f"{key[0]}.{key[1]}",
        "name": reading.name or (recipe.title if recipe and recipe.title else key[0]),
        "unit": chain.formula.unit.symbol,
        "says": chain.formula.unit.title,
        "raw_unit": chain.raw_unit,
        "decimals": chain.formula.decimals,
        "stimulus_unit": UNITS_OF_QUANTITY.get(quantity, ""),
        "in_decades": is_in_decades(low, high),
        "plot": _rows(sheet.plot(key)),
        "thresholds": [
            {
                "says": str(s.when),
                "stimulus": s.when.threshold,
                "printed": round(threshold_printed(s.when, chain), 3),
                "own": sheet.exercise.conventions.threshold == "two-readings",
            }
            for s in sheet.exercise.behaviour
            if (s.when.ref, s.when.quantity) == (key[0], quantity) and s.when.side != "is" and chain.raw_unit != "level"
        ],
    }
