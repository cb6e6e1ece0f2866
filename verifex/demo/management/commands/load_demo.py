"""`manage.py load_demo`: the demo course, once, with a log-in for each role."""

import json
from typing import Any

from django.conf import settings
from django.core.management.base import BaseCommand, CommandParser

from verifex.demo.loader import load
from verifex.people.models import Course


class Command(BaseCommand):
    help = "Load the demo course unless a course is there already, and print its log-ins."

    def add_arguments(self, parser: CommandParser) -> None:
        parser.add_argument("--large", action="store_true", help="48 pairs in two sections, four exercises at once, in place of 12 pairs")

    def handle(self, *args: Any, **options: Any) -> None:
        kept = settings.DATA_DIR / "demo-log-ins.json"
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
