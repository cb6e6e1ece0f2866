"""Sessions: planned, changed, controlled; who sits where, who does what, who is absent."""

import io
from datetime import datetime, time
from typing import Any
from zoneinfo import ZoneInfo

import segno
from django.http import HttpRequest, HttpResponse
from ninja import Router

from verifex.acts import clock
from verifex.acts.refusals import NotAllowed
from verifex.api.http import Id
from verifex.exercises.models import Exercise
from verifex.people.access import reader, sections_of
from verifex.people.models import Section
from verifex.people.throttles import note_miss, refuse_guessing
from verifex.plan.access import session_for_staff
from verifex.plan.models import Room, Session
from verifex.plan.services import seats, sessions
from verifex.set_up.access import course_of, section_of, session_of
from verifex.set_up.present import session_json, session_plan_json, sessions_json
from verifex.set_up.refusals import NotASessionCode, RoomNotInCourse, UnknownSessionCode
from verifex.set_up.schemas.common import SavedOut
from verifex.set_up.schemas.sessions import (
    AbsentIn,
    AssignIn,
    ControlIn,
    JoinIn,
    JoinOut,
    PlanIn,
    SeatsIn,
    SessionIn,
    SessionPapersIn,
    SessionPlanOut,
    SessionRowOut,
)
from verifex.work.long_work import start
from verifex.work.schemas import WorkOut, work_json

router = Router(tags=["set-up"])


@router.get("/set-up/courses/{course_id}/sessions", response=list[SessionRowOut])
def list_sessions(request: HttpRequest, course_id: Id) -> list[SessionRowOut]:
    """The sessions of the reader's own sections of a course, the next first, those that are over last."""
    course_of(request, course_id)
    own = [section.pk for section in sections_of(reader(request)) if section.course_id == course_id]
    now = clock.now()
    times = Session.objects.filter(section__in=own).values_list("pk", "starts_at", "ends_at")
    order = {
        pk: place
        for place, (pk, _, _) in enumerate(
            sorted(times, key=lambda row: (row[2] <= now, abs((row[1] - now).total_seconds())))
        )
    }
    return sorted(sessions_json(Session.objects.filter(pk__in=order)), key=lambda row: order[row.id])


@router.post("/set-up/sections/{section_id}/sessions", response=SavedOut)
def plan_sessions(request: HttpRequest, section_id: Id, data: PlanIn) -> SavedOut:
    section = section_of(request, section_id)
    made = sessions.plan_sessions(
        reader(request), section, _room(section, data.room), data.first, data.begins, data.ends,
        until=data.until, exercises=_exercises(section, data.exercises),
    )  # fmt: skip
    _, left_out = sessions.days(data.first, data.until, section.course.holidays)
    said = f"{len(made)} sessions are planned" if len(made) != 1 else "The session is planned"
    return SavedOut(message=f"{said}{(f'; {len(left_out)} holidays left out' if left_out else '')}.")


@router.get("/set-up/sessions/{session_id}", response=SessionPlanOut)
def session_plan(request: HttpRequest, session_id: Id) -> SessionPlanOut:
    """A session with its seats and exercises."""
    return session_plan_json(session_for_staff(reader(request), session_id))


@router.put("/set-up/sessions/{session_id}", response=SavedOut)
def change_session(request: HttpRequest, session_id: Id, data: SessionIn) -> SavedOut:
    session = session_of(request, session_id)
    zone = ZoneInfo(session.section.course.zone)

    def at(clock_time: time) -> datetime:
        return datetime.combine(data.day, clock_time, zone)

    sessions.change_session(
        reader(request),
        session,
        room=_room(session.section, data.room),
        starts_at=at(data.begins),
        ends_at=at(data.ends),
        exercises=_exercises(session.section, data.exercises),
        late_minutes=data.late_minutes,
        staff=data.staff,
    )
    return SavedOut(message="Saved.")


@router.delete("/set-up/sessions/{session_id}", response=SavedOut)
def remove_session(request: HttpRequest, session_id: Id) -> SavedOut:
    sessions.remove_session(reader(request), session_of(request, session_id))
    return SavedOut(message="The session is removed.")


