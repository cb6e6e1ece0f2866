"""The coming sessions against the kits: how many are ready for the pairs expected, what to swap together, what is missing."""

from collections import Counter
from collections.abc import Collection, Iterable, Mapping
from dataclasses import dataclass, field
from math import ceil

from verifex.acts import clock
from verifex.core.planning import Swap, swaps
from verifex.core.planning.readiness import Demand, Kits, readiness_of
from verifex.core.planning.stock import ItemKey, item_key
from verifex.exercises.models import Exercise
from verifex.people.models import Pair, Section
from verifex.people.times import local
from verifex.plan.models import Session
from verifex.stores.models import Kit, Module, StockItem
from verifex.stores.readiness import Recipe, key_of, not_in, readiness, recipes, whole_kits
from verifex.stores.services.replace import loose_modules

READY = ("ready", "out")  # what is out today comes back
MOST_SESSIONS = 30


@dataclass(frozen=True, slots=True)
class Coming:
    """An exercise of a session to come: pairs expected, kits that will do, kits that the spares complete (`filled`, with what goes into
    them), swaps that complete more, what is then still missing; `parts` says by title which part of the catalogue that is."""

    session: Session
    exercise: Exercise
    pairs: int
    ready: int
    to_test: tuple[str, ...] = ()
    filled: Mapping[str, tuple[str, ...]] = field(default_factory=dict)
    completed: Mapping[str, list[Swap]] = field(default_factory=dict)
    missing: Mapping[str, int] = field(default_factory=dict)
    parts: Mapping[str, str] = field(default_factory=dict)

    @property
    def short(self) -> int:
        return max(0, self.pairs - self.ready - len(self.to_test) - len(self.filled) - len(self.completed))


def coming(sections: Iterable[Section]) -> list[Coming]:
    """Every exercise of the sessions that have not ended, the next one first."""
    due = Session.objects.filter(section__in=list(sections), ends_at__gt=clock.now()).select_related("section__course")
    sessions = list(due.prefetch_related("planned__exercise", "assignments").order_by("starts_at")[:MOST_SESSIONS])
    exercises = {planned.exercise_id: planned.exercise for s in sessions for planned in s.planned.all()}
    pairs = Counter(
        Pair.objects.filter(section__in={s.section_id for s in sessions}, archived_at=None).values_list(
            "section", flat=True
        )
    )
    stock = {pk: _Kits() for pk in exercises}
    asked = recipes(exercises)
    for kit in whole_kits().filter(exercise__in=exercises):
        stock[kit.exercise_id].take(kit, asked.get(kit.exercise_id, ()))
    lacking = [*stock.values()]
    spares = _Spares(
        {
            *(p for kits in lacking for p in kits.parts.values()),
            *(k.part for kits in lacking for k in kits.keys.values()),
        }
    )
    for kits in stock.values():
        kits.look_for_spares(spares)
    return [
        stock[planned.exercise_id].coming(session, planned.exercise, _expected(session, planned.exercise_id, pairs))
        for session in sessions
        for planned in session.planned.all()
    ]


def _expected(session: Session, exercise_id: int, pairs: Mapping[int, int]) -> int:
    """Pairs that were assigned to it, and its share of those that were not assigned yet."""
    assigned = [one.exercise_id for one in session.assignments.all()]
    unassigned = max(0, pairs.get(session.section_id, 0) - len(assigned))
    return assigned.count(exercise_id) + ceil(unassigned / max(1, len(session.planned.all())))


