"""`manage.py course export TITLE FILE [--without-people]` and `manage.py course import FILE`."""

from pathlib import Path
from typing import Any

from django.core.management.base import BaseCommand, CommandError, CommandParser

from verifex.acts.refusals import Refused
from verifex.core.problems import UnusableInput
from verifex.people.models import Course
from verifex.set_up.course_file.bring_in import put_in
from verifex.set_up.course_file.export import as_zip, course_files
from verifex.set_up.course_file.unpack import unpack


class Command(BaseCommand):
    help = "Takes a course out as one zip of open files, or puts one in."

    def add_arguments(self, parser: CommandParser) -> None:
        acts = parser.add_subparsers(dest="act", required=True)
        out = acts.add_parser("export", help="take a course out")
        out.add_argument("title")
        out.add_argument("file", type=Path)
        out.add_argument("--without-people", action="store_true")
        into = acts.add_parser("import", help="put a course in")
        into.add_argument("file", type=Path)
        into.add_argument("--without-kits", action="store_true")

    def handle(self, *args: Any, act: str, file: Path, **options: Any) -> None:
        if act == "export":
            course = Course.objects.filter(title=options["title"]).order_by("-pk").first()
            if course is None:
                known = ", ".join(Course.objects.values_list("title", flat=True)) or "none"
                raise CommandError(f"No course is called “{options['title']}”; there are: {known}.")
            file.touch(mode=0o600)
            file.write_bytes(as_zip(course_files(course, people=not options["without_people"])))
            self.stdout.write(f"{file}  ({file.stat().st_size / 1e3:.0f} kB)")
            return
        try:
            course = put_in(None, unpack(file.read_bytes()), kits=not options["without_kits"])
        except OSError as wrong:
            raise CommandError(f"{file} cannot be read: {wrong.strerror}.") from None
        except Refused as wrong:
            raise CommandError(str(wrong)) from None
        except UnusableInput as wrong:
            told = "\n".join(f"line {p.line}: {p.message}" for p in wrong.problems)
            raise CommandError(f"{file} cannot be put in:\n{told}") from None
        self.stdout.write(f"{course.title} is here.")
