"""What a compiler refuses, and what students mean otherwise than the language does."""

from collections.abc import Iterator

from verifex.core.findings import Finding, Severity
from verifex.core.program import tree as t
from verifex.core.program.dialect import TITLES
from verifex.core.program.rules.book import PROGRAM
from verifex.core.program.rules.view import ProgramView
from verifex.core.rulebook import RUN_CONSEQUENCES, FindingFactory


def capital(sentence: str) -> str:
    return sentence[:1].upper() + sentence[1:]


WILL_NOT_COMPILE = "The program is not built until this is mended, so nothing of it reaches the board."


@PROGRAM.rule(
    "syntax",
    Severity.FIX,
    title="Invalid statement",
    why=WILL_NOT_COMPILE,
    hint="Read this line and the one before it aloud, mark by mark.",
    criterion="program",
    source="the grammar of the dialect",
)
def syntax(view: ProgramView, finding: FindingFactory) -> Iterator[Finding]:
    for problem in view.problems if not view.other_language else ():
        said = problem.message[0].upper() + problem.message[1:]
        yield finding(
            f"{said}.",
            "Mend this line; the next ones may then be right as they are.",
            at=problem,
        )


@PROGRAM.rule(
    "other-language",
    Severity.FIX,
    title="Written for another kind of board",
    why="Each board takes its own language; what is written in another does not reach it.",
    hint="Which board is on your bench, and for which one was this program written?",
    criterion="program",
    source="the board's languages",
)
def other_language(view: ProgramView, finding: FindingFactory) -> Iterator[Finding]:
    if view.other_language:
        yield finding(
            f"This reads like {view.other_language}; the {view.board.title} takes {TITLES[view.board.languages[0]]}.",
            "Hand in the program for the board on this bench; if the bench has another board by now, hand in its wiring first.",
            line=1,
            column=1,
        )


@PROGRAM.rule(
    "missing-function",
    Severity.FIX,
    title="setup or loop is missing",
    why=WILL_NOT_COMPILE,
    hint="Every program of this dialect has two functions with fixed names. Are both there?",
    criterion="program",
    source="the dialect",
)
def missing_function(view: ProgramView, finding: FindingFactory) -> Iterator[Finding]:
    for refused in view.compiled.refused:
        if refused.kind == "missing-function" and not view.problems and not view.tree.unsupported:
            yield finding(
                f"There is no function {refused.name}().",
                f"Add `void {refused.name}() {{ … }}`.",
                line=1,
                column=1,
            )


@PROGRAM.rule(
    "name-miscased",
    Severity.FIX,
    title="A name in the wrong case",
    why="Capital and small letters make different names. " + WILL_NOT_COMPILE,
    hint="Compare the letters of this name, large and small, with where it is defined.",
    criterion="program",
    source="the language: names are case-sensitive",
)
def name_miscased(view: ProgramView, finding: FindingFactory) -> Iterator[Finding]:
    for refused in view.compiled.refused:
        if refused.kind == "name-miscased":
            yield finding(
                f"`{refused.name}` is not known; `{refused.near}` is.",
                f"Write `{refused.near}`.",
                at=refused.at,
            )


@PROGRAM.rule(
    "name-undeclared",
    Severity.FIX,
    title="A name that is declared nowhere",
    why=WILL_NOT_COMPILE,
    hint="Where is this name declared? Is it spelt the same there?",
    criterion="program",
    source="the language: names are declared before use",
)
def name_undeclared(view: ProgramView, finding: FindingFactory) -> Iterator[Finding]:
    seen: set[str] = set()
    for refused in view.compiled.refused:
        if refused.kind != "name-undeclared" or refused.name in seen:
            continue
        seen.add(refused.name)
        if refused.near == refused.name:
            yield finding(
                f"`{refused.name}` is used before it is declared.",
                "Move its declaration above this line.",
                at=refused.at,
            )
            continue
        remedy = (
            f"Did you mean `{refused.near}`?"
            if refused.near
            else f"Declare `{refused.name}` above, or mend its spelling."
        )
        yield finding(f"`{refused.name}` is declared nowhere.", remedy, line=refused.at.line, column=refused.at.column)


@PROGRAM.rule(
    "refused-use",
    Severity.FIX,
    title="The compiler does not allow this",
    why=WILL_NOT_COMPILE,
    hint="What is this name, and what may be done with it?",
    criterion="program",
    source="the language",
)
def refused_use(view: ProgramView, finding: FindingFactory) -> Iterator[Finding]:
    words = {
        "not-assignable": "`{}` cannot be given a value here.",
        "declared-twice": "`{}` is declared twice in the same block.",
        "call-arguments": "{}.",
        "no-field": "This record has no field `{}`.",
        "no-method": "{}.",
        "wrong-types": "{}.",
        "without-type": "the function {}() has no type in front of its name; one that gives nothing is `void`.",
        "described-twice": "there are two functions {}(); a program has each of them once.",
        "misplaced": "`{}` stands outside of any loop.",
    }
    for refused in view.compiled.refused:
        if refused.kind in words:
            yield finding(
                capital(words[refused.kind].format(refused.name)),
                f"Write `{refused.near}`." if refused.near else "Look at how it is declared, and use it so.",
                at=refused.at,
            )


