"""`manage.py load_demo`: the demo course, once, with a log-in for each role."""

import json
from typing import Any

from django.conf import settings
from django.core.management.base import BaseCommand, CommandError, CommandParser

from verifex.demo import DEMO_LOG_INS
from verifex.demo.loader import load
from verifex.people.models import Course


class Command(BaseCommand):
    help = "Load the demo course unless a course is there already, and print its log-ins."

    def add_arguments(self, parser: CommandParser) -> None:
        parser.add_argument(
            "--large",
            action="store_true",
            help="48 pairs in two sections, four exercises at once, in place of 12 pairs",
        )

    def handle(self, *args: Any, **options: Any) -> None:
        kept = settings.DATA_DIR / DEMO_LOG_INS
        if Course.objects.exists() and not kept.exists():
            titles = ", ".join(Course.objects.values_list("title", flat=True))
            raise CommandError(
                f"{settings.DATA_DIR} holds a class ({titles}), and the demo is not loaded beside it. Name another folder in"
                " VERIFEX_DATA, or use `make demo`, which has one of its own."
            )
        if not Course.objects.exists():
            many = "48 pairs" if options["large"] else "12 pairs"
            self.stdout.write(f"Loading the demo course, {many}; each hand-in is judged as it would be on the day …")
            self.stdout.flush()
            loaded = load(settings.DEMO_DIR, times=4 if options["large"] else 1, spreads=options["large"])
            kept.touch(mode=0o600)
            kept.write_text(json.dumps(loaded.log_ins))
        if kept.exists():
            self.stdout.write("Log-ins of the demo course:")
            for role, name, password in json.loads(kept.read_text()):
                self.stdout.write(f"  {role:11} {name:18} {password}")
