"""Bands of values: branches that nothing reaches, and a value between two bands that nothing answers."""

from collections.abc import Callable, Iterator
from dataclasses import dataclass
from itertools import pairwise

from verifex.core.findings import Finding, Severity
from verifex.core.program import tree as t
from verifex.core.program.flow.words import Words
from verifex.core.program.rules.book import PROGRAM
from verifex.core.program.rules.view import ProgramView
from verifex.core.program.types import Int
from verifex.core.rulebook import RUN_CONSEQUENCES, FindingFactory

COMPARE: dict[str, Callable[[float, float], bool]] = {
    "<": lambda a, b: a < b, "<=": lambda a, b: a <= b, ">": lambda a, b: a > b, ">=": lambda a, b: a >= b,
    "==": lambda a, b: a == b, "!=": lambda a, b: a != b,
}  # fmt: skip
MIRRORED = {"<": ">", "<=": ">=", ">": "<", ">=": "<=", "==": "==", "!=": "!="}
Holds = Callable[[float], bool]


def _against(compare: Callable[[float, float], bool], limit: float) -> Holds:
    return lambda x: compare(x, limit)


@dataclass(frozen=True, slots=True)
class Condition:
    """A condition on one value alone: what it says of a number, and the numbers it compares with; `ordered` are those that it asks
    to be above or below of, the ends of bands."""

    of: str
    holds: Holds
    limits: tuple[float, ...]
    at: t.At
    ordered: tuple[float, ...] = ()


