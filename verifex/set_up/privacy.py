"""One student's data: given to them, and taken away; and what of a closed course is forgotten after its time.

Figures stay: marks, times, how often something was handed in. Names become pseudonyms, programs and logs go.
"""

from datetime import datetime, timedelta
from itertools import pairwise
from typing import Any

from django.conf import settings
from django.db import transaction
from django.db.models import Q

from verifex.acts import clock
from verifex.acts.events import record, session_scope
from verifex.acts.models import Event
from verifex.dockets.models import Attempt, BenchSheets, Judgement
from verifex.marks.models import ClosedMark, StudentMark
from verifex.people.access import require_instructor
from verifex.people.accounts import require_may_change_account
from verifex.people.membership import end_now
from verifex.people.models import Course, Pair, PairMember, Section, Staff, Student, User
from verifex.plan.models import Session
from verifex.set_up.refusals import NeverAStudentHere, PersonIsStaff, StudentInOtherSection

FORGOTTEN = "(forgotten)"


def data_of(actor: User, section: Section, user: User) -> dict[str, Any]:
    """All that is kept of a student in this course, as the student may have it. Raises Refused for who was never in the
    section. What other courses keep is theirs to give."""
    require_instructor(actor, section)
    _require_member(section, user)
    course = section.course
    marks = ClosedMark.objects.filter(
        docket__pair__members__user=user, docket__pair__section__course=course, reopened_at=None
    ).distinct()
    scopes = [session_scope(pk) for pk in Session.objects.filter(section__course=course).values_list("pk", flat=True)]
    return {
        "name": user.get_full_name(),
        "log_in": user.username,
        "last_log_in": user.last_login,
        "class_lists": [
            {"section": str(s.section), "number": s.number, "group": s.group, "since": s.since, "until": s.until}
            for s in user.student_of.filter(section__course=course).select_related("section__course")
        ],
        "pairs": [
            {"pair": m.pair.badge, "section": m.pair.section.name, "since": m.since, "until": m.until}
            for m in user.memberships.filter(pair__section__course=course).select_related("pair__section")
        ],
        "handed_in": [
            {"exercise": str(a.docket.version), "kind": a.kind, "attempt": a.number, "at": a.at, "text": a.text}
            for a in Attempt.objects.filter(by=user, docket__pair__section__course=course)
            .select_related("docket__version__exercise")
            .order_by("at")
        ],
        "marks": [
            {"exercise": str(m.docket.version), "at": m.at, **{k: v for k, v in line.items() if k != "id"}}
            for m in marks.select_related("docket__version__exercise")
            for line in m.students
            if line.get("id") == user.pk
        ],
        "acts": [
            {"at": e.at, "what": e.verb}
            for e in Event.objects.filter(Q(scope__in=scopes) | Q(subject=f"user:{user.pk}"), actor=user).order_by("id")
        ],
    }


@transaction.atomic
def remove_student(actor: User, section: Section, user: User) -> str:
    """Take a student's data away: off the lists, no name, no log-in, no text. Returns the pseudonym that stays. Raises
    Refused for staff, and while they sit in a pair of somebody else's section."""
    require_instructor(actor, section)
    _require_member(section, user)
    if Staff.objects.filter(user=user).exists() or user.is_superuser:
        raise PersonIsStaff()
    require_may_change_account(actor, section, user)
    elsewhere = Student.objects.filter(user=user, until=None).exclude(section=section).select_related("section")
    if other := elsewhere.first():
        raise StudentInOtherSection(str(other.section))
    now = clock.now()
    end_now(Student.objects.filter(user=user, until=None), now)
    end_now(PairMember.objects.filter(user=user, until=None), now)
    pseudonym = _forget(user)
    _forget_texts(Attempt.objects.filter(by=user))
    record(actor, "removed a student's data", f"user:{user.pk}")
    return pseudonym


