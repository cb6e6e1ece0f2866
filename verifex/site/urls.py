"""The addresses: the API, the admin, and the one page that is the interface."""

from django.contrib import admin
from django.http import HttpRequest, HttpResponse
from django.shortcuts import render
from django.urls import path, re_path
from django.views.decorators.cache import never_cache
from django.views.decorators.csrf import ensure_csrf_cookie
from django.views.generic import RedirectView

from verifex.site.api import api


@never_cache
@ensure_csrf_cookie
def interface(request: HttpRequest) -> HttpResponse:
    return render(request, "index.html")


admin.site.site_header = admin.site.site_title = "Verifex administration"
admin.site.index_title = "Accounts, course and places; what services own is shown only"

urlpatterns = [
    path("api/", api.urls),
    # One log-in for all, with one throttle; the administration pages have none of their own.
    path("admin/login/", RedirectView.as_view(url="/log-in")),
    path("admin/", admin.site.urls),
    re_path(r"^(?!api/|admin/|static/).*$", interface),
]
