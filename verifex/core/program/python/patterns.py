"""Patterns of `match` as conditions."""

import ast

from verifex.core.program import tree as t
from verifex.core.program.python.expressions import Expressions, NotSupported
from verifex.core.program.types import LONG


class Patterns(Expressions):
    def pattern(self, raw: ast.pattern, value: t.Expr) -> t.Expr:
        """The condition under which a value is of this pattern; names in it are given their parts on the way."""
        at = self.at(raw)
        match raw:
            case ast.MatchValue():
                return t.Binary(at, "==", value, self.expr(raw.value))
            case ast.MatchSingleton():
                return t.Binary(at, "is", value, t.Literal(at, raw.value))
            case ast.MatchOr():
                whole = self.pattern(raw.patterns[0], value)
                for one in raw.patterns[1:]:
                    whole = t.Binary(at, "||", whole, self.pattern(one, value))
                return whole
            case ast.MatchAs(pattern=inner, name=name):
                condition = self.pattern(inner, value) if inner is not None else t.Literal(at, True)
                if name is None:
                    return condition
                # The name is given its value, and the last of the two is what counts.
                given = t.Group(at, "tuple", (t.Assign(at, "=", t.Name(at, name), value), t.Literal(at, True)))
                return t.Binary(at, "&&", condition, t.Index(at, given, t.Number(at, 1, LONG)))
            case ast.MatchSequence() if not any(isinstance(one, ast.MatchStar) for one in raw.patterns):
                length = t.Call(at, "len", (value,))
                whole = t.Binary(at, "==", length, t.Number(at, len(raw.patterns), LONG))
                kinds = t.Group(at, "tuple", (t.Name(at, "list"), t.Name(at, "tuple")))
                whole = t.Binary(at, "&&", t.Call(at, "isinstance", (value, kinds)), whole)
                for index, one in enumerate(raw.patterns):
                    item = t.Index(at, value, t.Number(at, index, LONG))
                    whole = t.Binary(at, "&&", whole, self.pattern(one, item))
                return whole
        raise NotSupported(raw, "this pattern of `match`")
