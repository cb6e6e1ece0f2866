"""What every address of the API has in common: ids that a database can hold, and answering "nothing new" cheaply."""

from collections.abc import Callable, Sequence
from hashlib import sha256
from typing import Annotated, Any

from django.http import HttpRequest, HttpResponse, HttpResponseNotModified
from django.utils.cache import patch_cache_control
from ninja import Path

#: An id in an address; a number no database holds is no id.
Id = Annotated[int, Path(ge=0, le=2**63 - 1)]
#: Where a request carries the tag of its answer, until the answer is there.
ETAG = "verifex.etag"


def not_modified_or(request: HttpRequest, version: Sequence[object], make: Callable[[], Any]) -> Any:
    """What `make` gives, or 304 where the browser has this `version` already.

    `version` holds whatever the answer depends on, as far as a few cheap looks tell; who asks is added. The browser
    asks again each time it wants the answer, and so never shows an old one as new.
    """
    if is_known(request, version):
        return nothing_new(request, version)
    request.META[ETAG] = _tag(request, version)
    return make()


def knows_something(request: HttpRequest) -> bool:
    """Whether the browser has an answer from before."""
    return "If-None-Match" in request.headers


def is_known(request: HttpRequest, version: Sequence[object]) -> bool:
    """Whether the answer that the browser has is of this version."""
    return _tag(request, version) in {tag.strip() for tag in request.headers.get("If-None-Match", "").split(",")}


def nothing_new(request: HttpRequest, version: Sequence[object]) -> HttpResponse:
    answer: HttpResponse = HttpResponseNotModified()
    answer["ETag"] = _tag(request, version)
    return answer


def _tag(request: HttpRequest, version: Sequence[object]) -> str:
    return f'W/"{sha256(repr([request.user.pk, *version]).encode()).hexdigest()[:24]}"'


class EtagMiddleware:
    """Puts the tag that `not_modified_or` worked out on the answer."""

    def __init__(self, get_response: Callable[[HttpRequest], HttpResponse]) -> None:
        self.get_response = get_response

    def __call__(self, request: HttpRequest) -> HttpResponse:
        answer = self.get_response(request)
        tag = request.META.get(ETAG, "")
        if tag and answer.status_code == 200:
            answer["ETag"] = tag
        if tag or answer.status_code == 304:
            patch_cache_control(answer, private=True, no_cache=True)
        return answer
