"""How well students did so far, for putting pairs together."""

from collections import defaultdict
from decimal import Decimal

from verifex.marks.models import ClosedMark
from verifex.people.models import Section


def shares_of_students(section: Section) -> dict[int, float]:
    """By user the mean share of the marks (0 to 1) over the closed dockets of a course; who has none is absent."""
    closed = ClosedMark.objects.filter(docket__pair__section__course=section.course_id, reopened_at=None)
    found: dict[int, list[float]] = defaultdict(list)
    for students, of in closed.values_list("students", "of"):
        for student in students:
            if student.get("total") and of:
                found[student["id"]].append(float(Decimal(student["total"]) / of))
    return {user: sum(shares) / len(shares) for user, shares in found.items()}
