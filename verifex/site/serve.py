"""The server: `python -m verifex.site.serve [--listen 127.0.0.1:8000]`.

One process watches over the others: as many that answer as there are cores, all on the same address, and the runner
that works through the queue. One that is gone is started again.
"""

import argparse
import gc
import logging
import os
import signal
import socket
import subprocess
import sys
import threading
import time
from types import FrameType

from verifex.work.parents import end_with_starter

MOST_CONNECTIONS = 1000  # a class keeps a connection or two open for every browser
IDLE_SECONDS = 60  # after which a connection that says nothing, or half a request, is closed
THREADS = 6
PROCESSES = min(4, os.cpu_count() or 2)


def main() -> None:
    parser = argparse.ArgumentParser(prog="verifex-serve", description="Serves Verifex.")
    parser.add_argument("--listen", default="127.0.0.1:8000", metavar="ADDRESS:PORT")
    parser.add_argument("--socket", type=int, help=argparse.SUPPRESS)  # the open socket a child answers on
    parser.add_argument("--started-by", type=int, help=argparse.SUPPRESS)
    arguments = parser.parse_args()
    if arguments.socket is not None:
        end_with_starter(arguments.started_by)
        answer_on(socket.socket(fileno=arguments.socket))
    else:
        watch(arguments.listen)


def answer_on(listener: socket.socket) -> None:
    """Answer requests until told to end, or until the process that watches is gone."""
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
        application,
        sockets=[listener],
        threads=THREADS,
        connection_limit=MOST_CONNECTIONS,
        channel_timeout=IDLE_SECONDS,
        cleanup_interval=10,
        max_request_body_size=settings.MOST_BODY_BYTES,
        asyncore_use_poll=True,
    )
    signal.signal(signal.SIGINT, signal.SIG_IGN)  # Ctrl C is the watching process's
    signal.signal(signal.SIGTERM, _leave)
    warm()
    pool.warm_up("live")
    # What is loaded now stays until the end: looking through it for garbage would stop every answer for a tenth of a
    # second at a time.
    gc.collect()
    gc.freeze()
    try:
        server.run()
    finally:
        ending = threading.Thread(target=pool.stop, daemon=True)
        ending.start()
        ending.join(3)
        os._exit(0)


def _leave(number: int, frame: FrameType | None) -> None:
    raise SystemExit(0)


def watch(listen: str) -> None:
    """Open the address, start the others and keep them going until this process is told to end."""
    address, _, port = listen.rpartition(":")
    listener = socket.create_server((address, int(port)), backlog=MOST_CONNECTIONS)
    listener.setblocking(False)
    own = ["--started-by", str(os.getpid())]
    answering = [sys.executable, "-m", "verifex.site.serve", "--socket", str(listener.fileno()), *own]
    commands = [answering] * PROCESSES + [[sys.executable, "-m", "verifex.work.runner", *own]]
    running: dict[int, subprocess.Popen[bytes]] = {}
    signal.signal(signal.SIGTERM, _leave)
    try:
        while True:
            for number, command in enumerate(commands):
                process = running.get(number)
                if process is not None and process.poll() is None:
                    continue
                if process is not None:
                    print(f"{' '.join(command[1:3])} ended with {process.returncode}; it is started again", flush=True)
                running[number] = subprocess.Popen(command, pass_fds=[listener.fileno()])
            time.sleep(1)
    except (KeyboardInterrupt, SystemExit):
        pass
    finally:
        for process in running.values():
            process.terminate()
        for process in running.values():
            try:
                process.wait(8)
            except subprocess.TimeoutExpired:
                process.kill()


if __name__ == "__main__":
    main()
