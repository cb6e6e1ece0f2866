"""Syntax errors in a beginner's words: what is missing or too much, on the line it is missing from.

The grammar's own error nodes often stand a line late or swallow half a file. So a repair is tried at
the first error: of a few insertions and deletions near it, the one that mends most names the mistake.
"""

import re
from dataclasses import dataclass

from tree_sitter import Node

from verifex.core.problems import Problem
from verifex.core.program.cpp.grammar import nodes, parse

MOST_PROBLEMS = 8


@dataclass(frozen=True, slots=True)
class _Repair:
    """Put `insert` at `offset`, having taken `remove` bytes away there."""

    offset: int
    insert: bytes
    remove: int
    message: str


def syntax_problems(source: str) -> list[Problem]:
    """What a compiler would refuse in `source`, each at its line; empty when it is well formed."""
    text = source.encode("utf-8", "replace")
    problems: list[Problem] = []
    for _ in range(MOST_PROBLEMS):
        root = parse(text)
        first = _first_error(root)
        if first is None:
            break
        repair = _best_repair(text, root, first)
        if repair is None:
            line, column = first.start_point.row + 1, first.start_point.column + 1
            word = text[first.start_byte : first.end_byte].split(b"\n")[0][:30].decode("utf-8", "replace").strip()
            problems.append(
                Problem(
                    line,
                    column,
                    f"line {line} is not understood at `{word}`" if word else f"line {line} is not understood",
                )
            )
            break  # what comes after a place that is not understood would be guesses
        line = text[: repair.offset].count(b"\n") + 1
        column = repair.offset - (text.rfind(b"\n", 0, repair.offset) + 1) + 1
        problems.append(Problem(line, column, repair.message.format(line=line)))
        text = text[: repair.offset] + repair.insert + text[repair.offset + repair.remove :]
    return problems


def _first_error(root: Node) -> Node | None:
    if not root.has_error:
        return None
    # Of an error that swallows others, the innermost one nearest to the mistake is the useful one.
    found = [node for node in nodes(root) if node.is_error or node.is_missing]
    small = [node for node in found if not any(child.has_error for child in node.children)]
    return (small or found)[0]


def _badness(root: Node) -> tuple[int, int]:
    count = swallowed = 0
    if root.has_error:
        for node in nodes(root):
            if node.is_error or node.is_missing:
                count += 1
                swallowed += node.end_byte - node.start_byte if node.is_error else 0
    return count, swallowed


def _best_repair(text: bytes, root: Node, first: Node) -> _Repair | None:
    now = _badness(root)
    best: tuple[tuple[int, int], int, _Repair] | None = None
    for order, repair in enumerate(_repairs(text, first)):
        mended = text[: repair.offset] + repair.insert + text[repair.offset + repair.remove :]
        then = _badness(parse(mended))
        if then < now and (best is None or then < best[0]):
            best = (then, order, repair)
            if then == (0, 0):
                break
    return best[2] if best else None


def _repairs(text: bytes, first: Node) -> list[_Repair]:
    """Likely repairs near the first error, the commonest mistakes first."""
    code = _without_comments(text)
    ends = _line_ends(code, first.start_point.row)
    repairs = [
        _Repair(end, b";", 0, "line {line} ends without `;`") for end in ends if code[end - 1 : end] not in b";{},"
    ]
    for end in ends:
        at = end - 1 if code[end - 1 : end] in b";{" else end
        repairs.append(_Repair(at, b")", 0, "line {line} has a `(` that is never closed by `)`"))
        if code[end - 1 : end] != b";":
            repairs.append(_Repair(end, b");", 0, "line {line} ends without `)` and `;`"))
    repairs.append(
        _Repair(
            len(text.rstrip()),
            b"\n}",
            0,
            "a `{{` is never closed: one `}}` is missing at the end, line {line}",
        )
    )
    for at in _before_else(code, first.start_point.row):
        repairs.append(
            _Repair(at, b"} ", 0, "the block before `else` in line {line} is not closed: one `}}` is missing")
        )
    for end in ends:
        if code[end - 1 : end] == b")":
            repairs.append(_Repair(end, b" {", 0, "line {line} ends without `{{`"))
        quotes = code[code.rfind(b"\n", 0, end) + 1 : end].count(b'"')
        if quotes % 2:
            at = end
            while at > 0 and code[at - 1 : at] in b");":
                at -= 1
            repairs.append(_Repair(at, b'"', 0, 'line {line} has a text that is never closed by `"`'))
    for offset in range(max(0, first.start_byte - 1), min(len(text), first.end_byte + 1)):
        if text[offset : offset + 1] in (b"}", b")", b";", b"{", b"]"):
            mark = text[offset : offset + 1].decode()
            shown = {"{": "{{", "}": "}}"}.get(mark, mark)
            repairs.append(_Repair(offset, b"", 1, f"line {{line}} has one `{shown}` too many"))
        if offset - first.start_byte > 40:
            break
    last = len(text.rstrip()) - 1
    if text[last : last + 1] == b"}":
        repairs.append(_Repair(last, b"", 1, "there is one `}}` too many by line {line}"))
    return repairs


def _line_ends(code: bytes, row: int) -> list[int]:
    """Offsets behind the last code on the error's own line and the nearest three lines before that have any."""
    lines = code.split(b"\n")
    starts = [0]
    for line in lines[:-1]:
        starts.append(starts[-1] + len(line) + 1)
    wanted = [r for r in range(min(row, len(lines) - 1), -1, -1) if lines[r].strip()][:4]
    own, *before = wanted or [0]
    return [starts[r] + len(lines[r].rstrip()) for r in [*before[:1], own, *before[1:]] if lines[r].strip()]


def _before_else(code: bytes, row: int) -> list[int]:
    """Offsets of each `else` from the error's line backwards, the nearest first."""
    found = [match.start() for match in re.finditer(rb"\belse\b", code)]
    upto = sum(len(line) + 1 for line in code.split(b"\n")[: row + 1])
    return [at for at in reversed(found) if at <= upto][:3] or found[:1]


def _without_comments(text: bytes) -> bytes:
    """The text with comments blanked, byte for byte in place."""
    code = bytearray(text)
    for node in nodes(parse(text)):
        if node.type == "comment":
            for at in range(node.start_byte, node.end_byte):
                if code[at] != 10:
                    code[at] = 32
    return bytes(code)