class _Reader:
    def __init__(self, view: ProgramView) -> None:
        self.view, self.words = view, Words(view.tree.spelled)
        kinds: dict[str, set[bool]] = {}
        for node in view.nodes:
            if isinstance(node, t.Declare):
                kinds.setdefault(node.name, set()).add(isinstance(node.type, Int))
        self.whole = {name for name, seen in kinds.items() if seen == {True}}

    def condition(self, node: t.Expr) -> Condition | None:
        match node:
            case t.Binary(op=op) if op in COMPARE:
                left, right = self.view.known_number(node.left), self.view.known_number(node.right)
                if (left is None) == (right is None):
                    return None
                varies, limit, sign = (node.left, right, op) if left is None else (node.right, left, MIRRORED[op])
                assert limit is not None
                if any(isinstance(n, t.Call | t.Assign | t.Step) for n in t.walk(varies)):
                    return None  # another value each time it is asked
                compare = COMPARE[sign]
                ordered = () if sign in ("==", "!=") else (limit,)
                return Condition(self.words.text_of(varies), _against(compare, limit), (limit,), node.at, ordered)
            case t.Chain(ops=(first, second), rest=(middle, last)):
                low, high = t.Binary(node.at, first, node.first, middle), t.Binary(node.at, second, middle, last)
                return self.condition(t.Binary(node.at, "&&", low, high))
            case t.Binary(op="&&" | "||" | "and" | "or" as op):
                one, other = self.condition(node.left), self.condition(node.right)
                if one is None or other is None or one.of != other.of:
                    return None
                both = op in ("&&", "and")
                return Condition(
                    one.of,
                    lambda x: (one.holds(x) and other.holds(x)) if both else (one.holds(x) or other.holds(x)),
                    one.limits + other.limits,
                    node.at,
                    one.ordered + other.ordered,
                )
            case t.Unary(op="!"):
                inner = self.condition(node.operand)
                if inner is None:
                    return None
                return Condition(inner.of, lambda x: not inner.holds(x), inner.limits, node.at, inner.ordered)
        return None

    def points(self, conditions: list[Condition]) -> list[float]:
        """Enough numbers to tell every way the conditions can fall, in order."""
        limits = sorted({limit for condition in conditions for limit in condition.limits})
        if conditions[0].of in self.whole:
            return sorted({float(x) for limit in limits for x in (limit // 1 - 1, limit // 1, limit // 1 + 1)})
        between = [(a + b) / 2 for a, b in pairwise(limits)]
        return sorted([limits[0] - 1, *limits, *between, limits[-1] + 1])


def _inner(node: t.Stmt | None) -> t.If | None:
    """The `else if` behind an else."""
    if isinstance(node, t.Block) and len(node.body) == 1:
        node = node.body[0]
    return node if isinstance(node, t.If) else None


def _chains(view: ProgramView) -> Iterator[tuple[list[Condition], t.Stmt | None]]:
    """Chains of else-ifs that ask about one value, with what stands behind the last else."""
    reader = _Reader(view)
    inner = {id(below) for n in view.nodes if isinstance(n, t.If) and (below := _inner(n.no))}
    for node in view.nodes:
        if not isinstance(node, t.If) or id(node) in inner:
            continue
        conditions: list[Condition] = []
        here: t.If | None = node
        last: t.Stmt | None = None
        while here is not None:
            condition = reader.condition(here.condition)
            if condition is None or (conditions and condition.of != conditions[0].of):
                conditions = []
                break
            conditions.append(condition)
            last, here = here.no, _inner(here.no)
        if conditions:
            yield conditions, last


@PROGRAM.rule(
    "branch-unreachable",
    Severity.FIX,
    title="A branch that nothing reaches",
    why="Whatever is measured, an earlier branch takes it; what stands in this one never happens.",
    hint="Which value would lead into this branch, and does an earlier one take it first?",
    criterion="program",
    source="the conditions of the branches, taken together",
    explains=RUN_CONSEQUENCES,
)
def branch_unreachable(view: ProgramView, finding: FindingFactory) -> Iterator[Finding]:
    reader = _Reader(view)
    for conditions, last in _chains(view):
        left = reader.points(conditions)
        for condition in conditions:
            if not any(condition.holds(x) for x in left):
                yield finding(
                    f"The branch in line {condition.at.line} is never taken: no value of {condition.of} comes this far and fits.",
                    "Ask about the narrowest band first, or mend the limits.",
                    at=condition.at,
                )
            left = [x for x in left if not condition.holds(x)]
        if last is not None and not left:
            yield finding(
                f"The else in line {last.at.line} is never taken: every value of {conditions[0].of} fits a branch before it.",
                "Mend the limits; `&&` where both have to hold, `||` where one is enough.",
                at=last.at,
            )


@PROGRAM.rule(
    "band-misses-limit",
    Severity.CHECK,
    title="A value between two bands is left out",
    why="At exactly this value no branch is taken, and everything stays as it was.",
    hint="What does your program do when the value is exactly the limit?",
    criterion="program",
    source="the conditions of the branches, taken together",
)
def band_misses_limit(view: ProgramView, finding: FindingFactory) -> Iterator[Finding]:
    reader = _Reader(view)
    for conditions in [*(c for c, last in _chains(view) if last is None and len(c) > 1), *_side_by_side(view, reader)]:
        points = reader.points(conditions)
        taken = [any(condition.holds(x) for condition in conditions) for x in points]
        ends = {end for condition in conditions for end in condition.ordered}
        beside = 1 if conditions[0].of in reader.whole else 0  # `<= 4` and `>= 6` leave out 5
        for index in range(1, len(points) - 1):
            is_end = any(abs(points[index] - end) <= beside for end in ends)
            if is_end and taken[index - 1] and not taken[index] and taken[index + 1]:
                yield finding(
                    f"When {conditions[0].of} is exactly {points[index]:g}, no branch from line {conditions[0].at.line} on is taken.",
                    "Write `<=` or `>=` on one side.",
                    at=conditions[0].at,
                )
                break


def _side_by_side(view: ProgramView, reader: _Reader) -> Iterator[list[Condition]]:
    """Ifs without else that follow each other and ask about one value."""
    for block in view.nodes:
        if not isinstance(block, t.Block):
            continue
        row: list[Condition] = []
        for statement in [*block.body, None]:
            condition = (
                reader.condition(statement.condition) if isinstance(statement, t.If) and statement.no is None else None
            )
            if condition is not None and (not row or row[0].of == condition.of):
                row.append(condition)
                continue
            if len(row) > 1:
                yield row
            row = [condition] if condition is not None else []
