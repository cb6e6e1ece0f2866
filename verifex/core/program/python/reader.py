"""Statements and whole programs of the Python dialect."""

import ast

from verifex.core.program import tree as t
from verifex.core.program.python.expressions import ANY, BINARY, NotSupported
from verifex.core.program.python.patterns import Patterns

MAIN = "program"  # the name that a program's statements outside its functions go by


def read_python(source: str) -> t.Program:
    """The tree of a program that is well formed; what is not supported yet stands in its `unsupported`."""
    program = t.Program(dialect="python")
    reader = _Reader(program)
    body = reader.block(t.At(1, 1), ast.parse(source).body)
    program.functions[MAIN] = t.Function(t.At(1, 1), MAIN, ANY, (), body)
    return program


class _Reader(Patterns):
    def __init__(self, program: t.Program) -> None:
        self.program = program

    def block(self, at: t.At, raws: list[ast.stmt]) -> t.Block:
        body: list[t.Stmt] = []
        for raw in raws:
            try:
                body.extend(self.statement(raw))
            except NotSupported as wrong:
                self.program.unsupported.append(t.Unsupported(self.at(wrong.raw), wrong.what))
        return t.Block(at, tuple(body))

    def statement(self, raw: ast.stmt) -> list[t.Stmt]:
        at = self.at(raw)
        match raw:
            case ast.Expr(value=ast.Constant(value=str())) | ast.Pass():
                return []
            case ast.Expr():
                return [t.Do(at, self.expr(raw.value))]
            case ast.Assign():
                value = self.expr(raw.value)
                for target in reversed(raw.targets):
                    value = t.Assign(at, "=", self.expr(target), value)
                return [t.Do(at, value)]
            case ast.AnnAssign():
                if raw.value is None:
                    return []
                return [t.Do(at, t.Assign(at, "=", self.expr(raw.target), self.expr(raw.value)))]
            case ast.AugAssign() if type(raw.op) in BINARY:
                op = BINARY[type(raw.op)] + "="
                return [t.Do(at, t.Assign(at, op, self.expr(raw.target), self.expr(raw.value)))]
            case ast.If():
                no = self.block(at, raw.orelse) if raw.orelse else None
                return [t.If(at, self.expr(raw.test), self.block(at, raw.body), no)]
            case ast.While():
                no = self.block(at, raw.orelse) if raw.orelse else None
                return [t.While(at, self.expr(raw.test), self.block(at, raw.body), no=no)]
            case ast.For():
                no = self.block(at, raw.orelse) if raw.orelse else None
                return [t.ForIn(at, self.expr(raw.target), self.expr(raw.iter), self.block(at, raw.body), no)]
            case ast.Break():
                return [t.Break(at)]
            case ast.Continue():
                return [t.Continue(at)]
            case ast.Return():
                return [t.Return(at, self.expr(raw.value) if raw.value is not None else None)]
            case ast.FunctionDef() | ast.AsyncFunctionDef():
                return [self._define(raw)]
            case ast.Match():
                return self._match(raw)
            case ast.ClassDef():
                return [self._class(raw)]
            case ast.Try():
                return [self._try(raw)]
            case ast.Raise():
                return [t.Raise(at, self.expr(raw.exc) if raw.exc is not None else None)]
            case ast.With() | ast.AsyncWith():
                return [self._with(raw, raw.items)]
            case ast.Global() | ast.Nonlocal():
                return [t.Outer(at, "global" if isinstance(raw, ast.Global) else "nonlocal", tuple(raw.names))]
            case ast.Import():
                return [t.Import(at, a.name, None, a.asname or a.name.split(".")[0]) for a in raw.names]
            case ast.ImportFrom():
                return [t.Import(at, raw.module or "", a.name, a.asname or a.name) for a in raw.names]
            case ast.Delete():
                return [t.Delete(at, self.expr(target)) for target in raw.targets]
            case ast.Assert():
                wrong = t.Raise(at, t.Call(at, "AssertionError", (self.expr(raw.msg),) if raw.msg else ()))
                return [t.If(at, t.Unary(at, "!", self.expr(raw.test)), t.Block(at, (wrong,)), None)]
        raise NotSupported(raw, WORDS.get(type(raw), f"this {type(raw).__name__}"))

    def _define(self, raw: ast.FunctionDef | ast.AsyncFunctionDef) -> t.Define:
        params, body = self.params(raw.args), self.block(self.at(raw), raw.body)
        own, others = _decorator(raw)
        made = t.Function(self.at(raw), raw.name, ANY, params, body, own, runs=_runs(raw))
        self.program.add(made)
        return t.Define(self.at(raw), made, tuple(self.expr(one) for one in others))

    def _match(self, raw: ast.Match) -> list[t.Stmt]:
        """`match` as the choice between conditions that it is."""
        at, name = self.at(raw), t.Name(self.at(raw), f"value matched in line {raw.lineno}")
        chosen: t.Stmt | None = None
        for case in reversed(raw.cases):
            condition = self.pattern(case.pattern, name)
            if case.guard is not None:
                condition = t.Binary(self.at(case.guard), "&&", condition, self.expr(case.guard))
            chosen = t.If(self.at(case.pattern), condition, self.block(self.at(case.pattern), case.body), chosen)
        assert chosen is not None
        return [t.Do(at, t.Assign(at, "=", name, self.expr(raw.subject))), chosen]

    def _class(self, raw: ast.ClassDef) -> t.Class:
        base = self.expr(raw.bases[0]) if raw.bases else None
        if isinstance(base, t.Name) and base.name == "object":
            base = None
        annotated = tuple(
            one.target.id for one in raw.body if isinstance(one, ast.AnnAssign) and isinstance(one.target, ast.Name)
        )
        decorators = tuple(self.expr(one) for one in raw.decorator_list)
        others = tuple(self.expr(one) for one in raw.bases[1:])
        return t.Class(self.at(raw), raw.name, base, self.block(self.at(raw), raw.body), decorators, annotated, others)

    def _try(self, raw: ast.Try) -> t.Try:
        at = self.at(raw)
        handlers = tuple(
            t.Handler(
                self.at(h), self.expr(h.type) if h.type is not None else None, h.name, self.block(self.at(h), h.body)
            )
            for h in raw.handlers
        )
        otherwise = self.block(at, raw.orelse) if raw.orelse else None
        return t.Try(
            at, self.block(at, raw.body), handlers, otherwise, self.block(at, raw.finalbody) if raw.finalbody else None
        )

    def _with(self, raw: ast.With | ast.AsyncWith, items: list[ast.withitem]) -> t.With:
        first, *rest = items
        if first.optional_vars is not None and not isinstance(first.optional_vars, ast.Name):
            raise NotSupported(raw, "`with` for several names")
        name = first.optional_vars.id if isinstance(first.optional_vars, ast.Name) else None
        at = self.at(raw)
        body = t.Block(at, (self._with(raw, rest),)) if rest else self.block(at, raw.body)
        return t.With(at, self.expr(first.context_expr), name, body)


