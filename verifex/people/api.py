"""Log-in, log-out, and who one is."""

from typing import Any

from django.conf import settings
from django.contrib.auth import authenticate, login, logout
from django.http import HttpRequest, HttpResponse
from ninja import Router, Schema
from ninja.security import APIKeyCookie
from ninja.throttling import AnonRateThrottle

from verifex.people.access import NotAllowed, pairs_of
from verifex.people.models import Staff, User

router = Router(tags=["people"])


class SameSite(APIKeyCookie):
    """No one needs to be logged in, but the CSRF token is asked for as everywhere."""

    param_name = "csrftoken"

    def authenticate(self, request: HttpRequest, key: str | None) -> str | None:
        return key or "none"


class LogInIn(Schema):
    username: str
    password: str


class SectionOut(Schema):
    id: int
    name: str
    role: str


class MeOut(Schema):
    """Who is logged in: `kind` is instructor, assistant, pair or nobody."""

    name: str
    kind: str
    sections: list[SectionOut] = []
    pair: str = ""


def me_json(user: Any) -> dict[str, Any]:
    if not isinstance(user, User):
        return {"name": "", "kind": "nobody"}
    parts = Staff.objects.filter(user=user).select_related("section__course")
    sections = [{"id": p.section_id, "name": str(p.section), "role": p.role} for p in parts]
    pairs = pairs_of(user)
    if sections:
        kind = "instructor" if any(s["role"] == "instructor" for s in sections) else "assistant"
    else:
        kind = "pair" if pairs else "nobody"
    return {
        "name": user.get_full_name(),
        "kind": kind,
        "sections": sections,
        "pair": pairs[0].name if pairs and not sections else "",
    }


@router.get("/me", response=MeOut, auth=None)
def me(request: HttpRequest) -> dict[str, Any]:
    return me_json(request.user)


@router.post("/log-in", response=MeOut, auth=SameSite(), throttle=[AnonRateThrottle(settings.THROTTLED_LOG_INS)])
def log_in(request: HttpRequest, data: LogInIn) -> dict[str, Any]:
    user = authenticate(request, username=data.username, password=data.password)
    if user is None:
        raise NotAllowed("This name and password do not go together.")
    login(request, user)
    return me_json(user)


@router.post("/log-out", response=MeOut)
def log_out(request: HttpRequest, response: HttpResponse) -> dict[str, Any]:
    logout(request)
    return me_json(None)
