"""What the hatch handed out, as far as the circuit and the expected sheet follow it."""

from collections.abc import Mapping
from dataclasses import dataclass, field, replace

from verifex.core.circuit.bench import Bench, Part
from verifex.core.circuit.values import GIVEN


@dataclass(frozen=True, slots=True)
class HandedOut:
    """Leg orders of the batches by part id (`supply-out-ground`); by the exercise's reference the ohms of resistors given
    instead of the recipe's, and the settings a module is found with on this bench (`{"U1": {"range": "14cm"}}`)."""

    leg_orders: Mapping[str, str] = field(default_factory=dict)
    given_ohms: Mapping[str, float] = field(default_factory=dict)
    settings: Mapping[str, Mapping[str, str]] = field(default_factory=dict)


def with_given_values(bench: Bench, roles: Mapping[str, Part], handed_out: HandedOut | None) -> Bench:
    """The bench with the values that were given instead of the recipe's, and with the settings that its modules were found
    with; `roles` maps the exercise's references to the parts that play them. A resistor that the pair measured still wins
    over what was given."""
    if handed_out is None:
        return bench
    found = {roles[ref].ref: {GIVEN: repr(ohms)} for ref, ohms in handed_out.given_ohms.items() if ref in roles}
    for ref, settings in handed_out.settings.items():
        if ref in roles:
            found.setdefault(roles[ref].ref, {}).update(settings)
    if not found:
        return bench
    parts = {
        ref: replace(part, settings={**part.settings, **found[ref]}) if ref in found else part
        for ref, part in bench.parts.items()
    }
    return replace(bench, parts=parts)
