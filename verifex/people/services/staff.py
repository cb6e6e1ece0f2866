"""Who instructs and assists in a section. A person may have a part in several."""

from django.db import transaction

from verifex.acts.events import record
from verifex.acts.refusals import Refused
from verifex.people.access import require_instructor
from verifex.people.models import Section, Staff, User
from verifex.people.passwords import made_up_password, set_password
from verifex.people.user_names import log_in_for, plain, split_name, usable_log_in


@transaction.atomic
def add_staff(actor: User, section: Section, who: str, role: str) -> tuple[User, str]:
    """Somebody new by name, or somebody who is there already by log-in. Returns the person, and the first password of a new
    one (shown once, changed at the first log-in), else an empty text. Raises Refused."""
    require_instructor(actor, section)
    if role not in Staff.Role.values:
        raise Refused("Staff are instructors or assistants.")
    known = User.objects.filter(username__iexact=who.strip(), is_active=True).first()
    password = ""
    if known is None:
        first, last = split_name(who)
        if not first or not last:
            raise Refused("Nobody has this log-in; for somebody new give first and last name.")
        same = [u for u in _staff_of_course(section) if plain(u.get_full_name()) == plain(f"{first}{last}")]
        if same:
            raise Refused(f"{same[0].get_full_name()} is there already; add them by the log-in {same[0].username}.")
        taken = set(User.objects.values_list("username", flat=True))
        known = User(username=usable_log_in(log_in_for(first, last, taken)), first_name=first, last_name=last)
        password = made_up_password()
        set_password(known, password, is_first=True)
        known.save()
    if Staff.objects.filter(section=section, user=known).exists():
        raise Refused(f"{known.get_full_name()} has a part in {section.name} already.")
    if section.students.filter(user=known, until=None).exists():
        raise Refused(f"{known.get_full_name()} is on the class list of {section.name}.")
    Staff.objects.create(section=section, user=known, role=role)
    record(actor, f"made {role} of {section.name}"[:120], f"user:{known.pk}")
    return known, password


@transaction.atomic
def change_role(actor: User, section: Section, user_id: int, role: str | None) -> None:
    """Another role, or none. Raises Refused where the section would be left without an instructor."""
    require_instructor(actor, section)
    part = Staff.objects.select_related("user").get(section=section, user=user_id)
    if role is not None and role not in Staff.Role.values:
        raise Refused("Staff are instructors or assistants.")
    others = Staff.objects.filter(section=section, role=Staff.Role.INSTRUCTOR).exclude(pk=part.pk)
    if role != Staff.Role.INSTRUCTOR and not others.exists():
        raise Refused(f"{section.name} needs an instructor; name another one first.")
    if role is None:
        part.delete()
        record(actor, f"taken off the staff of {section.name}"[:120], f"user:{user_id}")
    else:
        part.role = role
        part.save(update_fields=["role"])
        record(actor, f"made {role} of {section.name}"[:120], f"user:{user_id}")


@transaction.atomic
def reset_password(actor: User, section: Section, user_id: int) -> tuple[User, str]:
    """A new first password for a student or a member of staff of a section; every session of theirs ends."""
    require_instructor(actor, section)
    user = User.objects.get(pk=user_id)
    mine = section.students.filter(user=user, until=None).exists() or section.staff.filter(user=user).exists()
    if not mine:
        raise Refused("This person is not in this section.")
    if user.is_superuser and user != actor:
        raise Refused("The one who set up this installation resets their own password.")
    password = made_up_password()
    set_password(user, password, is_first=True)
    user.save()
    record(actor, "reset the password", f"user:{user.pk}")
    return user, password


def _staff_of_course(section: Section) -> list[User]:
    return list(User.objects.filter(staff_of__section__course=section.course_id).distinct())
