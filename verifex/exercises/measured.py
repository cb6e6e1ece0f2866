"""Measured values by the names they are kept and asked under."""

from collections.abc import Mapping

from verifex.core.expected import Measured

RAIL, INTERNAL, OUTSIDE, STEP = "rail", "internal", "aref", "step:"


def measured_of(values: Mapping[str, float]) -> Measured:
    """Named values as the core takes them."""
    named = (RAIL, INTERNAL, OUTSIDE)
    return Measured(
        rail_volts=values.get(RAIL),
        internal_volts=values.get(INTERNAL),
        outside_volts=values.get(OUTSIDE),
        values={name: value for name, value in values.items() if name not in named and not name.startswith(STEP)},
        stimulus={name.removeprefix(STEP): value for name, value in values.items() if name.startswith(STEP)},
    )
