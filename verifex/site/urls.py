"""The addresses: the API, the admin, and the one page that is the interface."""

from django.contrib import admin
from django.http import HttpRequest, HttpResponse
from django.shortcuts import render
from django.urls import path, re_path
from django.views.decorators.cache import never_cache
from django.views.decorators.csrf import ensure_csrf_cookie

from verifex.site.api import api


@never_cache
@ensure_csrf_cookie
def interface(request: HttpRequest) -> HttpResponse:
    return render(request, "index.html")


urlpatterns = [
    path("api/", api.urls),
    path("admin/", admin.site.urls),
    re_path(r"^(?!api/|admin/|static/).*$", interface),
]
