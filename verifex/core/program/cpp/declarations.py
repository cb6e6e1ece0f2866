"""Declarations of the C++ dialect: variables, arrays, pointers, references, libraries' objects."""

import operator
import re
from collections.abc import Callable
from dataclasses import dataclass
from difflib import get_close_matches

from tree_sitter import Node as Raw

from verifex.core.program import tree as t
from verifex.core.program.cpp.base import NotSupported
from verifex.core.program.cpp.expressions import Expressions
from verifex.core.program.cpp.grammar import parse
from verifex.core.program.types import (
    AUTO,
    CHAR,
    TEXT,
    Array,
    Described,
    Object,
    Pointer,
    Routine,
    Struct,
    Type,
)

MOST_ITEMS = 4096
RECORDS = ("struct_specifier", "class_specifier", "union_specifier")
#: Types of the language by their letters, for one that is written with other capitals.
OWN_TYPES = {
    name.lower(): name
    for name in ("int", "float", "bool", "char", "byte", "long", "double", "boolean", "void", "word", "String")
}


TABLE_OF_FUNCTIONS = re.compile(
    r"^(?:static\s+|const\s+)*(\w[\w\s*]*?)\(\s*\*\s*(?:const\s+)?(\w+)\s*\[\s*(\w*)\s*\]\s*\)\s*\(([^()]*)\)\s*=",
    re.ASCII,
)


@dataclass(frozen=True, slots=True)
class Declared:
    """A declarator taken apart: the name, and what stands around it."""

    raw: Raw
    name: str
    pointers: int
    reference: bool
    lengths: tuple[Raw | None, ...]
    takes: tuple[Type, ...] | None = None  # of what keeps a function: the types it takes


#: Sums whose value is certain while reading, on whole numbers; a quotient is cut towards 0.
OF_KNOWN: dict[str, Callable[[int, int], int]] = {
    "+": operator.add, "-": operator.sub, "*": operator.mul, "/": lambda a, b: int(a / b), "%": lambda a, b: a - int(a / b) * b,
    "|": operator.or_, "&": operator.and_, "^": operator.xor, "<<": lambda a, b: a << min(max(b, 0), 64), ">>": lambda a, b: a >> min(max(b, 0), 64),
}  # fmt: skip


def keeps_a_function(raw: Raw) -> bool:
    """Whether a declarator is of a variable that keeps a function: `(*act)()`."""
    inner = raw.child_by_field_name("declarator")
    return inner is not None and inner.type == "parenthesized_declarator"


