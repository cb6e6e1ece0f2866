"""The server: `python -m verifex.site.serve [--listen 127.0.0.1:8000]`.

One process watches over the others: as many that answer as there are cores, all on the same address, and the runner that
works through the queue. It loads the application once and forks them from there, so that a start takes as long as one of them
and a new one is there at once where one is gone.
"""

import argparse
import contextlib
import errno
import gc
import logging
import os
import signal
import socket
import sys
import threading
import time
from collections.abc import Callable, Iterable
from types import FrameType
from typing import TYPE_CHECKING, Any

from verifex.work.parents import end_with_starter

if TYPE_CHECKING:
    from wsgiref.types import StartResponse, WSGIApplication, WSGIEnvironment

MOST_CONNECTIONS = 1000  # a class keeps a connection or two open for every browser
IDLE_SECONDS = 60  # after which a connection that says nothing, or half a request, is closed
THREADS = 6
PROCESSES = min(4, os.cpu_count() or 2)
END_SECONDS = 8.0  # that a child has to end by itself
AGAIN_SECONDS = 1.0  # before one that is gone is started again


class CannotListen(Exception):
    """The address cannot be opened; says why, and what to do."""


def main() -> None:
    parser = argparse.ArgumentParser(prog="verifex-serve", description="Serves Verifex.")
    parser.add_argument("--listen", default="127.0.0.1:8000", metavar="ADDRESS:PORT")
    arguments = parser.parse_args()
    os.environ.setdefault("DJANGO_SETTINGS_MODULE", "verifex.site.settings")
    try:
        listener = open_address(arguments.listen)
    except CannotListen as wrong:
        raise SystemExit(str(wrong)) from None
    import django

    django.setup()
    watch(listener)


def open_address(listen: str) -> socket.socket:
    """The open socket. Raises CannotListen in one sentence."""
    address, _, port = listen.rpartition(":")
    try:
        number = int(port)
    except ValueError:
        raise CannotListen(f"“{listen}” is no address; one such as 127.0.0.1:8000 was expected.") from None
    try:
        listener = socket.create_server((address, number), backlog=MOST_CONNECTIONS)
    except OSError as wrong:
        if wrong.errno == errno.EADDRINUSE:
            raise CannotListen(
                f"Something listens on {listen} already, maybe another Verifex: end that first, or choose another port "
                f"(make run PORT={number + 1}, or --listen {address}:{number + 1})."
            ) from None
        raise CannotListen(f"{listen} cannot be opened: {wrong.strerror}. Choose an address of this machine.") from None
    except OverflowError:
        raise CannotListen(f"{number} is no port; ports go from 1 to 65535.") from None
    listener.setblocking(False)
    return listener


def answer_on(listener: socket.socket) -> None:
    """Answer requests until it is asked to end, or until the process that watches is gone."""
    from django.conf import settings
    from waitress import create_server

    from verifex.site.warm import warm
    from verifex.site.wsgi import application
    from verifex.work import pool

    # A short answer need not wait for a long one to be through: threads take turns every two milliseconds. More often
    # costs more in changing over than it gains.
    sys.setswitchinterval(0.002)
    # Requests wait for a free thread: that is no news.
    logging.getLogger("waitress.queue").setLevel(logging.ERROR)
    server = create_server(
        _warming(application),
        sockets=[listener],
        threads=THREADS,
        connection_limit=MOST_CONNECTIONS,
        channel_timeout=IDLE_SECONDS,
        cleanup_interval=10,
        # What is too large is read and refused in words; only what is larger still is cut off.
        max_request_body_size=settings.MOST_BODY_READ_BYTES,
        asyncore_use_poll=True,
        **behind(settings.TRUSTED_PROXY),
    )
    signal.signal(signal.SIGTERM, _leave)
    # While the first page is read; who asks meanwhile is answered all the same.
    threading.Thread(target=warm, daemon=True, name="warm-up").start()
    try:
        server.run()
    finally:
        ending = threading.Thread(target=pool.stop, daemon=True)
        ending.start()
        ending.join(3)


