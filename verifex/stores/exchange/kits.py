"""Kits as a table, one row a place."""

from collections.abc import Iterable

from verifex.exercises.models import Exercise
from verifex.people.access import courses_of
from verifex.people.models import User
from verifex.stores.access import require_kit_staff
from verifex.stores.exchange.table import Done, Row, Table
from verifex.stores.models import Kit, KitPart
from verifex.stores.refusals.exchange import PresentNotYesOrNo, UnknownExercise
from verifex.stores.services import filling
from verifex.tables.write import Cells

HEAD = ("Kit", "Exercise", "Place", "Part", "Title", "There", "Module")
THERE = {"yes": True, "": True, "no": False}


def _rows(actor: User) -> Iterable[Cells]:
    places = KitPart.objects.filter(kit__exercise__course__in=courses_of(actor)).select_related(
        "kit__exercise", "module"
    )
    for place in places.order_by("kit__tag", "id"):
        yield (
            place.kit.tag, place.kit.exercise.title, place.ref, place.part, place.title, "yes" if place.present else "no",
            place.module.tag if place.module else "",
        )  # fmt: skip


def _put(actor: User, row: Row) -> Done:
    """A new kit gets the places its rows name; of one that is there only whether something is in it changes. Modules go in with the
    table of modules."""
    there = row.get("There", "").casefold()
    if there not in THERE:
        raise PresentNotYesOrNo()
    tag, ref, present = row["Kit"].strip(), row["Place"].upper(), THERE[there]
    kit = Kit.objects.filter(tag__iexact=tag).select_related("exercise__course").first()
    made = kit is None
    if kit is None:
        kit = filling.begin_kit(actor, tag, _exercise(actor, row["Exercise"]))
    place = kit.parts.filter(ref=ref).select_related("kit__exercise__course").first()
    if place is None:
        place = filling.add_place(actor, kit, ref, present=present)
        return "added", f"{'new kit, ' if made else ''}{place.title}{'' if present else ' is missing'}"
    require_kit_staff(actor, kit)
    if place.present == present:
        return "same", ""
    filling.say_present(actor, place, present)
    return "changed", f"{place.title} {'is there' if present else 'is missing'}"


def _exercise(actor: User, name: str) -> Exercise:
    own = Exercise.objects.filter(course__in=courses_of(actor))
    found = own.filter(title__iexact=name).first() or own.filter(slug=name).first()
    if found is None:
        raise UnknownExercise(name)
    return found


KITS = Table("kits", "Kits", HEAD, _rows, _put, asked=3)
