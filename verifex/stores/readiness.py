"""Whether a kit can go out, and what a kit for an exercise holds."""

from collections.abc import Iterable
from dataclasses import dataclass

from django.db.models import Q, QuerySet

from verifex.core.exercise.circuit import RecipePart
from verifex.core.planning.serving import serves
from verifex.core.planning.stock import ItemKey, item_key
from verifex.exercises.models import ExerciseVersion
from verifex.stores.models import Fault, Kit, KitIssue, KitPart, PartTest

Recipe = tuple[RecipePart, ...]


@dataclass(frozen=True, slots=True)
class Readiness:
    """Whether a kit can go out: 'ready', 'to-test', 'incomplete', 'out' or 'repair', with the reason as a sentence, and what is wrong
    alone (`why`)."""

    state: str
    reason: str
    why: str = ""


def recipes(exercise_ids: Iterable[int]) -> dict[int, Recipe]:
    """By exercise, what a kit for it holds: the recipe of the version that was released last."""
    released = ExerciseVersion.objects.filter(exercise__in=set(exercise_ids), released_at__isnull=False)
    return {version.exercise_id: tuple(version.file.recipe) for version in released.order_by("number")}


def recipe_of(exercise_id: int) -> Recipe:
    return recipes([exercise_id]).get(exercise_id, ())


def not_in(kit: Kit, recipe: Recipe) -> Recipe:
    """What of a recipe a kit has no place for."""
    inside = {part.ref for part in kit.parts.all()}
    return tuple(part for part in recipe if part.ref not in inside)


def whole_kits() -> QuerySet[Kit]:
    """Kits with all that says whether they are ready, in a few queries."""
    related = (
        "parts__module__faults",
        "tests",
        "fault_rows",
        "issues__pair",
        "issues__session",
        "issues__substitutions",
    )
    return Kit.objects.select_related("exercise").prefetch_related(*related)


def open_faults(kit: Kit) -> list[Fault]:
    """Faults of the kit, of its places and of the modules in it; one of a module counts wherever the module is."""
    own = [f for f in kit.fault_rows.all() if f.is_open]
    held = {part.module_id for part in kit.parts.all() if part.module_id}
    here = [f for f in own if f.module_id is None or f.module_id in held]
    known = {f.pk for f in own}
    of_modules = [
        f
        for part in kit.parts.all()
        if part.module
        for f in part.module.faults.all()
        if f.is_open and f.pk not in known
    ]
    return [*here, *of_modules]


def fault_words(fault: Fault) -> str:
    """`reads 9 °C too high`, with what it is about where it is not the kit as a whole."""
    about = f"{fault.title}: " if fault.ref or fault.module_id else ""
    return f"{about}{fault.what}"


def readiness(kit: Kit, *, may_name_holder: bool = True, recipe: Recipe | None = None) -> Readiness:
    """`may_name_holder`: whether the reader may know who has it. `recipe` is looked up where it is not given."""
    if faulty := open_faults(kit):
        why = "; ".join(fault_words(f) for f in faulty)
        return Readiness("repair", f"{kit.tag} is in repair: {why}.", why)
    held = next((issue for issue in kit.issues.all() if issue.returned_at is None), None)
    if held:
        holder = f", with {held.pair}" if may_name_holder else ""
        return Readiness("out", f"{kit.tag} is already out{holder}.")
    due = [test for test in kit.tests.all() if test.outcome == PartTest.Outcome.OPEN]
    if due:
        why = ", ".join(f"{test.title}, as {test.because}" for test in due)
        return Readiness("to-test", f"{kit.tag}: test {why}.", f"test {why}")
    parts = list(kit.parts.all())
    if not parts:
        return Readiness("incomplete", f"{kit.tag} has no parts yet.", "no parts yet")
    absent = not_in(kit, recipe_of(kit.exercise_id) if recipe is None else recipe)
    missing = [*(part.title for part in parts if not part.present), *(part.title or part.part for part in absent)]
    if missing:
        return Readiness("incomplete", f"{kit.tag} lacks {', '.join(missing)}.", f"lacks {', '.join(missing)}")
    return Readiness("ready", "")


def key_of(part: KitPart) -> ItemKey:
    return item_key(part.part, part.settings)


def places_for(kit: Kit, recipe: Recipe) -> dict[str, str] | None:
    """By the recipe's reference the kit's own, where the kit has all of the recipe in it; else None."""
    return serves({part.ref: key_of(part) for part in kit.parts.all() if part.present}, recipe)


def held_back(course_id: int) -> list[str]:
    """Why kits of a course that are in the store cannot go out: in repair, or incomplete. In two queries, however many there are."""
    out = KitIssue.objects.filter(returned_at=None).values("kit")
    of_kits = Q(kit__exercise__course=course_id) & ~Q(kit__in=out)
    of_modules = Q(module__place__kit__exercise__course=course_id) & ~Q(module__place__kit__in=out)
    found: dict[str, tuple[str, list[str]]] = {}
    rows = Fault.objects.filter(of_kits | of_modules, closed_at=None).select_related("kit", "module__place__kit")
    for fault in rows:
        place = getattr(fault.module, "place", None)
        if fault.module is not None and place is None:
            continue  # it was taken out: its kit is not held back by it
        kit = place.kit if place else fault.kit
        found.setdefault(kit.tag if kit else "", ("is in repair: ", []))[1].append(fault_words(fault))
    absent = KitPart.objects.filter(kit__exercise__course=course_id, present=False).exclude(kit__in=out)
    lacking: dict[str, tuple[str, list[str]]] = {}
    for tag, title in absent.order_by("kit__tag", "id").values_list("kit__tag", "title"):
        lacking.setdefault(tag, ("lacks ", []))[1].append(title)
    joined = {"is in repair: ": "; ", "lacks ": ", "}
    return [f"{tag} {how}{joined[how].join(said)}." for tag, (how, said) in sorted({**lacking, **found}.items())]
