"""Log-in, log-out, and who one is."""

from datetime import datetime
from typing import Annotated, Any

from django.conf import settings
from django.contrib.auth import authenticate, login, logout, update_session_auth_hash
from django.db import transaction
from django.db.models import F, QuerySet
from django.http import HttpRequest, HttpResponse
from ninja import Router
from ninja.security import APIKeyCookie
from ninja.throttling import BaseThrottle
from pydantic import Field

from verifex.acts.events import record
from verifex.acts.refusals import NotAllowed
from verifex.api.http import Id
from verifex.api.shape import Shape
from verifex.people import first_start
from verifex.people.access import may_found, pairs_of, reader
from verifex.people.models import Pair, Staff, User
from verifex.people.passwords import set_password
from verifex.people.refusals import CurrentPasswordWrong, PasswordUnchanged
from verifex.people.services import staff
from verifex.people.throttles import TriesForOneName, TriesFromOneAddress

router = Router(tags=["people"])


class SameSite(APIKeyCookie):
    """No one needs to be logged in, but the CSRF token is asked for as everywhere."""

    param_name = "csrftoken"

    def authenticate(self, request: HttpRequest, key: str | None) -> str | None:
        return key or "none"


class LogInIn(Shape):
    username: Annotated[str, Field(max_length=150)]
    password: Annotated[str, Field(max_length=4096)]


class PasswordIn(Shape):
    """One's own password, changed; the old one is asked for."""

    old: Annotated[str, Field(max_length=4096)]
    new: Annotated[str, Field(max_length=4096)]


class SectionOut(Shape):
    id: int
    name: str
    role: str


class InvitationOut(Shape):
    """A part in a section of another course that was offered to the reader."""

    id: int
    section: str
    role: str
    by: str


class ResetOut(Shape):
    """Who gave the reader a new first password, and when."""

    by: str
    at: datetime


class MeOut(Shape):
    """Who is logged in: `kind` is instructor, assistant, pair or nobody. `founds` may set up courses; `first_start` asks for
    the first instructor; `change_password` asks for another one before anything else, and `password_reset` says who
    replaced the reader's own."""

    name: str
    kind: str
    sections: list[SectionOut] = []
    pair: str = ""
    zone: str = ""  # of the course: times are shown in it
    founds: bool = False
    first_start: bool = False
    change_password: bool = False
    password_reset: ResetOut | None = None
    invitations: list[InvitationOut] = []


def me_json(user: Any) -> dict[str, Any]:
    if not isinstance(user, User):
        return {"name": "", "kind": "nobody", "first_start": first_start.is_open()}
    parts = Staff.objects.filter(user=user).select_related("section__course")
    sections = [{"id": p.section_id, "name": str(p.section), "role": p.role} for p in parts]
    pairs = pairs_of(user)
    if sections or user.is_superuser:
        kind = "instructor" if user.is_superuser or any(s["role"] == "instructor" for s in sections) else "assistant"
    else:
        kind = "pair" if pairs else "nobody"
    return {
        "name": user.get_full_name(),
        "kind": kind,
        "sections": sections,
        "pair": pairs[0].name if pairs and not sections else "",
        "zone": _zone(parts, pairs),
        "founds": may_found(user),
        "change_password": user.must_change_password,
        "password_reset": _reset(user),
        "invitations": [
            {"id": i.pk, "section": str(i.section), "role": i.role, "by": i.by.get_full_name() or i.by.username}
            for i in user.invitations.select_related("section__course", "by")
        ],
    }


def _reset(user: User) -> dict[str, Any] | None:
    if user.password_reset_at is None:
        return None
    by = user.password_reset_by
    return {"by": by.get_full_name() if by else "", "at": user.password_reset_at}


def _zone(parts: "QuerySet[Staff]", pairs: list[Pair]) -> str:
    """The time zone of the first course somebody staffs, else of the one they are a student in."""
    part = next(iter(parts), None)
    section = part.section if part else pairs[0].section if pairs else None
    return section.course.zone if section else ""


@router.get("/me", response=MeOut, auth=None)
def me(request: HttpRequest) -> dict[str, Any]:
    return me_json(request.user)


LOG_IN_THROTTLES: list[BaseThrottle] = [
    TriesForOneName(settings.THROTTLED_LOG_INS),
    TriesFromOneAddress(settings.THROTTLED_LOG_INS_OF_AN_ADDRESS),
]


@router.post("/log-in", response=MeOut, auth=SameSite(), throttle=LOG_IN_THROTTLES)
def log_in(request: HttpRequest, data: LogInIn) -> dict[str, Any]:
    user = authenticate(request, username=data.username, password=data.password)
    if user is None:
        raise NotAllowed("Wrong name or password.")
    login(request, user)
    return me_json(user)


class FirstStartIn(Shape):
    """The one-time code, and who the first instructor is."""

    code: Annotated[str, Field(max_length=40)]
    name: Annotated[str, Field(max_length=150)]
    log_in: Annotated[str, Field(max_length=150)]
    password: Annotated[str, Field(max_length=4096)]


@router.post("/first-start", response=MeOut, auth=SameSite(), throttle=[TriesFromOneAddress("20/m")])
def begin_first_start(request: HttpRequest, data: FirstStartIn) -> dict[str, Any]:
    """The first instructor of an empty installation, who is logged in at once."""
    user = first_start.make_first_instructor(data.code, data.name, data.log_in, data.password)
    login(request, user, backend="django.contrib.auth.backends.ModelBackend")
    return me_json(user)


@router.post("/log-out", response=MeOut)
def log_out(request: HttpRequest, response: HttpResponse) -> dict[str, Any]:
    user = reader(request)
    logout(request)
    # Every other browser of the person is logged out with it: their session was made before this log-out.
    User.objects.filter(pk=user.pk).update(log_outs=F("log_outs") + 1)
    return me_json(None)


class AnswerIn(Shape):
    accept: bool


@router.post("/me/invitations/{invitation_id}", response=MeOut)
def answer_invitation(request: HttpRequest, invitation_id: Id, data: AnswerIn) -> dict[str, Any]:
    """Take the part that was offered, or decline it."""
    user = reader(request)
    staff.answer_invitation(user, invitation_id, accept=data.accept)
    return me_json(user)


@router.post("/me/password", response=MeOut, throttle=[TriesForOneName(settings.THROTTLED_LOG_INS)])
def change_password(request: HttpRequest, data: PasswordIn) -> dict[str, Any]:
    """Change one's own password. Everyone else who is logged in with the old one is logged out."""
    user = reader(request)
    if not user.check_password(data.old):
        raise CurrentPasswordWrong()
    if data.new == data.old:
        raise PasswordUnchanged()
    set_password(user, data.new)
    with transaction.atomic():
        user.save(update_fields=["password", "must_change_password", "password_reset_by", "password_reset_at"])
        record(user, "changed the password", f"user:{user.pk}")
    update_session_auth_hash(request, user)
    return me_json(user)
