"""A feed of live lines as its screens show it."""

from verifex.live.models import LiveFeed
from verifex.live.schemas import FeedOut


def feed_shown(feed: LiveFeed) -> FeedOut:
    return FeedOut(code=feed.code if feed.closed_at is None else "", lines=feed.lines, open=feed.closed_at is None)
