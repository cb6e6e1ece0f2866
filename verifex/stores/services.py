"""Kits out and back, and resistors from the drawers: the only writers of the stores."""

from collections.abc import Iterable
from dataclasses import dataclass
from datetime import timedelta

from django.db import models, transaction

from verifex.acts import clock
from verifex.acts.events import STORES, record
from verifex.acts.refusals import NotAllowed, Refused
from verifex.core.exercise.circuit import RecipePart
from verifex.core.quantity import in_words
from verifex.exercises.models import ExerciseVersion
from verifex.people.access import is_staff_of, require_staff
from verifex.people.models import Pair, User
from verifex.plan.models import Session
from verifex.stores.advice import allowed_resistors
from verifex.stores.found_settings import refuse_setting
from verifex.stores.models import Kit, KitIssue, KitPart, PartTest, StockResistor, Substitution

UNDO_FOR = timedelta(minutes=15)


@dataclass(frozen=True, slots=True)
class Readiness:
    """Whether a kit can go out: 'ready', 'to-test', 'incomplete', 'out' or 'repair', with the reason in words."""

    state: str
    reason: str


Recipe = tuple[RecipePart, ...]


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


def readiness(kit: Kit, *, may_name_holder: bool = True, recipe: Recipe | None = None) -> Readiness:
    """`may_name_holder`: whether the reader may know who has it. `recipe` is looked up where it is not given."""
    if kit.in_repair:
        return Readiness("repair", f"{kit.tag} is in repair: {kit.repair_note or 'no note'}.")
    held = next((issue for issue in kit.issues.all() if issue.returned_at is None), None)
    if held:
        holder = f", with {held.pair}" if may_name_holder else ""
        return Readiness("out", f"{kit.tag} is already out{holder}.")
    due = [test for test in kit.tests.all() if test.outcome == PartTest.Outcome.OPEN]
    if due:
        return Readiness("to-test", f"{kit.tag}: test {', '.join(f'{test.title}, as {test.because}' for test in due)}.")
    parts = list(kit.parts.all())
    if not parts:
        return Readiness("incomplete", f"{kit.tag} has no parts yet.")
    absent = not_in(kit, recipe_of(kit.exercise_id) if recipe is None else recipe)
    missing = [*(part.title for part in parts if not part.present), *(part.title or part.part for part in absent)]
    if missing:
        return Readiness("incomplete", f"{kit.tag} lacks {', '.join(missing)}.")
    return Readiness("ready", "")


def held_back(course_id: int) -> list[str]:
    """Why kits of a course that are in the store cannot go out: in repair, or incomplete."""
    of_course = Kit.objects.filter(exercise__course=course_id)
    held = of_course.filter(models.Q(in_repair=True) | models.Q(parts__present=False)).order_by("tag", "parts__id")
    columns = ("pk", "tag", "in_repair", "repair_note", "parts__title", "parts__present")
    rows = list(held.values_list(*columns))
    out = set(KitIssue.objects.filter(kit__in={row[0] for row in rows}, returned_at=None).values_list("kit", flat=True))
    said: dict[str, str] = {}
    lacking: dict[str, list[str]] = {}
    for pk, tag, in_repair, note, title, present in rows:
        if pk in out:
            continue
        if in_repair:
            said[tag] = f"{tag} is in repair: {note or 'no note'}."
        elif not present:
            lacking.setdefault(tag, []).append(title)
            said[tag] = f"{tag} lacks {', '.join(lacking[tag])}."
    return [said[tag] for tag in sorted(said)]


def kit_of(tag: str) -> Kit:
    """The kit with this tag. Raises Refused."""
    kit = Kit.objects.filter(tag__iexact=tag.strip()).select_related("exercise__course").first()
    if kit is None:
        raise Refused(f"No kit has the tag “{tag.strip()[:40]}”.")
    return kit


def open_issue(tag: str) -> KitIssue:
    """Who has the kit with this tag. Raises Refused where it is not out."""
    issue = _issues(tag).filter(returned_at__isnull=True).first()
    if issue is None:
        raise Refused(f"{kit_of(tag).tag} is not out; it is back already, or was never handed out.")
    return issue


