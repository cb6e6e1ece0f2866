"""The runner: a process beside the server that works through the queue, so that judging takes nothing from answering.

`verifex.site.serve` starts it and starts it again when it is gone; `python -m verifex.work.runner` is one by itself.
"""

import logging
import os
import signal
import threading
from types import FrameType

logger = logging.getLogger(__name__)
THREADS = 4  # they wait for workers more than they work
NICENESS = 5
FIRST_LOOK_SECONDS = 20.0  # when the start is over
LOOKS_EVERY_SECONDS = 600.0  # for whether a copy of the database is due


def main() -> None:
    os.environ.setdefault("DJANGO_SETTINGS_MODULE", "verifex.site.settings")
    import django

    django.setup()
    signal.signal(signal.SIGINT, signal.SIG_IGN)  # Ctrl C ends the server, which ends its runner
    work()
    os._exit(0)  # what was under way is in the queue still


def work() -> None:
    """Work through the queue until it is asked to end. Wants Django to be set up."""
    from verifex.work import outdated, pool, queue, wake

    os.nice(NICENESS)
    ended = threading.Event()

    def end(number: int, frame: FrameType | None) -> None:
        ended.set()

    signal.signal(signal.SIGTERM, end)
    wake.listen()
    outdated.bring_up_to_date()
    for number in range(THREADS):
        threading.Thread(target=queue.serve_until, args=(ended,), daemon=True, name=f"queue-{number}").start()
    threading.Thread(target=_look_after_until, args=(ended,), daemon=True, name="daily").start()
    threading.Thread(target=queue.renew_until, args=(ended,), daemon=True, name="leases").start()
    ended.wait()
    queue.release_own()
    ending = threading.Thread(target=pool.stop, daemon=True)
    ending.start()
    ending.join(3)


def _look_after_until(ended: threading.Event) -> None:
    """A copy of the database whenever the newest one is a day old, and what apps want done regularly."""
    from django.conf import settings
    from django.db import connection
    from django.utils import timezone

    from verifex.acts.events import record
    from verifex.work import daily
    from verifex.work.backups import BackupFailed, backup, is_due

    pause = FIRST_LOOK_SECONDS
    while not ended.wait(pause):
        pause = LOOKS_EVERY_SECONDS
        if is_due(settings.BACKUP_DIR, timezone.now()):
            try:
                connection.ensure_connection()
                made = backup(connection.connection, settings.BACKUP_DIR, timezone.now())
                record(None, daily.COPIED, daily.INSTALLATION)
                logger.warning("copied the database to %s", made)
            except BackupFailed as wrong:
                logger.error("no copy of the database was made: %s", wrong)
            finally:
                connection.close()
        daily.do_all(timezone.now())
        connection.close()


if __name__ == "__main__":
    main()
