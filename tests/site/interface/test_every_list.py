"""Every address that is read: with many times the rows it costs as many queries as with few."""

from contextlib import suppress
from typing import NamedTuple

from django.apps import apps
from django.db import IntegrityError, connection, models, transaction
from django.test.utils import CaptureQueriesContext

from tests.site.base import DemoCase
from tests.site.interface.addresses import addresses
from tests.site.large import copy_class
from verifex.work.models import Work

TIMES = 6
MOST_COPIED = 40  # of a table
#: Dockets and what they have are copied by the class; what the server itself keeps is no list.
NOT_COPIED = {
    "docket", "stationstate", "attempt", "judgement", "seat", "pair", "pairmember", "sharedcacherow", "queued", "broughtupto",
}  # fmt: skip
#: Papers and files, made kit by kit or page by page: their cost is that of their content.
NO_LISTS = (".pdf", ".zip")


def copy_rows() -> None:
    """Copies rows of each table as often as their constraints allow; the copies name the same other rows."""
    for model in apps.get_models():
        if not model.__module__.startswith("verifex.") or model._meta.model_name in NOT_COPIED:
            continue
        for row in list(model._default_manager.order_by("pk")[:MOST_COPIED]):
            for turn in range(TIMES):
                _copy(row, turn)


def _copy(row: models.Model, turn: int) -> None:
    old = row.pk
    for field in row._meta.concrete_fields:
        value = getattr(row, field.attname)
        if isinstance(field, models.CharField) and value and not field.choices and _is_unique(field):
            setattr(row, field.attname, f"{value}-{old}-{turn}"[-(field.max_length or 99) :])
        elif (
            isinstance(field, models.IntegerField | models.PositiveIntegerField)
            and _is_unique(field)
            and not field.primary_key
        ):
            setattr(row, field.attname, value + 100 * turn + 100)
    row.pk, row._state.adding = None, True
    with suppress(IntegrityError), transaction.atomic():
        row.save(force_insert=True)


def _is_unique(field: "models.Field[object, object]") -> bool:
    together = [set(c.fields) for c in field.model._meta.constraints if isinstance(c, models.UniqueConstraint)]
    together += [set(names) for names in field.model._meta.unique_together]
    return field.unique or any(field.name in names for names in together)


class Cost(NamedTuple):
    queries: int
    bytes: int


class EveryListTest(DemoCase):
    def test_more_rows_cost_no_more_queries(self):
        docket, section = self.docket(7), self.session.section
        work = Work.objects.create(kind="class-sheets", by=section.staff.earliest("id").user)
        known = {
            "docket_id": docket.pk,
            "session_id": self.session.pk,
            "section_id": section.pk,
            "course_id": section.course_id,
            "pair_id": docket.pair_id,
            "version_id": docket.version_id,
            "exercise_id": docket.version.exercise_id,
            "work_id": work.pk,
        }
        paths = []
        for method, path in addresses():
            for name, value in known.items():
                path = path.replace(f"{{{name}}}", str(value))
            if method == "get" and "{" not in path and not path.endswith(NO_LISTS):
                paths.append(path)
        before = {path: self.cost(path) for path in paths}
        copy_class(self.session)
        copy_rows()
        after = {path: self.cost(path) for path in paths}
        grown = [path for path in paths if after[path].bytes > 2 * before[path].bytes]
        self.assertGreaterEqual(len(grown), 15, "the copies are in the lists")
        costlier = [path for path in paths if after[path].queries > before[path].queries]
        self.assertEqual(costlier, [])

    def cost(self, path: str) -> Cost:
        client = self.member(7) if path.startswith("/api/my") else self.instructor
        with CaptureQueriesContext(connection) as seen:
            answer = client.get(path)
        return Cost(len(seen), len(answer.content))