def _issues(tag: str) -> "models.QuerySet[KitIssue]":
    related = ("kit__exercise", "pair", "session__section")
    return KitIssue.objects.filter(kit=kit_of(tag)).select_related(*related)


@transaction.atomic
def issue_kit(actor: User, kit: Kit, pair: Pair, session: Session) -> KitIssue:
    """Hand a kit to a pair. Raises Refused with the reason; an earlier kit of the pair must be back first."""
    require_staff(actor, session.section)
    kit = Kit.objects.select_related("exercise").get(pk=kit.pk)  # as it is now, inside the write
    held = KitIssue.objects.filter(kit=kit, returned_at__isnull=True).select_related("session__section").first()
    ready = readiness(kit, may_name_holder=held is None or held.session.section_id == session.section_id)
    if ready.state != "ready":
        raise Refused(ready.reason)
    if own := KitIssue.objects.filter(pair=pair, session=session, returned_at__isnull=True).first():
        raise Refused(f"{pair} still has {own.kit.tag}; take it back first.")
    issue = KitIssue.objects.create(
        kit=kit, pair=pair, session=session, issued_by=actor, leg_orders=kit.leg_orders, settings=kit.settings
    )
    record(actor, f"handed out {kit.tag}", f"kit:{kit.tag}", scope=STORES, pair=pair.pk)
    return issue


@transaction.atomic
def take_back(actor: User, tag: str, faults: list[str]) -> KitIssue:
    """A kit comes back; a fault sends it to repair. Refused where it is not out: a second call changes nothing."""
    issue = open_issue(tag)
    require_staff(actor, issue.session.section)
    issue.returned_at = clock.now()
    issue.faults = faults
    issue.save(update_fields=["returned_at", "faults"])
    if faults:
        issue.kit.in_repair, issue.kit.repair_note = True, "; ".join(faults)[:200]
        issue.kit.save(update_fields=["in_repair", "repair_note"])
    record(actor, f"took back {issue.kit.tag}", f"kit:{issue.kit.tag}", scope=STORES, faults=faults)
    return issue


@transaction.atomic
def note_faults(actor: User, tag: str, faults: list[str]) -> KitIssue:
    """Write down what is wrong with a kit that has just come back; it goes to repair."""
    issue = _just_back(actor, tag)
    if not faults:
        raise Refused("Say what is wrong with it.")
    issue.faults = [*issue.faults, *faults]
    issue.save(update_fields=["faults"])
    issue.kit.in_repair, issue.kit.repair_note = True, "; ".join(issue.faults)[:200]
    issue.kit.save(update_fields=["in_repair", "repair_note"])
    record(actor, f"found a fault in {issue.kit.tag}", f"kit:{issue.kit.tag}", scope=STORES, faults=faults)
    return issue


@transaction.atomic
def put_right(actor: User, tag: str) -> Kit:
    """A kit that was held back can go out again: it is repaired, and what it lacked is in it. Refused where nothing held
    it back."""
    kit = kit_of(tag)
    if not is_staff_of(actor, kit.exercise.course):
        raise NotAllowed("Only the staff of this course may do that.")
    absent = not_in(kit, recipe_of(kit.exercise_id))
    missing = [*(part.title for part in kit.parts.filter(present=False)), *(part.title or part.part for part in absent)]
    if not kit.in_repair and not missing:
        raise Refused(f"{kit.tag} is not held back.")
    what = [f"repaired: {kit.repair_note or 'no note'}"] if kit.in_repair else []
    what += [f"filled up: {', '.join(missing)}"] if missing else []
    kit.in_repair, kit.repair_note = False, ""
    kit.save(update_fields=["in_repair", "repair_note"])
    kit.parts.filter(present=False).update(present=True)
    for part in absent:
        KitPart.objects.create(kit=kit, ref=part.ref, part=part.part, title=part.title or part.part)
    record(actor, f"put {kit.tag} right", f"kit:{kit.tag}", scope=STORES, what="; ".join(what))
    return kit


def _just_back(actor: User, tag: str) -> KitIssue:
    """The issue that ended with a kit's return a moment ago. Raises Refused."""
    issue = _issues(tag).order_by("-issued_at", "-id").first()
    if issue is None or issue.returned_at is None:
        raise Refused(f"{kit_of(tag).tag} was not taken back.")
    require_staff(actor, issue.session.section)
    if clock.now() - issue.returned_at > UNDO_FOR:
        raise Refused(f"{issue.kit.tag} came back too long ago for that.")
    return issue


