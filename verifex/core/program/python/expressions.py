"""Expressions of the Python dialect."""

import ast

from verifex.core.program import tree as t
from verifex.core.program.types import FLOAT, LONG, Simple

ANY = Simple("any")

BINARY = {
    ast.Add: "+", ast.Sub: "-", ast.Mult: "*", ast.Div: "/", ast.FloorDiv: "//", ast.Mod: "%", ast.Pow: "**",
    ast.LShift: "<<", ast.RShift: ">>", ast.BitAnd: "&", ast.BitOr: "|", ast.BitXor: "^",
}  # fmt: skip
COMPARED = {
    ast.Eq: "==", ast.NotEq: "!=", ast.Lt: "<", ast.LtE: "<=", ast.Gt: ">", ast.GtE: ">=", ast.In: "in",
    ast.NotIn: "not in", ast.Is: "is", ast.IsNot: "is not",
}  # fmt: skip
UNARY = {ast.USub: "-", ast.UAdd: "+", ast.Not: "!", ast.Invert: "~"}
GROUPS = {ast.List: "list", ast.Tuple: "tuple", ast.Set: "set"}
COMPREHENSIONS = {ast.ListComp: "list", ast.SetComp: "set", ast.GeneratorExp: "list"}


class NotSupported(Exception):
    """Something the reader does not know yet, at its place."""

    def __init__(self, raw: ast.AST, what: str) -> None:
        self.raw, self.what = raw, what


