"""What the hatch handed out, as far as the circuit and the expected sheet follow it."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field, replace

from verifex.core.circuit.bench import BUILT_IN, Bench, Part
from verifex.core.circuit.connections.roles import roles
from verifex.core.circuit.text.parse import parse_bench
from verifex.core.circuit.values import GIVEN, MEASURED_AT_HATCH
from verifex.core.exercise import Exercise
from verifex.core.exercise.circuit import RecipePart
from verifex.core.parts import Catalogue, catalogue
from verifex.core.parts.calibration import BOARD, Calibration
from verifex.core.parts.deviations import with_figures

#: Settings of a trimmer that a calibration measures, with the unit they are written in.
CALIBRATED_SETTINGS = {"range": "cm"}


@dataclass(frozen=True, slots=True)
class HandedOut:
    """Leg orders of the batches (`supply-out-ground`) by part id, or by the exercise's reference, which wins. By the exercise's
    reference: ohms of resistors given instead of the recipe's, ohms that the hatch measured before it gave a resistor, the settings a
    module is found with on this bench (`{"U1": {"range": "14cm"}}`), the figures in which its batch deviates from the catalogue, and
    the calibrations of the very module (of the board under `board`)."""

    leg_orders: Mapping[str, str] = field(default_factory=dict)
    given_ohms: Mapping[str, float] = field(default_factory=dict)
    measured_ohms: Mapping[str, float] = field(default_factory=dict)
    settings: Mapping[str, Mapping[str, str]] = field(default_factory=dict)
    figures: Mapping[str, Mapping[str, float]] = field(default_factory=dict)
    calibrations: Mapping[str, tuple[Calibration, ...]] = field(default_factory=dict)

    def calibrated(self, ref: str) -> tuple[Calibration, ...]:
        return self.calibrations.get(ref, ())

    @property
    def of_board(self) -> tuple[Calibration, ...]:
        return self.calibrations.get(BOARD, ())


def bench_as_given(
    text: str, exercise: Exercise | None, handed_out: HandedOut | None, part_types: Catalogue | None = None
) -> Bench:
    """The bench that `text` describes, each module with the legs of its own batch. Raises UnusableInput for a text over the size limit."""
    orders = dict(handed_out.leg_orders) if handed_out else {}
    kinds = (part_types or catalogue()).parts
    of_kinds = {key: order for key, order in orders.items() if key in kinds}
    bench = parse_bench(text, part_types, of_kinds)
    playing = roles(bench, exercise) if exercise and len(of_kinds) < len(orders) else {}
    of_parts = {part.ref: orders[ref] for ref, part in playing.items() if ref in orders}
    return parse_bench(text, part_types, {**of_kinds, **of_parts}) if of_parts else bench


def with_given_values(
    bench: Bench, roles: Mapping[str, Part], recipe: Sequence[RecipePart], handed_out: HandedOut | None
) -> Bench:
    """The bench with the values that were given instead of the recipe's, and with the settings that its modules were found
    with; `roles` maps the exercise's references to the parts that play them. A resistor that the pair measured still wins
    over what was given. What is built into a light is what the recipe or the hatch says, whatever the pair
    says: nobody can talk a missing resistor away."""
    handed_out = handed_out or HandedOut()
    found: dict[str, dict[str, str]] = {
        roles[part.ref].ref: {BUILT_IN: part.settings[BUILT_IN]}
        for part in recipe
        if part.ref in roles and BUILT_IN in part.settings and BUILT_IN in roles[part.ref].type.settings
    }
    for name, values in ((GIVEN, handed_out.given_ohms), (MEASURED_AT_HATCH, handed_out.measured_ohms)):
        for ref, ohms in values.items():
            if ref in roles:
                found.setdefault(roles[ref].ref, {})[name] = repr(ohms)
    for ref in {**handed_out.calibrations, **handed_out.settings}:
        if ref in roles:
            settings = {**_calibrated_settings(handed_out.calibrated(ref)), **handed_out.settings.get(ref, {})}
            found.setdefault(roles[ref].ref, {}).update(settings)
    found = {ref: settings for ref, settings in found.items() if settings}
    claimed = {ref for ref, part in bench.parts.items() if BUILT_IN in part.settings}
    deviating = {roles[ref].ref: figures for ref, figures in handed_out.figures.items() if ref in roles and figures}
    if not found and not claimed and not deviating:
        return bench
    parts = {}
    for ref, part in bench.parts.items():
        own = {key: text for key, text in part.settings.items() if key != BUILT_IN} if ref in claimed else part.settings
        changed = ref in found or ref in claimed
        given_so = replace(part, settings={**own, **found.get(ref, {})}) if changed else part
        kind = with_figures(part.type, deviating[ref]) if ref in deviating else part.type
        parts[ref] = replace(given_so, type=kind) if kind is not part.type else given_so
    return replace(bench, parts=parts)


def _calibrated_settings(calibrations: Sequence[Calibration]) -> dict[str, str]:
    """What a calibration says of a trimmer, as the bench notation writes it: the module stands so, whatever is written beside it."""
    figures = {name: value for one in calibrations if not one.aged for name, value in one.figures.items()}
    return {name: f"{figures[name]:g}{unit}" for name, unit in CALIBRATED_SETTINGS.items() if name in figures}
