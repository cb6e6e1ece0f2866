"""The tree-sitter grammar, loaded once."""

from collections.abc import Iterator
from functools import cache

import tree_sitter_cpp
from tree_sitter import Language, Node, Parser


@cache
def _parser() -> Parser:
    return Parser(Language(tree_sitter_cpp.language()))


def parse(source: bytes) -> Node:
    """The root node of `source`; errors are nodes in it, never exceptions."""
    return _parser().parse(source).root_node


def nodes(root: Node) -> Iterator[Node]:
    """Every node in the order of the text."""
    ahead = [root]
    while ahead:
        node = ahead.pop()
        yield node
        ahead.extend(reversed(node.children))
