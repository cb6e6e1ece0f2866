"""What is wrong with an input that cannot be used at all, and where."""

from dataclasses import dataclass


@dataclass(frozen=True, slots=True)
class Problem:
    """One place in a text that is no statement of its language.

    `line` and `column` count from 1. `message` says what is wrong and what was expected.
    """

    line: int
    column: int
    message: str

    def __str__(self) -> str:
        return f"{self.line}:{self.column}: {self.message}"

    def as_json(self) -> dict[str, object]:
        return {"line": self.line, "column": self.column, "message": self.message}


class UnusableInput(Exception):
    """Raised where a whole input cannot be used; carries at least one `Problem`."""

    def __init__(self, problems: list[Problem]) -> None:
        super().__init__("; ".join(str(problem) for problem in problems))
        self.problems = problems

    def __reduce__(self) -> tuple[type["UnusableInput"], tuple[list[Problem]]]:
        """So that it comes back whole from a worker process."""
        return type(self), (self.problems,)
