"""What is done by itself once in a while; apps enter what is theirs, the runner asks for it."""

import logging
from collections.abc import Callable
from datetime import datetime

logger = logging.getLogger(__name__)
Task = Callable[[datetime], int]  # gives how much it did; doing it twice does no harm
TASKS: list[Task] = []
#: The event that a daily copy leaves in the log: it shows that the clock went on day by day.
INSTALLATION, COPIED = "installation", "copied the database"


def regularly(task: Task) -> Task:
    """Enter a task; whoever runs the queue does it every few minutes."""
    TASKS.append(task)
    return task


def do_all(now: datetime) -> None:
    """Every task; one that fails is logged and keeps no other from being done."""
    for task in TASKS:
        try:
            if done := task(now):
                logger.warning("%s: %d done", task.__name__, done)
        except Exception:
            logger.exception("%s failed", task.__name__)
