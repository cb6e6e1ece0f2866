"""Records and lists of names of the C++ dialect: fields, methods, bases, shared fields; new names of types."""

from tree_sitter import Node as Raw

from verifex.core.program import tree as t
from verifex.core.program.cpp.base import NotSupported
from verifex.core.program.cpp.declarations import Declarations
from verifex.core.program.types import BOOL, FLOAT, KIND_FIELD, Array, Int, Struct, Type, Union


def _has_bytes(kind: Type) -> bool:
    """Whether a value lies in memory as bytes that another kind can be read from."""
    if isinstance(kind, Array):
        return _has_bytes(kind.of)
    if isinstance(kind, Struct):
        return all(_has_bytes(own) for _, own in kind.fields)
    return isinstance(kind, Int) or kind in (BOOL, FLOAT)


class Records(Declarations):
    def record(self, raw: Raw, whole_name: str = "") -> Struct:
        """A record described in place, or one known by name; one of a template has its values behind its name."""
        named = whole_name or self.text(raw.child_by_field_name("name"))
        body = raw.child_by_field_name("body")
        if body is None:
            known = self.type_names.get(named)
            if isinstance(known, Struct):
                return known
            raise NotSupported(raw, f"`{self.shown(raw)}`")
        base = self._made_from(raw)
        named = named or f"record in line {raw.start_point.row + 1}"
        fields: list[tuple[str, Type]] = list(base.fields) if base else []
        if self._begins_virtual(body) and not (base and base.is_virtual):
            fields.insert(0, (KIND_FIELD, Int(16, True)))
        for (record, name), value in list(self.program.begins.items()):
            if base is not None and record == base.name:
                self.program.begins[(named, name)] = value
        self.begun_records.append(named)
        for child in self.named(body):
            if child.type == "function_definition":
                self._note_virtual(named, child)
                continue
            if child.type in ("access_specifier", "using_declaration", "friend_declaration"):
                continue
            if child.type == "declaration" and self.is_method(child):
                self._note_virtual(named, child)
                continue
            if child.type != "field_declaration":
                raise NotSupported(child, f"`{self.shown(child)}` in a record")
            if self.is_method(child):
                self._note_method(named, child)
                continue
            kind = self.base_type(child)
            if not child.children_by_field_name("declarator") and isinstance(kind, Struct):
                raise NotSupported(child, f"`{self.shown(child)}` without a name in a record")
            if "static" in [self.text(part) for part in child.children]:
                self._static_field(named, kind, child)
                continue
            begins = child.child_by_field_name("default_value")
            for declarator in child.children_by_field_name("declarator"):
                one = self.declared(declarator)
                constant = "const" in self.text(child).split()
                fields.append((one.name, self.whole_type(kind, one, None, child, constant=constant)))
                if begins is not None:
                    self.program.begins[(named, one.name)] = self.expr(begins)
        made = Union(named, tuple(fields)) if raw.type == "union_specifier" else Struct(named, tuple(fields), base)
        if isinstance(made, Union) and not all(_has_bytes(own) for _, own in fields):
            raise NotSupported(raw, f"`{self.shown(raw)}` with other fields than numbers")
        self.type_names[named] = self.program.records[named] = made
        self.methods += [(made, child) for child in self.named(body) if child.type == "function_definition"]
        return made

    def _note_method(self, record: str, raw: Raw) -> None:
        """What the announcement of a method says besides: that it needs no record, that records made from it have their own."""
        self._note_virtual(record, raw)
        if self.text(raw).startswith("static"):
            for declarator in raw.children_by_field_name("declarator"):
                while declarator.type in ("pointer_declarator", "reference_declarator"):
                    declarator = self.named(declarator)[-1]
                self.static_methods.add(f"{record}::{self.text(self.field(declarator, 'declarator'))}")

    def _made_from(self, raw: Raw) -> Struct | None:
        """The record that a record is made from."""
        clause = next((child for child in self.named(raw) if child.type == "base_class_clause"), None)
        if clause is None:
            return None
        bases = [child for child in self.named(clause) if child.type != "access_specifier"]
        base = self.type_named(self.text(bases[0])) if len(bases) == 1 else None
        if base is None and len(bases) == 1 and bases[0].type == "template_type":
            base = self.template_made(bases[0])
        if not isinstance(base, Struct):
            raise NotSupported(clause, f"a record made from `{self.shown(clause)}`")
        return base

    def _begins_virtual(self, body: Raw) -> bool:
        return any(self.text(child).startswith("virtual") for child in self.named(body))

    def _note_virtual(self, record: str, raw: Raw) -> None:
        """That each record made from this one may do a method in its own way."""
        if not self.text(raw).startswith("virtual"):
            return
        for declarator in raw.children_by_field_name("declarator"):
            while declarator.type in ("pointer_declarator", "reference_declarator"):
                declarator = self.named(declarator)[-1]
            self.program.virtual.add((record, self.text(self.field(declarator, "declarator"))))

    def _static_field(self, record: str, kind: Type, raw: Raw) -> None:
        """A field that all records of a kind share: a global under the record's name."""
        words = self.text(raw).split()
        constant, value = "const" in words or "constexpr" in words, raw.child_by_field_name("default_value")
        for declarator in raw.children_by_field_name("declarator"):
            one = self.declared(declarator)
            whole = self.whole_type(kind, one, None, raw, constant=constant)
            begins = self.expr(value) if value is not None else None
            name = f"{record}::{one.name}"
            if begins is None:  # it is defined outside, `int Counter::made = 0;`
                self.members_outside.add(name)
                self.announced.setdefault(name, self.at(one.raw))
                continue
            self.program.listed.add(name)
            self.program.globals.append(t.Declare(self.at(one.raw), name, whole, begins, constant))

    def is_method(self, raw: Raw) -> bool:
        """Whether something in a record is the announcement of a method."""
        found = [d for d in raw.children_by_field_name("declarator") if d.type == "function_declarator"]
        if any(self.field(d, "declarator").type == "parenthesized_declarator" for d in found):
            return False
        return bool(found)

    def list_of_names(self, raw: Raw) -> Type:
        """`enum`: each name is a constant, one more than the one before unless it says."""
        named = self.text(raw.child_by_field_name("name"))
        base = raw.child_by_field_name("base")
        kind = (self.type_named(self.text(base)) if base is not None else None) or self.widths.int
        if named:
            self.type_names[named] = kind
        apart = any(
            self.text(child) in ("class", "struct") for child in raw.children
        )  # known by the list's own name only
        body = raw.child_by_field_name("body")
        following = 0
        for child in self.named(body) if body is not None else []:
            value = child.child_by_field_name("value")
            number = self.known(self.expr(value)) if value is not None else following
            if number is None:
                raise NotSupported(child, f"`{self.shown(child)}`")
            at, name = self.at(child), self.text(self.field(child, "name"))
            if named and not apart:
                self.members[f"{named}::{name}"] = name
            name = f"{named}::{name}" if apart else name
            self.program.listed.add(name)
            self.program.globals.append(t.Declare(at, name, kind, t.Number(at, number, kind), constant=True))
            following = number + 1
        return kind

    def alias(self, raw: Raw) -> None:
        """`using Time = unsigned long;`"""
        self.type_names[self.text(self.field(raw, "name"))] = self.described(self.field(raw, "type"))

    def new_type(self, raw: Raw) -> None:
        """`typedef`."""
        kind = self.base_type(raw)
        one = self.declared(self.field(raw, "declarator"))
        if one.lengths:
            raise NotSupported(raw, f"`{self.shown(raw)}`")
        kind = self.whole_type(kind, one, None, raw, constant="const" in self.text(raw).split())
        self.type_names[one.name] = kind
        if isinstance(kind, Struct):
            self.program.records[one.name] = kind
