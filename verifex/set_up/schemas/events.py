"""What the event log answers."""

from datetime import datetime

from verifex.api.shape import Shape


class EventOut(Shape):
    """Who did what; `about` is what it was done to, in words."""

    id: int
    at: datetime
    by: str
    what: str
    about: str


class EventsOut(Shape):
    events: list[EventOut]
    more: bool
