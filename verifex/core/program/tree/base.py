"""What every node of a program is."""

from dataclasses import dataclass


@dataclass(frozen=True, slots=True)
class At:
    """Where a node stands in the text; line and column count from 1."""

    line: int
    column: int


@dataclass(frozen=True, slots=True)
class Node:
    at: At


@dataclass(frozen=True, slots=True)
class Expr(Node):
    pass


@dataclass(frozen=True, slots=True)
class Stmt(Node):
    pass
