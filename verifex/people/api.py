"""Log-in, log-out, and who one is."""

from django.conf import settings
from django.contrib.auth import authenticate, login, logout, update_session_auth_hash
from django.db import transaction
from django.db.models import F
from django.http import HttpRequest, HttpResponse
from ninja import Router
from ninja.security import APIKeyCookie
from ninja.throttling import BaseThrottle

from verifex.acts.events import record
from verifex.acts.refusals import NotAllowed
from verifex.api.http import Id
from verifex.people import first_start
from verifex.people.access import reader
from verifex.people.models import User
from verifex.people.passwords import set_password
from verifex.people.present import me_of
from verifex.people.refusals import CurrentPasswordWrong, PasswordUnchanged
from verifex.people.schemas import AnswerIn, FirstStartIn, LogInIn, MeOut, PasswordIn
from verifex.people.services import staff
from verifex.people.throttles import TriesForOneName, TriesFromOneAddress

"""Log-in, log-out, and who one is."""


router = Router(tags=["people"])


class SameSite(APIKeyCookie):
    """No one needs to be logged in, but the CSRF token is asked for as everywhere."""

    param_name = "csrftoken"

    def authenticate(self, request: HttpRequest, key: str | None) -> str | None:
        return key or "none"


@router.get("/me", response=MeOut, auth=None)
def me(request: HttpRequest) -> MeOut:
    return me_of(request.user)


LOG_IN_THROTTLES: list[BaseThrottle] = [
    TriesForOneName(settings.THROTTLED_LOG_INS),
    TriesFromOneAddress(settings.THROTTLED_LOG_INS_OF_AN_ADDRESS),
]


@router.post("/log-in", response=MeOut, auth=SameSite(), throttle=LOG_IN_THROTTLES)
def log_in(request: HttpRequest, data: LogInIn) -> MeOut:
    user = authenticate(request, username=data.username, password=data.password)
    if user is None:
        raise NotAllowed("Wrong name or password.")
    login(request, user)
    return me_of(user)


@router.post("/first-start", response=MeOut, auth=SameSite(), throttle=[TriesFromOneAddress("20/m")])
def begin_first_start(request: HttpRequest, data: FirstStartIn) -> MeOut:
    """The first instructor of an empty installation, who is logged in at once."""
    user = first_start.make_first_instructor(data.code, data.name, data.log_in, data.password)
    login(request, user, backend="django.contrib.auth.backends.ModelBackend")
    return me_of(user)


@router.post("/log-out", response=MeOut)
def log_out(request: HttpRequest, response: HttpResponse) -> MeOut:
    user = reader(request)
    logout(request)
    # Every other browser of the person is logged out with it: their session was made before this log-out.
    User.objects.filter(pk=user.pk).update(log_outs=F("log_outs") + 1)
    return me_of(None)


@router.post("/me/invitations/{invitation_id}", response=MeOut)
def answer_invitation(request: HttpRequest, invitation_id: Id, data: AnswerIn) -> MeOut:
    """Take the part that was offered, or decline it."""
    user = reader(request)
    staff.answer_invitation(user, invitation_id, accept=data.accept)
    return me_of(user)


@router.post("/me/password", response=MeOut, throttle=[TriesForOneName(settings.THROTTLED_LOG_INS)])
def change_password(request: HttpRequest, data: PasswordIn) -> MeOut:
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
    return me_of(user)
