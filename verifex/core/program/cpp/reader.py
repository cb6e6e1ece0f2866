"""Turns the grammar's nodes into the program tree."""

import re
from collections.abc import Callable

from tree_sitter import Node as Raw

from verifex.core.program import tree as t
from verifex.core.program.cpp.grammar import parse
from verifex.core.program.types import FLOAT, TEXT, VOID, Array, Int, Type, Widths

CONST_WORDS = ("const", "constexpr", "volatile", "static", "register", "inline")


class _NotRead(Exception):
    def __init__(self, raw: Raw, what: str) -> None:
        self.raw, self.what = raw, what


def read_cpp(source: str, int_bits: int = 16) -> t.Program:
    """The tree of a well-formed program. What is not read yet is listed in `unread`, never dropped silently."""
    return _Reader(source.encode("utf-8", "replace"), Widths(int_bits)).program


class _Reader:
    def __init__(self, source: bytes, widths: Widths) -> None:
        self.source, self.widths = source, widths
        self.program = t.Program()
        self.macros: dict[str, str] = {}
        self.macro_depth = 0
        self.shifted: t.At | None = None  # inside a macro's text nodes stand where the macro is used
        for raw in parse(source).named_children:
            self._guard(raw, self._top)

    # -- helpers -----------------------------------------------------------------------------------

    def _guard(self, raw: Raw, read: Callable[[Raw], None]) -> None:
        try:
            read(raw)
        except _NotRead as wrong:
            self.program.unread.append(t.Unread(self._at(wrong.raw), wrong.what))

    def _at(self, raw: Raw) -> t.At:
        return self.shifted or t.At(raw.start_point.row + 1, raw.start_point.column + 1)

    def _text(self, raw: Raw | None) -> str:
        return raw.text.decode("utf-8", "replace") if raw is not None and raw.text else ""

    def _field(self, raw: Raw, name: str) -> Raw:
        found = raw.child_by_field_name(name)
        if found is None:
            raise _NotRead(raw, f"this {raw.type.replace('_', ' ')}")
        return found

    # -- top level ---------------------------------------------------------------------------------

    def _top(self, raw: Raw) -> None:
        if raw.type == "comment" or raw.type == ";":
            return
        if raw.type == "preproc_include":
            self.program.includes.append((self._text(raw.child_by_field_name("path")).strip('<>"'), self._at(raw)))
        elif raw.type == "preproc_def":
            self.macros[self._text(raw.child_by_field_name("name"))] = re.split(
                r"//|/\*", self._text(raw.child_by_field_name("value"))
            )[0].strip()
        elif raw.type == "declaration":
            if any(d.type == "function_declarator" for d in raw.children_by_field_name("declarator")):
                return  # a prototype: functions may be called before they are defined anyway
            self.program.globals += self._declarations(raw)
        elif raw.type == "function_definition":
            function = self._function(raw)
            self.program.functions[function.name] = function
        elif raw.type == "expression_statement" and not raw.named_children:
            return
        else:
            raise _NotRead(raw, f"`{self._text(raw).splitlines()[0][:40]}`")

    def _function(self, raw: Raw) -> t.Function:
        declarator = self._field(raw, "declarator")
        if declarator.type != "function_declarator":
            raise _NotRead(raw, "a function that returns a pointer or reference")
        params = []
        for param in self._field(declarator, "parameters").named_children:
            if param.type == "comment" or self._text(param) == "void":
                continue
            if param.type != "parameter_declaration":
                raise _NotRead(param, "a default argument")
            kind = self._type(param)
            name = self._field(param, "declarator")
            if name.type != "identifier":
                raise _NotRead(param, "an array, pointer or reference as a parameter")
            params.append(t.Param(self._text(name), kind))
        body = self._block(self._field(raw, "body"))
        return t.Function(
            self._at(raw),
            self._text(self._field(declarator, "declarator")),
            self._type(raw),
            tuple(params),
            body,
        )

    def _type(self, raw: Raw) -> Type:
        words = self._text(self._field(raw, "type"))
        kind = self.widths.named(" ".join(w for w in words.split() if w not in CONST_WORDS))
        if kind is None:
            raise _NotRead(raw, f"the type `{words}`")
        return kind

    def _declarations(self, raw: Raw) -> list[t.Declare]:
        kind = self._type(raw)
        words = [self._text(child) for child in raw.children]
        constant = any(w in ("const", "constexpr") for w in words)
        static = "static" in words
        out = []
        for declarator in raw.children_by_field_name("declarator"):
            value: t.Expr | None = None
            if declarator.type == "init_declarator":
                value = self._expr(self._field(declarator, "value"))
                declarator = self._field(declarator, "declarator")
            if isinstance(value, t.Items) and declarator.type == "identifier":
                if len(value.items) != 1:
                    raise _NotRead(declarator, "a list that fills a single variable")
                value = value.items[0]
            pointer = declarator.type == "pointer_declarator"
            if pointer:
                if kind != Int(8, True):
                    raise _NotRead(declarator, "a pointer")
                declarator = self._field(declarator, "declarator")
            name, lengths = self._array(declarator)
            whole: Type = TEXT if pointer else kind
            if kind == Int(8, True) and lengths and isinstance(value, t.Text):
                whole, lengths = TEXT, []
            for length in reversed(lengths):
                whole = Array(whole, self._length(length, value, raw))
            out.append(t.Declare(self._at(declarator), name, whole, value, constant, static))
        return out

    def _array(self, declarator: Raw) -> tuple[str, list[Raw | None]]:
        lengths: list[Raw | None] = []
        while declarator.type == "array_declarator":
            lengths.insert(0, declarator.child_by_field_name("size"))
            declarator = self._field(declarator, "declarator")
        if declarator.type != "identifier":
            raise _NotRead(declarator, f"`{self._text(declarator)}`")
        return self._text(declarator), lengths

    def _length(self, raw: Raw | None, value: t.Expr | None, where: Raw) -> int:
        if raw is None:
            if isinstance(value, t.Items):
                return len(value.items)
            raise _NotRead(where, "an array without a length")
        length = self._expr(raw)
        if isinstance(length, t.Name):
            known = next((g.value for g in self.program.globals if g.name == length.name and g.constant), None)
            length = known or length
        if isinstance(length, t.Number) and isinstance(length.value, int) and 0 < length.value <= 4096:
            return length.value
        raise _NotRead(raw, "an array length that is not a plain number")

    # -- statements --------------------------------------------------------------------------------

    def _block(self, raw: Raw) -> t.Block:
        return t.Block(self._at(raw), tuple(self._statements(raw.named_children)))

    def _statements(self, raws: list[Raw]) -> list[t.Stmt]:
        body: list[t.Stmt] = []
        for raw in raws:
            if raw.type != "comment":
                self._guard(raw, lambda r: body.extend(self._statement(r)))
        return body

    def _one(self, raw: Raw) -> t.Stmt:
        """A statement where the grammar wants exactly one."""
        return (
            self._block(raw)
            if raw.type == "compound_statement"
            else t.Block(self._at(raw), tuple(self._statements([raw])))
        )

    def _statement(self, raw: Raw) -> list[t.Stmt]:
        at = self._at(raw)
        match raw.type:
            case "declaration":
                return list(self._declarations(raw))
            case "expression_statement":
                inner = [child for child in raw.named_children if child.type != "comment"]
                return [t.Do(at, self._expr(inner[0]))] if inner else []
            case "compound_statement":
                return [self._block(raw)]
            case "if_statement":
                other = raw.child_by_field_name("alternative")
                no = self._one(other.named_children[-1]) if other is not None else None
                return [t.If(at, self._condition(raw), self._one(self._field(raw, "consequence")), no)]
            case "while_statement":
                return [t.While(at, self._condition(raw), self._one(self._field(raw, "body")))]
            case "do_statement":
                return [
                    t.While(
                        at,
                        self._expr(self._field(raw, "condition")),
                        self._one(self._field(raw, "body")),
                        at_end=True,
                    )
                ]
            case "for_statement":
                return [self._for(raw)]
            case "switch_statement":
                return [self._switch(raw)]
            case "break_statement":
                return [t.Break(at)]
            case "continue_statement":
                return [t.Continue(at)]
            case "return_statement":
                inner = [child for child in raw.named_children if child.type != "comment"]
                return [t.Return(at, self._expr(inner[0]) if inner else None)]
        raise _NotRead(raw, f"this {raw.type.replace('_', ' ')}")

    def _condition(self, raw: Raw) -> t.Expr:
        clause = self._field(raw, "condition")
        value = clause.child_by_field_name("value") or clause
        return self._expr(value)

    def _for(self, raw: Raw) -> t.For:
        start = raw.child_by_field_name("initializer")
        first: t.Stmt | None = None
        if start is not None:
            first = (
                t.Block(self._at(start), tuple(self._declarations(start)))
                if start.type == "declaration"
                else t.Do(self._at(start), self._expr(start))
            )
        condition, step = raw.child_by_field_name("condition"), raw.child_by_field_name("update")
        return t.For(
            self._at(raw),
            first,
            self._expr(condition) if condition is not None else None,
            self._expr(step) if step is not None else None,
            self._one(self._field(raw, "body")),
        )

    def _switch(self, raw: Raw) -> t.Switch:
        cases = []
        for case in self._field(raw, "body").named_children:
            if case.type == "comment":
                continue
            if case.type != "case_statement":
                raise _NotRead(case, "a statement before the first case")
            value = case.child_by_field_name("value")
            rest = [c for c in case.named_children if value is None or c.id != value.id]
            cases.append(
                t.Case(
                    self._at(case),
                    self._expr(value) if value is not None else None,
                    tuple(self._statements(rest)),
                )
            )
        return t.Switch(self._at(raw), self._condition(raw), tuple(cases))

    # -- expressions -------------------------------------------------------------------------------

    def _expr(self, raw: Raw) -> t.Expr:
        at = self._at(raw)
        match raw.type:
            case "number_literal":
                return self._number(raw)
            case "char_literal":
                return t.Number(at, ord(_unescaped(self._text(raw)[1:-1])[:1] or "\0"), Int(8, True))
            case "string_literal":
                return t.Text(at, _unescaped(self._text(raw)[1:-1]))
            case "concatenated_string":
                return t.Text(at, "".join(_unescaped(self._text(c)[1:-1]) for c in raw.named_children))
            case "true" | "false":
                return t.Name(at, raw.type)
            case "identifier":
                return self._name(raw)
            case "parenthesized_expression":
                inner = [child for child in raw.named_children if child.type != "comment"]
                return self._expr(inner[0])
            case "unary_expression":
                return t.Unary(at, self._text(self._field(raw, "operator")), self._expr(self._field(raw, "argument")))
            case "binary_expression":
                return t.Binary(
                    at,
                    self._text(self._field(raw, "operator")),
                    self._expr(self._field(raw, "left")),
                    self._expr(self._field(raw, "right")),
                )
            case "assignment_expression":
                return t.Assign(
                    at,
                    self._text(self._field(raw, "operator")),
                    self._expr(self._field(raw, "left")),
                    self._expr(self._field(raw, "right")),
                )
            case "update_expression":
                prefix = raw.children[0].type in ("++", "--")
                return t.Step(
                    at,
                    self._text(self._field(raw, "operator")),
                    prefix,
                    self._expr(self._field(raw, "argument")),
                )
            case "conditional_expression":
                return t.Choice(
                    at,
                    self._expr(self._field(raw, "condition")),
                    self._expr(self._field(raw, "consequence")),
                    self._expr(self._field(raw, "alternative")),
                )
            case "subscript_expression":
                indices = self._field(raw, "indices").named_children
                return t.Index(at, self._expr(self._field(raw, "argument")), self._expr(indices[0]))
            case "cast_expression":
                kind = self.widths.named(self._text(self._field(raw, "type")))
                if kind is not None:
                    return t.Cast(at, kind, self._expr(self._field(raw, "value")))
            case "call_expression":
                return self._call(raw)
            case "initializer_list":
                return t.Items(at, tuple(self._expr(item) for item in raw.named_children if item.type != "comment"))
        raise _NotRead(raw, f"`{self._text(raw).splitlines()[0][:40]}`")

    def _name(self, raw: Raw) -> t.Expr:
        name = self._text(raw)
        if name not in self.macros:
            return t.Name(self._at(raw), name)
        if self.macro_depth > 8:
            raise _NotRead(raw, f"`{name}`, which is defined by itself")
        value = parse(b"auto v = (" + self.macros[name].encode() + b");")
        found = value.named_children[0].child_by_field_name("declarator") if value.named_children else None
        if value.has_error or found is None or found.child_by_field_name("value") is None:
            raise _NotRead(raw, f"`#define {name}`")
        outer, self.shifted = self.shifted, self._at(raw)
        self.macro_depth += 1
        try:
            return self._expr(self._field(found, "value"))
        finally:
            self.shifted = outer
            self.macro_depth -= 1

    def _call(self, raw: Raw) -> t.Expr:
        target = self._field(raw, "function")
        args = tuple(self._expr(arg) for arg in self._field(raw, "arguments").named_children if arg.type != "comment")
        if target.type == "identifier":
            kind = self.widths.named(self._text(target))
            if kind is not None and kind not in (VOID, TEXT) and len(args) == 1:
                return t.Cast(self._at(raw), kind, args[0])
            if self._text(target) == "F" and len(args) == 1:
                return args[0]  # keeps a text in program memory; the same text here
            return t.Call(self._at(raw), self._text(target), args)
        if target.type == "primitive_type" and (kind := self.widths.named(self._text(target))) and len(args) == 1:
            return t.Cast(self._at(raw), kind, args[0])
        if target.type == "field_expression":
            receiver = self._field(target, "argument")
            if receiver.type == "identifier":
                return t.Call(self._at(raw), self._text(self._field(target, "field")), args, self._text(receiver))
        raise _NotRead(raw, f"the call `{self._text(target)[:40]}`")

    def _number(self, raw: Raw) -> t.Expr:
        text, at = self._text(raw).replace("'", ""), self._at(raw)
        lower = text.lower()
        if not lower.startswith("0x") and not lower.startswith("0b") and re.search(r"[.ef]", lower):
            try:
                return t.Number(at, float(lower.rstrip("fl")), FLOAT)
            except ValueError:
                raise _NotRead(raw, f"the number `{text}`") from None
        digits = lower.rstrip("ul")
        suffix = lower[len(digits) :]
        try:
            octal = len(digits) > 1 and digits[0] == "0" and digits.isdigit()
            value = int(digits, 8) if octal else int(digits, 0)
        except ValueError:
            raise _NotRead(raw, f"the number `{text}`") from None
        return t.Number(at, value, self._literal_type(value, suffix, decimal=digits[:1] != "0" or digits == "0"))

    def _literal_type(self, value: int, suffix: str, decimal: bool) -> Type:
        """The first type that holds the value (C++17, 5.13.2 table 7)."""
        widths = [self.widths.int_bits, 32] if "l" not in suffix else [32]
        for bits in widths:
            if "u" not in suffix and value <= Int(bits, True).high:
                return Int(bits, True)
            if ("u" in suffix or not decimal) and value <= Int(bits, False).high:
                return Int(bits, False)
        return Int(32, "u" not in suffix)


def _unescaped(text: str) -> str:
    table = {"n": "\n", "t": "\t", "r": "\r", "0": "\0", "\\": "\\", '"': '"', "'": "'"}

    def one(match: re.Match[str]) -> str:
        mark = match.group(1)
        return chr(int(mark[1:], 16)) if mark[0] == "x" else table.get(mark, mark)

    return re.sub(r"\\(x[0-9a-fA-F]{1,2}|.)", one, text)
