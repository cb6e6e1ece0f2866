"""Who was in a pair when: membership is dated, and what was done stays with those who did it."""

from datetime import datetime

from django.db.models import Q, QuerySet

from verifex.people.models import PairMember, Student


def during(begins: datetime, ends: datetime, path: str = "") -> Q:
    """Memberships that lie in a span at least in part, as a condition; `path` leads to the membership."""
    lasts = Q(**{f"{path}until__isnull": True}) | Q(**{f"{path}until__gt": begins})
    return lasts & Q(**{f"{path}since__lt": ends})


def end_now(rows: "QuerySet[Student] | QuerySet[PairMember]", now: datetime) -> None:
    """End what is dated; what began this very moment was never there."""
    rows.filter(since__gte=now).delete()
    rows.filter(since__lt=now).update(until=now)
