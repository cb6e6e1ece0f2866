"""The part of a feed that is judged while it still grows: what comes first, and the last lines of each step."""

from itertools import pairwise

from django.db.models import Q

from verifex.live.models import LiveFeed

FIRST_LINES = 20  # names of columns are in them
LAST_LINES = 300  # of each stretch between two marks: enough to judge where a step has settled
MOST_STRETCHES = 40  # of the last ones


def last_of_each_step(feed: LiveFeed) -> str:
    """The lines of the feed that are judged, at most `FIRST_LINES + LAST_LINES · MOST_STRETCHES` however long it is."""
    marks = list(feed.rows.filter(is_mark=True).order_by("-number").values_list("number", flat=True)[:MOST_STRETCHES])
    wanted = Q(number__lt=FIRST_LINES)
    for begins, ends in pairwise([*([] if len(marks) == MOST_STRETCHES else [0]), *reversed(marks), feed.lines]):
        wanted |= Q(number=begins) | Q(number__gte=max(begins, ends - LAST_LINES), number__lt=ends)
    return "".join(f"{line}\n" for line in feed.rows.filter(wanted).values_list("text", flat=True))
