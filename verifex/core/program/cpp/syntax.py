"""Syntax errors in a beginner's words: what is missing or too much, on the line it is missing from.

The grammar's own error nodes often stand a line late or swallow half a file. So a repair is tried at
the first error: of a few insertions and deletions near it, the one that mends most names the mistake.
"""

import re

from tree_sitter import Node

from verifex.core.problems import Problem
from verifex.core.program.cpp.grammar import nodes, parse
from verifex.core.program.cpp.repairs import Repair, begins_with_digit, likely_repairs, of_base_eight, without_brackets

MOST_PROBLEMS = 8
#: `if (…);` with a block and an `else` behind it.
_IF_ENDED = re.compile(rb"(\bif\s*\([^;{}\n]*\)\s*)(;)\s*\{[^{}]*\}\s*else\b")
STRAYS = {
    "else": "line {line} has an `else` without its `if`: the `if` before it is over already, often by a `;`",
    "case": "line {line} has a `case` outside of a switch",
    "default": "line {line} has a `default` outside of a switch",
}


def syntax_problems(source: str) -> list[Problem]:
    """What a compiler would refuse in `source`, each at its line; empty when it is well formed."""
    text = source.encode("utf-8", "replace")
    problems: list[Problem] = []
    for _ in range(MOST_PROBLEMS):
        root = parse(text)
        first = _first_error(root)
        if first is None:
            break
        if (ended := _IF_ENDED.search(text)) is not None:
            line = text[: ended.end(1)].count(b"\n") + 1
            column = ended.start(2) - text.rfind(b"\n", 0, ended.start(2))
            problems.append(
                Problem(line, column, f"line {line} ends its `if` with `;`, so the `else` further on has no `if`")
            )
            text = text[: ended.start(2)] + b" " + text[ended.end(2) :]
            continue
        if _names_a_macro(_OF_STATEMENTS, text, first):
            break  # what a macro makes of a line, the grammar cannot know
        repair = _best_repair(text, root, first)
        if repair is None:
            if not _names_a_macro(_WITH_VALUES, text, first):
                problems.append(_not_understood(text, first))
            break  # what comes after a place that is not understood would be guesses
        line = text[: repair.offset].count(b"\n") + 1
        column = repair.offset - (text.rfind(b"\n", 0, repair.offset) + 1) + 1
        problems.append(Problem(line, column, repair.message.format(line=line)))
        text = text[: repair.offset] + repair.insert + text[repair.offset + repair.remove :]
    return problems or _stray_words(text)


def _stray_words(text: bytes) -> list[Problem]:
    """Words of the language where the grammar, which takes anything for a name, found a name."""
    problems = []
    for node in nodes(parse(text)):
        word = (node.text or b"").decode("utf-8", "replace") if node.type in ("identifier", "type_identifier") else ""
        if word in STRAYS:
            line, column = node.start_point.row + 1, node.start_point.column + 1
            problems.append(Problem(line, column, STRAYS[word].format(line=line)))
        if node.type == "subscript_argument_list" and not node.named_children and not _is_of_functions(node):
            line, column = node.start_point.row + 1, node.start_point.column + 1
            problems.append(Problem(line, column, f"line {line} has brackets `[ ]` without a place in them"))
    return problems[:MOST_PROBLEMS]


_WITH_VALUES = re.compile(rb"^[ \t]*#[ \t]*define[ \t]+(\w+)\(", re.M)
#: Macros that stand for the beginning of a statement, such as `for (…)` or `{`.
_OF_STATEMENTS = re.compile(
    rb"^[ \t]*#[ \t]*define[ \t]+(\w+)(?:\([\w, ]*\))?[ \t]+(?:(?:for|while|if|else|do|switch)\b|[{}])", re.M
)


def _names_a_macro(kind: re.Pattern[bytes], text: bytes, first: Node) -> bool:
    """Whether the line of an error names a macro of a kind."""
    line = text.split(b"\n")[first.start_point.row]
    return not line.lstrip().startswith(b"#") and any(re.search(rb"\b%s\b" % name, line) for name in kind.findall(text))


def _is_of_functions(node: Node) -> bool:
    """Whether brackets stand in `int (*acts[])()`, a list of functions, which the grammar takes for a call."""
    above = [node]
    while (parent := above[-1].parent) is not None:
        above.append(parent)
    kinds = [one.type for one in above]
    return kinds[1:3] == ["subscript_expression", "pointer_expression"] and "call_expression" in kinds


def _not_understood(text: bytes, first: Node) -> Problem:
    line, column = first.start_point.row + 1, first.start_point.column + 1
    said = text.split(b"\n")[line - 1].decode("utf-8", "replace")
    if number := of_base_eight(said):
        return Problem(
            line, column, f"`{number}` in line {line} begins with 0, so it counts in eights and has no 8 or 9"
        )
    if name := begins_with_digit(said):
        return Problem(line, column, f"`{name}` in line {line}: a name cannot begin with a digit")
    open_condition = without_brackets(said)
    if open_condition:
        return Problem(line, column, f"what `{open_condition}` in line {line} asks must stand in brackets `( )`")
    word = text[first.start_byte : first.end_byte].split(b"\n")[0][:30].decode("utf-8", "replace").strip()
    said = f"line {line} is not understood at `{word}`" if word else f"line {line} is not understood"
    return Problem(line, column, said)


def _first_error(root: Node) -> Node | None:
    if not root.has_error:
        return None
    # Of an error that swallows others, the innermost one nearest to the mistake is the useful one.
    found = [node for node in nodes(root) if node.is_error or node.is_missing]
    small = [node for node in found if not any(child.has_error for child in node.children)]
    # The grammar can say that something is wrong without a node that says where: then the innermost one that holds it.
    holding = [node for node in nodes(root) if node.has_error]
    return small[0] if small else found[0] if found else holding[-1]


def _badness(root: Node) -> tuple[int, int]:
    count = swallowed = 0
    if root.has_error:
        for node in nodes(root):
            if node.is_error or node.is_missing:
                count += 1
                swallowed += node.end_byte - node.start_byte if node.is_error else 0
    return count, swallowed


def _best_repair(text: bytes, root: Node, first: Node) -> Repair | None:
    now = _badness(root)
    best: tuple[tuple[int, int], int, Repair] | None = None
    for order, repair in enumerate(likely_repairs(text, first)):
        mended = text[: repair.offset] + repair.insert + text[repair.offset + repair.remove :]
        then = _badness(parse(mended))
        if then < now and (best is None or then < best[0]):
            best = (then, order, repair)
            if then == (0, 0):
                break
    return best[2] if best else None
