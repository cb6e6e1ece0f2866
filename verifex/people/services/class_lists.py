"""The class list: imported with a preview, added to by hand, taken off; log-ins are made on the way."""

from collections.abc import Collection, Sequence
from dataclasses import dataclass
from hashlib import sha256

from django.contrib.auth.hashers import make_password
from django.db import transaction

from verifex.acts import clock
from verifex.acts.events import record
from verifex.acts.refusals import NotAllowed, Stale
from verifex.people.access import require_instructor, role_in
from verifex.people.accounts import require_may_change_account
from verifex.people.class_list.changes import Change, Entry, Listed, compare, entries
from verifex.people.class_list.columns import Columns
from verifex.people.membership import end_now
from verifex.people.models import Course, Pair, PairMember, Section, Staff, Student, User
from verifex.people.refusals import StudentNotNew
from verifex.people.user_names import log_in_for, split_name
from verifex.tables.read import Rows


@dataclass(frozen=True, slots=True)
class Preview:
    """What an import would do, and a digest of it: the import itself does that and nothing else."""

    changes: list[Change]
    new_sections: list[str]

    @property
    def digest(self) -> str:
        return sha256(repr((self.changes, self.new_sections)).encode()).hexdigest()[:24]


def preview(actor: User, section: Section, rows: Rows, columns: Columns) -> Preview:
    """What importing these rows would change. Rows that name a section go there; others to `section`."""
    require_instructor(actor, section)
    own = [s for s in Section.objects.filter(course=section.course_id) if role_in(actor, s) == Staff.Role.INSTRUCTOR]
    known = {s.name.casefold(): s.name for s in own}
    others = {s.name.casefold() for s in Section.objects.filter(course=section.course_id)} - set(known)
    rows_read = entries(rows, columns, section.name)
    if foreign := {r.section for r in rows_read if isinstance(r, Entry) and r.section.casefold() in others}:
        raise NotAllowed(f"Only an instructor of {', '.join(sorted(foreign))} may import for it.")
    found = compare(rows_read, _listed(own))
    wanted = dict.fromkeys(c.entry.section for c in found if c.entry and c.kind not in ("wrong", "same"))
    return Preview(found, [name for name in wanted if name and name.casefold() not in known])


def _listed(sections: Sequence[Section]) -> list[Listed]:
    rows = Student.objects.filter(section__in=sections, until=None).select_related("user", "section")
    return [
        Listed(s.user.first_name, s.user.last_name, s.number, s.group, s.section.name, user_id=s.user_id)
        for s in rows.order_by("id")
    ]


@transaction.atomic
def import_list(
    actor: User,
    section: Section,
    rows: Rows,
    columns: Columns,
    *,
    seen: str,
    take: Collection[int],
    take_off: Collection[int],
) -> dict[str, int]:
    """Do what the preview with the digest `seen` showed: all or nothing. `take` are the rows of doubtful ones that are done
    all the same, `take_off` the users missing in the file who leave the list. Raises Stale where the list has changed."""
    found = preview(actor, section, rows, columns)
    if found.digest != seen:
        raise Stale(["The class list changed since the preview; look at the new one."])
    course = section.course
    by_name = {s.name.casefold(): s for s in Section.objects.filter(course=course)}
    for name in found.new_sections:
        by_name[name.casefold()] = made = Section.objects.create(course=course, name=name)
        Staff.objects.create(section=made, user=actor, role=Staff.Role.INSTRUCTOR)
    counts = {"added": 0, "changed": 0, "taken off": 0}
    new: list[tuple[Entry, User]] = []
    taken = set(User.objects.values_list("username", flat=True))
    unusable = make_password(None)
    for change in found.changes:
        entry = change.entry
        if change.kind == "missing" and change.listed and change.listed.user_id in take_off:
            _leave(course, change.listed.user_id)
            counts["taken off"] += 1
        elif entry is None or (change.kind == "doubtful" and entry.row not in take):
            continue
        elif change.kind == "changed" or (change.kind == "doubtful" and change.listed):
            assert change.listed is not None
            _change(actor, course, change.listed.user_id, entry, by_name[entry.section.casefold()])
            counts["changed"] += 1
        elif change.kind in ("added", "doubtful"):
            log_in = log_in_for(entry.first, entry.last, taken)
            taken.add(log_in)
            user = User(username=log_in, first_name=entry.first, last_name=entry.last, password=unusable)
            user.made_in, user.made_by = course, actor
            new.append((entry, user))
            counts["added"] += 1
    User.objects.bulk_create([user for _, user in new])
    Student.objects.bulk_create(
        Student(section=by_name[e.section.casefold()], user=user, number=e.number, group=e.group) for e, user in new
    )
    said = ", ".join(f"{count} {what}" for what, count in counts.items() if count) or "nothing new"
    record(actor, f"imported a class list: {said}", f"section:{section.pk}")
    return counts


