"""Macros are put in as text: one whose text is a sum without brackets falls apart among the operators around it."""

import re
from collections.abc import Iterator, Mapping
from functools import lru_cache

from tree_sitter import Node as Raw

from verifex.core.program.cpp.grammar import parse

#: Expressions whose operands bind by rank, so that what a macro is put into may take it apart.
CHAINED = ("binary_expression", "unary_expression", "conditional_expression", "cast_expression")
OPERATIONS = ("binary_expression", "conditional_expression", "comma_expression")
Functions = Mapping[str, tuple[list[str], str]]


@lru_cache(maxsize=1024)
def falls_apart(text: str) -> bool:
    """Whether a macro's text is an operation that is not held together by brackets."""
    inner = _operation(text)
    return inner is not None and inner.type in OPERATIONS


def _operation(text: str) -> Raw | None:
    """A macro's text as the grammar reads it; None where it is no expression."""
    root = parse(b"auto v = (" + text.encode() + b");")
    if root.has_error or not root.named_children:
        return None
    declarator = root.named_children[0].child_by_field_name("declarator")
    value = declarator.child_by_field_name("value") if declarator is not None else None
    return value.named_children[0] if value is not None and value.named_children else None


def call_text(names: list[str], text: str, args: list[str]) -> str:
    """The text of a macro with values: a name between other marks is replaced; one inside a text in quotes is not."""
    given = dict(zip(names, args, strict=True))
    pieces = re.split(r'("(?:\\.|[^"\\])*")', text)
    if names:
        pattern = re.compile(r"\b(" + "|".join(map(re.escape, names)) + r")\b")
        pieces = [p if p.startswith('"') else pattern.sub(lambda m: given[m.group(1)], p) for p in pieces]
    return "".join(pieces).rstrip("; ")


def taken_apart(raw: Raw, macros: Mapping[str, str], functions: Functions) -> str | None:
    """An operation with the macros in it that fall apart put in as text; None where there is none, and for an operand of
    an operation, which was looked through with it: once for each would take time that grows with the square."""
    if raw.type not in CHAINED or raw.text is None or (raw.parent is not None and raw.parent.type in CHAINED):
        return None
    found = sorted(_open_macros(raw, macros, functions), key=lambda one: one[0].start_byte, reverse=True)
    if not found:
        return None
    whole = raw.text
    for here, text in found:
        start, end = here.start_byte - raw.start_byte, here.end_byte - raw.start_byte
        whole = whole[:start] + b" " + text.encode() + b" " + whole[end:]
    return whole.decode("utf-8", "replace")


def changes_meaning(raw: Raw, macros: Mapping[str, str], functions: Functions) -> bool:
    """Whether a macro that falls apart means something else here. A product among operators is what its writer wants,
    save right behind a division: `x * 5.0 / 1023` is sound, `x / 5.0 * 2` is not."""
    return any(not _only_products(text) or _divides(here) for here, text in _open_macros(raw, macros, functions))


def _open_macros(raw: Raw, macros: Mapping[str, str], functions: Functions) -> Iterator[tuple[Raw, str]]:
    """The macros among the operands of an operation that are not held together by brackets, and their texts."""
    ahead = [raw]
    while ahead:
        here = ahead.pop()
        if here.type in CHAINED:
            ahead += [child for child in here.named_children if child.type != "type_descriptor"]
            continue
        text = _text_of(here, macros, functions)
        if text is not None and falls_apart(text):
            yield here, text


def _only_products(text: str) -> bool:
    inner = _operation(text)
    while inner is not None and inner.type == "binary_expression":
        operator = inner.child_by_field_name("operator")
        if operator is None or operator.type not in ("*", "/"):
            return False
        inner = inner.child_by_field_name("left")
    return inner is not None and inner.type not in OPERATIONS


def _divides(here: Raw) -> bool:
    """Whether an operand stands right behind a division sign."""
    outer = here.parent
    operator = outer.child_by_field_name("operator") if outer is not None else None
    right = outer.child_by_field_name("right") if outer is not None else None
    return operator is not None and operator.type in ("/", "%") and right == here


def _text_of(raw: Raw, macros: Mapping[str, str], functions: Functions) -> str | None:
    """The text that a macro's name, or its call, stands for."""
    if raw.type == "identifier":
        return macros.get(_source_text(raw))
    if raw.type != "call_expression":
        return None
    target, given = raw.child_by_field_name("function"), raw.child_by_field_name("arguments")
    if target is None or given is None or _source_text(target) not in functions:
        return None
    names, text = functions[_source_text(target)]
    args = [_source_text(arg) for arg in given.named_children]
    return call_text(names, text, args) if len(args) == len(names) else None


def _source_text(raw: Raw) -> str:
    return raw.text.decode("utf-8", "replace") if raw.text else ""
