"""Turns the grammar's nodes into the program tree: what stands at the top of a program."""

from collections import Counter
from dataclasses import replace
from functools import partial

from tree_sitter import Node as Raw

from verifex.core.program import tree as t
from verifex.core.program.cpp.base import DIRECTIVES, NotSupported
from verifex.core.program.cpp.conditions import CONDITIONALS
from verifex.core.program.cpp.declarations import RECORDS, keeps_a_function
from verifex.core.program.cpp.grammar import parse
from verifex.core.program.cpp.statement_macros import with_statement_macros
from verifex.core.program.cpp.templates import Templates
from verifex.core.program.types import AUTO, VOID, Array, Pointer, Routine, Struct, Type, Widths, decayed

SMALL_INT_BITS = 16
#: What the compiler of the small boards defines by itself.
MADE_FOR_SMALL_BOARDS = {"__AVR__": "1", "F_CPU": "16000000L"}
NOTHING = ("comment", ";")


def read_cpp(source: str, int_bits: int = 16) -> t.Program:
    """The tree of a well-formed program. What is not supported yet is listed in `unsupported`, never dropped silently."""
    reader = _Reader(Widths(int_bits))
    if int_bits == SMALL_INT_BITS:
        reader.macros |= MADE_FOR_SMALL_BOARDS
    for raw in parse(with_statement_macros(source).encode("utf-8", "replace")).named_children:
        reader.guard(raw, reader.top)
        reader.read_methods()
    places = reader.announced
    reader.program.globals = [replace(one, at=places.get(one.name, one.at)) for one in reader.program.globals]
    return reader.program