class Expressions:
    def at(self, raw: ast.AST) -> t.At:
        return t.At(getattr(raw, "lineno", 1), getattr(raw, "col_offset", 0) + 1)

    def expr(self, raw: ast.AST) -> t.Expr:
        at = self.at(raw)
        match raw:
            case ast.Constant():
                return self._constant(raw)
            case ast.Name(id=name):
                return t.Name(at, name)
            case ast.BinOp() if type(raw.op) in BINARY:
                return t.Binary(at, BINARY[type(raw.op)], self.expr(raw.left), self.expr(raw.right))
            case ast.UnaryOp():
                return t.Unary(at, UNARY[type(raw.op)], self.expr(raw.operand))
            case ast.BoolOp():
                return self._joined(raw)
            case ast.Compare():
                return self._compared(raw)
            case ast.IfExp():
                return t.Choice(at, self.expr(raw.test), self.expr(raw.body), self.expr(raw.orelse))
            case ast.Attribute():
                return t.Field(at, self.expr(raw.value), raw.attr)
            case ast.Subscript():
                return t.Index(at, self.expr(raw.value), self.expr(raw.slice))
            case ast.Slice():
                first, last, step = (self.expr(p) if p is not None else None for p in (raw.lower, raw.upper, raw.step))
                return t.Slice(at, first, last, step)
            case ast.List() | ast.Tuple() | ast.Set():
                return t.Group(at, GROUPS[type(raw)], tuple(self.expr(item) for item in raw.elts))
            case ast.Dict():
                values = tuple(self.expr(value) for value in raw.values)
                keys = tuple(
                    self.expr(key) if key is not None else t.Star(value.at, value)
                    for key, value in zip(raw.keys, values, strict=True)
                )
                return t.Pairs(at, keys, values)
            case ast.Call():
                return self._call(raw)
            case ast.Starred():
                return t.Star(at, self.expr(raw.value))
            case ast.JoinedStr():
                return t.Pieces(at, tuple(self.expr(part) for part in raw.values))
            case ast.FormattedValue():
                form = self.expr(raw.format_spec) if raw.format_spec is not None else None
                return t.Formatted(at, self.expr(raw.value), form, "" if raw.conversion < 0 else chr(raw.conversion))
            case ast.ListComp() | ast.SetComp() | ast.GeneratorExp():
                return self._made(raw, COMPREHENSIONS[type(raw)], raw.elt, None)
            case ast.DictComp():
                return self._made(raw, "pairs", raw.key, raw.value)
            case ast.Lambda():
                return t.Lambda(at, self.params(raw.args), self.expr(raw.body))
            case ast.Yield():
                return t.Yield(at, self.expr(raw.value) if raw.value is not None else None)
            case ast.YieldFrom():
                return t.Yield(at, self.expr(raw.value), all=True)
            case ast.Await():
                return t.Await(at, self.expr(raw.value))
            case ast.NamedExpr():
                return t.Assign(at, "=", self.expr(raw.target), self.expr(raw.value))
        raise NotSupported(raw, WORDS.get(type(raw), f"this {type(raw).__name__}"))

    def _constant(self, raw: ast.Constant) -> t.Expr:
        at, value = self.at(raw), raw.value
        if isinstance(value, bool) or value is None or value is ... or isinstance(value, bytes):
            return t.Literal(at, value)
        if isinstance(value, int):
            return t.Number(at, value, LONG)
        if isinstance(value, float):
            return t.Number(at, value, FLOAT)
        if isinstance(value, str):
            return t.Text(at, value)
        raise NotSupported(raw, "this kind of number")

    def _joined(self, raw: ast.BoolOp) -> t.Expr:
        op = "&&" if isinstance(raw.op, ast.And) else "||"
        whole = self.expr(raw.values[0])
        for value in raw.values[1:]:
            whole = t.Binary(self.at(raw), op, whole, self.expr(value))
        return whole

    def _compared(self, raw: ast.Compare) -> t.Expr:
        ops = tuple(COMPARED[type(op)] for op in raw.ops)
        rest = tuple(self.expr(other) for other in raw.comparators)
        if len(ops) == 1:
            return t.Binary(self.at(raw), ops[0], self.expr(raw.left), rest[0])
        return t.Chain(self.at(raw), self.expr(raw.left), ops, rest)

    def _call(self, raw: ast.Call) -> t.Call:
        at, args = self.at(raw), tuple(self.expr(arg) for arg in raw.args)
        keywords = []
        for keyword in raw.keywords:
            keywords.append(t.Keyword(self.at(keyword), keyword.arg or "", self.expr(keyword.value)))
        match raw.func:
            case ast.Name(id=name):
                return t.Call(at, name, args, keywords=tuple(keywords))
            case ast.Attribute(value=ast.Name(id=owner), attr=name):
                return t.Call(at, name, args, owner, keywords=tuple(keywords))
            case ast.Attribute(value=value, attr=name):
                return t.Call(at, name, args, on=self.expr(value), keywords=tuple(keywords))
        return t.Call(at, "", args, on=self.expr(raw.func), keywords=tuple(keywords))

    def _made(
        self,
        raw: ast.ListComp | ast.SetComp | ast.GeneratorExp | ast.DictComp,
        kind: str,
        item: ast.expr,
        value: ast.expr | None,
    ) -> t.Expr:
        made: t.Expr | None = None
        for one in reversed(raw.generators):
            is_outermost, is_innermost = one is raw.generators[0], made is None
            made = t.Comprehension(
                self.at(raw), kind if is_outermost else "list", self.expr(item) if made is None else made,
                self.expr(value) if value is not None and is_innermost else None,
                self.expr(one.target), self.expr(one.iter), tuple(self.expr(test) for test in one.ifs), flat=not is_innermost,
            )  # fmt: skip
        assert made is not None  # the grammar wants a loop
        return made

    def params(self, raw: ast.arguments) -> tuple[t.Param, ...]:
        plain = [*raw.posonlyargs, *raw.args]
        defaults: list[ast.expr | None] = [*[None] * (len(plain) - len(raw.defaults)), *raw.defaults]
        params = [
            t.Param(arg.arg, ANY, default=self.expr(default) if default is not None else None)
            for arg, default in zip(plain, defaults, strict=True)
        ]
        if raw.vararg:
            params.append(t.Param(raw.vararg.arg, ANY, rest="*"))
        for arg, default in zip(raw.kwonlyargs, raw.kw_defaults, strict=True):
            params.append(t.Param(arg.arg, ANY, default=self.expr(default) if default is not None else None))
        if raw.kwarg:
            params.append(t.Param(raw.kwarg.arg, ANY, rest="**"))
        return tuple(params)


WORDS: dict[type, str] = {ast.TemplateStr: "this text"} if hasattr(ast, "TemplateStr") else {}