class _Kits:
    """The kits of one exercise."""

    def __init__(self) -> None:
        self.ready = 0
        self.to_test: list[str] = []
        self.lacking: dict[str, tuple[str, ...]] = {}
        self.inside: dict[str, list[str]] = {}
        self.spares: dict[str, int] = {}
        self.parts: dict[str, str] = {}  # by title, the part of the catalogue
        self.keys: dict[str, ItemKey] = {}

    def take(self, kit: Kit, recipe: Recipe) -> None:
        state = readiness(kit, recipe=recipe).state
        if state in READY:
            self.ready += 1
        elif state == "to-test":
            self.to_test.append(kit.tag)
        elif state == "incomplete":
            parts = list(kit.parts.all())
            for part in parts:
                self._name(part.title, part.part, key_of(part))
            absent = not_in(kit, recipe)
            for one in absent:
                self._name(one.title or one.part, one.part, item_key(one.part, one.settings))
            missing = (part.title for part in parts if not part.present)
            self.lacking[kit.tag] = (*missing, *(part.title or part.part for part in absent))
            self.inside[kit.tag] = [part.title for part in parts if part.present]

    def _name(self, title: str, part: str, key: ItemKey) -> None:
        self.parts[title], self.keys[title] = part, key

    def look_for_spares(self, spares: "_Spares") -> None:
        """How many there are of what the kits lack."""
        for title in {title for lacks in self.lacking.values() for title in lacks}:
            self.spares[title] = spares.of(self.parts[title], self.keys[title])

    def coming(self, session: Session, exercise: Exercise, pairs: int) -> Coming:
        due = self.to_test[: max(0, pairs - self.ready)]
        usable = self.ready + len(self.to_test)
        demand = Demand(str(session.pk), local(session.starts_at, session.section.course).date(), exercise.title, pairs)
        filled = readiness_of(demand, Kits(usable, self.lacking), self.spares).fill
        wanted = max(0, pairs - usable - len(filled))
        lacking = {tag: lacks for tag, lacks in self.lacking.items() if tag not in filled}
        completed = swaps(lacking, self.inside, wanted)
        for swap in (one for taken in completed.values() for one in taken):
            lacking[swap.out_of] = (*lacking[swap.out_of], swap.part)  # what it gave away, it lacks too
        still = sorted((tag for tag in lacking if tag not in completed), key=lambda tag: len(lacking[tag]))
        missing = Counter(part for tag in still[: max(0, wanted - len(completed))] for part in lacking[tag])
        return Coming(session, exercise, pairs, self.ready, tuple(due), filled, completed, missing, self.parts)


class _Spares:
    """Loose modules that are well, and what lies in the drawers, of these parts."""

    def __init__(self, parts: Collection[str]) -> None:
        tagged = Module.objects.filter(part__in=parts, retired_at=None).order_by()
        self._tagged = set(tagged.values_list("part", flat=True))
        self._loose = Counter(module.part for module in loose_modules(parts))
        self._counted: Counter[ItemKey] = Counter()
        for item in StockItem.objects.filter(part__in=parts):
            self._counted[ItemKey(item.part, item.ohms, item.colour)] += item.count

    def of(self, part: str, key: ItemKey) -> int:
        """Of a part that is tagged, the loose ones; of another one, what its drawer has."""
        return self._loose[part] if part in self._tagged else self._counted[key]


HEAD = ("Starts", "Section", "Exercise", "Pairs", "Kits ready", "Test first", "Fill", "Swap in", "Get", "Kits short")


def cells(row: Coming) -> list[object]:
    """The row as the table to take along has it, under `HEAD`."""
    return [
        f"{local(row.session.starts_at, row.session.section.course):%Y-%m-%d %H:%M}",
        row.session.section.name,
        row.exercise.title,
        row.pairs,
        row.ready,
        " ".join(row.to_test),
        "; ".join(f"{tag}: {', '.join(lacks)}" for tag, lacks in row.filled.items()),
        "; ".join(f"{tag}: {swap_text(taken)}" for tag, taken in row.completed.items()),
        "; ".join(f"{count} × {part}" for part, count in row.missing.items()),
        row.short,
    ]


def swap_text(taken: Iterable[Swap]) -> str:
    return ", ".join(f"{swap.part} out of {swap.out_of}" for swap in taken)
