"""Waking the runner when something was put into the queue, so that it need not look again and again.

A datagram to a socket beside the data; where it does not arrive, the runner looks by itself after a while.
"""

import contextlib
import logging
import os
import socket
import threading
from hashlib import sha256
from pathlib import Path

from django.conf import settings
from django.db import transaction

logger = logging.getLogger(__name__)
MOST_PATH_BYTES = 100  # of the address of such a socket on this kind of system
SECONDS_WITHOUT = 0.5  # between two looks where no socket can be opened


class _Calls:
    """How often the runner was woken; threads wait for the next time."""

    def __init__(self) -> None:
        self.changed = threading.Condition()
        self.count = 0
        self.listens = False

    def add(self) -> None:
        with self.changed:
            self.count += 1
            self.changed.notify_all()


_calls = _Calls()


def _address() -> str | bytes:
    path = str(Path(settings.DATA_DIR) / "runner.sock")
    if len(os.fsencode(path)) <= MOST_PATH_BYTES:
        return path
    return b"\0verifex-" + sha256(path.encode()).hexdigest()[:32].encode()


def up() -> None:
    """Wake the runner once what is being written is committed; at once where nothing is."""
    transaction.on_commit(_send)


def _send() -> None:
    with contextlib.suppress(OSError), socket.socket(socket.AF_UNIX, socket.SOCK_DGRAM) as sender:
        sender.setblocking(False)
        sender.sendto(b"1", _address())


def wake_count() -> int:
    """How often it was woken up to now; what comes after is not missed by `wait`."""
    return _calls.count


def wait(seconds: float, since: int) -> None:
    """Wait until it is woken again after `since`, at most so long."""
    if not _calls.listens:
        seconds = min(seconds, SECONDS_WITHOUT)
    with _calls.changed:
        _calls.changed.wait_for(lambda: _calls.count != since, timeout=seconds)


def interrupt() -> None:
    """Let everything that waits in this process go on."""
    _calls.add()


def listen() -> None:
    """Open the socket and count what comes, in a thread of its own. One that an earlier runner left is taken over."""
    address = _address()
    if isinstance(address, str):
        Path(address).unlink(missing_ok=True)
    receiver = socket.socket(socket.AF_UNIX, socket.SOCK_DGRAM)
    try:
        receiver.bind(address)
    except OSError as wrong:
        logger.warning("the runner cannot be woken (%s); it looks for work twice a second", wrong)
        receiver.close()
        return
    _calls.listens = True
    threading.Thread(target=_count, args=(receiver,), daemon=True, name="wake").start()


def _count(receiver: socket.socket) -> None:
    while True:
        receiver.recv(16)
        _calls.add()
