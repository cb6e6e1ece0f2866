"""Variables: read too early, hidden, shared with an interrupt, added to without an end."""

from collections.abc import Iterator, Sequence

from verifex.core.findings import Finding, Severity
from verifex.core.program import tree as t
from verifex.core.program.calls import CALLS
from verifex.core.program.rules.book import PROGRAM
from verifex.core.program.rules.lookups import called_from, changed_name, handlers, names_in
from verifex.core.program.rules.view import ProgramView
from verifex.core.program.types import FLOAT, TEXT, Int
from verifex.core.rulebook import RUN_CONSEQUENCES, FindingFactory


@PROGRAM.rule(
    "read-before-set",
    Severity.FIX,
    title="A variable is used before it has a value",
    why="A variable inside a function begins with whatever lay in memory there; the twin begins with 0, the board does not.",
    hint="Which value does this name have when it is used for the first time?",
    criterion="program",
    source="the language: variables of a function are not cleared",
)
def read_before_set(view: ProgramView, finding: FindingFactory) -> Iterator[Finding]:
    if view.is_python or not view.compiles:
        return
    for function in view.tree.functions.values():
        items = {id(n.item) for n in t.walk(function.body) if isinstance(n, t.ForEach)}
        declared = [
            n for n in t.walk(function.body)
            if isinstance(n, t.Declare) and n.value is None and not n.static and id(n) not in items and (isinstance(n.type, Int) or n.type == FLOAT)
        ]  # fmt: skip
        given = {changed_name(n) for n in t.walk(function.body) if isinstance(n, t.Assign) and n.op == "="}
        for variable in declared:
            first = next(_uses(view, function.body, variable), None)
            if first is not None and first[0] == "maybe" and variable.name not in given:
                first = ("read", first[1])
            if first is not None and first[0] == "read":
                yield finding(
                    f"`{variable.name}` is used in line {first[1].line} and has been given no value by then.",
                    f"Begin it with one: `{variable.name} = 0;`.",
                    at=first[1],
                )


def _uses(view: ProgramView, body: t.Node, variable: t.Declare) -> Iterator[tuple[str, t.At]]:
    """How a variable is used from its declaration on, in the order it happens: read, maybe read (in a branch), set, or handed on
    so that it may be set."""
    seen = False
    for what, node in _in_order(view, body):
        if node is variable:
            seen = True
        elif seen and isinstance(node, t.Declare) and node.name == variable.name:
            return  # another one of the name
        elif seen and isinstance(node, t.Name) and node.name == variable.name:
            yield what, node.at


def _in_order(view: ProgramView, node: t.Node) -> Iterator[tuple[str, t.Node]]:
    """Nodes in the order they are come to; the target of `=` behind its value, as `set`."""
    match node:
        case t.Assign(op="=", target=t.Name() as target, value=value):
            yield from _in_order(view, value)
            yield "set", target
            return
        case t.Unary(op="&", operand=t.Name() as name):
            yield "handed", name
            return
        case t.SizeOf():
            return
        case t.Call():
            plain = CALLS.get(f"{node.receiver}.{node.name}" if node.receiver else node.name)
            for arg in node.args:
                if isinstance(arg, t.Name) and (plain is None or {"place", "where"} & set(plain.takes)):
                    yield "handed", arg
                else:
                    yield from _in_order(view, arg)
            if node.on is not None:
                yield from _in_order(view, node.on)
            return
        case t.If() | t.While() | t.For() | t.Switch() | t.ForEach():
            # What is read in a branch may have been set in an earlier turn of a loop around it.
            yield "read", node
            body_first = [node.body, node.condition] if isinstance(node, t.While) and node.at_end else None
            for child in body_first or t.children(node):
                for what, inner in _in_order(view, child):
                    inside = child is not getattr(node, "condition", None) and what == "read"
                    yield (
                        ("maybe" if inside and isinstance(inner, t.Name) and not _certain(node, child) else what),
                        inner,
                    )
            return
    yield "read", node
    for child in t.children(node):
        yield from _in_order(view, child)


