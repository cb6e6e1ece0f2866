"""Faults as the stores show them."""

from collections import Counter
from collections.abc import Iterable

from django.db.models import Prefetch

from verifex.core.planning.failures import times
from verifex.people.models import Course
from verifex.stores.models import Fault, FaultPhoto
from verifex.stores.schemas.faults import FaultOut

MOST_CLOSED = 60


def faults_json(courses: Iterable[Course]) -> list[FaultOut]:
    """Open faults first, the oldest on top, then the closed ones, the newest on top; those of the reader's courses and of loose
    modules."""
    rows = Fault.objects.select_related(
        "kit__exercise", "module__place__kit__exercise", "opened_by", "closed_by"
    ).prefetch_related(Prefetch("photos", FaultPhoto.objects.defer("jpeg")))
    own = {course.pk for course in courses}
    shown = [f for f in rows if _course_of(f) in (None, *own)]
    seen: Counter[tuple[str, int | None, str]] = Counter()
    number: dict[int, int] = {}
    for fault in shown:  # in the order they were opened
        about = ("module", fault.module_id, "") if fault.module_id else ("kit", fault.kit_id, fault.ref)
        seen[about] += 1
        number[fault.pk] = seen[about]
    closed = sorted((f for f in shown if f.closed_at), key=lambda f: f.closed_at or f.opened_at, reverse=True)[
        :MOST_CLOSED
    ]
    return [fault_json(f, number[f.pk]) for f in [*(f for f in shown if f.is_open), *closed]]


def _course_of(fault: Fault) -> int | None:
    """The course of the kit it is about, or of the kit that its module is in; none for a loose module."""
    kit = fault.kit or getattr(getattr(fault.module, "place", None), "kit", None)
    return kit.exercise.course_id if kit else None


def fault_json(fault: Fault, number: int) -> FaultOut:
    return FaultOut(
        id=fault.pk,
        kit=fault.kit.tag if fault.kit else "",
        ref=fault.ref,
        module=fault.module.tag if fault.module else "",
        title=fault.title,
        what=fault.what,
        state=fault.state,
        times=times(number),
        opened_at=fault.opened_at,
        opened_by=fault.opened_by.get_full_name() if fault.opened_by else "",
        closed_at=fault.closed_at,
        closed_by=fault.closed_by.get_full_name() if fault.closed_by else "",
        note=fault.closing_note,
        photos=[photo.pk for photo in fault.photos.all()],
    )
