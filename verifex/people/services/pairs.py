"""Pairs: made by hand or by a rule, changed, archived. Membership is dated, so the past stays what it was."""

from collections.abc import Iterable, Mapping, Sequence
from random import Random

from django.db import transaction

from verifex.acts import clock
from verifex.acts.events import record
from verifex.people.access import require_instructor
from verifex.people.membership import end_now
from verifex.people.models import Pair, PairMember, Section, Student, User
from verifex.people.refusals import MembersNotOnClassList, PairSize, StudentInOtherPair
from verifex.people.services.pairing import Way, pairing

MOST_MEMBERS = 3


def unpaired(section: Section) -> list[User]:
    """Students of the class list who are in no pair now, by name."""
    held = PairMember.objects.filter(pair__section=section, pair__archived_at=None, until=None).values("user")
    listed = Student.objects.filter(section=section, until=None).exclude(user__in=held).select_related("user")
    return [student.user for student in listed]


def earlier_partners(section: Section) -> set[frozenset[int]]:
    """Every two students of the section who were ever in one pair."""
    together: dict[int, list[int]] = {}
    for pair_id, user_id in PairMember.objects.filter(pair__section=section).values_list("pair", "user"):
        together.setdefault(pair_id, []).append(user_id)
    return {frozenset((a, b)) for users in together.values() for a in users for b in users if a != b}


def propose(section: Section, way: Way, *, marks: Mapping[int, float] | None = None, seed: int = 1) -> list[list[User]]:
    """Pairs of who is in none, as a proposal: nothing is stored. One left over makes a three. `marks` are shares by user."""
    users = unpaired(section)
    by_id = {user.pk: user for user in users}
    found = pairing(list(by_id), way, avoid=earlier_partners(section), marks=marks or {}, rng=Random(seed))
    return [[by_id[user_id] for user_id in pair] for pair in found]


@transaction.atomic
def make_pairs(actor: User, section: Section, groups: Sequence[Sequence[int]]) -> list[Pair]:
    """New pairs of students who are in none. Raises Refused, and then none is made."""
    require_instructor(actor, section)
    free = {user.pk: user for user in unpaired(section)}
    seen: set[int] = set()
    made = []
    for group in groups:
        members = []
        for user_id in group:
            if user_id in seen or user_id not in free:
                listed = section.students.filter(user=user_id, until=None).select_related("user").first()
                who = listed.user.get_full_name() if listed else "Someone"
                raise StudentInOtherPair(who)
            seen.add(user_id)
            members.append(free[user_id])
        made.append(_make(section, members))
    record(actor, f"made {len(made)} pairs" if len(made) != 1 else "made a pair", f"section:{section.pk}")
    return made


def _make(section: Section, members: Sequence[User]) -> Pair:
    if not 1 <= len(members) <= MOST_MEMBERS:
        raise PairSize()
    pair = Pair.objects.create(section=section, name=_free_name(section, members), badge=_free_badge(section))
    since = clock.now()
    for user in members:
        PairMember.objects.create(pair=pair, user=user, since=since)
    return pair


@transaction.atomic
def change_members(actor: User, pair: Pair, user_ids: Iterable[int]) -> None:
    """Who is in a pair from now on; who leaves keeps the past, who comes leaves the pair they were in. Raises Refused."""
    require_instructor(actor, pair.section)
    wanted = list(dict.fromkeys(user_ids))
    if not 1 <= len(wanted) <= MOST_MEMBERS:
        raise PairSize()
    listed = {s.user_id: s.user for s in pair.section.students.filter(until=None).select_related("user")}
    if missing := [user_id for user_id in wanted if user_id not in listed]:
        raise MembersNotOnClassList(len(missing), pair.section.name)
    now = clock.now()
    open_rows = PairMember.objects.filter(pair__section=pair.section, until=None)
    left_alone = set(open_rows.filter(user__in=wanted).exclude(pair=pair).values_list("pair", flat=True))
    end_now(open_rows.filter(user__in=wanted).exclude(pair=pair), now)
    end_now(open_rows.filter(pair=pair).exclude(user__in=wanted), now)
    here = set(open_rows.filter(pair=pair).values_list("user", flat=True))
    for user_id in wanted:
        if user_id not in here:
            PairMember.objects.create(pair=pair, user_id=user_id, since=now)
    for other in Pair.objects.filter(pk__in=left_alone):
        rest = [m.user for m in other.members.filter(until=None).select_related("user")]
        if rest:
            other.name = _free_name(pair.section, rest, other)
        else:
            other.archived_at = now
        other.save(update_fields=["name", "archived_at"])
    pair.name = _free_name(pair.section, [listed[user_id] for user_id in wanted], pair)
    pair.save(update_fields=["name"])
    record(actor, f"changed the members of {pair.badge}", f"pair:{pair.pk}")


@transaction.atomic
def archive_pair(actor: User, pair: Pair) -> None:
    """A pair that ends: its members are free, its dockets and marks are kept."""
    require_instructor(actor, pair.section)
    now = clock.now()
    end_now(PairMember.objects.filter(pair=pair, until=None), now)
    pair.archived_at = now
    pair.save(update_fields=["archived_at"])
    record(actor, f"ended pair {pair.badge}", f"pair:{pair.pk}")


def _free_name(section: Section, members: Sequence[User], own: Pair | None = None) -> str:
    """`Kessler · Duarte`; with initials, then a number, where another pair is called that."""
    families = [user.last_name or user.first_name for user in members]
    full = [f"{user.first_name[:1]}. {user.last_name}" if user.last_name else user.first_name for user in members]
    taken = set(section.pairs.filter(archived_at=None).exclude(pk=own.pk if own else 0).values_list("name", flat=True))
    choices = [" · ".join(families)[:76], " · ".join(full)[:76]]
    choices += [f"{choices[0]} {number}" for number in range(2, len(taken) + 3)]
    return next(name for name in choices if name not in taken)


def _free_badge(section: Section) -> str:
    taken = set(section.pairs.values_list("badge", flat=True))
    return next(badge for number in range(1, len(taken) + 2) if (badge := f"P-{number:02}") not in taken)
