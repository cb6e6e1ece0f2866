"""Templates: records are made for the values in their pointed brackets, functions for what they are called with."""

from dataclasses import dataclass, replace

from tree_sitter import Node as Raw

from verifex.core.program import tree as t
from verifex.core.program.cpp.base import NotSupported
from verifex.core.program.cpp.statements import Statements
from verifex.core.program.types import Open, Struct, Type

MOST_MADE = 64  # records of templates, each made of others


@dataclass(frozen=True, slots=True)
class Template:
    """A record that is described for any type, or number, under these names; `usual` are what they are where none is given."""

    names: tuple[str, ...]
    usual: tuple[Raw | None, ...]
    described: Raw


class Templates(Statements):
    def template(self, raw: Raw) -> None:
        """`template <…>` in front of a record or of a function."""
        names, usual, kinds = [], [], []
        for child in self.named(self.field(raw, "parameters")):
            names.append(self._parameter_name(child))
            usual.append(child.child_by_field_name("default_type") or child.child_by_field_name("default_value"))
            kinds.append("type_parameter" in child.type)
        described = self.named(raw)[-1]
        match described.type:
            case "struct_specifier" | "class_specifier":
                name = self.text(self.field(described, "name"))
                self.templates[name] = Template(tuple(names), tuple(usual), described)
            case "function_definition" if not all(kinds):
                name = self.text(self.field(self.field(described, "declarator"), "declarator"))
                self.templates[name] = Template(tuple(names), tuple(usual), described)
            case "function_definition":
                before = dict(self.type_names)
                self.type_names.update({name: Open(name) for name in names})
                try:
                    self.program.add(replace(self.function(described), open=tuple(names)))
                finally:
                    self.type_names = before
            case _:
                raise NotSupported(raw, f"`{self.shown(raw)}`")

    def _parameter_name(self, raw: Raw) -> str:
        match raw.type:
            case "type_parameter_declaration":
                return self.text(self.named(raw)[0])
            case "optional_type_parameter_declaration":
                return self.text(self.field(raw, "name"))
            case "parameter_declaration" | "optional_parameter_declaration":
                return self.declared(self.field(raw, "declarator")).name
        raise NotSupported(raw, f"`{self.shown(raw)}` of a template")

    def template_called(self, raw: Raw) -> str:
        """The function that a template gives with the values in its pointed brackets, by its name; empty for no template."""
        name = self.text(self.field(raw, "name"))
        found = self.templates.get(name)
        if found is None or found.described.type != "function_definition":
            return ""
        bound = self._bound(raw, found)
        whole = f"{name}<{', '.join(str(one) for one in bound)}>"
        if not self.program.named(whole):
            before = (dict(self.type_names), dict(self.macros))
            self._bind(found, bound)
            try:
                self.program.add(replace(self.function(found.described), name=whole))
            finally:
                self.type_names, self.macros = before
        return whole

    def _bound(self, raw: Raw, found: Template) -> list[Type | int]:
        """What stands in pointed brackets, and what is usual where nothing does."""
        given: list[Raw | None] = [*self.named(self.field(raw, "arguments"))]
        given += list(found.usual[len(given) :])
        if len(given) != len(found.names) or None in given:
            raise NotSupported(raw, f"`{self.shown(raw)}` with {len(given)} of {len(found.names)} values")
        return [self._given(one) for one in given if one is not None]

    def _bind(self, found: Template, bound: list[Type | int]) -> None:
        for own, value in zip(found.names, bound, strict=True):
            if isinstance(value, int):
                self.macros[own] = str(value)
            else:
                self.type_names[own] = value

    def template_made(self, raw: Raw) -> Type | None:
        name = self.text(self.field(raw, "name"))
        found = self.templates.get(name)
        if found is None or found.described.type == "function_definition":
            return None
        bound = self._bound(raw, found)
        whole = f"{name}<{', '.join(str(one) for one in bound)}>"
        known = self.type_names.get(whole)
        if isinstance(known, Struct):
            return known
        if sum("<" in record for record in self.program.records) >= MOST_MADE:
            raise NotSupported(raw, "so many records of templates")
        before = (dict(self.type_names), dict(self.macros), self.methods)
        self.methods = []
        self._bind(found, bound)
        made = self.record(found.described, whole)
        self.type_names[name] = made  # inside it its bare name is its own
        self.read_methods()
        self.type_names, self.macros, self.methods = before
        self.type_names[whole] = made
        return made

    def _given(self, raw: Raw) -> Type | int:
        """A type or a whole number in pointed brackets."""
        if raw.type == "type_descriptor":
            kind = self.field(raw, "type")
            if kind.type == "template_type" and (made := self.template_made(kind)) is not None:
                return made
            word = self.text(raw)
            if word in self.macros or self.type_named(word) is None:  # a constant looks like a type to the grammar
                number = self.known(self.named_expr(kind))
                if number is not None:
                    return number
            return self.described(raw)
        number = self.known(self.expr(raw))
        if number is None:
            raise NotSupported(raw, f"`{self.shown(raw)}` in pointed brackets")
        return number

    def function(self, raw: Raw, record: Struct | None = None) -> t.Function:
        raise NotImplementedError  # read where functions are

    def read_methods(self) -> None:
        raise NotImplementedError  # read where functions are
