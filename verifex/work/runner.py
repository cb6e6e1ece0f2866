"""The runner: a process beside the server that works through the queue, so that judging takes nothing from answering.

`python -m verifex.work.runner`; `verifex.site.serve` starts it and starts it again when it is gone.
"""

import logging
import os
import signal
import threading
from types import FrameType

logger = logging.getLogger(__name__)
THREADS = 4  # they wait for workers more than they work
NICENESS = 5


def main() -> None:
    os.environ.setdefault("DJANGO_SETTINGS_MODULE", "verifex.site.settings")
    import django

    django.setup()
    from verifex.work import pool, queue

    os.nice(NICENESS)
    ended = threading.Event()

    def end(number: int, frame: FrameType | None) -> None:
        ended.set()

    signal.signal(signal.SIGTERM, end)
    signal.signal(signal.SIGINT, signal.SIG_IGN)  # Ctrl C ends the server, which ends its runner
    queue.release_own()
    pool.warm_up("judging")
    for number in range(THREADS):
        threading.Thread(target=queue.serve_until, args=(ended,), daemon=True, name=f"queue-{number}").start()
    server = os.getppid()
    while not ended.wait(1.0):
        if os.getppid() != server:  # the server died without a word
            ended.set()
    ending = threading.Thread(target=pool.stop, daemon=True)
    ending.start()
    ending.join(3)
    os._exit(0)  # what was under way is in the queue still


if __name__ == "__main__":
    main()
