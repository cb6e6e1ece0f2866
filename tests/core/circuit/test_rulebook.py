"""How findings lie together: causes before what follows from them, and never a danger behind what may be right."""

from dataclasses import replace
from itertools import permutations
from typing import Any
from unittest import TestCase

from verifex.core.findings import Finding, Severity, Where
from verifex.core.rulebook import RuleBook

STOP, FIX, CHECK, NOTE = Severity.STOP, Severity.FIX, Severity.CHECK, Severity.NOTE
WORDS: dict[str, Any] = {"title": "t", "why": "why", "hint": "h", "criterion": "wiring", "source": "s"}


def book(*rules: tuple[str, Severity, tuple[str, ...]]) -> RuleBook[list[Finding]]:
    """A book whose rules find what a list has of theirs."""
    made: RuleBook[list[Finding]] = RuleBook("test")
    for slug, severity, explains in rules:
        enter(made, slug, severity, explains)
    return made


def enter(made: RuleBook[list[Finding]], slug: str, severity: Severity, explains: tuple[str, ...]) -> None:
    @made.rule(slug, severity, explains=explains, **WORDS)
    def check(view, finding):
        return [one for one in view if one.rule == slug]


def found(slug: str, severity: Severity, *, parts: tuple[str, ...] = ("R1",), **more) -> Finding:
    where = Where(parts, more.pop("places", ()), (), more.pop("line", None), None)
    base = Finding(slug, severity, f"{slug} is so.", "why", "remedy", "h", "wiring", where)
    return replace(base, **more)


class CausesTest(TestCase):
    BOOK = book(
        ("cause", FIX, ("follows",)),
        ("maybe", CHECK, ("follows", "danger")),
        ("follows", FIX, ()),
        ("danger", STOP, ()),
    )

    def names(self, *findings: Finding) -> list[tuple[str, Severity, tuple[str, ...]]]:
        return [(f.rule, f.severity, f.explains) for f in self.BOOK.run(list(findings))]

    def test_what_follows_from_a_cause_is_named_by_it_and_left_out(self):
        self.assertEqual(self.names(found("cause", FIX), found("follows", FIX)), [("cause", FIX, ("follows R1",))])

    def test_one_part_place_line_or_affected_part_joins_them_and_nothing_else_does(self):
        consequence = found("follows", FIX, parts=("R2",), places=("a1",), line=3)
        for cause in (
            found("cause", FIX, parts=("R2", "R9")), found("cause", FIX, parts=(), places=("a1", "b1")),
            found("cause", FIX, parts=(), line=3), found("cause", FIX, parts=(), affects=("R2",)),
        ):  # fmt: skip
            self.assertEqual([rule for rule, *_ in self.names(cause, consequence)], ["cause"])
        apart = found("cause", FIX, parts=("R3",), places=("a2",), line=4)
        self.assertEqual(len(self.names(apart, consequence)), 2)
        nowhere = found("cause", FIX, parts=()), found("follows", FIX, parts=())
        self.assertEqual(len(self.names(*nowhere)), 2, "two that have no line are not on one line")

    def test_a_danger_is_never_left_out_because_something_may_be_right(self):
        for severity in (CHECK, NOTE):
            pair = [found("maybe", severity), found("danger", STOP)]
            self.assertEqual([rule for rule, *_ in self.names(*pair)], ["danger", "maybe"])

    def test_a_cause_of_a_danger_is_a_stop_and_says_why(self):
        only = self.BOOK.run([found("maybe", FIX), found("danger", STOP)])[0]
        self.assertEqual((only.rule, only.severity, only.explains), ("maybe", STOP, ("danger R1",)))
        self.assertEqual(only.why, "why As long as it is so: danger is so. why")
        stop = self.BOOK.run([found("maybe", STOP), found("danger", STOP)])[0]
        self.assertEqual(stop.why, "why", "a Stop needs no other's words")

    def test_of_two_that_explain_each_other_the_earlier_stays(self):
        mutual = book(("a", FIX, ("b",)), ("b", FIX, ("a",)), ("c", FIX, ()))
        for order in permutations([found("a", FIX), found("b", FIX)]):
            self.assertEqual([f.rule for f in mutual.run(list(order))], ["a"])
        self.assertEqual(len(book(("a", FIX, ("a",))).run([found("a", FIX)])), 1, "nothing explains itself")

    def test_of_a_chain_only_its_first_stays(self):
        chain = book(("a", FIX, ("b",)), ("b", FIX, ("c",)), ("c", FIX, ()))
        links = [found("a", FIX, parts=("X",)), found("b", FIX, parts=("X", "Y")), found("c", FIX, parts=("Y",))]
        self.assertEqual([f.rule for f in chain.run(links)], ["a"])

    def test_the_most_urgent_comes_first_then_by_line(self):
        ordered = self.names(
            found("follows", FIX, parts=("A",), line=9), found("maybe", CHECK, parts=("B",)),
            found("follows", FIX, parts=("C",), line=2), found("danger", STOP, parts=("D",)),
        )  # fmt: skip
        self.assertEqual([rule for rule, *_ in ordered], ["danger", "follows", "follows", "maybe"])
        lines = [
            f.where.line
            for f in self.BOOK.run([found("follows", FIX, parts=(p,), line=n) for p, n in (("A", 9), ("C", 2))])
        ]
        self.assertEqual(lines, [2, 9])


