"""Statements as closures: blocks, branches, loops, switches, declarations, functions."""

from typing import Any

from verifex.core.parts import Board
from verifex.core.program import tree as t
from verifex.core.program.clocks import CPP_CLOCKS, times_of_pass
from verifex.core.program.compiler.loops import BREAK, CONTINUE, RETURN, Loops
from verifex.core.program.compiler.names import Action, Frame, Scope, Value
from verifex.core.program.devices import Device
from verifex.core.program.machine import Machine
from verifex.core.program.types import VOID, Array, Int, Object, Struct, Type, is_chars, size_of
from verifex.core.program.values import chars_made


class Statements(Loops):
    """Everything that may stand in a block."""

    def __init__(self, program: t.Program, board: Board) -> None:
        super().__init__(program, board)
        self.bodies = {}
        self.bytes_kept = 0  # by variables that last as long as the program
        self.result: Type = VOID

    def _function(self, key: str, function: t.Function) -> None:
        outer, self.scope = self.scope, Scope(self.scope)
        self.slots = self.most_slots = 0
        self.result = function.result
        self.clocks = {} if self.program.named("millis") else CPP_CLOCKS | times_of_pass(function)
        self.owner = self.program.records.get(function.name.split("::")[0]) if "::" in function.name else None
        for param in function.params:
            variable = self._new_variable(param.name, param.type, function.at, is_global=False, constant=False)
            variable.used, variable.reference = True, param.reference
        action = self._block(function.body)
        self.bodies[key] = (action, self.most_slots)
        self.scope, self.owner = outer, None

    def _block(self, block: t.Block) -> Action:
        outer, self.scope, slots = self.scope, Scope(self.scope), self.slots
        action = self._sequence(block.body)
        self.scope, self.slots = outer, slots
        return action

    def _sequence(self, body: tuple[t.Stmt, ...]) -> Action:
        actions = [self._statement(statement) for statement in body]
        if len(actions) == 1:
            return actions[0]

        def run(frame: Frame) -> object:
            for action in actions:
                signal = action(frame)
                if signal is not None:
                    return signal
            return None

        return run

    def _statement(self, node: t.Stmt) -> Action:
        match node:
            case t.Declare():
                return self._declare(node)
            case t.Do():
                effect, _ = self._expr(node.expr)

                def do(frame: Frame) -> object:
                    effect(frame)
                    return None

                return do
            case t.Block():
                return self._block(node)
            case t.If():
                return self._if(node)
            case t.While():
                return self._loop(None, node.condition, None, node.body, node.at, at_end=node.at_end)
            case t.For():
                outer, self.scope, slots = self.scope, Scope(self.scope), self.slots
                # The names of the head live in the loop's own scope, not in the block around their declaration.
                head = (
                    self._sequence(node.start.body)
                    if isinstance(node.start, t.Block)
                    else self._statement(node.start)
                    if node.start
                    else None
                )
                action = self._loop(head, node.condition, node.step, node.body, node.at)
                self.scope, self.slots = outer, slots
                return action
            case t.ForEach():
                return self._for_each(node)
            case t.Switch():
                return self._switch(node)
            case t.Break():
                if not self.inside_loops and not self.inside_switches:
                    self._refuse("misplaced", node.at, "break")
                return lambda frame: BREAK
            case t.Continue():
                if not self.inside_loops:
                    self._refuse("misplaced", node.at, "continue")
                return lambda frame: CONTINUE
            case t.Return():
                return self._return(node)
        raise TypeError(node)

    def _declare(self, node: t.Declare) -> Action:
        at_top = self.scope.outer is None
        is_global = at_top or node.static
        if node.constant and node.value is None and isinstance(node.type, Int):
            self._refuse("wrong-types", node.at, f"`{node.name}` is constant and is given no value")
        self.bytes_kept += size_of(node.type) if is_global else 0
        # A name is known from its declarator on, so also where its own value is worked out.
        variable = self._new_variable(node.name, node.type, node.at, is_global=is_global, constant=node.constant)
        make = self._reference(node) if node.reference else self._filled(node.type, node.value)
        variable.reference = node.reference
        index = variable.index
        if f"={node.name}" in self.clocks:
            holder = self.machine

            def hold_time(frame: Frame) -> object:
                frame[index] = make(frame)
                holder[0].time_asked -= 1  # where it is compared, that says when it comes out otherwise
                return None

            return hold_time
        if not is_global:

            def declare(frame: Frame) -> object:
                frame[index] = make(frame)
                return None

            return declare
        target = self.globals
        once: dict[int, Machine] = {}

        def declare_global(frame: Frame) -> object:
            # A static local is filled the first time it is passed in each run.
            if at_top or once.get(0) is not self.machine[0]:
                once[0] = self.machine[0]
                target[index] = make(frame)
            return None

        return declare_global

    def _reference(self, node: t.Declare) -> Value:
        """What another name stands for."""
        place = self._place(node.value) if node.value is not None else None
        if place is None:
            self._refuse("wrong-types", node.at, f"{node.name} is to be another name for a variable; none is given")
            return lambda frame: None
        return self._where(place)

    def _filled(self, kind: Type, node: t.Expr | None) -> Value:
        """A new value of a type, filled from what is given: lists for arrays and records, a text for characters."""
        if isinstance(kind, Object):
            return self._made(kind, node)
        if (
            isinstance(kind, Struct)
            and self._methods(kind, kind.name)
            and not isinstance(node, t.Call | t.Name | t.Index | t.Unary)
        ):
            given = node.items if isinstance(node, t.Items) else (node,) if node is not None else ()
            return self._built(kind, t.Call(node.at if node is not None else t.At(0, 0), kind.name, given))[0]
        blank = self._fresh(kind)
        if node is None:
            return self._each_built(kind) if isinstance(kind, Array) else blank
        if isinstance(kind, Array) and isinstance(node, t.Text) and is_chars(kind):
            text, length = node.value, kind.length
            return lambda frame: chars_made(text, length)
        if isinstance(node, t.Items) and isinstance(kind, Array | Struct):
            owns = [kind.of] * kind.length if isinstance(kind, Array) else [own for _, own in kind.fields]
            if len(node.items) > len(owns):
                self._refuse("wrong-types", node.at, f"{len(node.items)} values for {len(owns)} places")
            parts = [self._filled(own, item) for own, item in zip(owns, node.items, strict=False)]

            def fill(frame: Frame) -> Any:
                made = blank(frame)
                for position, part in enumerate(parts):
                    made[position] = part(frame)
                return made

            return fill
        if isinstance(kind, Array):
            self._refuse("wrong-types", node.at, "an array is filled with a list in braces")
            return blank
        return self._as(node, kind)

    def _each_built(self, kind: Array) -> Value:
        """An array whose records have each begun as records of their kind do."""
        if not isinstance(kind.of, Struct):
            return self._fresh(kind)
        one, length = self._filled(kind.of, None), kind.length
        return lambda frame: [one(frame) for _ in range(length)]

    def _made(self, kind: Object, node: t.Expr | None) -> Value:
        """A library's object, made with its values where its declaration is come to."""
        args = [self._expr(arg)[0] for arg in (node.items if isinstance(node, t.Items) else ())]
        declared = self.program.declared.get(kind.class_name)
        if declared and declared.values is not None and len(args) != declared.values:
            at = node.at if node is not None else t.At(1, 1)
            self._refuse("call-arguments", at, f"{kind} is made with {declared.values} values, {len(args)} are given")
        return lambda frame: Device(kind.class_name, "", [arg(frame) for arg in args])

    def _if(self, node: t.If) -> Action:
        condition = self._truth(node.condition)
        yes = self._statement(node.yes)
        no = self._statement(node.no) if node.no else None

        def run(frame: Frame) -> object:
            if condition(frame):
                return yes(frame)
            return no(frame) if no else None

        return run

    def _return(self, node: t.Return) -> Action:
        value = self._as(node.value, self.result) if node.value is not None and self.result != VOID else None
        holder = self.machine

        def run(frame: Frame) -> object:
            holder[0].returned = value(frame) if value else 0
            return RETURN

        return run
