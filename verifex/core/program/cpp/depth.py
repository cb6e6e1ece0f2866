"""How deep a text nests, before its tree is built: walking a tree takes time that grows with the square of its depth."""

import re

MOST_BRACKETS = 200  # open at one place; programs of people have ten
MOST_SIGNS = 100  # in front of one value
_APART = re.compile(r'//[^\n]*|/\*.*?(?:\*/|\Z)|"(?:\\.|[^"\\\n])*"|\'(?:\\.|[^\'\\\n])*\'', re.DOTALL)
_SIGNS = re.compile(rf"(?:[-+!~*&]\s*){{{MOST_SIGNS}}}")
_BRACKETS = re.compile(r"[(\[{]|[)\]}]")


def is_too_deep(source: str) -> bool:
    """Whether brackets or signs of `source`, outside its comments and texts, nest deeper than its reader follows."""
    code = _APART.sub(" ", source)
    depth = deepest = 0
    for bracket in _BRACKETS.findall(code):
        depth = depth + 1 if bracket in "([{" else max(0, depth - 1)
        deepest = max(deepest, depth)
    return deepest > MOST_BRACKETS or bool(_SIGNS.search(code))