class Declarations(Expressions):
    def declared(self, raw: Raw) -> Declared:
        """Takes a declarator apart from outside in."""
        pointers, reference = 0, False
        lengths: list[Raw | None] = []
        takes: tuple[Type, ...] | None = None
        here = raw
        while here.type not in ("identifier", "field_identifier", "type_identifier"):
            if here.type == "qualified_identifier" and self.text(here) in self.members_outside:
                break
            if here.type == "pointer_declarator":
                pointers += 1
                here = self.field(here, "declarator")
            elif here.type == "reference_declarator":
                reference = True
                here = self.named(here)[-1]
            elif here.type == "array_declarator":
                lengths.insert(0, here.child_by_field_name("size"))
                here = self.field(here, "declarator")
            elif here.type == "function_declarator" and keeps_a_function(here):
                takes, pointers = self.taken(self.field(here, "parameters")), pointers - 1
                here = self.named(self.field(here, "declarator"))[0]
            else:
                raise NotSupported(here, f"`{self.shown(here)}`")
        return Declared(here, self.text(here), max(0, pointers), reference, tuple(lengths), takes)

    def taken(self, parameters: Raw) -> tuple[Type, ...]:
        """The types of parameters of which the names do not matter."""
        found = []
        for raw in self.named(parameters):
            if raw.type != "parameter_declaration":
                raise NotSupported(raw, f"`{self.shown(raw)}` as a parameter")
            if self.text(raw) == "void":
                continue
            kind, stars = self.base_type(raw), self.text(raw).count("*")
            if "&" in self.text(raw) and "const" not in self.text(raw):
                raise NotSupported(raw, f"`{self.shown(raw)}` of a function that is kept")
            for _ in range(stars):
                kind = Pointer(kind)
            found.append(kind)
        return tuple(found)

    def base_type(self, raw: Raw) -> Type:
        """The type in front of the declarators; a record or list of names that is described there is made."""
        described = self.field(raw, "type")
        own = described.child_by_field_name("body") is None and self.text(described.child_by_field_name("name"))
        if described.type in RECORDS and not (own and own in self.begun_records and own not in self.type_names):
            return self.record(described)
        if described.type == "enum_specifier":
            return self.list_of_names(described)
        if described.type == "template_type" and (made := self.template_made(described)) is not None:
            return made
        kind = self.type_named(self.text(described))
        word = self.text(described).removeprefix("struct ").strip()
        if kind is None and word in self.begun_records:
            if not all(
                d.type in ("pointer_declarator", "reference_declarator")
                for d in raw.children_by_field_name("declarator")
            ):
                raise NotSupported(raw, "a record that holds its own kind")
            return Described(word)
        if kind is None and self.text(described).split("::")[0] in self.type_names and "::" in self.text(described):
            raise NotSupported(described, f"the type `{self.text(described)}`")
        if kind is None and self.is_library_class(described):
            words = self.text(described.child_by_field_name("name") if described.type == "template_type" else described)
            meant = OWN_TYPES.get(words.lower()) or self._near_type(words)
            if meant or not self.program.libraries:
                self.program.not_included.append((words, meant, self.at(described)))
            return (meant and self.type_named(meant)) or Object(words)
        if kind is None:
            raise NotSupported(described, f"the type `{self.text(described)}`")
        return kind

    def item_type(self, raw: Raw) -> Type:
        """The type in front of a variable, which may be that of its value: `auto`."""
        if self.field(raw, "type").type != "placeholder_type_specifier":
            return self.base_type(raw)
        for declarator in raw.children_by_field_name("declarator"):
            inner = declarator.child_by_field_name("declarator") if declarator.type == "init_declarator" else declarator
            if inner is not None and inner.type in ("pointer_declarator", "array_declarator"):
                raise NotSupported(inner, f"`auto {self.shown(inner)}`")
        return AUTO

    def _near_type(self, words: str) -> str | None:
        """A type of the language, or of the program, that may be intended; a library's class is like none of them."""
        known = [*OWN_TYPES.values(), *self.type_names]
        near = get_close_matches(words, known, n=1, cutoff=0.75)
        return near[0] if near else None

    def declarations(self, raw: Raw) -> list[t.Declare]:
        kind = self.item_type(raw)
        words = [self.text(child) for child in raw.children]
        constant, static = any(w in ("const", "constexpr") for w in words), "static" in words
        out = []
        for declarator in raw.children_by_field_name("declarator"):
            value: t.Expr | None = None
            built = isinstance(kind, Struct) and (
                (declarator.type == "function_declarator" and not keeps_a_function(declarator))
                or (declarator.type == "init_declarator" and self.field(declarator, "value").type == "argument_list")
            )
            if isinstance(kind, Object) or (isinstance(kind, Struct) and built):
                out.append(self.object_made(kind, declarator))
                continue
            if declarator.type == "init_declarator":
                given = self.field(declarator, "value")
                value = self.expr(self.named(given)[0] if given.type == "argument_list" else given)
                declarator = self.field(declarator, "declarator")
            one = self.declared(declarator)
            if isinstance(value, t.Items) and not one.lengths and not isinstance(kind, Struct):
                if len(value.items) != 1:
                    raise NotSupported(declarator, "a list that fills a single variable")
                value = value.items[0]
            whole = self.whole_type(kind, one, value, raw, constant=constant)
            # `const char *name` may be pointed elsewhere; what it points to is constant.
            fixed = constant and not one.pointers
            volatile = "volatile" in words
            beside = out[0].name if out and kind == AUTO else ""
            out.append(
                t.Declare(self.at(one.raw), one.name, whole, value, fixed, static, one.reference, volatile, beside)
            )
        return out

    def table_of_functions(self, raw: Raw) -> t.Declare | None:
        """`void (*acts[])() = {one, other};`, which the grammar takes for an assignment; None for anything else."""
        found = TABLE_OF_FUNCTIONS.match(self.text(raw))
        inner = self.named(raw)
        if found is None or not inner or inner[0].type != "assignment_expression":
            return None
        result, name, length, parameters = found.groups()
        described = parse(f"typedef {result}(*kept)({parameters}); int of[{length or 1}];".encode()).named_children
        kind = self.base_type(described[0])
        one = self.declared(self.field(described[0], "declarator"))
        at, items = self.at(raw), self.expr(self.field(inner[0], "right"))
        size = self.declared(self.field(described[1], "declarator")).lengths[0] if length else None
        whole = Array(self.whole_type(kind, one, None, raw, constant=False), self.length(size, items, raw))
        return t.Declare(at, name, whole, items)

    def object_made(self, kind: Object | Struct, declarator: Raw) -> t.Declare:
        """A library's object with the values it is constructed with, in whichever way that is written."""
        args: tuple[t.Expr, ...] = self._template_values(declarator)
        name = declarator
        if declarator.type == "function_declarator":  # `X a(B, C);` looks like a prototype to the grammar
            name = self.field(declarator, "declarator")
            parameters = self.named(self.field(declarator, "parameters"))
            args += tuple(self.named_expr(self.field(p, "type")) for p in parameters)
        elif declarator.type == "init_declarator":
            name, value = self.field(declarator, "declarator"), self.field(declarator, "value")
            if self.declared(name).reference:
                one = self.declared(name)
                return t.Declare(self.at(one.raw), one.name, kind, self.expr(value), reference=True)
            if self.declared(name).lengths:
                return self._objects_made(kind, name, value)
            if value.type in ("argument_list", "initializer_list"):
                args += tuple(self.expr(arg) for arg in self.named(value))
            elif value.type == "new_expression":
                made = value.child_by_field_name("arguments")
                args += tuple(self.expr(arg) for arg in self.named(made)) if made is not None else ()
                one = self.declared(name)
                return t.Declare(self.at(one.raw), one.name, kind, t.Items(self.at(one.raw), args))
            elif value.type == "call_expression":
                call = self.expr(value)
                if isinstance(call, t.Call) and call.name != (
                    kind.class_name if isinstance(kind, Object) else kind.name
                ):
                    one = self.declared(name)
                    return t.Declare(self.at(one.raw), one.name, kind, call)
                args += tuple(self.expr(arg) for arg in self.named(self.field(value, "arguments")))
            elif value.type in ("qualified_identifier", "identifier"):  # a value of the library's own kind
                args = (self.expr(value),)
            else:
                raise NotSupported(declarator, f"`{self.shown(declarator)}`")
        one = self.declared(name)
        if one.lengths or one.pointers or one.reference:
            raise NotSupported(declarator, f"`{self.shown(declarator)}`")
        return t.Declare(self.at(one.raw), one.name, kind, t.Items(self.at(one.raw), args))

    def _objects_made(self, kind: Object | Struct, name: Raw, value: Raw) -> t.Declare:
        """A list of libraries' objects, each with the values it is constructed with."""
        one = self.declared(name)
        if len(one.lengths) != 1 or one.pointers or value.type != "initializer_list":
            raise NotSupported(name, f"`{self.shown(name)}`")
        at = self.at(one.raw)
        items = t.Items(at, tuple(self.expr(item) for item in self.named(value)))
        return t.Declare(at, one.name, Array(kind, self.length(one.lengths[0], items, name)), items)

    def _template_values(self, declarator: Raw) -> tuple[t.Expr, ...]:
        """The values in the pointed brackets of a library's class: `Sensor<7> s;`."""
        kind = declarator.parent.child_by_field_name("type") if declarator.parent is not None else None
        if kind is None or kind.type != "template_type":
            return ()
        values = []
        for raw in self.named(self.field(kind, "arguments")):
            inner = self.field(raw, "type") if raw.type == "type_descriptor" else raw
            values.append(self.named_expr(inner) if inner.type == "type_identifier" else self.expr(inner))
        return tuple(values)

    def named_expr(self, raw: Raw) -> t.Expr:
        """A bare name where the grammar took it for a type."""
        name = self.text(raw)
        return self._expanded(raw, name, self.macros[name]) if name in self.macros else t.Name(self.at(raw), name)

    def whole_type(self, kind: Type, one: Declared, value: t.Expr | None, raw: Raw, *, constant: bool) -> Type:
        """The base type with the pointers and lengths of a declarator around it."""
        whole = kind if one.takes is None else Routine(one.takes, kind)
        # In a list of pointers to constant characters each only ever reads: a text. A single one may go on letter by letter.
        literals = isinstance(value, t.Items) and bool(value.items) and all(isinstance(i, t.Text) for i in value.items)
        for _ in range(one.pointers):
            reads = whole == CHAR and bool(one.lengths) and (constant or literals)
            whole = TEXT if reads else Pointer(whole, constant)
        values: list[t.Expr | None] = [value]
        for length in one.lengths[:-1] if one.lengths else ():
            inner = values[-1]
            values.append(inner.items[0] if isinstance(inner, t.Items) and inner.items else None)
            del length
        for length, filled in zip(reversed(one.lengths), reversed(values if one.lengths else []), strict=True):
            whole = Array(whole, self.length(length, filled, raw), constant and not one.pointers)
        return whole

    def length(self, raw: Raw | None, value: t.Expr | None, where: Raw) -> int:
        if raw is None:
            if isinstance(value, t.Items):
                return len(value.items)
            if isinstance(value, t.Text):
                return len(value.value) + 1  # the closing NUL
            raise NotSupported(where, "an array without a length")
        number = self.known(self.expr(raw))
        if number is not None and 0 < number <= MOST_ITEMS:
            return number
        raise NotSupported(raw, "an array length that is not a plain number")

    def known(self, node: t.Expr) -> int | None:
        """A whole number that is certain while reading: a literal, a constant, or a sum of those."""
        if isinstance(node, t.Number) and isinstance(node.value, int):
            return node.value
        if isinstance(node, t.Name):
            names = {node.name, *(f"{record}::{node.name}" for record in self.begun_records[-1:])}
            value = next((g.value for g in self.program.globals if g.name in names and g.constant), None)
            return self.known(value) if value is not None else None
        if isinstance(node, t.Binary):
            left, right = self.known(node.left), self.known(node.right)
            if left is not None and right is not None and node.op in OF_KNOWN:
                return None if node.op in ("/", "%") and right == 0 else OF_KNOWN[node.op](left, right)
        if isinstance(node, t.Unary) and node.op in ("-", "~"):
            of = self.known(node.operand)
            return None if of is None else -of if node.op == "-" else ~of
        return None

    # -- read above declarations, where records are -------------------------------------------------

    def record(self, raw: Raw, whole_name: str = "") -> Struct:
        """A record described in place, or one known by name; one of a template has its values behind its name."""
        raise NotImplementedError

    def list_of_names(self, raw: Raw) -> Type:
        """`enum`: the type of its names, each of which becomes a constant."""
        raise NotImplementedError

    def template_made(self, raw: Raw) -> Type | None:
        """The record that a template gives with the values in its pointed brackets; None for one of a library."""
        raise NotImplementedError
