"""Small changes near a syntax error that may be what the writer intended, each with the words that name the mistake."""

import re
from collections.abc import Iterator
from dataclasses import dataclass

from tree_sitter import Node

from verifex.core.program.cpp.grammar import nodes, parse

MOST_OFFSETS = 40
_CASE = re.compile(rb"^\s*(case\b[^:;{]*|default)\s*$")
_FOR = re.compile(rb"\bfor\s*\(([^()]*)")
_NO_EQUALS = re.compile(rb"^\s*(?:(?:const|static|volatile|unsigned)\s+)*\w+\s+[A-Za-z_]\w*\s+([0-9\"'-][^;]*;)")
_BASE_EIGHT = re.compile(r"(?<![\w.])0[0-7]*[89]\d*(?![\w.])")
_DIGIT_FIRST = re.compile(r"\b(?:int|float|byte|long|char|bool|double|boolean|String)\s+(\d+[A-Za-z_]\w*)")
_HEAD = re.compile(
    rb"^(?:void|int|float|bool|long|byte|String|double|unsigned \w+)\s+\w+\s*\([^;{}]*\)\s*\{", re.MULTILINE
)
_NO_COMMA = re.compile(rb"(?<=[(,])([^(),;]*[\w)\"])\s+(?=[\w\"])")
_OPEN_CONDITION = re.compile(r"\b(if|while|switch)\s+[^(\s]")


@dataclass(frozen=True, slots=True)
class Repair:
    """Put `insert` at `offset`, having taken `remove` bytes away there."""

    offset: int
    insert: bytes
    remove: int
    message: str


def likely_repairs(text: bytes, first: Node) -> list[Repair]:
    """Likely repairs near the first error, the commonest mistakes first."""
    code = _without_comments(text)
    ends = _line_ends(code, first.start_point.row)
    repairs = [Repair(end, b" {", 0, "line {line} ends without `{{`") for end in _unopened(code)]
    repairs += [Repair(at, b"", 1, "line {line} has one `}}` too many") for at in _closed_too_soon(code)]
    for end in _never_closed(code):
        repairs.append(
            Repair(end, b"\n}", 0, "the function that ends in line {line} is never closed: one `}}` is missing")
        )
    repairs += [
        Repair(end, b";", 0, "line {line} ends without `;`") for end in ends if code[end - 1 : end] not in b";{},"
    ]
    for end in ends:
        at = end - 1 if code[end - 1 : end] in b";{" else end
        repairs.append(Repair(at, b")", 0, "line {line} has a `(` that is never closed by `)`"))
        if code[end - 1 : end] != b";":
            repairs.append(Repair(end, b");", 0, "line {line} ends without `)` and `;`"))
    repairs.append(
        Repair(
            len(text.rstrip()),
            b"\n}",
            0,
            f"a `{{{{` is never closed: one `}}}}` is missing{_opened_at(code)} at the end, line {{line}}",
        )
    )
    for at in _before_else(code, first.start_point.row):
        repairs.append(
            Repair(at, b"} ", 0, "the block before `else` in line {line} is not closed: one `}}` is missing")
        )
    for end in ends:
        if code[end - 1 : end] == b")":
            repairs.append(Repair(end, b" {", 0, "line {line} ends without `{{`"))
        quotes = code[code.rfind(b"\n", 0, end) + 1 : end].count(b'"')
        if quotes % 2:
            at = end
            while at > 0 and code[at - 1 : at] in b");":
                at -= 1
            repairs.append(Repair(at, b'"', 0, 'line {line} has a text that is never closed by `"`'))
    repairs += _in_the_line(code, first)
    for offset in range(max(0, first.start_byte - 1), min(len(text), first.end_byte + 1)):
        if text[offset : offset + 1] in (b"}", b")", b";", b"{", b"]"):
            mark = text[offset : offset + 1].decode()
            shown = {"{": "{{", "}": "}}"}.get(mark, mark)
            repairs.append(Repair(offset, b"", 1, f"line {{line}} has one `{shown}` too many"))
        if offset - first.start_byte > MOST_OFFSETS:
            break
    last = len(text.rstrip()) - 1
    if text[last : last + 1] == b"}":
        repairs.append(Repair(last, b"", 1, "there is one `}}` too many by line {line}"))
    return repairs


