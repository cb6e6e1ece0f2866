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
        if length > settings.MOST_BODY_BYTES:
            most = settings.MOST_BODY_BYTES // (1024 * 1024)
            return JsonResponse(
                {"message": f"This is larger than {most} MB, the most that is taken at once."}, status=413
            )
        return self.get_response(request)
