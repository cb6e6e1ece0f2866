"""Shapes of tables that are imported."""

from typing import Annotated, Literal

from pydantic import Field

from verifex.api.shape import Shape

Data = Annotated[str, Field(max_length=1_500_000)]


class StoreTableOut(Shape):
    """`needed` are the columns a file must have; one that is not `read` is only written."""

    name: str
    title: str
    head: list[str]
    needed: list[str]
    read: bool


class StoreFileIn(Shape):
    """A CSV, XLSX or ODS file as base64."""

    data: Data


class StoreImportIn(StoreFileIn):
    """`digest` is that of the preview which was looked at."""

    digest: Annotated[str, Field(max_length=40)]


class StoreChangeOut(Shape):
    row: int
    kind: Literal["added", "changed", "same", "wrong"]
    about: str
    what: str


class StoreChangesOut(Shape):
    changes: list[StoreChangeOut]
    digest: str
