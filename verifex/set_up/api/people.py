"""The class list and the pairs of a section."""

import json

from django.http import HttpRequest, HttpResponse
from ninja import Router

from verifex.api.http import Id
from verifex.marks.shares import shares_of_students
from verifex.papers.slips import log_in_slips
from verifex.people.access import reader
from verifex.people.class_list.changes import Change
from verifex.people.class_list.columns import MEANINGS, Columns, propose_columns
from verifex.people.models import User
from verifex.people.services import class_lists, first_passwords, pairs
from verifex.set_up import pairs as acts
from verifex.set_up.access import pair_of, section_of
from verifex.set_up.present import people_json
from verifex.set_up.privacy import data_of, remove_student
from verifex.set_up.refusals import UnknownColumnMeaning
from verifex.set_up.schemas.common import NamedUserOut, SavedOut
from verifex.set_up.schemas.people import (
    GroupsIn,
    GroupsOut,
    ImportedOut,
    ImportIn,
    ListChangeOut,
    ListedIn,
    ListFileIn,
    ListIn,
    ListReadOut,
    MembersIn,
    PeopleOut,
    PreviewOut,
    WayIn,
)
from verifex.work.files import rows_of

router = Router(tags=["set-up"])
ROWS_SHOWN = 12


@router.get("/set-up/sections/{section_id}/people", response=PeopleOut)
def people(request: HttpRequest, section_id: Id) -> PeopleOut:
    return people_json(section_of(request, section_id))


@router.post("/set-up/sections/{section_id}/class-list/read", response=ListReadOut)
def read_list(request: HttpRequest, section_id: Id, data: ListFileIn) -> ListReadOut:
    """The first rows of a file, and what its columns seem to be; nothing is stored."""
    section_of(request, section_id)
    rows = rows_of(data.data)
    columns = propose_columns(rows)
    return ListReadOut(
        rows=rows[:ROWS_SHOWN],
        count=len(rows) - columns.first_row,
        first_row=columns.first_row,
        meanings={str(meaning): column for meaning, column in columns.meanings.items()},
    )


@router.post("/set-up/sections/{section_id}/class-list/preview", response=PreviewOut)
def preview(request: HttpRequest, section_id: Id, data: ListIn) -> PreviewOut:
    """What an import would change; nothing is stored."""
    found = class_lists.preview(reader(request), section_of(request, section_id), rows_of(data.data), _columns(data))
    return PreviewOut(
        changes=[_change(change) for change in found.changes], new_sections=found.new_sections, digest=found.digest
    )


@router.post("/set-up/sections/{section_id}/class-list/import", response=ImportedOut)
def import_list(request: HttpRequest, section_id: Id, data: ImportIn) -> dict[str, int]:
    """Do what the preview showed, all or nothing."""
    counts = acts.import_list(
        reader(request),
        section_of(request, section_id),
        rows_of(data.data),
        _columns(data),
        seen=data.seen,
        take=set(data.take),
        take_off=set(data.take_off),
    )
    return {key.replace(" ", "_"): count for key, count in counts.items()}


def _columns(data: ListIn) -> Columns:
    if unknown := set(data.meanings) - set(MEANINGS):
        raise UnknownColumnMeaning(sorted(unknown)[0])
    return Columns(data.first_row, {m: data.meanings[m] for m in MEANINGS if m in data.meanings})


def _change(change: Change) -> ListChangeOut:
    who = change.entry or change.listed
    assert who is not None  # a change is of a row or of someone
    return ListChangeOut(
        kind=change.kind,
        row=change.entry.row if change.entry else None,
        name=who.name,
        number=who.number,
        section=who.section,
        user=change.listed.user_id if change.listed else None,
        why=change.why,
        what=list(change.what),
    )


@router.post("/set-up/sections/{section_id}/students", response=SavedOut)
def add_student(request: HttpRequest, section_id: Id, data: ListedIn) -> SavedOut:
    row = class_lists.add_student(reader(request), section_of(request, section_id), data.name, data.number)
    return SavedOut(message=f"{row.user.get_full_name()} is on the list; the log-in is {row.user.username}.")