@transaction.atomic
def undo_take_back(actor: User, tag: str) -> KitIssue:
    """Put a kit that was just taken back into its pair's hands again, without the faults written down then."""
    issue = _just_back(actor, tag)
    if own := KitIssue.objects.filter(pair=issue.pair, session=issue.session, returned_at__isnull=True).first():
        raise Refused(f"{issue.pair} has {own.kit.tag} now; take it back first.")
    if issue.faults and issue.kit.repair_note == "; ".join(issue.faults)[:200]:
        issue.kit.in_repair, issue.kit.repair_note = False, ""
        issue.kit.save(update_fields=["in_repair", "repair_note"])
    issue.returned_at, issue.faults = None, []
    issue.save(update_fields=["returned_at", "faults"])
    record(actor, f"{issue.kit.tag} is out again", f"kit:{issue.kit.tag}", scope=STORES)
    return issue


@transaction.atomic
def substitute(
    actor: User, issue: KitIssue, version: ExerciseVersion, ref: str, ohms: float, reason: str
) -> Substitution:
    """Record a resistor given instead of the recipe's; one of that value leaves its drawer.

    Refused outside the window of its job, and where the store counts that value and none is left.
    """
    require_staff(actor, issue.session.section)
    allowed = allowed_resistors(version).get(ref)
    if allowed is None:
        raise Refused(f"{ref} is no resistor of this recipe; only resistors are substituted.")
    if not allowed.holds(ohms):
        raise Refused(f"{in_words(ohms, 'Ω')} lies outside the window of {ref}: {allowed.window_words}.")
    if not reason.strip():
        raise Refused("Say why another value is given, such as “no 330 Ω left”.")
    _take_one(ohms)
    made = Substitution.objects.create(issue=issue, ref=ref, ohms=ohms, reason=reason.strip()[:200])
    record(actor, f"gave {in_words(ohms, 'Ω')} for {ref}", f"kit:{issue.kit.tag}", scope=STORES, reason=made.reason)
    return made


@transaction.atomic
def note_setting(actor: User, kit: Kit, ref: str, setting: str, value: str) -> KitIssue | None:
    """Write down how a module of a kit is set: its jumper, or what its trimmer gives; an empty value forgets it. It holds
    for who has the kit now (returned) and for all who get it after. Raises Refused."""
    if not is_staff_of(actor, kit.exercise.course):
        raise NotAllowed("Only the staff of this course may do that.")
    part = next((part for part in recipe_of(kit.exercise_id) if part.ref == ref), None)
    if part is None:
        raise Refused(f"The recipe of {kit.exercise} has no {ref or 'such part'}.")
    refuse_setting(part.part, ref, setting, value)
    issue = (
        KitIssue.objects.filter(kit=kit, returned_at__isnull=True).select_related("pair", "session__section").first()
    )
    both: list[Kit | KitIssue] = [kit, issue] if issue else [kit]
    for held in both:
        own = {key: text for key, text in held.settings.get(ref, {}).items() if key != setting}
        held.settings = {**held.settings, ref: {**own, setting: value} if value else own}
        held.save(update_fields=["settings"])
    record(actor, f"{ref} of {kit.tag}: {setting} {value or 'not known'}"[:120], f"kit:{kit.tag}", scope=STORES)
    return issue


def _take_one(ohms: float) -> None:
    """One resistor out of its drawer. A value the store does not count is taken as brought along."""
    counted = StockResistor.objects.filter(ohms=ohms)
    held = counted.filter(count__gt=0).order_by("rated_watts").first()
    if held is None:
        if counted.exists():
            raise Refused(f"The drawers hold no {in_words(ohms, 'Ω')} any more.")
        return
    StockResistor.objects.filter(pk=held.pk).update(count=models.F("count") - 1)


def given_ohms(issue: KitIssue | None) -> dict[str, float]:
    """Substituted values by reference; the last one counts."""
    return {s.ref: s.ohms for s in issue.substitutions.all()} if issue else {}