@PROGRAM.rule(
    "include-missing",
    Severity.FIX,
    title="A library is used and not included",
    why=WILL_NOT_COMPILE,
    hint="Which library does this word come from, and where does your program say that it uses it?",
    criterion="program",
    source="the language: what a library brings is known from its header on",
)
def include_missing(view: ProgramView, finding: FindingFactory) -> Iterator[Finding]:
    reported: set[str] = set()
    for refused in view.compiled.refused:
        if refused.kind == "include-missing" and refused.name not in reported:
            reported.add(refused.name)
            yield finding(
                f"`{refused.name}` comes from a library, and none is included.",
                f"Write `#include <{refused.near}>` at the top."
                if refused.near
                else "Include the library's header at the top.",
                at=refused.at,
            )


@PROGRAM.rule(
    "memory-full",
    Severity.FIX,
    title="More variables than the board has memory",
    why="What does not fit is refused, or overwrites itself while it runs.",
    hint="How many values do you really need to keep at the same time?",
    criterion="program",
    source="the board's memory, and the bytes of each variable",
)
def memory_full(view: ProgramView, finding: FindingFactory) -> Iterator[Finding]:
    for refused in view.compiled.refused:
        if refused.kind == "memory-full":
            yield finding(
                f"The variables take {refused.name} bytes of memory.",
                "Make the lists shorter, or use a smaller type: byte takes 1, int 2, long and float 4 bytes.",
                at=refused.at,
            )


@PROGRAM.rule(
    "not-supported-yet",
    Severity.CHECK,
    title="Not supported yet",
    why="Our reader does not know this yet, so the program was not run; it is no fault of the pair, and costs nothing.",
    hint="Your instructor looks at this line with you; nothing is wrong with it as far as we know.",
    criterion="program",
    source="our reader",
    unchecked=True,
)
def not_read_yet(view: ProgramView, finding: FindingFactory) -> Iterator[Finding]:
    if view.problems:
        return
    met = [t.Unsupported(run.ended_at or t.At(1, 1), run.ended_with) for run in view.runs if run.ended == "unsupported"]
    for unsupported in [*view.tree.unsupported, *met[:1]]:
        yield finding(
            f"{unsupported.what[0].upper()}{unsupported.what[1:]} is not supported yet.",
            "Judge this place by eye.",
            at=unsupported.at,
        )


@PROGRAM.rule(
    "not-checked",
    Severity.CHECK,
    title="Could not be checked",
    why="Our checker failed here. That is an error of ours, written to the log; it says nothing about the program.",
    hint="This could not be checked because of an error of ours; your instructor looks at it with you.",
    criterion="program",
    source="our reader",
    unchecked=True,
)
def not_checked(view: ProgramView, finding: FindingFactory) -> Iterator[Finding]:
    failed = next((run for run in view.runs if run.ended == "failed"), None)
    if view.failed or failed is not None:
        yield finding(
            "This program could not be checked.", "Judge it by eye.", at=(failed and failed.ended_at) or t.At(1, 1)
        )


@PROGRAM.rule(
    "assignment-in-condition",
    Severity.FIX,
    title="= where == was intended",
    why="One = stores a value and takes it as the answer; the condition no longer asks anything.",
    hint="Does this condition ask, or does it store?",
    criterion="program",
    source="the language: = assigns, == compares",
    explains=RUN_CONSEQUENCES,
)
def assignment_in_condition(view: ProgramView, finding: FindingFactory) -> Iterator[Finding]:
    for node in view.nodes:
        stored = _stored(node.condition) if isinstance(node, t.If | t.While | t.For | t.Choice) else None
        if stored is not None:
            at = stored.at
            yield finding(
                "The condition has one `=`, which stores instead of comparing.",
                "Write `==`.",
                at=at,
            )


def _stored(condition: t.Expr | None) -> t.Assign | None:
    """A value stored where a condition asks: as the whole of it, or beside `&&` and `||`. One that is compared is intended."""
    match condition:
        case t.Assign(op="="):
            return condition
        case t.Binary(op="&&" | "||" | "and" | "or", left=left, right=right):
            return _stored(left) or _stored(right)
        case t.Unary(op="!", operand=operand):
            return _stored(operand)
    return None