@transaction.atomic
def forget_course(course: Course) -> int:
    """Names, programs and logs of a closed course go; figures stay. Returns how many people were forgotten."""
    only_here = [
        user
        for user in User.objects.filter(student_of__section__course=course).distinct()
        if not user.is_superuser
        and not Staff.objects.filter(user=user).exists()
        and not Student.objects.filter(user=user).exclude(section__course=course).exists()
    ]
    for user in only_here:
        _forget(user)
    _forget_texts(Attempt.objects.filter(docket__pair__section__course=course))
    for pair in Pair.objects.filter(section__course=course):
        Pair.objects.filter(pk=pair.pk).update(name=pair.badge)
    record(None, f"forgot {len(only_here)} people, their programs and logs", f"course:{course.pk}")
    return len(only_here)


def forget_what_is_over(now: datetime) -> int:
    """Every course that was closed so long ago, once. Returns how many courses were forgotten.

    It is announced in the event log first, and done two days later, and only while the log shows that the clock went on day by
    day until then: a clock that jumped takes nothing away for good.
    """
    before = now - timedelta(days=settings.KEPT_DAYS)
    done = 0
    for course in Course.objects.filter(closed_at__lt=before):
        own = Event.objects.filter(subject=f"course:{course.pk}", at__gt=course.closed_at, at__lte=now)
        if own.filter(verb__startswith="forgot ").exists():
            continue
        announced = own.filter(verb=ANNOUNCED).order_by("-at").first()
        if announced is None or not _went_on(announced.at, now):
            if announced is None or now - announced.at > ANNOUNCED_BEFORE:
                record(None, ANNOUNCED, f"course:{course.pk}")
        elif now - announced.at >= ANNOUNCED_BEFORE:
            forget_course(course)
            done += 1
    return done


ANNOUNCED = "will forget its people, programs and logs in two days"
ANNOUNCED_BEFORE = timedelta(days=2)
MOST_APART = timedelta(days=3)  # of two entries in the log of a server that runs: it copies its data every day


def _went_on(since: datetime, now: datetime) -> bool:
    """Whether the log has an entry shortly before `since`, and no gap from there to now."""
    times = [
        *Event.objects.filter(at__gt=since - MOST_APART, at__lte=now)
        .exclude(verb=ANNOUNCED)
        .order_by("at")
        .values_list("at", flat=True)
    ]
    if not times or times[0] > since:
        return False
    return all(later - earlier <= MOST_APART for earlier, later in pairwise([*times, now]))


def _require_member(section: Section, user: User) -> None:
    was_listed = Student.objects.filter(section=section, user=user).exists()
    if not was_listed and not PairMember.objects.filter(pair__section=section, user=user).exists():
        raise NeverAStudentHere()


def _forget(user: User) -> str:
    """A pseudonym in place of the name, wherever it stands; nobody logs in as them any more."""
    names = {user.get_full_name(), user.last_name or user.first_name}
    user.first_name, user.last_name, user.username = "Student", str(user.pk), f"student-{user.pk}"
    user.is_active, user.last_login = False, None
    user.set_unusable_password()
    user.save()
    pseudonym = user.get_full_name()
    Student.objects.filter(user=user).update(number="", group="")
    for mark in ClosedMark.objects.filter(docket__pair__members__user=user).distinct():
        lines = [{**s, "name": pseudonym} if s.get("id") == user.pk else s for s in mark.students]
        ClosedMark.objects.filter(pk=mark.pk).update(students=lines)
    StudentMark.objects.filter(user=user).exclude(reason="").update(reason=FORGOTTEN)
    for pair in Pair.objects.filter(members__user=user).distinct():
        if any(name in pair.name for name in names):
            Pair.objects.filter(pk=pair.pk).update(name=pair.badge)
    return pseudonym


def _forget_texts(attempts: Any) -> None:
    """The texts of these hand-ins, and what was reported line by line of them."""
    ids = list(attempts.values_list("pk", flat=True))
    Attempt.objects.filter(pk__in=ids).update(text="")
    Judgement.objects.filter(attempt__in=ids).update(details={})
    dockets = Attempt.objects.filter(pk__in=ids).values("docket")
    BenchSheets.objects.filter(docket__in=dockets).delete()
