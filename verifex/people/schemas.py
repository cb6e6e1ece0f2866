"""What log-in is asked with, and who one is."""

from datetime import datetime
from typing import Annotated

from pydantic import Field

from verifex.api.shape import Shape


class LogInIn(Shape):
    username: Annotated[str, Field(max_length=150)]
    password: Annotated[str, Field(max_length=4096)]


class PasswordIn(Shape):
    """One's own password, changed; the old one is asked for."""

    old: Annotated[str, Field(max_length=4096)]
    new: Annotated[str, Field(max_length=4096)]


class SectionOut(Shape):
    id: int
    name: str
    role: str


class InvitationOut(Shape):
    """A part in a section of another course that was offered to the reader."""

    id: int
    section: str
    role: str
    by: str


class ResetOut(Shape):
    """Who gave the reader a new first password, and when."""

    by: str
    at: datetime


class MeOut(Shape):
    """Who is logged in: `kind` is instructor, assistant, pair or nobody. `founds` may set up courses; `first_start` asks for
    the first instructor; `change_password` asks for another one before anything else, and `password_reset` says who
    replaced the reader's own."""

    name: str
    kind: str
    sections: list[SectionOut] = []
    pair: str = ""
    zone: str = ""  # of the course: times are shown in it
    founds: bool = False
    first_start: bool = False
    change_password: bool = False
    password_reset: ResetOut | None = None
    invitations: list[InvitationOut] = []


class FirstStartIn(Shape):
    """The one-time code, and who the first instructor is."""

    code: Annotated[str, Field(max_length=40)]
    name: Annotated[str, Field(max_length=150)]
    log_in: Annotated[str, Field(max_length=150)]
    password: Annotated[str, Field(max_length=4096)]


class AnswerIn(Shape):
    accept: bool
