"""`verifex-site`: one command that brings the database up to date, puts the front end in place and serves."""

import argparse
import os
from time import perf_counter


def main() -> None:
    parser = argparse.ArgumentParser(prog="verifex-site", description="Starts Verifex; the first time, empty.")
    parser.add_argument("--listen", default="127.0.0.1:8000", metavar="ADDRESS:PORT")
    parser.add_argument("--demo", action="store_true", help="load the demo course into an empty data folder")
    parser.add_argument("--demo-large", action="store_true", help="the same with 48 pairs")
    arguments = parser.parse_args()
    begun = perf_counter()
    os.environ.setdefault("DJANGO_SETTINGS_MODULE", "verifex.site.settings")
    from verifex.site.serve import CannotListen, open_address, watch

    try:
        listener = open_address(arguments.listen)
    except CannotListen as wrong:
        raise SystemExit(str(wrong)) from None
    _say("Loading the program …")
    import django

    django.setup()
    from django.conf import settings
    from django.core.management import CommandError, call_command
    from django.db import connections

    from verifex.people import first_start
    from verifex.site.database import bring_up_to_date
    from verifex.site.static import put_in_place

    if bring_up_to_date(_say) | put_in_place(_say):
        _say("All is in place.")
    if arguments.demo or arguments.demo_large:
        try:
            call_command("load_demo", large=arguments.demo_large)
        except CommandError as wrong:
            raise SystemExit(str(wrong)) from None
    _say(
        f"Verifex runs at http://{arguments.listen}/ (Ctrl C ends it), started in {perf_counter() - begun:.1f} s. "
        f"Its data are in {settings.DATA_DIR}."
    )
    if first_start.is_open():
        _say(f"Nobody has a log-in yet. The code for the first instructor: {first_start.code()}")
    connections.close_all()
    watch(listener)


def _say(line: str) -> None:
    print(line, flush=True)


if __name__ == "__main__":
    main()
