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


#: Where constants lie on the small boards: nothing that a program's meaning depends on, and wherever in a declaration it likes.
_PROGRAM_MEMORY = re.compile(rb"\bPROGMEM\b")


def _as_read(source: bytes) -> bytes:
    """The text with what the grammar does not know written otherwise, byte by byte as long."""
    for pattern, part, instead in ((_SPAN_LABEL, 1, SPAN.encode()), (_PROGRAM_MEMORY, 0, b" " * len("PROGMEM"))):
        for found in pattern.finditer(source):
            before = source[source.rfind(b"\n", 0, found.start()) + 1 : found.start()]
            if before.count(b'"') % 2 == 0:  # outside of a text
                source = source[: found.start(part)] + instead + source[found.end(part) :]
    return source


@cache
def _parser() -> Parser:
    return Parser(Language(tree_sitter_cpp.language()))


def parse(source: bytes) -> Node:
    """The root node of `source`; errors are nodes in it, never exceptions."""
    return _parser().parse(_as_read(source)).root_node


def nodes(root: Node) -> Iterator[Node]:
    """Every node in the order of the text."""
    ahead = [root]
    while ahead:
        node = ahead.pop()
        yield node
        ahead.extend(reversed(node.children))
