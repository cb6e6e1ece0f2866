"""What every refusal of the API looks like."""

from verifex.api.shape import Shape


class ProblemOut(Shape):
    line: int
    column: int
    message: str


class ErrorOut(Shape):
    """What every refusal looks like: a sentence, the name of its reason, located problems, what changed meanwhile."""

    message: str
    #: The type of a refused act, for whoever must know the reason; empty for the others.
    reason: str = ""
    problems: list[ProblemOut] = []
    changes: list[str] = []