def _decorator(raw: ast.FunctionDef | ast.AsyncFunctionDef) -> tuple[str, list[ast.expr]]:
    """What makes a method of another kind, in words of the tree, and the other decorators above it."""
    own, others = "", []
    for one in raw.decorator_list:
        match one:
            case ast.Name(id="property" | "staticmethod" | "classmethod" as name):
                own = name
            case ast.Attribute(value=ast.Name(id=name), attr="setter") if name == raw.name:
                own = f"{name}.setter"
            case _:
                others.append(one)
    if own and others and [type(one) for one in others] != [ast.Name]:
        raise NotSupported(others[0], "this decorator (`@`) of a method")
    return own, others if not own else []


def _runs(raw: ast.FunctionDef | ast.AsyncFunctionDef) -> str:
    """Whether a call runs the function at once, or gives a generator or a coroutine."""
    ahead: list[ast.AST] = [*raw.body]
    gives = False
    while ahead:
        node = ahead.pop()
        gives = gives or isinstance(node, ast.Yield | ast.YieldFrom)
        if not isinstance(node, ast.FunctionDef | ast.AsyncFunctionDef | ast.Lambda | ast.ClassDef):
            ahead.extend(ast.iter_child_nodes(node))
    if gives and isinstance(raw, ast.AsyncFunctionDef):
        raise NotSupported(raw, "`yield` in an `async` function")
    return "generator" if gives else "coroutine" if isinstance(raw, ast.AsyncFunctionDef) else "plain"


WORDS: dict[type, str] = {ast.AsyncFor: "`async for`"}
