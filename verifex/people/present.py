"""Who is logged in, as every screen asks for it."""

from typing import Any

from django.db.models import QuerySet

from verifex.people import first_start
from verifex.people.access import may_found, pairs_of
from verifex.people.models import Pair, Staff, User
from verifex.people.schemas import InvitationOut, MeOut, ResetOut, SectionOut


def me_of(user: Any) -> MeOut:
    if not isinstance(user, User):
        return MeOut(name="", kind="nobody", first_start=first_start.is_open())
    parts = Staff.objects.filter(user=user).select_related("section__course")
    sections = [SectionOut(id=p.section_id, name=str(p.section), role=p.role) for p in parts]
    pairs = pairs_of(user)
    if sections or user.is_superuser:
        kind = "instructor" if user.is_superuser or any(s.role == "instructor" for s in sections) else "assistant"
    else:
        kind = "pair" if pairs else "nobody"
    return MeOut(
        name=user.get_full_name(),
        kind=kind,
        sections=sections,
        pair=pairs[0].name if pairs and (not sections) else "",
        zone=zone_of(parts, pairs),
        founds=may_found(user),
        change_password=user.must_change_password,
        password_reset=reset_of(user),
        invitations=[
            InvitationOut(id=i.pk, section=str(i.section), role=i.role, by=i.by.get_full_name() or i.by.username)
            for i in user.invitations.select_related("section__course", "by")
        ],
    )


def reset_of(user: User) -> ResetOut | None:
    if user.password_reset_at is None:
        return None
    by = user.password_reset_by
    return ResetOut(by=by.get_full_name() if by else "", at=user.password_reset_at)


def zone_of(parts: "QuerySet[Staff]", pairs: list[Pair]) -> str:
    """The time zone of the first course somebody staffs, else of the one they are a student in."""
    part = next(iter(parts), None)
    section = part.section if part else pairs[0].section if pairs else None
    return section.course.zone if section else ""
