"""What was worked out by other rules or another catalogue is worked out anew once, when the program has changed."""

import logging
from collections.abc import Callable

from django.db import DatabaseError

from verifex.work.models import BroughtUpTo

logger = logging.getLogger(__name__)
#: By name: what it is worked out with now, and the act that has it worked out anew.
CHECKS: dict[str, tuple[Callable[[], str], Callable[[], int]]] = {}


def when_changed(name: str, version: Callable[[], str]) -> Callable[[Callable[[], int]], Callable[[], int]]:
    """Registers an act that is done when `version` gives another text than the last time; it gives how much it asked for."""

    def register(act: Callable[[], int]) -> Callable[[], int]:
        CHECKS[name] = (version, act)
        return act

    return register


def bring_up_to_date() -> None:
    """Do every act whose version changed. Nothing on a database that is not set up yet."""
    for name, (version, act) in CHECKS.items():
        try:
            now = version()
            before = BroughtUpTo.objects.filter(name=name).first()
            if before is not None and before.version == now:
                continue
            count = act() if before is not None else 0  # a new installation has nothing of older rules
            BroughtUpTo.objects.update_or_create(name=name, defaults={"version": now})
            if count:
                logger.warning("%s: %d are worked out anew with %s", name, count, now)
        except DatabaseError:
            logger.warning("%s: the database is not set up yet", name)
