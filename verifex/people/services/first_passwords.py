"""First passwords for a section: made when the slips are printed, kept only as hashes."""

from dataclasses import dataclass

from django.db import transaction
from django.db.models import QuerySet

from verifex.acts.events import record
from verifex.people.access import require_instructor
from verifex.people.accounts import accounts_to_change
from verifex.people.models import Section, Student, User
from verifex.people.passwords import made_up_password
from verifex.people.refusals import AllHaveLoggedIn, TooManySlips

MOST_AT_ONCE = 80


@dataclass(frozen=True, slots=True)
class FirstLogIn:
    """What stands on a student's slip."""

    name: str
    log_in: str
    password: str


def never_logged_in(section: Section) -> "QuerySet[Student]":
    return section.students.filter(until=None, user__last_login=None)


def for_section(actor: User, section: Section) -> list[FirstLogIn]:
    """New first passwords for students of a section who never logged in; slips printed before do not hold any more."""
    require_instructor(actor, section)
    rows = never_logged_in(section).select_related("user")
    allowed = accounts_to_change(actor, section.course_id, [row.user for row in rows])
    users = [row.user for row in rows if row.user_id in allowed][: MOST_AT_ONCE + 1]
    if not users:
        raise AllHaveLoggedIn()
    if len(users) > MOST_AT_ONCE:
        raise TooManySlips(MOST_AT_ONCE)
    made = []
    for user in users:
        password = made_up_password()
        user.set_password(password)
        user.must_change_password = True
        made.append(FirstLogIn(user.get_full_name(), user.username, password))
    with transaction.atomic():
        User.objects.bulk_update(users, ["password", "must_change_password"])
        record(actor, f"printed {len(made)} log-in slips", f"section:{section.pk}")
    return made
