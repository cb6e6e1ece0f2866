"""`manage.py load_demo`: the demo course, once, with a log-in for each role."""

import json
from typing import Any

from django.conf import settings
from django.core.management.base import BaseCommand

from verifex.demo.loader import load
from verifex.people.models import Course


class Command(BaseCommand):
    help = "Load the demo course unless a course is there already, and print its log-ins."

    def handle(self, *args: Any, **options: Any) -> None:
        kept = settings.DATA_DIR / "demo-log-ins.json"
        if not Course.objects.exists():
            loaded = load(settings.BASE_DIR / "demo")
            kept.touch(mode=0o600)
            kept.write_text(json.dumps(loaded.log_ins))
        if kept.exists():
            self.stdout.write("Log-ins of the demo course:")
            for role, name, password in json.loads(kept.read_text()):
                self.stdout.write(f"  {role:11} {name:18} {password}")
