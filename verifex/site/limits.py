"""Refuses a body that is too large by its announced length, before a byte of it is read."""

from collections.abc import Callable

from django.conf import settings
from django.http import HttpRequest, HttpResponse, JsonResponse


class SizeLimitMiddleware:
    def __init__(self, get_response: Callable[[HttpRequest], HttpResponse]) -> None:
        self.get_response = get_response

    def __call__(self, request: HttpRequest) -> HttpResponse:
        try:
            length = int(request.META.get("CONTENT_LENGTH") or 0)
        except ValueError:
            length = 0
        most = settings.LARGER_BODIES.get(request.path, settings.MOST_BODY_BYTES)
        if length > most:
            said = f"This is larger than {most // (1024 * 1024)} MB, the most that is taken here at once."
            return JsonResponse({"message": said}, status=413)
        return self.get_response(request)