@router.put("/set-up/sections/{section_id}/students/{user_id}", response=SavedOut)
def rename_student(request: HttpRequest, section_id: Id, user_id: Id, data: ListedIn) -> SavedOut:
    class_lists.rename(reader(request), section_of(request, section_id), user_id, data.name)
    return SavedOut(message="Saved.")


@router.delete("/set-up/sections/{section_id}/students/{user_id}", response=SavedOut)
def take_off(request: HttpRequest, section_id: Id, user_id: Id) -> SavedOut:
    """Off the list from now on; what was done stays."""
    acts.take_off(reader(request), section_of(request, section_id), user_id)
    return SavedOut(message="Taken off the list.")


@router.get("/set-up/sections/{section_id}/students/{user_id}/data.json")
def student_data(request: HttpRequest, section_id: Id, user_id: Id) -> HttpResponse:
    """All that is kept of one student, to give to them."""
    section = section_of(request, section_id)
    found = data_of(reader(request), section, User.objects.get(pk=user_id))
    text = json.dumps(found, indent=1, ensure_ascii=False, default=str)
    answer = HttpResponse(text, content_type="application/json; charset=utf-8")
    answer["Content-Disposition"] = f'attachment; filename="student-{user_id}.json"'
    return answer


@router.post("/set-up/sections/{section_id}/students/{user_id}/forget", response=SavedOut)
def forget_student(request: HttpRequest, section_id: Id, user_id: Id) -> SavedOut:
    """Take a student's data away: name, log-in and texts go, figures stay under a pseudonym. It cannot be undone."""
    section = section_of(request, section_id)
    pseudonym = remove_student(reader(request), section, User.objects.get(pk=user_id))
    return SavedOut(message=f"The data are removed; what figures are left stand under “{pseudonym}”.")


@router.post("/set-up/sections/{section_id}/slips")
def slips(request: HttpRequest, section_id: Id) -> HttpResponse:
    """Log-in slips as PDF, with new first passwords for all who never logged in. They are stored nowhere in clear."""
    section = section_of(request, section_id)
    made = first_passwords.for_section(reader(request), section)
    answer = HttpResponse(log_in_slips(section, made, request.build_absolute_uri("/")), content_type="application/pdf")
    answer["Content-Disposition"] = 'attachment; filename="log-in-slips.pdf"'
    answer["Cache-Control"] = "no-store"
    return answer


@router.post("/set-up/sections/{section_id}/pairs/propose", response=GroupsOut)
def propose_pairs(request: HttpRequest, section_id: Id, data: WayIn) -> GroupsOut:
    """Pairs of who is in none, put together by a rule; nothing is stored."""
    section = section_of(request, section_id)
    marks = shares_of_students(section) if data.way in ("alike", "mixed") else {}
    found = pairs.propose(section, data.way, marks=marks, seed=data.seed)
    return GroupsOut(groups=[[_member(user) for user in group] for group in found])


def _member(user: User) -> NamedUserOut:
    return NamedUserOut(user=user.pk, name=user.get_full_name())


@router.post("/set-up/sections/{section_id}/pairs", response=SavedOut)
def make_pairs(request: HttpRequest, section_id: Id, data: GroupsIn) -> SavedOut:
    made = acts.make_pairs(reader(request), section_of(request, section_id), data.groups)
    return SavedOut(message=f"{len(made)} pairs are made." if len(made) != 1 else f"{made[0].name} is a pair.")


@router.put("/set-up/pairs/{pair_id}", response=SavedOut)
def change_members(request: HttpRequest, pair_id: Id, data: MembersIn) -> SavedOut:
    acts.change_members(reader(request), pair_of(request, pair_id), data.members)
    return SavedOut(message="Saved.")


@router.delete("/set-up/pairs/{pair_id}", response=SavedOut)
def end_pair(request: HttpRequest, pair_id: Id) -> SavedOut:
    """The pair ends; its members are free, what it did is kept."""
    pair = pair_of(request, pair_id)
    acts.end_pair(reader(request), pair)
    return SavedOut(message=f"{pair.name} is no pair any more; what they did is kept.")
