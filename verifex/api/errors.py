"""What every refusal of the API looks like."""

from ninja import Schema


class ProblemOut(Schema):
    line: int
    column: int
    message: str


class ErrorOut(Schema):
    """What every refusal looks like: a sentence, located problems, what changed meanwhile."""

    message: str
    problems: list[ProblemOut] = []
    changes: list[str] = []
