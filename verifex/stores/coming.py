"""The coming sessions against the kits: how many are ready for the pairs expected, what to swap together, what is missing."""

import csv
import io
from collections import Counter
from collections.abc import Iterable, Mapping
from dataclasses import dataclass, field
from math import ceil

from django.utils import timezone

from verifex.acts import clock
from verifex.api.cells import safe
from verifex.core.planning import Swap, swaps
from verifex.exercises.models import Exercise
from verifex.people.models import Pair, Section
from verifex.plan.models import Session
from verifex.stores.models import Kit
from verifex.stores.services import Recipe, not_in, readiness, recipes

READY = ("ready", "out")  # what is out today comes back
MOST_SESSIONS = 30


@dataclass(frozen=True, slots=True)
class Coming:
    """An exercise of a session to come: pairs expected, kits that will do, swaps that complete more, what is then still missing."""

    session: Session
    exercise: Exercise
    pairs: int
    ready: int
    to_test: tuple[str, ...] = ()
    completed: Mapping[str, list[Swap]] = field(default_factory=dict)
    missing: Mapping[str, int] = field(default_factory=dict)

    @property
    def short(self) -> int:
        return max(0, self.pairs - self.ready - len(self.to_test) - len(self.completed))


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
    for kit in Kit.objects.filter(exercise__in=exercises).prefetch_related("parts", "tests", "issues__pair"):
        stock[kit.exercise_id].take(kit, asked.get(kit.exercise_id, ()))
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
        self.lacking: dict[str, list[str]] = {}
        self.inside: dict[str, list[str]] = {}

    def take(self, kit: Kit, recipe: Recipe) -> None:
        state = readiness(kit, recipe=recipe).state
        if state in READY:
            self.ready += 1
        elif state == "to-test":
            self.to_test.append(kit.tag)
        elif state == "incomplete":
            parts = list(kit.parts.all())
            absent = [part.title or part.part for part in not_in(kit, recipe)]
            self.lacking[kit.tag] = [*(part.title for part in parts if not part.present), *absent]
            self.inside[kit.tag] = [part.title for part in parts if part.present]

    def coming(self, session: Session, exercise: Exercise, pairs: int) -> Coming:
        wanted = max(0, pairs - self.ready - len(self.to_test))
        completed = swaps(self.lacking, self.inside, wanted)
        givers = {swap.out_of for taken in completed.values() for swap in taken}
        still = sorted(
            (tag for tag in self.lacking if tag not in completed and tag not in givers),
            key=lambda tag: len(self.lacking[tag]),
        )
        missing = Counter(part for tag in still[: max(0, wanted - len(completed))] for part in self.lacking[tag])
        due = self.to_test[: max(0, pairs - self.ready)]
        return Coming(session, exercise, pairs, self.ready, tuple(due), completed, missing)


def as_csv(rows: Iterable[Coming]) -> str:
    """The same as a table to take along."""
    out = io.StringIO()
    table = csv.writer(out, lineterminator="\r\n")
    table.writerow(
        ["Starts", "Section", "Exercise", "Pairs", "Kits ready", "Test first", "Swap in", "Get", "Kits short"]
    )
    for row in rows:
        swapped = "; ".join(f"{tag}: {said(taken)}" for tag, taken in row.completed.items())
        missing = "; ".join(f"{count} × {part}" for part, count in row.missing.items())
        starts = f"{timezone.localtime(row.session.starts_at):%Y-%m-%d %H:%M}"
        cells = [
            starts,
            row.session.section.name,
            row.exercise.title,
            str(row.pairs),
            str(row.ready),
            " ".join(row.to_test),
        ]
        table.writerow([safe(cell) for cell in [*cells, swapped, missing, str(row.short)]])
    return out.getvalue()


def said(taken: Iterable[Swap]) -> str:
    return ", ".join(f"{swap.part} out of {swap.out_of}" for swap in taken)
