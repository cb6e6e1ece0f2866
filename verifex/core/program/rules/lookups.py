"""Questions that several rules ask of a program's tree."""

from collections.abc import Iterator

from verifex.core.program import tree as t
from verifex.core.program.rules.view import ProgramView
from verifex.core.program.types import CHAR, FLOAT, Array, Int, Pointer

COMPARES = ("==", "!=", "<", ">", "<=", ">=")


def names_in(node: t.Node | None) -> set[str]:
    return {n.name for n in t.walk(node) if isinstance(n, t.Name)} if node is not None else set()


def changed_name(node: t.Node) -> str | None:
    """The plain name that an assignment or a step changes."""
    return node.target.name if isinstance(node, t.Assign | t.Step) and isinstance(node.target, t.Name) else None


def sequences(view: ProgramView) -> Iterator[tuple[t.Stmt, ...]]:
    """Statements that follow each other: of each block, and of each case of a switch."""
    for node in view.nodes:
        if isinstance(node, t.Block | t.Case):
            yield node.body


def is_float(view: ProgramView, name: str) -> bool:
    return view.kinds.get(name) == {FLOAT}


def is_unsigned(view: ProgramView, name: str) -> bool:
    kinds = view.kinds.get(name, set())
    return bool(kinds) and all(isinstance(kind, Int) and not kind.signed for kind in kinds)


def is_chars(view: ProgramView, name: str) -> bool:
    """A list of characters, or a pointer to them that may be written through."""
    kinds = view.kinds.get(name, set())
    return bool(kinds) and all(isinstance(kind, Array | Pointer) and kind.of == CHAR for kind in kinds)


def handlers(view: ProgramView) -> list[t.Function]:
    """Functions that an interrupt calls."""
    named = {arg.name for call in view.calls("attachInterrupt") for arg in call.args[1:2] if isinstance(arg, t.Name)}
    return [function for name in sorted(named) for _, function in view.tree.named(name)]


def called_from(view: ProgramView, start: t.Function) -> list[t.Function]:
    """A function and those of the program that it calls, at once or further on."""
    found, ahead = [start], [start]
    while ahead:
        called = {n.name for n in t.walk(ahead.pop().body) if isinstance(n, t.Call) and n.receiver is None}
        for name in sorted(called):
            for _, function in view.tree.named(name):
                if all(function is not known for known in found):
                    found.append(function)
                    ahead.append(function)
    return found


def always_returns(statement: t.Stmt) -> bool:
    """Whether a statement never lets what stands behind it be come to."""
    match statement:
        case t.Return():
            return True
        case t.Block():
            return any(always_returns(one) for one in statement.body)
        case t.If(no=no):
            return no is not None and always_returns(statement.yes) and always_returns(no)
        case t.Switch(cases=cases):
            whole = any(case.value is None for case in cases)
            return (
                whole
                and bool(cases)
                and any(always_returns(one) for one in cases[-1].body)
                and all(not case.body or any(always_returns(one) for one in case.body) for case in cases)
            )
        case t.While(condition=condition, body=body):
            forever = (isinstance(condition, t.Number) and condition.value != 0) or (
                isinstance(condition, t.Name) and condition.name == "true"
            )
            return (forever and not _leaves(body)) or (statement.at_end and always_returns(body))
        case t.For(condition=None, body=body):
            return not _leaves(body)
    return False


def _leaves(body: t.Node) -> bool:
    """Whether a loop's body has a `break` of its own."""
    loops = (t.While, t.For, t.ForEach, t.Switch)
    return any(
        isinstance(child, t.Break) or (not isinstance(child, loops) and _leaves(child)) for child in t.children(body)
    )
