"""What `#if`, `#ifdef` and their kin leave in: worked out as the preprocessor does, with what the program itself defines."""

import operator
from collections.abc import Callable, Collection, Mapping

from tree_sitter import Node as Raw

from verifex.core.program.cpp.grammar import parse

CONDITIONALS = ("preproc_if", "preproc_ifdef")
MOST_DEEP = 20  # a macro that stands for itself is not followed for ever
TWO: dict[str, Callable[[int, int], int]] = {
    "+": operator.add, "-": operator.sub, "*": operator.mul, "<<": operator.lshift, ">>": operator.rshift, "&": operator.and_,
    "|": operator.or_, "^": operator.xor, "==": operator.eq, "!=": operator.ne, "<": operator.lt, "<=": operator.le,
    ">": operator.gt, ">=": operator.ge,
}  # fmt: skip
ONE: dict[str, Callable[[int], int]] = {"-": operator.neg, "+": operator.pos, "~": operator.invert, "!": operator.not_}


class Unclear(Exception):
    """A condition that cannot be worked out, in its own words."""


def left_in(raw: Raw, macros: Mapping[str, str], functions: Collection[str]) -> list[Raw]:
    """What stands in the branch that is taken, in order; nothing where none is. Raises Unclear."""
    here: Raw | None = raw
    while here is not None:
        condition = here.child_by_field_name("condition") or here.child_by_field_name("name")
        other = here.child_by_field_name("alternative")
        if here.type == "preproc_else" or _holds(here, macros, functions):
            return [c for c in here.named_children if c not in (condition, other) and c.type != "comment"]
        here = other
    return []


def _holds(raw: Raw, macros: Mapping[str, str], functions: Collection[str]) -> bool:
    name = raw.child_by_field_name("name")
    if name is not None:
        wants_it = _source_text(raw.children[0]) in ("#ifdef", "#elifdef")
        return (_source_text(name) in macros or _source_text(name) in functions) == wants_it
    condition = raw.child_by_field_name("condition")
    if condition is None:
        raise Unclear(_source_text(raw).split("\n")[0])
    return bool(_value(condition, macros, functions, 0))


def _value(raw: Raw, macros: Mapping[str, str], functions: Collection[str], deep: int) -> int:
    def of(child: Raw | None) -> int:
        if child is None or deep > MOST_DEEP:
            raise Unclear(_source_text(raw))
        return _value(child, macros, functions, deep + 1)

    text = _source_text(raw)
    match raw.type:
        case "number_literal":
            return _whole(text)
        case "char_literal":
            return ord(text.strip("'")[-1:] or "\0")
        case "true" | "false":
            return int(raw.type == "true")
        case "preproc_defined":
            name = _source_text(raw.named_children[0])
            return int(name in macros or name in functions)
        case "identifier":
            return of(_condition_of(macros[text])) if text in macros else 0
        case "parenthesized_expression":
            return of(raw.named_children[0])
        case "unary_expression":
            sign = raw.child_by_field_name("operator")
            if sign is not None and _source_text(sign) in ONE:
                return int(ONE[_source_text(sign)](of(raw.child_by_field_name("argument"))))
        case "binary_expression":
            return _of_two(raw, of)
    raise Unclear(text)


def _of_two(raw: Raw, of: Callable[[Raw | None], int]) -> int:
    sign = raw.child_by_field_name("operator")
    left, right = raw.child_by_field_name("left"), raw.child_by_field_name("right")
    word = _source_text(sign) if sign is not None else ""
    if word in ("&&", "and"):
        return int(bool(of(left)) and bool(of(right)))
    if word in ("||", "or"):
        return int(bool(of(left)) or bool(of(right)))
    one, other = of(left), of(right)
    if word in ("/", "%") and other:
        whole = abs(one) // abs(other) * (1 if (one < 0) == (other < 0) else -1)
        return whole if word == "/" else one - whole * other
    if word not in TWO or (abs(other) > 64 and word in ("<<", ">>")):
        raise Unclear(_source_text(raw))
    return int(TWO[word](one, other))


def _condition_of(text: str) -> Raw | None:
    """A macro's text as the condition that it is put into; an empty one counts as nothing that can be worked out."""
    root = parse(b"#if " + text.encode() + b"\n#endif\n")
    return (
        root.named_children[0].child_by_field_name("condition") if root.named_children and not root.has_error else None
    )


def _whole(text: str) -> int:
    bare = text.rstrip("uUlL").replace("'", "")
    try:
        return int(bare, 8) if bare[:1] == "0" and bare.isdigit() else int(bare, 0)
    except ValueError:
        raise Unclear(text) from None


def _source_text(raw: Raw) -> str:
    return raw.text.decode("utf-8", "replace") if raw.text else ""