def _warming(application: "WSGIApplication") -> "WSGIApplication":
    """The application, whose first call of the API starts the workers for live checks: a server nobody looks at runs none."""
    from verifex.work import pool

    called: list[bool] = []

    def answer(environ: "WSGIEnvironment", start_response: "StartResponse") -> Iterable[bytes]:
        if not called and environ.get("PATH_INFO", "").startswith("/api/"):
            called.append(True)
            threading.Thread(target=pool.warm_up, args=("live",), daemon=True, name="live-workers").start()
        return application(environ, start_response)

    return answer


def behind(proxy: str) -> dict[str, Any]:
    """What the server believes of a reverse proxy at this address: who asks, by which host and whether over TLS. Without one
    all of it is dropped, since anybody could send it."""
    if not proxy:
        return {"clear_untrusted_proxy_headers": True}
    headers = {"x-forwarded-for", "x-forwarded-proto", "x-forwarded-host"}
    return {
        "trusted_proxy": proxy,
        "trusted_proxy_count": 1,
        "trusted_proxy_headers": headers,
        "clear_untrusted_proxy_headers": True,
    }


def _leave(number: int, frame: FrameType | None) -> None:
    raise SystemExit(0)


def watch(listener: socket.socket) -> None:
    """Start the others on an open socket and keep them going until this process is asked to end. Wants Django to be set up."""
    import verifex.site.wsgi  # noqa: F401  # loaded here once, for all of them
    from verifex.work import runner

    # What is loaded now stays until the end: looking through it for garbage would stop every answer for a tenth of a second
    # at a time, and would have the processes copy what they share.
    gc.collect()
    gc.freeze()
    tasks: list[tuple[str, Callable[[], None]]] = [
        (f"answering {n + 1}", lambda: answer_on(listener)) for n in range(PROCESSES)
    ]
    tasks.append(("runner", runner.work))
    running: dict[int, int] = {}  # by process its task
    signal.signal(signal.SIGTERM, _leave)
    try:
        for number in range(len(tasks)):
            running[_forked(tasks[number][1])] = number
        while True:
            pid, status = os.wait()
            number = running.pop(pid, -1)
            if number < 0:
                continue
            name = tasks[number][0]
            print(f"{name} ended with {os.waitstatus_to_exitcode(status)}; it is started again", flush=True)
            time.sleep(AGAIN_SECONDS)
            running[_forked(tasks[number][1])] = number
    except (KeyboardInterrupt, SystemExit):
        pass
    finally:
        signal.signal(signal.SIGTERM, signal.SIG_IGN)
        _end(list(running))


def _forked(task: Callable[[], None]) -> int:
    """A child that does a task and ends; gives its process id."""
    watcher = os.getpid()
    pid = os.fork()
    if pid:
        return pid
    code = 1
    try:
        end_with_starter(watcher)
        signal.signal(signal.SIGTERM, signal.SIG_DFL)
        signal.signal(signal.SIGINT, signal.SIG_IGN)  # Ctrl C is the watching process's
        task()
        code = 0
    except SystemExit:
        code = 0
    except BaseException:
        logging.getLogger(__name__).exception("a process of the server failed")
    finally:
        # Nothing of the watching process is tidied up here, and no thread is waited for.
        sys.stdout.flush()
        sys.stderr.flush()
        os._exit(code)


def _end(pids: list[int]) -> None:
    for pid in pids:
        with contextlib.suppress(ProcessLookupError):
            os.kill(pid, signal.SIGTERM)
    until = time.monotonic() + END_SECONDS
    left = set(pids)
    while left and time.monotonic() < until:
        with contextlib.suppress(ChildProcessError):
            left -= {pid for pid in left if os.waitpid(pid, os.WNOHANG)[0]}
        time.sleep(0.05)
    for pid in left:
        with contextlib.suppress(ProcessLookupError):
            os.kill(pid, signal.SIGKILL)


if __name__ == "__main__":
    main()