def _change(actor: User, course: Course, user_id: int, entry: Entry, section: Section) -> None:
    row = Student.objects.select_related("user", "section").get(section__course=course, user=user_id, until=None)
    if (row.user.first_name, row.user.last_name) != (entry.first, entry.last):
        require_may_change_account(actor, row.section, row.user)
        row.user.first_name, row.user.last_name = entry.first, entry.last
        row.user.save(update_fields=["first_name", "last_name"])
    if row.section_id != section.pk:
        _leave(course, user_id)
        Student.objects.create(
            section=section, user=row.user, number=entry.number or row.number, group=entry.group or row.group
        )
        return
    row.number, row.group = entry.number or row.number, entry.group or row.group
    row.save(update_fields=["number", "group"])


def _leave(course: Course, user_id: int) -> None:
    """Off the list and out of the pair from now on; what was done stays, and a pair that nobody is left in ends."""
    now = clock.now()
    open_rows = PairMember.objects.filter(pair__section__course=course, user=user_id, until=None)
    left = list(open_rows.values_list("pair", flat=True))
    end_now(Student.objects.filter(section__course=course, user=user_id, until=None), now)
    end_now(open_rows, now)
    emptied = Pair.objects.filter(pk__in=left, archived_at=None).exclude(members__until=None)
    emptied.update(archived_at=now)


@transaction.atomic
def add_student(actor: User, section: Section, name: str, number: str = "") -> Student:
    """One more on the list, by hand. Raises Refused where the name or the number is there already."""
    require_instructor(actor, section)
    first, last = split_name(name)
    change = compare([Entry(first, last, number.strip(), section=section.name, row=1)], _listed([section]))[0]
    if change.kind != "added":
        why = change.why or "this student is on the list already"
        raise StudentNotNew(why[:1].upper() + why[1:])
    taken = set(User.objects.values_list("username", flat=True))
    user = User.objects.create(
        username=log_in_for(first, last, taken),
        first_name=first,
        last_name=last,
        password=make_password(None),
        made_in=section.course,
        made_by=actor,
    )
    row = Student.objects.create(section=section, user=user, number=number.strip()[:40])
    record(actor, f"added to the list of {section.name}"[:120], f"user:{user.pk}")
    return row


@transaction.atomic
def take_off(actor: User, section: Section, user_id: int) -> None:
    """Off the list from now on, and out of the pair; what was done stays."""
    require_instructor(actor, section)
    row = Student.objects.select_related("user").get(section=section, user=user_id, until=None)
    _leave(section.course, row.user_id)
    record(actor, f"taken off the list of {section.name}"[:120], f"user:{user_id}")


@transaction.atomic
def rename(actor: User, section: Section, user_id: int, name: str) -> None:
    require_instructor(actor, section)
    row = Student.objects.select_related("user").get(section=section, user=user_id, until=None)
    require_may_change_account(actor, section, row.user)
    row.user.first_name, row.user.last_name = split_name(name)
    row.user.save(update_fields=["first_name", "last_name"])
    record(actor, "renamed", f"user:{user_id}")
