"""The server's clock, in one place: what loads a course's history can set the time of an act."""

from collections.abc import Iterator
from contextlib import contextmanager
from contextvars import ContextVar
from datetime import datetime

from django.utils import timezone

_set: ContextVar[datetime | None] = ContextVar("set_clock", default=None)


def now() -> datetime:
    """The time that counts for an act, in UTC."""
    return _set.get() or timezone.now()


@contextmanager
def acting_at(moment: datetime) -> Iterator[None]:
    """Within the block every act has `moment`."""
    token = _set.set(moment)
    try:
        yield
    finally:
        _set.reset(token)
