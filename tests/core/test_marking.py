import re
from dataclasses import replace
from decimal import Decimal
from unittest import TestCase

from hypothesis import given
from hypothesis import strategies as st

from tests.samples import EXERCISE, WIRING
from verifex.core.assess.rule_books import all_books
from verifex.core.circuit import check_wiring
from verifex.core.exercise import MARK_STEPS
from verifex.core.findings import Finding, Severity
from verifex.core.marking import Evidence, Proposal, propose
from verifex.core.marking.propose import JUDGED

IN_LIMITS = dict.fromkeys((s.name for s in EXERCISE.steps), "likely")
OUT = dict.fromkeys(IN_LIMITS, "out")
STOP = tuple(check_wiring(WIRING.replace("+L a8", "+L a10").replace("-L a10", "-L a8"), exercise=EXERCISE).findings)
FIX = tuple(check_wiring(WIRING.replace("A2 a9", "A2 a11"), exercise=EXERCISE).findings)
WHOLE = {"wiring_handed_in": True, "cleared": True, "program_handed_in": True, "steps": IN_LIMITS}


def marks(**evidence: object) -> dict[str, Decimal]:
    return {c.name: c.proposed or Decimal(0) for c in proposal(**evidence).criteria}


def proposal(**evidence: object) -> Proposal:
    return propose(EXERCISE.criteria, Evidence(**{**WHOLE, **evidence}))  # type: ignore[arg-type]


class ProposeTest(TestCase):
    def test_a_sound_docket_gets_everything_in_decimals(self):
        whole = proposal()
        self.assertEqual((whole.total, whole.of), (Decimal(30), Decimal(30)))
        self.assertTrue(all(isinstance(c.proposed, Decimal) for c in whole.criteria))

    def test_a_stop_costs_most_at_clearance_less_when_sent_back_least_when_mended(self):
        at_clearance = marks(wiring=STOP)["safety"]
        sent_back = marks(sent_back=STOP)["safety"]
        mended = marks(mended=STOP)["safety"]
        self.assertEqual([at_clearance, sent_back, mended], [Decimal(2), Decimal(3), Decimal("3.5")])

    def test_one_cause_counts_once(self):
        self.assertEqual(marks(wiring=FIX, sent_back=FIX, mended=FIX), marks(wiring=FIX))

    def test_nothing_handed_in_earns_nothing_and_says_so(self):
        empty = propose(EXERCISE.criteria, Evidence())
        by_name = {c.name: c for c in empty.criteria}
        self.assertEqual([by_name[n].proposed for n in ("safety", "wiring", "program", "readings")], [Decimal(0)] * 4)
        self.assertIn("No program was handed in", by_name["program"].evidence[0])

    def test_follow_through(self):
        built_right = marks(intended=OUT)["readings"]
        of_the_program = marks(steps=OUT, follows_program=frozenset(OUT))["readings"]
        plainly_out = marks(steps=OUT)["readings"]
        self.assertEqual([built_right, of_the_program, plainly_out], [Decimal(6), Decimal("4.5"), Decimal("1.5")])
        self.assertIn("follow-through", proposal(intended=OUT).feedback())

    def test_overruling_costs_and_marks_are_never_negative(self):
        self.assertEqual(marks(overruled=True)["safety"], Decimal("3.5"))
        many = marks(wiring=STOP + FIX, kit_faults=tuple("abcdef"))
        self.assertTrue(all(mark >= 0 for mark in many.values()))

    def test_a_note_costs_nothing_a_check_half_a_mark_and_worse_its_share(self):
        cost = {
            severity: Decimal(8) - marks(wiring=(replace(FIX[0], severity=severity, criterion="wiring"),))["wiring"]
            for severity in Severity
        }
        of = next(c.of for c in EXERCISE.criteria if c.name == "wiring")
        self.assertEqual(of, 8)
        self.assertEqual(cost, {"stop": Decimal(4), "fix": Decimal(2), "check": Decimal("0.5"), "note": Decimal(0)})

    def test_a_sentence_behind_a_colon_keeps_the_capitals_of_parts_and_pins(self):
        for seen, shown in {
            "The light is backwards.": "the light is backwards.", "U1 has no supply.": "U1 has no supply.",
            "Pin2 is not wired.": "Pin2 is not wired.", "GND is open.": "GND is open.",
        }.items():  # fmt: skip
            found = replace(FIX[0], seen=seen, criterion="wiring")
            self.assertIn(
                f"Found by the instructor before power: {shown}"[:-1], proposal(sent_back=(found,)).feedback()
            )

    def test_clearance_is_named_where_there_was_one(self):
        self.assertIn("Cleared for power with no Stop open.", proposal().feedback())
        self.assertNotIn("Cleared for power", proposal(cleared=False).feedback())
        self.assertFalse(Evidence().cleared)

    def test_only_the_resistors_criterion_looks_at_the_resistors(self):
        lacking = proposal(resistors={"R1": True, "R2": False})
        self.assertEqual(
            [
                c.name
                for c in lacking.criteria
                if any("Not on the bench: R2." in s or "Not on the bench" in s for s in c.evidence)
            ],
            ["resistors"],
        )

    def test_every_mark_has_its_evidence(self):
        for criterion in proposal(wiring=STOP + FIX).criteria:
            self.assertTrue(criterion.evidence, criterion.name)


