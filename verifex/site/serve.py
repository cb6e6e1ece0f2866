"""The server: `python -m verifex.site.serve [--listen 127.0.0.1:8000]`."""

import argparse
import logging

from waitress import create_server

MOST_CONNECTIONS = 1000  # a class keeps a connection or two open for every browser
IDLE_SECONDS = 60  # after which a connection that says nothing, or half a request, is closed
THREADS = 8


def main() -> None:
    parser = argparse.ArgumentParser(prog="verifex-serve", description="Serves Verifex.")
    parser.add_argument("--listen", default="127.0.0.1:8000", metavar="ADDRESS:PORT")
    arguments = parser.parse_args()
    from django.conf import settings

    from verifex.site.wsgi import application
    from verifex.work import pool, queue

    # Requests wait for a free thread: that is no news.
    logging.getLogger("waitress.queue").setLevel(logging.ERROR)
    server = create_server(
        application,
        listen=arguments.listen,
        threads=THREADS,
        connection_limit=MOST_CONNECTIONS,
        channel_timeout=IDLE_SECONDS,
        cleanup_interval=10,
        max_request_body_size=settings.MOST_BODY_BYTES,
        asyncore_use_poll=True,
    )
    try:
        server.run()
    finally:
        queue.stop()
        pool.stop()


if __name__ == "__main__":
    main()
