"""A year of students imported in one file, against the clock: 240 of them in ten sections, preview and import."""

from time import perf_counter

from tests.own_database import own_database

STUDENTS, SECTIONS = 240, 10


def class_list() -> None:
    """Reads the file, shows what would change, and imports it, in a database of its own."""
    rows = "".join(f"Name{n},Given{n},{1000 + n},Section {n % SECTIONS}\n" for n in range(STUDENTS))
    data = ("Surname,First name,Number,Section\n" + rows).encode()
    with own_database():
        from verifex.people.class_list.columns import propose_columns
        from verifex.people.models import Section, Student, User
        from verifex.people.services.class_lists import import_list, preview
        from verifex.people.services.courses import found_course
        from verifex.tables.read import read_rows

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
    print(f"{'class list imported':24} {seconds:8.2f} s   ({held} students in {SECTIONS} sections)")


if __name__ == "__main__":
    class_list()
