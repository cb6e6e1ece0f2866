"""Acts on pairs and the class list as Set-up does them: the seats of the sessions to come follow."""

from collections.abc import Collection, Sequence

from django.db import transaction

from verifex.people.class_list.columns import Columns
from verifex.people.models import Pair, Section, User
from verifex.people.services import class_lists, pairs
from verifex.plan.services.seats import settle_seats
from verifex.tables.read import Rows


@transaction.atomic
def make_pairs(actor: User, section: Section, groups: Sequence[Sequence[int]]) -> list[Pair]:
    made = pairs.make_pairs(actor, section, groups)
    settle_seats(section)
    return made


@transaction.atomic
def change_members(actor: User, pair: Pair, members: Sequence[int]) -> None:
    pairs.change_members(actor, pair, members)
    settle_seats(pair.section)


@transaction.atomic
def end_pair(actor: User, pair: Pair) -> None:
    pairs.archive_pair(actor, pair)
    settle_seats(pair.section)


@transaction.atomic
def take_off(actor: User, section: Section, user_id: int) -> None:
    class_lists.take_off(actor, section, user_id)
    settle_seats(section)


@transaction.atomic
def import_list(
    actor: User,
    section: Section,
    rows: Rows,
    columns: Columns,
    *,
    seen: str,
    take: Collection[int],
    take_off: Collection[int],
) -> dict[str, int]:
    counts = class_lists.import_list(actor, section, rows, columns, seen=seen, take=take, take_off=take_off)
    for own in section.course.sections.all() if counts["changed"] or counts["taken off"] else ():
        settle_seats(own)
    return counts
