"""A year of students imported in one file, against the clock: 240 of them in ten sections, preview and import."""

import os
from time import perf_counter

STUDENTS, SECTIONS = 240, 10


def class_list() -> None:
    """Reads the file, shows what would change, and imports it, in a database of its own."""
    os.environ.setdefault("DJANGO_SETTINGS_MODULE", "verifex.site.settings_test")
    import django

    django.setup()
    from django.test.runner import DiscoverRunner

    from verifex.people.class_list.columns import propose_columns
    from verifex.people.models import Section, Student, User
    from verifex.people.services.class_lists import import_list, preview
    from verifex.people.services.courses import found_course
    from verifex.tables.read import read_rows

    rows = "".join(f"Name{n},Given{n},{1000 + n},Section {n % SECTIONS}\n" for n in range(STUDENTS))
    data = ("Surname,First name,Number,Section\n" + rows).encode()
    runner = DiscoverRunner(interactive=False, verbosity=0)
    databases = runner.setup_databases()
    try:
        user = User.objects.create(username="a.linden", is_superuser=True)
        found_course(user, "Hives", "UTC", ["Section 0"])
        section = Section.objects.get()
        start = perf_counter()
        table = read_rows(data)
        columns = propose_columns(table)
        seen = preview(user, section, table, columns).digest
        import_list(user, section, table, columns, seen=seen, take=(), take_off=())
        seconds = perf_counter() - start
        held = Student.objects.count()
    finally:
        runner.teardown_databases(databases)
    print(f"{'class list imported':24} {seconds:8.2f} s   ({held} students in {SECTIONS} sections)")


if __name__ == "__main__":
    class_list()
