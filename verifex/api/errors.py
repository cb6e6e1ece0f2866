"""What every refusal of the API looks like."""

from verifex.api.shape import Shape


class ProblemOut(Shape):
    line: int
    column: int
    message: str


class ErrorOut(Shape):
    """What every refusal looks like: a sentence, located problems, what changed meanwhile."""

    message: str
    problems: list[ProblemOut] = []
    changes: list[str] = []
