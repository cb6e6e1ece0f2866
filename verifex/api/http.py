"""What every address of the API has in common: ids that a database can hold, and answering "nothing new" cheaply."""

from collections.abc import Callable, Sequence
from hashlib import sha256
from typing import Annotated, Any

from django.http import HttpRequest, HttpResponse, HttpResponseNotModified
from django.utils.cache import patch_cache_control
from ninja import Path

#: An id in an address; a number no database holds is no id.
Id = Annotated[int, Path(ge=0, le=2**63 - 1)]


def unless_known(request: HttpRequest, version: Sequence[object], make: Callable[[], Any]) -> Any:
    """What `make` gives, or 304 where the browser has this `version` already.

    `version` holds whatever the answer depends on, as far as a few cheap looks tell; who asks is added. The browser
    asks again each time it wants the answer, and so never shows an old one as new.
    """
    tag = _tag([request.user.pk, *version])
    if tag in {known.strip() for known in request.headers.get("If-None-Match", "").split(",")}:
        answer: HttpResponse = HttpResponseNotModified()
        answer["ETag"] = tag
        return answer
    request.answer_etag = tag  # type: ignore[attr-defined]
    return make()


def _tag(version: Sequence[object]) -> str:
    return f'W/"{sha256(repr(version).encode()).hexdigest()[:24]}"'


class EtagMiddleware:
    """Puts the tag that `unless_known` worked out on the answer."""

    def __init__(self, get_response: Callable[[HttpRequest], HttpResponse]) -> None:
        self.get_response = get_response

    def __call__(self, request: HttpRequest) -> HttpResponse:
        answer = self.get_response(request)
        tag = getattr(request, "answer_etag", "")
        if tag and answer.status_code == 200:
            answer["ETag"] = tag
        if tag or answer.status_code == 304:
            patch_cache_control(answer, private=True, no_cache=True)
        return answer
