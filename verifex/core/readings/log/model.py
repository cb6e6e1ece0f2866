"""A log by its steps, as it is judged."""

from dataclasses import dataclass, field

from verifex.core.printed.columns import Choice, Column


@dataclass(slots=True)
class StepLog:
    """What stands under one mark: for each reading of the exercise its values with the line (from 1) each stood on.

    `index` is the step's place in the plan; None for a mark that belongs to no step.
    """

    name: str
    mark: str
    index: int | None = None
    columns: list[list[float]] = field(default_factory=list)
    column_lines: list[list[int]] = field(default_factory=list)
    #: By the reading's place in the exercise what was printed in words: 1 something is there, 0 nothing is.
    states: dict[int, list[int]] = field(default_factory=dict)
    ids: list[str] = field(default_factory=list)
    not_numbers: int = 0  # lines that printed nan

    @property
    def values(self) -> list[float]:
        """Of the exercise's first reading."""
        return self.columns[0] if self.columns else []

    @property
    def lines(self) -> list[int]:
        return self.column_lines[0] if self.column_lines else []


@dataclass(slots=True)
class Log:
    """A log by steps; `unmarked` are values before the first mark, `notes` what a person should know."""

    steps: list[StepLog] = field(default_factory=list)
    unmarked: list[float] = field(default_factory=list)
    choices: list[Choice | None] = field(default_factory=list)
    columns: list[Column] = field(default_factory=list)  # all that there are to choose from
    garbage_lines: int = 0
    garbage: list[str] = field(default_factory=list)  # some of them
    found_by: str = ""  # how steps without marks were found: changes, rules, pauses, plan
    moved: list[int] = field(default_factory=list)  # steps whose begin a person set
    #: By the reading's place a line that prints a level and a state in words: (1 or 0 in words, the level, the line).
    beside: dict[int, tuple[int, float, int]] = field(default_factory=dict)
    notes: list[str] = field(default_factory=list)
    taken: list[str] = field(default_factory=list)  # which column was taken for which reading, and why

    @property
    def found(self) -> list[int]:
        """The plan's steps that were found, in the order of the log."""
        return [step.index for step in self.steps if step.index is not None]