def _certain(node: t.Node, child: t.Node) -> bool:
    """Whether a child of a branch or loop is come to whenever the node is: its head, or a body that runs at the first turn."""
    return (
        isinstance(node, t.For | t.ForEach)
        or (isinstance(node, t.While) and node.at_end)
        or (isinstance(node, t.Switch) and child is node.value)
    )


@PROGRAM.rule(
    "hides-global",
    Severity.CHECK,
    title="A new variable hides one of the same name",
    why="With a type in front a new variable is made; the one above keeps the value it began with, and others read that.",
    hint="How many variables of this name are there, and which one does each line use?",
    criterion="program",
    source="the language: the innermost name counts",
    explains=RUN_CONSEQUENCES,
)
def hides_global(view: ProgramView, finding: FindingFactory) -> Iterator[Finding]:
    if view.is_python:
        return
    changed = _changed_globals(view)
    for top in view.tree.globals:
        if top.constant or top.name in changed or not _begins_empty(view, top):
            continue
        inner = [
            (function, node)
            for function in view.tree.functions.values()
            for node in t.walk(function.body)
            if isinstance(node, t.Declare) and node.name == top.name and not node.constant and node.value is not None
        ]
        elsewhere = [
            function.name
            for function in view.tree.functions.values()
            if all(function is not other for other, _ in inner)
            and top.name in names_in(function.body)
            and top.name not in {p.name for p in function.params}
        ]
        if inner and elsewhere:
            node = inner[0][1]
            yield finding(
                f"Line {node.at.line} makes a new `{top.name}`; the one of line {top.at.line}, which {elsewhere[0]}() reads, never changes.",
                f"Leave out the type: `{top.name} = …;`.",
                at=node.at,
            )


def _begins_empty(view: ProgramView, top: t.Declare) -> bool:
    """Whether a global has to be set before it is of use. One that begins with a value of its own may be a setting."""
    return top.value is None or view.known_number(top.value) == 0


def _changed_globals(view: ProgramView) -> set[str]:
    """Globals that something changes, or may: those that are handed on by their place too."""
    found: set[str] = set()
    for function in view.tree.functions.values():
        own = {n.name for n in t.walk(function.body) if isinstance(n, t.Declare)} | {p.name for p in function.params}
        for node in t.walk(function.body):
            name = changed_name(node)
            if name and name not in own:
                found.add(name)
            if isinstance(node, t.Unary) and node.op == "&" and isinstance(node.operand, t.Name):
                found.add(node.operand.name)
            if isinstance(node, t.Call) and view.tree.named(node.name):
                taken = [p.reference for _, f in view.tree.named(node.name) for p in f.params]
                found |= {arg.name for arg in node.args if isinstance(arg, t.Name)} if any(taken) else set()
    return found


@PROGRAM.rule(
    "loop-variable-reused",
    Severity.FIX,
    title="Two loops, one inside the other, count with the same variable",
    why="The inner loop moves the outer one's count: it ends early, or never.",
    hint="Which values does the outer loop's count take while the inner loop runs?",
    criterion="program",
    source="the language: there is one variable of that name",
    explains=("run-ended", *RUN_CONSEQUENCES),
)
def loop_variable_reused(view: ProgramView, finding: FindingFactory) -> Iterator[Finding]:
    for outer in view.nodes:
        count = changed_name(outer.step) if isinstance(outer, t.For) and outer.step is not None else None
        if count is None or not isinstance(outer, t.For):
            continue
        for inner in t.walk(outer.body):
            begins = inner.start if isinstance(inner, t.For) else None
            if isinstance(begins, t.Do) and changed_name(begins.expr) == count:
                yield finding(
                    f"The loop in line {inner.at.line} counts with `{count}`, as the one around it in line {outer.at.line} does.",
                    "Give the inner loop a variable of its own.",
                    at=inner.at,
                )