@router.post("/set-up/sessions/{session_id}/control", response=SessionRowOut)
def control(request: HttpRequest, session_id: Id, data: ControlIn) -> SessionRowOut:
    """Start now, pause (everybody leaves the benches), go on, end early."""
    session = session_of(request, session_id)
    acts = {"start": sessions.start_now, "pause": sessions.pause, "resume": sessions.resume, "end": sessions.end_now}
    acts[data.act](reader(request), session)
    return session_json(session)


@router.post("/set-up/sessions/{session_id}/papers", response=WorkOut)
def session_papers(request: HttpRequest, session_id: Id, data: SessionPapersIn) -> dict[str, Any]:
    """Begin the papers of a session from its plan; the answer says how far they are."""
    session = session_of(request, session_id)
    detail: dict[str, Any] = {"session": session.pk, "slips": data.slips, "once": data.slips, "by": reader(request).pk}
    detail["address"] = request.build_absolute_uri("/")
    return work_json(start("session-papers", reader(request), detail))


@router.post("/set-up/sessions/{session_id}/seats", response=SessionPlanOut)
def take_seats(request: HttpRequest, session_id: Id, data: SeatsIn) -> SessionPlanOut:
    session = session_for_staff(reader(request), session_id)
    seats.take_seats(reader(request), session, data.benches)
    return session_plan_json(session)


@router.post("/set-up/sessions/{session_id}/assign", response=SessionPlanOut)
def assign(request: HttpRequest, session_id: Id, data: AssignIn) -> SessionPlanOut:
    session = session_for_staff(reader(request), session_id)
    seats.assign(reader(request), session, data.exercises)
    return session_plan_json(session)


@router.post("/set-up/sessions/{session_id}/absent", response=SessionPlanOut)
def mark_absent(request: HttpRequest, session_id: Id, data: AbsentIn) -> SessionPlanOut:
    session = session_for_staff(reader(request), session_id)
    seats.mark_absent(reader(request), session, data.user, absent=data.absent)
    return session_plan_json(session)


@router.post("/set-up/sessions/{session_id}/join", response=SessionPlanOut)
def join_pair(request: HttpRequest, session_id: Id, data: JoinIn) -> SessionPlanOut:
    """Somebody whose partner is away works with another pair, for this session only."""
    session = session_for_staff(reader(request), session_id)
    seats.join_pair(reader(request), session, data.user, data.pair)
    return session_plan_json(session)


@router.get("/join/{code}", response=JoinOut, auth=None)
def join(request: HttpRequest, code: str) -> JoinOut:
    """What a code on the wall leads to: the session, without anybody's name."""
    refuse_guessing(request, "wall-code")
    found = (
        Session.objects.filter(code=code.strip().upper()[:8]).exclude(code="").select_related("section__course", "room")
    )
    session = found.first()
    if session is None:
        note_miss(request, "wall-code")
        raise UnknownSessionCode()
    return JoinOut(
        section=str(session.section),
        room=session.room.name,
        starts_at=session.starts_at,
        ends_at=session.ends_at,
        zone=session.section.course.zone,
    )


@router.get("/join/{code}/qr.svg", auth=None)
def join_picture(request: HttpRequest, code: str) -> HttpResponse:
    """A QR code of the address that opens with the code typed in."""
    words = code.strip().upper()
    if not words.isalnum() or len(words) > 8:
        raise NotASessionCode()
    out = io.BytesIO()
    address = request.build_absolute_uri(f"/join/{words}")
    segno.make(address, error="m").save(out, kind="svg", scale=8, border=2, dark="#1f2430", light="#ffffff")
    return HttpResponse(out.getvalue(), content_type="image/svg+xml")


def _room(section: Section, room_id: int) -> Room:
    room = Room.objects.filter(pk=room_id, course=section.course_id).first()
    if room is None:
        raise RoomNotInCourse()
    return room


def _exercises(section: Section, ids: list[int]) -> list[Exercise]:
    found = {e.pk: e for e in Exercise.objects.filter(pk__in=ids, course=section.course_id)}
    if missing := [pk for pk in ids if pk not in found]:
        raise NotAllowed(f"{len(missing)} of these exercises are not in the course.")
    return [found[pk] for pk in ids]
