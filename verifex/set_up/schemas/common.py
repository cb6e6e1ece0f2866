"""Shapes that several parts of Set-up share."""

from typing import Annotated

from pydantic import Field

from verifex.api.shape import Shape

Name = Annotated[str, Field(max_length=200)]
Number = Annotated[int, Field(ge=0, le=2**63 - 1)]
Small = Annotated[int, Field(ge=0, le=10_000)]


class SavedOut(Shape):
    message: str


class MadeOut(Shape):
    id: int
    message: str


class NameIn(Shape):
    name: Name


class NamedUserOut(Shape):
    user: int
    name: str
