"""What the hatch handed out, as far as the circuit and the expected sheet follow it."""

from collections.abc import Mapping
from dataclasses import dataclass, field, replace

from verifex.core.circuit.bench import Bench, Part
from verifex.core.circuit.values import GIVEN


@dataclass(frozen=True, slots=True)
class HandedOut:
    """Leg orders of the batches by part id (`supply-out-ground`), and the ohms of resistors given instead of the
    recipe's, by the exercise's reference."""

    leg_orders: Mapping[str, str] = field(default_factory=dict)
    given_ohms: Mapping[str, float] = field(default_factory=dict)


def with_given_values(bench: Bench, roles: Mapping[str, Part], handed_out: HandedOut | None) -> Bench:
    """The bench with the values that were given instead of the recipe's; `roles` maps the exercise's references to
    the parts that play them. A value the pair measured still wins over what was given."""
    if handed_out is None:
        return bench
    given = {roles[ref].ref: ohms for ref, ohms in handed_out.given_ohms.items() if ref in roles}
    if not given:
        return bench
    parts = {
        ref: replace(part, settings={**part.settings, GIVEN: repr(given[ref])}) if ref in given else part
        for ref, part in bench.parts.items()
    }
    return replace(bench, parts=parts)
