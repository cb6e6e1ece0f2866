"""A kit as the hatch shows it."""

from verifex.dockets.refusals import NoReleasedVersion
from verifex.dockets.schemas.hatch import KitPlaceOut
from verifex.exercises.models import Exercise, ExerciseVersion
from verifex.stores.models import Kit
from verifex.stores.services.replace import loose_modules

MOST_LOOSE = 8


def newest_version(exercise: Exercise) -> ExerciseVersion:
    """The version that was released last. Raises Refused where there is none."""
    released = ExerciseVersion.objects.filter(exercise=exercise, released_at__isnull=False)
    version = released.order_by("-number").first()
    if version is None:
        raise NoReleasedVersion(str(exercise))
    return version


def places_json(kit: Kit) -> list[KitPlaceOut]:
    """Every place of a kit, with the modules that could be given for what is in it."""
    return [
        KitPlaceOut(
            ref=part.ref,
            title=part.title,
            present=part.present,
            module=part.module.tag if part.module else "",
            loose=[module.tag for module in loose_modules([part.part])[:MOST_LOOSE]],
        )
        for part in kit.parts.select_related("module")
    ]
