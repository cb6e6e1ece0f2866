"""Expressions, macros and literals of the C++ dialect."""

import re

from tree_sitter import Node as Raw

from verifex.core.program import tree as t
from verifex.core.program.cpp.base import Base, NotSupported
from verifex.core.program.cpp.grammar import parse
from verifex.core.program.cpp.macros import call_text, changes_meaning, taken_apart
from verifex.core.program.types import CHAR, FLOAT, TEXT, ULONG, VOID, Int, Pointer, Struct, Type

MOST_MACROS = 12  # one inside the other
MOST_TEXT = 2000  # letters of an operation with its macros put in
MOST_PUT_IN = 2000  # macros in a whole program, each as often as it is put in
#: What a compiler makes of these names: where and when it is run, as a text.
MADE_UP = {"__FILE__": "program", "__DATE__": "Jan  1 2026", "__TIME__": "12:00:00"}
CASTS = ("static_cast", "reinterpret_cast", "const_cast")


class Expressions(Base):
    def expr(self, raw: Raw) -> t.Expr:
        if (text := taken_apart(raw, self.macros, self.macro_functions)) is not None:
            if len(text) > MOST_TEXT:
                raise NotSupported(raw, "an operation whose macros come to so much text")
            apart = self._expanded(raw, self.shown(raw), text)
            changes = changes_meaning(raw, self.macros, self.macro_functions)
            if changes and self.macro_depth < 3 and _shape(apart) != _shape(self._plain(raw)):
                self.program.apart.append((self.shown(raw), self.at(raw)))
            return apart
        return self._plain(raw)

    def _plain(self, raw: Raw) -> t.Expr:
        """An expression as the grammar reads it, each macro held together."""
        at = self.at(raw)
        match raw.type:
            case "number_literal":
                return self._number(raw)
            case "char_literal":
                return t.Number(at, ord(unescaped(self.text(raw)[1:-1])[:1] or "\0"), CHAR)
            case "string_literal":
                return t.Text(at, unescaped(self.text(raw)[1:-1]))
            case "raw_string_literal":
                return t.Text(at, "".join(self.text(c) for c in raw.named_children if c.type == "raw_string_content"))
            case "concatenated_string":
                return self._joined(raw)
            case "true" | "false":
                return t.Name(at, raw.type)
            case "null" | "nullptr":
                return t.Name(at, "NULL")
            case "identifier":
                return self._name(raw)
            case "qualified_identifier":  # a member of a library's class, or of a list of names
                words = re.sub(r"\s", "", self.text(raw))
                return t.Name(at, self.members.get(words, words))
            case "this":
                return t.Name(at, "this")
            case "compound_literal_expression":  # `Point{1, 2}`
                kind = self.type_named(self.text(self.field(raw, "type")))
                if not isinstance(kind, Struct):
                    raise NotSupported(raw, f"`{self.shown(raw)}`")
                return t.Cast(at, kind, self.expr(self.field(raw, "value")))
            case "parenthesized_expression":
                return self.expr(self.named(raw)[0])
            case "unary_expression":
                return t.Unary(at, self.text(self.field(raw, "operator")), self.expr(self.field(raw, "argument")))
            case "pointer_expression":
                return t.Unary(at, self.text(self.field(raw, "operator")), self.expr(self.field(raw, "argument")))
            case "binary_expression":
                left, right = self.expr(self.field(raw, "left")), self.expr(self.field(raw, "right"))
                op = self.text(self.field(raw, "operator"))
                if self.field(raw, "right").type == "assignment_expression" and isinstance(right, t.Assign):
                    # `a && b = c` gives a value to `a && b`: every other operator binds more closely than `=`.
                    return t.Assign(right.at, right.op, t.Binary(at, op, left, right.target), right.value)
                return t.Binary(at, op, left, right)
            case "assignment_expression":
                target, value = self.expr(self.field(raw, "left")), self.expr(self.field(raw, "right"))
                if isinstance(target, t.Choice):
                    raise NotSupported(raw, f"a value for `{self.shown(self.field(raw, 'left'))}`")
                return t.Assign(at, self.text(self.field(raw, "operator")), target, value)
            case "update_expression":
                prefix = raw.children[0].type in ("++", "--")
                return t.Step(
                    at, self.text(self.field(raw, "operator")), prefix, self.expr(self.field(raw, "argument"))
                )
            case "conditional_expression":
                parts = [self.expr(self.field(raw, name)) for name in ("condition", "consequence", "alternative")]
                return t.Choice(at, *parts)
            case "comma_expression":
                return t.Comma(at, self.expr(self.field(raw, "left")), self.expr(self.field(raw, "right")))
            case "subscript_expression":
                indices = self.named(self.field(raw, "indices"))
                if not indices:
                    raise NotSupported(raw, f"`{self.shown(raw)}`")
                return t.Index(at, self.expr(self.field(raw, "argument")), self.expr(indices[0]))
            case "field_expression":
                arrow = self.text(self.field(raw, "operator")) == "->"
                return t.Field(at, self.expr(self.field(raw, "argument")), self.text(self.field(raw, "field")), arrow)
            case "cast_expression":
                return t.Cast(at, self.described(self.field(raw, "type")), self.expr(self.field(raw, "value")))
            case "sizeof_expression":
                return self._size(raw)
            case "call_expression":
                return self._call(raw)
            case "initializer_list":
                return self._items(raw)
            case "new_expression":
                return self._new(raw)
            case "delete_expression":
                return t.Call(at, "free", (self.expr(self.named(raw)[-1]),))
            case "lambda_expression":
                return self.lambda_(raw)
        raise NotSupported(raw, f"`{self.shown(raw)}`")

    def _new(self, raw: Raw) -> t.Expr:
        kind = self.type_named(self.text(self.field(raw, "type")))
        if kind is None:
            raise NotSupported(raw, f"`{self.shown(raw)}`")
        several, given = raw.child_by_field_name("declarator"), raw.child_by_field_name("arguments")
        length = self.expr(self.field(several, "length")) if several is not None else None
        args = tuple(self.expr(one) for one in self.named(given)) if given is not None else ()
        return t.New(self.at(raw), kind, length, args)

    def _items(self, raw: Raw) -> t.Items:
        """A list in braces; of fields that are named, `.pin = 3`, all are."""
        items, names = [], []
        for item in self.named(raw):
            if item.type != "initializer_pair":
                items.append(self.expr(item))
                continue
            designator = self.field(item, "designator")
            if designator.type != "field_designator":
                raise NotSupported(item, f"`{self.shown(item)}`")
            names.append(self.text(designator).lstrip("."))
            items.append(self.expr(self.field(item, "value")))
        if names and len(names) != len(items):
            raise NotSupported(raw, f"`{self.shown(raw)}`")
        return t.Items(self.at(raw), tuple(items), tuple(names))

    def template_called(self, raw: Raw) -> str:
        return ""  # templates are read above expressions

    def lambda_(self, raw: Raw) -> t.Expr:
        raise NotImplementedError  # a function is read where declarations and statements are

    def described(self, raw: Raw) -> Type:
        """The type a type descriptor stands for, as in a cast."""
        words = self.text(raw)
        kind = self.type_named(words.replace("*", " ").replace("&", " "))
        if kind is None:
            raise NotSupported(raw, f"the type `{words}`")
        if "*" in words:
            return TEXT if kind == CHAR and "const" in words else Pointer(kind)
        return kind

    def _joined(self, raw: Raw) -> t.Expr:
        pieces = []
        for child in self.named(raw):
            piece = self.expr(child)
            if not isinstance(piece, t.Text):
                raise NotSupported(child, f"`{self.shown(child)}` in a text")
            pieces.append(piece.value)
        return t.Text(self.at(raw), "".join(pieces))

    def _size(self, raw: Raw) -> t.Expr:
        described = raw.child_by_field_name("type")
        if described is not None:
            return t.SizeOf(self.at(raw), self.described(described), None)
        operand = self.field(raw, "value")
        kind = self.type_named(self.text(operand).strip("() "))
        return t.SizeOf(self.at(raw), kind, None if kind else self.expr(operand))

    # -- macros ------------------------------------------------------------------------------------

    def _name(self, raw: Raw) -> t.Expr:
        name = self.text(raw)
        if name == "__LINE__":
            return t.Number(self.at(raw), raw.start_point.row + 1, self.widths.int)
        if name in MADE_UP:
            return t.Text(self.at(raw), MADE_UP[name])
        if name not in self.macros:
            return t.Name(self.at(raw), name)
        made = self._expanded(raw, name, self.macros[name])
        self.program.spelled[made] = name
        return made

    def _expanded(self, raw: Raw, name: str, text: str) -> t.Expr:
        """The expression a macro's text stands for, at the place where the macro is used."""
        if self.macro_depth > MOST_MACROS:
            raise NotSupported(raw, f"`{name}`, which is defined by itself")
        self.macros_put_in += 1
        if self.macros_put_in > MOST_PUT_IN:
            raise NotSupported(raw, "a program whose macros come to so much text")
        value = parse(b"auto v = (" + text.encode() + b");")
        found = value.named_children[0].child_by_field_name("declarator") if value.named_children else None
        if value.has_error or found is None or found.child_by_field_name("value") is None:
            raise NotSupported(raw, f"`#define {name}`")
        outer, self.shifted = self.shifted, self.at(raw)
        self.macro_depth += 1
        try:
            return self.expr(self.field(found, "value"))
        finally:
            self.shifted = outer
            self.macro_depth -= 1

    def _macro_call(self, raw: Raw, name: str, args: list[str]) -> t.Expr:
        names, text = self.macro_functions[name]
        if len(names) != len(args):
            raise NotSupported(raw, f"`{name}` with {len(args)} values where {len(names)} are defined")
        return self._expanded(raw, name, call_text(names, text, args))

    # -- calls -------------------------------------------------------------------------------------

    def _call(self, raw: Raw) -> t.Expr:
        target, at = self.field(raw, "function"), self.at(raw)
        given = self.named(self.field(raw, "arguments"))
        name = self.text(target)
        if target.type == "identifier" and name in self.macro_functions:
            return self._macro_call(raw, name, [self.text(arg) for arg in given])
        if target.type == "template_function":
            cast = self.text(target.child_by_field_name("name"))
            described = self.named(self.field(target, "arguments"))
            if cast in CASTS and len(given) == 1 and described:
                return t.Cast(at, self.described(described[0]), self.expr(given[0]))
            if whole := self.template_called(target):
                return t.Call(at, whole, tuple(self.expr(arg) for arg in given))
            if self.program.named(cast):
                types = tuple(self.described(one) for one in described)
                return t.Call(at, cast, tuple(self.expr(arg) for arg in given), types=types)
        args = tuple(self.expr(arg) for arg in given)
        if target.type == "parenthesized_expression" and len(args) == 1:
            kind = self.type_named(name.strip("() "))  # `(byte)(x)` looks like a call to the grammar
            if kind is not None:
                return t.Cast(at, kind, args[0])
        if target.type in ("identifier", "primitive_type", "sized_type_specifier"):
            kind = self.type_named(name)
            if kind is not None and kind not in (VOID, TEXT) and not isinstance(kind, Struct) and len(args) == 1:
                return t.Cast(at, kind, args[0])
            if name == "F" and len(args) == 1:
                return args[0]  # keeps a text in program memory; the same text here
            return bit_helper(at, name, args) or t.Call(at, name, args)
        if target.type == "qualified_identifier":
            if name in self.members:  # of a namespace
                return t.Call(at, self.members[name], args)
            if name.split("::")[0] in self.type_names:  # a static function of a record
                return t.Call(at, name, args)
        if target.type == "field_expression":
            receiver, method = self.field(target, "argument"), self.text(self.field(target, "field"))
            if receiver.type == "identifier" and self.text(receiver) not in self.macros:
                return t.Call(at, method, args, self.text(receiver))
            return t.Call(at, method, args, None, self.expr(receiver))
        if target.type == "parenthesized_expression":  # `(*act)()`
            inner = self.named(target)[0]
            if inner.type == "pointer_expression" and self.text(self.field(inner, "operator")) == "*":
                inner = self.field(inner, "argument")
            return t.Call(at, "", args, None, self.expr(inner))
        if target.type in ("subscript_expression", "call_expression", "lambda_expression"):
            return t.Call(at, "", args, None, self.expr(target))
        raise NotSupported(raw, f"the call `{name[:40]}`")

    # -- numbers -----------------------------------------------------------------------------------

    def _number(self, raw: Raw) -> t.Expr:
        text, at = self.text(raw).replace("'", ""), self.at(raw)
        if text[0] in "+-":  # the grammar takes a sign behind a bracket as part of the number; the language does not
            return t.Unary(at, text[0], self._literal(raw, text[1:], at))
        return self._literal(raw, text, at)

    def _literal(self, raw: Raw, text: str, at: t.At) -> t.Expr:
        lower = text.lower()
        if not lower.startswith(("0x", "0b")) and re.search(r"[.ef]", lower):
            try:
                return t.Number(at, float(lower.rstrip("fl")), FLOAT)
            except ValueError:
                raise NotSupported(raw, f"the number `{text}`") from None
        digits = lower.rstrip("ul")
        suffix = lower[len(digits) :]
        try:
            octal = len(digits) > 1 and digits[0] == "0" and digits.isdigit()
            value = int(digits, 8) if octal else int(digits, 0)
        except ValueError:
            raise NotSupported(raw, f"the number `{text}`") from None
        return t.Number(at, value, self._literal_type(value, suffix, decimal=digits[:1] != "0" or digits == "0"))

    def _literal_type(self, value: int, suffix: str, decimal: bool) -> Type:
        """The first type that holds the value (C++17, 5.13.2 table 7)."""
        widths = [64] if "ll" in suffix else [32, 64] if "l" in suffix else [self.widths.int_bits, 32, 64]
        for bits in widths:
            if "u" not in suffix and value <= Int(bits, True).high:
                return Int(bits, True)
            if ("u" in suffix or not decimal) and value <= Int(bits, False).high:
                return Int(bits, False)
        return Int(64, "u" not in suffix)


