"""Kits made for an exercise: boxes with tags, filled to its recipe."""

import re

from django.db import transaction

from verifex.acts.events import STORES, record
from verifex.exercises.models import Exercise
from verifex.people.models import User
from verifex.stores.access import require_course_staff, require_kit_staff
from verifex.stores.models import Kit, KitPart
from verifex.stores.readiness import recipe_of
from verifex.stores.refusals.kits import (
    KitCount,
    KitTagPrefix,
    KitTagSpelling,
    KitWasHandedOut,
    NoRecipeWithoutVersion,
    PlaceNotInRecipe,
)

MOST_AT_ONCE = 60
_TAG = re.compile(r"[A-Z][A-Z0-9]{0,7}")


def proposed_prefix(exercise: Exercise, last_tag: str) -> str:
    """Letters for the tags of an exercise's kits: the initials of its title, unless its last kit has a tag already."""
    if "-" in last_tag:
        return last_tag.rsplit("-", 1)[0]
    initials = "".join(word[0] for word in re.findall(r"[A-Za-z]+", exercise.title))[:3].upper() or "K"
    return initials


@transaction.atomic
def make_kits(actor: User, exercise: Exercise, prefix: str, count: int) -> list[Kit]:
    """So many kits, complete, with the next free numbers: `FL-01`, `FL-02`. Raises Refused."""
    require_course_staff(actor, exercise.course)
    letters = prefix.strip().upper().rstrip("-")
    if not _TAG.fullmatch(letters):
        raise KitTagPrefix()
    if not 1 <= count <= MOST_AT_ONCE:
        raise KitCount(MOST_AT_ONCE)
    recipe = recipe_of(exercise.pk)
    if not recipe:
        raise NoRecipeWithoutVersion(str(exercise))
    taken = set(Kit.objects.filter(tag__startswith=f"{letters}-").values_list("tag", flat=True))
    numbers = (number for number in range(1, 10_000) if f"{letters}-{number:02}" not in taken)
    made = [Kit.objects.create(tag=f"{letters}-{next(numbers):02}", exercise=exercise) for _ in range(count)]
    KitPart.objects.bulk_create(
        KitPart(kit=kit, ref=part.ref, part=part.part, title=part.title or part.part, settings=dict(part.settings))
        for kit in made
        for part in recipe
    )
    said = made[0].tag if count == 1 else f"{made[0].tag} to {made[-1].tag}"
    record(actor, f"made {said}", f"exercise:{exercise.slug}", scope=STORES)
    return made


@transaction.atomic
def begin_kit(actor: User, tag: str, exercise: Exercise) -> Kit:
    """An empty kit with a tag of its own, as a list of somebody's has it. Raises Refused."""
    require_course_staff(actor, exercise.course)
    if not 0 < len(tag) <= 20 or not tag.replace("-", "").isalnum():
        raise KitTagSpelling(tag)
    record(actor, f"made {tag.upper()}", f"exercise:{exercise.slug}", scope=STORES)
    return Kit.objects.create(tag=tag.upper(), exercise=exercise)


@transaction.atomic
def add_place(actor: User, kit: Kit, ref: str, *, present: bool) -> KitPart:
    """A place of the kit's recipe that the kit does not have yet. Raises Refused."""
    require_kit_staff(actor, kit)
    part = next((one for one in recipe_of(kit.exercise_id) if one.ref == ref), None)
    if part is None:
        raise PlaceNotInRecipe(str(kit.exercise), ref or "place without a reference")
    record(actor, f"{ref} is a place of {kit.tag}", f"kit:{kit.tag}", scope=STORES)
    return KitPart.objects.create(
        kit=kit, ref=ref, part=part.part, title=part.title or part.part, settings=dict(part.settings), present=present
    )


@transaction.atomic
def say_present(actor: User, place: KitPart, present: bool) -> None:
    """Whether what belongs in a place is there, as somebody looked."""
    require_kit_staff(actor, place.kit)
    place.present = present
    place.save(update_fields=["present"])
    said = "is there" if present else "is missing"
    record(actor, f"{place.title} of {place.kit.tag} {said}"[:120], f"kit:{place.kit.tag}", scope=STORES)


@transaction.atomic
def remove_kit(actor: User, kit: Kit) -> None:
    """Raises Refused for a kit that was ever handed out: its dockets point to it."""
    require_kit_staff(actor, kit)
    if kit.issues.exists():
        raise KitWasHandedOut(kit.tag)
    record(actor, f"removed {kit.tag}", f"kit:{kit.tag}", scope=STORES)
    kit.delete()
