"""`verifex-site`: one command that brings the database up to date, puts the front end in place and serves."""

import argparse
import os


def main() -> None:
    parser = argparse.ArgumentParser(prog="verifex-site", description="Starts Verifex; the first time, empty.")
    parser.add_argument("--listen", default="127.0.0.1:8000", metavar="ADDRESS:PORT")
    arguments = parser.parse_args()
    os.environ.setdefault("DJANGO_SETTINGS_MODULE", "verifex.site.settings")

    import django

    django.setup()
    from django.conf import settings
    from django.core.management import call_command
    from django.db import connection

    from verifex.people import first_start
    from verifex.site.serve import watch
    from verifex.site.static import put_in_place

    call_command("migrate", verbosity=0)
    put_in_place()
    print(
        f"Verifex runs at http://{arguments.listen}/ (Ctrl C ends it). Its data are in {settings.DATA_DIR}.", flush=True
    )
    if first_start.is_open():
        print(f"Nobody has a log-in yet. The code for the first instructor: {first_start.code()}", flush=True)
    connection.close()
    watch(arguments.listen)


if __name__ == "__main__":
    main()
