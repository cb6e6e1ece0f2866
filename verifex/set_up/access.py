"""What of a course someone may set up: all of it as instructor of one of its sections, and only their own sections."""

from django.http import HttpRequest

from verifex.people.access import reader, require_course_instructor, require_instructor
from verifex.people.models import Course, Pair, Section
from verifex.plan.models import Room, Session
from verifex.stores.models import Kit


def course_of(request: HttpRequest, course_id: int) -> Course:
    course = Course.objects.get(pk=course_id)
    require_course_instructor(reader(request), course)
    return course


def section_of(request: HttpRequest, section_id: int) -> Section:
    section = Section.objects.select_related("course").get(pk=section_id)
    require_instructor(reader(request), section)
    return section


def room_of(request: HttpRequest, room_id: int) -> Room:
    room = Room.objects.select_related("course").get(pk=room_id)
    require_course_instructor(reader(request), room.course)
    return room


def session_of(request: HttpRequest, session_id: int) -> Session:
    session = Session.objects.select_related("section__course", "room").get(pk=session_id)
    require_instructor(reader(request), session.section)
    return session


def pair_of(request: HttpRequest, pair_id: int) -> Pair:
    pair = Pair.objects.select_related("section__course").get(pk=pair_id)
    require_instructor(reader(request), pair.section)
    return pair


def kit_of(request: HttpRequest, kit_id: int) -> Kit:
    kit = Kit.objects.select_related("exercise__course").get(pk=kit_id)
    require_course_instructor(reader(request), kit.exercise.course)
    return kit