class SoFarTest(TestCase):
    def test_what_is_not_reached_is_not_marked_until_the_end(self):
        early = proposal(program_handed_in=False, steps={}, final=False)
        open_ = {c.name for c in early.criteria if c.proposed is None}
        self.assertEqual(open_, {"program", "readings"})
        self.assertIn("Program: – of 6", early.feedback())
        final = proposal(program_handed_in=False, steps={}, final=True)
        self.assertEqual(
            {c.name: c.proposed for c in final.criteria if c.name in open_}, dict.fromkeys(open_, Decimal(0))
        )

    def test_a_resistor_that_is_not_there_earns_nothing_for_its_value(self):
        missing = proposal(resistors={"R1, series resistor": False})
        row = next(c for c in missing.criteria if c.name == "resistors")
        self.assertEqual((row.proposed, row.evidence), (Decimal(0), ("Not on the bench: R1, series resistor (−4).",)))

    def test_a_step_at_a_flat_end_of_the_converter_costs_nothing(self):
        first, *_ = IN_LIMITS
        self.assertEqual(marks(steps={**IN_LIMITS, first: "exempt"})["readings"], Decimal(6))


class NotJudgedTest(TestCase):
    """What nobody judged has no proposal: it costs nothing, earns nothing by itself, and waits for a person."""

    UNCHECKED = Finding("not-supported-yet", Severity.CHECK, "`malloc` is not supported yet.", "", "", "", "program", unchecked=True)  # fmt: skip

    def test_each_way_of_not_being_judged_leaves_its_criteria_to_a_person(self):
        of_wiring = replace(self.UNCHECKED, criterion="wiring")
        for left, evidence in (
            ({"readings"}, {"steps": {}, "readings_handed_in": True}),
            ({"readings"}, {"steps": dict.fromkeys(IN_LIMITS, "exempt")}),
            ({"program"}, {"program": (self.UNCHECKED,)}),
            ({"program"}, {"program_not_judged": "There is no wiring yet to run it on."}),
            ({"safety", "wiring", "resistors"}, {"wiring": (of_wiring,), "resistors": {"R1": False}}),
        ):
            found = {c.name: c for c in proposal(**evidence).criteria}
            self.assertEqual({name for name, c in found.items() if c.to_decide}, left, evidence)
            for name in left:
                self.assertIsNone(found[name].proposed)
                self.assertFalse(any("−" in sentence for sentence in found[name].evidence), found[name].evidence)

    def test_what_was_not_checked_of_an_earlier_wiring_costs_nothing(self):
        earlier = (replace(self.UNCHECKED, criterion="wiring", severity=Severity.FIX),)
        self.assertEqual(marks(mended=earlier, sent_back=earlier), marks())

    def test_a_criterion_that_no_check_looks_at_is_for_a_person(self):
        scheme = [EXERCISE.criteria[0].model_copy(update={"name": "explanation"})]
        row = propose(scheme, Evidence(**WHOLE)).criteria[0]  # type: ignore[arg-type]
        self.assertEqual((row.proposed, row.to_decide), (None, True))

    def test_every_rule_feeds_a_criterion_that_the_proposal_knows(self):
        fed = {rule.criterion for book in all_books() for rule in book.rules.values()}
        self.assertLessEqual(fed, JUDGED)


class StepTest(TestCase):
    """Marks and deductions are multiples of the scheme's step, and what is shown adds up."""

    @given(
        st.sampled_from(MARK_STEPS),
        st.lists(st.sampled_from(["likely", "out", "missing", "exempt"]), min_size=1, max_size=9),
    )
    def test_deductions_add_up_to_what_is_not_given(self, step: Decimal, verdicts: list[str]):
        steps = {f"Step {n}": verdict for n, verdict in enumerate(verdicts)}
        row = next(
            c
            for c in propose(EXERCISE.criteria, Evidence(**{**WHOLE, "steps": steps}), step=step).criteria  # type: ignore[arg-type]
            if c.name == "readings"
        )
        if row.proposed is None:
            self.assertEqual(set(verdicts), {"exempt"})
            return
        shown = [Decimal(taken) for sentence in row.evidence for taken in re.findall(r"\(−([\d.]+)\)", sentence)]
        self.assertEqual(sum(shown, row.proposed), row.of)
        self.assertTrue(all(mark % step == 0 for mark in (row.proposed, *shown)), (step, row))


class PredictionTest(TestCase):
    """The part for what was predicted before measuring."""

    CRITERIA = tuple(c.model_copy(update={"name": "prediction"}) if c.name == "care" else c for c in EXERCISE.criteria)

    def mark(self, **evidence: object) -> tuple[Decimal | None, tuple[str, ...]]:
        found = propose(self.CRITERIA, Evidence(**{**WHOLE, **evidence}))  # type: ignore[arg-type]
        criterion = next(c for c in found.criteria if c.name == "prediction")
        return criterion.proposed, criterion.evidence

    def test_inside_the_limits_earns_all_outside_half_of_each(self):
        whole, _ = self.mark(predictions={"Room air": "likely", "Warm pack": "in-limits"})
        half, said = self.mark(predictions={"Room air": "likely", "Warm pack": "out"})
        of = next(c.of for c in self.CRITERIA if c.name == "prediction")
        self.assertEqual((whole, half), (of, of - of / 4))
        self.assertIn(
            "Warm pack: predicted beforehand, but outside this bench’s limits".replace("’", "'"), " ".join(said)
        )

    def test_what_was_not_measured_is_not_judged(self):
        mark, said = self.mark(predictions={"Room air": "unjudged", "Warm pack": "likely"})
        self.assertEqual(mark, next(c.of for c in self.CRITERIA if c.name == "prediction"))
        self.assertIn("so it is not judged", said[0])
        self.assertIsNone(self.mark(predictions={"Room air": "unjudged"})[0])

    def test_nothing_predicted_is_open_until_it_is_too_late(self):
        before, _ = self.mark(predictions={}, readings_handed_in=False, steps={}, final=False)
        after, said = self.mark(predictions={}, readings_handed_in=True)
        self.assertEqual((before, after), (None, Decimal(0)))
        self.assertIn("Nothing was predicted before measuring (−2).", said[0])