@PROGRAM.rule(
    "not-volatile",
    Severity.CHECK,
    title="An interrupt changes a variable that is not volatile",
    why="The compiler may keep the variable's old value in a register, so that the loop never sees the change.",
    hint="Who changes this variable, and does the loop know that it can change behind its back?",
    criterion="program",
    source="the language: `volatile`",
)
def not_volatile(view: ProgramView, finding: FindingFactory) -> Iterator[Finding]:
    if view.is_python:
        return
    called = [f for handler in handlers(view) for f in called_from(view, handler)]
    outside = [f for f in view.tree.functions.values() if all(f is not one for one in called)]
    for top in view.tree.globals:
        if top.volatile or top.constant:
            continue
        inside = any(changed_name(n) == top.name for f in called for n in t.walk(f.body))
        if inside and any(top.name in names_in(f.body) for f in outside):
            yield finding(
                f"`{top.name}` is changed in an interrupt and read outside it, and is not declared `volatile`.",
                f"Write `volatile` in front of its declaration in line {top.at.line}.",
                at=top.at,
            )


@PROGRAM.rule(
    "sum-never-cleared",
    Severity.CHECK,
    title="A sum that is never cleared",
    why="Each round adds to what the round before left, so the average grows and grows.",
    hint="Which value does the sum have when the next round begins?",
    criterion="program",
    source="every assignment to the name",
    explains=RUN_CONSEQUENCES,
)
def sum_never_cleared(view: ProgramView, finding: FindingFactory) -> Iterator[Finding]:
    lasting = list(view.tree.globals) + [n for n in view.nodes if isinstance(n, t.Declare) and n.static]
    for variable in lasting:
        name = variable.name
        changes = [n for n in view.nodes if isinstance(n, t.Assign) and changed_name(n) == name]
        adds = [n for n in changes if _adds(n, name) and _is_read(view, n.value)]
        if (
            not adds
            or len(adds) != len(changes)
            or any(changed_name(n) == name for n in view.nodes if isinstance(n, t.Step))
        ):
            continue
        averages = [
            n for n in view.nodes
            if isinstance(n, t.Binary) and n.op == "/" and name in names_in(n.left) and (view.known_number(n.right) or 0) > 1
        ]  # fmt: skip
        if averages:
            yield finding(
                f"`{name}` is added to in line {adds[0].at.line} and never set back to 0, but divided in line {averages[0].at.line}.",
                f"Write `{name} = 0;` before each round.",
                at=adds[0].at,
            )


READS = ("analogRead", "pulseIn", "digitalRead")


def _is_read(view: ProgramView, node: t.Expr) -> bool:
    """Whether something was read from a pin, at once or by way of a name: a count of turns or of time may well only grow."""
    names = names_in(node)
    given = [n.value for n in view.nodes if isinstance(n, t.Declare) and n.name in names and n.value is not None]
    given += [n.value for n in view.nodes if isinstance(n, t.Assign) and names & names_in(n.target)]
    return any(isinstance(n, t.Call) and n.name in READS for value in (node, *given) for n in t.walk(value))


def _adds(node: t.Assign, name: str) -> bool:
    """`sum += x`, or `sum = sum + x`; what takes away as well keeps a sum of the last few."""
    if node.op == "+=":
        return name not in names_in(node.value)
    whole = node.value
    return (
        node.op == "="
        and isinstance(whole, t.Binary)
        and whole.op == "+"
        and name in names_in(whole)
        and not any(isinstance(n, t.Binary) and n.op in ("-", "*", "/") for n in t.walk(whole))
    )


