"""Who someone is in a section. Every service asks here; nothing else decides on roles."""

from django.db.models import Q
from django.http import HttpRequest

from verifex.acts import clock
from verifex.acts.refusals import NotAllowed
from verifex.people.models import Course, Pair, PairMember, Section, Staff, User


def reader(request: HttpRequest) -> User:
    """Who asks; the API lets nobody in who is not logged in. Raises NotAllowed all the same."""
    if not isinstance(request.user, User):
        raise NotAllowed("You are not logged in.")
    return request.user


def role_in(user: User, section: Section) -> str | None:
    """'instructor', 'assistant' or None."""
    return Staff.objects.filter(user=user, section=section).values_list("role", flat=True).first()


def require_staff(user: User, section: Section) -> str:
    """The staff role of the user. Raises NotAllowed for everyone else."""
    role = role_in(user, section)
    if role is None:
        raise NotAllowed("Only the staff of this section may do that.")
    return role


def require_instructor(user: User, section: Section) -> None:
    if role_in(user, section) != Staff.Role.INSTRUCTOR:
        raise NotAllowed("Only an instructor of this section may do that.")


def memberships(user: User, path: str = "") -> Q:
    """The user's memberships of now, as a condition; `path` leads to the membership (`pair__members__`)."""
    now = clock.now()
    still = Q(**{f"{path}until__isnull": True}) | Q(**{f"{path}until__gt": now})
    return still & Q(**{f"{path}user": user, f"{path}since__lte": now})


def pairs_of(user: User) -> list[Pair]:
    """The pairs the user is a member of now."""
    return list(Pair.objects.filter(memberships(user, "members__")).select_related("section__course").distinct())


def is_member(user: User, pair: Pair) -> bool:
    return PairMember.objects.filter(memberships(user), pair=pair).exists()


def sections_of(user: User, role: str | None = None) -> list[Section]:
    """Sections the user is staff of, or has this role in."""
    parts = Staff.objects.filter(user=user, **({"role": role} if role else {}))
    return list(Section.objects.filter(pk__in=parts.values("section")).select_related("course").order_by("id"))


def courses_of(user: User, role: str | None = None) -> list[Course]:
    """Courses the user is staff in, or has this role in."""
    parts = Staff.objects.filter(user=user, **({"role": role} if role else {}))
    return list(Course.objects.filter(pk__in=parts.values("section__course")).order_by("id"))


def may_found(user: User) -> bool:
    """Whether the user may set up a new course: who set up the installation, and whoever instructs somewhere."""
    return user.is_superuser or Staff.objects.filter(user=user, role=Staff.Role.INSTRUCTOR).exists()


def is_staff_of(user: User, course: Course) -> bool:
    return Staff.objects.filter(user=user, section__course=course).exists()


def require_course_instructor(user: User, course: Course) -> None:
    if not Staff.objects.filter(user=user, section__course=course, role=Staff.Role.INSTRUCTOR).exists():
        raise NotAllowed("Only an instructor of this course may do that.")
