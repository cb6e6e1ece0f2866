"""What every part of the reader has at hand: the text, places, what is not supported yet, names of types."""

import re
from collections.abc import Callable
from typing import Any

from tree_sitter import Node as Raw

from verifex.core.program import tree as t
from verifex.core.program.cpp.conditions import Unclear, left_in
from verifex.core.program.types import Struct, Type, Widths

CONST_WORDS = ("const", "constexpr", "volatile", "static", "register", "inline", "struct", "union", "enum", "PROGMEM")


DIRECTIVES = ("preproc_def", "preproc_function_def", "preproc_call")


class NotSupported(Exception):
    """Something the reader does not know yet, at its place."""

    def __init__(self, raw: Raw, what: str) -> None:
        self.raw, self.what = raw, what


class Base:
    def __init__(self, widths: Widths) -> None:
        self.widths = widths
        self.program = t.Program()
        self.macros: dict[str, str] = {}
        self.macro_functions: dict[str, tuple[list[str], str]] = {}
        self.macro_depth = 0
        self.macros_put_in = 0
        self.shifted: t.At | None = None  # inside a macro's text nodes stand where the macro is used
        self.type_names: dict[str, Type] = {}
        self.announced: dict[str, t.At] = {}  # variables that are `extern` before they are declared, and where
        self.members: dict[str, str] = {}  # of lists of names, `Level::LOW`, the name alone
        self.begun_records: list[str] = []  # records, from their name on
        self.members_outside: set[str] = set()  # static fields that are defined outside their record, as `Record::name`
        self.templates: dict[str, Any] = {}  # records that are described for any type
        self.static_methods: set[str] = set()  # those without a record, as `Record::name`
        self.methods: list[tuple[Struct, Raw]] = []  # of records, still to be read

    def guard(self, raw: Raw, read: Callable[[Raw], None]) -> None:
        try:
            read(raw)
        except NotSupported as wrong:
            self.program.unsupported.append(t.Unsupported(self.at(wrong.raw), wrong.what))

    def directive(self, raw: Raw) -> None:
        """`#define` in either form, and `#undef`; other directives say nothing to the machine."""
        if raw.type == "preproc_call":
            if self.text(raw.child_by_field_name("directive")) == "#undef":
                name = self.text(raw.child_by_field_name("argument")).strip()
                self.macros.pop(name, None)
                self.macro_functions.pop(name, None)
            return
        name = self.text(self.field(raw, "name"))
        if raw.type == "preproc_def":
            self.macros[name] = self._macro_text(raw)
            self.program.macros.add(name)
        else:
            names = [self.text(p) for p in self.named(self.field(raw, "parameters"))]
            self.macro_functions[name] = (names, self._macro_text(raw))

    def _macro_text(self, raw: Raw) -> str:
        text = self.text(raw.child_by_field_name("value")).replace("\\\n", " ")
        return re.split(r"//|/\*", text)[0].strip()

    def left_in(self, raw: Raw) -> list[Raw]:
        """What a conditional leaves in: nothing is defined but what the program defines."""
        try:
            return left_in(raw, self.macros, self.macro_functions)
        except Unclear as wrong:
            raise NotSupported(raw, f"the condition `{wrong}`") from None

    def at(self, raw: Raw) -> t.At:
        return self.shifted or t.At(raw.start_point.row + 1, raw.start_point.column + 1)

    def text(self, raw: Raw | None) -> str:
        return raw.text.decode("utf-8", "replace") if raw is not None and raw.text else ""

    def field(self, raw: Raw, name: str) -> Raw:
        found = raw.child_by_field_name(name)
        if found is None:
            raise NotSupported(raw, f"this {raw.type.replace('_', ' ')}")
        return found

    def named(self, raw: Raw) -> list[Raw]:
        """The named children of a node, comments left out."""
        return [child for child in raw.named_children if child.type != "comment"]

    def type_named(self, words: str) -> Type | None:
        """The type a specifier names: of the language, or one the program made."""
        plain = " ".join(w for w in words.split() if w not in CONST_WORDS)
        return self.widths.named(plain) or self.type_names.get(plain)

    def is_library_class(self, raw: Raw) -> bool:
        """Whether a type can only be one that a library brings."""
        return raw.type in ("type_identifier", "qualified_identifier", "template_type")

    def shown(self, raw: Raw) -> str:
        lines = self.text(raw).splitlines() or [""]
        return lines[0][:40]
