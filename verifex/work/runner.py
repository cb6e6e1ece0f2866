"""The runner: a process beside the server that works through the queue, so that judging takes nothing from answering.

`python -m verifex.work.runner`; `verifex.site.serve` starts it and starts it again when it is gone.
"""

import argparse
import logging
import os
import signal
import threading
from types import FrameType

from verifex.work.parents import end_with_starter

logger = logging.getLogger(__name__)
THREADS = 4  # they wait for workers more than they work
NICENESS = 5
FIRST_LOOK_SECONDS = 20.0  # when the start is over
LOOKS_EVERY_SECONDS = 600.0  # for whether a copy of the database is due


def main() -> None:
    parser = argparse.ArgumentParser(prog="verifex-runner", description="Works through the queue.")
    parser.add_argument("--started-by", type=int, help=argparse.SUPPRESS)
    arguments = parser.parse_args()
    os.environ.setdefault("DJANGO_SETTINGS_MODULE", "verifex.site.settings")
    import django

    django.setup()
    from verifex.work import pool, queue, wake

    os.nice(NICENESS)
    ended = threading.Event()

    def end(number: int, frame: FrameType | None) -> None:
        ended.set()

    end_with_starter(arguments.started_by)
    signal.signal(signal.SIGTERM, end)
    signal.signal(signal.SIGINT, signal.SIG_IGN)  # Ctrl C ends the server, which ends its runner
    wake.listen()
    pool.warm_up("judging")
    for number in range(THREADS):
        threading.Thread(target=queue.serve_until, args=(ended,), daemon=True, name=f"queue-{number}").start()
    threading.Thread(target=_look_after_until, args=(ended,), daemon=True, name="daily").start()
    threading.Thread(target=queue.renew_until, args=(ended,), daemon=True, name="leases").start()
    ended.wait()
    wake.interrupt()
    queue.release_own()
    ending = threading.Thread(target=pool.stop, daemon=True)
    ending.start()
    ending.join(3)
    os._exit(0)  # what was under way is in the queue still


def _look_after_until(ended: threading.Event) -> None:
    """A copy of the database whenever the newest one is a day old, and what apps want done regularly."""
    from django.conf import settings
    from django.db import connection
    from django.utils import timezone

    from verifex.work import daily
    from verifex.work.backups import BackupFailed, backup, is_due

    pause = FIRST_LOOK_SECONDS
    while not ended.wait(pause):
        pause = LOOKS_EVERY_SECONDS
        if is_due(settings.BACKUP_DIR, timezone.now()):
            try:
                connection.ensure_connection()
                made = backup(connection.connection, settings.BACKUP_DIR, timezone.now())
                logger.warning("copied the database to %s", made)
            except BackupFailed as wrong:
                logger.error("no copy of the database was made: %s", wrong)
            finally:
                connection.close()
        daily.do_all(timezone.now())
        connection.close()


if __name__ == "__main__":
    main()
