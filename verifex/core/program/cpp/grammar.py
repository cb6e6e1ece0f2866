"""The tree-sitter grammar, loaded once."""

import re
from collections.abc import Iterator
from functools import cache

import tree_sitter_cpp
from tree_sitter import Language, Node, Parser

#: `case 1 ... 5:`, which compilers take and the grammar does not: read as this operator, which is as long and has no use in a label.
SPAN = "<=>"
_VALUE = rb"(?:-?\w+|'\\?[^'\n]')"
_SPAN_LABEL = re.compile(rb"(?<![\w\"'])case\s+" + _VALUE + rb"\s+(\.\.\.)\s+" + _VALUE + rb"\s*:")


def _with_spans(source: bytes) -> bytes:
    for found in _SPAN_LABEL.finditer(source):
        before = source[source.rfind(b"\n", 0, found.start()) + 1 : found.start()]
        if before.count(b'"') % 2 == 0:  # outside of a text
            source = source[: found.start(1)] + SPAN.encode() + source[found.end(1) :]
    return source


@cache
def _parser() -> Parser:
    return Parser(Language(tree_sitter_cpp.language()))


def parse(source: bytes) -> Node:
    """The root node of `source`; errors are nodes in it, never exceptions."""
    return _parser().parse(_with_spans(source)).root_node


def nodes(root: Node) -> Iterator[Node]:
    """Every node in the order of the text."""
    ahead = [root]
    while ahead:
        node = ahead.pop()
        yield node
        ahead.extend(reversed(node.children))
