"""What Python refuses to read, in a beginner's words, at the line it is refused for."""

import ast
import re
import warnings

from verifex.core.problems import Problem

# (what the language's own reader says, what it means to a beginner)
PLAIN: tuple[tuple[str, str], ...] = (
    (r"expected ':'", "line {line} ends without `:`"),
    (r"expected an indented block after '?(.+?)'? (?:statement |definition |clause )?on line (\d+)",
     "the block that line {1} begins is empty: the lines that belong to it are not moved in"),
    (r"unexpected indent", "line {line} is moved in further than the line before, and nothing there begins a block"),
    (r"unindent does not match", "line {line} is moved in less than its block, but not as far as any block around it"),
    (r"inconsistent use of tabs", "line {line} is moved in with a tab where the lines around it use spaces"),
    (r"'(.)' was never closed", "line {line} has a `{0}` that is never closed"),
    (r"unmatched '(.)'", "line {line} has one `{0}` too many"),
    (r"closing parenthesis '(.)' does not match opening parenthesis '(.)'", "line {line} closes a `{1}` with `{0}`"),
    (r"unterminated (?:f-)?string literal", "line {line} has a text that is never closed by its quotation mark"),
    (r"unterminated triple-quoted", "a text that begins with three quotation marks is never closed"),
    (r"Missing parentheses in call to '(\w+)'", "line {line} calls `{0}` without brackets: write `{0}(…)`"),
    (r"(?:invalid syntax\. Maybe you meant '==' or ':=' instead of '='|cannot assign to .* here\. Maybe you meant '==')",
     "line {line} has one `=` where it compares: write `==`"),
    (r"cannot assign to (.+)", "line {line} gives a value to {0}, which cannot take one"),
    (r"invalid syntax\. Perhaps you forgot a comma", "line {line} misses a `,` between two values"),
    (r"expected 'except' or 'finally' block", "the `try` before line {line} has no `except` and no `finally`"),
    (r"invalid non-printable character|invalid character '(.)'",
     "line {line} has a character that is no part of the language, often a curly quotation mark or a hidden one from a copied text"),
    (r"invalid decimal literal|leading zeros in decimal", "line {line} has a number or name that is not well formed"),
    (r"'(return|yield|await)' outside function", "line {line} has `{0}` outside a function"),
    (r"'(break|continue)' (?:outside loop|not properly in loop)", "line {line} has `{0}` outside a loop"),
    (r"name '(\w+)' is (?:used|assigned to|parameter and) .*global", "`{0}` is used before `global {0}` says where it lives"),
    (r"positional argument follows keyword", "line {line} gives a value without a name after one with a name"),
    (r"f-string: (.+)", "line {line} has a text with a value in braces that is not well formed"),
)  # fmt: skip

FOREIGN = (
    (r"\+\+|--", "line {line}: `++` and `--` are not of this language: write `+= 1` or `-= 1`"),
    (r"^\s*else\s+if\b", "line {line}: write `elif` for `else if`"),
    (r"&&|\|\|", "line {line}: write `and` and `or`"),
    (r"^\s*(?:while|if|for)\b.*\{\s*$|^\s*\}\s*$", "line {line}: blocks are made by moving lines in, not by braces"),
)


#: What the reader says of a text that may be well formed, but is too deep for it.
TOO_DEEP = "too many (?:nested parentheses|levels of indentation|statically nested blocks)"


def python_problems(source: str) -> list[Problem]:
    """What is refused in `source`: the first place only, as the language itself tells it; empty when it is well formed.

    Raises RecursionError for what nests deeper than our own reader follows.
    """
    try:
        with warnings.catch_warnings():
            warnings.simplefilter("ignore")
            ast.parse(source)
            compile(
                source, "<program>", "exec", dont_inherit=True
            )  # names in the wrong place are reported here; it is not run
    except SyntaxError as wrong:
        if re.search(TOO_DEEP, str(wrong.msg)):
            raise RecursionError(wrong.msg) from None
        return [_plain(source, wrong)]
    except (MemoryError, ValueError) as wrong:
        raise RecursionError(str(wrong)) from None
    return []


def _plain(source: str, wrong: SyntaxError) -> Problem:
    lines = source.splitlines() or [""]
    line = min(max(1, wrong.lineno or 1), len(lines))
    column, said = max(1, wrong.offset or 1), str(wrong.msg)
    written = lines[line - 1]
    for pattern, words in FOREIGN:
        if re.search(pattern, written):
            return Problem(line, column, words.format(line=line))
    for pattern, words in PLAIN:
        if match := re.search(pattern, said):
            if "that line {1} begins" in words:
                line = int(match.group(2))
            return Problem(line, column, words.format(*(g or "" for g in match.groups()), line=line))
    if opened := _left_open(lines, line):
        return Problem(opened[0], opened[1], f"line {opened[0]} has a `{opened[2]}` that is never closed")
    return Problem(line, column, f"line {line} is not understood at `{written.strip()[:30]}`")


def _left_open(lines: list[str], line: int) -> tuple[int, int, str] | None:
    """A bracket that the code line before leaves open: what comes after it is refused then."""
    before = next((n for n in range(line - 1, 0, -1) if lines[n - 1].split("#")[0].strip()), None)
    if before is None:
        return None
    code = re.sub(r"'[^']*'|\"[^\"]*\"", lambda m: "_" * len(m.group()), lines[before - 1].split("#")[0])
    opened = [(i, c) for i, c in enumerate(code) if c in "([{"]
    closed = sum(code.count(c) for c in ")]}")
    return (before, opened[0][0] + 1, opened[0][1]) if len(opened) > closed else None