def _in_the_line(code: bytes, first: Node) -> Iterator[Repair]:
    """What is missing inside the error's own line, or one of the two before it."""
    starts = [0, *(match.end() for match in re.finditer(rb"\n", code))]
    for row in range(first.start_point.row, max(-1, first.start_point.row - 3), -1):
        begins = starts[row]
        line = code[begins:].split(b"\n", 1)[0]
        if _CASE.match(line):
            yield Repair(begins + len(line.rstrip()), b":", 0, "line {line} ends without `:`")
        if line.rstrip().endswith(b"}"):
            yield Repair(
                begins + len(line.rstrip()), b";", 0, "line {line}: a `;` belongs behind the `}}` of a record or class"
            )
        if match := _FOR.search(line):
            for comma in re.finditer(rb",", match.group(1)):
                at = begins + match.start(1) + comma.start()
                yield Repair(at, b";", 1, "the three parts of `for` in line {line} are divided by `;`")
        for gap in _NO_COMMA.finditer(line):
            yield Repair(begins + gap.end(1), b",", 0, "line {line}: a `,` is missing between two values")
        for brace in re.finditer(rb"\{", line):
            yield Repair(begins + brace.start(), b")", 0, "line {line} has a `(` that is never closed by `)`")
        if match := _NO_EQUALS.match(line):
            yield Repair(
                begins + match.start(1), b"= ", 0, "line {line}: an `=` is missing between the name and its value"
            )


def of_base_eight(line: str) -> str:
    """A number that begins with 0 and has an 8 or 9; empty when there is none."""
    match = _BASE_EIGHT.search(line)
    return match.group(0) if match else ""


def begins_with_digit(line: str) -> str:
    match = _DIGIT_FIRST.search(line)
    return match.group(1) if match else ""


def without_brackets(line: str) -> str:
    """The word of a condition that does not stand in brackets; empty when there is none."""
    match = _OPEN_CONDITION.search(line)
    return match.group(1) if match else ""


def _line_ends(code: bytes, row: int) -> list[int]:
    """Offsets behind the last code on the error's own line and the nearest three lines before that have any."""
    lines = code.split(b"\n")
    starts = [0]
    for line in lines[:-1]:
        starts.append(starts[-1] + len(line) + 1)
    wanted = [r for r in range(min(row, len(lines) - 1), -1, -1) if lines[r].strip()][:4]
    own, *before = wanted or [0]
    return [starts[r] + len(lines[r].rstrip()) for r in [*before[:1], own, *before[1:]] if lines[r].strip()]


def _unopened(code: bytes) -> list[int]:
    """Where `}` outnumber `{`: the ends of heads and of `else` that two lines further in follow, as if a block had begun."""
    if code.count(b"}") <= code.count(b"{"):
        return []
    found, at = [], 0
    rows = []
    for line in code.split(b"\n"):
        if line.strip():
            rows.append((at + len(line.rstrip()), len(line) - len(line.lstrip()), line.strip()))
        at += len(line) + 1
    for (end, moved, head), (_, first, _), (_, second, said) in zip(rows, rows[1:], rows[2:], strict=False):
        begins = head.endswith((b")", b"else")) and first > moved
        closes = said.startswith(b"}") and second == moved
        if begins and (closes or (second > moved and not said.startswith(b"}"))):
            found.append(end)
    return found[:8]


def _never_closed(code: bytes) -> list[int]:
    """Where `{` outnumber `}`: behind the last code before each head of a function that begins inside another."""
    if code.count(b"{") <= code.count(b"}"):
        return []
    found = []
    for match in _HEAD.finditer(code):
        before = code[: match.start()]
        if before.count(b"{") > before.count(b"}"):
            found.append(len(before.rstrip()))
    return found[:4]


def _closed_too_soon(code: bytes) -> list[int]:
    """Where `}` outnumber `{`: each `}` that ends a function although what follows is moved in as if it went on."""
    if code.count(b"}") <= code.count(b"{"):
        return []
    found, depth = [], 0
    for match in re.finditer(rb"[{}]", code):
        depth += 1 if match.group() == b"{" else -1
        following = re.match(rb"[ \t]*\n(?:[ \t]*\n)*([ \t]*)\S|[ \t]*(\S)", code[match.end() :])
        goes_on = following is not None and bool(following.group(1) or following.group(2))
        if depth <= 0 and match.group() == b"}" and goes_on:
            found.append(match.start())
        depth = max(0, depth)
    return found[:4]


def _opened_at(code: bytes) -> str:
    """Which `{` it likely is, by a `}` that stands further out than the one it would close."""
    open_rows: list[tuple[int, int]] = []
    for row, line in enumerate(code.split(b"\n"), start=1):
        moved = len(line) - len(line.lstrip())
        for mark in re.findall(rb"[{}]", line):
            if mark == b"{":
                open_rows.append((row, moved))
            elif open_rows:
                begun, its = open_rows.pop()
                if moved < its and line.strip().startswith(b"}"):
                    return f" for the block that begins in line {begun}, or"
    return ""


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
