"""Rooms and kits."""

from django.http import HttpRequest
from ninja import Router

from verifex.api.http import Id
from verifex.exercises.models import Exercise
from verifex.people.access import reader
from verifex.plan.services import rooms
from verifex.set_up.access import course_of, kit_of, room_of
from verifex.set_up.schemas.common import MadeOut, SavedOut
from verifex.set_up.schemas.rooms import KitsIn, NewRoomIn, RoomIn
from verifex.stores.services import filling

router = Router(tags=["set-up"])


@router.post("/set-up/courses/{course_id}/rooms", response=MadeOut)
def make_room(request: HttpRequest, course_id: Id, data: NewRoomIn) -> MadeOut:
    room = rooms.make_room(reader(request), course_of(request, course_id), data.name, data.rows, data.columns)
    return MadeOut(id=room.pk, message=f"{room.name} has {room.benches.count()} benches.")


@router.put("/set-up/rooms/{room_id}", response=SavedOut)
def draw_room(request: HttpRequest, room_id: Id, data: RoomIn) -> SavedOut:
    benches = [rooms.Drawn(b.number, b.row, b.column, b.name) for b in data.benches]
    rooms.draw_room(reader(request), room_of(request, room_id), data.name, data.columns, benches)
    return SavedOut(message="Saved.")


@router.delete("/set-up/rooms/{room_id}", response=SavedOut)
def remove_room(request: HttpRequest, room_id: Id) -> SavedOut:
    room = room_of(request, room_id)
    how = rooms.remove_room(reader(request), room)
    kept = "; sessions were held in it" if how == "archived" else ""
    return SavedOut(message=f"{room.name} is {how}{kept}.")


@router.post("/set-up/exercises/{exercise_id}/kits", response=SavedOut)
def make_kits(request: HttpRequest, exercise_id: Id, data: KitsIn) -> SavedOut:
    """So many kits for an exercise, complete, with the next free numbers."""
    exercise = Exercise.objects.select_related("course").get(pk=exercise_id)
    course_of(request, exercise.course_id)
    made = filling.make_kits(reader(request), exercise, data.prefix, data.count)
    said = made[0].tag if len(made) == 1 else f"{made[0].tag} to {made[-1].tag}"
    return SavedOut(message=f"{said}: complete, ready to go out.")


@router.delete("/set-up/kits/{kit_id}", response=SavedOut)
def remove_kit(request: HttpRequest, kit_id: Id) -> SavedOut:
    kit = kit_of(request, kit_id)
    filling.remove_kit(reader(request), kit)
    return SavedOut(message=f"{kit.tag} is removed.")
