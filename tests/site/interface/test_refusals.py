"""Every reason why an act is refused: its sentence names its facts, and only those."""

import pickle
from dataclasses import fields
from datetime import datetime
from decimal import Decimal
from string import Formatter
from typing import Any, get_type_hints

from django.test import SimpleTestCase

import verifex.site.api  # noqa: F401  every app with its refusals
from verifex.acts.refusals import Refused
from verifex.stores.refusals.replacing import NoSuchPlace

EXAMPLES: dict[Any, Any] = {
    str: "T-06 {x}",
    int: 4,
    float: 4.89,
    int | None: 3,
    Decimal: Decimal("2.5"),
    datetime: datetime(2026, 11, 30, 9),
    tuple[str, ...]: ("R1", "D1"),
}


class RefusalsTest(SimpleTestCase):
    def test_each_sentence_names_each_fact_and_only_facts(self):
        reasons = Refused.__subclasses__()
        self.assertGreater(len(reasons), 250)
        for reason in reasons:
            facts = {field.name for field in fields(reason)}
            named = {field for _, field, _, _ in Formatter().parse(reason.sentence) if field}
            self.assertEqual(named, facts, reason.__name__)

    def test_each_is_worded_with_its_facts_and_comes_back_from_another_process(self):
        for reason in Refused.__subclasses__():
            hints = get_type_hints(reason)
            refused = reason(*(EXAMPLES[hints[field.name]] for field in fields(reason)))
            self.assertTrue(str(refused), reason.__name__)
            self.assertEqual(str(pickle.loads(pickle.dumps(refused))), str(refused))

    def test_several_are_written_as_a_list(self):
        self.assertEqual(str(NoSuchPlace("HB-07", "R9", ("R1", "U1"))), "HB-07 has no R9; it has R1, U1.")
