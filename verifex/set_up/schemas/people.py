"""Shapes of class lists and pairs."""

from typing import Annotated

from pydantic import Field

from verifex.api.shape import Shape
from verifex.people.services.pairing import Way
from verifex.set_up.schemas.common import Name, NamedUserOut, Number, Small

Data = Annotated[str, Field(max_length=1_500_000)]  # base64 of a file of 1 MB


class ListedOut(Shape):
    user: int
    name: str
    number: str
    group: str
    log_in: str
    has_logged_in: bool
    pair: int | None


class SetUpPairOut(Shape):
    id: int
    name: str
    badge: str
    members: list[int]


class PeopleOut(Shape):
    """A section's class list and its pairs."""

    students: list[ListedOut]
    pairs: list[SetUpPairOut]


class ListFileIn(Shape):
    """A file as base64."""

    data: Data


class ListReadOut(Shape):
    """The first rows of a class list and what its columns seem to be."""

    rows: list[list[str]]
    count: int
    first_row: int
    meanings: dict[str, int]


class ListIn(Shape):
    data: Data
    first_row: Small
    meanings: dict[str, Small]


class ImportIn(ListIn):
    """`seen` is the digest of the preview; `take` rows of doubtful ones done all the same; `take_off` users who leave."""

    seen: Name
    take: Annotated[list[Number], Field(max_length=5000)] = []
    take_off: Annotated[list[Number], Field(max_length=5000)] = []


class ListChangeOut(Shape):
    """`kind` is added, changed, same, doubtful, wrong or missing; `row` is the file's, `user` who is intended."""

    kind: str
    row: int | None
    name: str
    number: str
    section: str
    user: int | None
    why: str
    what: list[str]


class PreviewOut(Shape):
    changes: list[ListChangeOut]
    new_sections: list[str]
    digest: str


class ImportedOut(Shape):
    added: int
    changed: int
    taken_off: int


class ListedIn(Shape):
    name: Name
    number: Annotated[str, Field(max_length=40)] = ""


class WayIn(Shape):
    way: Way
    seed: Small = 1


class GroupsOut(Shape):
    groups: list[list[NamedUserOut]]


class GroupsIn(Shape):
    groups: Annotated[list[Annotated[list[Number], Field(max_length=3)]], Field(max_length=500)]


class MembersIn(Shape):
    members: Annotated[list[Number], Field(max_length=3)]
