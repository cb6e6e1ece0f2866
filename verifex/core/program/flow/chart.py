"""The boxes of a chart, as they hang together: sequences, branches and loops."""

from collections.abc import Iterator
from dataclasses import dataclass

from verifex.core.program import tree as t
from verifex.core.program.flow.words import Words

TOGETHER, MOST_TOGETHER = ("step", "show"), 4  # simple statements that share a box


@dataclass(frozen=True, slots=True)
class Box:
    """One box: what it says, and the lines of the program it stands for (from, to).

    Kinds: terminal, step, show (a light, a print), wait, decision, end (the way stops here).
    """

    kind: str
    text: tuple[str, ...]
    lines: tuple[int, int]


@dataclass(frozen=True, slots=True)
class Branch:
    """A decision with what follows either way."""

    question: Box
    yes: tuple["Part", ...]
    no: tuple["Part", ...]


@dataclass(frozen=True, slots=True)
class Loop:
    """What is done again and again while the question holds; `at_end` asks after the body."""

    question: Box
    body: tuple["Part", ...]
    at_end: bool = False


Part = Box | Branch | Loop


@dataclass(frozen=True, slots=True)
class Chart:
    """The chart of one function."""

    name: str
    parts: tuple[Part, ...]


def flow_charts(program: t.Program) -> list[Chart]:
    """A chart for set-up and loop, or for the program from top to bottom, then for every other function."""
    first = [name for name in ("program", "setup", "loop") if name in program.functions]
    order = [*first, *(key for key in program.functions if key not in first)]
    drawing = _Drawing(Words(program.spelled))
    return [drawing.chart(program.functions[key]) for key in order]


class _Drawing:
    def __init__(self, words: Words) -> None:
        self.words = words

    def chart(self, function: t.Function) -> Chart:
        at = function.at.line
        begin = Box("terminal", (_title(function),), (at, at))
        end = Box("terminal", ("again from the top",) if function.name == "loop" else ("done",), (at, at))
        return Chart(function.name, (begin, *self.parts(function.body.body), end))

    def parts(self, body: tuple[t.Stmt, ...]) -> tuple[Part, ...]:
        """The parts of a sequence; simple statements of one kind stand together."""
        found: list[Part] = []
        for part in (part for statement in body for part in self.part(statement)):
            last = found[-1] if found else None
            together = isinstance(part, Box) and isinstance(last, Box) and part.kind == last.kind
            if (
                isinstance(part, Box)
                and isinstance(last, Box)
                and together
                and part.kind in TOGETHER
                and len(last.text) < MOST_TOGETHER
            ):
                found[-1] = Box(part.kind, (*last.text, *part.text), (last.lines[0], part.lines[1]))
            else:
                found.append(part)
        return tuple(found)

    def part(self, node: t.Stmt) -> Iterator[Part]:
        words = self.words
        match node:
            case t.Block():
                yield from self.parts(node.body)
            case t.If():
                yield Branch(
                    _decision(words.condition_text(node.condition), node.at), self.one(node.yes), self.one(node.no)
                )
            case t.While():
                yield Loop(_decision(words.condition_text(node.condition), node.at), self.one(node.body), node.at_end)
                yield from self.one(node.no) if node.no else ()
            case t.For():
                if node.start is not None:
                    yield from self.part(node.start)
                question = words.condition_text(node.condition) if node.condition is not None else "always"
                step = self.parts((t.Do(node.at, node.step),)) if node.step is not None else ()
                yield Loop(_decision(question, node.at), (*self.one(node.body), *step))
            case t.ForEach():
                question = f"a further {node.item.name} in {words.text_of(node.values)}"
                yield Loop(_decision(question, node.at), self.one(node.body))
            case t.ForIn():
                question = f"a further {words.text_of(node.target)} in {words.text_of(node.values)}"
                yield Loop(_decision(question, node.at), self.one(node.body))
                yield from self.one(node.no) if node.no else ()
            case t.Try():
                yield from self.tried(node)
            case t.With():
                yield Box("step", (f"with {words.text_of(node.value)}",), (node.at.line, node.at.line))
                yield from self.parts(node.body.body)
            case t.Define() | t.Class() | t.Import() | t.Outer():
                return  # functions have charts of their own; the others do nothing that is seen
            case t.Switch():
                yield from self.switch(node)
            case _:
                kind, text = words.done(node)
                yield Box(kind, (text,), (node.at.line, node.at.line))

    def tried(self, node: t.Try) -> Iterator[Part]:
        """What is tried, then what is done about each error, then what is done in any case."""
        yield from self.parts(node.body.body)
        for handler in node.handlers:
            kind = self.words.text_of(handler.kind) if handler.kind is not None else "any error"
            asked = "stopped from outside" if kind == "KeyboardInterrupt" else f"{kind} on the way"
            yield Branch(_decision(asked, handler.at), self.parts(handler.body.body), ())
        for block in (node.otherwise, node.at_last):
            if block is not None:
                yield from self.parts(block.body)

    def one(self, node: t.Stmt | None) -> tuple[Part, ...]:
        return () if node is None else self.parts((node,))

    def switch(self, node: t.Switch) -> Iterator[Part]:
        """A switch as one decision after the other; a case without a break runs on into the next."""
        value = self.words.text_of(node.value)
        bodies: list[tuple[t.Case, tuple[t.Stmt, ...]]] = []
        for index, case in enumerate(node.cases):
            body: list[t.Stmt] = []
            for following in node.cases[index:]:
                body += [s for s in following.body if not isinstance(s, t.Break)]
                if any(isinstance(s, t.Break | t.Return) for s in following.body):
                    break
            bodies.append((case, tuple(body)))
        default = next((whole for case, whole in bodies if case.value is None), ())
        chain = self.parts(default)
        for case, whole in reversed(bodies):
            if case.value is not None:
                label = self.words.text_of(case.value)
                span = f"from {label} to {self.words.text_of(case.last)}" if case.last else f"equal to {label}"
                question = _decision(f"{value} {span}", case.at)
                chain = (Branch(question, self.parts(whole), chain),)
        yield from chain


def _title(function: t.Function) -> str:
    if not function.params:
        return function.name
    return f"{function.name} with {', '.join(param.name for param in function.params)}"


def _decision(question: str, at: t.At) -> Box:
    asks = question not in ("always", "never")
    return Box("decision", (f"{question}?" if asks else question,), (at.line, at.line))