class ConsequencesTest(TestCase):
    """What a run shows is named by the rule of the text that explains it, wherever that is."""

    BOOK = book(("sum", CHECK, ("alarm",)), ("tidy", NOTE, ()))

    def test_the_likeliest_cause_becomes_as_urgent_as_what_it_shows(self):
        causes = [found("tidy", NOTE, line=1), found("sum", CHECK, line=2), found("sum", CHECK, line=7)]
        shown = found("alarm", FIX, parts=("BZ1",), moment_ms=4200.0)
        kept = self.BOOK.with_consequences(causes, [shown])
        self.assertEqual(
            [(f.rule, f.severity, f.where.line, f.explains, f.moment_ms) for f in kept],
            [("sum", FIX, 2, ("alarm BZ1",), 4200.0), ("sum", CHECK, 7, (), None), ("tidy", NOTE, 1, (), None)],
        )

    def test_a_milder_consequence_takes_nothing_back_and_the_first_moment_stays(self):
        cause = found("sum", STOP, line=2, moment_ms=10.0, explains=("x",))
        kept = self.BOOK.with_consequences([cause], [found("alarm", CHECK, parts=(), moment_ms=99.0)])
        self.assertEqual([(f.severity, f.moment_ms, f.explains) for f in kept], [(STOP, 10.0, ("x", "alarm"))])

    def test_what_nothing_explains_is_kept(self):
        kept = self.BOOK.with_consequences([found("tidy", NOTE)], [found("alarm", FIX)])
        self.assertEqual([f.rule for f in kept], ["alarm", "tidy"])
        strange = self.BOOK.with_consequences([found("of another book", FIX)], [found("alarm", FIX)])
        self.assertEqual(len(strange), 2)


class FactoryTest(TestCase):
    def test_what_a_finding_leaves_out_is_the_rules_and_two_of_a_name_are_refused(self):
        made: RuleBook[list[Finding]] = RuleBook("test")

        @made.rule("own", FIX, unchecked=True, **WORDS)
        def own(view, finding):
            yield finding("seen", "remedy", parts=["R1"], affects=["R2"], value=1.0, limit=2.0, unit="V")
            yield finding("seen", "remedy", severity=NOTE, why="own why", hint="own hint", at=Where((), (), (), 4, 2))

        plain, other = made.run([])
        self.assertEqual(
            (plain.rule, plain.severity, plain.why, plain.hint, plain.criterion, plain.unchecked, plain.affects),
            ("own", FIX, "why", "h", "wiring", True, ("R2",)),
        )
        self.assertEqual((plain.value, plain.limit, plain.unit, plain.where.parts), (1.0, 2.0, "V", ("R1",)))
        self.assertEqual((other.severity, other.why, other.hint), (NOTE, "own why", "own hint"))
        self.assertEqual((other.where.line, other.where.column), (4, 2))
        with self.assertRaises(ValueError):
            enter(made, "own", FIX, ())
        enter(made, "other", FIX, ())
        self.assertFalse(made.rules["other"].unchecked)
