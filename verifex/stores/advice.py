"""What the store can give in place of a resistor of an exercise."""

from dataclasses import dataclass

from verifex.core.circuit.evidence.windows import ResistorJob
from verifex.core.quantity import in_words
from verifex.core.resistors.substitutes import Substitute, substitutes
from verifex.exercises.intended import intended_resistors
from verifex.exercises.models import ExerciseVersion
from verifex.stores.models import StockItem

OWN_LIMIT = "the window this exercise sets"
HEAT_MARGIN = 1.5  # a substitute is rated for this many times the heat of the resistor it stands for


@dataclass(frozen=True, slots=True)
class Allowed:
    """The ohms a resistor of an exercise may have: what the exercise says, else what its job on its own bench asks."""

    ref: str
    title: str
    job: str
    nominal_ohms: float
    low_ohms: float | None
    high_ohms: float | None
    low_because: str
    high_because: str
    watts: float

    def holds(self, ohms: float) -> bool:
        return self.low_ohms is None or self.high_ohms is None or self.low_ohms <= ohms <= self.high_ohms

    @property
    def is_derived(self) -> bool:
        """Whether the window follows from the job, where the exercise sets none."""
        return self.low_because != OWN_LIMIT

    @property
    def window_words(self) -> str:
        """`150 Ω to 2.2 kΩ`, or nothing where no window follows."""
        if self.low_ohms is None or self.high_ohms is None:
            return ""
        return f"{in_words(self.low_ohms, 'Ω')} to {in_words(self.high_ohms, 'Ω')}"


@dataclass(frozen=True, slots=True)
class Offer:
    """One substitute with where it lies and how many there are."""

    substitute: Substitute
    drawers: tuple[str, ...]
    count: int

    def as_json(self) -> dict[str, object]:
        joined = {"single": "", "series": " in series", "parallel": " side by side"}[self.substitute.how]
        values = " and ".join(in_words(ohms, "Ω") for ohms in self.substitute.values_ohms)
        return {
            **self.substitute.as_json(),
            "said": values + joined,
            "drawers": list(self.drawers),
            "count": self.count,
        }


def allowed_resistors(version: ExerciseVersion) -> dict[str, Allowed]:
    """By reference of the recipe, in its order."""
    derived = intended_resistors(version)
    titles = {part.ref: part.title or part.part for part in version.file.recipe}
    return {
        job.ref: _allowed(job.ref, titles.get(job.ref, ""), job.job, job.nominal_ohms, job.low_ohms, job.high_ohms,
                          derived.get(job.ref))
        for job in version.file.resistor_jobs
    }  # fmt: skip


def _allowed(
    ref: str, title: str, job: str, nominal: float, low: float | None, high: float | None, derived: ResistorJob | None
) -> Allowed:
    window = derived.window if derived else None
    said = low is not None and high is not None
    return Allowed(
        ref,
        title,
        job,
        nominal,
        low if said else window.low_ohms if window else None,
        high if said else window.high_ohms if window else None,
        OWN_LIMIT if said else window.low_because if window else "",
        OWN_LIMIT if said else window.high_because if window else "",
        derived.watts if derived else 0.0,
    )


def offers(allowed: Allowed) -> list[Offer]:
    """What the drawers hold inside the window, best first; nothing where no window is known."""
    if allowed.low_ohms is None or allowed.high_ohms is None:
        return []
    resistors = StockItem.objects.filter(part="resistor", ohms__gt=0, count__gt=0)
    stock = resistors.filter(rated_watts__gte=allowed.watts * HEAT_MARGIN)
    held = {row.ohms: row for row in stock}
    values = [row.ohms for row in stock for _ in range(min(row.count, 2))]
    made = substitutes(allowed.nominal_ohms, allowed.low_ohms, allowed.high_ohms, values)
    return [
        Offer(
            one,
            tuple(dict.fromkeys(held[ohms].drawer for ohms in one.values_ohms)),
            min(held[ohms].count // one.values_ohms.count(ohms) for ohms in one.values_ohms),
        )
        for one in made
    ]
