"""One page as HTML, in the time of its course."""

from collections.abc import Mapping
from typing import Any
from zoneinfo import ZoneInfo

from django.template.loader import render_to_string
from django.utils import timezone

from verifex.people.models import Course


def page_html(template: str, course: Course, context: Mapping[str, Any]) -> str:
    """The template filled in; times in it are those of the course's clock."""
    with timezone.override(ZoneInfo(course.zone)):
        return render_to_string(f"papers/{template}.html", dict(context))
