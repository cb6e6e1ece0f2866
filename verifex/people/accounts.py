"""Whose account it is: who may rename a person, give them a new first password, or remove their data.

A part in a section gives no power over the account of the person who has it: whoever could set that person's password
could act as them wherever else they have a part.
"""

from collections.abc import Collection

from verifex.acts.refusals import NotAllowed
from verifex.people.models import PairMember, Section, Staff, Student, User


def may_change_account(actor: User, section: Section, user: User) -> bool:
    """Whether an instructor of the section may act on the account itself."""
    return user.pk in accounts_to_change(actor, section.course_id, [user])


def accounts_to_change(actor: User, course_id: int, users: Collection[User]) -> set[int]:
    """Those of `users` whose account an instructor of the course may act on, with as many queries for thirty as for three.

    The first instructor of the installation may, and everybody may on their own. Others only on an account that was made
    in this course and has no part in another course: a student's by the instructors of the section, a staff member's by
    the person who made it.
    """
    if actor.is_superuser:
        return {user.pk for user in users}
    made_here = [user for user in users if user.made_in_id == course_id and not user.is_superuser]
    elsewhere = _elsewhere(made_here, course_id)
    staff = set(Staff.objects.filter(user__in=made_here).values_list("user", flat=True))
    own = {user.pk for user in users if user == actor}
    return own | {
        user.pk
        for user in made_here
        if user.pk not in elsewhere and (user.made_by_id == actor.pk or user.pk not in staff)
    }


def require_may_change_account(actor: User, section: Section, user: User) -> None:
    """Raises NotAllowed with who may."""
    if not may_change_account(actor, section, user):
        raise NotAllowed(
            f"The account of {user.get_full_name() or user.username} was not made by you in this course, or has a part in"
            " another one. Only the person who made it, or the first instructor of this installation, may do that."
        )


def _elsewhere(users: Collection[User], course_id: int) -> set[int]:
    """Those who have or had a part in another course."""
    return {
        *Staff.objects.filter(user__in=users).exclude(section__course=course_id).values_list("user", flat=True),
        *Student.objects.filter(user__in=users).exclude(section__course=course_id).values_list("user", flat=True),
        *PairMember.objects.filter(user__in=users)
        .exclude(pair__section__course=course_id)
        .values_list("user", flat=True),
    }
