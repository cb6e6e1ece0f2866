"""Whose account it is: who may rename a person, give them a new first password, or remove their data.

A part in a section gives no power over the account of the person who has it: whoever could set that person's password
could act as them wherever else they have a part.
"""

from verifex.acts.refusals import NotAllowed
from verifex.people.models import Pair, Section, Staff, Student, User


def may_change_account(actor: User, section: Section, user: User) -> bool:
    """Whether an instructor of the section may act on the account itself.

    The first instructor of the installation may, and everybody may on their own. Others only on an account that was made
    in the course of this section and has no part in another course: a student's by the instructors of the section, a
    staff member's by the person who made it.
    """
    if actor.is_superuser or actor == user:
        return True
    if user.is_superuser or user.made_in_id != section.course_id or _elsewhere(user, section.course_id):
        return False
    return user.made_by_id == actor.pk or not Staff.objects.filter(user=user).exists()


def require_may_change_account(actor: User, section: Section, user: User) -> None:
    """Raises NotAllowed with who may."""
    if not may_change_account(actor, section, user):
        raise NotAllowed(
            f"The account of {user.get_full_name() or user.username} was not made by you in this course, or has a part in"
            " another one. Only the person who made it, or the first instructor of this installation, may do that."
        )


def _elsewhere(user: User, course_id: int) -> bool:
    """Whether the person has or had a part in another course."""
    return (
        Staff.objects.filter(user=user).exclude(section__course=course_id).exists()
        or Student.objects.filter(user=user).exclude(section__course=course_id).exists()
        or Pair.objects.filter(members__user=user).exclude(section__course=course_id).exists()
    )
