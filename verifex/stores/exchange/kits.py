"""Kits as a table, one row a place."""

from collections.abc import Iterable

from verifex.acts.refusals import Refused
from verifex.exercises.models import Exercise
from verifex.people.access import courses_of
from verifex.people.models import User
from verifex.stores.access import require_course_staff
from verifex.stores.exchange.table import Done, Row, Table
from verifex.stores.models import Kit, KitPart
from verifex.stores.readiness import recipe_of
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
        raise Refused("There: yes or no.")
    tag, ref = row["Kit"].strip(), row["Place"].upper()
    kit = Kit.objects.filter(tag__iexact=tag).select_related("exercise__course").first()
    made = kit is None
    if kit is None:
        kit = Kit.objects.create(tag=_tag(tag), exercise=_exercise(actor, row["Exercise"]))
    require_course_staff(actor, kit.exercise.course)
    place = kit.parts.filter(ref=ref).first()
    if place is None:
        part = next((one for one in recipe_of(kit.exercise_id) if one.ref == ref), None)
        if part is None:
            raise Refused(f"The recipe of {kit.exercise} has no {ref or 'place without a reference'}.")
        KitPart.objects.create(
            kit=kit,
            ref=ref,
            part=part.part,
            title=part.title or part.part,
            settings=dict(part.settings),
            present=THERE[there],
        )
        return "added", f"{'new kit, ' if made else ''}{part.title or part.part}{'' if THERE[there] else ' is missing'}"
    if place.present == THERE[there]:
        return "same", ""
    place.present = THERE[there]
    place.save(update_fields=["present"])
    return "changed", f"{place.title} {'is there' if place.present else 'is missing'}"


def _tag(tag: str) -> str:
    if not 0 < len(tag) <= 20 or not tag.replace("-", "").isalnum():
        raise Refused(f"“{tag[:20]}” is no tag: letters, digits and hyphens, at most 20.")
    return tag.upper()


def _exercise(actor: User, name: str) -> Exercise:
    own = Exercise.objects.filter(course__in=courses_of(actor))
    found = own.filter(title__iexact=name).first() or own.filter(slug=name).first()
    if found is None:
        raise Refused(f"No exercise of your courses is called “{name[:60]}”.")
    return found


KITS = Table("kits", "Kits", HEAD, _rows, _put, asked=3)
