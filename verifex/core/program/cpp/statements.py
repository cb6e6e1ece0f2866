"""Statements of the C++ dialect."""

from tree_sitter import Node as Raw

from verifex.core.program import tree as t
from verifex.core.program.cpp.base import DIRECTIVES, NotSupported
from verifex.core.program.cpp.conditions import CONDITIONALS
from verifex.core.program.cpp.declarations import RECORDS
from verifex.core.program.cpp.grammar import SPAN
from verifex.core.program.cpp.records import Records


class Statements(Records):
    def block(self, raw: Raw) -> t.Block:
        return t.Block(self.at(raw), tuple(self.statements(raw.named_children)))

    def statements(self, raws: list[Raw]) -> list[t.Stmt]:
        body: list[t.Stmt] = []
        for raw in raws:
            if raw.type in CONDITIONALS:
                self.guard(raw, lambda r: body.extend(self.statements(self.left_in(r))))
            elif raw.type in DIRECTIVES:
                self.guard(raw, self.directive)
            elif raw.type != "comment":
                self.guard(raw, lambda r: body.extend(self.statement(r)))
        return body

    def one(self, raw: Raw) -> t.Stmt:
        """A statement where the grammar wants exactly one."""
        if raw.type == "compound_statement":
            return self.block(raw)
        empty = raw.type == "expression_statement" and not self.named(raw)
        return t.Block(self.at(raw), tuple(self.statements([raw])), empty)

    def statement(self, raw: Raw) -> list[t.Stmt]:
        at = self.at(raw)
        match raw.type:
            case "declaration":
                return list(self.declarations(raw))
            case kind if kind in RECORDS:
                self.record(raw)
                return []
            case "expression_statement" if self._is_empty_macro(raw):
                return []
            case "expression_statement" if (table := self.table_of_functions(raw)) is not None:
                return [table]
            case "expression_statement":
                inner = self.named(raw)
                return [t.Do(at, self.expr(inner[0]))] if inner else []
            case "expression_statement" if self.named(raw) and self.named(raw)[0].type == "gnu_asm_expression":
                return []  # instructions of the processor itself: ours has none
            case "compound_statement":
                return [self.block(raw)]
            case "if_statement":
                other = raw.child_by_field_name("alternative")
                no = self.one(self.named(other)[-1]) if other is not None else None
                return [t.If(at, self.condition(raw), self.one(self.field(raw, "consequence")), no)]
            case "while_statement":
                return [t.While(at, self.condition(raw), self.one(self.field(raw, "body")))]
            case "do_statement":
                body = self.one(self.field(raw, "body"))
                return [t.While(at, self.expr(self.field(raw, "condition")), body, at_end=True)]
            case "for_statement":
                return [self._for(raw)]
            case "for_range_loop":
                return [self._for_each(raw)]
            case "switch_statement":
                return [self._switch(raw)]
            case "break_statement":
                return [t.Break(at)]
            case "continue_statement":
                return [t.Continue(at)]
            case "return_statement":
                inner = self.named(raw)
                return [t.Return(at, self.expr(inner[0]) if inner else None)]
        raise NotSupported(raw, f"this {raw.type.replace('_', ' ')}")

    def _is_empty_macro(self, raw: Raw) -> bool:
        """Whether a statement is a macro that is defined as nothing, as those are that print only while one looks for a mistake."""
        inner = self.named(raw)
        if len(inner) != 1:
            return False
        if inner[0].type == "identifier":
            return self.macros.get(self.text(inner[0])) == ""
        if inner[0].type != "call_expression":
            return False
        return self.macro_functions.get(self.text(inner[0].child_by_field_name("function")), ([], "x"))[1] == ""

    def condition(self, raw: Raw) -> t.Expr:
        clause = self.field(raw, "condition")
        value = clause.child_by_field_name("value") or clause
        return self.expr(value)

    def _for(self, raw: Raw) -> t.For:
        start = raw.child_by_field_name("initializer")
        first: t.Stmt | None = None
        if start is not None:
            declares = start.type == "declaration"
            first = (
                t.Block(self.at(start), tuple(self.declarations(start)))
                if declares
                else t.Do(self.at(start), self.expr(start))
            )
        condition, step = raw.child_by_field_name("condition"), raw.child_by_field_name("update")
        return t.For(
            self.at(raw),
            first,
            self.expr(condition) if condition is not None else None,
            self.expr(step) if step is not None else None,
            self.one(self.field(raw, "body")),
        )

    def _for_each(self, raw: Raw) -> t.ForEach:
        kind, one = self.item_type(raw), self.declared(self.field(raw, "declarator"))
        constant = "const" in [self.text(child) for child in raw.children]
        whole = self.whole_type(kind, one, None, raw, constant=constant)
        item = t.Declare(self.at(one.raw), one.name, whole, None, constant, False, one.reference)
        return t.ForEach(self.at(raw), item, self.expr(self.field(raw, "right")), self.one(self.field(raw, "body")))

    def _switch(self, raw: Raw) -> t.Switch:
        cases = []
        for case in self.named(self.field(raw, "body")):
            if case.type != "case_statement":
                raise NotSupported(case, "a statement before the first case")
            value = case.child_by_field_name("value")
            rest = [c for c in case.named_children if value is None or c.id != value.id]
            label = self.expr(value) if value is not None else None
            last: t.Expr | None = None
            match label:
                case t.Binary(op=op, left=low, right=high) if op == SPAN:
                    label, last = low, high
            cases.append(t.Case(self.at(case), label, tuple(self.statements(rest)), last))
        return t.Switch(self.at(raw), self.condition(raw), tuple(cases))
