"""Hints on a program in three steps: opened by the pair, counted, limited and paid for as the exercise says; and the line in the run."""

from decimal import Decimal
from typing import Any

from tests.samples import hand_in
from tests.site.base import DemoCase
from verifex.core.exercise.schema import HintRule
from verifex.core.marking.propose import Proposal
from verifex.dockets.hints import key_of
from verifex.dockets.models import OpenedHint
from verifex.marks.evidence import proposal_of, shown

RULE = "overflow"


class HintStepsTest(DemoCase):
    def setUp(self) -> None:
        super().setUp()
        self.docket_, self.pair = self.docket(2), self.member(2)
        program = hand_in("overflow.cpp").replace("A0", "A2").replace("ledPin = 8", "ledPin = 7")
        self.assertEqual(self.hand_in(2, "program", program, token="a sum that wraps").status_code, 200)

    def hints(self, opens: int | None = None, free: int = 0, cost: str = "0") -> None:
        version = self.docket_.version
        version.text += f"\nhints: {{free: {free}, cost: {cost}{f', opens: {opens}' if opens is not None else ''}}}\n"
        type(version).objects.filter(pk=version.pk).update(text=version.text)

    def seen(self) -> dict[str, Any]:
        program: dict[str, Any] = self.pair.ask(f"/api/my/dockets/{self.docket_.pk}").json()["program"]
        return program

    def hint(self) -> dict[str, Any]:
        return next(h for h in self.seen()["stepped"] if h["key"] == key_of(RULE))

    def open(self, step: int, key: str = key_of(RULE)) -> Any:
        return self.pair.ask(f"/api/my/dockets/{self.docket_.pk}/open-hint", key=key, step=step)

    def test_each_step_is_opened_after_the_one_before_and_counts_once(self):
        first = self.hint()
        self.assertEqual((first["step"], first["hint"], first["nearly"], first["line"]), (1, "", "", 14))
        self.assertNotIn(RULE, str(self.seen()))
        self.assertEqual(self.open(3).status_code, 422)
        for _ in range(2):
            self.assertEqual(self.open(2).status_code, 200)
        self.assertIn("?", self.hint()["hint"])
        self.assertEqual(self.open(3).status_code, 200)
        self.assertIn("goes beyond 32767", self.hint()["nearly"])
        self.assertEqual(OpenedHint.objects.filter(docket=self.docket_).count(), 2)

    def test_the_exercise_says_how_many_may_be_opened_and_what_they_cost(self):
        self.hints(opens=2, free=1, cost="0.5")
        self.assertEqual((self.seen()["hints_left"], Decimal(self.seen()["hint_cost"])), (2, 0))
        before = next(c for c in self.proposal().criteria if c.name == "program").proposed or Decimal(0)
        self.open(2)
        self.assertEqual((self.seen()["hints_left"], self.seen()["hint_cost"]), (1, "0.5"))
        self.open(3)
        other = next(h["key"] for h in self.seen()["stepped"] if h["key"] != key_of(RULE))
        refused = self.open(2, other)
        self.assertEqual(refused.status_code, 422)
        self.assertIn("All 2 steps that this exercise allows are opened", str(refused.json()))
        program = next(c for c in self.proposal().criteria if c.name == "program")
        self.assertIn("2 steps of hints were opened (−0.5).", program.evidence)
        self.assertLessEqual(program.proposed or Decimal(0), before)

    def proposal(self) -> Proposal:
        return proposal_of(shown([self.docket(2)])[self.docket_.pk], final=False)

    def test_marks_of_opened_steps_begin_behind_the_free_ones(self):
        rule = HintRule(free=2, cost=Decimal("0.5"))
        self.assertEqual([rule.marks(n) for n in (0, 2, 3, 5)], [0, 0, Decimal("0.5"), Decimal("1.5")])

    def test_a_hint_of_an_earlier_program_is_none_any_more(self):
        self.assertEqual(self.open(2, key_of("no-such-rule")).status_code, 422)

    def test_the_line_is_shown_in_the_run_with_its_variables(self):
        answer = self.pair.ask(f"/api/my/dockets/{self.docket_.pk}/hint-line?key={key_of(RULE)}")
        seen = answer.json()
        self.assertEqual((answer.status_code, seen["line"]), (200, 14))
        self.assertGreater(seen["times"], 3)
        values = [value for row in seen["rows"] for value in row["values"]]
        self.assertTrue(any(value["after"].startswith("-") for value in values), seen["rows"][:3])
        hidden = self.pair.ask(f"/api/my/dockets/{self.docket_.pk}/hint-line?key={key_of('value-unused')}")
        self.assertEqual(hidden.status_code, 422)
