"""Who instructs and assists in a section. A person may have a part in several."""

from dataclasses import dataclass

from django.db import transaction

from verifex.acts import clock
from verifex.acts.events import record
from verifex.acts.refusals import NotAllowed
from verifex.people.access import require_instructor
from verifex.people.accounts import require_may_change_account
from verifex.people.models import Invitation, Section, Staff, User
from verifex.people.passwords import made_up_password, set_password
from verifex.people.refusals import (
    AlreadyStaff,
    CourseClosed,
    LastInstructor,
    LogInNotFound,
    PersonNotInSection,
    SamePersonExists,
    StaffOnClassList,
    UnknownStaffRole,
)
from verifex.people.user_names import log_in_for, plain, split_name, usable_log_in


@dataclass(frozen=True, slots=True)
class Added:
    """What adding somebody came to. `user` is None where a person of another course was invited; `password` is the first
    one of a new account (shown once, changed at the first log-in), else empty."""

    log_in: str
    user: User | None = None
    password: str = ""


@transaction.atomic
def add_staff(actor: User, section: Section, who: str, role: str) -> Added:
    """Somebody new by name, or somebody who has an account by log-in.

    Who belongs to the staff of this course already has the part at once; anybody else is invited and has it when they
    accept, so that nobody is put into a section without being asked. Raises Refused.
    """
    require_instructor(actor, section)
    if role not in Staff.Role.values:
        raise UnknownStaffRole()
    known = User.objects.filter(username__iexact=who.strip(), is_active=True).first()
    if known is not None:
        return _add_known(actor, section, known, role)
    first, last = split_name(who)
    if not first or not last:
        raise LogInNotFound()
    same = [u for u in _staff_of_course(section) if plain(u.get_full_name()) == plain(f"{first}{last}")]
    if same:
        raise SamePersonExists(same[0].get_full_name(), same[0].username)
    taken = set(User.objects.values_list("username", flat=True))
    made = User(username=usable_log_in(log_in_for(first, last, taken)), first_name=first, last_name=last)
    made.made_in, made.made_by = section.course, actor
    password = made_up_password()
    set_password(made, password, is_first=True)
    made.save()
    _take_part(actor, section, made, role)
    return Added(made.username, made, password)


def _add_known(actor: User, section: Section, user: User, role: str) -> Added:
    if Staff.objects.filter(section=section, user=user).exists():
        raise AlreadyStaff(user.username, section.name)
    if section.students.filter(user=user, until=None).exists():
        raise StaffOnClassList(user.username, section.name)
    if user == actor or Staff.objects.filter(section__course=section.course_id, user=user).exists():
        _take_part(actor, section, user, role)
        return Added(user.username, user)
    Invitation.objects.update_or_create(
        section=section, user=user, defaults={"role": role, "by": actor, "at": clock.now()}
    )
    record(actor, f"invited as {role} of {section.name}"[:120], f"user:{user.pk}")
    return Added(user.username)


def _take_part(actor: User, section: Section, user: User, role: str) -> None:
    Staff.objects.create(section=section, user=user, role=role)
    record(actor, f"made {role} of {section.name}"[:120], f"user:{user.pk}")


@transaction.atomic
def answer_invitation(actor: User, invitation_id: int, *, accept: bool) -> None:
    """The invited person takes the part, or declines it. Raises NotAllowed for everybody else's invitation."""
    found = Invitation.objects.select_related("section__course").filter(pk=invitation_id, user=actor).first()
    if found is None:
        raise NotAllowed("This invitation is not yours, or it was withdrawn.")
    if accept and found.section.course.closed_at:
        raise CourseClosed()
    if accept and not Staff.objects.filter(section=found.section, user=actor).exists():
        _take_part(actor, found.section, actor, found.role)
    elif not accept:
        record(actor, f"declined to be {found.role} of {found.section.name}"[:120], f"section:{found.section_id}")
    found.delete()


@transaction.atomic
def withdraw_invitation(actor: User, section: Section, invitation_id: int) -> None:
    require_instructor(actor, section)
    found = Invitation.objects.get(pk=invitation_id, section=section)
    record(actor, f"withdrew an invitation to {section.name}"[:120], f"user:{found.user_id}")
    found.delete()


@transaction.atomic
def change_role(actor: User, section: Section, user_id: int, role: str | None) -> None:
    """Another role, or none. Raises Refused where the section would be left without an instructor."""
    require_instructor(actor, section)
    part = Staff.objects.select_related("user").get(section=section, user=user_id)
    if role is not None and role not in Staff.Role.values:
        raise UnknownStaffRole()
    others = Staff.objects.filter(section=section, role=Staff.Role.INSTRUCTOR).exclude(pk=part.pk)
    if role != Staff.Role.INSTRUCTOR and not others.exists():
        raise LastInstructor(section.name)
    if role is None:
        part.delete()
        record(actor, f"taken off the staff of {section.name}"[:120], f"user:{user_id}")
    else:
        part.role = role
        part.save(update_fields=["role"])
        record(actor, f"made {role} of {section.name}"[:120], f"user:{user_id}")


@transaction.atomic
def reset_password(actor: User, section: Section, user_id: int) -> tuple[User, str]:
    """A new first password for a student or a member of staff of a section; every session of theirs ends, and the person
    is informed at the next log-in. Raises NotAllowed for an account that the actor did not make."""
    require_instructor(actor, section)
    user = User.objects.get(pk=user_id)
    mine = section.students.filter(user=user, until=None).exists() or section.staff.filter(user=user).exists()
    if not mine:
        raise PersonNotInSection()
    require_may_change_account(actor, section, user)
    password = made_up_password()
    set_password(user, password, is_first=True)
    user.password_reset_by, user.password_reset_at = actor, clock.now()
    user.save()
    record(actor, "reset the password", f"user:{user.pk}")
    return user, password


def _staff_of_course(section: Section) -> list[User]:
    return list(User.objects.filter(staff_of__section__course=section.course_id).distinct())