def _shape(node: t.Expr) -> str:
    """What an expression does, without where its parts stand."""
    return re.sub(r"At\(line=\d+, column=\d+\)", "", repr(node))


def bit_helper(at: t.At, name: str, args: tuple[t.Expr, ...]) -> t.Expr | None:
    """The dialect's helpers for bits, which are macros that change their first value; None for any other call."""
    one = t.Number(at, 1, ULONG)

    def mask(n: t.Expr) -> t.Expr:
        return t.Binary(at, "<<", one, n)

    match name, args:
        case "bit" | "_BV", (n,):
            return mask(n)
        case "bitRead", (value, n):
            return t.Binary(at, "&", t.Binary(at, ">>", value, n), t.Number(at, 1, CHAR))
        case "bitSet", (value, n):
            return t.Assign(at, "|=", value, mask(n))
        case "bitClear", (value, n):
            return t.Assign(at, "&=", value, t.Unary(at, "~", mask(n)))
        case "bitToggle", (value, n):
            return t.Assign(at, "^=", value, mask(n))
        case "bitWrite", (value, n, to):
            cleared = t.Assign(at, "&=", value, t.Unary(at, "~", mask(n)))
            return t.Choice(at, to, t.Assign(at, "|=", value, mask(n)), cleared)
        case "lowByte", (value,):
            return t.Cast(at, Int(8, False), t.Binary(at, "&", value, t.Number(at, 255, CHAR)))
        case "highByte", (value,):
            return t.Cast(at, Int(8, False), t.Binary(at, ">>", value, t.Number(at, 8, CHAR)))
    return None


def unescaped(text: str) -> str:
    """A literal's text with its escapes resolved."""
    table = {
        "n": "\n",
        "t": "\t",
        "r": "\r",
        "0": "\0",
        "a": "\a",
        "b": "\b",
        "f": "\f",
        "v": "\v",
        "\\": "\\",
        '"': '"',
        "'": "'",
    }

    def one(match: re.Match[str]) -> str:
        mark = match.group(1)
        if mark[0] == "x":
            return chr(int(mark[1:], 16))
        return chr(int(mark, 8)) if mark.isdigit() and mark != "0" else table.get(mark, mark)

    return re.sub(r"\\(x[0-9a-fA-F]{1,2}|[0-7]{1,3}|.)", one, text)