class _Reader(Templates):
    def top(self, raw: Raw) -> None:
        match raw.type:
            case kind if kind in NOTHING:
                return
            case "preproc_include":
                self.program.includes.append((self.text(raw.child_by_field_name("path")).strip('<>"'), self.at(raw)))
            case kind if kind in DIRECTIVES:
                self.directive(raw)
            case kind if kind in CONDITIONALS:
                for child in self.left_in(raw):
                    self.guard(child, self.top)
            case "declaration":
                if not self._is_prototype(raw) and not self._is_elsewhere(raw):
                    self.program.globals += self.declarations(raw)
            case kind if kind in RECORDS:
                self.record(raw)
            case "enum_specifier":
                self.list_of_names(raw)
            case "type_definition":
                self.new_type(raw)
            case "function_definition":
                self.program.add(self.function(raw))
            case "expression_statement" if not raw.named_children:
                return
            case "expression_statement" if (table := self.table_of_functions(raw)) is not None:
                self.program.globals.append(table)
            case "template_declaration":
                self.template(raw)
            case "alias_declaration":
                self.alias(raw)
            case "static_assert_declaration":
                return  # the compiler on the pair's own computer holds it
            case "using_declaration" if self.text(raw).split()[:2] == ["using", "namespace"]:
                return  # all names of the language are known by themselves
            case "namespace_definition":
                self._namespace(raw)
            case "linkage_specification":  # `extern "C"` says how a name is linked
                body = self.field(raw, "body")
                for child in self.named(body) if body.type == "declaration_list" else [body]:
                    self.guard(child, self.top)
            case _:
                raise NotSupported(raw, f"`{self.shown(raw)}`")

    def _namespace(self, raw: Raw) -> None:
        """What is declared in a namespace has its plain name too: two of one name, in and outside, are not supported."""
        space, body = self.text(raw.child_by_field_name("name")), self.field(raw, "body")
        before, types, known = Counter(self._declared_names()), set(self.type_names), set(self.members)
        for child in self.named(body):
            self.guard(child, self.top)
        self.read_methods()
        after = Counter(self._declared_names())
        for name in after - before:
            if before[name]:
                raise NotSupported(raw, f"`{name}` in `{space}` and outside it")
            self.members[f"{space}::{name}"] = name
        for name in set(self.members) - known:  # of a namespace inside this one
            if not name.startswith(f"{space}::"):
                self.members[f"{space}::{name}"] = self.members[name]
        for name in set(self.type_names) - types:
            self.type_names[f"{space}::{name}"] = self.type_names[name]

    def _declared_names(self) -> list[str]:
        return [*(one.name for one in self.program.globals), *self.program.functions]

    def _is_prototype(self, raw: Raw) -> bool:
        """Functions may be called before they are defined anyway, so a prototype says nothing new."""
        if (
            self.is_library_class(self.field(raw, "type"))
            and self.type_named(self.text(self.field(raw, "type"))) is None
        ):
            return False
        if isinstance(self.type_named(self.text(self.field(raw, "type"))), Struct) and self._is_made(raw):
            return False
        declarators = raw.children_by_field_name("declarator")
        for here in declarators:
            while here.type in ("pointer_declarator", "reference_declarator"):
                here = self.named(here)[-1]
            if here.type == "function_declarator" and not keeps_a_function(here):
                parameters = self.named(self.field(here, "parameters"))
                return all(p.type in ("parameter_declaration", "optional_parameter_declaration") for p in parameters)
        return False

    def _is_elsewhere(self, raw: Raw) -> bool:
        """`extern int count;` says that a variable is declared further on."""
        declarators = raw.children_by_field_name("declarator")
        is_extern = any(self.text(child) == "extern" for child in raw.children)
        if not is_extern or any(one.type == "init_declarator" for one in declarators):
            return False
        for one in declarators:
            self.announced.setdefault(self.declared(one).name, self.at(one))
        return True

    def _is_made(self, raw: Raw) -> bool:
        """Whether `Lamp porch(PIN);` makes an object: what the grammar takes for types of parameters are no types."""
        for declarator in raw.children_by_field_name("declarator"):
            if declarator.type != "function_declarator":
                return False
            for parameter in self.named(self.field(declarator, "parameters")):
                bare = parameter.type == "parameter_declaration" and len(self.named(parameter)) == 1
                if not bare or self.type_named(self.text(parameter)) is not None:
                    return False
            if not self.named(self.field(declarator, "parameters")):
                return False
        return True

    def read_methods(self) -> None:
        """The methods of records that have been described since."""
        while self.methods:
            record, raw = self.methods.pop(0)
            self.guard(raw, partial(self._add_method, record))

    def _add_method(self, record: Struct, raw: Raw) -> None:
        self.program.add(self.function(raw, record))

    def function(self, raw: Raw, record: Struct | None = None) -> t.Function:
        """A function; one of a record has the record it is called on as its first parameter."""
        declarator = self.field(raw, "declarator")
        result = self.base_type(raw) if raw.child_by_field_name("type") is not None else VOID
        gives_place = False
        while declarator.type in ("pointer_declarator", "reference_declarator"):
            constant = "const" in [self.text(child) for child in raw.children]
            if declarator.type == "reference_declarator":
                gives_place = not constant  # what cannot be changed may as well be a copy
                declarator = self.named(declarator)[-1]
                continue
            result = Pointer(result, constant)
            declarator = self.field(declarator, "declarator")
        if declarator.type != "function_declarator":
            raise NotSupported(raw, f"`{self.shown(raw)}`")
        params = tuple(
            self._param(p) for p in self.named(self.field(declarator, "parameters")) if self.text(p) != "void"
        )
        name = self.text(self.field(declarator, "declarator"))
        if "::" in name:
            owner = self.program.records.get(name.split("::")[0])
            if owner is None:
                raise NotSupported(raw, f"`{name}`")
            record, name = owner, name.split("::")[1]
        if record is not None and "<" in record.name and name == record.name.partition("<")[0]:
            name = record.name  # the constructor of a template's record
        if record is None:
            body = self.block(self.field(raw, "body"))
            made = t.Function(self.at(raw), name, result, params, body, gives_place=gives_place)
            if raw.child_by_field_name("type") is None:
                self.program.untyped.append(made)
            return made
        body = self.block(self.field(raw, "body"))
        if name.startswith("~") and body.body:
            raise NotSupported(raw, f"`{self.shown(raw)}`")
        whole_name = f"{record.name}::{name}"
        if self.text(raw).startswith("static") or whole_name in self.static_methods:
            return t.Function(self.at(raw), whole_name, result, params, body, gives_place=gives_place)
        begun = [
            s for child in self.named(raw) if child.type == "field_initializer_list" for s in self._begun(child, record)
        ]
        if name == record.name and record.base and not any(_is_made_from(s, record.base) for s in begun):
            maker = f"{record.base.name}::{record.base.name}"
            begun = [t.Do(body.at, t.Call(body.at, maker, ()))] * bool(self.program.named(maker)) + begun
        body = t.Block(body.at, (*begun, *body.body))
        this = t.Param("this", Pointer(record))
        return t.Function(self.at(raw), whole_name, result, (this, *params), body, gives_place=gives_place)

    def _begun(self, raw: Raw, record: Struct) -> list[t.Stmt]:
        """`: Pin(p), on(false)` in front of a constructor's body; a record it is made from is made by its own constructor."""
        out: list[t.Stmt] = []
        base = record.base
        for child in self.named(raw):
            name, *values = self.named(child)
            given = self.named(values[0]) if values else []
            if base is not None and self.text(name).partition("<")[0] == base.name.partition("<")[0]:
                maker = t.Call(self.at(child), f"{base.name}::{base.name}", tuple(self.expr(one) for one in given))
                out.append(t.Do(self.at(child), maker))
                continue
            if len(given) != 1:
                raise NotSupported(child, f"`{self.shown(child)}`")
            at = self.at(child)
            target = t.Field(at, t.Name(at, "this"), self.text(name), arrow=True)
            out.append(t.Do(at, t.Assign(at, "=", target, self.expr(given[0]))))
        return out

    def lambda_(self, raw: Raw) -> t.Expr:
        """A function without a name. What it takes of its surroundings it takes all by `&` or all by `=`."""
        at, declarator = self.at(raw), raw.child_by_field_name("declarator")
        taken = [self.text(child) for child in self.named(self.field(raw, "captures"))]
        taken += [self.text(child) for child in self.field(raw, "captures").children if child.type in ("=", "&")]
        by = {"&" if one.startswith("&") else "=" for one in taken if one != "this"}
        if len(by) > 1:
            raise NotSupported(raw, f"`{self.shown(raw)}`, by `&` and by `=`,")
        parameters = declarator.child_by_field_name("parameters") if declarator is not None else None
        params = tuple(self._param(p) for p in self.named(parameters)) if parameters is not None else ()
        result: Type = AUTO
        for child in self.named(declarator) if declarator is not None else ():
            if child.type == "trailing_return_type":
                result = self.described(self.named(child)[0])
        body = self.block(self.field(raw, "body"))
        name = f"function in line {at.line}, column {at.column}"
        return t.InlineFunction(at, t.Function(at, name, result, params, body), by.pop() if by else "")

    def _param(self, raw: Raw) -> t.Param:
        if raw.type not in ("parameter_declaration", "optional_parameter_declaration"):
            raise NotSupported(raw, f"`{self.shown(raw)}` as a parameter")
        kind = self.base_type(raw)
        constant = "const" in [self.text(child) for child in raw.children]
        declarator = raw.child_by_field_name("declarator")
        default = raw.child_by_field_name("default_value")
        value = self.expr(default) if default is not None else None
        if declarator is None:
            return t.Param("", kind, False, value)
        one = self.declared(declarator)
        kind = kind if one.takes is None else Routine(one.takes, kind)
        for _ in range(one.pointers):
            kind = Pointer(kind, constant)
        for length in reversed(one.lengths[1:]):
            kind = Array(kind, self.length(length, None, raw))
        if one.lengths:
            kind = decayed(Array(kind, 1, constant))
        # What is constant cannot be changed through the name, so it may as well be a copy.
        return t.Param(one.name, kind, one.reference and not constant, value)


def _is_made_from(statement: t.Stmt, base: Struct) -> bool:
    """Whether a statement in front of a constructor's body makes the record it is made from."""
    call = statement.expr if isinstance(statement, t.Do) else None
    return isinstance(call, t.Call) and call.name == f"{base.name}::{base.name}"
