"""Statements as closures: blocks, branches, declarations, functions."""

from verifex.core.program import tree as t
from verifex.core.program.compiler.expressions import Expressions
from verifex.core.program.compiler.functions import Functions
from verifex.core.program.compiler.initial import InitialValues
from verifex.core.program.compiler.loops import BREAK, CONTINUE, RETURN, Loops
from verifex.core.program.compiler.names import Action, CompileContext, Frame, Scope, Value, Variable
from verifex.core.program.runtime.clocks import CPP_CLOCKS, times_of_pass
from verifex.core.program.runtime.machine import Machine
from verifex.core.program.types import AUTO, CHAR, VOID, Array, Int, Pointer, Type, decayed, size_of

HEADED = (t.If, t.While, t.For, t.ForEach, t.Switch)  # of these only the head belongs to the line


class Statements:
    """Everything that may stand in a block."""

    def __init__(
        self,
        names: CompileContext,
        expressions: Expressions,
        functions: Functions,
        initial: InitialValues,
        loops: Loops,
    ) -> None:
        self.names, self.expressions, self.functions = names, expressions, functions
        self.initial, self.loops = initial, loops
        self.bytes_kept = 0  # by variables that last as long as the program
        self.result: Type = VOID  # of the function that is compiled
        self.gives_place = False

    def function(self, key: str, function: t.Function) -> None:
        outer, self.names.scope = self.names.scope, Scope(self.names.scope)
        self.names.slots = self.names.most_slots = 0
        self.result, self.gives_place = function.result, function.gives_place
        self.names.clocks = {} if self.names.program.named("millis") else CPP_CLOCKS | times_of_pass(function)
        self.names.owner = (
            self.names.program.records.get(function.name.split("::")[0]) if "::" in function.name else None
        )
        for param in function.params:
            variable = self.names.new_variable(param.name, param.type, function.at, is_global=False, constant=False)
            variable.used, variable.reference = True, param.reference
            if param.default is not None:
                self.functions.default(param)  # what is wrong with it is found whether or not a call needs it
        action = self.block(function.body)
        self.functions.bodies[key] = (action, self.names.most_slots)
        self.names.scope, self.names.owner = outer, None

    def block(self, block: t.Block) -> Action:
        outer, self.names.scope, slots = self.names.scope, Scope(self.names.scope), self.names.slots
        action = self.sequence(block.body)
        self.names.scope, self.names.slots = outer, slots
        return action

    def sequence(self, body: tuple[t.Stmt, ...]) -> Action:
        actions = [self.statement(statement) for statement in body]
        if len(actions) == 1:
            return actions[0]

        def run(frame: Frame) -> object:
            for action in actions:
                signal = action(frame)
                if signal is not None:
                    return signal
            return None

        return run

    def statement(self, node: t.Stmt) -> Action:
        action, watch = self._statement(node), self.names.watch
        if watch is None or node.at.line != watch.line or isinstance(node, t.Block):
            return action
        holder = self.names.machine
        makes = node.name if isinstance(node, t.Declare) and not node.static else ""
        return watch.around(action, self._readers(node), lambda: round(holder[0].now_us / 1000, 3), makes)

    def _readers(self, node: t.Stmt) -> dict[str, Value]:
        """How the single values that a statement itself names are read from a frame."""
        head = getattr(node, "condition", None) or getattr(node, "value", None) if isinstance(node, HEADED) else node
        readers: dict[str, Value] = {}
        for part in t.walk(head) if head is not None else ():
            name = part.name if isinstance(part, t.Name | t.Declare) else ""
            variable = self.names.find(name) if name else None
            if variable is not None and not variable.reference and not variable.constant:
                readers[name] = self._reader(variable)
        return readers

    def _reader(self, variable: Variable) -> Value:
        cells, index = self.names.globals, variable.index
        return (lambda frame: cells[index]) if variable.is_global else (lambda frame: frame[index])

    def _statement(self, node: t.Stmt) -> Action:
        match node:
            case t.Declare():
                return self.declare(node)
            case t.Do():
                effect, _ = self.expressions.value(node.expr)

                def do(frame: Frame) -> object:
                    effect(frame)
                    return None

                return do
            case t.Block():
                return self.block(node)
            case t.If():
                return self._if(node)
            case t.While():
                return self.loops.loop(None, node.condition, None, node.body, node.at, at_end=node.at_end)
            case t.For():
                outer, self.names.scope, slots = self.names.scope, Scope(self.names.scope), self.names.slots
                # The names of the head live in the loop's own scope, not in the block around their declaration.
                head = (
                    self.sequence(node.start.body)
                    if isinstance(node.start, t.Block)
                    else self.statement(node.start)
                    if node.start
                    else None
                )
                action = self.loops.loop(head, node.condition, node.step, node.body, node.at)
                self.names.scope, self.names.slots = outer, slots
                return action
            case t.ForEach():
                return self.loops.for_each(node)
            case t.Switch():
                return self.loops.switch(node)
            case t.Break():
                if not self.loops.inside_loops and not self.loops.inside_switches:
                    self.names.refuse("misplaced", node.at, "break")
                return lambda frame: BREAK
            case t.Continue():
                if not self.loops.inside_loops:
                    self.names.refuse("misplaced", node.at, "continue")
                return lambda frame: CONTINUE
            case t.Return():
                return self._return(node)
        raise TypeError(node)

    def declare(self, node: t.Declare) -> Action:
        at_top = self.names.scope.outer is None
        is_global = at_top or node.static
        if node.type == AUTO:
            node = self.names.typed(node, self._type_of_value(node))
        elif node.constant and node.value is None and isinstance(node.type, Int):
            self.names.refuse("wrong-types", node.at, f"`{node.name}` is constant and is given no value")
        self.bytes_kept += size_of(node.type) if is_global else 0
        # A name is known from its declarator on, so also where its own value is worked out.
        variable = self.names.new_variable(node.name, node.type, node.at, is_global=is_global, constant=node.constant)
        make = self.initial.reference(node) if node.reference else self.initial.filled(node.type, node.value)
        variable.reference = node.reference
        index = variable.index
        if f"={node.name}" in self.names.clocks:
            holder = self.names.machine

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
        target = self.names.globals
        once: dict[int, Machine] = {}

        def declare_global(frame: Frame) -> object:
            # A static local is filled the first time it is passed in each run.
            if at_top or once.get(0) is not self.names.machine[0]:
                once[0] = self.names.machine[0]
                target[index] = make(frame)
            return None

        return declare_global

    def _type_of_value(self, node: t.Declare) -> Type:
        """The type of a variable that is `auto`. A list passes on where it lies, as it does to a function."""
        if node.value is None or isinstance(node.value, t.Items):
            self.names.refuse("wrong-types", node.at, f"`{node.name}` is `auto`, and no single value gives it a type")
            return self.names.widths.int
        if isinstance(node.value, t.Text):
            return Pointer(CHAR, fixed=True)
        kind = self.expressions.type_of(node.value)
        if kind == VOID:
            return self.names.widths.int  # filling it says that nothing is given
        kind = Pointer(kind.of, kind.fixed) if isinstance(kind, Array) and not node.reference else kind
        first = self.names.find(node.beside)
        if first and first.kind != kind:
            differs = f"`{node.name}` is {kind} and `{node.beside}` is {first.kind}"
            self.names.refuse("wrong-types", node.at, f"{differs}: one `auto` stands for one type")
        return kind

    def _if(self, node: t.If) -> Action:
        condition = self.expressions.truth(node.condition)
        yes = self.statement(node.yes)
        no = self.statement(node.no) if node.no else None

        def run(frame: Frame) -> object:
            if condition(frame):
                return yes(frame)
            return no(frame) if no else None

        return run

    def _return(self, node: t.Return) -> Action:
        if self.result == AUTO:  # a function without a name gives what its first return does
            self.result = decayed(self.expressions.type_of(node.value)) if node.value is not None else VOID
        value = self._given_back(node.value) if node.value is not None and self.result != VOID else None
        holder = self.names.machine

        def run(frame: Frame) -> object:
            holder[0].returned = value(frame) if value else 0
            return RETURN

        return run

    def _given_back(self, value: t.Expr) -> Value:
        """What a return gives: a value, or where it lies in a function that gives places."""
        if not self.gives_place:
            return self.expressions.as_type(value, self.result)
        place = self.expressions.places.place_of(value)
        if place is None:
            self.names.refuse(
                "wrong-types", value.at, "the function gives another name for a variable; a plain value is given"
            )
            return lambda frame: None
        if isinstance(value, t.Name) and (variable := self.names.find(value.name)):
            variable.used = True
        return self.expressions.places.address_of(place)