@PROGRAM.rule(
    "average-of-another-count",
    Severity.CHECK,
    title="An average over another number than was added up",
    why="The sum of so many readings is divided by another number, so every value is off by the same share.",
    hint="How many readings are added up, and by which number is the sum divided?",
    criterion="program",
    source="the loop's turns and the divisor",
    explains=("printed-in-fahrenheit", *RUN_CONSEQUENCES),
)
def average_of_another_count(view: ProgramView, finding: FindingFactory) -> Iterator[Finding]:
    for function in view.tree.functions.values():
        nodes = t.walk(function.body)
        for loop in nodes:
            turns = _turns(view, loop) if isinstance(loop, t.For) else None
            if turns is None or not isinstance(loop, t.For):
                continue
            for add in (n for n in t.walk(loop.body) if isinstance(n, t.Assign) and _adds(n, changed_name(n) or "")):
                name = changed_name(add)
                once = (
                    sum(
                        1 for n in nodes if isinstance(n, t.Assign) and changed_name(n) == name and _adds(n, name or "")
                    )
                    == 1
                )
                shares = _divided(view, nodes, name) if name and once else []
                if any(by == turns for _, by in shares):
                    continue  # the average is there; another share of the sum is something else
                for share, by in shares:
                    if 1 < by < 1000:
                        yield finding(
                            f"{turns:g} values are added up in line {add.at.line} and divided by {by:g} in line {share.at.line}.",
                            f"Divide by {turns:g}, best by one name for both.",
                            at=share.at,
                        )


def _divided(view: ProgramView, nodes: Sequence[t.Node], name: str) -> list[tuple[t.Node, float]]:
    """Where a variable is divided by a known number, and by which."""
    return [
        (n, by)
        for n in nodes
        if isinstance(n, t.Binary) and n.op == "/" and isinstance(n.left, t.Name) and n.left.name == name
        if (by := view.known_number(n.right)) is not None
    ]


def _turns(view: ProgramView, loop: t.For) -> float | None:
    """How often a loop from a known number to a known number goes round, one by one; None where that is not certain."""
    if (
        not isinstance(loop.condition, t.Binary)
        or loop.condition.op not in ("<", "<=")
        or not isinstance(loop.step, t.Step)
    ):
        return None
    first = (
        next((n.value for n in t.walk(loop.start) if isinstance(n, t.Declare | t.Assign)), None) if loop.start else None
    )
    begin = view.known_number(first) if first is not None else None
    end = view.known_number(loop.condition.right)
    leaves = any(isinstance(n, t.Break | t.Continue | t.If) for n in t.walk(loop.body))
    if begin is None or end is None or leaves:
        return None
    return end - begin + (loop.condition.op == "<=")


@PROGRAM.rule(
    "text-grows",
    Severity.CHECK,
    title="A text that grows with every turn",
    why="The text is added to and never emptied; the board's small memory is full after a while, and then anything happens.",
    hint="How long is this text after an hour?",
    criterion="program",
    source="every assignment to the name",
    explains=RUN_CONSEQUENCES,
)
def text_grows(view: ProgramView, finding: FindingFactory) -> Iterator[Finding]:
    if view.is_python:
        return
    for variable in [*view.tree.globals, *(n for n in view.nodes if isinstance(n, t.Declare) and n.static)]:
        name = variable.name
        if variable.type != TEXT or variable.constant:
            continue
        changes = [n for n in view.nodes if isinstance(n, t.Assign) and changed_name(n) == name]
        emptied = any(
            isinstance(n, t.Call) and n.receiver == name and n.name in ("remove", "clear") for n in view.nodes
        )
        if changes and not emptied and all(n.op == "+=" or _adds(n, name) for n in changes):
            in_setup = view.tree.named("setup")
            only_setup = in_setup and all(any(n is c for n in t.walk(in_setup[0][1].body)) for c in changes)
            if not only_setup:
                yield finding(
                    f"`{name}` is added to in line {changes[0].at.line} and never emptied.",
                    f'Empty it when it has been printed: `{name} = "";`.',
                    at=changes[0].at,
                )
